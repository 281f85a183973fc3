<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Statistics\Robust;
use MintCarry\Core\Statistics\RunningMedian;

use function abs;
use function array_fill_keys;
use function array_filter;
use function array_key_last;
use function array_keys;
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
 * At once, from the second shot on, a trial shows it whose speed is 6 % off what was usual before it (common practice, no source): then
 * no word is said of its setup, or of any where it is the benchmark's, until its shots are left out.
 *
 * Three things more show it, in club speed (ball speed where no club was seen) and only while the benchmark was not hit after the
 * setup: a trend within the setups (each about its own mean) that makes up a share of the speed between the two; a speed so far from
 * the benchmark's that no head explains it; or first shots with the benchmark that rise while they are hit. Limits are common
 * practice, no source; how often they withhold stands in docs/judging.md.
 */
final readonly class Withheld
{
    /** A trend clear of chance by so many standard errors, and worth so much of the speed. */
    private const CLEAR_Z = 2.5;

    private const WORTH_SHARE = 0.006;

    /** Heads and shafts move the speed by about 1 %: more than this is another swing. */
    private const OTHER_SWING_SHARE = 0.025;

    /** So far off what was usual is another player, a warm-up, tired or smooth swings, whatever is in the hand. */
    private const FAR_OFF_SHARE = 0.06;

    /** How the ball starts, and the face: a drift of them worth so many degrees is another swing too (common practice, no source). */
    public const STARTS = ['directionDeg' => 1, 'launchDeg' => 1, 'faceDeg' => 1];

    private const WORTH_DEG = 1.0;

    private const FROM_SHOTS = 3;

    private const FAR_OFF_FROM_SHOTS = 2;

    /**
     * @param  float  $speedMps  how much faster the setup was hit than the benchmark
     * @param  string  $why  farOff, trend, otherSwing, warmingUp, or drift of how the ball starts
     * @param  string  $what  launchDeg, directionDeg or faceDeg, where one of them drifted
     * @param  float  $byDeg  by how much between the benchmark and the setup, °
     */
    private function __construct(public float $speedMps, public string $why, public string $what = '', public float $byDeg = 0.0)
    {
    }

    /**
     * @param  list<array{tag: string, sequence: int, speedMps: float, trial?: int|null, starts?: array<string, float>}>  $shots  that count, of one visit, in their
     *   order
     * @param  list<string>  $tags  setups that are judged
     * @return array<string, self> by tag; the benchmark's own only where its speed was far off
     */
    public static function among(array $shots, string $benchmark, array $tags): array
    {
        $far = self::farOff($shots);
        $all = $far[$benchmark] ?? null;

        return ($all === null ? [] : array_fill_keys([$benchmark, ...$tags], $all)) + $far + self::moved($shots, $benchmark, $tags)
            + self::drifted($shots, $benchmark, $tags);
    }

    /**
     * Trials whose speed is far off what was usual before them.
     *
     * @param  list<array{tag: string, sequence: int, speedMps: float, trial?: int|null}>  $shots
     * @return array<string, self> by tag of the setup
     */
    private static function farOff(array $shots): array
    {
        $trials = $out = [];
        $before = new RunningMedian;
        foreach ($shots as $s) {
            // Without trials, shots with one setup in one go are one.
            $last = array_key_last($trials);
            $isSame = $last !== null && $trials[$last]['tag'] === $s['tag'] && $trials[$last]['trial'] === ($s['trial'] ?? null);
            $at = $isSame ? $last : count($trials);
            $trials[$at] ??= ['tag' => $s['tag'], 'trial' => $s['trial'] ?? null, 'speeds' => []];
            $trials[$at]['speeds'][] = $s['speedMps'];
        }
        foreach ($trials as ['tag' => $tag, 'speeds' => $speeds]) {
            $usual = $before->count() < self::FROM_SHOTS ? null : $before->value();
            $off = $usual === null ? 0.0 : Robust::median($speeds) - $usual;
            if ($usual !== null && count($speeds) >= self::FAR_OFF_FROM_SHOTS && abs($off) > self::FAR_OFF_SHARE * $usual) {
                $out[$tag] = new self($off, 'farOff');
            } else {
                array_map($before->add(...), $speeds);
            }
        }

        return $out;
    }

    /**
     * @param  list<array{tag: string, sequence: int, speedMps: float, trial?: int|null}>  $shots
     * @param  list<string>  $tags
     * @return array<string, self> by tag
     */
    private static function moved(array $shots, string $benchmark, array $tags): array
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
     * Where the ball starts, or the face, went one way all through the session, each setup about its own mean.
     *
     * @param  list<array{tag: string, sequence: int, speedMps: float, starts?: array<string, float>}>  $shots
     * @param  list<string>  $tags
     * @return array<string, self> by tag
     */
    private static function drifted(array $shots, string $benchmark, array $tags): array
    {
        $out = [];
        foreach (array_keys(self::STARTS) as $what) {
            $by = [];
            foreach ($shots as $s) {
                if (isset($s['starts'][$what])) {
                    $by[$s['tag']][] = [$s['sequence'], $s['starts'][$what]];
                }
            }
            $base = $by[$benchmark] ?? [];
            if (count($base) < self::FROM_SHOTS) {
                continue;
            }
            [$slope, $error] = self::trend(array_values($by));
            foreach ($error > 0 && abs($slope) > self::CLEAR_Z * $error ? $tags : [] as $tag) {
                $its = $by[$tag] ?? [];
                $apart = self::mean(array_column($its, 0)) - self::mean(array_column($base, 0));
                $isAgain = $its === [] || max(array_column($base, 0)) > self::mean(array_column($its, 0));
                if ($tag !== $benchmark && ! $isAgain && count($its) >= self::FROM_SHOTS && abs($slope * $apart) > self::WORTH_DEG) {
                    $out[$tag] ??= new self(0.0, 'drift', $what, $slope * $apart);
                }
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
