<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\SideEstimate;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Strike;
use MintCarry\Core\Judging\Bridge;
use MintCarry\Core\Judging\CarryThrough;
use MintCarry\Core\Judging\Diagnosis;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Judging\Finding;
use MintCarry\Core\Judging\FindingKind;
use MintCarry\Core\Judging\Forgiveness;
use MintCarry\Core\Judging\GuardRail;
use MintCarry\Core\Judging\GuardRails;
use MintCarry\Core\Judging\LikeForLike;
use MintCarry\Core\Judging\NextMove;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\FisherF;
use MintCarry\Core\Statistics\Resampling;
use MintCarry\Core\Statistics\Shapley;
use Random\Engine\Mt19937;
use Random\Randomizer;

// What the shots say, why, and what to hit next. Shots here are made by the impact model from deliveries that the test names, so
// that what should be found is known.

function sameFlight(): BallFlight
{
    static $flight = null;

    return $flight ??= new BallFlight;
}
/** @param  array<string, mixed>  $more */
function specOf(string $tag, array $more = []): SetupSpec
{
    return new SetupSpec(
        ...$more + [
            'tag' => $tag, 'head' => 'Tern 460', 'body' => new Head, 'squaredLoftDeg' => 10.5, 'soledLoftDeg' => 10.5,
            'soledFaceOpenDeg' => 0.0,
        ],
    );
}
/**
 * Shots about a mean delivery (speed, attack, path, loft, face, toe, high), spread evenly so that the means are exactly those.
 *
 * @param  list<float>  $mean
 * @param  list<string>  $hide  fields that the monitor does not give
 */
function swings(array $mean, int $n = 6, Hand $hand = Hand::Right, array $hide = [], float $spread = 1.0, ?Head $head = null): array
{
    $shots = [];
    for ($i = 0; $i < $n; $i++) {
        $at = $n === 1 ? 0.0 : 2 * $i / ($n - 1) - 1;
        $turn = $n === 1 ? 0.0 : 2 * (($i + intdiv($n, 2)) % $n) / ($n - 1) - 1;
        $way = $hand === Hand::Right ? $spread : -$spread;
        [$speed, $attack, $path, $loft, $face, $toe, $high] = [
            $mean[0] + 0.5 * $spread * $at, $mean[1] + 0.6 * $spread * $turn, $mean[2] + 0.8 * $way * $at,
            $mean[3] + 0.7 * $spread * $turn, $mean[4] + 1.2 * $way * $at, $mean[5] + 3 * $spread * $turn,
            $mean[6] + 2 * $spread * $at,
        ];
        $ball = (new Impact($head ?? new Head, $hand))->strike(
            new Delivery($speed, $attack, $path, $loft, $face), new Strike($toe, $high),
        );
        $values = [
            'ballSpeedMps' => $ball->ballSpeedMps, 'launchDeg' => $ball->launchDeg, 'spinRpm' => $ball->spinRpm,
            'directionDeg' => $ball->directionDeg, 'spinAxisDeg' => $ball->spinAxisDeg, 'clubSpeedMps' => $speed,
            'attackDeg' => $attack, 'pathDeg' => $path, 'dynamicLoftDeg' => $loft, 'faceDeg' => $face, 'strikeToeMm' => $toe,
            'strikeHighMm' => $high,
        ];
        $shots[] = LaunchShot::of(array_diff_key($values, array_flip($hide)), sameFlight());
    }

    return $shots;
}
/** @param  list<float>  $mean */
function evidence(string $tag, array $mean, array $more = [], int $n = 6, array $hide = []): Evidence
{
    $spec = specOf($tag, $more);
    $found = Evidence::of($spec, new ShotSet($tag, swings($mean, $n, $spec->hand, $hide, 1.0, $spec->body)), sameFlight());

    return $found ?? throw new LogicException('no evidence');
}
const CLUB = ['clubSpeedMps', 'attackDeg', 'pathDeg', 'dynamicLoftDeg', 'faceDeg', 'strikeToeMm', 'strikeHighMm'];
const USUAL = [45.0, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0];
function shareOf(ShotSet $set, float $widthM = 30.0): CorridorShare
{
    return CorridorShare::of(
        SideEstimate::of($set, SideEstimate::pooledSpread([$set])), new Corridor($widthM), new Randomizer(new Mt19937(4)),
    );
}
/** @return list<string> */
function kinds(array $findings): array
{
    return array_map(fn (Finding|GuardRail $f): string => $f->kind->value, $findings);
}

