<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Finder\Belief;
use MintCarry\Core\Finder\Predicted;
use MintCarry\Core\Finder\Trade;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\Run;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\SideEstimate;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Judging\Finding;
use MintCarry\Core\Judging\Forgiveness;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Launch\TextFile;
use MintCarry\Core\Launch\TypedShot;
use MintCarry\Core\Report\JudgingReport;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;

require_once __DIR__.'/../Swings.php';
use Random\Engine\Mt19937;
use Random\Randomizer;

// Figures that can be worked out by hand, and limits on either side of which the tool says another thing.

it('pools the spread of side as a worked example does', function (): void {
    $set = fn (array $sides): ShotSet => new ShotSet('A', array_map(
        fn (float $s): LaunchShot => LaunchShot::of(
            ['ballSpeedMps' => 66.0, 'launchDeg' => 12.0, 'spinRpm' => 2500.0, 'carryM' => 200.0, 'sideM' => $s, 'totalSideM' => $s],
            sameFlight(),
        ),
        $sides,
    ));
    // Typical 8 % of 200 m is 16 m. Sides −10, 0, 10: s² = 100 of 2; sides −6, 6: 72 of 1. √((8·16² + 200 + 72)/(8 + 2 + 1)).
    expect(SideEstimate::pooledSpread([$set([-10.0, 0.0, 10.0]), $set([-6.0, 6.0])]))->toEqualWithDelta(sqrt(2320 / 11), 1e-9)
        ->and(SideEstimate::pooledSpread([$set([3.0])]))->toEqualWithDelta(16.0, 1e-9)
        ->and(SideEstimate::pooledSpread([]))->toEqualWithDelta(16.0, 1e-9);
});

it('judges the share by where the ball comes to rest, with the bounces in its spread', function (): void {
    $set = fn (float $farther): ShotSet => new ShotSet('A', array_map(
        fn (float $s): LaunchShot => LaunchShot::of([
            'ballSpeedMps' => 66.0, 'launchDeg' => 12.0, 'spinRpm' => 2500.0, 'carryM' => 200.0, 'totalM' => 220.0, 'sideM' => $s,
            'totalSideM' => $s + $farther,
        ], sameFlight()),
        [4.0, 9.0, 2.0, 7.0, 5.0, 8.0],
    ));
    $share = fn (ShotSet $s): CorridorShare => CorridorShare::of(SideEstimate::of($s, 12.0), new Corridor(30.0), new Randomizer(new Mt19937(4)));
    [$straight, $on] = [$share($set(0.0)), $share($set(10.0))];
    expect($on->share)->toBeLessThan($straight->share - 0.05)->and($on->right)->toBeGreaterThan($straight->right)
        // 12 m of spread, and 6 % of 20 m of run: √(12² + 1.2²), shrunk as ever.
        ->and(Run::spread(12.0, 20.0))->toEqualWithDelta(sqrt(145.44), 1e-9)
        ->and(SideEstimate::of($set(10.0), 12.0)->meanM)->toBeGreaterThan(SideEstimate::of($set(0.0), 12.0)->meanM + 4);
});

it('runs a ball of unknown direction on in the line from the tee', function (): void {
    $seen = ['ballSpeedMps' => 66.0, 'launchDeg' => 12.0, 'spinRpm' => 2500.0, 'carryM' => 200.0, 'sideM' => -12.0];
    $shot = LaunchShot::of($seen + ['totalM' => 225.0], sameFlight());
    expect($shot->computed['totalSideM'])->toEqualWithDelta(-13.5, 1e-9)
        ->and(LaunchShot::of(['totalSideM' => -20.0] + $seen, sameFlight())->computed)->not->toHaveKey('totalSideM');
});

it('takes the run for as much too long as too short', function (): void {
    $shares = array_map(fn (int $i): float => Run::share(Normal::quantile(($i + 0.5) / 200)), range(0, 199));
    expect(array_sum($shares) / 200)->toEqualWithDelta(1.0, 0.001)->and(min($shares))->toBeGreaterThan(0.3);
});

