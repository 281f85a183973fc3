<?php

declare(strict_types=1);

namespace App\Journal;

use App\Models\LogEntry;
use App\Models\Trial;
use Illuminate\Support\Facades\DB;

/**
 * Whether an entry of the journal could be taken back as things stand. It only reads, and locks nothing, for every screen asks it while
 * others write: what it offers `Undo` may still refuse, if somebody was quicker.
 */
final class Undoable
{
    /** @var array<string, list<array{table: string, column: string}>>|null what points at a table and keeps its rows from being removed */
    private static ?array $pointing = null;

    public function __construct(private readonly TrialToTray $toTray)
    {
    }

    public function holds(LogEntry $entry): bool
    {
        if ($entry->changes === [] || $entry->undone_at !== null) {
            return false;
        }
        $own = [];
        foreach ($entry->changes as $change) {
            $own[$change['table']][] = $change['id'];
        }
        foreach ($entry->changes as $change) {
            if (! $this->canRevert($change, $own)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array{table: string, id: int, before: array<string, mixed>|null, after: array<string, mixed>|null}  $change
     * @param  array<string, list<int>>  $own  rows that the same entry changed, by table
     */
    private function canRevert(array $change, array $own): bool
    {
        ['table' => $table, 'id' => $id, 'before' => $before, 'after' => $after] = $change;
        $row = DB::table($table)->where('id', $id)->first();
        if ($after === null) {
            return $row !== null || ! self::isLetterTaken($table, (array) $before);
        }
        if ($row === null || ($table === 'decisions' && ($row->locked_at ?? null) !== null)) {
            return false;
        }
        if ($before === null) {
            return ! ($table === 'held_shots' && ($row->settled_at ?? null) !== null) && $this->canRemove($table, $id, $own);
        }
        foreach ($after as $column => $value) {
            if ($row->{$column} != $value && ! Undo::isSameMoment($row->{$column}, $value)) {
                return false;
            }
        }

        return true;
    }

    /** @param  array<string, list<int>>  $own */
    private function canRemove(string $table, int $id, array $own): bool
    {
        $trial = $table === 'trials' ? Trial::query()->find($id) : null;
        if ($trial !== null && $this->toTray->why($trial) !== null) {
            return false;
        }
        foreach (self::pointing()[$table] ?? [] as ['table' => $other, 'column' => $column]) {
            // What stands in a trial goes to the tray with it.
            $isMoved = $trial !== null && in_array($other, ['shots', 'held_shots'], true);
            if (! $isMoved && DB::table($other)->where($column, $id)->whereNotIn('id', $own[$other] ?? [])->exists()) {
                return false;
            }
        }

        return true;
    }

    /** @param  array<string, mixed>  $before */
    private static function isLetterTaken(string $table, array $before): bool
    {
        return $table === 'setups' && DB::table('setups')->where('fitting_id', $before['fitting_id'] ?? 0)
            ->where('tag', $before['tag'] ?? '')->exists();
    }

    /** @return array<string, list<array{table: string, column: string}>> by the table that is pointed at */
    private static function pointing(): array
    {
        if (self::$pointing === null) {
            self::$pointing = [];
            $keys = DB::table('information_schema.key_column_usage as k')
                ->join('information_schema.referential_constraints as r', fn ($join) => $join
                    ->on('r.constraint_schema', '=', 'k.constraint_schema')->on('r.constraint_name', '=', 'k.constraint_name')
                    ->on('r.table_name', '=', 'k.table_name'))
                ->where('k.table_schema', DB::connection()->getDatabaseName())->whereNotIn('r.delete_rule', ['CASCADE', 'SET NULL'])
                ->get(['k.table_name as t', 'k.column_name as c', 'k.referenced_table_name as of']);
            foreach ($keys as $key) {
                self::$pointing[(string) $key->of][] = ['table' => (string) $key->t, 'column' => (string) $key->c];
            }
        }

        return self::$pointing;
    }
}
