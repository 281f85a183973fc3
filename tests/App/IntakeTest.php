<?php

declare(strict_types=1);

use App\Access\Role;
use App\Data\Eraser;
use App\Models\Consent;
use App\Models\Fitting;
use App\Models\Intake;
use App\Models\LogEntry;
use App\Models\Player;
use App\Models\PlayerLink;
use App\Models\User;
use App\Support\Sealed;
use App\Words\Words;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Encryption\Encrypter;
use Illuminate\Log\Events\MessageLogged;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\PlayersWords;

// What a player says before they come, by a private link.

beforeEach(function (): void {
    $this->owner = $this->fitter();
    $this->actingAs($this->owner);
    $this->player = Player::query()->create([
        'studio_id' => $this->owner->studio_id, 'name' => 'Corin Aldery', 'hand' => 'right',
        'units' => ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'],
    ]);
    $this->link = fn (): string => basename($this->postJson("api/players/{$this->player->id}/links",
        ['kind' => 'intake'])->assertCreated()->json('path'));
    $this->says = fn (string $token, array $more = []): array => $more + [
        'token' => $token, 'key' => 'a-key-of-this-phone', 'hand' => 'left',
        'units' => ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm'],
        'shape' => 'fade', 'miss' => 'left', 'carry' => 190, 'handicap' => 12, 'wants' => ['fairways'], 'never' => ['left'],
        'wish' => 'Never the pond again', 'course' => 'Reedmere', 'turf' => 'soft', 'width' => 'narrow', 'left' => 'water', 'right' => '',
        'club' => 'ten and a half, old', 'ball' => 'Mallow Four', 'pain' => 'left wrist aches', 'consent' => true, 'isMinor' => false,
        'guardian' => null,
    ];
});

it('becomes the draft of the brief that begins next, with pain for the fitter alone', function (): void {
    $token = ($this->link)();
    $this->deleteJson('api/session');
    $this->postJson('api/for-player/look', ['token' => $token])->assertOk()->assertJsonPath('kind', 'intake')
        ->assertJsonPath('intake.isSent', false)
        ->assertJsonMissing(['Corin Aldery']);
    $this->postJson('api/for-player/intake', ($this->says)($token))->assertCreated()->assertExactJson(['sent' => true]);
    $this->postJson('api/for-player/look', ['token' => $token])->assertJsonPath('intake.isSent', true)
        ->assertDontSee('wrist')->assertDontSee('pond');
    $this->actingAs($this->owner);
    $seen = $this->postJson('api/fittings', ['playerId' => $this->player->id])->assertCreated()->json();
    expect($seen['brief'])->toMatchArray([
        'shape' => 'fade', 'miss' => 'left', 'carryM' => 190.0, 'wish' => 'Never the pond again', 'never' => ['left'], 'turf' => 'soft',
    ])->and($seen['brief']['corridor'])->toEqual(['widthM' => 22, 'left' => ['kind' => 'water',
        'atM' => null], 'right' => ['kind' => 'rough', 'atM' => null]])
        ->and($seen['intake']['standing'])->toContain('shape', 'corridor.widthM', 'corridor.left.kind')
        ->and($seen['intake']['pain'])->toBe('left wrist aches')->and($seen['intake']['course'])->toBe('Reedmere')
        ->and($seen['player']['hand'])->toBe('left')->and($seen['player']['units']['distance'])->toBe('m')
        ->and($seen['briefAgreedAt'])->toBeNull();
    // Once agreed with other words, it is no longer marked as theirs.
    $this->patchJson("api/fittings/{$seen['id']}/brief", ['version' => $seen['version'], 'brief' => ['shape' => 'slice']])->assertOk()
        ->assertJsonPath('intake.standing', fn (array $s): bool => ! in_array('shape', $s, true) && in_array('miss', $s, true));
    $desk = User::query()->create([
        'studio_id' => $this->owner->studio_id, 'name' => 'Desk', 'email' => 'desk@x.example', 'password' => 'x', 'role' => Role::Desk,
        'password_at' => now(),
    ]);
    $this->actingAs($desk)->getJson("api/fittings/{$seen['id']}")->assertOk()->assertJsonPath('intake.pain', null)->assertDontSee('wrist');
    $this->getJson("api/players/{$this->player->id}")->assertDontSee('wrist');
    $this->actingAs($this->owner)->get("api/fittings/{$seen['id']}/file")->assertDontSee('wrist');
    expect(Consent::query()->sole()->taken_by)->toBeNull()
        ->and($this->getJson("api/players/{$this->player->id}")->json('consents.0.takenBy'))->toBe('the player, by link')
        // It is not readable where it lies.
        ->and(DB::table('intakes')->value('pain'))->not->toContain('wrist')->and(LogEntry::query()->get()->toJson())
        ->not->toContain('wrist');
});

