<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * A shot that the network kept back must not be laid to the setup that is in the hand when it arrives. Whether it is late is read off the sender’s count, or off its clock.
 *
 * Monitors’ clocks are wrong by minutes and their counts begin anew, so neither is taken at its word: the clock is held against how far behind ours the latest shots of this bay were, and a count is late only where a later one of the same go is on record and its own place is still empty.
 */
final class LateShot
{
    /** Both clocks are read to the second. */
    private const SLACK_S = 2.0;

    private const ISO = '/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(Z|[+-]\d\d:?\d\d)$/';

    /**
     * @param  int|null  $sequence  the sender's count of this shot
     * @param  int|null  $latest  that of the shot which was stored last, if it came from this bay
     * @param  string|null  $at  when it was hit by the sender's clock, ISO 8601 with its zone
     * @param  string|null  $began  when the running trial began, UTC; null where none runs
     * @return stdClass|null the earlier trial that it belongs to: id, setup_id, kind, number and by (count or clock); null where it belongs to what runs now
     */
    public static function trialOf(int $bayId, int $fittingId, ?int $running, ?int $sequence, ?int $latest, ?string $at, ?string $began): ?stdClass
    {
        return self::byCount($bayId, $fittingId, $running, $sequence, $latest) ?? self::byClock($bayId, $fittingId, $running, $at, $began);
    }

    private static function byCount(int $bayId, int $fittingId, ?int $running, ?int $sequence, ?int $latest): ?stdClass
    {
        if ($sequence === null || $latest === null || $latest <= $sequence) {
            return null;
        }
        $next = self::shots($bayId, $fittingId)->where('sender_sequence', '>=', $sequence)->orderBy('sender_sequence')->first(['sender_sequence', 'trial_id']);

        return $next === null || (int) $next->sender_sequence === $sequence ? null : self::trial(DB::table('trials')->where('id', $next->trial_id), $running, 'count');
    }

    private static function byClock(int $bayId, int $fittingId, ?int $running, ?string $at, ?string $began): ?stdClass
    {
        $hit = self::seconds($at);
        if ($hit === null) {
            return null;
        }
        $behind = INF;
        foreach (self::shots($bayId, $fittingId)->whereNotNull('hit_at')->orderByDesc('sequence')->limit(20)->get(['hit_at', 'created_at']) as $shot) {
            $then = self::seconds($shot->hit_at);
            $behind = $then === null ? $behind : min($behind, (float) strtotime("{$shot->created_at} UTC") - $then);
        }
        $ours = $hit + $behind;
        if ($behind === INF || ($began !== null && $ours + self::SLACK_S >= (float) strtotime("{$began} UTC"))) {
            return null;
        }
        $moment = gmdate('Y-m-d H:i:s', (int) $ours);

        return self::trial(DB::table('trials')->where('fitting_id', $fittingId)->where('created_at', '<=', $moment)->where(fn (Builder $open): Builder => $open->whereNull('ended_at')->orWhere('ended_at', '>=', gmdate('Y-m-d H:i:s', (int) ($ours - self::SLACK_S))))->orderByDesc('number'), $running, 'clock');
    }

    private static function shots(int $bayId, int $fittingId): Builder
    {
        return DB::table('shots')->where('fitting_id', $fittingId)->where('bay_id', $bayId);
    }

    private static function trial(Builder $trials, ?int $running, string $by): ?stdClass
    {
        $trial = $trials->first(['id', 'setup_id', 'kind', 'number']);
        if ($trial === null || (int) $trial->id === $running) {
            return null;
        }
        $trial->by = $by;

        return $trial;
    }

    private static function seconds(?string $at): ?float
    {
        $moment = $at !== null && preg_match(self::ISO, $at) === 1 ? date_create_immutable($at) : false;

        return $moment === false ? null : (float) $moment->format('U.u');
    }
}
