<?php

declare(strict_types=1);

use App\Models\Bay;
use App\Models\HeldShot;
use App\Models\Shot;
use App\Models\Trial;

// What a launch monitor meets: the token, shots stored once, and the tray for what could not be stored.

beforeEach(fn () => $this->atTheBay());

it('stores a shot in the trial that runs, with the setup in the hand', function (): void {
    ($this->begin)();
    $answer = ($this->post)(['id' => 's-1', 'sequence' => 7, 'values' => $this->good])->assertOk();
    $shot = Shot::query()->firstOrFail();
    expect($answer->json('results'))->toBe([['id' => 's-1', 'status' => 'stored', 'shot' => $shot->id, 'reason' => null]])
        ->and($shot->setup_id)->toBe($this->a->id)
        ->and($shot->measured['ballSpeedMps'])->toEqualWithDelta(67.056, 1e-6)
        ->and($shot->measured['launchDeg'])->toBe(12.5)
        ->and($shot->sender_sequence)->toBe(7)
        ->and($shot->source)->toBe('monitor');
});

it('answers a repeat as it answered the first, and stores nothing twice', function (): void {
    ($this->begin)();
    $first = ($this->post)(['id' => 's-1', 'values' => $this->good])->json();
    expect(($this->post)(['id' => 's-1', 'values' => $this->good])->json())->toBe($first)
        // The same, written another way.
        ->and(($this->post)(['values' => array_reverse(['launchDeg' => 12.5] + $this->good), 'id' => 's-1'])->json())->toBe($first)
        ->and(
            ($this->post)([
                'shots' => [
                    ['id' => 's-1', 'values' => $this->good], ['id' => 's-2', 'values' => $this->good],
                    ['id' => 's-2', 'values' => $this->good],
                ],
            ])->json('results.*.status'),
        )
        ->toBe(['stored', 'stored', 'stored'])
        ->and(Shot::query()->count())->toBe(2);
    $held = ($this->post)(['id' => 'bad', 'values' => ['launchDeg' => 12]])->json();
    expect(($this->post)(['id' => 'bad', 'values' => ['launchDeg' => 12]])->json())->toBe($held)
        ->and(HeldShot::query()->count())->toBe(1);
});

it('tells ids apart by their bytes, and leaves no gap where a shot of a batch was known or held', function (): void {
    ($this->begin)();
    $ids = ['Shot-1', 'shot-1', 'shót-1', "sho\u{0301}t-1", 'shot-1 ', ' shot-1', '１', '1', "1\u{200B}"];
    $send = fn () => ($this->post)([
        'shots' => [
            ...array_map(fn (string $id): array => ['id' => $id, 'values' => $this->good], $ids),
            ['id' => 'bad', 'values' => ['launchDeg' => 12]], ['id' => 's-2', 'values' => $this->good],
        ],
    ])
        ->assertOk()->json('results');
    $answers = $send();
    expect(array_column($answers, 'id'))->toBe([...$ids, 'bad', 's-2'])
        ->and(array_column($answers, 'status'))->toBe([...array_fill(0, 9, 'stored'), 'held', 'stored'])
        ->and($send())->toBe($answers)
        ->and(Shot::query()->orderBy('sequence')->pluck('sequence')->all())->toBe(range(1, 10))
        ->and(Shot::query()->orderBy('sequence')->pluck('flags')->flatten()->all())->toBe([]);
});

it('holds what it cannot store whole, with the reason, and drops nothing', function (array $values, string $reason): void {
    ($this->begin)();
    $answer = ($this->post)(['id' => 'h-1', 'at' => '10:41', 'values' => $values])->assertOk();
    $held = HeldShot::query()->firstOrFail();
    expect($answer->json('results.0.status'))->toBe('held')
        ->and($answer->json('results.0.reason'))->toContain($reason)
        ->and($held->body['values'])->toEqual($values)
        ->and($held->body['at'])->toBe('10:41')
        ->and(Shot::query()->count())->toBe(0);
})->with([
    'no spin' => [['ballSpeedMps' => 67, 'launchDeg' => 12], 'Spin rate is missing'],
    'nonsense spin' => [['ballSpeedMps' => 67, 'launchDeg' => 12, 'spinRpm' => 99999], 'Spin rate'],
    'a word' => [['ballSpeedMps' => 67, 'launchDeg' => 'high', 'spinRpm' => 2400], 'launchDeg'],
    'a unit of another kind' => [
        ['ballSpeedMps' => ['value' => 67, 'unit' => 'deg'], 'launchDeg' => 12, 'spinRpm' => 2400],
        'Ball speed needs a unit of speed',
    ],
    'a field that nobody knows' => [
        ['ballSpeedMps' => 67, 'launchDeg' => 12, 'spinRpm' => 2400, 'mood' => 3], "'mood' is not a measure",
    ],
]);

