<?php

declare(strict_types=1);

namespace App\Intake;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Intake\Earlier;
use MintCarry\Core\Intake\Placement;
use MintCarry\Core\Intake\PostedShot;
use MintCarry\Core\Intake\RecentShot;
use MintCarry\Core\Intake\SenderClock;
use MintCarry\Core\Intake\Trial;
use stdClass;

/** What a bay got before from the monitor that stands in it. Read under the lock of the bay. */
final class SenderRecord
{
    /** The lag of a clock and the place of a count are read off so many shots. */
    private const RECENT = 24;

    private const OF_SENDER = ['sender_session', 'sender_run', 'sender_sequence', 'hit_at', 'created_at', 'trial_id'];

    /**
     * What came under this id: with the same content, that of the same session first, and whatever its content; and the number of the
     * fitting's last shot. In one look.
     *
     * @return array{Earlier|null, Earlier|null, int}
     */
    public static function underItsId(int $bayId, ?int $fittingId, PostedShot $shot): array
    {
        $of = static fn (string $table, string $columns, bool $same): Builder => DB::table($table)
            ->where('bay_id', $bayId)->where('sender_id', $shot->id)
            ->when($same, static fn (Builder $rows): Builder => $rows->where('content', $shot->content))
            ->orderByRaw('sender_session <=> ? desc, id desc', [$shot->session])->limit(1)
            ->selectRaw("{$columns}, sender_session, created_at, ".(int) $same.' as same');
        $last = DB::table('shots')->where('fitting_id', $fittingId)->orderByDesc('sequence')->limit(1)
            ->selectRaw("'last', sequence, null, null, null, created_at, 0");
        $rows = $of('held_shots', "'held' as status, null as number, reason, null as sent", true)
            ->unionAll($of('shots', "'stored', id, null, null", true))
            ->unionAll($of('held_shots', "'held', null, reason, null", false))
            ->unionAll($of('shots', "'stored', id, null, typed", false))
            ->unionAll($last)->get();
        $found = $rows->where('status', '!=', 'last');

        return [
            self::latest($found->where('same', 1), $shot),
            self::latest($found->where('same', 0), $shot),
            (int) $rows->firstWhere('status', 'last')?->number,
        ];
    }

    /**
     * The one of the shot's own session; of two, what came last.
     *
     * @param  Collection<int, stdClass>  $rows
     */
    private static function latest(Collection $rows, PostedShot $shot): ?Earlier
    {
        $earlier = $rows->map(static fn (stdClass $row): Earlier => new Earlier(
            $row->status,
            $row->number === null ? null : (int) $row->number,
            $row->reason,
            $row->sender_session,
            self::seconds($row->created_at),
            (array) json_decode($row->sent ?? '[]', true),
        ));

        return $earlier->sortByDesc(static fn (Earlier $e): array => [$e->session === $shot->session, $e->cameS])->first();
    }

    /**
     * The shots of the same sending session, newest first.
     *
     * @return list<RecentShot>
     */
    public static function recent(int $bayId, PostedShot $shot, float $nowS): array
    {
        $recent = [];
        $before = $nowS;
        $number = static fn (mixed $value): ?int => $value === null ? null : (int) $value;
        $rows = DB::table('shots')->where('bay_id', $bayId)->whereNotNull('sender_id')
            ->orderByDesc('id')->limit(self::RECENT)->get(self::OF_SENDER);
        foreach ($rows->where('sender_session', $shot->session) as $row) {
            $cameS = self::seconds($row->created_at);
            if ($shot->session === null && abs($before - $cameS) > Placement::SILENCE_S) {
                break;
            }
            $before = $cameS;
            $recent[] = new RecentShot(
                (int) $row->sender_run,
                $number($row->sender_sequence),
                SenderClock::seconds($row->hit_at),
                $cameS,
                $number($row->trial_id),
            );
        }

        return $recent;
    }

    /**
     * The latest trial but the running one that went on at a moment, in this fitting or in one whose shots came from this bay just
     * before.
     *
     * @param  list<RecentShot>  $recent
     */
    public static function trialAt(?int $fittingId, ?int $running, array $recent, float $hitS): ?Trial
    {
        $moment = static fn (float $s): string => gmdate('Y-m-d H:i:s', (int) $s);
        $others = array_values(array_filter(array_map(static fn (RecentShot $s): ?int => $s->trial, $recent)));
        $row = DB::table('trials')->where('id', '!=', $running ?? 0)->where('created_at', '<=', $moment(ceil($hitS)))
            ->where(fn (Builder $any): Builder => $any->where('fitting_id', $fittingId)->orWhereIn('id', $others))
            ->where(fn (Builder $open): Builder => $open->whereNull('ended_at')
                ->orWhere('ended_at', '>=', $moment($hitS - SenderClock::SLACK_S)))
            ->orderByDesc('created_at')->orderByDesc('id')->first(['id', 'number', 'fitting_id', 'created_at']);

        if ($row === null) {
            return null;
        }

        return new Trial((int) $row->id, (int) $row->number, (int) $row->fitting_id, self::seconds($row->created_at));
    }

    public static function seconds(string $moment): float
    {
        return (float) strtotime("{$moment} UTC");
    }
}
