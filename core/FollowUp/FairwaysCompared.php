<?php

declare(strict_types=1);

namespace MintCarry\Core\FollowUp;

use function array_sum;
use function count;
use function max;
use function sqrt;

/**
 * The share of fairways with the new club less that with the one before, course by course: courses differ more than clubs do, and nobody
 * plays them in the same proportion before and after. Stratified after Mantel & Haenszel (1959; the risk difference of Greenland & Robins
 * 1985, from memory), with a variance between rounds besides counting, for days differ too.
 */
final readonly class FairwaysCompared
{
    /** SD of a player's share from day to day, and how many rounds that belief is worth (assumptions). */
    private const DAY_SD = 0.08;

    private const DAY_ROUNDS = 12;

    /**
     * @param  float  $difference  new less before
     * @param  float  $error  its standard error
     * @param  list<string>  $courses  keys of those that were played with both
     */
    private function __construct(public float $difference, public float $error, public array $courses)
    {
    }

    /**
     * @param  list<PlayedRound>  $before
     * @param  list<PlayedRound>  $new
     * @return self|null null where no course was played with both
     */
    public static function of(array $before, array $new): ?self
    {
        $byCourse = [];
        foreach (['before' => $before, 'new' => $new] as $club => $rounds) {
            foreach ($rounds as $r) {
                $byCourse[$r->courseKey()][$club][] = $r;
            }
        }
        $day = self::dayVariance(array_merge(...array_map(array_values(...), array_values($byCourse))));
        $sum = $weighted = $variance = 0.0;
        $courses = [];
        foreach ($byCourse as $course => $of) {
            [$was, $is] = [$of['before'] ?? [], $of['new'] ?? []];
            if ($was === [] || $is === []) {
                continue;
            }
            $courses[] = (string) $course;
            [$n, $m] = [self::holes($was), self::holes($is)];
            $weight = $n * $m / ($n + $m);
            $sum += $weight;
            $weighted += $weight * (self::hit($is) / $m - self::hit($was) / $n);
            // One share of both: a difference that is large by luck must not be taken to be surer for it.
            $p = self::share([...$was, ...$is]);
            $variance += $weight ** 2 * (self::varianceOf($was, $p, $day) + self::varianceOf($is, $p, $day));
        }

        return $courses === [] ? null : new self($weighted / $sum, sqrt($variance) / $sum, $courses);
    }

    /**
     * Of a share over some rounds: what counting leaves open, and the days.
     *
     * @param  list<PlayedRound>  $rounds  at least one
     * @param  float|null  $p  the share that is believed in; null: that of these rounds
     * @param  float|null  $day  variance between days; null: as it is believed
     */
    public static function varianceOf(array $rounds, ?float $p = null, ?float $day = null): float
    {
        $holes = self::holes($rounds);
        $p ??= self::share($rounds);
        $squares = array_sum(array_map(static fn (PlayedRound $r): float => ($r->holes / $holes) ** 2, $rounds));

        return $p * (1 - $p) / $holes + ($day ?? self::DAY_SD ** 2) * $squares;
    }

    /**
     * How much more rounds of one club on one course differ than counting does, shrunk to what is usual.
     *
     * @param  list<list<PlayedRound>>  $groups
     */
    private static function dayVariance(array $groups): float
    {
        [$more, $degrees] = [self::DAY_ROUNDS * self::DAY_SD ** 2, (float) self::DAY_ROUNDS];
        foreach ($groups as $rounds) {
            if (count($rounds) < 2) {
                continue;
            }
            $p = self::share($rounds);
            foreach ($rounds as $r) {
                $more += ($r->hit / $r->holes - $p) ** 2 * count($rounds) / (count($rounds) - 1) - $p * (1 - $p) / $r->holes;
            }
            $degrees += count($rounds);
        }

        return max(0.25 * self::DAY_SD ** 2, $more / $degrees);
    }

    /**
     * Two drives of each kind more: no share is taken to be sure (Agresti & Coull 1998, from memory).
     *
     * @param  list<PlayedRound>  $rounds
     */
    private static function share(array $rounds): float
    {
        return (self::hit($rounds) + 2) / (self::holes($rounds) + 4);
    }

    /** @param  list<PlayedRound>  $rounds */
    private static function holes(array $rounds): int
    {
        return (int) array_sum(array_map(static fn (PlayedRound $r): int => $r->holes, $rounds));
    }

    /** @param  list<PlayedRound>  $rounds */
    private static function hit(array $rounds): int
    {
        return (int) array_sum(array_map(static fn (PlayedRound $r): int => $r->hit, $rounds));
    }
}
