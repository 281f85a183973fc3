<?php

declare(strict_types=1);

namespace App\Console;

use App\Exchange\FittingFormat;
use App\Support\Transaction;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use RuntimeException;
use stdClass;

/**
 * Carries a database of version 0.1 over to the tables of today. Its tables are put aside under a name of their own, new ones are
 * made, every row is copied and counted, and only then what was put aside goes. Stopped half-way it begins anew, from what was
 * put aside.
 */
final class CarryOver
{
    private const ASIDE = 'before_';

    /** The migrations of version 0.1, all of them. */
    private const OF_BEFORE = [
        '2026_11_23_000000_create_tables', '2026_11_24_000000_brief_and_rack', '2026_11_25_000000_bays',
        '2026_11_26_000000_visits_and_records', '2026_11_27_000000_decide_and_confirm', '2026_11_28_000000_what_a_repeat_is',
    ];

    /** Columns that have another name now, by table: new => before. */
    private const RENAMED = [
        'setups' => ['rack_snapshot' => 'spec'], 'trials' => ['conditions' => 'place'], 'blinds' => ['ordinal' => 'place'],
        'confirms' => ['benchmark_setup_id' => 'held_setup_id'],
    ];

    /** Nothing of these is worth keeping. */
    private const LEFT_BEHIND = ['migrations', 'sessions', 'cache', 'cache_locks', 'jobs', 'judgements', 'lessons'];

    /** Names that were not unique and have to be, with what they are unique within. */
    private const UNIQUE = ['sleeves' => ['name', 60, ''], 'heads' => ['label', 80, 'hand'], 'parts' => ['label', 80, 'kind']];

    /** Ids that could stand without what they point to: table, column, the table it points to. */
    private const LOOSE = [
        ['fittings', 'benchmark_setup_id', 'setups'], ['fittings', 'running_trial_id', 'trials'],
        ['setups', 'branched_from_id', 'setups'], ['log_entries', 'undo_of', 'log_entries'],
    ];

    /**
     * Whether this is a database of before; one that is neither of before nor of today cannot be carried over.
     *
     * @throws RuntimeException that says so, with nothing changed
     */
    public static function isDue(): bool
    {
        if (Schema::hasTable(self::ASIDE.'migrations')) {
            return true;
        }
        $done = Schema::hasTable('migrations') ? DB::table('migrations')->pluck('migration')->all() : [];
        $ofBefore = array_intersect(self::OF_BEFORE, $done);
        if ($ofBefore !== [] && $ofBefore !== self::OF_BEFORE) {
            throw new RuntimeException(
                'This database was made by a version older than 0.1, which cannot be carried over. Nothing was changed. '.
                    'Start the version that made it and export its fittings as files, or begin anew with bin/start --reset.',
            );
        }

        return $ofBefore !== [];
    }

    /** @return array<string, int> rows carried over, by table */
    public static function run(): array
    {
        self::putAside();
        foreach (self::tables() as $table) {
            if (! str_starts_with($table, self::ASIDE)) {
                DB::statement('SET FOREIGN_KEY_CHECKS=0');
                Schema::drop($table);
            }
        }
        Artisan::call('migrate', ['--force' => true]);
        self::mend();
        $counts = Transaction::run(function (): array {
            DB::statement('SET FOREIGN_KEY_CHECKS=0');
            $counts = self::copy();
            self::renameInJson();
            DB::statement('SET FOREIGN_KEY_CHECKS=1');

            return $counts;
        });
        foreach (self::tables() as $table) {
            if (str_starts_with($table, self::ASIDE)) {
                Schema::drop($table);
            }
        }

        return $counts;
    }

    /** The list of migrations goes last: once it is aside, all is. */
    private static function putAside(): void
    {
        if (Schema::hasTable(self::ASIDE.'migrations')) {
            return;
        }
        $tables = array_filter(self::tables(), static fn (string $t): bool => ! str_starts_with($t, self::ASIDE));
        foreach ($tables as $table) {
            // Names of foreign keys are taken in the whole database.
            foreach (Schema::getForeignKeys($table) as $key) {
                DB::statement("ALTER TABLE `{$table}` DROP FOREIGN KEY `{$key['name']}`");
            }
        }
        foreach ([...array_diff($tables, ['migrations']), 'migrations'] as $table) {
            Schema::rename($table, self::ASIDE.$table);
        }
    }

    /** @return list<string> */
    private static function tables(): array
    {
        return array_column(Schema::getTables(DB::getDatabaseName()), 'name');
    }

