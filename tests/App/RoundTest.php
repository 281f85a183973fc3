<?php

declare(strict_types=1);

use App\Models\Order;
use App\Models\Player;
use App\Models\PlayerLink;
use App\Models\Round;
use Illuminate\Http\UploadedFile;

// Three rounds after a fitting, told by link or written down by the studio.

beforeEach(function (): void {
    $this->owner = $this->fitter();
    $this->actingAs($this->owner);
    $this->made = $this->fitting($this->owner);
    $this->own = $this->addSetup($this->made);
    $this->hitAbout($this->owner, $this->own, 146, 6, 3);
    $this->setup = $this->build($this->made, $this->rackHead($this->owner));
    $this->hitAbout($this->owner, $this->setup, 150, 6);
    $this->postJson("api/fittings/{$this->made->id}/decisions", ['setupId' => $this->setup->id, 'reason' => 'Straight'])->assertCreated();
    $this->url = "api/fittings/{$this->made->id}";
    // Every drive ended somewhere: what is not said otherwise was missed left.
    $this->round = fn (array $more = []): array => $more + ['left' => max(0, 14 - ($more['hit'] ?? 8) - ($more['right'] ?? 5))] + [
        'key' => 'round-'.bin2hex(random_bytes(6)), 'playedOn' => now()->subDay()->format('Y-m-d'), 'course' => 'Reedmere', 'club' => 'new', 'holes' => 14,
        'hit' => 8,
        'right' => 5, 'lost' => 1, 'drives' => [210, 231.5], 'unit' => 'yd', 'feel' => 4, 'words' => 'Best in years',
    ];
    $this->tell = fn (array $more = []) => $this->postJson("{$this->url}/rounds", ($this->round)($more));
});

it('tells a round by link, once however often it is sent, and no other by the same key', function (): void {
    $token = basename($this->postJson("api/players/{$this->made->player_id}/links",
        ['kind' => 'rounds', 'fittingId' => $this->made->id])->assertCreated()->json('path'));
    $this->deleteJson('api/session');
    $this->postJson('api/for-player/look', ['token' => $token])->assertOk()->assertJsonPath('rounds.told', []);
    $round = ['token' => $token] + ($this->round)();
    $this->postJson('api/for-player/rounds', $round)->assertCreated()->assertJsonPath('told.0.course', 'Reedmere');
    $this->postJson('api/for-player/rounds', $round)->assertOk()->assertJsonCount(1, 'told');
    $this->postJson('api/for-player/rounds', ['hit' => 3, 'left' => 6] + $round)->assertUnprocessable()->assertSee('This was sent already');
    $this->postJson('api/for-player/rounds', ['key' => 'another one', 'hit' => 40] + $round)->assertUnprocessable()
        ->assertJsonValidationErrors('hit');
    $this->postJson('api/for-player/rounds', ['key' => 'another one', 'hit' => 40, 'language' => 'de'] + $round)
        ->assertSee('Bitte sehen Sie');
    $kept = Round::query()->sole();
    expect($kept->drives_m[0])->toEqualWithDelta(192.024, 1e-6)->and($kept->typed['unit'])->toBe('yd');
    $this->travel(181)->days();
    $this->postJson('api/for-player/rounds', ['key' => 'much too late'] + $round)->assertUnprocessable()->assertSee('not good any more');
    $this->actingAs($this->owner);
    expect($this->getJson("{$this->url}/follow-up")->json('rounds.0'))->toMatchArray(['byLink' => true, 'right' => 5])
        ->and($this->getJson("{$this->url}/log")->json('0'))
        ->toMatchArray(['words' => 'told of a round on Reedmere', 'by' => 'the player, by link']);
});

