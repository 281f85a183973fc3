<?php

declare(strict_types=1);

use App\Console\CarryOver;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\LogEntry;
use App\Models\Trial;
use App\Models\User;
use App\Support\Transaction;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

// A dump of the database of each released version is carried forward (tests/fixtures/database). Changes of the schema end a
// transaction in MariaDB, so these tests build their database anew at the end.

afterEach(fn () => $this->artisan('migrate:fresh'));

/** Throws away what is there and puts the dump of a version in its place. */
function databaseOf(string $version): void
{
    // Tables are made and renamed here, which ends the test's own transaction.
    Transaction::$rehearsal = null;
    config(['mintcarry.transactions_around' => 0]);
    Schema::dropAllTables();
    DB::unprepared((string) file_get_contents(dirname(__DIR__)."/fixtures/database/{$version}.sql"));
}

/** @return array<string, mixed> tables, columns, keys and references, whatever they are called */
function structure(): array
{
    $out = [];
    foreach (Schema::getTables(DB::getDatabaseName()) as $table) {
        $name = $table['name'];
        $columns = array_map(fn (array $c): array => array_diff_key($c, ['collation_name' => 1]), Schema::getColumns($name));
        $indexes = Schema::getIndexes($name);
        $keys = array_map(fn (array $k): array => array_diff_key($k, ['foreign_schema' => 1]), Schema::getForeignKeys($name));
        foreach ([&$columns, &$indexes, &$keys] as &$list) {
            usort($list, fn (array $a, array $b): int => json_encode($a) <=> json_encode($b));
        }
        $out[$name] = [$columns, $indexes, $keys];
    }
    ksort($out);

    return $out;
}

it('carries a database of 0.1 over: every row, the tables of today, and the words of today', function (): void {
    $fresh = structure();
    databaseOf('0.1');
    $before = [];
    foreach (
        [
            'studios', 'users', 'players', 'fittings', 'setups', 'trials', 'visits', 'blinds', 'confirms', 'shots', 'held_shots',
            'ratings', 'decisions', 'heads', 'readings', 'sleeves', 'parts', 'bays', 'log_entries',
        ] as $table
    ) {
        $before[$table] = DB::table($table)->count();
        expect($before[$table])->toBeGreaterThan(0, $table);
    }
    $places = DB::table('trials')->orderBy('id')->pluck('place')->all();
    $specs = DB::table('setups')->orderBy('id')->pluck('spec')->all();
    $truths = DB::table('heads')->whereNotNull('truth')->count();
    $this->artisan('mint:migrate')->assertSuccessful();
    expect(structure())->toBe($fresh);
    foreach ($before as $table => $count) {
        expect(DB::table($table)->count())->toBe($count, $table);
    }
    expect(DB::table('trials')->orderBy('id')->pluck('conditions')->all())->toBe($places)
        ->and(DB::table('setups')->orderBy('id')->pluck('rack_snapshot')->all())->toBe($specs)
        ->and(DB::table('simulated_heads')->count())->toBe($truths)
        // Two parts of one name are told apart, and a price without a currency says so.
        ->and(DB::table('parts')->where('label', 'like', 'Priced ball%')->orderBy('id')->pluck('label')->all())
        ->toBe(['Priced ball', 'Priced ball (2)'])
        ->and(json_decode((string) DB::table('parts')->where('label', 'Priced ball')->value('supply'), true))
        ->toEqual(['price' => 40, 'currency' => 'unsaid']);
    foreach (Decision::query()->get() as $decision) {
        expect(array_keys($decision->advice))->toContain('isConclusive')->not->toContain('carried')
            ->and(array_keys($decision->advice['setups'][0]))->toContain('aimFixedStrokes')->not->toContain('heldStrokes');
    }
    // A second time there is nothing to do.
    $this->artisan('mint:migrate')->assertSuccessful();
    expect(structure())->toBe($fresh);
});

