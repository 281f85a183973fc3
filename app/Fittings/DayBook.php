<?php

declare(strict_types=1);

namespace App\Fittings;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Which fittings stand on a page of the day book. Found by their numbers alone, each way of searching by an index of its own, and read
 * whole only then.
 */
final class DayBook
{
    /** @return list<int> the newest first */
    public static function page(int $studioId, string $wanted, ?Carbon $before, int $beforeId, int $most): array
    {
        $page = static fn (Builder $q): Builder => $q
            ->where('fittings.studio_id', $studioId)->whereNull('fittings.binned_at')
            ->when($before !== null, fn (Builder $q) => $q->where(fn (Builder $q) => $q
                ->where('fittings.updated_at', '<', $before)
                ->when($beforeId > 0, fn (Builder $q) => $q->orWhere(
                    fn (Builder $q) => $q->where('fittings.updated_at', $before)->where('fittings.id', '<', $beforeId),
                ))))
            ->orderByDesc('fittings.updated_at')->orderByDesc('fittings.id')->limit($most);
        if ($wanted === '') {
            return self::ids($page(DB::table('fittings')));
        }
        $like = '%'.addcslashes($wanted, '%_\\').'%';
        // By player and by head from what is few: the players and the setups of the studio. By wish along the page's own order.
        $found = array_unique([
            ...self::ids($page(DB::table('fittings')->whereIn('fittings.player_id', DB::table('players')
                ->where('studio_id', $studioId)->whereNull('binned_at')->where('name', 'like', $like)->pluck('id')))),
            ...self::ids($page(DB::table('fittings')->whereIn('fittings.id', DB::table('setups')
                ->where('studio_id', $studioId)->where('head', 'like', $like)->distinct()->pluck('fitting_id')))),
            ...self::ids($page(DB::table('fittings')->where('fittings.wants', 'like', $like))),
        ]);

        return self::ids($page(DB::table('fittings')->whereIn('fittings.id', $found)));
    }

    /** @return list<int> */
    private static function ids(Builder $query): array
    {
        return array_map(intval(...), array_values($query->pluck('fittings.id')->all()));
    }
}