it('holds rounds against the promise and tells what to do, with adjustments that go the right way', function (): void {
    foreach ([4, 3, 4] as $hit) {
        ($this->tell)(['club' => 'before', 'hit' => $hit])->assertCreated();
    }
    foreach ([9, 8, 9] as $hit) {
        ($this->tell)(['hit' => $hit, 'left' => 0, 'right' => 14 - $hit, 'course' => ' reedmere '])->assertCreated();
    }
    $seen = $this->getJson("{$this->url}/follow-up")->assertOk()->json();
    expect($seen['promise'])->toMatchArray(['tag' => $this->setup->tag, 'own' => $this->own->tag,
        'isOverruled' => $seen['promise']['isOverruled']])
        ->and($seen['seen']['against'])->toBe('same courses')->and($seen['seen']['now'])
        ->toMatchArray(['rounds' => 3, 'drives' => 42, 'hit' => 26])
        ->and($seen['seen']['gain']['low'])->toBeGreaterThan(0.05)->and($seen['seen']['miss'])->toBe('right')
        ->and($seen['seen']['measured'])->toBe(6)
        ->and($seen['seen']['drivesM'])->toEqualWithDelta((210 + 231.5) / 2 * 0.9144, 1e-6)->and(count($seen['tweaks']))
        ->toBeGreaterThan(0);
    foreach ($seen['tweaks'] as $tweak) {
        expect($tweak['effect']['sideM']['value'])->toBeLessThan(0.0);
    }
    // A fitting that starts from here has the decided club as its own.
    $next = $this->postJson('api/fittings', ['playerId' => $this->made->player_id,
        'fromFittingId' => $seen['refit']['fittingId'], 'setupId' => $seen['refit']['setupId']])
        ->assertCreated()->json();
    expect($next['setups'][0]['head'])->toBe($this->setup->head);
});

it('learns a course from other players of the studio, and never from another studio', function (): void {
    $tell = function (object $fitting, int $hit): void {
        foreach (range(1, 3) as $i) {
            $this->postJson("api/fittings/{$fitting->id}/rounds", ($this->round)(['hit' => $hit]))->assertCreated();
        }
    };
    $tell($this->made, 8);
    expect($this->getJson("{$this->url}/follow-up")->json('seen.against'))->toBe('nothing');
    $file = $this->getJson("{$this->url}/file")->json();
    foreach (['One', 'Two', 'Three'] as $name) {
        $id = $this->post('api/fittings/import', [
            'file' => UploadedFile::fake()->createWithContent('x.json', (string) json_encode(['player' => ['name' => $name] + $file['player']] + $file)), 'keep' => '1',
        ])->assertOk()->json('fittingId');
        $tell((object) ['id' => $id], 7);
    }
    expect(Player::query()->count())->toBe(4)->and($this->getJson("{$this->url}/follow-up")->json('seen.against'))->toBe('course effect');
    $other = $this->fitter('Another');
    $theirs = $this->fitting($other);
    $own = $this->addSetup($theirs);
    $this->hitAbout($other, $own, 146, 6);
    $this->actingAs($other)->postJson("api/fittings/{$theirs->id}/decisions", ['setupId' => $own->id, 'reason' => 'x'])->assertCreated();
    $tell($theirs, 8);
    expect($this->getJson("api/fittings/{$theirs->id}/follow-up")->json('seen.against'))->toBe('nothing');
});

