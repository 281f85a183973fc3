<?php

declare(strict_types=1);

namespace App\Journal;

use App\Live\ChangeSignal;
use App\Models\Fitting;
use App\Models\LogEntry;
use App\Models\User;
use Closure;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * Writes down who did what in a fitting, with every row that changed by it, so that it can be taken back. Taking back puts the old values in only where nobody changed
 * them since; else it is refused and says so.
 */
final class Journal
{
    private const UNTRACKED = ['created_at' => 1, 'updated_at' => 1, 'version' => 1];

    /** @var list<array{table: string, id: int, before: array<string, mixed>|null, after: array<string, mixed>|null}>|null what changed while it is open; null while it is closed */
    private static ?array $open = null;

    /**
     * Does something, all or nothing, and notes it. A journal inside a journal is part of it. The fitting is locked meanwhile: what is looked at inside stays as it is, whoever else presses at the same moment.
     *
     * @template T
     *
     * @param  string|Closure(T): string  $words  what was done, as the log says it
     * @param  Closure(): T  $do
     * @return T
     */
    public static function note(Fitting $fitting, User $user, string|Closure $words, Closure $do, ?int $undoOf = null): mixed
    {
        if (self::$open !== null) {
            return $do();
        }
        try {
            return DB::transaction(function () use ($fitting, $user, $words, $do, $undoOf): mixed {
                Fitting::query()->whereKey($fitting->id)->lockForUpdate()->value('id');
                self::$open = []; // anew where another request held what this one needs, and it is tried again
                $result = $do();
                $words = is_string($words) ? $words : $words($result);
                LogEntry::query()->create(['studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'user_id' => $user->id, 'words' => mb_strimwidth($words, 0, 290, '…'), 'changes' => self::$open, 'undo_of' => $undoOf]);
                DB::afterCommit(fn () => ChangeSignal::changed($fitting));

                return $result;
            }, 5);
        } finally {
            self::$open = null;
        }
    }

    /**
     * @param  array<string, mixed>|null  $before  null: it was not there
     * @param  array<string, mixed>|null  $after  null: it is gone
     */
    public static function notice(string $table, int $id, ?array $before, ?array $after): void
    {
        if (self::$open !== null) {
            $change = ['table' => $table, 'id' => $id, 'before' => $before === null || $after === null ? $before : array_diff_key($before, self::UNTRACKED), 'after' => $after === null ? null : array_diff_key($after, self::UNTRACKED)];
            if ($change['before'] !== [] || $change['after'] !== []) {
                self::$open[] = $change;
            }
        }
    }

    /** Takes an entry back; the taking back is an entry of its own. */
    public static function takeBack(LogEntry $entry, Fitting $fitting, User $user): LogEntry
    {
        self::note($fitting, $user, "took back: {$entry->words}", function () use ($entry): void {
            $entry->refresh();
            if ($entry->undone_at !== null || $entry->changes === []) {
                throw ValidationException::withMessages(['entry' => $entry->undone_at !== null ? 'That has been taken back already.' : 'That changed nothing that could be taken back.']);
            }
            foreach (array_reverse($entry->changes) as $change) {
                self::revert($change);
            }
            $entry->update(['undone_at' => now()]);
        }, $entry->id);

        return $entry;
    }

    /** @param  array{table: string, id: int, before: array<string, mixed>|null, after: array<string, mixed>|null}  $change */
    private static function revert(array $change): void
    {
        ['table' => $table, 'id' => $id, 'before' => $before, 'after' => $after] = $change;
        $row = DB::table($table)->where('id', $id)->lockForUpdate()->first();
        if ($after === null) {
            if ($row === null) {
                DB::table($table)->insert((array) $before);
            }
            self::notice($table, $id, null, []);

            return;
        }
        if ($table === 'decisions' && ($row->locked_at ?? null) !== null) {
            throw ValidationException::withMessages(['entry' => 'The decision is locked: reopen it on Decide, which makes a new version.']);
        }
        if ($row === null) {
            throw ValidationException::withMessages(['entry' => 'What was changed then is no longer there, so it cannot be taken back.']);
        }
        if ($before === null) {
            try {
                DB::table($table)->where('id', $id)->delete();
            } catch (QueryException) {
                throw ValidationException::withMessages(['entry' => 'Shots or other records were added to it since, so it stays.']);
            }
            self::notice($table, $id, (array) $row, null);

            return;
        }
        foreach ($after as $column => $value) {
            if ($row->{$column} != $value && ! self::sameMoment($row->{$column}, $value)) {
                throw ValidationException::withMessages(['entry' => 'It was changed again since, perhaps on another screen: nothing was taken back.']);
            }
        }
        DB::table($table)->where('id', $id)->update($before + (property_exists($row, 'version') ? ['version' => $row->version + 1] : []));
        self::notice($table, $id, $after, $before);
    }

    private static function sameMoment(mixed $a, mixed $b): bool
    {
        return is_string($a) && is_string($b) && preg_match('/^\d{4}-\d\d-\d\d[ T]/', $a) === 1 && strtotime($a) === strtotime($b);
    }
}
