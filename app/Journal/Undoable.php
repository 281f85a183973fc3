<?php

declare(strict_types=1);

namespace App\Journal;

use App\Models\LogEntry;

/**
 * Whether an entry of the journal could be taken back as things stand. It only reads, and locks nothing, for every screen asks it while
 * others write: what it offers `Undo` may still refuse, if somebody was quicker.
 */
final class Undoable
{
    /**
     * What points at a row of a fitting and keeps it from being removed, as the database has it (tests/App/RecordTest.php holds it to
     * that): asking the database each time would cost more than all the rest.
     */
    public const POINTING = [
        'blinds' => ['trials' => ['blind_id']],
        'confirms' => ['trials' => ['confirm_id']],
        'orders' => ['acceptances' => ['order_id']],
        'players' => [
            'appointments' => ['player_id'], 'consents' => ['player_id'], 'fittings' => ['player_id'], 'intakes' => ['player_id'],
            'orders' => ['player_id'], 'player_links' => ['player_id'], 'rounds' => ['player_id'],
        ],
        'setups' => [
            'confirms' => ['benchmark_setup_id', 'setup_id'], 'decisions' => ['advised_setup_id', 'setup_id'],
            'fittings' => ['benchmark_setup_id'], 'orders' => ['setup_id'], 'ratings' => ['setup_id'], 'setups' => ['branched_from_id'],
            'shots' => ['setup_id'],
            'trials' => ['guess_setup_id', 'setup_id'],
        ],
        'shots' => ['held_shots' => ['shot_id']],
        'trials' => [
            'fittings' => ['running_trial_id'], 'held_shots' => ['trial_id'], 'ratings' => ['trial_id'], 'shots' => ['trial_id'],
        ],
        'visits' => ['trials' => ['visit_id']],
    ];

    public function holds(LogEntry $entry): bool
    {
        return $this->among([$entry])[$entry->id];
    }

    /**
     * Of many at once, in as many queries as of one.
     *
     * @param  iterable<LogEntry>  $entries
     * @return array<int, bool> by entry
     */
    public function among(iterable $entries): array
    {
        $changes = [];
        foreach ($entries as $entry) {
            array_push($changes, ...($entry->undone_at === null ? $entry->changes : []));
        }
        $rows = new StandingRows($changes);
        $out = [];
        foreach ($entries as $entry) {
            $out[$entry->id] = $entry->changes !== [] && $entry->undone_at === null && self::holdsOn($entry->changes, $rows);
        }

        return $out;
    }

    /**
     * @param  list<array{table: string, id: int, before: array<string, mixed>|null,
     *   after: array<string, mixed>|null}>  $changes  of one entry
     */
    private static function holdsOn(array $changes, StandingRows $rows): bool
    {
        $own = [];
        foreach ($changes as $change) {
            $own[$change['table']][] = $change['id'];
        }
        foreach ($changes as $change) {
            if (! self::canRevert($change, $own, $rows)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array{table: string, id: int, before: array<string, mixed>|null, after: array<string, mixed>|null}  $change
     * @param  array<string, list<int>>  $own  rows that the same entry changed, by table
     */
    private static function canRevert(array $change, array $own, StandingRows $rows): bool
    {
        ['table' => $table, 'id' => $id, 'before' => $before, 'after' => $after] = $change;
        $row = $rows->row($table, $id);
        if ($after === null) {
            return $row !== null || ! $rows->isNameTaken($table, (array) $before);
        }
        if ($row === null || ($table === 'decisions' && ($row->locked_at ?? null) !== null)) {
            return false;
        }
        if ($before === null) {
            return ! ($table === 'held_shots' && ($row->settled_at ?? null) !== null) && self::canRemove($table, $id, $own, $rows);
        }
        foreach ($after as $column => $value) {
            if ($row->{$column} != $value && ! Undo::isSameMoment($row->{$column}, $value)) {
                return false;
            }
        }

        return true;
    }

    /** @param  array<string, list<int>>  $own */
    private static function canRemove(string $table, int $id, array $own, StandingRows $rows): bool
    {
        if ($table === 'trials' && $rows->isMovedInto($id)) {
            return false;
        }
        foreach (self::POINTING[$table] ?? [] as $other => $columns) {
            // What stands in a trial goes to the tray with it.
            $isMoved = $table === 'trials' && in_array($other, ['shots', 'held_shots'], true);
            foreach ($isMoved ? [] : $columns as $column) {
                if ($rows->countPointing($table, $id, $other, $column, $own[$other] ?? []) > 0) {
                    return false;
                }
            }
        }

        return true;
    }
}
