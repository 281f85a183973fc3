<?php

declare(strict_types=1);

use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\User;
use Database\Seeders\DemoSeeder;

// Comparison, advice and decision as the screens get them.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->actingAs($this->user);
    $this->hit = function (Setup $setup, array $carries, array $sides): void {
        $this->type(
            $this->user, $this->case, $setup,
            array_map(
                fn (string $carry, string $side): array => [
                    'ballSpeedMps' => '150', 'launchDeg' => '12.5', 'spinRpm' => '2500', 'carryM' => $carry.' m',
                    'totalM' => (float) $carry + 20 .' m', 'sideM' => $side.' m',
                ],
                $carries, $sides,
            ),
        )->assertCreated();
    };
    $this->row = fn (string $measure): array => collect(
        $this->getJson("api/fittings/{$this->case->id}/comparison")
            ->assertOk()->json('rows'),
    )->firstWhere('measure', $measure);
});

it('gives mean, spread and Welch interval of a worked example', function (): void {
    // Worked by hand: A 200 204 208 (mean 204, sd 4), B 210 212 220 (mean 214, sd √28 = 5.2915). se² = 16/3 + 28/3 = 14.667;
    // dof = 14.667² / ((16/3)²/2 + (28/3)²/2) = 3.7231; R: qt(0.975, 3.7231) = 2.8598; ±10.952.
    [$a, $b] = [$this->addSetup($this->case), $this->addSetup($this->case)];
    ($this->hit)($a, ['200', '204', '208'], ['0', '4', '-4']);
    ($this->hit)($b, ['210', '212', '220'], ['2', '3', '-1']);
    $carry = ($this->row)('carryM')['cells'];
    expect($carry['A']['summary']['mean'])->toEqualWithDelta(204, 1e-9)
        ->and($carry['A']['summary']['sd'])->toEqualWithDelta(4, 1e-9)
        ->and($carry['A']['difference'])->toBeNull()
        ->and($carry['B']['difference']['value'])->toEqualWithDelta(10, 1e-9)
        ->and($carry['B']['difference']['interval']['low'])->toEqualWithDelta(10 - 10.952, 0.005)
        ->and($carry['B']['difference']['interval']['high'])->toEqualWithDelta(10 + 10.952, 0.005)
        ->and($carry['B']['difference']['clear'])->toBeFalse();
});

it('says which values were computed, and shows no measure that nobody has', function (): void {
    $a = $this->addSetup($this->case);
    ($this->hit)($a, ['200', '204'], ['0', '4']);
    expect(($this->row)('carryM')['cells']['A']['computed'])->toBe(0)
        ->and(($this->row)('apexM')['cells']['A']['computed'])->toBe(2);
    $measures = array_column($this->getJson("api/fittings/{$this->case->id}/comparison")->json('rows'), 'measure');
    expect($measures)->not->toContain('attackDeg')->not->toContain('clubSpeedMps');
});

it('claims no spread from one shot and no difference without a benchmark that was hit', function (): void {
    [$a, $b] = [$this->addSetup($this->case), $this->addSetup($this->case)];
    ($this->hit)($b, ['210'], ['2']);
    $carry = ($this->row)('carryM')['cells']['B'];
    expect($carry['summary']['sd'])->toBeNull()->and($carry['summary']['meanInterval'])->toBeNull()->and($carry['difference'])->toBeNull();
    $this->getJson("api/fittings/{$this->case->id}/advice")->assertUnprocessable();
    ($this->hit)($a, ['205'], ['2']);
    expect(($this->row)('carryM')['cells']['B']['difference'])->toMatchArray(['interval' => null, 'clear' => false]);
});

it('forgets nothing when the benchmark changes', function (): void {
    [$a, $b] = [$this->addSetup($this->case), $this->addSetup($this->case)];
    ($this->hit)($a, ['200', '204', '208'], ['0', '4', '-4']);
    ($this->hit)($b, ['210', '212', '220'], ['2', '3', '-1']);
    $forward = ($this->row)('carryM')['cells']['B']['difference']['value'];
    $this->patchJson("api/fittings/{$this->case->id}", ['version' => 1, 'benchmarkSetupId' => $b->id])->assertOk();
    $back = ($this->row)('carryM')['cells'];
    expect($back['B']['difference'])->toBeNull()
        ->and($back['A']['difference']['value'])->toEqualWithDelta(-$forward, 1e-9);
});