it('fills in a brief that was begun and says nothing yet, and leaves alone what the fitter wrote', function (): void {
    $seen = $this->postJson('api/fittings', ['playerId' => $this->player->id])->json();
    Fitting::query()->findOrFail($seen['id'])->forceFill(['brief' => ['miss' => 'right'] + (new Brief)->toArray()])->save();
    $this->postJson('api/for-player/intake', ($this->says)(($this->link)()))->assertCreated();
    $now = $this->getJson("api/fittings/{$seen['id']}")->json();
    expect($now['brief']['miss'])->toBe('right')->and($now['brief']['shape'])->toBe('fade')->and($now['version'])
        ->toBe($seen['version'] + 1)
        ->and($this->getJson("api/fittings/{$seen['id']}/log")->json('0.by'))->toBe('the player, by link');
});

it('goes on where the key is gone, and reads everything again where the key of before is given', function (): void {
    $token = ($this->link)();
    $this->postJson('api/for-player/intake', ($this->says)($token))->assertCreated();
    $id = $this->postJson('api/fittings', ['playerId' => $this->player->id])->assertCreated()->json('id');
    $turn = function (string ...$keys): void {
        $new = new Encrypter($keys[0], 'AES-256-CBC');
        app()->instance('encrypter', $new->previousKeys(array_slice($keys, 1)));
        Crypt::clearResolvedInstances();
        Model::encryptUsing(null);
    };
    [$old, $now] = [app('encrypter')->getKey(), random_bytes(32)];
    $turn($now);
    $this->getJson("api/fittings/{$id}")->assertOk()->assertJsonPath('intake.pain', Sealed::LOST);
    $this->getJson("api/players/{$this->player->id}/links")->assertOk()->assertJsonPath('0.path', null);
    $this->get("api/data/players/{$this->player->id}/file")->assertOk()->assertSee(Sealed::LOST, false);
    // Writing anew without it writes over nothing; with it, today's key alone reads all.
    $this->artisan('mint:reencrypt')->expectsOutputToContain('2 were written with a key that is not here')->assertSuccessful();
    $turn($now, $old);
    $this->artisan('mint:reencrypt')->expectsOutput('2 secrets written anew.')->assertSuccessful();
    $turn($now);
    $this->getJson("api/fittings/{$id}")->assertOk()->assertJsonPath('intake.pain', 'left wrist aches');
    $this->getJson("api/players/{$this->player->id}/links")->assertOk()->assertJsonPath('0.path', "/#/for/{$token}");
});

