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
            return $row !== null || ! self::isNameTaken($table, (array) $before);
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
        foreach (self::POINTING[$table] ?? [] as $other => $columns) {
            // What stands in a trial goes to the tray with it.
            $isMoved = $trial !== null && in_array($other, ['shots', 'held_shots'], true);
            foreach ($isMoved ? [] : $columns as $column) {
                if (DB::table($other)->where($column, $id)->whereNotIn('id', $own[$other] ?? [])->exists()) {
                    return false;
                }
            }
        }

        return true;
    }

    /** @param  array<string, mixed>  $before */
    private static function isNameTaken(string $table, array $before): bool
    {
        $named = ['setups' => 'tag', 'long_clubs' => 'name'][$table] ?? null;

        return $named !== null && DB::table($table)->where('fitting_id', $before['fitting_id'] ?? 0)->where($named,
            $before[$named] ?? '')->exists();
    }
}