    /** What the tables of today refuse is put right where it lies. */
    private static function mend(): void
    {
        foreach (self::LOOSE as [$table, $column, $to]) {
            [$from, $at] = [self::ASIDE.$table, self::ASIDE.$to];
            DB::statement(
                "UPDATE {$from} f LEFT JOIN {$at} t ON t.id = f.{$column} SET f.{$column} = NULL WHERE f.{$column} IS NOT "
                    .'NULL AND t.id IS NULL',
            );
        }
        DB::statement(
            'UPDATE before_decisions d LEFT JOIN before_setups s ON s.id = d.advised_setup_id SET d.advised_setup_id = '
                .'d.setup_id WHERE s.id IS NULL',
        );
        // A price without a currency: nobody can know today which it was, so it says so.
        foreach (['heads', 'parts'] as $table) {
            DB::statement("UPDATE before_{$table} SET supply = JSON_SET(supply, '\$.currency', 'unsaid')
                WHERE JSON_VALUE(supply, '\$.price') IS NOT NULL AND COALESCE(JSON_VALUE(supply, '\$.currency'), '') = ''");
        }
        foreach (self::UNIQUE as $table => [$column, $longest, $within]) {
            $seen = [];
            foreach (
                DB::table(self::ASIDE.$table)
                    ->whereNull('retired_at')->orderBy('id')->get() as $row
            ) {
                $key = mb_strtolower("{$row->studio_id}/".($within === '' ? '' : $row->{$within}.'/').$row->{$column});
                $seen[$key] = ($seen[$key] ?? 0) + 1;
                if ($seen[$key] > 1) {
                    $name = mb_substr((string) $row->{$column}, 0, $longest - 6)." ({$seen[$key]})";
                    DB::table(self::ASIDE.$table)
                        ->where('id', $row->id)->update([$column => $name]);
                }
            }
        }
    }

    /** @return array<string, int> */
    private static function copy(): array
    {
        $counts = [];
        foreach (self::tables() as $aside) {
            $table = str_starts_with($aside, self::ASIDE) ? substr($aside, strlen(self::ASIDE)) : '';
            if ($table === '' || in_array($table, self::LEFT_BEHIND, true)) {
                continue;
            }
            $there = array_column(Schema::getColumns($aside), 'name');
            $into = $from = [];
            foreach (Schema::getColumns($table) as $column) {
                $old = self::RENAMED[$table][$column['name']] ?? $column['name'];
                if (in_array($old, $there, true)) {
                    $into[] = "`{$column['name']}`";
                    $from[] = preg_match('/^varchar\((\d+)\)/', $column['type'], $m) === 1 ? "LEFT(`{$old}`, {$m[1]})" : "`{$old}`";
                }
            }
            DB::statement("INSERT INTO `{$table}` (".implode(', ', $into).') SELECT '.implode(', ', $from)." FROM `{$aside}`");
            $counts[$table] = DB::table($table)->count();
            if ($counts[$table] !== DB::table($aside)->count()) {
                throw new RuntimeException("Not every row of {$table} came over. What was there lies in {$aside}; nothing is lost.");
            }
        }
        DB::statement('INSERT INTO simulated_heads (head_id, truth) SELECT id, truth FROM before_heads WHERE truth IS NOT NULL');

        return $counts;
    }

    /** Names inside what is kept as JSON: advice and proofs, what the journal can put back, and a word of the brief. */
    private static function renameInJson(): void
    {
        DB::table('decisions')
            ->orderBy('id')
            ->each(function (stdClass $row): void {
                $today = static fn (?string $json): ?string => $json === null
                    ? null
                    : self::json(FittingFormat::today((array) json_decode($json, true)));
                DB::table('decisions')
                    ->where('id', $row->id)->update(['advice' => $today($row->advice), 'proof' => $today($row->proof)]);
            });
        DB::table('log_entries')
            ->orderBy('id')
            ->each(function (stdClass $row): void {
                $changes = array_map(static function (array $change): array {
                    foreach (self::RENAMED[$change['table']] ?? [] as $new => $old) {
                        foreach (['before', 'after'] as $when) {
                            if (is_array($change[$when]) && array_key_exists($old, $change[$when])) {
                                $change[$when][$new] = $change[$when][$old];
                                unset($change[$when][$old]);
                            }
                        }
                    }

                    return $change;
                }, (array) json_decode($row->changes, true));
                DB::table('log_entries')
                    ->where('id', $row->id)->update(['changes' => self::json($changes)]);
            });
        foreach (
            ['fittings' => ['brief', 'typed'], 'brief_changes' => ['before', 'after'], 'log_entries' => ['changes']] as $table => $columns
        ) {
            foreach ($columns as $column) {
                DB::statement("UPDATE {$table} SET `{$column}` = REPLACE(`{$column}`, 'low scooter', 'low runner')");
            }
        }
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE);
    }
}
