<?php

declare(strict_types=1);

namespace MintCarry\Core\Intake;

use function abs;
use function array_filter;
use function array_map;
use function array_slice;
use function array_values;
use function count;
use function date_create_immutable;
use function max;
use function min;
use function preg_match;

/**
 * How far a sender's clock is behind ours: learned from the shots of its session, never from one alone. A shot that the network kept back comes with a larger
 * lag than the others, so the smallest lag that two shots agree on is the clock's. Where the latest three agree on a larger one, though they were hit apart, the clock was set.
 */
final class SenderClock
{
    /** Both clocks are read to the second. */
    public const SLACK_S = 2.0;

    private const SET_AFTER = 3;

    private const ISO = '/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(Z|[+-]\d\d:?\d\d)$/';

    /**
     * @param  list<RecentShot>  $recent  newest first
     * @return float|null s that the sender's clock is behind; null while it is not known
     */
    public static function lagS(array $recent): ?float
    {
        $timed = array_values(array_filter($recent, static fn (RecentShot $s): bool => $s->saidS !== null));
        $lags = array_map(static fn (RecentShot $s): float => $s->cameS - (float) $s->saidS, $timed);
        if (count($lags) >= self::SET_AFTER) {
            /** @var non-empty-list<float> $latest */
            $latest = array_slice($lags, 0, self::SET_AFTER);
            /** @var non-empty-list<float> $hit */
            $hit = array_map(static fn (RecentShot $s): float => (float) $s->saidS, array_slice($timed, 0, self::SET_AFTER));
            if (max($latest) - min($latest) <= self::SLACK_S && max($hit) - min($hit) > 2 * self::SLACK_S) {
                return min($latest);
            }
        }
        $agreed = array_filter($lags, static fn (float $lag): bool => count(array_filter($lags, static fn (float $other): bool => abs($other - $lag) <= self::SLACK_S)) > 1);

        return $agreed === [] ? null : min($agreed);
    }

    /** @return float|null s since 1970; null where the text is no moment of ISO 8601 with its zone */
    public static function seconds(?string $text): ?float
    {
        $moment = $text !== null && preg_match(self::ISO, $text) === 1 ? date_create_immutable($text) : false;

        return $moment === false ? null : (float) $moment->format('U.u');
    }
}