// --- Shapley, F, bootstrap --------------------------------------------------------------------------------------------

it('splits the airport game as its textbook does', function (): void {
    // Littlechild & Owen (1973), "A simple expression for the Shapley value in a special case": runways of cost 1, 2 and 3 give
    // 1/3, 5/6 and 11/6 (from memory).
    $cost = fn (array $in): float => max($in[0] ? 1.0 : 0.0, $in[1] ? 2.0 : 0.0, $in[2] ? 3.0 : 0.0);
    foreach ([1 / 3, 5 / 6, 11 / 6] as $i => $part) {
        expect(Shapley::values([true, true, true], $cost)[$i])->toEqualWithDelta($part, 1e-12);
    }
});

it('splits the glove game as its textbook does', function (): void {
    // One left glove, two right ones; a pair is worth 1: 2/3, 1/6, 1/6 (Osborne & Rubinstein, "A Course in Game Theory", from memory).
    $pair = fn (array $in): float => $in[0] && ($in[1] || $in[2]) ? 1.0 : 0.0;
    foreach ([2 / 3, 1 / 6, 1 / 6] as $i => $part) {
        expect(Shapley::values([true, true, true], $pair)[$i])->toEqualWithDelta($part, 1e-12);
    }
});

it('gives nothing to who does nothing, and adds up exactly', function (): void {
    $worth = fn (array $in): float => ($in[0] ? 3.0 : 0.0) * ($in[2] ? 2.0 : 1.0) + ($in[3] ? -1.5 : 0.0);
    $parts = Shapley::values([true, false, true, true], $worth);
    expect($parts[1])->toBe(0.0)
        ->and(array_sum($parts))->toEqualWithDelta(6.0 - 1.5, 1e-12)
        ->and(Shapley::values([false, false], fn (): float => 7.0))->toBe([0.0, 0.0]);
});

it('has the F quantiles of a printed table', function (float $p, int $above, int $below, float $table): void {
    // Upper 5 % and 2.5 % points of F, as printed in statistical handbooks (NIST/SEMATECH e-Handbook 1.3.6.7.3 for 5 %; the
    // others from memory).
    expect(FisherF::quantile($p, $above, $below))->toEqualWithDelta($table, 6e-3)
        ->and(FisherF::cdf(FisherF::quantile($p, $above, $below), $above, $below))->toEqualWithDelta($p, 1e-9);
})->with([[0.95, 1, 10, 4.965], [0.95, 5, 5, 5.050], [0.95, 10, 20, 2.348], [0.975, 4, 8, 5.053], [0.975, 11, 11, 3.474]]);

it('has the F quantiles of R', function (): void {
    // qf() of R; how they were made: tests/reference/statistics.R.
    $r = json_decode((string) file_get_contents(dirname(__DIR__).'/reference/statistics.json'), true);
    foreach ($r['f'] as $i => $f) {
        expect(FisherF::quantile($r['f_p'][$i], $r['f_above'][$i], $r['f_below'][$i]))->toEqualWithDelta($f, 1e-8 * max(1.0, $f));
    }
});

it('has an F whose tails mirror, and refuses no degrees of freedom', function (): void {
    expect(FisherF::quantile(0.05, 3, 7))->toEqualWithDelta(1 / FisherF::quantile(0.95, 7, 3), 1e-9);
    expect(fn () => FisherF::cdf(1.0, 0.0, 5.0))->toThrow(ModelFailure::class);
});