it('opens, judges, undoes and locks on what was carried over', function (): void {
    databaseOf('0.1');
    $this->artisan('mint:migrate')->assertSuccessful();
    DB::getPdo()->inTransaction() || DB::getPdo()->beginTransaction(); // the one that the migration ended
    $this->actingAs(User::query()->firstOrFail());
    foreach (Fitting::query()->whereHas('shots')->get() as $fitting) {
        foreach (['', '/bay', '/shots', '/comparison', '/judging', '/finder', '/grounds', '/decisions', '/log', '/file'] as $what) {
            $this->getJson("api/fittings/{$fitting->id}{$what}")->assertOk();
        }
    }
    $locked = Decision::query()->whereNotNull('locked_at')->firstOrFail();
    $this->getJson("api/decisions/{$locked->id}")->assertOk()->assertJsonPath('proof.pick', $locked->advice['pick']);
    // What the journal kept under the names of before is put back under those of today.
    $entry = LogEntry::query()->where('words', 'revealed the blind trial')->firstOrFail();
    $this->postJson("api/log/{$entry->id}/undo")->assertOk();
    expect(Trial::query()->whereNotNull('blind_id')->orderByDesc('number')->firstOrFail()->ended_at)->toBeNull();
});

it('goes on where it was stopped', function (): void {
    $fresh = structure();
    databaseOf('0.1');
    $shots = DB::table('shots')->count();
    // Stopped while tables were put aside, and again while new ones were made.
    foreach (Schema::getForeignKeys('shots') as $key) {
        DB::statement("ALTER TABLE shots DROP FOREIGN KEY {$key['name']}");
    }
    Schema::rename('shots', 'before_shots');
    expect(CarryOver::isDue())->toBeTrue();
    $this->artisan('mint:migrate')->assertSuccessful();
    expect(structure())->toBe($fresh)->and(DB::table('shots')->count())->toBe($shots);
});

it('explains and stops before a database that it cannot carry over, and changes nothing', function (): void {
    databaseOf('0.1');
    DB::table('migrations')->where('migration', '2026_11_28_000000_what_a_repeat_is')->delete();
    $before = structure();
    $this->artisan('mint:migrate')
        ->expectsOutputToContain('older than 0.1, which cannot be carried over. Nothing was changed.')->assertFailed();
    expect(structure())->toBe($before);
});

it('keeps out of the database what the requests keep out', function (string $table, array $row): void {
    $user = $this->fitter();
    $head = $this->rackHead($user);
    $case = $this->fitting($user);
    $fill = fn (mixed $v): mixed => match ($v) {
        ':studio' => $user->studio_id, ':head' => $head['id'], ':fitting' => $case->id, default => $v
    };
    expect(fn () => DB::table($table)->insert(array_map($fill, $row)))->toThrow(Illuminate\Database\QueryException::class);
})->with([
    'a second head of one name' => [
        'heads',
        [
            'studio_id' => ':studio', 'label' => 'Tern 460', 'hand' => 'right', 'stated_loft_deg' => 10, 'slots' => '[]',
            'stock_g' => '[]', 'standard' => '{}', 'supply' => '{}',
        ],
    ],
    'a price without its currency' => [
        'parts', ['studio_id' => ':studio', 'kind' => 'ball', 'label' => 'B', 'data' => '{}', 'supply' => '{"price": 3}'],
    ],
    'a benchmark that there is not' => [
        'fittings', ['studio_id' => ':studio', 'player_id' => 1, 'benchmark_setup_id' => 999999, 'brief' => '{}', 'typed' => '[]'],
    ],
    'a tag of four letters' => [
        'setups',
        [
            'studio_id' => ':studio', 'fitting_id' => ':fitting', 'tag' => 'ABCD', 'position' => 1, 'head' => 'H',
            'stated_loft_deg' => 10, 'typed' => '[]',
        ],
    ],
]);

it('lets a name be used again once its head is retired', function (): void {
    $user = $this->fitter();
    $first = $this->rackHead($user);
    $this->postJson('api/heads', ['label' => 'Tern 460', 'hand' => 'right', 'statedLoftDeg' => 9])
        ->assertUnprocessable()->assertJsonValidationErrors('label');
    $this->deleteJson("api/heads/{$first['id']}")->assertOk();
    $this->postJson('api/heads', ['label' => 'Tern 460', 'hand' => 'right', 'statedLoftDeg' => 9])->assertCreated();
});
