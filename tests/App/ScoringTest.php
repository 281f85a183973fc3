<?php

declare(strict_types=1);

use App\Models\Decision;
use App\Models\Setup;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\Trouble;

// The scoring of the brief all the way to the decision on record.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->actingAs($this->user);
    $this->begin = function (Brief $brief): array {
        $case = $this->fitting($this->user, 'right', $brief);
        $setups = [$this->addSetup($case), $this->addSetup($case), $this->addSetup($case)];
        // A short and straight, B long and wild, C in between and low.
        $shots = [
            [192, [1, -2, 3, -1, 2, -3], '2500', '13'], [224, [26, -31, 19, -25, 34, -22], '2300', '13.5'],
            [206, [8, -9, 12, -11, 6, -7], '2200', '9.5'],
        ];
        foreach ($setups as $i => $setup) {
            [$carry, $sides, $spin, $launch] = $shots[$i];
            $this->type(
                $this->user, $case, $setup,
                array_map(
                    fn (int $s): array => [
                        'ballSpeedMps' => '150', 'launchDeg' => $launch, 'spinRpm' => $spin, 'carryM' => $carry + ($s % 3).' m',
                        'totalM' => $carry + 18 .' m', 'sideM' => $s.' m',
                    ],
                    $sides,
                ),
            )->assertCreated();
        }

        return [$case, $setups];
    };
});

it('picks by what the brief counts, and tells the gain in its unit', function (string $scoring, string $pick, string $unit): void {
    [$case] = ($this->begin)(new Brief(scoring: $scoring));
    $advice = $this->getJson("api/fittings/{$case->id}/advice")->assertOk()->json();
    expect([$advice['pick'], $advice['scoring'], $advice['unit']])->toBe([$pick, $scoring, $unit]);
    $chosen = collect($advice['setups'])->firstWhere('tag', $pick);
    expect($chosen['gain'])->toBeGreaterThanOrEqual(0)
        ->and($chosen['gainInterval']['low'])->toBeLessThanOrEqual($chosen['gain'])
        ->and($chosen['gainInterval']['high'])->toBeGreaterThanOrEqual($chosen['gain']);
})->with([
    ['longest', 'B', 'm'],
    ['running', 'B', 'm'],
    ['guarded height', 'B', 'm'],
    ['straightest', 'A', 'points'],
]);

it('saves the scoring with the decision, whatever the brief says later', function (): void {
    [$case, $setups] = ($this->begin)(new Brief(scoring: 'longest'));
    $this->postJson("api/fittings/{$case->id}/decisions", ['setupId' => $setups[1]->id])->assertCreated();
    $this->patchJson("api/fittings/{$case->id}/brief", [
        'version' => $case->fresh()->version, 'brief' => ['scoring' => 'straightest'], 'why' => 'second thoughts',
    ])->assertOk();
    expect(Decision::query()->firstOrFail()->advice['scoring'])->toBe('longest')
        ->and($this->getJson("api/fittings/{$case->id}")->json('decision.advice.pick'))->toBe('B')
        ->and($this->getJson("api/fittings/{$case->id}/advice")->json('pick'))->toBe('A');
});

it('asks for a reason when the choice is not what the brief’s scoring says', function (): void {
    [$case, $setups] = ($this->begin)(new Brief(scoring: 'longest'));
    expect(
        $this->postJson("api/fittings/{$case->id}/decisions", ['setupId' => $setups[0]->id])
            ->assertUnprocessable()->json('errors.reason.0'),
    )->toContain('The shots speak for B');
    $this->postJson("api/fittings/{$case->id}/decisions", [
        'setupId' => $setups[0]->id, 'reason' => 'He never misses with it',
    ])->assertCreated();
    expect(Decision::query()->firstOrFail()->advised_setup_id)->toBe($setups[1]->id);
});

it('weighs by own weights, and turns with them', function (): void {
    $pick = function (array $weights): string {
        [$case] = ($this->begin)(new Brief(scoring: 'own weights', weights: $weights));

        return $this->getJson("api/fittings/{$case->id}/advice")->json('pick');
    };
    expect($pick(['carry' => 1.0]))->toBe('B')
        ->and($pick(['fairways' => 1.0]))->toBe('A')
        ->and($pick(['height' => 1.0]))->not->toBe('C');
});

it('counts strokes as before beside any scoring', function (Scoring $scoring): void {
    $corridor = new Corridor(30, new Trouble('water', 20));
    [$plain] = ($this->begin)(new Brief(corridor: $corridor));
    [$other] = ($this->begin)(new Brief(corridor: $corridor, scoring: $scoring->value, weights: ['carry' => 1.0]));
    $strokes = fn ($case): array => array_column($this->getJson("api/fittings/{$case->id}/advice")->json('setups'), 'strokes');
    foreach ($strokes($plain) as $i => $value) {
        expect($strokes($other)[$i])->toEqualWithDelta($value, 0.05);
    }
    expect(Setup::query()->count())->toBe(6);
})->with(Scoring::cases());
