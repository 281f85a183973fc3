<?php

declare(strict_types=1);

use App\Access\SignInThrottle;
use App\Models\Player;
use App\Models\PlayerLink;
use App\Models\Studio;
use App\Words\PlayersLanguage;
use App\Words\Words;
use Illuminate\Support\Facades\Cache;

// In which language a player reads, what they are told when something cannot be taken, and how often a link may be tried.

beforeEach(function (): void {
    $this->owner = $this->fitter();
    $this->actingAs($this->owner);
    $this->player = Player::query()->create([
        'studio_id' => $this->owner->studio_id, 'name' => 'Corin Aldery', 'hand' => 'left', 'units' => Player::USUAL_UNITS,
    ]);
    $this->token = basename($this->postJson("api/players/{$this->player->id}/links", ['kind' => 'intake'])->assertCreated()->json('path'));
    $this->look = fn (array $more = [], string $phone = ''): ?string => $this
        ->postJson('api/for-player/look', ['token' => $this->token] + $more, ['Accept-Language' => $phone])->assertOk()->json('language');
});

it('reads what was chosen on the link, then what was booked, then the phone, then the studio', function (): void {
    expect(($this->look)())->toBe('en')->and(($this->look)([], 'de-DE,de;q=0.9,en;q=0.5'))->toBe('de')
        ->and(($this->look)([], 'it-IT'))->toBe('en');
    $this->putJson('api/studio/rules', ['language' => 'de'])->assertOk()->assertJsonPath('language', 'de');
    expect(($this->look)([], 'it-IT'))->toBe('de')->and(($this->look)([], 'en-GB'))->toBe('en');
    $this->postJson('api/appointments', [
        'day' => now()->addDays(7 - now()->dayOfWeek + 3)->format('Y-m-d'), 'time' => '10:00', 'minutes' => 60, 'kind' => 'Driver fitting', 'swings' => 30,
        'playerId' => $this->player->id, 'language' => 'de', 'outside' => true,
    ])->assertCreated()->assertJsonPath('player.language', 'de');
    expect(($this->look)([], 'en-GB'))->toBe('de');
    // Chosen once, it is kept: also after a reload, on whatever phone.
    expect(($this->look)(['language' => 'en'], 'de-DE'))->toBe('en')->and(($this->look)([], 'de-DE'))->toBe('en')
        ->and(PlayerLink::query()->sole()->language)->toBe('en');
    // What there are no words of is no choice.
    expect(($this->look)(['language' => 'xx']))->toBe('en');
});

it('prints in the language of the player, or of the studio', function (): void {
    expect(PlayersLanguage::printed($this->player)->language)->toBe('en');
    Studio::query()->whereKey($this->owner->studio_id)->update(['language' => 'de']);
    expect(PlayersLanguage::printed($this->player->fresh()->load('studio'))->language)->toBe('de');
    $this->player->update(['language' => 'en']);
    expect(PlayersLanguage::printed($this->player->fresh())->language)->toBe('en');
});

it('says every refusal in that language, with the name of the field', function (array $said, string $field, string $words): void {
    $answer = $this->postJson('api/for-player/intake', $said + ['token' => $this->token, 'key' => 'a-key-of-this-phone',
        'wants' => ['carry']], ['Accept-Language' => 'de']);
    expect($answer->assertUnprocessable()->json("errors.{$field}.0"))->toBe($words);
})->with([
    'a handicap that cannot be' => [['handicap' => 90], 'handicap', 'Bitte eine Zahl zwischen -8 und 54 eintragen.'],
    'a carry in yards' => [['carry' => 900, 'units' => Player::USUAL_UNITS], 'carryM', 'Bitte eine Zahl zwischen 66 und 371 eintragen.'],
    'no number' => [['carry' => 'weit'], 'carry', 'Bitte eine Zahl eintragen.'],
    'a long wish' => [['wish' => str_repeat('w', 501)], 'wish', 'Bitte höchstens 500 Zeichen schreiben.'],
    'a hand that nobody has' => [['hand' => 'both'], 'hand', 'Ich spiele als: Bitte sehen Sie sich das noch einmal an.'],
    'a sign that turns the writing' => [['wish' => "weit\u{202E}gnal"], 'wish', 'In eigenen Worten: Darin steht ein verstecktes Zeichen, das wir nicht behalten können. Bitte schreiben Sie es noch einmal.'],
    'a NUL' => [['club' => "alt\0neu"], 'club', 'Driver, so genau Sie es wissen: Darin steht ein verstecktes Zeichen, das wir nicht behalten können. Bitte schreiben Sie es noch einmal.'],
]);

it('lets a flood of wrong links end nothing but links, says how long to wait, and remembers over a restart', function (): void {
    for ($i = 0; $i < 25; $i++) {
        $this->travel(2)->seconds();
        $this->postJson('api/for-player/look', ['token' => "wrong-{$i}"])->assertUnprocessable();
    }
    // Twenty wrong ones from the studio's own network, and everybody else goes on.
    expect(($this->look)())->toBe('en');
    $this->postJson('api/session', ['email' => 'nobody@x.example', 'password' => 'wrong'])->assertUnprocessable();
    for ($i = 0; $i < 280; $i++) {
        app(SignInThrottle::class)->linkFailed(request());
    }
    $this->travel(2)->minutes();
    $wait = $this->postJson('api/for-player/look', ['token' => $this->token], ['Accept-Language' => 'de'])->assertTooManyRequests();
    expect((int) $wait->headers->get('Retry-After'))->toBeGreaterThan(600)
        ->and($wait->json('message'))->toBe(Words::in('de')->say('error.tooMany',
            ['minutes' => (int) ceil($wait->headers->get('Retry-After') / 60)]));
    $this->postJson('api/session', ['email' => 'nobody@x.example', 'password' => 'wrong'])->assertUnprocessable();
    // What was counted is in the database, not in the memory of a server that may end.
    Cache::store('array')->flush();
    Cache::store('file')->flush();
    $this->postJson('api/for-player/look', ['token' => $this->token])->assertTooManyRequests();
});

it('refuses hidden signs and days out of reach in what the studio writes too', function (): void {
    $this->postJson('api/fittings', ['name' => "Ada\u{202E}nod", 'hand' => 'right', 'units' => Player::USUAL_UNITS])->assertUnprocessable()
        ->assertJsonValidationErrors('name')->assertSee('hidden sign');
    $fitting = $this->postJson('api/fittings', ['playerId' => $this->player->id])->assertCreated()->json('id');
    foreach (['0001-01-01', '9999-12-31', '1999-12-31'] as $day) {
        $this->postJson('api/appointments', ['day' => $day, 'time' => '10:00', 'minutes' => 60, 'kind' => 'x',
            'swings' => 3])->assertUnprocessable();
        $this->getJson("api/calendar?from={$day}")->assertUnprocessable();
        $this->postJson("api/fittings/{$fitting}/rounds", [
            'key' => "a-key-of-{$day}", 'playedOn' => $day, 'course' => 'Reedmere', 'club' => 'before', 'holes' => 14, 'hit' => 7, 'left' => 4, 'right' => 3, 'lost' => 0,
        ])->assertUnprocessable()->assertJsonValidationErrors('playedOn');
    }
    // Letters of every script, and line breaks, are no hidden signs.
    $this->postJson('api/fittings', ['name' => 'نورا Ågot', 'hand' => 'right', 'units' => Player::USUAL_UNITS])->assertCreated();
});
