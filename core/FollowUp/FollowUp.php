<?php

declare(strict_types=1);

namespace MintCarry\Core\FollowUp;

use MintCarry\Core\Statistics\Binomial;
use MintCarry\Core\Statistics\Interval;

use function array_filter;
use function array_map;
use function array_sum;
use function array_values;
use function count;
use function hypot;
use function in_array;
use function max;
use function sqrt;

/**
 * Three rounds against the promise. Fairways are compared with the same courses before, or with what other players made of these courses, or not
 * at all: a share of fairways says nothing by itself, for courses differ more than clubs do.
 */
final readonly class FollowUp
{
    /** From so many drives on each side of the comparison something is said. */
    private const FROM_DRIVES = 20;

    /** Standard errors of 95 %. */
    private const Z = 1.959964;

    /** Misses this uneven are one-sided. */
    private const UNEVEN = 0.05;

    /**
     * @param  array{rounds: int, drives: int, hit: int, left: int, right: int, lost: int}  $now  with the new club
     * @param  array{rounds: int, drives: int, hit: int}|null  $before  with the one before, on courses that were played with both
     * @param  'same courses'|'course effect'|'nothing'  $against
     * @param  Interval|null  $gain  what came: share of fairways more than before, or than could be expected with the own club
     * @param  float|null  $difference  the same as it was counted, and its standard error
     * @param  int|null  $moreDrives  about how many more would tell; null where that is told, or where nothing would
     * @param  'left'|'right'|null  $miss  side on which the misses lie
     * @param  float|null  $drivesM  mean of the measured drives
     * @param  'keep'|'tweak'|'come again'|'tell more'  $advice
     */
    private function __construct(
        public Kept $fairways, public string $against, public array $now, public ?Interval $share, public ?array $before, public ?Interval $gain,
        public ?float $difference, public ?float $error, public ?float $promisedGain, public ?int $moreDrives, public ?string $miss, public ?float $drivesM, public int $measured, public ?float $feel,
        public string $advice,
    ) {
    }

    /**
     * @param  list<PlayedRound>  $rounds
     * @param  array<string, CourseEffect>  $effects  by the key of the course
     */
    public static function of(Promise $promise, array $rounds, array $effects = []): self
    {
        $new = array_values(array_filter($rounds, static fn (PlayedRound $r): bool => $r->club === 'new'));
        $now = self::counted($new);
        [$against, $difference, $error, $before] = self::gain($promise, $rounds, $new, $effects);
        $gain = $difference === null || $error === null ? null
            : new Interval($difference - self::Z * $error, $difference + self::Z * $error);
        $verdict = self::verdict($promise, $difference, $error);
        $drives = array_merge(...array_map(static fn (PlayedRound $r): array => $r->drivesM, $new) ?: [[]]);
        $feels = array_values(array_filter(array_map(static fn (PlayedRound $r): ?int => $r->feel, $new), static fn (?int $f): bool => $f !== null));
        $feel = $feels === [] ? null : array_sum($feels) / count($feels);
        $uneven = $now['left'] + $now['right'] > 0 && Binomial::evenSplit($now['left'], $now['right']) < self::UNEVEN;
        $miss = $uneven ? ($now['left'] > $now['right'] ? 'left' : 'right') : null;

        return new self(
            $verdict, $against, $now, $now['drives'] === 0 ? null : Binomial::interval($now['hit'], $now['drives']), $before, $gain,
            $difference, $error, $promise->shareGain(), $verdict === Kept::NotYet ? self::moreDrives($promise, $gain, $now['drives']) : null, $miss,
            $drives === [] ? null : array_sum($drives) / count($drives), count($drives), $feel, self::advice($verdict, $now, $miss, $feel),
        );
    }

    /**
     * @param  list<PlayedRound>  $rounds
     * @return array{rounds: int, drives: int, hit: int, left: int, right: int, lost: int}
     */
    private static function counted(array $rounds): array
    {
        $sum = static fn (string $field): int => array_sum(array_map(static fn (PlayedRound $r): int => $r->{$field}, $rounds));

        return [
            'rounds' => count($rounds), 'drives' => $sum('holes'), 'hit' => $sum('hit'), 'left' => $sum('left'), 'right' => $sum('right'),
            'lost' => $sum('lost'),
        ];
    }

    /**
     * @param  list<PlayedRound>  $rounds
     * @param  list<PlayedRound>  $new
     * @param  array<string, CourseEffect>  $effects
     * @return array{'same courses'|'course effect'|'nothing', float|null, float|null, array{rounds: int, drives: int, hit: int}|null}
     *   what came and its standard error
     */
    private static function gain(Promise $promise, array $rounds, array $new, array $effects): array
    {
        $old = array_values(array_filter($rounds, static fn (PlayedRound $r): bool => $r->club === 'before'));
        $compared = FairwaysCompared::of($old, $new);
        $both = $compared->courses ?? [];
        $on = static fn (array $of): array => self::counted(
            array_values(array_filter($of, static fn (PlayedRound $r): bool => in_array($r->courseKey(), $both, true))),
        );
        [$was, $is] = [$on($old), $on($new)];
        if ($compared !== null && $was['drives'] >= self::FROM_DRIVES && $is['drives'] >= self::FROM_DRIVES) {
            return [
                'same courses', $compared->difference, $compared->error,
                ['rounds' => $was['rounds'], 'drives' => $was['drives'], 'hit' => $was['hit']],
            ];
        }
        $known = array_values(array_filter($new, static fn (PlayedRound $r): bool => isset($effects[$r->courseKey()])));
        $seen = self::counted($known);
        if ($promise->shareBefore !== null && $seen['drives'] >= self::FROM_DRIVES) {
            // What the own club would have hit there: its share in the bay, and what the courses add or take.
            $weighted = static fn (callable $of): float => array_sum(array_map(
                static fn (PlayedRound $r): float => $r->holes * $of($effects[$r->courseKey()]), $known,
            )) / $seen['drives'];
            $expected = $promise->shareBefore + $weighted(static fn (CourseEffect $e): float => $e->offset);
            $sd = $weighted(static fn (CourseEffect $e): float => $e->sd);

            return [
                'course effect', $seen['hit'] / $seen['drives'] - $expected, sqrt(FairwaysCompared::varianceOf($known) + $sd ** 2), null,
            ];
        }

        return ['nothing', null, null, null];
    }

    /**
     * Broken: what was promised can be excluded, though the promise was unsure itself. Kept: it cannot, and that it is no better than before
     * can. Where no more fairways were promised, kept is that it is not worse by a tenth.
     */
    private static function verdict(Promise $promise, ?float $difference, ?float $error): Kept
    {
        $promised = $promise->shareGain();
        if ($promised === null || $difference === null || $error === null) {
            return Kept::NotYet;
        }

        return match (true) {
            $promised - $difference > self::Z * hypot($error, $promise->shareGainError()) => Kept::Broken,
            $difference - self::Z * $error > ($promised > 0.02 ? 0.0 : -0.1) => Kept::Kept,
            default => Kept::NotYet,
        };
    }

    /** The interval narrows with the square root of the drives: so many more until it is as wide as the promise itself. */
    private static function moreDrives(Promise $promise, ?Interval $gain, int $drives): ?int
    {
        $promised = $promise->shareGain();
        if ($promised === null || $gain === null || $drives === 0 || $promised <= 0.02) {
            return null;
        }
        $times = (($gain->high - $gain->low) / (2 * $promised)) ** 2;

        return $times > 12 ? null : (int) max(14, ceil($drives * ($times - 1) / 14) * 14);
    }

    /**
     * @param  array{rounds: int, drives: int, hit: int, left: int, right: int, lost: int}  $now
     * @return 'keep'|'tweak'|'come again'|'tell more'
     */
    private static function advice(Kept $verdict, array $now, ?string $miss, ?float $feel): string
    {
        return match (true) {
            $now['rounds'] === 0 => 'tell more',
            $verdict === Kept::Broken || ($feel !== null && $feel < 2.5) => 'come again',
            $miss !== null => 'tweak',
            $verdict === Kept::Kept || $now['rounds'] >= 3 => 'keep',
            default => 'tell more',
        };
    }
}