it('explains gains by carry and share as least squares do', function (): void {
    $setup = fn (string $tag, float $carry, float $share, float $gain): Predicted => new Predicted(
        specOf($tag), $carry, new Interval(0, 1), $carry + 20, 0.0, new Interval(0, 1), 14.0, 28.0,
        CorridorShare::ofDraws([0.0], [1 - $share], 0), $gain, new Interval(0, 1), 0.0,
        0.5, 0.0, 0.0, false, false, 0.0, new Interval(0, 1), [], 0.0, [], [],
    );
    // gain = 0.01·(carry − 200) + 0.4·share, exactly: the two coefficients come back and explain all of it.
    $rows = [['A', 200.0, 0.5], ['B', 206.0, 0.42], ['C', 195.0, 0.61], ['D', 203.0, 0.66], ['E', 198.0, 0.40]];
    $exact = Trade::of(array_map(fn (array $r): Predicted => $setup($r[0], $r[1], $r[2], 0.01 * ($r[1] - 200) + 0.4 * $r[2]), $rows));
    expect($exact->perCarryM)->toEqualWithDelta(0.01, 1e-6)
        ->and($exact->perShare)->toEqualWithDelta(0.4, 1e-5)
        ->and($exact->level)->toEqualWithDelta(-2.0, 1e-4)
        ->and($exact->agreement)->toEqualWithDelta(1.0, 1e-6)
        // From the straightest to the longest, without what another beats in both.
        ->and($exact->front)->toBe(['D', 'B']);
    // A gain that has nothing to do with either.
    $noise = [1.0, -1.0, 1.0, -1.0, 0.0];
    $none = Trade::of(array_map(fn (array $r, float $g): Predicted => $setup($r[0], $r[1], $r[2], $g), $rows, $noise));
    expect($none->agreement)->toBeLessThan(0.7);
});

it('says of each typed value what is wrong with it, and refuses the shot for it', function (mixed $typed, string $field, string $says): void {
    [, $issues] = TypedShot::read($typed, Hand::Right, new BallFlight);
    $of = array_values(array_filter($issues, fn ($i): bool => $i->field === $field));
    expect($of)->toHaveCount(1)
        ->and($of[0]->message)->toContain($says)
        ->and($of[0]->refused)->toBeTrue();
})->with([
    'no measure' => [['speed' => ['value' => '60', 'unit' => 'm/s']], 'speed', 'is not a measure'],
    'a text' => [['note' => ['value' => 'low', 'unit' => null]], 'note', 'is not a measure'],
    'no value' => [['carryM' => true], 'carryM', 'needs a number'],
    'no number' => [['carryM' => ['value' => 'far', 'unit' => 'm']], 'carryM', 'is not a number'],
]);

it('says how large a file is that is too large, in MB, and how large it may be', function (): void {
    expect(fn () => TextFile::read(str_repeat('a', (int) 12.6e6)))->toThrow(UnreadableFile::class, 'The file has 12.6 MB; a launch file may have up to 12 MB');
});

it('shows the path of the mean ball and where the CG is in line only of setups that it knows the swing of', function (): void {
    $judged = JudgingReport::of(caseOf(['A' => [64.0, 12.0, 0.0, 6], 'B' => [65.0, 12.5, 1.0, 6]]));
    $mean = $judged['setups'][0]['path'];
    expect($mean['carryM'])->toBeGreaterThan(150.0)
        ->and(end($mean['points'])[0])->toEqualWithDelta($mean['carryM'], 0.5)
        ->and(max(array_column($mean['points'], 1)))->toEqualWithDelta($mean['apexM'], 0.5)
        ->and($judged['setups'][0]['inLine'])->not->toBeNull();
    // Shots that were measured without ball data have no mean ball.
    $none = LaunchShot::of(['clubSpeedMps' => 45.0, 'carryM' => 200.0], new BallFlight);
    expect(Evidence::of(specOf('A'), new ShotSet('A', [$none]), new BallFlight))->toBeNull();
});

