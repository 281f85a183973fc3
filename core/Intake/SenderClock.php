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
 * How far a sender's clock is behind ours: learned from the shots of its session, never from one alone. A shot that the network kept
 * back comes with a larger lag than the others, so the smallest lag that two shots agree on is the clock's. Where the latest three agree
 * on a larger one, though they were hit apart, the clock was set.
 */
final class SenderClock
{
    /** Both clocks are read to the second. */
    public const SLACK_S = 2.0;

    private const SET_AFTER = 3;

    /** A network keeps shots back for minutes; a lag that is smaller by more than this is a clock gone wrong. */
    private const KEPT_BACK_S = 300.0;

    private const ISO = '/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(Z|[+-]\d\d:?\d\d)$/';

    /**
     * @param  list<RecentShot>  $recent  newest first
     * @return array{float|null, float|null} s that the sender's clock is behind, null while it is not known; and a smaller lag that one
     *                                       shot alone speaks for: it cannot have come before it was hit, so perhaps the others were
     *                                       all kept back
     */
    public static function lagS(array $recent): array
    {
        $timed = array_values(array_filter($recent, static fn (RecentShot $s): bool => $s->saidS !== null));
        $lags = array_map(static fn (RecentShot $s): float => $s->cameS - (float) $s->saidS, $timed);
        $hit = array_map(static fn (RecentShot $s): float => (float) $s->saidS, $timed);
        if ($lags === []) {
            return [null, null];
        }
        // What came before the latest three that agree is of a clock as it was before it was set.
        for ($i = 0; $i + self::SET_AFTER <= count($lags); $i++) {
            if (self::isSet(array_slice($lags, $i, self::SET_AFTER), array_slice($hit, $i, self::SET_AFTER))) {
                $lags = array_slice($lags, 0, $i + self::SET_AFTER);
                if ($i === 0) {
                    return [min($lags), null];
                }
            }
        }
        $near = static fn (float $lag): array => array_filter($lags, static fn (float $other): bool => abs($other - $lag) <= self::SLACK_S);
        $agreed = array_filter($lags, static fn (float $lag): bool => count($near($lag)) > 1);
        $known = $agreed === [] ? null : min($agreed);
        if ($known === null) {
            return [null, null];
        }
        $less = array_filter($lags, static fn (float $lag): bool => $lag < $known - self::SLACK_S && $lag > $known - self::KEPT_BACK_S);

        return [$known, $less === [] ? null : min($less)];
    }

    /**
     * @param  list<float>  $lags  the latest
     * @param  list<float>  $hit  when they were hit by the sender's clock
     */
    private static function isSet(array $lags, array $hit): bool
    {
        return $lags !== [] && $hit !== [] && count($lags) === self::SET_AFTER
            && max($lags) - min($lags) <= self::SLACK_S && max($hit) - min($hit) > 2 * self::SLACK_S;
    }

    /** @return float|null s since 1970; null where the text is no moment of ISO 8601 with its zone */
    public static function seconds(?string $text): ?float
    {
        $moment = $text !== null && preg_match(self::ISO, $text) === 1 ? date_create_immutable($text) : false;

        return $moment === false ? null : (float) $moment->format('U.u');
    }
}