it('keeps it once, however often it is sent, and each version until the fitter begins', function (): void {
    $token = ($this->link)();
    $seen = $this->postJson('api/fittings', ['playerId' => $this->player->id])->json();
    $this->postJson('api/for-player/intake', ($this->says)($token))->assertCreated();
    $this->postJson('api/for-player/intake', ($this->says)($token))->assertOk()->assertExactJson(['sent' => true]);
    expect(Intake::query()->count())->toBe(1);
    // The same key with other words is another answer: it is refused, and nothing is lost.
    $this->postJson('api/for-player/intake', ($this->says)($token, ['wish' => 'other words']))->assertUnprocessable();
    // Answered again: what still stands as they said it is theirs to change.
    $this->postJson('api/for-player/look', ['token' => $token])->assertJsonPath('intake.mayAnswer', true);
    $this->postJson('api/for-player/intake', ($this->says)($token,
        ['key' => 'another-phone', 'wish' => 'A high ball', 'shape' => 'draw', 'miss' => null]))
        ->assertCreated();
    $now = $this->getJson("api/fittings/{$seen['id']}")->json();
    expect(Intake::query()->count())->toBe(2)->and($now['brief']['wish'])->toBe('A high ball')->and($now['brief']['shape'])->toBe('draw')
        ->and($now['brief']['miss'])->toBe((new Brief)->toArray()['miss'])->and($now['intake']['consentAt'])->not->toBeNull()
        ->and(Intake::waiting($this->player->id))->toBeNull();
    $this->patchJson("api/fittings/{$seen['id']}/brief", ['version' => $now['version'], 'brief' => ['turf' => 'firm']])->assertOk();
    Fitting::query()->whereKey($seen['id'])->update(['brief_agreed_at' => now()]);
    $this->postJson('api/for-player/look', ['token' => $token])->assertJsonPath('intake.mayAnswer', false);
    $this->postJson('api/for-player/intake', ($this->says)($token, ['key' => 'a-third-phone', 'language' => 'de']))->assertUnprocessable()
        ->assertSee('Das wurde schon gesendet');
    expect(Intake::query()->count())->toBe(2);
});

it('refuses an empty answer with words, and keeps nothing of the body without consent', function (): void {
    $token = ($this->link)();
    $blank = array_fill_keys(['hand', 'shape', 'miss', 'carry', 'handicap', 'wish', 'course', 'turf', 'width', 'left',
        'right', 'club', 'ball', 'pain'], null);
    $this->postJson('api/for-player/intake', ($this->says)($token,
        $blank + ['wants' => [], 'never' => [], 'consent' => false]))->assertUnprocessable()
        ->assertSee('Nothing was answered yet');
    $this->postJson('api/for-player/intake', ($this->says)($token, ['consent' => false]))->assertUnprocessable()
        ->assertJsonValidationErrors('pain')
        ->assertSee('only if you agree');
    $this->postJson('api/for-player/look', ['token' => $token])->assertJsonPath('intake.isSent', false);
    expect(Intake::query()->count())->toBe(0)->and(Consent::query()->count())->toBe(0);
    $this->postJson('api/for-player/intake', ($this->says)($token, ['consent' => false, 'pain' => null]))->assertCreated();
    $seen = $this->postJson('api/fittings', ['playerId' => $this->player->id])->json();
    expect($seen['intake']['consentAt'])->toBeNull()->and($seen['intake']['pain'])->toBeNull();
});

it('gives the player their next appointment for their own calendar', function (): void {
    $token = ($this->link)();
    $this->postJson('api/for-player/appointment', ['token' => $token])->assertNotFound();
    $this->postJson('api/appointments', [
        'day' => '2031-03-03', 'time' => '10:00', 'minutes' => 90, 'kind' => 'Driver fitting', 'swings' => 60, 'playerId' => $this->player->id,
        'note' => 'talks a lot',
    ])->assertCreated();
    $this->postJson('api/for-player/look', ['token' => $token])->assertJsonPath('intake.appointment.at', '3 March 2031')
        ->assertJsonPath('intake.appointment.time', '10:00');
    $file = $this->postJson('api/for-player/appointment', ['token' => $token])->assertOk()->getContent();
    expect($file)->toContain('DTSTART:20310303T100000Z')->not->toContain('talks a lot');
});

it('opens nothing by a link that was ended, is too old, was guessed, or whose player was thrown away', function (Closure $spoil): void {
    $token = ($this->link)();
    $token = $spoil->call($this, $token) ?? $token;
    $this->postJson('api/for-player/look', ['token' => $token])->assertUnprocessable()->assertJsonValidationErrors('token');
    $this->postJson('api/for-player/intake', ($this->says)($token))->assertUnprocessable()->assertSee('not good any more');
    expect(Intake::query()->count())->toBe(0);
})->with([
    'ended' => [function (): void {
        $this->deleteJson("api/players/{$this->player->id}/links/".PlayerLink::query()->value('id'))->assertOk()
            ->assertJsonPath('path', null);
    }],
    'too old' => [function (): void {
        $this->travel(22)->days();
    }], 'guessed' => [fn (string $t): string => strrev($t)],
    'thrown away' => [function (): void {
        $this->deleteJson("api/players/{$this->player->id}")->assertOk();
    }],
]);