it('resamples a mean with the spread that theory gives', function (): void {
    $a = [201.2, 198.4, 205.9, 187.3, 203.3, 199.8, 210.1, 195.5];
    $b = array_map(fn (float $v): float => $v + 6.0, $a);
    $interval = Resampling::difference($a, $b, fn (array $v): float => array_sum($v) / count($v), new Randomizer(new Mt19937(7)), 4000);
    $sd = sqrt(array_sum(array_map(fn (float $v): float => ($v - array_sum($a) / 8) ** 2, $a)) / 8); // the bootstrap's own, with n
    expect(($interval->low + $interval->high) / 2)->toEqualWithDelta(6.0, 0.5)
        ->and($interval->high - $interval->low)->toEqualWithDelta(2 * 1.96 * $sd * sqrt(2 / 8), 0.7);
});

// --- Evidence ---------------------------------------------------------------------------------------------------------

it('takes the delivery from the monitor where it gives one, and from the ball where not', function (): void {
    $seen = evidence('A', [45.0, 1.5, -2.0, 13.0, -1.0, 4.0, 3.0]);
    $guessed = evidence('A', [45.0, 0.0, 0.0, 13.0, 0.0, 0.0, 0.0], hide: CLUB);
    expect($seen->state)->toEqualWithDelta([45.0, 1.5, -2.0, 13.0, -1.0, 4.0, 3.0], 0.02)
        ->and($seen->from)->toBe(array_fill(0, 7, 'measured'))
        ->and($seen->hasClub())->toBeTrue()
        ->and($guessed->hasClub())->toBeFalse()
        ->and($guessed->state[0])->toEqualWithDelta(45.0, 1.2)
        ->and(array_unique($guessed->from))->not->toContain('measured');
});

it('is surer of a mean with more shots', function (): void {
    expect(evidence('A', USUAL, n: 12)->error[0])->toBeLessThan(0.8 * evidence('A', USUAL, n: 4)->error[0]);
});

it('says nothing of a setup without ball speed, launch or spin, nor of a ball that does not fly', function (): void {
    $none = Evidence::of(
        specOf('A'), new ShotSet('A', [LaunchShot::of(['clubSpeedMps' => 45.0, 'carryM' => 200.0], sameFlight())]), sameFlight(),
    );
    $topped = Evidence::of(
        specOf('A'),
        new ShotSet('A', [LaunchShot::of(['ballSpeedMps' => 40.0, 'launchDeg' => -2.0, 'spinRpm' => 900.0], sameFlight())]),
        sameFlight(),
    );
    expect($none)->toBeNull()->and($topped)->toBeNull();
});

// --- Like for like ----------------------------------------------------------------------------------------------------

it('takes the luck of a lucky swing out of carry, and leaves the club in', function (): void {
    // The same club twice; the second time the swings happened to be a meter per second faster and truer on the face.
    $a = evidence('A', [45.0, 0.0, 0.0, 13.0, 0.0, -6.0, 0.0]);
    $b = evidence('B', [46.0, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0]);
    $alike = LikeForLike::of([$a, $b]);
    $raw = $alike['B']->measured['carryM']->mean - $alike['A']->measured['carryM']->mean;
    $told = $alike['B']->against($alike['A'], 'carryM');
    expect($raw)->toBeGreaterThan(3.5)
        ->and(abs($told['value']))->toBeLessThan(0.75 * $raw)
        ->and($told['interval']->contains(0.0))->toBeTrue();
    // Four degrees more delivered loft is no luck: it stays.
    $c = evidence('C', [45.0, 0.0, 0.0, 17.0, 0.0, 0.0, 2.0]);
    $a = evidence('A', USUAL);
    $spin = LikeForLike::of([$a, $c]);
    expect($spin['C']->against($spin['A'], 'spinRpm')['value'])->toBeGreaterThan(
        0.9 * ($spin['C']->measured['spinRpm']->mean - $spin['A']->measured['spinRpm']->mean),
    );
});

