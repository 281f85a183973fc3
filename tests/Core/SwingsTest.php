<?php

declare(strict_types=1);

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Judging\MixedSpeeds;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Report\AdviceReport;
use MintCarry\Core\Report\CompareReport;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\JudgingReport;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\MadeFitting;

// Two swings in one set are two players. Simulated sessions: steady players of 36 to 50 m/s with the scatter that players have, four setups,
// a head's own speed of 0.36 m/s, up to 1 mph lost in 20 swings.

/** @return list<array{tag: string, intent: string, speedMps: float}> */
function swungSession(Randomizer $random, int $n, bool $clubSeen, float $slower): array
{
    $between = static fn (float $a, float $b): float => $a + ($b - $a) * $random->getInt(0, 1_000_000) / 1_000_000;
    [$speed, $sd, $tires] = [$between(36, 50), $clubSeen ? $between(0.45, 0.85) : $between(0.5, 1.1), 0.45 * abs(Normal::draw($random))];
    $heads = array_map(static fn (): float => 0.36 * Normal::draw($random), range(0, 5));
    $shots = [];
    for ($i = 0; $i < $n; $i++) {
        $share = $random->getInt(0, 1) === 1 ? $slower : 1.0;
        $s = min(5, intdiv($i, 7));
        $shots[] = ['tag' => "S{$s}", 'intent' => 'normal', 'speedMps' => $share * $speed + $heads[$s] + $sd * Normal::draw($random) - $tires * $i / 20];
    }

    return $shots;
}

it('hears half the shots at 93 % in three of four sessions where the club is seen, and one swing as one in 99 of 100', function (int $n, bool $clubSeen, float $found): void {
    $random = new Randomizer(new Mt19937(7 + $n));
    $heard = $false = 0;
    for ($k = 0; $k < 2000; $k++) {
        $heard += MixedSpeeds::among(swungSession($random, $n, $clubSeen, 0.93), $clubSeen) === null ? 0 : 1;
        $false += MixedSpeeds::among(swungSession($random, $n, $clubSeen, 1.0), $clubSeen) === null ? 0 : 1;
    }
    expect($heard / 2000)->toBeGreaterThan($found)->and($false / 2000)->toBeLessThan(0.015);
})->with([
    'club seen, 12 shots' => [12, true, 0.75], 'club seen, 20 shots' => [20, true, 0.8], 'club seen, 36 shots' => [36, true, 0.85],
    'ball alone, 20 shots' => [20, false, 0.5], 'ball alone, 36 shots' => [36, false, 0.55],
]);

it('tells three swings apart, and takes a warm-up or a tiring player for no second swing', function (): void {
    $of = static fn (array $speeds): array => array_map(static fn (float $v): array => ['tag' => 'A', 'intent' => 'normal', 'speedMps' => $v], $speeds);
    $three = MixedSpeeds::among($of([35.8, 44.7, 51.4, 36.0, 44.2, 51.9, 35.5, 45.0, 51.0, 36.2, 44.8, 51.5]));
    expect(array_column($three->groups, 'name'))->toBe(['cruising', 'middle', 'full'])->and(array_column($three->groups, 'n'))->toBe([4, 4, 4])
        ->and(MixedSpeeds::among($of([42.0, 42.2, 41.9, 42.1, 45.0, 45.2, 44.8, 45.1]), true))->toBeNull()
        // The same speeds, one after the other in turn, are two swings.
        ->and(MixedSpeeds::among($of([42.0, 45.0, 42.2, 45.2, 41.9, 44.8, 42.1, 45.1]), true)?->why)->toBe('speed');
});

