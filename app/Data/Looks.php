<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Fitting;
use App\Models\Player;
use App\Models\User;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

/** Who looked at whom, and who took data out: once a day for each person, fitting and kind. */
final class Looks
{
    /** Routes that take data of a person out, by what is written down. */
    public const EXPORTS = [
        'api/fittings/{fitting}/shots.csv' => 'exported the shots', 'api/fittings/{fitting}/file' => 'exported the fitting',
        'api/files/{file}/raw' => 'exported a launch file', 'api/data/players/{player}/file' => 'exported everything',
    ];

    public static function note(User $user, Player|int $player, ?Fitting $fitting, string $what): void
    {
        $playerId = $player instanceof Player ? $player->id : $player;
        $day = now()->toDateString();
        $place = "look {$user->id} {$playerId} ".($fitting->id ?? 0)." {$what} {$day}";
        // Asked first where it costs nothing: most looks are not the first of their day.
        $store = Cache::store((string) config('cache.limiter'));
        if ($store->get($place) !== null) {
            return;
        }
        DB::table('looks')->insertOrIgnore([
            'studio_id' => $user->studio_id, 'user_id' => $user->id, 'player_id' => $playerId, 'fitting_id' => $fitting?->id, 'what' => $what,
            'day' => $day, 'created_at' => now(), 'updated_at' => now(),
        ]);
        $store->put($place, 1, 86_400);
    }
}
