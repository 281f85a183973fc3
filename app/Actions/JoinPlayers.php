<?php

declare(strict_types=1);

namespace App\Actions;

use App\Journal\Journal;
use App\Models\Player;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Two records of one person become one: all that belongs to the other goes over, and the other is put out of sight. It can be taken back. */
final readonly class JoinPlayers
{
    /** What names a player. */
    private const TABLES = ['fittings', 'appointments', 'orders', 'rounds', 'intakes', 'player_links', 'consents'];

    public function __construct(private Journal $journal)
    {
    }

    /**
     * @return array<string, int> how many of each went over
     *
     * @throws ValidationException where they cannot be one person
     */
    public function __invoke(Player $into, Player $other, User $by): array
    {
        if ($into->id === $other->id) {
            throw ValidationException::withMessages(['otherId' => 'That is the same record.']);
        }
        if ($into->hand !== $other->hand) {
            throw ValidationException::withMessages(['otherId' => sprintf(
                '%s plays %s-handed and %s %s-handed: what was hit would be mirrored. Correct the hand in the brief first. Nothing was changed.',
                $into->name, $into->hand->value, $other->name, $other->hand->value,
            )]);
        }
        if ($into->erased_at !== null || $other->erased_at !== null) {
            throw ValidationException::withMessages(['otherId' => 'One of them was erased: there is nobody to join. Nothing was changed.']);
        }

        return $this->journal->record($by->studio, $by, "joined {$other->name} into {$into->name}", function () use ($into, $other): array {
            $moved = [];
            foreach (self::TABLES as $table) {
                $ids = DB::table($table)->where('player_id', $other->id)->lockForUpdate()->orderBy('id')->pluck('id')->all();
                foreach ($ids as $id) {
                    $this->journal->track($table, (int) $id, ['player_id' => $other->id], ['player_id' => $into->id]);
                }
                DB::table($table)->whereIn('id', $ids)->update(['player_id' => $into->id]);
                $moved[$table] = count($ids);
            }
            // Put out of sight by the journal, and so put back by it; not by the bin, which empties itself after a day.
            $at = now()->format('Y-m-d H:i:s');
            $this->journal->track('players', $other->id, ['binned_at' => null], ['binned_at' => $at]);
            DB::table('players')->where('id', $other->id)->update(['binned_at' => $at]);

            return $moved;
        });
    }
}
