<?php

declare(strict_types=1);

namespace App\Judged;

use App\Models\Fitting;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use stdClass;

/**
 * Keeps judgements by fitting, part and state. Nothing else rests on them: a decision, a report and a link carry their own copy. They go
 * with their fitting, so erasing a player erases theirs.
 */
final class JudgementStore
{
    /** So many states of a part are kept: taking a change back finds the judgement of before. */
    private const STATES = 3;

    /** Nobody looks at a fitting for so long: its judgements are made again if somebody does. */
    public const KEPT_DAYS = 8;

    public function of(Fitting $fitting, JudgedPart $part, string $asked, string $state): ?KeptPart
    {
        return self::read(self::place($fitting, $part, $asked)->where('state', $state));
    }

    /** The newest of any state; null where there is none. */
    public function newest(Fitting $fitting, JudgedPart $part, string $asked): ?KeptPart
    {
        return self::read(self::place($fitting, $part, $asked)->orderByDesc('made_at')->orderByDesc('id'));
    }

    /** Whether a state has these parts. */
    public function has(Fitting $fitting, string $state, JudgedPart ...$parts): bool
    {
        $names = array_map(static fn (JudgedPart $p): string => $p->value, $parts);

        return count($names) === DB::table('judgements')->where('fitting_id', $fitting->id)->where('state', $state)->where('asked', '')
            ->whereIn('part', $names)->count();
    }

    /** @param  array<string, KeptPart>  $parts  by name */
    public function keep(Fitting $fitting, array $parts, string $asked = ''): void
    {
        $rows = [];
        foreach ($parts as $name => $kept) {
            $rows[] = [
                'fitting_id' => $fitting->id, 'part' => $name, 'asked' => $asked, 'state' => $kept->state, 'shots' => $kept->shots,
                'is_refusal' => $kept->isRefusal, 'body' => (string) gzcompress($kept->json, 1), 'made_at' => $kept->madeAt,
            ];
        }
        // Each by itself: a shot that is posted meanwhile waits for none of it.
        DB::table('judgements')->insertOrIgnore($rows);
        $of = DB::table('judgements')->where('fitting_id', $fitting->id)->where('asked', $asked);
        $newest = $of->clone()->selectRaw('state, max(made_at) as at')->groupBy('state')->orderByDesc('at')->limit(self::STATES + 1)->pluck('state')->all();
        if (count($newest) > self::STATES) {
            $of->clone()->whereNotIn('state', array_slice($newest, 0, self::STATES))->delete();
        }
        // Erased or removed while it was judged: what was read before is not kept.
        $isThere = DB::table('fittings')->join('players', 'players.id', '=', 'fittings.player_id')->where('fittings.id', $fitting->id)
            ->whereNull('players.erased_at')->exists();
        if (! $isThere) {
            $of->where('state', '!=', FittingState::of($fitting)->key)->delete();
        }
    }

    /** Takes away all that was worked out of a fitting: its judgements, and what it taught. */
    public static function forget(int $fittingId): void
    {
        foreach (['judgements', 'lessons'] as $table) {
            DB::table($table)->where('fitting_id', $fittingId)->delete();
        }
    }

    /** @return int how many went */
    public function prune(): int
    {
        return DB::table('judgements')->where('made_at', '<', now()->subDays(self::KEPT_DAYS))->delete();
    }

    private static function place(Fitting $fitting, JudgedPart $part, string $asked): Builder
    {
        return DB::table('judgements')->where('fitting_id', $fitting->id)->where('part', $part->value)->where('asked', $asked);
    }

    private static function read(Builder $query): ?KeptPart
    {
        $row = $query->first(['body', 'is_refusal', 'state', 'shots', 'made_at']);
        if (! $row instanceof stdClass) {
            return null;
        }
        $json = gzuncompress((string) $row->body);

        return $json === false
            ? throw new RuntimeException('A kept judgement cannot be read.')
            : new KeptPart($json, (bool) $row->is_refusal, (string) $row->state, (int) $row->shots, (string) $row->made_at);
    }
}
