<?php

declare(strict_types=1);

use MintCarry\Core\Club\Head;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Judging\Diagnosis;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Judging\Finding;
use MintCarry\Core\Judging\FindingKind;
use MintCarry\Core\Judging\Forgiveness;
use MintCarry\Core\Judging\GuardRails;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\FisherF;
use MintCarry\Core\Statistics\Resampling;
use MintCarry\Core\Statistics\Shapley;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once __DIR__.'/../Swings.php';

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