it('widens by the prior what it does not know of a setup that nobody hit, and of one that was hit nothing', function (): void {
    $own = specOf('A');
    $belief = fn (float $width): Belief => Belief::prior($own, 45.0, [], [$own], 0.5, $width);
    foreach ($belief(1.0)->quirkVariance(specOf('new')) as $i => $variance) {
        expect($belief(2.0)->quirkVariance(specOf('new'))[$i])->toEqualWithDelta(4.0 * $variance, 1e-12)
            ->and($variance)->toBeGreaterThan(0.0);
    }
    expect(array_values($belief(1.0)->quirkVariance(specOf('new'))))
        ->toEqualWithDelta(array_map(fn (float $sd): float => $sd ** 2, PlayerPriors::QUIRK_SD), 1e-12)
        ->and($belief(1.0)->quirkVariance($own))->toBe([]);
});

it('names the worst usual strike by what it costs, at 1.64 of the scatter from the mean one', function (): void {
    $e = evidence('A', USUAL, n: 8);
    $carry = $e->set->summary(Measure::Carry)->mean;
    $of = Forgiveness::of($e);
    $at = function (float $toe, float $high) use ($e): float {
        $state = $e->state;
        $state[Swing::TOE] += $toe;
        $state[Swing::HIGH] += $high;

        return Evidence::figures($e->launch($state), $e->flight)['carryM'];
    };
    [$toe, $high] = [1.64 * PlayerPriors::SCATTER_SD[Swing::TOE], 1.64 * PlayerPriors::SCATTER_SD[Swing::HIGH]];
    $strikes = ['heel' => $at(-$toe, 0.0), 'toe' => $at($toe, 0.0), 'low' => $at(0.0, -$high), 'high' => $at(0.0, $high)];
    $worst = min($strikes);
    expect($of->worstAt)->toBe(array_search($worst, $strikes, true))
        ->and($of->worstCarryM)->toEqualWithDelta($carry + $of->correction * ($worst - $at(0.0, 0.0)), 1e-9)
        // The same eight millimetres low and high of the line, ten to heel and toe.
        ->and($of->costs['low']['carryM'])->toBeLessThan(0.0)
        ->and($of->costs['heel']['sideM'] * $of->costs['toe']['sideM'])->toBeLessThan(0.0);
    foreach ($of->zones as $zone) {
        [$row, $column] = explode(' ', $zone['zone']);
        $in = array_filter($e->set->shots, fn (LaunchShot $s): bool => match ($column) {
            'heel' => $s->measured['strikeToeMm'] < -8, 'toe' => $s->measured['strikeToeMm'] > 8, default => abs($s->measured['strikeToeMm']) <= 8,
        } && match ($row) {
            'low' => $s->measured['strikeHighMm'] < -6, 'high' => $s->measured['strikeHighMm'] > 6, default => abs($s->measured['strikeHighMm']) <= 6,
        });
        expect($zone['n'])->toBe(count($in));
    }
});

it('tells a face that is turned to the path from 2.5 degrees, and leaves it to a coach from 5, or where the path itself is far out', function (): void {
    $of = fn (float $face, float $path): ?Finding => foundOf(evidence('A', [45.0, 0.0, $path, 13.0, $face, 0.0, 2.0], n: 20))['faceToPath'] ?? null;
    expect($of(2.0, 0.0))->toBeNull()
        ->and($of(3.0, 0.0)?->forCoach)->toBeFalse()
        ->and($of(5.6, 0.0)?->forCoach)->toBeTrue()
        ->and($of(9.5, 6.5)?->forCoach)->toBeTrue()
        ->and($of(-3.0, 0.0)?->forCoach)->toBeFalse()
        ->and($of(3.0, 0.0)?->figures['faceToPathDeg'])->toEqualWithDelta(3.0, 0.01)
        ->and($of(3.0, 0.0)?->figures['sideM'])->toBeGreaterThan(3.0)
        ->and($of(-3.0, 0.0)?->figures['sideM'])->toBeLessThan(-3.0)
        // Twice the angle is its weight among the findings.
        ->and($of(3.0, 0.0)?->weight)->toEqualWithDelta(6.0, 0.02);
});

