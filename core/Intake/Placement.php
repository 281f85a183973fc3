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
use function sprintf;

/**
 * Which trial a shot was hit in. The trial that runs when it comes, unless the sender's clock, whose lag is known, says an earlier
 * one. Nothing else moves a shot: a count or a clock that contradicts is told to the fitter, who can move it.
 *
 * A clock that was set back looks like a shot that came late. It is believed to be late where the time of sending, the count, or an
 * empty line since then says so too (the count for an hour), and on the lag alone for no more than five minutes.
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

    /** A shot that comes this soon after the one before came on its heels: nothing is switched off and on so quickly. */
    private const AT_ONCE_S = 10.0;

    /** A session without a name is over when nothing came for this long. */
    public const SILENCE_S = 6 * 3600.0;

    /** Of a sender that tells neither clock nor count. */
    public const TOGETHER = 'It came together with others, the first since the change to this trial: it may belong to the setup before.';

    private const LOOK = 'Look whether it belongs to this trial.';

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
     * @param  bool  $isOneOfMany  it came in one post with others, or on the heels of one: nobody hits so fast, so they waited
     */
    public static function of(
        PostedShot $shot,
        array $recent,
        float $nowS,
        ?Trial $running,
        callable $trialAt,
        bool $isOneOfMany = false,
    ): self {
        $run = $recent[0]->run ?? 1;
        $inRun = array_values(array_filter($recent, static fn (RecentShot $s): bool => $s->run === $run));
        $isAtOnce = $inRun !== [] && abs($nowS - $inRun[0]->cameS) <= self::AT_ONCE_S;
        $before = self::beforeTogether($recent, $nowS);
        $place = self::placeOfCount($shot->sequence, self::counts($inRun), $isAtOnce);
        if ($place === 'anew') {
            [$run, $inRun] = [$run + 1, []];
        }
        $elsewhere = array_filter($recent, static fn (RecentShot $s): bool => $s->trial !== $running?->id);
        if ($elsewhere === [] && ($running === null || $running->number === 1)) {
            return new self(null, null, $run); // there is no other place for it
        }
        $goesOn = self::goesOn($shot->sequence, $inRun, $recent, $run);
        if ($goesOn === null && self::isAfter($shot->sequence, $before, $run, $running)) {
            return new self(null, null, $run);
        }
        $claims = self::claims($shot, $inRun, $nowS);
        $began = $running->beganS ?? $nowS;
        $late = array_filter($claims, static fn (float $hitS): bool => $hitS < min($began, $nowS) - SenderClock::SLACK_S);
        if ($late !== [] && count($late) === count($claims)) {
            return self::late($claims, $shot->sequence, $place === 'late', $inRun, $nowS, $trialAt, $run);
        }
        $remark = self::saidByClock($claims, $late !== [], $shot->sentAt !== null, $nowS);
        $remark ??= $running !== null && $began <= $nowS && $claims !== [] && min($claims) < $began + self::CHANGE_S
            ? 'It was hit within a moment of the change to this trial. Look whether it belongs to the one before.' : null;
        $remark ??= $place === 'late'
            ? self::saidByCount($shot->sequence, $inRun, $running, $claims !== [])
            : $goesOn;
        $remark ??= $claims === [] && $shot->sequence === null && $isOneOfMany && $before !== null && $before->trial !== $running?->id
            ? self::TOGETHER : null;

        return new self(null, $remark, $run);
    }

    /**
     * The latest shot that did not come together with this one: what waited for the line comes at one go.
     *
     * @param  list<RecentShot>  $recent
     */
    private static function beforeTogether(array $recent, float $nowS): ?RecentShot
    {
        foreach ($recent as $s) {
            if (abs($nowS - $s->cameS) > SenderClock::SLACK_S) {
                return $s;
            }
            $nowS = $s->cameS;
        }

        return null;
    }

    /**
     * Is it counted after a shot that came in the running trial, and not together with this one? Then it was hit in
     * it, whatever the clocks say: had it waited since before, it would have come with that one.
     */
    private static function isAfter(?int $sequence, ?RecentShot $before, int $run, ?Trial $running): bool
    {
        return $sequence !== null && $before !== null && $running !== null && $before->run === $run && $before->trial === $running->id
            && $before->sequence !== null && $before->sequence < $sequence;
    }

    /**
     * Every clock says that it was hit before the running trial began.
     *
     * @param  non-empty-array<string, float>  $claims
     * @param  list<RecentShot>  $inRun
     * @param  callable(float): (Trial|null)  $trialAt
     */
    private static function late(
        array $claims,
        ?int $sequence,
        bool $isOutOfOrder,
        array $inRun,
        float $nowS,
        callable $trialAt,
        int $run,
    ): self {
        $hitS = min($claims);
        $at = $trialAt($hitS);
        $beside = array_map(static fn (?RecentShot $s): ?int => $s?->trial, self::besideInCount($sequence, $inRun));
        $isCounted = $isOutOfOrder && in_array($at?->id, $beside, true);
        if ($at !== null && self::isBelieved($claims, $trialAt, $isCounted, $hitS, $nowS, $inRun)) {
            $remark = "Came late: put with trial {$at->number}, in which it was hit by the monitor’s clock.";

            return new self($at, $remark, $run);
        }
        $when = $at === null ? 'before this trial began' : "in trial {$at->number}";
        $says = 'The monitor’s clock says it was hit %s before it came, %s; the clock may have been set. Look where it belongs.';

        return new self(null, sprintf($says, self::span($nowS - $hitS), $when), $run);
    }

    /**
     * Is a shot late that every clock says is late? They name the same trial, and something beside the lag says so too.
     *
     * @param  array<string, float>  $claims
     * @param  callable(float): (Trial|null)  $trialAt
     * @param  list<RecentShot>  $inRun
     */
    private static function isBelieved(array $claims, callable $trialAt, bool $isCounted, float $hitS, float $nowS, array $inRun): bool
    {
        if (count(array_unique(array_map(static fn (float $claim): ?int => $trialAt($claim)?->id, $claims))) > 1) {
            return false;
        }
        if (isset($claims['sent']) || ($isCounted && $nowS - $hitS <= self::COUNTED_S)) {
            return true;
        }
        [$lag] = SenderClock::lagS($inRun);
        // A shot that came as usual since then: the line was up, and would have brought this one.
        $usual = array_filter($inRun, static fn (RecentShot $s): bool => $s->saidS !== null && $s->cameS > $hitS + SenderClock::SLACK_S
            && abs($s->cameS - $s->saidS - $lag) <= SenderClock::SLACK_S);

        return $usual === [] && $nowS - $hitS <= self::BELIEVED_S;
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
            $isOneLate || $last - $first > self::BELIEVED_S => 'A clock was set since the shots before it. '.self::LOOK,
            $last > $nowS + SenderClock::SLACK_S => 'The monitor’s clock has jumped ahead by '.self::span($last - $nowS).'. '.self::LOOK,
            ! $isSendingTold && $nowS - $first > self::BELIEVED_S => 'The monitor’s clock says it was hit '
                .self::span($nowS - $first).' before it came. '.self::LOOK,
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
        // Sent as it was hit, by one clock: whenever that was set, this one did not wait.
        if ($sent !== null && abs($sent - $said) <= SenderClock::SLACK_S) {
            return ['sent' => $nowS - ($sent - $said)];
        }
        [$lag, $least] = SenderClock::lagS($inRun);
        $claims = [
            'sent' => $sent === null ? null : $nowS - ($sent - $said),
            'lag' => $lag === null ? null : $said + $lag,
            'least' => $least === null ? null : $said + $least,
        ];

        return array_filter($claims, static fn (?float $hitS): bool => $hitS !== null);
    }

    /**
     * @param  list<int>  $counts  of the run so far
     * @return string in order, late (its place is still empty) or anew
     */
    private static function placeOfCount(?int $sequence, array $counts, bool $isAtOnce): string
    {
        return match (true) {
            $sequence === null || $counts === [] || $sequence > max($counts) => 'in order',
            in_array($sequence, $counts, true) => 'anew',
            ! $isAtOnce && ($sequence <= 1 || $sequence < min($counts) - self::OUT_OF_ORDER) => 'anew',
            default => 'late',
        };
    }

    /**
     * What a count that comes late says against the running trial. Between shots of two trials a clock that is known settles it.
     *
     * @param  list<RecentShot>  $inRun
     */
    private static function saidByCount(?int $sequence, array $inRun, ?Trial $running, bool $isClockKnown): ?string
    {
        $isElsewhere = static fn (?RecentShot $s): bool => $s !== null && $s->trial !== $running?->id;
        [$before, $after] = array_map($isElsewhere, self::besideInCount($sequence, $inRun));
        $says = "By the monitor’s count, {$sequence}, it was hit before a shot that came earlier, perhaps in another trial.";

        return $after || ($before && ! $isClockKnown) ? "{$says} Look where it belongs." : null;
    }

    /**
     * A count that goes on from before it began anew: the shot may be left over from then.
     *
     * @param  list<RecentShot>  $inRun
     * @param  list<RecentShot>  $recent
     */
    private static function goesOn(?int $sequence, array $inRun, array $recent, int $run): ?string
    {
        $older = self::counts(array_values(array_filter($recent, static fn (RecentShot $s): bool => $s->run < $run)));
        if ($sequence === null || $older === []) {
            return null;
        }
        $isNextOfRun = $sequence <= max([0, ...self::counts($inRun)]) + 1;
        $isNextOfOlder = $sequence > max($older) && $sequence <= max($older) + self::OUT_OF_ORDER;

        $says = "The monitor’s count, {$sequence}, goes on from before it began anew. ".self::LOOK;

        return $isNextOfOlder && ! ($isNextOfRun && $inRun !== []) ? $says : null;
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
        $counts = array_map(static fn (RecentShot $s): ?int => $s->sequence, $shots);

        return array_values(array_filter($counts, static fn (?int $n): bool => $n !== null));
    }

    /** A span of time as it is said: 50 s, 12 min, 1 h 5 min. */
    private static function span(float $seconds): string
    {
        $s = (int) round(abs($seconds));
        [$hours, $minutes] = [intdiv($s, 3600), intdiv($s % 3600, 60)];

        return match (true) {
            $s < 120 => "{$s} s",
            $hours === 0 => "{$minutes} min",
            $hours >= 48 => intdiv($hours, 24).' days',
            $minutes === 0 => "{$hours} h",
            default => "{$hours} h {$minutes} min",
        };
    }
}
