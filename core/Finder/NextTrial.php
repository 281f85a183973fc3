<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Fitting\Option;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Fitting\Wish;
use MintCarry\Core\Statistics\KeyedDraws;
use MintCarry\Core\Statistics\Matrix;

use function array_diff_key;
use function array_key_first;
use function array_map;
use function array_slice;
use function array_sum;
use function array_values;
use function count;
use function max;

/**
 * The trial that a fitter would hit next: what most likely beats the best that was hit, in what the player wants
 * first. It is not barred, not expected to give less of that than the own club, and can be hit here. Where the
 * diagnosis asks for another loft, it is the setup that comes nearest to it. Among near-equals it is the one that
 * teaches most (knowledge gradient, in the linear-normal approximation of docs/judging.md), then the one with the
 * fewest wrench changes.
 *
 * @phpstan-type Worth array{value: float, won: array<int, int>}
 */
final class NextTrial
{
    /** Shots of the trial whose value is asked. */
    private const SHOTS = 4;

    /**
     * Chances this near to the best are as good: then what it teaches decides; so near to the most taught, the
     * wrench does.
     */
    private const NEAR_CHANCE = 0.05;

    private const NEAR_EQUAL = 0.75;

    /** Lofts this near to the one that is asked for are as good, °; a smaller change is not asked for. */
    private const NEAR_LOFT_DEG = 1.25;

    /** Clearly worse than the own club: behind by two resolutions with this chance. */
    private const CLEARLY = 0.8;

    /** What has less than this chance to beat the best is no trial. */
    private const LEAST_CHANCE = 0.2;

    public const ASKS_FROM_DEG = 1.0;

    /** A wish is open while a setup that can be hit would answer it with this chance. */
    private const WISH_OPEN = 0.5;

    /** Setups that could come out best by a trial: so many of the best. */
    private const RIVALS = 60;

    private const CANDIDATES = 24;

    private const PAIRS_OF_NOISE = 24;

    /**
     * @param  array<int, array<int, float>>  $scores  by setup and draw
     * @param  int  $own  the own club
     * @param  array<int, Option>  $options  by setup: what is barred
     * @param  list<Wish>  $wishes  in the player's order
     * @param  float  $loftAskedDeg  change of delivered loft that the diagnosis asks of the benchmark; 0: none
     * @param  (callable(SetupSpec): (int|null))|null  $wrench  wrench changes to it; null for a setup that cannot be hit here
     * @return array{spec: SetupSpec, value: float, chance: float, changes: int, turns: float, to: SetupSpec|null, for: string,
     *   opensWish: bool}|null  value: what the trial is worth in the scoring's unit; for: loft, or what the player wants, or strokes
     */
    public static function of(
        PredictedDraws $draws, array $scores, Pick $pick, int $own, array $options, array $wishes, float $loftAskedDeg, ?callable $wrench,
    ): ?array {
        $wish = $wishes[0] ?? null;
        $hit = array_keys(array_filter($draws->tested, static fn (bool $is, int $s): bool => $is && ! $options[$s]->isBarred, ARRAY_FILTER_USE_BOTH));
        $present = $own;
        foreach ($hit as $s) {
            $present = ($wish === null ? $pick->gain($s, $present) : $wish->gain($s, $present)) > 0 ? $s : $present;
        }
        $changes = $chances = [];
        $resolution = $pick->scoring->resolution();
        foreach ($draws->specs as $s => $spec) {
            $isWorse = $pick->chanceBehind($s, $own, 2 * $resolution) >= self::CLEARLY || ($wish !== null && $wish->gain($own, $s) > 0);
            if ($s === $present || $options[$s]->isBarred || $isWorse) {
                continue;
            }
            $wrenched = $wrench === null ? 0 : $wrench($spec);
            if ($wrenched !== null) {
                $changes[$s] = $wrenched;
                $chances[$s] = $wish === null ? $pick->chance($s, $present) : Pick::share($wish->values[$present], $wish->values[$s]);
            }
        }
        if ($chances === [] || max($chances) < self::LEAST_CHANCE) {
            return null;
        }
        $near = self::near($draws, $chances, $own, $loftAskedDeg);
        $worth = self::worths($draws, $scores, $pick, array_slice($near, 0, self::CANDIDATES));
        $most = max(array_column($worth, 'value'));
        $equal = array_values(array_filter(array_keys($worth), static fn (int $s): bool => $worth[$s]['value'] >= self::NEAR_EQUAL * $most));
        usort($equal, static fn (int $a, int $b): int => [$changes[$a], -$chances[$a]] <=> [$changes[$b], -$chances[$b]]);
        $at = $equal[0];
        $others = array_diff_key($worth[$at]['won'], [$pick->best => 0]);
        arsort($others);

        return [
            'spec' => $draws->specs[$at], 'value' => $worth[$at]['value'], 'chance' => $chances[$at], 'changes' => $changes[$at],
            'turns' => array_sum($others) / (2 * self::PAIRS_OF_NOISE), 'to' => $others === [] ? null : $draws->specs[array_key_first($others)],
            'for' => abs($loftAskedDeg) >= self::ASKS_FROM_DEG && self::goesThere($draws, $at, $own, $loftAskedDeg)
                ? ($loftAskedDeg > 0 ? 'more loft' : 'less loft') : $wish->name ?? 'strokes',
            'opensWish' => $wish !== null && $wish->isGained($at, $present, self::WISH_OPEN),
        ];
    }