it('logs no link, right or wrong', function (): void {
    $said = [];
    Log::listen(function (MessageLogged $m) use (&$said): void {
        $said[] = $m->message.json_encode($m->context);
    });
    $token = ($this->link)();
    $this->postJson('api/for-player/look', ['token' => 'a-wrong-guess'])->assertUnprocessable();
    $this->postJson('api/for-player/look', ['token' => $token])->assertOk();
    expect(implode("\n", $said))->not->toContain($token)->not->toContain('a-wrong-guess')
        ->and(DB::table('player_links')->value('token'))->not->toContain($token);
});

it('says what cannot be, in the player’s language, and takes no key that it does not ask for', function (): void {
    $token = ($this->link)();
    $send = fn (array $more) => $this->postJson('api/for-player/intake', ($this->says)($token, $more));
    $send(['carry' => 900])->assertUnprocessable()->assertJsonValidationErrors('carryM');
    $send(['shape' => 'banana'])->assertUnprocessable()->assertJsonValidationErrors('shape');
    $send(['width' => 'endless', 'language' => 'de'])->assertUnprocessable()->assertSee('Bitte sehen Sie');
    $send(['isMinor' => true])->assertUnprocessable()->assertJsonValidationErrors('guardian');
    $send(['tip' => 'none'])->assertUnprocessable()->assertJsonValidationErrors('tip');
    expect(Intake::query()->count())->toBe(0);
    $send(['isMinor' => true, 'guardian' => 'Mara Aldery'])->assertCreated();
    expect(Consent::query()->sole()->guardian)->toBe('Mara Aldery');
});

it('goes with the player when they are erased, and stands in the file of all that is kept of them', function (): void {
    $this->postJson('api/for-player/intake', ($this->says)(($this->link)()))->assertCreated();
    $file = $this->get("api/data/players/{$this->player->id}/file")->assertOk()->json();
    expect($file['rows']['intakes'][0]['said']['wish'])->toBe('Never the pond again')
        ->and($file['rows']['intakes'][0]['pain'])->toBe('left wrist aches');
    app(Eraser::class)->erase($this->player->id, $this->owner->id);
    expect(Intake::query()->count())->toBe(0)->and(PlayerLink::query()->count())->toBe(0)
        ->and(LogEntry::query()->where('words', 'like', '%Corin%')->count())->toBe(0);
});

it('has the same messages in each language, each of which can be said', function (): void {
    $keys = static fn (string $language): array => array_keys(Words::read($language));
    foreach (Words::languages() as $language) {
        expect(array_diff($keys('en'), $keys($language)))->toBe([], "{$language} lacks messages")
            ->and(array_diff($keys($language), $keys('en')))->toBe([]);
        foreach (Words::read($language) as $key => $message) {
            preg_match_all('/\{(\w+)\s*[,}]/', $message, $needs);
            preg_match_all('/\{(\w+)\s*[,}]/', Words::read('en')[$key], $has);
            expect(array_diff($needs[1], $has[1]))->toBe([], "{$language}: {$key}")
                ->and(Words::in($language)->say($key, array_fill_keys($has[1], 3)))->not->toBe('');
        }
    }
    expect(Words::in('de')->number(-1234.5, 1))->toBe('−1234,5')->and(Words::in('en')->number(-0.04, 1))->toBe('0.0')
        ->and(Words::in('xx')->language)->toBe('en')
        ->and(Words::in('de')->date(new DateTimeImmutable('2026-03-29T23:30:00Z'), new DateTimeZone('Europe/Berlin')))
        ->toBe('30. März 2026');
});

it('reads what a player says and refuses the rest by its field', function (array $said, string $field): void {
    try {
        PlayersWords::of($said);
        $this->fail('it was taken');
    } catch (InvalidInput $e) {
        expect($e->field)->toBe($field);
    }
})->with([
    [['shape' => 'wobble'], 'shape'], [['carryM' => 900.0], 'carryM'], [['width' => 'huge'], 'width'],
    [['course' => str_repeat('x', 121)], 'course'],
    [['gauge' => 1], 'gauge'],
]);
