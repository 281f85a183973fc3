<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Matrix;
use MintCarry\Core\Statistics\Normal;
use Random\Randomizer;

use function array_diff_key;
use function array_key_first;
use function array_sum;
use function count;
use function max;

/**
 * Every legal setup on the rack, judged for this player from what was hit.
 *
 * The draws of each setup (`PredictedDraws`) are priced by the brief's scoring, with the best aim within ±4° for each draw where
 * the aim is free. Everything is told as a difference from the own club. The own club stays the pick unless another gains with a
 * probability of at least 0.8 (`Pick`); the expected loss of the pick is what a clairvoyant would gain on it.
 */
final readonly class Finder
{
    /** Below this expected loss, in strokes, more shots are not worth it. */
    public const STOP_BELOW = 0.020;

    /** Shots of the trial whose value is asked. */
    private const TRIAL_SHOTS = 4;

    /** Trials worth this much of the best one's are as good: then the wrench decides. */
    private const NEAR_EQUAL = 0.75;

    /**
     * @param  list<Predicted>  $setups  best first
     * @param  array<string, array{prior: float, priorSd: float, now: float, sd: float}>  $learned  of the factors of `Belief::factor`
     * @param  array{spec: SetupSpec, value: float, changes: int, turns: float, to: SetupSpec|null}|null  $next  what to hit next;
     *   turns: the chance that another setup than now is the best after it, to: which one most often
     */
    private function __construct(
        public Scoring $scoring, public array $setups, public Predicted $own, public Predicted $best, public Predicted $pick,
        public float $expectedLoss, public bool $mayStop, public array $learned, public ?array $next,
    ) {
    }

    /**
     * @param  (callable(SetupSpec): (int|null))|null  $wrench  wrench changes from what is in the hand; null for a setup that
     *   cannot be hit here
     */
    public static function of(PredictedDraws $draws, Brief $brief, Randomizer $random, ?callable $wrench = null): self
    {
        $scored = ScoredDraws::of($draws, $brief);
        $scoring = $brief->scoring();
        $pick = Pick::among($scored->scores, 0, $scoring);
        $mean = static fn (array $v): float => array_sum($v) / count($v);
        $setups = [];
        $ownCarries = $draws->figures[0][0];
        foreach ($draws->specs as $s => $spec) {
            [$carries, $totals, $sides, $apexes, $spreads] = $draws->figures[$s];
            $carryGains = Pick::gaps($ownCarries, $carries);
            $setups[$s] = new Predicted(
                $spec, $mean($carries), Interval::middleOf($carries), $mean($totals), $mean($sides), Interval::middleOf($sides),
                $mean($spreads), $mean($apexes), $mean($scored->shares[$s]), $pick->gain($s, 0), $pick->gainInterval($s, 0),
                $mean(Pick::gaps($scored->aimFixed[$s], $scored->aimFixed[0])), $pick->chance($s, 0), $pick->losses[$s],
                $mean($scored->aims[$s]), $pick->isTied($s, $pick->best), $draws->tested[$s], $mean($carryGains),
                Interval::middleOf($carryGains),
            );
        }
        $loss = $pick->losses[$pick->pick];

        return new self(
            $scoring, array_map(static fn (int $s): Predicted => $setups[$s], $pick->order()), $setups[0], $setups[$pick->best],
            $setups[$pick->pick], $loss, $scoring === Scoring::FewestStrokes && $loss < self::STOP_BELOW, $draws->learned,
            self::next($draws, $scored->scores, $pick, $wrench, $random),
        );
    }

    /**
     * The trial worth most: by how much its four shots would lower the best expected score (knowledge gradient, in the
     * linear-normal approximation of docs/judging.md). Among trials of near-equal value, the one with the fewest wrench changes,
     * and of those the one expected to play best.
     *
     * @param  array<int, array<int, float>>  $scores  by setup and draw
     * @return array{spec: SetupSpec, value: float, changes: int, turns: float, to: SetupSpec|null}|null
     */
    private static function next(PredictedDraws $draws, array $scores, Pick $pick, ?callable $wrench, Randomizer $random): ?array
    {
        // Candidates: those that could still be the best, and the extremes of each head in loft and face.
        $order = $pick->order();
        $candidates = array_slice($order, 0, 24);
        $extremes = [];
        foreach ($draws->specs as $s => $spec) {
            foreach (['squaredLoftDeg', 'soledFaceOpenDeg'] as $field) {
                foreach ([1, -1] as $way) {
                    $key = "{$spec->head}/{$field}/{$way}";
                    if (! isset($extremes[$key]) || $way * $spec->{$field} > $way * $draws->specs[$extremes[$key]]->{$field}) {
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
        $now = $pick->means[$pick->best];
        $centred = static function (array $v): array {
            $m = array_sum($v) / count($v);

            return array_map(static fn (float $x): float => $x - $m, $v);
        };
        $nearScores = [];
        foreach ($near as $u) {
            $nearScores[$u] = $centred(array_slice($scores[$u], 0, PredictedDraws::DRAWS));
        }
        $found = [];
        foreach ($candidates as $s) {
            $changes = $draws->tested[$s] ? null : ($wrench === null ? 0 : $wrench($draws->specs[$s]));
            if ($changes === null) {
                continue;
            }
            // What four shots would show: mean face, loft and speed of this setup.
            $y = array_map($centred, $draws->seen[$s]);
            $v = [];
            for ($a = 0; $a < 3; $a++) {
                for ($b = 0; $b < 3; $b++) {
                    $v[$a][$b] = self::product($y[$a], $y[$b]) + ($a === $b ? $draws->noise[$a] / self::TRIAL_SHOTS + 1e-6 : 0.0);
                }
            }
            $l = Matrix::triangleInverse(Matrix::cholesky($v));
            $after = 0.0;
            $deltas = $won = [];
            foreach ($near as $u) {
                $c = [
                    self::product($nearScores[$u], $y[0]), self::product($nearScores[$u], $y[1]),
                    self::product($nearScores[$u], $y[2]),
                ];
                $deltas[$u] = [
                    $pick->means[$u], $c[0] * $l[0][0], $c[0] * $l[1][0] + $c[1] * $l[1][1],
                    $c[0] * $l[2][0] + $c[1] * $l[2][1] + $c[2] * $l[2][2],
                ];
            }
            foreach ($noise as [$x0, $x1, $x2]) {
                [$least, $first] = [INF, $pick->best];
                foreach ($deltas as $u => [$m, $d0, $d1, $d2]) {
                    $value = $m + $d0 * $x0 + $d1 * $x1 + $d2 * $x2;
                    [$least, $first] = $value < $least ? [$value, $u] : [$least, $first];
                }
                $after += $least / count($noise);
                $won[$first] = ($won[$first] ?? 0) + 1;
            }
            $found[] = [
                'spec' => $draws->specs[$s], 'value' => max(0.0, $now - $after), 'changes' => $changes, 'score' => $pick->means[$s],
                'won' => $won,
            ];
        }
        if ($found === []) {
            return null;
        }
        $most = max(array_column($found, 'value'));
        $equal = array_values(array_filter($found, static fn (array $f): bool => $f['value'] >= self::NEAR_EQUAL * $most));
        usort($equal, static fn (array $a, array $b): int => [$a['changes'], $a['score']] <=> [$b['changes'], $b['score']]);

        $others = array_diff_key($equal[0]['won'], [$pick->best => 0]);
        arsort($others);

        return [
            'spec' => $equal[0]['spec'], 'value' => $equal[0]['value'], 'changes' => $equal[0]['changes'],
            'turns' => array_sum($others) / count($noise), 'to' => $others === [] ? null : $draws->specs[array_key_first($others)],
        ];
    }

    /**
     * Mean product.
     *
     * @param  array<int, float>  $a
     * @param  array<int, float>  $b
     */
    private static function product(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $v) {
            $sum += $v * $b[$i];
        }

        return $sum / count($a);
    }
}
