<?php

declare(strict_types=1);

namespace MintCarry\Core\Memory;

use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Statistics\RandomEffects;

use function abs;
use function array_keys;
use function array_map;
use function array_slice;
use function count;
use function sqrt;

/**
 * Learns a studio's memory from what its fittings left, by crossed random effects (`RandomEffects`), one effect at a time, each in units of
 * its usual width. What few fittings say is shrunk to the usual widths. Model and equations: docs/judging.md, "The studio's memory".
 */
final class Learning
{
    /** Of how many figures the usual variances are worth. */
    private const WORTH = 10.0;

    /** The last so many fittings of a head are held against those before; from so many standard errors on it has moved. */
    private const LAST = 20;

    private const MOVED_Z = 3.5;

    /** The middle of a factor over players is known from so much of its usual width before any fitting. */
    private const FACTOR_MIDDLE = 0.5;

    /**
     * @param  list<LearnedFitting>  $fittings  in the order they were hit
     * @param  array<string, array{mean: float, sd: float}>  $usualFactors  how far a change reaches the ball before any fitting
     */
    public static function of(array $fittings, array $usualFactors): StudioMemory
    {
        $names = $times = [];
        foreach ($fittings as $fitting) {
            foreach ([...$fitting->heads, ...$fitting->own === null ? [] : [$fitting->own]] as $head) {
                $names[$head] ??= count($names);
                $times[$head] = ($times[$head] ?? 0) + 1;
            }
        }
        $means = $sds = $moved = array_map(static fn (int $n): array => [], $times);
        $variances = ['group' => [], 'offset' => [], 'own' => []];
        foreach (PlayerPriors::OWN_EFFECT_SD as $k => $unit) {
            $blocks = self::blocks($fittings, $names, $k, $unit);
            $found = RandomEffects::of($blocks, count($names), StudioMemory::USUAL, self::WORTH);
            foreach (array_keys($variances) as $which) {
                $variances[$which][] = $found[$which] * $unit ** 2;
            }
            foreach ($names as $head => $g) {
                $means[$head][] = $found['mean'][$g] * $unit;
                $sds[$head][] = sqrt($found['variance'][$g]) * $unit;
                if (self::hasMoved($blocks, $g, $found)) {
                    $moved[$head][] = $k;
                }
            }
        }
        $heads = [];
        foreach ($times as $head => $players) {
            $heads[$head] = ['players' => $players, 'mean' => $means[$head], 'sd' => $sds[$head], 'moved' => $moved[$head]];
        }

        return new StudioMemory(count($fittings), $heads, $variances, self::factors($fittings, $usualFactors));
    }

    /**
     * @param  list<LearnedFitting>  $fittings
     * @param  array<string, int>  $names
     * @return list<array{y: list<float>, error: list<list<float>>, groups: list<array<int, float>>, hasOffset: bool}>
     */
    private static function blocks(array $fittings, array $names, int $k, float $unit): array
    {
        $out = [];
        foreach ($fittings as $f) {
            if ($f->heads === []) {
                continue;
            }
            $own = $f->own === null ? [] : [$names[$f->own] => -1.0];
            $out[] = [
                'y' => array_map(static fn (float $v): float => $v / $unit, $f->effects[$k]),
                'error' => array_map(static fn (array $row): array => array_map(static fn (float $v): float => $v / $unit ** 2, $row), $f->errors[$k]),
                'groups' => array_map(static fn (string $head): array => [$names[$head] => 1.0] + $own, $f->heads),
                'hasOffset' => $f->own === null,
            ];
        }

        return $out;
    }

    /**
     * Do the last fittings of a head differ from those before? A bent sleeve, or a new batch.
     *
     * @param  list<array{y: list<float>, error: list<list<float>>, groups: list<array<int, float>>, hasOffset: bool}>  $blocks
     * @param  array{mean: list<float>, variance: list<float>, group: float, offset: float, own: float, weights: array<int, float>}  $found
     */
    private static function hasMoved(array $blocks, int $g, array $found): bool
    {
        $left = [];
        foreach ($blocks as $block) {
            foreach ($block['groups'] as $i => $factors) {
                if (($factors[$g] ?? 0.0) === 1.0) {
                    $expected = 0.0;
                    foreach ($factors as $other => $factor) {
                        $expected += $factor * $found['mean'][$other];
                    }
                    $variance = $block['error'][$i][$i] + $found['own'] + ($block['hasOffset'] ? $found['offset'] : $found['own']);
                    $left[] = [$block['y'][$i] - $expected, 1 / $variance];
                }
            }
        }
        $mean = static function (array $of): array {
            $sum = $weight = 0.0;
            foreach ($of as [$value, $w]) {
                $sum += $w * $value;
                $weight += $w;
            }

            return [$weight > 0 ? $sum / $weight : 0.0, $weight];
        };
        [$before, $last] = [array_slice($left, 0, -self::LAST), array_slice($left, -self::LAST)];
        if (count($before) < self::LAST) {
            return false;
        }
        [[$was, $wasWeight], [$is, $isWeight]] = [$mean($before), $mean($last)];

        return abs($is - $was) > self::MOVED_Z * sqrt(1 / $wasWeight + 1 / $isWeight);
    }

    /**
     * The middle over players of how far a change reaches the ball, and how far players differ.
     *
     * @param  list<LearnedFitting>  $fittings
     * @param  array<string, array{mean: float, sd: float}>  $usual
     * @return array<string, array{mean: float, sd: float}>
     */
    private static function factors(array $fittings, array $usual): array
    {
        $out = [];
        foreach ($usual as $name => ['mean' => $middle, 'sd' => $sd]) {
            $blocks = [];
            foreach ($fittings as $f) {
                if (isset($f->factors[$name])) {
                    ['value' => $value, 'variance' => $variance] = $f->factors[$name];
                    $blocks[] = ['y' => [($value - $middle) / $sd], 'error' => [[$variance / $sd ** 2]], 'groups' => [[0 => 1.0]], 'hasOffset' => false];
                }
            }
            // One group: its middle. A figure differs from it twice as `own` (as a figure and as its block), so half of the width each.
            $found = RandomEffects::of($blocks, 1, ['group' => self::FACTOR_MIDDLE ** 2, 'offset' => 1.0, 'own' => 0.5], self::WORTH);
            $out[$name] = [
                'mean' => $middle + $sd * ($found['mean'][0] ?? 0.0), 'sd' => $sd * sqrt(2 * $found['own'] + ($found['variance'][0] ?? 0.0)),
            ];
        }

        return $out;
    }
}