    /**
     * Those whose chance is as good as the best, the best first; where another loft is asked for, those of them that
     * come nearest to it.
     *
     * @param  array<int, float>  $chances
     * @return list<int>
     */
    private static function near(PredictedDraws $draws, array $chances, int $own, float $loftAskedDeg): array
    {
        arsort($chances);
        $all = array_keys($chances);
        if (abs($loftAskedDeg) >= self::ASKS_FROM_DEG) {
            $off = [];
            foreach ($all as $s) {
                if ($chances[$s] >= 0.5 && self::goesThere($draws, $s, $own, $loftAskedDeg)) {
                    $off[$s] = abs(self::loftOver($draws, $s, $own) - $loftAskedDeg);
                }
            }
            if ($off !== []) {
                $least = min($off);
                $all = array_values(array_filter($all, static fn (int $s): bool => ($off[$s] ?? INF) <= $least + self::NEAR_LOFT_DEG));
            }
        }
        $best = $chances[$all[0]];

        return array_values(array_filter($all, static fn (int $s): bool => $chances[$s] >= $best - self::NEAR_CHANCE));
    }

    private static function loftOver(PredictedDraws $draws, int $s, int $own): float
    {
        return (array_sum($draws->seen[$s][1]) - array_sum($draws->seen[$own][1])) / count($draws->seen[$own][1]);
    }

    /** Does a setup change the delivered loft in the way that is asked for, by a quarter of it at least? */
    private static function goesThere(PredictedDraws $draws, int $s, int $own, float $loftAskedDeg): bool
    {
        return self::loftOver($draws, $s, $own) * $loftAskedDeg >= 0.25 * $loftAskedDeg ** 2;
    }

    /**
     * @param  array<int, array<int, float>>  $scores
     * @param  list<int>  $candidates
     * @return non-empty-array<int, Worth>
     */
    private static function worths(PredictedDraws $draws, array $scores, Pick $pick, array $candidates): array
    {
        $noise = [];
        $drawn = array_map(
            static fn (int $i): array => KeyedDraws::normals("trial {$i}", self::PAIRS_OF_NOISE, self::PAIRS_OF_NOISE), [0, 1, 2],
        );
        for ($k = 0; $k < self::PAIRS_OF_NOISE; $k++) {
            $xi = [$drawn[0][$k], $drawn[1][$k], $drawn[2][$k]];
            array_push($noise, $xi, [-$xi[0], -$xi[1], -$xi[2]]);
        }
        $rivals = [];
        foreach (array_slice($pick->order(), 0, self::RIVALS) as $u) {
            $rivals[$u] = self::centred(array_slice($scores[$u], 0, PredictedDraws::DRAWS));
        }
        $out = [];
        foreach ($candidates as $s) {
            $out[$s] = self::worth($draws, $s, $rivals, $pick, $noise);
        }

        return $out; // @phpstan-ignore return.type (there is a candidate)
    }

    /**
     * What a trial with one setup is worth.
     *
     * @param  array<int, array<int, float>>  $rivals  centred scores of those that could be best after it
     * @param  list<array{float, float, float}>  $noise
     * @return Worth won: how often each rival is the best after it
     */
    private static function worth(PredictedDraws $draws, int $s, array $rivals, Pick $pick, array $noise): array
    {
        // What four shots would show: mean face, loft and speed of this setup.
        $y = array_map(self::centred(...), $draws->seen[$s]);
        $v = [];
        for ($a = 0; $a < 3; $a++) {
            for ($b = 0; $b < 3; $b++) {
                $v[$a][$b] = self::product($y[$a], $y[$b]) + ($a === $b ? $draws->noise[$a] / self::SHOTS + 1e-6 : 0.0);
            }
        }
        $l = Matrix::triangleInverse(Matrix::cholesky($v));
        $after = 0.0;
        $deltas = $won = [];
        foreach ($rivals as $u => $scores) {
            $c = [self::product($scores, $y[0]), self::product($scores, $y[1]), self::product($scores, $y[2])];
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

        return ['value' => max(0.0, $pick->means[$pick->best] - $after), 'won' => $won];
    }

    /**
     * @param  array<int, float>  $values
     * @return array<int, float> about their mean
     */
    private static function centred(array $values): array
    {
        $mean = array_sum($values) / count($values);

        return array_map(static fn (float $x): float => $x - $mean, $values);
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