it('holds a shot when nobody said what is in the hand', function (): void {
    expect(($this->post)(['id' => '1', 'values' => $this->good])->json('results.0.reason'))->toContain('No trial is running');
    Bay::query()->update(['fitting_id' => null]);
    expect(($this->post)(['id' => '2', 'values' => $this->good])->json('results.0.reason'))->toContain('No fitting is in this bay');
});

it('keeps the sender’s order for shots that come late or out of order', function (): void {
    ($this->begin)();
    foreach ([3, 1, 2] as $n) {
        ($this->post)(['id' => "s-{$n}", 'sequence' => $n, 'values' => ['spinRpm' => 2000 + $n] + $this->good])->assertOk();
    }
    $shots = $this->actingAs($this->user)->getJson("api/fittings/{$this->case->id}/bay")->assertOk()->json('shots');
    expect(array_map(fn (array $s): float => $s['measured']['spinRpm'] - 2000, $shots))->toEqual([1, 2, 3]);
});

it('leaves a shot that comes out of count in the trial that runs, and flags it', function (): void {
    ($this->begin)();
    $b = $this->addSetup($this->case, ['head' => 'Tern 460']);
    $send = fn (int $n) => ($this->post)(['id' => "s-{$n}", 'sequence' => $n, 'values' => ['spinRpm' => 2000 + $n] + $this->good])
        ->assertOk()->json('results.0.status');
    array_map($send, [1, 2, 4]);
    $this->actingAs($this->user)->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $b->id])->assertCreated();
    array_map($send, [5, 6]);
    expect($send(3))->toBe('stored');
    $late = Shot::query()->where('sender_sequence', 3)->firstOrFail();
    expect($late->setup_id)->toBe($b->id)->and($late->flags)->toHaveCount(1)->and($late->flags[0])->toContain('By the monitor’s count, 3,')
        ->and(Shot::query()->where('sender_sequence', '!=', 3)->pluck('flags')->flatten()->all())->toBe([]);
    // A monitor that begins to count anew is not late: each of these is a shot of what runs, and none is flagged.
    foreach ([1, 2, 3, 4] as $n) {
        ($this->post)(['id' => "again-{$n}", 'sequence' => $n, 'values' => $this->good])->assertOk();
    }
    expect(Shot::query()->where('setup_id', $b->id)->count())
        ->toBe(7)
        ->and(
            Shot::query()->where('sender_id', 'like', 'again-%')->get()->map(fn (Shot $s): array => [$s->sender_run, $s->flags])->all(),
        )
        ->toBe(array_fill(0, 4, [2, []]));
});

it('flags what a monitor without clock and count kept back past a change, all of it, however it comes', function (bool $inOnePost): void {
    ($this->begin)();
    $shot = fn (int $n): array => ['id' => "k-{$n}", 'values' => ['spinRpm' => 2000 + $n] + $this->good];
    ($this->post)($shot(1))->assertOk();
    $this->travel(90)->seconds();
    ($this->begin)();
    $this->travel(20)->seconds();
    $inOnePost ? ($this->post)(['shots' => [$shot(2), $shot(3), $shot(4)]])->assertOk()
        : array_map(fn (int $n) => ($this->post)($shot($n))->assertOk(), [2, 3, 4]);
    $this->travel(30)->seconds();
    ($this->post)($shot(5))->assertOk();
    $flags = Shot::query()->orderBy('sequence')->get()->map(fn (Shot $s): string => implode('', $s->flags));
    expect($flags->map(fn (string $f): bool => str_contains($f, 'may belong to the setup before'))->all())->toBe([false, true, true, true, false]);
})->with(['in one post' => true, 'one by one' => false]);