it('decides by the record as it stood, whatever is hit later', function (): void {
    [$a, $b] = [$this->addSetup($this->case), $this->addSetup($this->case)];
    ($this->hit)($a, ['190', '194', '188', '192', '191'], ['40', '48', '52', '38', '44']);
    ($this->hit)($b, ['210', '212', '213', '209', '211'], ['2', '3', '-1', '0', '-3']);
    $advice = $this->getJson("api/fittings/{$this->case->id}/advice")->json();
    expect($advice['pick'])->toBe('B')->and($advice['isConclusive'])->toBeTrue();
    $this->postJson("api/fittings/{$this->case->id}/decisions", ['setupId' => $b->id])
        ->assertCreated()->assertJsonPath('by', 'A fitter')->assertJsonPath('reason', '');
    ($this->hit)($b, ['150', '151', '149', '152'], ['-60', '70', '-66', '80']);
    $kept = $this->getJson("api/fittings/{$this->case->id}/decisions")->json('0.advice');
    expect($kept['setups'][1]['n'])->toBe(5)
        ->and($kept['setups'][1]['strokes'])->toEqualWithDelta($advice['setups'][1]['strokes'], 1e-9)
        ->and($this->getJson("api/fittings/{$this->case->id}/advice")->json('setups.1.n'))->toBe(9);
});

it('keeps every decision, the newest on top', function (): void {
    [$a, $b] = [$this->addSetup($this->case), $this->addSetup($this->case)];
    ($this->hit)($a, ['200', '204', '208'], ['0', '4', '-4']);
    ($this->hit)($b, ['201', '203', '207'], ['0', '4', '-4']);
    foreach ([[$b, 'likes the look'], [$a, 'thought it over']] as [$setup, $reason]) {
        $this->postJson("api/fittings/{$this->case->id}/decisions", ['setupId' => $setup->id, 'reason' => $reason])->assertCreated();
    }
    expect($this->getJson("api/fittings/{$this->case->id}/decisions")->json('*.tag'))->toBe(['A', 'B'])
        ->and($this->getJson("api/fittings/{$this->case->id}")->json('decision.reason'))->toBe('thought it over');
});

it('decides only for what was hit, in this fitting', function (): void {
    [$a, $b] = [$this->addSetup($this->case), $this->addSetup($this->case)];
    ($this->hit)($a, ['200', '204'], ['0', '4']);
    $stranger = $this->addSetup($this->fitting($this->user));
    foreach ([$b->id, $stranger->id, 999999] as $id) {
        $this->postJson("api/fittings/{$this->case->id}/decisions", ['setupId' => $id, 'reason' => 'x'])
            ->assertUnprocessable()->assertJsonPath('errors.setupId.0', 'Choose a setup of this fitting that has counted shots.');
    }
    expect(Decision::query()->count())->toBe(0);
});

it('counts a shot that was left out nowhere', function (): void {
    [$a, $b] = [$this->addSetup($this->case), $this->addSetup($this->case)];
    ($this->hit)($a, ['200', '204', '120'], ['0', '4', '-70']);
    ($this->hit)($b, ['201', '203', '207'], ['0', '4', '-4']);
    $bad = Shot::query()->where('setup_id', $a->id)->orderByDesc('sequence')->firstOrFail();
    $this->patchJson("api/shots/{$bad->id}", ['leftOut' => ['reason' => 'mishit']])->assertOk();
    $comparison = $this->getJson("api/fittings/{$this->case->id}/comparison")->json();
    $advice = $this->getJson("api/fittings/{$this->case->id}/advice")->json();
    expect($comparison['sets'][0]['n'])->toBe(2)
        ->and(($this->row)('carryM')['cells']['A']['summary']['mean'])->toEqualWithDelta(202, 1e-9)
        ->and($advice['setups'][0]['n'])->toBe(2);
});

it('has a demo that a stranger could believe', function (): void {
    app(DemoSeeder::class)->run();
    $fitter = User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail();
    $hands = [];
    foreach (Fitting::query()->where('studio_id', $fitter->studio_id)->with('player')->get() as $fitting) {
        $hands[] = $fitting->player->hand->value;
        foreach ($fitting->shots()->get() as $shot) {
            $read = $shot->launchShot($fitting->flight());
            expect(array_filter($read->issues(), fn ($i): bool => $i->refused))->toBe([]);
        }
        foreach ($fitting->setups()->get() as $setup) {
            expect($setup->studio_id)->toBe($fitter->studio_id);
        }
    }
    expect($hands)->toContain('left')->toContain('right');
    $decided = Fitting::query()->whereHas('decisions')->firstOrFail();
    expect($decided->player->hand->value)->toBe('left')->and($decided->player->units['distance'])->toBe('m');
    // Made from a seed: the same shots on every machine.
    $first = Shot::query()->orderBy('id')->firstOrFail()->measured;
    expect($first['ballSpeedMps'])->toBeGreaterThan(40)->toBeLessThan(85);
});
