<?php

declare(strict_types=1);

namespace App\Journal;

use App\Calendar\Calendar;
use App\Models\Appointment;
use App\Models\Fitting;
use App\Models\LogEntry;
use App\Models\Studio;
use App\Models\Trial;
use App\Models\User;
use Closure;
use Illuminate\Database\QueryException;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Errors\InvalidInput;

/**
 * Takes an entry of the journal back. The old values go in only where nobody changed them since; else it is refused, with the
 * reason, and nothing is changed. The taking back is an entry of its own, which can be taken back too.
 */
final readonly class Undo
{
    public function __construct(private Journal $journal, private TrialToTray $toTray)
    {
    }

    /** @throws ValidationException where it was taken back already, changed nothing, or cannot be taken back any more */
    public function takeBack(LogEntry $entry, Fitting|Studio $of, User $user): LogEntry
    {
        $this->journal->record($of, $user, "took back: {$entry->words}", function () use ($entry): void {
            $entry->refresh();
            if ($entry->undone_at !== null) {
                throw self::refused('That has been taken back already.');
            }
            if ($entry->changes === []) {
                throw self::refused('That changed nothing that could be taken back.');
            }
            $this->revertAll($entry);
            $entry->update(['undone_at' => now()]);
        }, $entry->id);

        return $entry;
    }

    private function revertAll(LogEntry $entry): void
    {
        $begun = array_filter($entry->changes, static fn (array $c): bool => $c['table'] === 'trials' && $c['before'] === null);
        foreach ($begun as $change) {
            $trial = Trial::query()->find($change['id']);
            $why = $trial === null ? null : $this->toTray->move($trial);
            if ($why !== null) {
                throw self::refused($why);
            }
        }
        foreach (array_reverse($entry->changes) as $change) {
            $this->revert($change);
        }
        self::requireFree($entry);
    }

    /** An appointment that comes back wants its time free. */
    private static function requireFree(LogEntry $entry): void
    {
        $ids = array_column(array_filter($entry->changes, static fn (array $c): bool => $c['table'] === 'appointments'), 'id');
        foreach (Appointment::query()->with('studio')->whereKey($ids)->where('state', '!=', 'cancelled')->get() as $appointment) {
            try {
                Calendar::requireFree($appointment->studio, $appointment->booking(), $appointment->id);
            } catch (InvalidInput $e) {
                throw self::refused($e->getMessage());
            }
        }
    }

    /** @param  array{table: string, id: int, before: array<string, mixed>|null, after: array<string, mixed>|null}  $change */
    private function revert(array $change): void
    {
        ['table' => $table, 'id' => $id, 'before' => $before, 'after' => $after] = $change;
        $row = DB::table($table)->where('id', $id)->lockForUpdate()->first();
        if ($after === null) {
            if ($row === null) {
                self::unlessTaken($table, (array) $before, fn () => DB::table($table)->insert((array) $before));
            }
            $this->journal->track($table, $id, null, []);

            return;
        }
        if ($table === 'decisions' && ($row->locked_at ?? null) !== null) {
            throw self::refused('The decision is locked: reopen it on the answer, which makes a new version.');
        }
        if ($row === null) {
            throw self::refused('What was changed then is no longer there, so it cannot be taken back.');
        }
        if ($before === null) {
            if ($table === 'held_shots' && ($row->settled_at ?? null) !== null) {
                throw self::refused('A shot of it was taken from the tray or discarded since, so it stays there.');
            }
            try {
                DB::table($table)->where('id', $id)->delete();
            } catch (QueryException $e) {
                if (! self::isHeldByOthers($e)) {
                    throw $e;
                }
                throw self::refused('Shots or other records were added to it since, so it stays.');
            }
            $this->journal->track($table, $id, (array) $row, null);

            return;
        }
        foreach ($after as $column => $value) {
            if ($row->{$column} != $value && ! self::isSameMoment($row->{$column}, $value)) {
                throw self::refused('It was changed again since, perhaps on another screen: nothing was taken back.');
            }
        }
        $version = property_exists($row, 'version') ? ['version' => $row->version + 1] : [];
        self::unlessTaken($table, $before, fn () => DB::table($table)->where('id', $id)->update($before + $version));
        $this->journal->track($table, $id, $after, $before);
    }

    /**
     * Puts old values in again, unless something else stands in their place by now.
     *
     * @param  array<string, mixed>  $before
     * @param  Closure(): mixed  $do
     */
    private static function unlessTaken(string $table, array $before, Closure $do): void
    {
        try {
            $do();
        } catch (UniqueConstraintViolationException) {
            throw self::refused(
                $table === 'setups' && isset($before['tag'])
                    ? "The letter {$before['tag']} belongs to another setup since: nothing was taken back."
                    : 'Something else has taken its place since: nothing was taken back.',
            );
        } catch (QueryException $e) {
            if (! self::isHeldByOthers($e)) {
                throw $e;
            }
            throw self::refused('What it belonged to is gone since: nothing was taken back.');
        }
    }

    /** A foreign key that keeps a row where it is, or out; not a conflict with somebody who writes at the same moment. */
    private static function isHeldByOthers(QueryException $e): bool
    {
        return str_contains($e->getMessage(), 'foreign key constraint');
    }

    private static function refused(string $why): ValidationException
    {
        return ValidationException::withMessages(['entry' => $why]);
    }

    /** The database and the framework write a moment in two ways. */
    public static function isSameMoment(mixed $a, mixed $b): bool
    {
        return is_string($a) && is_string($b) && preg_match('/^\d{4}-\d\d-\d\d[ T]/', $a) === 1 && strtotime($a) === strtotime($b);
    }
}
