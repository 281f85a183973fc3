<?php

declare(strict_types=1);

use App\Models\Bay;
use App\Models\HeldShot;
use App\Models\Shot;
use App\Models\Trial;
use Illuminate\Testing\TestResponse;

// What a launch monitor meets: the token, shots stored once, and the tray for what could not be stored.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->a = $this->addSetup($this->case);
    [$this->bay, $this->token] = $this->bay($this->user, $this->case);
    $this->begin = fn (string $kind = 'trial') => $this->actingAs($this->user)
        ->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $this->a->id, 'kind' => $kind])->assertCreated();
    $this->good = ['ballSpeedMps' => ['value' => 150, 'unit' => 'mph'], 'launchDeg' => 12.5, 'spinRpm' => 2400];
    $this->number = fn (Shot $shot): int => Trial::query()->findOrFail($shot->trial_id)->number;
    $this->post = function (array $body, ?string $token = null): TestResponse {
        $this->app['auth']->forgetGuards();

        return $this->postJson("api/bays/{$this->bay}/shots", $body, ['Authorization' => 'Bearer '.($token ?? $this->token)]);
    };
});

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

it('lets the fitter take a held shot with its values put right, or set it aside', function (): void {
    ($this->begin)();
    ($this->post)(['id' => 'h', 'sequence' => 4, 'values' => ['ballSpeedMps' => 67, 'launchDeg' => 12]]);
    ($this->post)(['id' => 'g', 'values' => ['ballSpeedMps' => 9999, 'launchDeg' => 12, 'spinRpm' => 2400]]);
    [$one, $two] = HeldShot::query()->orderBy('id')->get()->all();
    $this->actingAs($this->user);
    expect($this->getJson("api/fittings/{$this->case->id}/bay")->json('held'))->toHaveCount(2);
    $this->patchJson("api/held/{$one->id}", ['values' => ['ballSpeedMps' => 67, 'launchDeg' => 12]])->assertUnprocessable();
    $this->patchJson("api/held/{$one->id}", ['values' => ['ballSpeedMps' => 67, 'launchDeg' => 12, 'spinRpm' => 2450]])->assertOk();
    $this->patchJson("api/held/{$two->id}", ['values' => null])->assertOk();
    $this->patchJson("api/held/{$two->id}", ['values' => null])->assertUnprocessable();
    expect(Shot::query()->firstOrFail()->sender_sequence)->toBe(4)
        ->and(HeldShot::query()->count())->toBe(2)
        ->and($this->getJson("api/fittings/{$this->case->id}/bay")->json('held'))->toBe([]);
});

it('puts a held shot that is put right into the fitting and the trial it came in, whatever is there by now', function (): void {
    ($this->begin)();
    ($this->post)(['id' => 'h', 'values' => ['launchDeg' => 12]]);
    $b = $this->addSetup($this->case, ['head' => 'Tern 460']);
    $this->actingAs($this->user)->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $b->id])->assertCreated();
    ($this->post)(['id' => 'i', 'values' => ['launchDeg' => 13]]);
    $other = $this->fitting($this->user);
    $c = $this->addSetup($other);
    $this->actingAs($this->user)->patchJson("api/bays/{$this->bay}", ['fittingId' => $other->id])->assertOk();
    $this->postJson("api/fittings/{$other->id}/trials", ['setupId' => $c->id])->assertCreated();
    foreach (HeldShot::query()->orderBy('id')->get() as $held) {
        $this->patchJson("api/held/{$held->id}", ['values' => $this->good])->assertOk();
    }
    expect(Shot::query()->orderBy('id')->pluck('setup_id')->all())->toBe([$this->a->id, $b->id])
        ->and(Shot::query()->where('fitting_id', $other->id)->exists())->toBeFalse();
});

it('sets warm-up shots apart, and keeps the place that a trial was hit in', function (): void {
    ($this->begin)('warm-up');
    ($this->post)(['id' => 'w', 'values' => $this->good]);
    expect(Shot::query()->firstOrFail()->left_out_reason)->toBe('warm-up');
    $this->actingAs($this->user)
        ->patchJson("api/fittings/{$this->case->id}/brief", [
            'version' => $this->case->fresh()->version, 'brief' => ['temperatureC' => '4', 'turf' => 'soft'],
        ])
        ->assertOk();
    ($this->begin)();
    $trials = App\Models\Trial::query()->orderBy('number')->get();
    expect($trials[0]->conditions['temperatureC'])->toEqual(18)
        ->and($trials[1]->conditions)->toMatchArray(['temperatureC' => 4, 'turf' => 'soft'])
        ->and($trials[0]->ended_at)->not->toBeNull()
        ->and($trials[1]->ended_at)->toBeNull();
    $this->postJson("api/fittings/{$this->case->id}/trials/end")
        ->assertOk()->assertJsonPath('running', null);
    expect(($this->post)(['id' => 'late', 'values' => $this->good])->json('results.0.status'))->toBe('held');
});