it('keeps what a setup itself moves, shrunk, as a line of its own', function (): void {
    $few = LikeForLike::of([evidence('A', USUAL, n: 4), evidence('B', [45.0, 0.0, 0.0, 13.0, 0.0, -8.0, 2.0], n: 4)]);
    $many = LikeForLike::of([evidence('A', USUAL, n: 24), evidence('B', [45.0, 0.0, 0.0, 13.0, 0.0, -8.0, 2.0], n: 24)]);
    $toe = fn (array $of): float => array_column($of['B']->ownShifts, 'shift', 'field')['strikeToeMm'];
    expect($toe($few))->toBeLessThan(0.0)
        ->and(abs($toe($few)))->toBeLessThan(abs($toe($many)))
        ->and(abs($toe($many)))->toBeLessThan(8.0)
        ->and($few['B']->corrected)->toBe(['clubSpeedMps', 'attackDeg', 'pathDeg', 'strikeToeMm', 'strikeHighMm']);
});

it('works with ball data alone, with fewer corrections, and says so', function (): void {
    $alike = LikeForLike::of([evidence('A', USUAL, hide: CLUB), evidence('B', [46.0, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0], hide: CLUB)]);
    expect($alike['B']->corrected)->toBe(['ballSpeedMps'])
        ->and($alike['B']->ownShifts)->toBe([])
        ->and($alike['B']->against($alike['A'], 'carryM'))->not->toBeNull()
        ->and(LikeForLike::of([]))->toBe([]);
});

// --- Why bridge -------------------------------------------------------------------------------------------------------

it('adds up to the difference exactly, for every figure and either way round', function (): void {
    $a = evidence('A', [45.0, -1.0, 2.0, 13.5, 1.0, -5.0, -2.0]);
    $b = evidence('B', [46.2, 0.5, -1.0, 12.0, -1.5, 3.0, 4.0], ['head' => 'Plover 445', 'body' => Head::preset('low-spin', 9.5)]);
    foreach ([[$a, $b], [$b, $a]] as [$from, $to]) {
        foreach (Bridge::between($from, $to, 0.5) as $field => $bridge) {
            expect(array_sum(array_column($bridge->lines, 'happened')))->toEqualWithDelta($bridge->difference, 1e-9)
                ->and($bridge->difference)
                ->toEqualWithDelta(
                    $to->set->summary(Measure::from($field))->mean - $from->set->summary(Measure::from($field))->mean, 1e-9,
                );
        }
    }
    $there = Bridge::between($a, $b, 0.5)['carryM'];
    $back = Bridge::between($b, $a, 0.5)['carryM'];
    foreach ($there->lines as $i => $line) {
        expect($back->lines[$i]['happened'])->toEqualWithDelta(-$line['happened'], 1e-9);
    }
});

it('names the one thing that was changed', function (array $to, string $cause, string $measure): void {
    $bridge = Bridge::between(evidence('A', USUAL), evidence('B', $to), 0.5)[$measure];
    $lines = $bridge->lines;
    usort($lines, fn (array $a, array $b): int => abs($b['happened']) <=> abs($a['happened']));
    expect($lines[0]['cause'])->toBe($cause)
        ->and(abs($lines[0]['happened']))->toBeGreaterThan(0.6 * abs($bridge->difference));
})->with([
    'speed' => [[47.0, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0], 'club speed', 'carryM'],
    'strike' => [[45.0, 0.0, 0.0, 13.0, 0.0, -16.0, 2.0], 'strike', 'carryM'],
    'loft, by spin' => [[45.0, 0.0, 0.0, 16.5, 0.0, 0.0, 2.0], 'loft', 'spinRpm'],
    'face, by side' => [[45.0, 0.0, 0.0, 13.0, 3.0, 0.0, 2.0], 'face', 'sideM'],
    'path, by side' => [[45.0, 0.0, 4.0, 13.0, 0.0, 0.0, 2.0], 'attack and path', 'sideM'],
]);

