<?php

declare(strict_types=1);

use App\Models\Bay;
use App\Models\HeldShot;
use App\Models\Shot;

// What the bay does with shots once they are there: the tray, warm-up, the benchmark, change-over, the budget.

beforeEach(fn () => $this->atTheBay());

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