it('stands against the benchmark in words, from three shots each', function (): void {
    $b = $this->addSetup($this->case);
    $hit = function (int $setupId, int $carry, array $ids): void {
        $this->actingAs($this->user)->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $setupId])->assertCreated();
        foreach ($ids as $i => $id) {
            ($this->post)(['id' => $id, 'values' => ['carryM' => $carry + $i] + $this->good])->assertOk();
        }
    };
    $verdicts = fn (): array => array_column(
        $this->actingAs($this->user)
            ->getJson("api/fittings/{$this->case->id}/bay")->json('verdicts'),
        null, 'name',
    );
    $hit($this->a->id, 180, ['a1', 'a2', 'a3', 'a4', 'a5']);
    expect($verdicts())->toBe([]);
    $hit($b->id, 225, ['b1', 'b2']);
    expect($verdicts())->toBe([]);
    ($this->post)(['id' => 'b3', 'values' => ['carryM' => 226] + $this->good]);
    expect($verdicts()['longer'])->toMatchArray(['verdict' => 'better', 'measure' => 'carryM', 'moreShots' => null])
        ->and($verdicts()['less spin']['verdict'])->toBe('open');
});

it('hits by a made-up player with the setup in the hand, where the studio switched that on', function (): void {
    $this->postJson("api/fittings/{$this->case->id}/simulate", ['count' => 1, 'player' => 'steady'])->assertForbidden();
    $this->user->studio->update(['takes_simulated' => true]);
    $this->postJson("api/fittings/{$this->case->id}/simulate", ['count' => 1, 'player' => 'steady'])->assertUnprocessable();
    ($this->begin)();
    $this->postJson("api/fittings/{$this->case->id}/simulate", ['count' => 5, 'player' => 'steady'])
        ->assertCreated()->assertJsonCount(5, 'results');
    $this->postJson("api/fittings/{$this->case->id}/simulate", [
        'count' => 1, 'player' => 'fast', 'clubData' => false,
    ])->assertCreated();
    $this->postJson("api/fittings/{$this->case->id}/simulate", ['count' => 1, 'player' => 'nobody'])->assertUnprocessable();
    expect(Shot::query()->count())->toBe(6)
        ->and(Shot::query()->orderByDesc('id')->firstOrFail()->measured)->not->toHaveKey('clubSpeedMps');
    $this->app['auth']->forgetGuards();
    $this->getJson("api/bays/{$this->bay}/hand", ['Authorization' => "Bearer {$this->token}"])
        ->assertOk()->assertJsonPath('setup', 'A')->assertJsonPath('effect.squaredLoftDeg', 0);
});

it('says how to change over to every setup, and in which order those not hit yet take the wrench least', function (): void {
    $this->type($this->user, $this->case, $this->a, [['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400']])->assertCreated();
    $head = $this->rackHead($this->user);
    $build = fn (string $position, array $masses): int => $this->postJson("api/fittings/{$this->case->id}/setups", [
        'headId' => $head['id'], 'sleeveLabel' => $position, 'masses' => $masses,
    ])
        ->assertCreated()->json('id');
    $plain = $build('N', ['back' => 12]);
    $heel = $build('N', ['heel' => 12]);
    $upHeel = $build('+1.4', ['heel' => 12]);
    $up = $build('+1.4', ['back' => 12]);
    $this->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $plain])->assertCreated();
    $view = $this->getJson("api/fittings/{$this->case->id}/bay")->json();
    $over = array_column($view['changeOver'], null, 'setupId');
    expect($over[$plain]['steps'])->toBe([])
        ->and($over[$upHeel]['steps'])
        ->toBe([
            'Sleeve: from N to +1.4', 'Weights: 12 g out of back', 'Weights: 12 g into heel',
            'Torque every screw to the maker’s click',
        ])
        ->and($over[$up]['wrenchChanges'])->toBe(1)
        // Sleeve, then weights, then sleeve back: 1 + 2 + 1; weights first would take 2 + 1 + 2.
        ->and($view['queue'])->toBe(['tags' => ['E', 'D', 'C'], 'wrenchChanges' => 4]);
});

it('counts the swings of the bay against the budget of the brief', function (): void {
    $this->patchJson("api/fittings/{$this->case->id}/brief", ['version' => 1, 'brief' => ['swings' => 40, 'minutes' => 60]])->assertOk();
    ($this->begin)();
    ($this->post)(['shots' => array_map(fn (int $i): array => ['id' => "s{$i}", 'values' => $this->good], range(1, 4))])->assertOk();
    $this->travel(25)->minutes();
    expect(
        $this->actingAs($this->user)
            ->getJson("api/fittings/{$this->case->id}/bay")->json('budget'),
    )->toEqual(['swings' => 40, 'swingsHit' => 4, 'minutes' => 60, 'minutesUsed' => 25]);
});

it('takes nothing while the disk is nearly full, says so, and takes it when there is room', function (): void {
    ($this->begin)();
    config(['mintcarry.least_free_mb' => 1e12]);
    $refused = ($this->post)(['id' => 's-1', 'values' => $this->good])
        ->assertStatus(503)->assertHeader('Retry-After');
    expect($refused->json('message'))->toContain('nearly full')->toContain('Nothing was taken')
        ->and(Shot::query()->count() + HeldShot::query()->count())->toBe(0);
    $this->type($this->user, $this->case, $this->a, [
        ['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400'],
    ])->assertStatus(503);
    config(['mintcarry.least_free_mb' => 0]);
    expect(($this->post)(['id' => 's-1', 'values' => $this->good])->assertOk()->json('results.0.status'))->toBe('stored');
});