it('calls weights weights within a head, and the head a head between two', function (): void {
    $other = ['body' => new Head(cgToeMm: 4.0, cgBackMm: 40.0)];
    $causes = fn (array $more): array => array_column(
        Bridge::between(evidence('A', USUAL), evidence('B', USUAL, $more), 0.5)['spinRpm']->lines, 'cause',
    );
    expect($causes($other))->toContain('weights')->not->toContain('head')
        ->and($causes($other + ['head' => 'Curlew L']))->toContain('head')->not->toContain('weights')
        ->and($causes(['ball' => 'another']))->toContain('ball and unexplained');
});

it('shrinks what would repeat, the less the fewer the shots, and calls noise noise', function (): void {
    $line = function (int $n): array {
        $lines = Bridge::between(evidence('A', USUAL, n: $n), evidence('B', [45.6, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0], n: $n), 0.5)[
            'carryM'
        ]->lines;

        return array_values(array_filter($lines, fn (array $l): bool => $l['cause'] === 'club speed'))[0];
    };
    [$few, $many] = [$line(3), $line(30)];
    expect($few['repeats'] / $few['happened'])->toBeLessThan($many['repeats'] / $many['happened'])
        ->and($many['repeats'])->toBeLessThan($many['happened'])
        ->and($many['noise'])->toBeFalse();
    foreach (
        Bridge::between(evidence('A', USUAL, n: 3), evidence('B', [45.0, 0.0, 0.3, 13.0, 0.1, 0.0, 2.0], n: 3), 0.5)['sideM']->lines as $l
    ) {
        expect($l['cause'] !== 'attack and path' || $l['noise'])->toBeTrue();
    }
});

it('lets a loft that was turned stay expected, though a few shots did not show it', function (): void {
    // Two degrees more on a squared club, and not a sign of it in three shots: the geometry is still believed in part.
    $lines = Bridge::between(
        evidence('A', USUAL, n: 3), evidence('B', [45.0, 0.0, 0.0, 13.001, 0.0, 0.0, 2.0], ['squaredLoftDeg' => 12.5], n: 3), 1.0,
    )['spinRpm']->lines;
    $loft = array_column($lines, null, 'cause')['loft'];
    expect(abs($loft['happened']))->toBeLessThan(2.0)->and($loft['repeats'])->toBeGreaterThan(50.0);
});

it('merges path and attack into delivery where no club was seen', function (): void {
    $bridge = Bridge::between(evidence('A', USUAL, hide: CLUB), evidence('B', [46.0, 0.0, 0.0, 14.0, 0.0, 0.0, 0.0], hide: CLUB), 0.5)[
        'carryM'
    ];
    expect(array_column($bridge->lines, 'cause'))->toContain('delivery')->not->toContain('attack and path')
        ->and($bridge->clubSeen)->toBeFalse()
        ->and(array_sum(array_column($bridge->lines, 'happened')))->toEqualWithDelta($bridge->difference, 1e-9);
});

it('says of identical setups that nothing differs', function (): void {
    foreach (Bridge::between(evidence('A', USUAL), evidence('B', USUAL), 0.5) as $bridge) {
        expect($bridge->difference)->toEqualWithDelta(0.0, 1e-9);
        foreach ($bridge->lines as $l) {
            expect($l['happened'])->toEqualWithDelta(0.0, 1e-9);
        }
    }
});

