<?php

declare(strict_types=1);

namespace App\Journal;

use App\Live\ChangeSignal;
use App\Models\Fitting;
use App\Models\LogEntry;
use App\Models\Studio;
use App\Models\User;
use App\Support\Transaction;
use Closure;
use Illuminate\Support\Facades\DB;

/**
 * Writes down who did what in a fitting, or in the studio around it, with every row that changed by it, so that it can be taken back (`Undo`). One for each
 * request: what is done while an entry is open belongs to that entry.
 */
final class Journal
{
    private const UNTRACKED = ['created_at' => 1, 'updated_at' => 1, 'version' => 1];

    /**
     * @var list<array{table: string, id: int, before: array<string, mixed>|null, after: array<string, mixed>|null}>|null what
     *   changed while an entry is open; null while none is
     */
    private ?array $open = null;

    /**
     * Does something, all of it or nothing, and records it. A record inside a record is part of the outer one. The fitting, or
     * where it belongs to none the studio, is locked meanwhile: what is looked at inside stays as it is, whoever else presses at the same moment.
     *
     * @template T
     *
     * @param  User|null  $user  null: a player, by a link of theirs
     * @param  string|Closure(T): string  $words  what was done, as the log says it
     * @param  Closure(): T  $do
     * @param  int|null  $undoOf  the entry that is taken back by it
     * @return T
     */
    public function record(Fitting|Studio $of, ?User $user, string|Closure $words, Closure $do, ?int $undoOf = null): mixed
    {
        if ($this->open !== null) {
            return $do();
        }
        try {
            return Transaction::run(function () use ($of, $user, $words, $do, $undoOf): mixed {
                $of->newQuery()->whereKey($of->id)->lockForUpdate()->value('id');
                $this->open = [];
                $result = $do();
                $said = is_string($words) ? $words : $words($result);
                LogEntry::query()->create([
                    'studio_id' => $of instanceof Fitting ? $of->studio_id : $of->id,
                    'fitting_id' => $of instanceof Fitting ? $of->id : null,
                    'user_id' => $user?->id,
                    'words' => mb_strimwidth($said, 0, 290, '…'), 'changes' => $this->open, 'undo_of' => $undoOf,
                ]);
                if ($of instanceof Fitting) {
                    DB::afterCommit(fn () => ChangeSignal::changed($of));
                }

                return $result;
            });
        } finally {
            $this->open = null;
        }
    }

    /**
     * A row that changed; it is kept while an entry is open.
     *
     * @param  array<string, mixed>|null  $before  null: it was not there
     * @param  array<string, mixed>|null  $after  null: it is gone
     */
    public function track(string $table, int $id, ?array $before, ?array $after): void
    {
        if ($this->open === null) {
            return;
        }
        $change = [
            'table' => $table,
            'id' => $id,
            // A row that is gone is kept whole: taking back puts it in again.
            'before' => $before === null || $after === null ? $before : array_diff_key($before, self::UNTRACKED),
            'after' => $after === null ? null : array_diff_key($after, self::UNTRACKED),
        ];
        if ($change['before'] !== [] || $change['after'] !== []) {
            $this->open[] = $change;
        }
    }
}