it('takes an id that a monitor uses anew for no news, and one shot that was changed for what it may be', function (): void {
    ($this->begin)();
    ($this->post)(['id' => '1', 'values' => $this->good])->assertOk();
    ($this->post)(['id' => '1', 'values' => ['ballSpeedMps' => 66.1, 'launchDeg' => 11.2, 'spinRpm' => 2790, 'directionDeg' => 1.1]])->assertOk();
    ($this->post)(['id' => '1', 'values' => ['directionDeg' => -2.2, 'ballSpeedMps' => 66.1, 'launchDeg' => 11.2, 'spinRpm' => 2790]])->assertOk();
    $flags = Shot::query()->orderBy('sequence')->get()->map(fn (Shot $s): array => $s->flags)->all();
    expect([$flags[0], $flags[1]])->toBe([[], []])->and($flags[2][0])->toContain('perhaps it is one shot');
});

it('moves a shot to the trial it was hit in when the fitter says so, and back', function (): void {
    ($this->begin)();
    $b = $this->addSetup($this->case, ['head' => 'Tern 460']);
    ($this->post)(['id' => 'a', 'values' => $this->good])->assertOk();
    $first = Trial::query()->firstOrFail();
    $this->actingAs($this->user)->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $b->id])->assertCreated();
    $shot = ($this->post)(['id' => 'b', 'values' => $this->good])->json('results.0.shot');
    $this->actingAs($this->user)
        ->patchJson("api/shots/{$shot}", ['trialId' => $first->id])->assertOk()->assertJsonPath('setupId', $this->a->id);
    expect(Shot::query()->where('trial_id', $first->id)->count())->toBe(2);
    $entry = $this->getJson("api/fittings/{$this->case->id}/log")->json('0');
    expect($entry['words'])->toBe('moved shot 2 to trial 1 with A');
    $this->postJson("api/log/{$entry['id']}/undo")->assertOk();
    expect(Shot::query()->findOrFail($shot)->setup_id)->toBe($b->id);
    // Into warm-up shots and out of them.
    $warm = $this->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $b->id, 'kind' => 'warm-up'])->json('running.id');
    $this->patchJson("api/shots/{$shot}", ['trialId' => $warm])->assertOk()->assertJsonPath('leftOut.reason', 'warm-up');
    $this->patchJson("api/shots/{$shot}", ['trialId' => $first->id])->assertOk()->assertJsonPath('leftOut', null);
    // A trial of another fitting is none of it.
    $other = $this->fitting($this->user);
    $c = $this->addSetup($other);
    $theirs = $this->postJson("api/fittings/{$other->id}/trials", ['setupId' => $c->id])->json('running.id');
    $this->patchJson("api/shots/{$shot}", ['trialId' => $theirs])->assertUnprocessable();
});

it('and by its clock, however wrong that is', function (int $off): void {
    ($this->begin)();
    $b = $this->addSetup($this->case, ['head' => 'Tern 460']);
    $start = now()->startOfSecond();
    $at = fn (int $seconds): string => $start->copy()->addSeconds($seconds + $off)->toIso8601String();
    $send = function (string $id, int $hit, int $comes) use ($start, $at): Shot {
        $this->travelTo($start->copy()->addSeconds($comes));
        ($this->post)(['id' => $id, 'at' => $at($hit), 'values' => $this->good])->assertOk();

        return Shot::query()->where('sender_id', $id)->firstOrFail();
    };
    expect(($this->number)($send('a1', 10, 10)))->toBe(1);
    $send('a2', 40, 40);
    $this->travelTo($start->copy()->addSeconds(90));
    $this->actingAs($this->user)->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $b->id])->assertCreated();
    // Hit with A at 70 s, sent when B is in the hand.
    expect($send('a3', 70, 120)->setup_id)->toBe($this->a->id)
        ->and($send('b1', 110, 121)->setup_id)->toBe($b->id)
        ->and($send('b2', 130, 130)->setup_id)->toBe($b->id);
    // The trial has ended; what was hit in it and comes now is still its own, what was hit after it is held.
    $this->travelTo($start->copy()->addSeconds(150));
    $this->actingAs($this->user)->postJson("api/fittings/{$this->case->id}/trials/end")->assertOk();
    expect(($this->number)($send('b3', 145, 160)))->toBe(2);
    $this->travelTo($start->copy()->addSeconds(170));
    expect(($this->post)(['id' => 'x', 'at' => $at(170), 'values' => $this->good])->json('results.0.status'))->toBe('held')
        ->and(HeldShot::query()->value('reason'))->toContain('No trial is running');
})->with(['right' => 0, 'an hour behind' => -3600, 'ten minutes ahead' => 600]);