it('gives a left-hander the mirrored side, and the same carry', function (): void {
    $right = Bridge::between(evidence('A', USUAL), evidence('B', [45.5, 0.5, 2.0, 13.0, 1.5, 4.0, 2.0]), 0.5);
    $left = Bridge::between(
        evidence('A', USUAL, ['hand' => Hand::Left]),
        evidence('B', [45.5, 0.5, -2.0, 13.0, -1.5, 4.0, 2.0], ['hand' => Hand::Left]), 0.5,
    );
    foreach ($right['sideM']->lines as $i => $line) {
        expect($left['sideM']->lines[$i]['happened'])->toEqualWithDelta(-$line['happened'], 1e-6)
            ->and($left['carryM']->lines[$i]['happened'])->toEqualWithDelta($right['carryM']->lines[$i]['happened'], 1e-6);
    }
});

// --- Forgiveness ------------------------------------------------------------------------------------------------------

it('prices a heel strike less with a head that turns less', function (): void {
    $blade = evidence('A', USUAL, ['body' => Head::preset('low-spin')]);
    $forgiving = evidence('B', USUAL, ['head' => 'Plover 445', 'body' => Head::preset('forgiving')]);
    $cost = fn (Evidence $e): float => Forgiveness::of($e)->costs['heel']['ballSpeedMps'];
    expect($cost($forgiving))->toBeLessThan(0.0)->toBeGreaterThan($cost($blade))
        ->and(Forgiveness::of($blade)->costs['low']['spinRpm'])->toBeGreaterThan(0.0);
});

it('counts strikes by zone and corrects the model by what was seen, in measure', function (): void {
    $f = Forgiveness::of(evidence('A', [45.0, 0.0, 0.0, 13.0, 0.0, -14.0, 2.0], n: 8));
    $n = array_column($f->zones, 'n', 'zone');
    expect(array_sum($n))->toBe(8)
        ->and($n['middle heel'])->toBe(8)
        ->and($f->seen)->toBe(8)
        // The shots were made by the model itself: there is little to correct.
        ->and($f->correction)->toEqualWithDelta(1.0, 0.12)
        ->and($f->worstAt)->toBe('heel')
        ->and(Forgiveness::of(evidence('A', USUAL, hide: CLUB))->seen)->toBe(0)
        ->and(Forgiveness::of(evidence('A', USUAL, hide: CLUB))->correction)->toBe(1.0);
});

// --- Diagnosis --------------------------------------------------------------------------------------------------------

it('finds what ails a swing, with its price, and not what does not', function (array $mean, string $kind): void {
    $e = evidence('A', $mean, n: 8);
    $found = Diagnosis::of($e, shareOf($e->set));
    expect(kinds($found))->toContain($kind);
})->with([
    'heel' => [[45.0, 0.0, 0.0, 13.0, 0.0, -12.0, 2.0], 'offCgLine'],
    'down' => [[45.0, -4.5, 0.0, 11.0, 0.0, 0.0, 2.0], 'attackDown'],
    'open' => [[45.0, 0.0, -2.0, 13.0, 3.0, 0.0, 2.0], 'faceToPath'],
    'too much spin' => [[48.0, -3.0, 0.0, 19.0, 0.0, 0.0, -4.0], 'spinTooHigh'],
    'curve that a centred mean hides' => [[45.0, 0.0, -5.0, 13.0, -2.3, 0.0, 2.0], 'hiddenCurve'],
]);

it('calls a pull a pull, and not a hook', function (): void {
    $pull = evidence('A', [45.0, 0.0, -4.0, 13.0, -4.0, 0.0, 2.0], n: 8);
    $hook = evidence('A', [45.0, 0.0, 6.0, 13.0, 0.5, 0.0, 2.0], n: 8);
    expect(kinds(Diagnosis::of($pull, shareOf($pull->set))))->toContain('startsThere')->not->toContain('curvesThere')
        ->and(kinds(Diagnosis::of($hook, shareOf($hook->set))))->not->toContain('startsThere');
});

