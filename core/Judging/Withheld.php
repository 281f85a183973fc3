<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use function abs;
use function array_filter;
use function array_map;
use function array_sum;
use function array_values;
use function count;
use function max;
use function sqrt;

/**
 * Whether the player was another when a setup was hit than when the benchmark was: then no word is said of it until the benchmark has
 * been hit again, for no arithmetic cures drift.
 *
 * Three things show it, all in club speed (ball speed where no club was seen) and only while the benchmark was not hit after the setup: a
 * trend within the setups (each about its own mean) that makes up a share of the speed between the two, or a speed so far from the
 * benchmark's that no head explains it; or the first shots with the benchmark rising while they were hit. Limits are common practice, no source; how often they withhold stands in docs/judging.md.
 */
final readonly class Withheld
{
    /** A trend clear of chance by so many standard errors, and worth so much of the speed. */
    private const CLEAR_Z = 2.5;

    private const WORTH_SHARE = 0.006;

    /** Heads and shafts move the speed by about 1 %: more than this is another swing. */
    private const OTHER_SWING_SHARE = 0.025;

    private const FROM_SHOTS = 3;

    /**
     * @param  float  $speedMps  how much faster the setup was hit than the benchmark
     * @param  string  $why  trend, otherSwing or warmingUp
     */
    private function __construct(public float $speedMps, public string $why)
    {
    }

    /**
     * @param  list<array{tag: string, sequence: int, speedMps: float}>  $shots  that count, of one visit, in their order
     * @param  list<string>  $tags  setups that are judged
     * @return array<string, self> by tag
     */
    public static function among(array $shots, string $benchmark, array $tags): array
    {
        $by = [];
        foreach ($shots as $s) {
            $by[$s['tag']][] = [$s['sequence'], $s['speedMps']];
        }
        $base = $by[$benchmark] ?? [];
        if (count($base) < self::FROM_SHOTS) {
            return [];
        }
        [$slope, $error] = self::trend(array_values($by));
        $warming = self::warmingUp($shots, $benchmark);
        [$baseAt, $baseMean] = [self::mean(array_column($base, 0)), self::mean(array_column($base, 1))];
        $lastOfBase = max(array_column($base, 0));
        $out = [];
        foreach ($tags as $tag) {
            $its = $by[$tag] ?? [];
            if ($warming !== null && $tag !== $benchmark && count($its) >= self::FROM_SHOTS) {
                $out[$tag] = new self($warming, 'warmingUp');

                continue;
            }
            if ($tag === $benchmark || count($its) < self::FROM_SHOTS || $lastOfBase > self::mean(array_column($its, 0))) {
                continue; // the benchmark was hit again: what drifted is in both
            }
            $drifted = $slope * (self::mean(array_column($its, 0)) - $baseAt);
            $other = self::mean(array_column($its, 1)) - $baseMean;
            $isTrend = $error > 0 && abs($slope) > self::CLEAR_Z * $error && abs($drifted) > self::WORTH_SHARE * $baseMean;
            $isOther = abs($other) > self::OTHER_SWING_SHARE * $baseMean && abs($other) > self::CLEAR_Z * self::errorOf($base, $its);
            if ($isTrend || $isOther) {
                $out[$tag] = new self($isTrend && ! $isOther ? $drifted : $other, $isOther ? 'otherSwing' : 'trend');
            }
        }

        return $out;
    }

    /**
     * How much faster the first shots with the benchmark became while they were hit, where that is clear: they were a warm-up, and no
     * return to the benchmark mends them.
     *
     * @param  list<array{tag: string, sequence: int, speedMps: float}>  $shots
     */
    private static function warmingUp(array $shots, string $benchmark): ?float
    {
        $first = [];
        foreach ($shots as $s) {
            if ($s['tag'] === $benchmark) {
                $first[] = [$s['sequence'], $s['speedMps']];
            } elseif ($first !== []) {
                break;
            }
        }
        [$slope, $error] = self::trend([$first]);
        $risen = $slope * (count($first) - 1);

        return $error > 0 && $slope > self::CLEAR_Z * $error && $risen > 2 * self::WORTH_SHARE * self::mean(array_column($first, 1))
            ? $risen : null;
    }

    /**
     * Slope of the speed over the session, each setup about its own mean, and its standard error (analysis of covariance with one
     * common slope; Fisher 1932, from memory).
     *
     * @param  list<list<array{int, float}>>  $setups
     * @return array{float, float}
     */
    private static function trend(array $setups): array
    {
        [$xx, $xy, $yy, $n, $k] = [0.0, 0.0, 0.0, 0, 0];
        foreach (array_filter($setups, static fn (array $s): bool => count($s) >= 2) as $shots) {
            [$mx, $my] = [self::mean(array_column($shots, 0)), self::mean(array_column($shots, 1))];
            foreach ($shots as [$x, $y]) {
                [$xx, $xy, $yy] = [$xx + ($x - $mx) ** 2, $xy + ($x - $mx) * ($y - $my), $yy + ($y - $my) ** 2];
            }
            [$n, $k] = [$n + count($shots), $k + 1];
        }
        $dof = $n - $k - 1;
        if ($dof < 4 || $xx <= 0) {
            return [0.0, 0.0];
        }
        $slope = $xy / $xx;

        return [$slope, sqrt(max(1e-12, $yy - $slope * $xy) / $dof / $xx)];
    }

    /**
     * @param  list<array{int, float}>  $a
     * @param  list<array{int, float}>  $b
     */
    private static function errorOf(array $a, array $b): float
    {
        $variance = static function (array $shots): float {
            $values = array_column($shots, 1);
            $mean = self::mean($values);

            return array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $values)) / max(1, count($values) - 1)
                / count($values);
        };

        return sqrt($variance($a) + $variance($b));
    }

    /** @param  array<int, float|int>  $values */
    private static function mean(array $values): float
    {
        return array_sum($values) / max(1, count($values));
    }
}
