<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\CoreException;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\Strokes;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Judging\Built;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Matrix;
use MintCarry\Core\Statistics\Normal;
use Random\Randomizer;

use function array_sum;
use function count;
use function max;
use function min;
use function sqrt;

/**
 * Every legal setup on the rack, judged for this player from what was hit.
 *
 * Draws of the unknowns from the belief move each setup's mean swing; the setup's `Surface` turns that into carry, total and side; the brief's scoring prices it, with the best aim within ±4° for each draw where the aim is free. Everything is told as a difference from the own club. The own club stays the
 * pick unless another gains with a probability of at least 0.8 (docs/judging.md, "What works"); the expected loss of the pick is what a clairvoyant would gain on it.
 */
final readonly class Finder
{
    public const DRAWS = 64;

    public const KEEP_UNLESS = 0.8;

    /** Below this expected loss, in strokes, more shots are not worth it. */
    public const STOP_BELOW = 0.020;

    private const MISHITS = 0.04;

    /**
     * @param  list<Predicted>  $setups  best first
     * @param  array<string, array{prior: float, priorSd: float, now: float, sd: float}>  $learned  of kF, kL, kb, kt
     * @param  array{built: Built, value: float, changes: int}|null  $next  what to hit next
     */
    private function __construct(public Scoring $scoring, public array $setups, public Predicted $own, public Predicted $best, public Predicted $pick, public float $expectedLoss, public bool $mayStop, public array $learned, public ?array $next)
    {
    }

    /**
     * @param  Belief  $prior  before any shot
     * @param  Belief  $belief  after them
     * @param  list<Built>  $rack  every legal setup, the own club among them or not
     * @param  callable(Built): (int|null)|null  $wrench  wrench changes from what is in the hand; null for a setup that cannot be hit here
     *
     * @throws CoreException when there is no setup to judge
     */
    public static function of(Belief $prior, Belief $belief, array $rack, Brief $brief, BallFlight $flight, Randomizer $random, ?callable $wrench = null): self
    {
        $own = $belief->own;
        $all = [$own];
        foreach ($rack as $built) {
            if ($built->tag !== $own->tag) {
                $all[] = $built;
            }
        }
        $surfaces = $shifts = [];
        [$thetas, $spares] = self::draws($belief, $random);
        foreach ($all as $built) {
            $rows = $belief->rows($built);
            $at = Belief::apply($rows, $belief->mean);
            $surface = Surface::of($built, $at, $flight);
            if ($surface === null) {
                if ($built->tag === $own->tag) {
                    throw CoreException::invalid('baseline', 'The models give no flying ball for the own club: look at its shots.');
                }

                continue;
            }
            $quirk = $belief->quirkVariance($built);
            $moves = [];
            foreach ($thetas as $d => $theta) {
                $x = Belief::apply($rows, $theta);
                foreach ($x as $i => $v) {
                    $x[$i] = $v - $at[$i] + (isset($quirk[$i]) ? sqrt($quirk[$i]) * $spares[$d][($i + crc32($built->tag)) % count($spares[$d])] : 0.0);
                }
                $moves[] = $x;
            }
            $surfaces[] = $surface;
            $shifts[] = $moves;
        }

        return self::score($prior, $belief, $surfaces, $shifts, $brief, $random, $wrench);
    }

    /**
     * @param  list<Surface>  $surfaces  the own club first
     * @param  list<list<array<int, float>>>  $shifts  by setup and draw
     */
    private static function score(Belief $prior, Belief $belief, array $surfaces, array $shifts, Brief $brief, Randomizer $random, ?callable $wrench): self
    {
        $scoring = $brief->scoring();
        $price = new Strokes($brief);
        $sign = $belief->own->hand->sign();
        // A mishit now and then widens the scatter: a share of shots with three times the variance.
        $scatter = array_map(static fn (array $row): array => array_map(static fn (float $v): float => $v * (1 + 2 * self::MISHITS), $row), $belief->scatter);
        $scores = $strokes = $held = $figures = $aims = $spreads = [];
        foreach ($surfaces as $s => $surface) {
            $sideSd = $surface->spread(2, $scatter);
            $carrySd = $surface->spread(0, $scatter);
            $spreads[$s] = $sideSd;
            $aims[$s] = 0.0;
            foreach ($shifts[$s] as $d => $shift) {
                [$carry, $total, $side, $apex] = $surface->mean($shift, $scatter);
                $side *= $sign;
                $figures[$s][$d] = [$carry, $total, $side, $apex];
                [$best, $aim, $middle] = $price->free($side, $sideSd, $total);
                $held[$s][$d] = $price->held($side, $sideSd, $total);
                $strokes[$s][$d] = $brief->aimFree ? $best : $held[$s][$d];
                $aims[$s] += $brief->aimFree ? $aim / self::DRAWS : 0.0;
                $scores[$s][$d] = $scoring === Scoring::FewestStrokes ? $strokes[$s][$d]
                    : $scoring->of(['strokes' => $strokes[$s][$d], 'share' => $price->share($brief->aimFree ? $middle : $side, $sideSd), 'carryM' => $carry, 'carrySdM' => $carrySd, 'totalM' => $total, 'apexM' => $apex], $brief->weights);
            }
        }
        $draws = count($scores[0]);
        $mean = static fn (array $v): float => array_sum($v) / count($v);
        $least = [];
        for ($d = 0; $d < $draws; $d++) {
            $least[$d] = min([INF, ...array_map(static fn (array $of): float => $of[$d], $scores)]);
        }
        $means = array_map($mean, $scores);
        $bestAt = (int) array_search(min([INF, ...$means]), $means, true);
        $minus = static fn (array $a, array $b): array => array_map(static fn (float $x, float $y): float => $y - $x, $a, $b);
        $column = static fn (array $rows, int $k): array => array_column($rows, $k);
        $setups = [];
        foreach ($surfaces as $s => $surface) {
            $gains = $minus($scores[$s], $scores[0]);
            $wins = count(array_filter($gains, static fn (float $g): bool => $g > 0));
            $behind = count(array_filter($minus($scores[$s], $scores[$bestAt]), static fn (float $g): bool => $g < 0));
            [$carries, $sides] = [$column($figures[$s], 0), $column($figures[$s], 2)];
            $carryGains = $minus($column($figures[0], 0), $carries);
            $setups[$s] = new Predicted($surface->built, $mean($carries), Interval::middleOf($carries), $mean($column($figures[$s], 1)), $mean($sides), Interval::middleOf($sides), $spreads[$s], $mean($column($figures[$s], 3)),
                $mean(array_map(static fn (float $side): float => $price->share($side, $spreads[$s]), $sides)), $mean($gains), Interval::middleOf($gains), $mean($minus($held[$s], $held[0])), $s === 0 ? 0.5 : $wins / $draws,
                max(0.0, $means[$s] - $mean($least)), $aims[$s], $s !== $bestAt && ($scoring->resolution() > $means[$s] - $means[$bestAt] || $behind / $draws < self::KEEP_UNLESS), isset($belief->quirks[$surface->built->tag]), $mean($carryGains), Interval::middleOf($carryGains));
        }
        $best = $setups[$bestAt];
        $pick = $bestAt !== 0 && $best->chance >= self::KEEP_UNLESS && $best->gain > $scoring->resolution() ? $best : $setups[0];
        $loss = $pick->expectedLoss;
        $next = self::next($belief, $surfaces, $shifts, $scores, $means, $wrench, $random);
        $order = $setups;
        usort($order, static fn (Predicted $a, Predicted $b): int => $b->gain <=> $a->gain);

        return new self($scoring, $order, $setups[0], $best, $pick, $loss, $scoring === Scoring::FewestStrokes && $loss < self::STOP_BELOW, self::learned($prior, $belief), $next);
    }

    /**
     * Draws of θ and spare normal numbers for the quirks of setups that nobody hit; antithetic in pairs.
     *
     * @return array{list<array<int, float>>, list<list<float>>}
     */
    private static function draws(Belief $belief, Randomizer $random): array
    {
        $n = count($belief->mean);
        $l = Matrix::cholesky($belief->covariance);
        $thetas = $spares = [];
        for ($d = 0; $d < self::DRAWS; $d += 2) {
            $z = $spare = [];
            for ($i = 0; $i < $n; $i++) {
                $z[] = Normal::draw($random);
            }
            for ($i = 0; $i < 37; $i++) {
                $spare[] = Normal::draw($random);
            }
            foreach ([1, -1] as $sign) {
                $theta = [];
                foreach ($belief->mean as $i => $m) {
                    for ($j = 0; $j <= $i; $j++) {
                        $m += $sign * $l[$i][$j] * $z[$j];
                    }
                    $theta[$i] = $m;
                }
                $thetas[] = $theta;
                $spares[] = array_map(static fn (float $v): float => $sign * $v, $spare);
            }
        }

        return [$thetas, $spares];
    }

    /**
     * The trial worth most: by how much its four shots would lower the best expected score (knowledge gradient, in the linear-normal approximation of docs/judging.md). Among trials of near-equal value, the one with the fewest wrench changes, and of those the one expected to play best.
     *
     * @param  list<Surface>  $surfaces
     * @param  list<list<array<int, float>>>  $shifts
     * @param  array<int, array<int, float>>  $scores
     * @param  array<int, float>  $means
     * @return array{built: Built, value: float, changes: int}|null
     */
    private static function next(Belief $belief, array $surfaces, array $shifts, array $scores, array $means, ?callable $wrench, Randomizer $random): ?array
    {
        $draws = count($scores[0]);
        // Candidates: those that could still be the best, and the extremes of each head in loft and face.
        $order = array_keys($means);
        usort($order, static fn (int $a, int $b): int => $means[$a] <=> $means[$b]);
        $candidates = array_slice($order, 0, 24);
        $extremes = [];
        foreach ($surfaces as $s => $surface) {
            foreach (['squaredLoftDeg', 'soledFaceOpenDeg'] as $field) {
                foreach ([1, -1] as $way) {
                    $key = "{$surface->built->head}/{$field}/{$way}";
                    if (! isset($extremes[$key]) || $way * $surface->built->{$field} > $way * $surfaces[$extremes[$key]]->built->{$field}) {
                        $extremes[$key] = $s;
                    }
                }
            }
        }
        $candidates = array_values(array_unique([...$candidates, ...array_values($extremes)]));
        $noise = [];
        for ($k = 0; $k < 24; $k++) {
            $xi = [Normal::draw($random), Normal::draw($random), Normal::draw($random)];
            array_push($noise, $xi, [-$xi[0], -$xi[1], -$xi[2]]);
        }
        $near = array_slice($order, 0, 60);
        $now = min([INF, ...$means]);
        $found = [];
        foreach ($candidates as $s) {
            $changes = $wrench === null ? 0 : $wrench($surfaces[$s]->built);
            if (isset($belief->quirks[$surfaces[$s]->built->tag]) || $changes === null) {
                continue;
            }
            // What four shots would show: mean face, loft and speed of this setup.
            $y = [[], [], []];
            foreach ($shifts[$s] as $d => $x) {
                [$y[0][$d], $y[1][$d], $y[2][$d]] = [$x[4], $x[3], $x[0]];
            }
            $v = [];
            for ($a = 0; $a < 3; $a++) {
                for ($b = 0; $b < 3; $b++) {
                    $v[$a][$b] = self::covariance($y[$a], $y[$b]) + ($a === $b ? [$belief->scatter[4][4], $belief->scatter[3][3], $belief->scatter[0][0]][$a] / 4 + 1e-6 : 0.0);
                }
            }
            $l = Matrix::triangleInverse(Matrix::cholesky($v));
            $after = 0.0;
            $deltas = [];
            foreach ($near as $u) {
                $c = [self::covariance($scores[$u], $y[0]), self::covariance($scores[$u], $y[1]), self::covariance($scores[$u], $y[2])];
                $deltas[$u] = [];
                for ($a = 0; $a < 3; $a++) {
                    $deltas[$u][$a] = $c[0] * $l[$a][0] + $c[1] * $l[$a][1] + $c[2] * $l[$a][2];
                }
            }
            foreach ($noise as $xi) {
                $least = INF;
                foreach ($near as $u) {
                    $least = min($least, $means[$u] + $deltas[$u][0] * $xi[0] + $deltas[$u][1] * $xi[1] + $deltas[$u][2] * $xi[2]);
                }
                $after += $least / count($noise);
            }
            $found[] = ['built' => $surfaces[$s]->built, 'value' => max(0.0, $now - $after), 'changes' => $changes, 'score' => $means[$s]];
        }
        if ($found === []) {
            return null;
        }
        $most = max(array_column($found, 'value'));
        $equal = array_values(array_filter($found, static fn (array $f): bool => $f['value'] >= 0.75 * $most));
        usort($equal, static fn (array $a, array $b): int => [$a['changes'], $a['score']] <=> [$b['changes'], $b['score']]);

        return ['built' => $equal[0]['built'], 'value' => $equal[0]['value'], 'changes' => $equal[0]['changes']];
    }

    /**
     * @param  array<int, float>  $a
     * @param  array<int, float>  $b
     */
    private static function covariance(array $a, array $b): float
    {
        $n = count($a);
        $ma = array_sum($a) / $n;
        $mb = array_sum($b) / $n;
        $sum = 0.0;
        foreach ($a as $i => $v) {
            $sum += ($v - $ma) * ($b[$i] - $mb);
        }

        return $sum / $n;
    }

    /** @return array<string, array{prior: float, priorSd: float, now: float, sd: float}> */
    private static function learned(Belief $prior, Belief $belief): array
    {
        $out = [];
        foreach (['kF', 'kL', 'kb', 'kt'] as $k => $name) {
            $i = Belief::MEANS + $k;
            $out[$name] = ['prior' => $prior->mean[$i], 'priorSd' => sqrt($prior->covariance[$i][$i]), 'now' => $belief->mean[$i], 'sd' => sqrt($belief->covariance[$i][$i])];
        }

        return $out;
    }
}
