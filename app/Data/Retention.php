<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Player;
use App\Models\Studio;
use Illuminate\Support\Facades\DB;

/** Erases players whom nobody saw for as long as their studio keeps people. */
final readonly class Retention
{
    public function __construct(private Eraser $eraser)
    {
    }

    public function apply(): int
    {
        $done = 0;
        foreach (Studio::query()->whereNotNull('retention_months')->get() as $studio) {
            $before = now()->subMonthsNoOverflow((int) $studio->retention_months);
            $due = Player::query()->where('studio_id', $studio->id)->whereNull('erased_at')->where('updated_at', '<', $before)
                ->whereNotIn('id', DB::table('fittings')->where('studio_id', $studio->id)->where('updated_at', '>=', $before)->select('player_id'))
                // Who is booked, or told of a round, is seen.
                ->whereNotIn('id', DB::table('appointments')->where('studio_id', $studio->id)->whereNotNull('player_id')
                    ->where('starts_at', '>=', $before)->select('player_id'))
                ->whereNotIn('id', DB::table('rounds')->where('studio_id', $studio->id)->where('created_at', '>=', $before)->select('player_id'))
                ->pluck('id');
            foreach ($due as $id) {
                $done += $this->eraser->erase((int) $id, null) ? 1 : 0;
            }
        }

        return $done;
    }
}
