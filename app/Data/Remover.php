<?php

declare(strict_types=1);

namespace App\Data;

use App\Judged\JudgementStore;
use App\Live\ChangeSignal;
use App\Models\Fitting;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Takes rows out for good, with all that hangs on them; within a transaction of the caller's. */
final class Remover
{
    /** What belongs to a fitting, in an order in which nothing points at what is gone. */
    private const OF_FITTING = [
        'held_shots', 'ratings', 'shots', 'decisions', 'log_entries', 'brief_changes', 'trials', 'confirms', 'blinds', 'visits',
        'import_files',
        'setups',
    ];

    public function fitting(int $id): void
    {
        DB::table('fittings')->where('id', $id)->update(['benchmark_setup_id' => null, 'running_trial_id' => null]);
        DB::table('bays')->where('fitting_id', $id)->update(['fitting_id' => null]);
        DB::table('setups')->where('fitting_id', $id)->update(['branched_from_id' => null]);
        DB::table('log_entries')->where('fitting_id', $id)->update(['undo_of' => null]);
        DB::table('rounds')->where('fitting_id', $id)->delete();
        DB::table('long_clubs')->where('fitting_id', $id)->delete();
        $orders = DB::table('orders')->where('fitting_id', $id);
        DB::table('acceptances')->whereIn('order_id', (clone $orders)->pluck('id'))->delete();
        $orders->delete();
        DB::table('appointments')->where('fitting_id', $id)->update(['fitting_id' => null]);
        DB::table('intakes')->where('fitting_id', $id)->update(['fitting_id' => null]);
        $this->links(DB::table('player_links')->where('fitting_id', $id));
        foreach (self::OF_FITTING as $table) {
            DB::table($table)->where('fitting_id', $id)->delete();
        }
        DB::table('fittings')->where('id', $id)->delete();
        DB::table('looks')->where('fitting_id', $id)->delete();
        self::forget($id);
    }

    /** A player without fittings. */
    public function player(int $id): void
    {
        DB::table('consents')->where('player_id', $id)->delete();
        DB::table('intakes')->where('player_id', $id)->delete();
        $this->links(DB::table('player_links')->where('player_id', $id));
        DB::table('appointments')->where('player_id', $id)->delete();
        DB::table('looks')->where('player_id', $id)->delete();
        DB::table('players')->where('id', $id)->delete();
    }

    private function links(Builder $links): void
    {
        DB::table('intakes')->whereIn('link_id', (clone $links)->pluck('id'))->delete();
        DB::table('rounds')->whereIn('link_id', (clone $links)->pluck('id'))->update(['link_id' => null]);
        $links->delete();
    }

    /** The file as it came; the shots that were read from it stay. */
    public function file(int $id): void
    {
        DB::table('shots')->where('import_file_id', $id)->update(['import_file_id' => null]);
        DB::table('import_files')->where('id', $id)->delete();
    }

    /** What was worked out of a fitting, and what stands outside the database. */
    public static function forget(int $fittingId): void
    {
        JudgementStore::forget($fittingId);
        DB::afterCommit(static function () use ($fittingId): void {
            // Once more: what a worker kept before it could see that the fitting is gone.
            JudgementStore::forget($fittingId);
            @unlink(base_path('var/live/').ChangeSignal::key((new Fitting)->newFromBuilder(['id' => $fittingId])));
        });
    }
}