it('sends a delivery to a coach, and a club to the fitter', function (): void {
    $coach = fn (array $mean): bool => array_filter(
        Diagnosis::of($e = evidence('A', $mean, n: 8), shareOf($e->set)), fn (Finding $f): bool => $f->forCoach,
    ) !== [];
    expect($coach([45.0, -5.0, 0.0, 12.0, 0.0, 0.0, 2.0]))->toBeTrue()
        ->and($coach([45.0, 0.0, -7.0, 13.0, 0.0, 0.0, 2.0]))->toBeTrue()
        ->and($coach(USUAL))->toBeFalse();
});

it('tells a two-way miss by its shares, though the mean is straight', function (): void {
    $wild = new ShotSet('A', swings(USUAL, 10, spread: 4.0));
    $e = Evidence::of(specOf('A'), $wild, sameFlight());
    $share = shareOf($wild, 20.0);
    expect(abs($wild->summary(Measure::Side)->mean))->toBeLessThan(4.0)
        ->and($share->left)->toBeGreaterThan(0.12)
        ->and($share->right)->toBeGreaterThan(0.12)
        ->and($share->left + $share->right + $share->share)->toEqualWithDelta(1.0, 1e-9)
        ->and(kinds(Diagnosis::of($e, $share)))->toContain('twoWayMiss');
});

it('sees a smash that is too low for the strike', function (): void {
    $shots = array_map(
        fn (LaunchShot $s): LaunchShot => LaunchShot::of(
            ['ballSpeedMps' => 0.95 * $s->measured['ballSpeedMps']] + $s->measured, sameFlight(),
        ),
        swings(USUAL, 6),
    );
    $e = Evidence::of(specOf('A'), new ShotSet('A', $shots), sameFlight());
    expect(kinds(Diagnosis::of($e, shareOf($e->set))))->toContain('smashLow');
});

it('sees a heavier head draw the strike to the heel', function (): void {
    $a = evidence('A', USUAL, ['swingWeightPoints' => 32.0], n: 12);
    $b = evidence('B', [45.0, 0.0, 0.0, 13.0, 0.0, -9.0, 2.0], ['swingWeightPoints' => 36.0], n: 12);
    $found = array_values(
        array_filter(Diagnosis::of($b, shareOf($b->set), $a), fn (Finding $f): bool => $f->kind === FindingKind::DrawsToHeel),
    );
    expect($found[0]->figures['heavierPoints'])->toBe(4.0)
        ->and($found[0]->figures['shiftMm'])->toEqualWithDelta(-9.0, 0.1);
});

// --- Guard rails ------------------------------------------------------------------------------------------------------

it('warns of what makes a comparison unfair, and says what was done', function (array $more, string $kind): void {
    $a = evidence('A', USUAL);
    $rails = GuardRails::of([$a, evidence('B', USUAL, $more)], $a, [], [], 0.5);
    expect(kinds($rails))->toContain($kind);
})->with([
    [['shaft' => 'Reedline 60', 'lengthMm' => 1150.0], 'twoChanges'],
    [['ball' => 'range ball'], 'otherBall'],
    [['teeMm' => 60.0], 'otherTee'],
    [['loftFromPrint' => true], 'printedLoft'],
]);

it('counts a head with its sleeve and weights as one change', function (): void {
    $a = evidence('A', USUAL, ['sleeve' => 'N', 'weights' => '12 g back']);
    $b = evidence('B', USUAL, ['head' => 'Plover 445', 'sleeve' => 'STD', 'weights' => '6 g heel']);
    expect(kinds(GuardRails::of([$a, $b], $a, [], [], 0.5)))->not->toContain('twoChanges')
        ->and($b->spec->differsFrom($a->spec))->toBe(['head']);
});

