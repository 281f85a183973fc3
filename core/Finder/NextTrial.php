<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Statistics\KeyedDraws;
use MintCarry\Core\Statistics\Matrix;

use function array_diff_key;
use function array_key_first;
use function array_map;
use function array_slice;
use function array_sum;
use function array_unique;
use function array_values;
use function count;
use function max;

/**
 * The trial worth most: by how much its four shots would lower the best expected score (knowledge gradient, in the linear-normal
 * approximation of docs/judging.md). Among trials of near-equal value, the one with the fewest wrench changes, and of those the
 * one expected to play best.
 *
 * @phpstan-type Worth array{spec: SetupSpec, value: float, changes: int, score: float, won: array<int, int>}
 */
final class NextTrial
{
    /** Shots of the trial whose value is asked. */
    private const SHOTS = 4;

    /** Trials worth this much of the best one's are as good: then the wrench decides. */
    private const NEAR_EQUAL = 0.75;

    /** Setups that are tried in thought, and setups that could come out best by them: so many of the best. */
    private const CANDIDATES = 24;

    private const RIVALS = 60;

    private const PAIRS_OF_NOISE = 24;

    /**
     * @param  array<int, array<int, float>>  $scores  by setup and draw
     * @param  (callable(SetupSpec): (int|null))|null  $wrench
     * @return array{spec: SetupSpec, value: float, changes: int, turns: float, to: SetupSpec|null}|null
     */
    public static function of(PredictedDraws $draws, array $scores, Pick $pick, ?callable $wrench): ?array
    {
        $candidates = self::candidates($draws, $pick);
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
        $found = [];
        foreach ($candidates as $s) {
            $changes = $draws->tested[$s] ? null : ($wrench === null ? 0 : $wrench($draws->specs[$s]));
            if ($changes !== null) {
                $found[] = self::worth($draws, $s, $changes, $rivals, $pick, $noise);
            }
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

    /** @return list<int> those that could still be the best, and the extremes of each head in loft and face */
    private static function candidates(PredictedDraws $draws, Pick $pick): array
    {
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

        return array_values(array_unique([...array_slice($pick->order(), 0, self::CANDIDATES), ...array_values($extremes)]));
    }

    /**
     * What a trial with one setup is worth.
     *
     * @param  array<int, array<int, float>>  $rivals  centred scores of those that could be best after it
     * @param  list<array{float, float, float}>  $noise
     * @return Worth won: how often each rival is the best after it
     */
    private static function worth(PredictedDraws $draws, int $s, int $changes, array $rivals, Pick $pick, array $noise): array
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

        return [
            'spec' => $draws->specs[$s], 'value' => max(0.0, $pick->means[$pick->best] - $after), 'changes' => $changes,
            'score' => $pick->means[$s], 'won' => $won,
        ];
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