it('tells an attack that is down from 1.5 degrees, what it costs, and leaves it to a coach from 3', function (): void {
    $of = fn (float $attack): ?Finding => foundOf(evidence('A', [45.0, $attack, 0.0, 13.0, 0.0, 0.0, 2.0], n: 20))['attackDown'] ?? null;
    expect($of(-1.3))->toBeNull()
        ->and($of(1.6))->toBeNull()
        ->and($of(-1.8)?->forCoach)->toBeFalse()
        ->and($of(-3.4)?->forCoach)->toBeTrue()
        ->and($of(-3.4)?->figures['costM'])->toBeGreaterThan($of(-1.8)?->figures['costM'])
        ->and($of(-3.4)?->weight)->toBe($of(-3.4)?->figures['costM']);
});

it('tells a strike off the CG line from 5 mm on, heel, toe, high or low, and weighs it by its price', function (): void {
    [$toe, $high] = (new Head)->inLineWithCg();
    $of = fn (float $dx, float $dy): ?Finding => foundOf(
        evidence('A', [45.0, 0.0, 0.0, 13.0, 0.0, $toe + $dx, $high + $dy], n: 24),
    )['offCgLine'] ?? null;
    expect($of(3.0, 3.0))->toBeNull()
        ->and($of(-8.0, 0.0)?->figures['toeMm'])->toEqualWithDelta(-8.0, 0.01)
        ->and($of(8.0, 0.0)?->figures['toeMm'])->toEqualWithDelta(8.0, 0.01)
        ->and($of(0.0, -8.0)?->figures['highMm'])->toEqualWithDelta(-8.0, 0.01)
        ->and($of(-14.0, 0.0)?->figures['costM'])->toBeGreaterThan(1.0)
        ->and($of(-14.0, 0.0)?->weight)->toEqualWithDelta($of(-14.0, 0.0)?->figures['costM'] + 1, 1e-9);
});

it('names start and curve for the hand, mirrored for the other', function (float $path, float $face, string $start, string $curve): void {
    foreach ([[Hand::Right, 1], [Hand::Left, -1]] as [$hand, $way]) {
        $e = evidence('A', [46.0, 0.0, $way * $path, 13.0, $way * $face, 0.0, 2.0], ['hand' => $hand], 16);
        $found = foundOf($e);
        $told = $found['startsThere'] ?? $found['curvesThere'] ?? $found['hiddenCurve'] ?? null;
        expect([$told?->figures['start'], $told?->figures['curve']])->toBe([$start, $curve], $hand->value);
    }
})->with([
    'pushed' => [4.0, 4.0, 'push', 'straight'],
    'pulled' => [-4.0, -4.0, 'pull', 'straight'],
    'slicing back' => [-3.5, 0.1, 'straight', 'slice'],
    'hooking back' => [3.5, -0.1, 'straight', 'hook'],
    'fading' => [-1.7, 0.2, 'straight', 'fade'],
    'drawing' => [1.7, -0.2, 'straight', 'draw'],
]);

it('sees a strike drawn to heel or toe beside the benchmark from 4 mm on, and what the head is heavier by', function (): void {
    $a = evidence('A', USUAL, ['swingWeightPoints' => 40.0], 20);
    $of = fn (float $toe): array => foundOf(
        evidence('B', [45.0, 0.0, 0.0, 13.0, 0.0, $toe, 2.0], ['head' => 'Plover 445', 'swingWeightPoints' => 43.0], 20), $a,
    );
    expect($of(-3.0))->not->toHaveKeys(['drawsToHeel'])
        ->and($of(-6.0)['drawsToHeel']->figures['shiftMm'])->toEqualWithDelta(-6.0, 0.01)
        ->and($of(-6.0)['drawsToHeel']->figures['heavierPoints'])->toBe(3.0)
        ->and($of(-6.0)['drawsToHeel']->weight)->toEqualWithDelta(3.0, 0.01)
        ->and($of(6.0)['drawsToToe']->figures['shiftMm'])->toEqualWithDelta(6.0, 0.01);
});
