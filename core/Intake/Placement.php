<?php

declare(strict_types=1);

namespace MintCarry\Core\Intake;

use function abs;
use function array_filter;
use function array_map;
use function array_unique;
use function array_values;
use function count;
use function in_array;
use function intdiv;
use function max;
use function min;
use function round;

/**
 * Which trial a shot was hit in. The trial that runs when it comes, unless the sender's clock, whose lag is known, says an earlier one. Nothing else moves a shot:
 * a count or a clock that contradicts is told to the fitter, who can move it.
 *
 * A clock that was set back looks like a shot that came late. It is believed to be late where the time of sending, the count, or an empty line since then says
 * so too (the count for an hour), and on the lag alone for no more than five minutes.
 */
final readonly class Placement
{
    private const BELIEVED_S = 300.0;

    /** With the count beside it, for an hour. */
    private const COUNTED_S = 3600.0;

    /** Nobody swings another club so soon after the change, s; and clocks that are read to the second tell no better. */
    private const CHANGE_S = 1.0;

    /** A count that falls back by more than this is no shot out of order: it begins anew. */
    private const OUT_OF_ORDER = 3;

    private const AT_ONCE_S = 10.0;

    /** A session without a name is over when nothing came for this long. */
    public const SILENCE_S = 6 * 3600.0;

    /**
     * @param  Trial|null  $earlier  the earlier trial that it was hit in; null where it belongs to what runs
     * @param  string|null  $remark  for the fitter
     * @param  int  $run  how often the sender's count has begun anew
     */
    private function __construct(public ?Trial $earlier, public ?string $remark, public int $run)
    {
    }

    /**
     * @param  list<RecentShot>  $recent  of its session, newest first
     * @param  callable(float): (Trial|null)  $trialAt  the latest trial but the running one that went on at a moment, s since 1970
     */
    public static function of(PostedShot $shot, array $recent, float $nowS, ?Trial $running, callable $trialAt): self
    {
        $run = $recent[0]->run ?? 1;
        $inRun = array_values(array_filter($recent, static fn (RecentShot $s): bool => $s->run === $run));
        $isAtOnce = $inRun !== [] && abs($nowS - $inRun[0]->cameS) <= self::AT_ONCE_S;
        $place = self::placeOfCount($shot->sequence, self::counts($inRun), $isAtOnce);
        if ($place === 'anew') {
            [$run, $inRun] = [$run + 1, []];
        }
        $known = array_filter($recent, static fn (RecentShot $s): bool => $s->trial !== $running?->id);
        if ($known === [] && ($running === null || $running->number === 1)) {
            return new self(null, null, $run); // nothing before it
        }
        $count = self::saidByCount($shot->sequence, $place, $inRun, $recent, $run, $running);
        $claims = self::claims($shot, $inRun, $nowS);
        $began = $running === null ? $nowS : $running->beganS;
        $late = array_filter($claims, static fn (float $hitS): bool => $hitS < min($began, $nowS) - SenderClock::SLACK_S);
        if ($late !== [] && count($late) === count($claims)) {
            $hitS = min($late);
            $at = $trialAt($hitS);
            $isSaidByCount = $place === 'late' && in_array($at?->id, array_map(static fn (?RecentShot $s): ?int => $s?->trial, self::besideInCount($shot->sequence, $inRun)), true);
            if ($at !== null && self::isBelieved($claims, $trialAt, $isSaidByCount, $hitS, $nowS, $inRun)) {
                return new self($at, "Came late: put with trial {$at->number}, in which it was hit by the monitor’s clock.", $run);
            }
            $whose = $at === null ? 'before this trial began' : "in trial {$at->number}";

            return new self(null, sprintf('The monitor’s clock says it was hit %s before it came, %s; the clock may have been set. Look where it belongs.', self::span($nowS - $hitS), $whose), $run);
        }
        $remark = self::saidByClock($claims, $late !== [], $shot->sentAt !== null, $nowS)
            ?? ($claims !== [] && $running !== null && $began <= $nowS && min($claims) < $began + self::CHANGE_S ? 'It was hit within a moment of the change to this trial. Look whether it belongs to the one before.' : null)
            ?? ($count === null || ($claims !== [] && $place === 'late' && $count[1]) ? null : $count[0]);

        return new self(null, $remark, $run);
    }

    /**
     * What the clocks say against the running trial where they do not name an earlier one.
     *
     * @param  array<string, float>  $claims
     */
    private static function saidByClock(array $claims, bool $isOneLate, bool $isSendingTold, float $nowS): ?string
    {
        if ($claims === []) {
            return null;
        }
        [$first, $last] = [min($claims), max($claims)];

        return match (true) {
            $isOneLate || $last - $first > self::BELIEVED_S => 'A clock was set since the shots before it. Look whether it belongs to this trial.',
            $last > $nowS + SenderClock::SLACK_S => sprintf('The monitor’s clock has jumped ahead by %s. Look whether the shot belongs to this trial.', self::span($last - $nowS)),
            ! $isSendingTold && $nowS - $first > self::BELIEVED_S => sprintf('The monitor’s clock says it was hit %s before it came. Look whether it belongs to this trial.', self::span($nowS - $first)),
            default => null,
        };
    }

    /**
     * When it was hit by our clock, by each way of knowing: from the time of sending by the same clock, and from the lag of the session.
     *
     * @param  list<RecentShot>  $inRun
     * @return array<string, float> s since 1970, by how it is known: sent, lag, or least, the smaller lag that one shot alone speaks for
     */
    private static function claims(PostedShot $shot, array $inRun, float $nowS): array
    {
        $said = SenderClock::seconds($shot->at);
        if ($said === null) {
            return [];
        }
        $sent = SenderClock::seconds($shot->sentAt);
        [$lag, $least] = SenderClock::lagS($inRun);

        return array_filter(['sent' => $sent === null ? null : $nowS - ($sent - $said), 'lag' => $lag === null ? null : $said + $lag, 'least' => $least === null ? null : $said + $least], static fn (?float $hitS): bool => $hitS !== null);
    }

    /**
     * Is a shot late that every clock says is late? They name the same trial, and something beside the lag says so too.
     *
     * @param  array<string, float>  $claims
     * @param  callable(float): (Trial|null)  $trialAt
     * @param  list<RecentShot>  $inRun
     */
    private static function isBelieved(array $claims, callable $trialAt, bool $isSaidByCount, float $hitS, float $nowS, array $inRun): bool
    {
        if (count(array_unique(array_map(static fn (float $claim): ?int => $trialAt($claim)?->id, $claims))) > 1) {
            return false;
        }
        if (isset($claims['sent']) || ($isSaidByCount && $nowS - $hitS <= self::COUNTED_S)) {
            return true;
        }
        [$lag] = SenderClock::lagS($inRun);
        $lineWasUp = array_filter($inRun, static fn (RecentShot $s): bool => $s->saidS !== null && abs($s->cameS - $s->saidS - $lag) <= SenderClock::SLACK_S && $s->cameS > $hitS + SenderClock::SLACK_S);

        return $lineWasUp === [] && $nowS - $hitS <= self::BELIEVED_S;
    }

    /**
     * @param  list<int>  $counts  of the run so far
     * @param  bool  $isAtOnce  did it come on the heels of the one before? Nothing is switched off and on so quickly
     * @return string in order, late (its place is still empty) or anew
     */
    private static function placeOfCount(?int $sequence, array $counts, bool $isAtOnce): string
    {
        return match (true) {
            $sequence === null || $counts === [] || $sequence > max($counts) => 'in order',
            in_array($sequence, $counts, true) || (! $isAtOnce && ($sequence <= 1 || $sequence < min($counts) - self::OUT_OF_ORDER)) => 'anew',
            default => 'late',
        };
    }

    /**
     * What the count says against the running trial.
     *
     * @param  list<RecentShot>  $inRun
     * @param  list<RecentShot>  $recent
     * @return array{string, bool}|null a remark, and whether a clock may settle it
     */
    private static function saidByCount(?int $sequence, string $place, array $inRun, array $recent, int $run, ?Trial $running): ?array
    {
        if ($sequence === null) {
            return null;
        }
        if ($place === 'late') {
            [$before, $after] = self::besideInCount($sequence, $inRun);
            $isElsewhere = static fn (?RecentShot $s): bool => $s !== null && $s->trial !== $running?->id;

            return $isElsewhere($after) || $isElsewhere($before)
                ? ["By the monitor’s count, {$sequence}, it was hit before a shot that came earlier, perhaps in another trial. Look where it belongs.", ! $isElsewhere($after)]
                : null;
        }
        $ofRun = self::counts($inRun);
        $older = self::counts(array_values(array_filter($recent, static fn (RecentShot $s): bool => $s->run < $run)));
        $goesOn = $older !== [] && $sequence > max($older) && $sequence <= max($older) + self::OUT_OF_ORDER && ($ofRun === [] || $sequence > max($ofRun) + 1);

        return $goesOn ? ["The monitor’s count, {$sequence}, goes on from before it began anew. Look whether the shot belongs to this trial.", true] : null;
    }

    /**
     * The shots of the run that were counted next before and next after.
     *
     * @param  list<RecentShot>  $inRun
     * @return array{RecentShot|null, RecentShot|null}
     */
    private static function besideInCount(?int $sequence, array $inRun): array
    {
        [$before, $after] = [null, null];
        foreach ($inRun as $s) {
            if ($s->sequence !== null && $s->sequence < $sequence && $s->sequence > ($before->sequence ?? -1)) {
                $before = $s;
            }
            if ($s->sequence !== null && $s->sequence > $sequence && $s->sequence < ($after->sequence ?? PHP_INT_MAX)) {
                $after = $s;
            }
        }

        return [$before, $after];
    }

    /**
     * @param  list<RecentShot>  $shots
     * @return list<int>
     */
    private static function counts(array $shots): array
    {
        return array_values(array_filter(array_map(static fn (RecentShot $s): ?int => $s->sequence, $shots), static fn (?int $n): bool => $n !== null));
    }

    /** A span of time as it is said: 50 s, 12 min, 1 h 5 min. */
    private static function span(float $seconds): string
    {
        $s = (int) round(abs($seconds));
        if ($s < 120) {
            return "{$s} s";
        }
        [$hours, $minutes] = [intdiv($s, 3600), intdiv($s % 3600, 60)];

        return match (true) {
            $hours === 0 => "{$minutes} min", $hours >= 48 => intdiv($hours, 24).' days', $minutes === 0 => "{$hours} h", default => "{$hours} h {$minutes} min",
        };
    }
}