it('takes intents of one speed for one swing, and a smooth one for another', function (): void {
    $of = static fn (string $tag, string $intent, array $speeds): array => array_map(
        static fn (float $v): array => ['tag' => $tag, 'intent' => $intent, 'speedMps' => $v], $speeds,
    );
    $shots = [...$of('A', 'smooth', [40.1, 40.5, 39.8]), ...$of('A', 'full out', [45.2, 44.9]), ...$of('B', 'normal', [44.6, 45.1, 45.3])];
    $mixed = MixedSpeeds::among($shots);
    expect(array_column($mixed->groups, 'n', 'name'))->toBe(['smooth' => 3, 'normal' => 5])->and($mixed->groupOf(45.0, 'full out'))->toBe('normal')
        // Told apart on one setup they are two, whatever their speeds.
        ->and(MixedSpeeds::among([...$of('A', 'normal', [45.0, 44.8, 45.3]), ...$of('A', 'full out', [45.2, 44.9])])?->why)->toBe('intent')
        ->and(MixedSpeeds::among([...$of('A', 'normal', [45.0, 44.8, 45.3]), ...$of('B', 'full out', [45.2, 44.9])]))->toBeNull();
});

it('takes two setups that were each hit at their own speed for no two swings: no word is said of them', function (): void {
    $shots = [];
    foreach (['A' => 44.0, 'B' => 40.0] as $tag => $speed) {
        foreach ([-0.4, 0.2, 0.5, -0.3, 0.0, 0.3] as $off) {
            $shots[] = ['tag' => $tag, 'intent' => 'normal', 'speedMps' => $speed + $off];
        }
    }
    expect(MixedSpeeds::among($shots, true))->toBeNull();
});

/** Own club and another, each hit cruising and full; the slow swing wants the loft of B. */
function twoSwings(string $hand, int $seed): FittingRecord
{
    return MadeFitting::of($hand, ['wants' => ['carry']], $seed)->head('Old 9', 9)->head('Tern 12', 12)
        ->hit('A', 'Old 9', 6, [118, 9.0, 2000, 0, 0])->hit('A', 'Old 9', 6, [153, 12.0, 2500, 0, 0])
        ->hit('B', 'Tern 12', 6, [118, 14.5, 2700, 0, 0])->hit('B', 'Tern 12', 6, [153, 14.5, 3500, 0, 0])->record();
}

it('judges each swing by itself in every report, and never their mean', function (string $hand, int $seed): void {
    $record = twoSwings($hand, $seed);
    $means = [];
    foreach (['cruising', 'full'] as $swing) {
        $of = $record->atOneSwing($swing);
        expect($of->sets()['A']->count())->toBe(6)->and($of->swing)->toBe($swing);
        foreach ([AdviceReport::of($of), CompareReport::of($of), FinderReport::of($of), JudgingReport::of($of)] as $report) {
            expect($report['swing'])->toBe($swing)->and(array_column($report['swings'], 'name'))->toBe(['cruising', 'full'])
                ->and(array_column($report['swings'], 'n'))->toBe([12, 12]);
        }
        $means[$swing] = AdviceReport::of($of)['setups'][0]['expectedCarryM'];
    }
    $decide = DecideReport::of($record);
    expect($record->swing)->toBe('full')->and($means['full'])->toBeGreaterThan($means['cruising'] + 40.0)
        ->and($decide['setups'][0]['expectedCarryM'])->toBe($means['full'])
        ->and($decide['otherSwings'])->toHaveCount(1)->and($decide['otherSwings'][0]['swing'])->toBe('cruising')
        ->and($decide['otherSwings'][0]['pick'])->toBe(AdviceReport::of($record->atOneSwing('cruising'))['pick'])
        // Another swing's shots move no figure of this one.
        ->and(AdviceReport::of($record)['setups'][1]['seen']['n'])->toBe(6);
})->with([['right', 1], ['left', 2]]);

it('takes a swing by its name, and says which there are', function (): void {
    $record = twoSwings('right', 1);
    expect(fn () => $record->atOneSwing('smooth'))->toThrow(InvalidInput::class, 'cruising and full');
    $one = MadeFitting::of('right', [], 1)->head('Old 9', 9)->hit('A', 'Old 9', 8, [140, 11, 2400, 0, 0])->record();
    expect($one->swing)->toBeNull()->and($one->atOneSwing())->toBe($one)->and(AdviceReport::of($one)['swings'])->toBe([])
        ->and(fn () => $one->atOneSwing('full'))->toThrow(InvalidInput::class, 'only one kind of swing');
});
