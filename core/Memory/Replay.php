<?php

declare(strict_types=1);

namespace MintCarry\Core\Memory;

use MintCarry\Core\Impact\PlayerPriors;

use function array_slice;
use function ceil;
use function count;
use function max;
use function sqrt;

/**
 * What a memory is worth, by going through the fittings once more: each is foretold by those before it, and what it then showed of its heads
 * is held against that, and against the usual guess, which is that a head does nothing of its own.
 *
 * A head showed y ± √R where m was foretold. Weighted by w = 1/(R + u²), u the usual width, what is foretold is off by √(Σ w (y − m)² / Σ w),
 * the usual guess by the same with m = 0; the error of the few shots that showed it is in both. A word is said where the weighted mean of
 * y² − (y − m)² lies two standard errors from nothing.
 */
final class Replay
{
    /** The first so many fittings only teach. */
    private const TEACHING = 10;

    /** The memory is learned anew so often on the way. */
    private const STEPS = 6;

    /** Of fewer heads nothing is told. */
    private const LEAST_HEADS = 20;

    private const CLEAR_Z = 2.0;

    /**
     * @param  list<LearnedFitting>  $fittings  in the order they were hit
     * @param  array<string, array{mean: float, sd: float}>  $usualFactors  as `Learning::of` takes them
     * @param  int  $known  a head is foretold from so many fittings on
     * @return array{heads: int, effects: list<array{without: float, with: float, verdict: string}>}|null  heads: how often one was foretold;
     *   by effect, in its unit: how far the usual guess and the memory were off; nearer, farther or open. Null where too few were
     */
    public static function of(array $fittings, array $usualFactors, int $known): ?array
    {
        $later = count($fittings) - self::TEACHING;
        $step = max(1, (int) ceil($later / self::STEPS));
        $seen = [];
        for ($from = self::TEACHING; $from < count($fittings); $from += $step) {
            $memory = Learning::of(array_slice($fittings, 0, $from), $usualFactors)->ofHeadsHitIn($known);
            foreach (array_slice($fittings, $from, $step) as $fitting) {
                foreach ($fitting->heads as $i => $head) {
                    if (! isset($memory->heads[$head])) {
                        continue;
                    }
                    $foretold = $memory->effectsOf($head, $fitting->own);
                    $seen[] = array_map(
                        static fn (int $k): array => [$fitting->effects[$k][$i], $fitting->errors[$k][$i][$i], $foretold[$k]['mean']],
                        array_keys($foretold),
                    );
                }
            }
        }
        if (count($seen) < self::LEAST_HEADS) {
            return null;
        }
        $effects = [];
        foreach (PlayerPriors::OWN_EFFECT_SD as $k => $usual) {
            $effects[] = self::held(array_column($seen, $k), $usual);
        }

        return ['heads' => count($seen), 'effects' => $effects];
    }

    /**
     * @param  list<array{float, float, float}>  $seen  y, R and m
     * @return array{without: float, with: float, verdict: string}
     */
    private static function held(array $seen, float $usual): array
    {
        $weights = $without = $with = $gain = 0.0;
        foreach ($seen as [$y, $r, $m]) {
            $w = 1 / ($r + $usual ** 2);
            $weights += $w;
            $without += $w * $y ** 2;
            $with += $w * ($y - $m) ** 2;
            $gain += $w * ($y ** 2 - ($y - $m) ** 2);
        }
        $mean = $gain / $weights;
        $error = 0.0;
        foreach ($seen as [$y, $r, $m]) {
            $error += (($y ** 2 - ($y - $m) ** 2 - $mean) / ($r + $usual ** 2)) ** 2;
        }
        $z = $error > 0 ? $mean / (sqrt($error) / $weights) : 0.0;

        return [
            'without' => sqrt($without / $weights), 'with' => sqrt($with / $weights),
            'verdict' => match (true) {
                $z > self::CLEAR_Z => 'nearer',
                $z < -self::CLEAR_Z => 'farther',
                default => 'open',
            },
        ];
    }
}