it('sees speed fall through a session, few shots, and another visit', function (): void {
    $a = evidence('A', USUAL);
    $b = evidence('B', USUAL, n: 3);
    $tired = array_map(fn (int $i): float => 45.0 - 0.06 * $i + 0.2 * sin(7 * $i), range(0, 29));
    $rails = GuardRails::of([$a, $b], $a, ['A' => ['visit: 1'], 'B' => ['visit: 2']], $tired, 0.5);
    expect(kinds($rails))->toContain('speedFalling', 'fewShots', 'otherVisit')
        ->and(kinds(GuardRails::of([$a], $a, [], array_fill(0, 20, 45.0), 0.5)))->toBe([])
        ->and(kinds(GuardRails::of([$a], null, [], array_reverse($tired), 0.5)))->toBe(['speedRising']);
});

it('sees a player work against the change, and a label that the shots contradict', function (): void {
    $a = evidence('A', USUAL, n: 14);
    $open = evidence('B', [45.0, 0.0, 0.0, 13.0, -3.5, 0.0, 2.0], ['soledFaceOpenDeg' => 2.0], n: 14);
    expect(kinds(GuardRails::of([$a, $open], $a, [], [], 0.0)))->toContain('playerCompensating');
    $up = evidence('C', [45.0, 0.0, 0.0, 10.5, 0.0, 0.0, 2.0], ['squaredLoftDeg' => 12.5], n: 14);
    expect(kinds(GuardRails::of([$a, $up], $a, [], [], 1.0)))->toContain('labelAndDataDisagree');
});

// --- Carry-through and next move --------------------------------------------------------------------------------------

it('carries loft through when squared and face when soled, by trade practice', function (): void {
    $to = specOf('B', ['squaredLoftDeg' => 12.5, 'soledFaceOpenDeg' => 2.0]);
    $squared = CarryThrough::predict(specOf('A'), $to, 1.0);
    $soled = CarryThrough::predict(specOf('A'), $to, 0.0);
    expect($squared->loftDeg)->toEqualWithDelta(1.8, 1e-9)
        ->and($soled->loftDeg)->toEqualWithDelta(0.4, 1e-9)
        ->and($squared->faceRightDeg)->toEqualWithDelta(0.3, 1e-9)
        ->and($soled->faceRightDeg)->toEqualWithDelta(1.2, 1e-9)
        ->and(
            CarryThrough::predict(
                specOf('A', ['hand' => Hand::Left]), specOf('B', ['hand' => Hand::Left, 'soledFaceOpenDeg' => 2.0]), 0.0,
            )->faceRightDeg,
        )
        ->toEqualWithDelta(-1.2, 1e-9)
        ->and(CarryThrough::predict(specOf('A'), specOf('B', ['head' => 'other']), 0.5)->loftSdDeg)
        ->toBeGreaterThan(CarryThrough::predict(specOf('A'), specOf('B'), 0.5)->loftSdDeg);
});

it('names the setting that mends what ails the benchmark, with its interval, and none when all is well', function (): void {
    $spinny = evidence('A', [48.0, -1.0, 0.0, 18.0, 0.0, 0.0, 0.0], n: 10);
    $found = Diagnosis::of($spinny, shareOf($spinny->set));
    $settings = [
        specOf('-1.5', ['sleeve' => '-1.5', 'squaredLoftDeg' => 9.0]),
        specOf('+1.5', ['sleeve' => '+1.5', 'squaredLoftDeg' => 12.0]),
    ];
    $next = NextMove::of($spinny, $found, $settings, 1.0);
    expect($next?->candidate->sleeve)->toBe('-1.5')
        ->and($next?->effect['spinRpm']['value'])->toBeLessThan(0.0)
        ->and($next?->effect['spinRpm']['low'])->toBeLessThan($next?->effect['spinRpm']['value'])
        ->and($next?->effect['spinRpm']['high'])->toBeGreaterThan($next?->effect['spinRpm']['value'])
        ->and(NextMove::of($spinny, [], $settings, 1.0))->toBeNull()
        ->and(NextMove::of($spinny, $found, [], 1.0))->toBeNull();
});