it('reads a table whole or not at all, and stores no line twice', function (): void {
    $send = fn (string $text, bool $keep = true) => $this->post("{$this->url}/rounds/file", [
        'file' => UploadedFile::fake()->createWithContent('rounds.csv', $text), 'keep' => $keep ? '1' : '0',
    ], ['Accept' => 'application/json']);
    $table = "\u{FEFF}Played;Course;Club;Holes;Hit;Left;Right;Lost;Drive 1;Unit;Feel\r\n2026-11-01;Reedmere;new;14;7;2;3;0;201,5;m;4\r\n2026-11-02;Reedmere;;13;6;2;3;1;;;\r\n";
    $send($table, false)->assertOk()->assertExactJson(['lines' => 2, 'stored' => 0, 'kept' => false, 'courses' => ['Reedmere']]);
    expect(Round::query()->count())->toBe(0);
    $send($table)->assertOk()->assertJsonPath('stored', 2);
    $send($table)->assertOk()->assertJsonPath('stored', 0);
    expect(Round::query()->count())->toBe(2)->and(Round::query()->where('holes', 14)->sole()->drives_m)->toEqual([201.5]);
    foreach ([
        "played,course,holes,hit\n2026-12-03,Reedmere,14,40" => 'Line 2: 40 of 14 drives',
        "played,course,holes,hit\n2026-13-03,Reedmere,14,4" => 'no day',
        "course,holes,hit\nReedmere,14,4" => "no column 'played'", 'played,course,holes,hit' => 'wants a head',
        "played,course,holes,hit\n2026-12-03,Reedmere,14,4\n2026-12-04,Reedmere,14,x" => 'Line 3', "\xff\xfe" => 'no text',
    ] as $text => $says) {
        $send($text)->assertUnprocessable()->assertSee($says, false);
    }
    expect(Round::query()->count())->toBe(2);
});

it('stores no untouched round, none of a day to come, and none with a club that was not handed over', function (): void {
    $count = fn (): int => Round::query()->count();
    ($this->tell)(['hit' => null])->assertUnprocessable()->assertJsonValidationErrors('hit');
    ($this->tell)(['left' => null])->assertUnprocessable()->assertJsonValidationErrors('left');
    ($this->tell)(['hit' => 3, 'left' => 2, 'right' => 5])->assertUnprocessable()->assertSee('10 drives on 14 holes');
    ($this->tell)(['hit' => 3, 'left' => null, 'right' => null, 'forgotMisses' => true])->assertCreated();
    ($this->tell)(['playedOn' => now()->addDays(2)->format('Y-m-d')])->assertUnprocessable()->assertSee('to come');
    expect($count())->toBe(1)->and(Round::query()->sole()->typed['forgotMisses'])->toBeTrue();
    // A club that was ordered is theirs from the day it was handed over.
    $this->postJson("{$this->url}/orders")->assertCreated();
    $order = Order::query()->sole();
    ($this->tell)()->assertUnprocessable()->assertJsonValidationErrors('club');
    ($this->tell)(['club' => 'before'])->assertCreated();
    $order->update(['steps' => [['state' => 'handed over', 'at' => now()->subDays(3)->toIso8601String(), 'by' => 'x']]]);
    ($this->tell)(['playedOn' => now()->subDays(9)->format('Y-m-d')])->assertUnprocessable()->assertSee('on that day');
    ($this->tell)(['playedOn' => now()->subDays(2)->format('Y-m-d')])->assertCreated();
    expect($count())->toBe(3);
});

it('takes a round out and puts it back', function (): void {
    $id = ($this->tell)()->json('rounds.0.id');
    $this->deleteJson("{$this->url}/rounds/{$id}")->assertOk()->assertJsonPath('rounds', []);
    $entry = $this->getJson("{$this->url}/log")->json('0.id');
    $this->postJson("api/log/{$entry}/undo")->assertOk();
    expect(Round::query()->sole()->id)->toBe($id);
    $this->deleteJson("api/fittings/{$this->fitting($this->owner)->id}/rounds/{$id}")->assertNotFound();
});

it('gives no link to rounds without the fitting, and none of another player', function (): void {
    $this->postJson("api/players/{$this->made->player_id}/links", ['kind' => 'rounds'])->assertUnprocessable()
        ->assertJsonValidationErrors('fittingId');
    $other = $this->fitting($this->owner);
    $other->update(['player_id' => Player::query()->create([
        'studio_id' => $this->owner->studio_id, 'name' => 'Other', 'hand' => 'left', 'units' => $this->made->player->units,
    ])->id]);
    $this->postJson("api/players/{$this->made->player_id}/links", ['kind' => 'rounds', 'fittingId' => $other->id])->assertNotFound();
    expect(PlayerLink::query()->count())->toBe(0);
});
