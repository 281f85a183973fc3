<?php

declare(strict_types=1);

namespace App\Journal;

use Illuminate\Support\Facades\DB;
use stdClass;

/** What entries of the journal changed, as it stands now: each table is read once, however many the entries are. */
final class StandingRows
{
    private const NAMED = ['setups' => 'tag', 'long_clubs' => 'name'];

    /** @var array<string, array<int, stdClass>> by table and id */
    private array $rows = [];

    /** @var array<string, array<int, true>> ids of what was made, by table: what points at them is counted */
    private array $made = [];

    /** @var array<string, array<int, int>> rows that point at an id, by "table.column", which points at one table alone */
    private array $pointing = [];

    /** @var array<string, array<string, true>>|null by table, "fitting name" */
    private ?array $names = null;

    /** @var array<int, true>|null trials that shots were moved into */
    private ?array $movedInto = null;

    /** @param  list<array{table: string, id: int, before: array<string, mixed>|null, after: array<string, mixed>|null}>  $changes */
    public function __construct(private readonly array $changes)
    {
        $ids = [];
        foreach ($changes as $change) {
            $ids[$change['table']][$change['id']] = true;
            if ($change['before'] === null) {
                $this->made[$change['table']][$change['id']] = true;
            }
        }
        foreach ($ids as $table => $of) {
            $this->rows[$table] = DB::table($table)->whereIn('id', array_keys($of))->get()->keyBy('id')->all();
        }
    }

    public function row(string $table, int $id): ?stdClass
    {
        return $this->rows[$table][$id] ?? null;
    }

    /**
     * Rows that point at something that was made. Each way of pointing is counted once, for all that was made.
     *
     * @param  string  $made  its table
     * @param  list<int>  $but  rows that do not count
     */
    public function countPointing(string $made, int $id, string $table, string $column, array $but): int
    {
        $this->pointing["{$table}.{$column}"] ??= DB::table($table)->whereIn($column, array_keys($this->made[$made]))
            ->groupBy($column)->selectRaw("{$column} as id, count(*) as n")->pluck('n', 'id')
            ->map(static fn (mixed $n): int => (int) $n)->all();
        $own = array_filter($but, fn (int $other): bool => (int) ($this->row($table, $other)->{$column} ?? 0) === $id);

        return ($this->pointing["{$table}.{$column}"][$id] ?? 0) - count($own);
    }

    /** @param  array<string, mixed>  $before  a row that was taken away */
    public function isNameTaken(string $table, array $before): bool
    {
        $named = self::NAMED[$table] ?? null;
        if ($named === null) {
            return false;
        }
        if ($this->names === null) {
            $fittings = array_column(array_filter(array_column($this->changes, 'before')), 'fitting_id');
            foreach (self::NAMED as $of => $column) {
                foreach (DB::table($of)->whereIn('fitting_id', array_unique($fittings))->get(['fitting_id', $column]) as $row) {
                    $this->names[$of]["{$row->fitting_id} ".mb_strtolower($row->{$column})] = true;
                }
            }
        }

        return isset($this->names[$table][($before['fitting_id'] ?? 0).' '.mb_strtolower((string) ($before[$named] ?? ''))]);
    }

    /** Were shots moved into this trial that are not its own? */
    public function isMovedInto(int $trial): bool
    {
        $this->movedInto ??= array_fill_keys(TrialToTray::movedInto(
            array_values(array_intersect_key($this->rows['trials'] ?? [], $this->made['trials'] ?? [])),
        ), true);

        return isset($this->movedInto[$trial]);
    }
}