it('takes a time that cannot be read for none', function (string $at): void {
    ($this->begin)();
    ($this->post)(['id' => 's-1', 'at' => $at, 'values' => $this->good])->assertOk();
    $this->travel(1)->minutes();
    ($this->begin)();
    ($this->post)(['id' => 's-2', 'at' => $at, 'values' => $this->good])->assertOk();
    expect(Shot::query()->get()->map($this->number)->all())->toBe([1, 2]);
})->with([
    'a time of day' => '10:42:07', 'words' => 'just now', 'no such day' => '2026-13-45T99:99:99Z',
    'no zone' => '2026-11-25T10:00:00',
]);

it('refuses a body that is no shot, and takes none of it', function (array $body): void {
    ($this->begin)();
    ($this->post)($body)->assertUnprocessable();
    expect(Shot::query()->count() + HeldShot::query()->count())->toBe(0);
})->with([
    'nothing' => [[]],
    'no id' => [['values' => ['launchDeg' => 1]]],
    'an id that is a number' => [['id' => 7, 'values' => ['launchDeg' => 1]]],
    'an id without end' => [['id' => str_repeat('x', 65), 'values' => ['launchDeg' => 1]]],
    'no values' => [['id' => 'x']],
    'an empty list' => [['shots' => []]],
    'a list that is a word' => [['shots' => 'many']],
    'only bad ones' => [['shots' => [['values' => []], 'a word', ['id' => 'a', 'values' => [1, 2]]]]],
    'a list of shots without a name' => [[['id' => 'a', 'values' => ['launchDeg' => 1]]]],
    'too many' => [['shots' => array_map(fn (int $i): array => ['id' => "s{$i}", 'values' => ['launchDeg' => 1]], range(1, 51))]],
]);

it('opens to the token of this bay alone, in the header alone', function (): void {
    ($this->begin)();
    $body = ['id' => 's', 'values' => $this->good];
    ($this->post)($body, 'mint-wrong')->assertUnauthorized();
    $this->postJson("api/bays/{$this->bay}/shots", $body)->assertUnauthorized();
    $this->postJson("api/bays/{$this->bay}/shots?token={$this->token}&access_token={$this->token}", $body)->assertUnauthorized();
    $other = $this->fitter('Other');
    $theirs = $this->actingAs($other)->postJson('api/bays', ['name' => 'Bay 1'])->json('id');
    $token = $this->postJson("api/bays/{$theirs}/token")->json('token');
    ($this->post)($body, $token)->assertUnauthorized();
    // Nor does a signed-in fitter's session open the feed.
    $this->actingAs($this->user)->postJson("api/bays/{$this->bay}/shots", $body)->assertUnauthorized();
    expect(Shot::query()->count())->toBe(0);
});

it('keeps only the hash of a token, and a new one or none ends the old', function (): void {
    ($this->begin)();
    expect(Bay::query()->firstOrFail()->token_hash)->toBe(hash('sha256', $this->token))
        ->and((string) $this->getJson("api/fittings/{$this->case->id}/bay")->getContent())->not->toContain($this->token)->not
        ->toContain(hash('sha256', $this->token));
    $new = $this->postJson("api/bays/{$this->bay}/token")->json('token');
    ($this->post)(['id' => '1', 'values' => $this->good])->assertUnauthorized();
    ($this->post)(['id' => '1', 'values' => $this->good], $new)->assertOk();
    $this->actingAs($this->user)->deleteJson("api/bays/{$this->bay}/token")->assertOk()->assertJsonPath('tokenMadeAt', null);
    ($this->post)(['id' => '2', 'values' => $this->good], $new)->assertUnauthorized();
});

it('slows down who posts without end', function (): void {
    config(['mintcarry.bay_posts_per_minute' => 5]);
    ($this->begin)();
    foreach (range(1, 5) as $i) {
        ($this->post)(['id' => "s{$i}", 'values' => $this->good])->assertOk();
    }
    ($this->post)(['id' => 's6', 'values' => $this->good])->assertTooManyRequests()->assertHeader('Retry-After');
    expect(Shot::query()->count())->toBe(5);
});
