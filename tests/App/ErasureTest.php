<?php

declare(strict_types=1);

use App\Data\Eraser;
use App\Data\PersonalColumns;
use App\Models\Appointment;
use App\Models\Decision;
use App\Models\Player;
use App\Models\PlayerLink;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

// One list of what is a person's (App\Data\PersonalColumns), held against the schema and against what is left after erasing.

/** @return array<string, list<string>> text columns by table */
function textColumns(): array
{
    $found = DB::select("SELECT table_name AS t, column_name AS c FROM information_schema.columns WHERE table_schema = DATABASE()
        AND data_type IN ('varchar', 'char', 'text', 'mediumtext', 'longtext', 'blob', 'longblob', 'json')");
    $out = [];
    foreach ($found as $row) {
        $out[$row->t][] = $row->c;
    }

    return $out;
}

it('names every text column of a player’s rows exactly once', function (): void {
    $all = textColumns();
    $pointing = array_map(static fn (object $r): string => $r->t,
        DB::select("SELECT DISTINCT table_name AS t FROM information_schema.columns
        WHERE table_schema = DATABASE() AND column_name IN ('player_id', 'fitting_id', 'order_id')"));
    // A bay's fitting and the record that somebody was erased say nothing of a person.
    expect(array_diff($pointing, array_keys(PersonalColumns::TABLES + PersonalColumns::WORKED_OUT)))->toEqualCanonicalizing(['bays', 'erasures']);
    foreach (array_keys(PersonalColumns::TABLES) as $table) {
        $listed = in_array($table, PersonalColumns::GONE, true) ? $all[$table] : [
            ...array_keys(PersonalColumns::EMPTIED[$table] ?? []), ...array_keys(PersonalColumns::NUMBERED[$table] ?? []),
            ...(PersonalColumns::NAMED_IN[$table] ?? []), ...(PersonalColumns::STAY[$table] ?? []),
            ...match ($table) {
                'players' => ['name'], 'rounds' => ['course'], default => []
            },
        ];
        $here = array_unique(array_intersect($listed, $all[$table] ?? []));
        expect($here)->toEqualCanonicalizing($all[$table] ?? [], "{$table}: ".implode(', ', array_diff($all[$table] ?? [], $here)))
            ->and($listed)->toHaveCount(count(array_unique($listed)), $table);
    }
});

it('gives everything before, and leaves nothing in the database, the storage or the log after', function (): void {
    $log = storage_path('logs/erasure-test.log');
    @unlink($log);
    config(['logging.channels.erasure' => ['driver' => 'single', 'path' => $log]]);
    Log::setDefaultDriver('erasure');
    $user = $this->fitter();
    $this->actingAs($user);
    $case = $this->fitting($user);
    [$own, $other] = [$this->addSetup($case, ['head_id' => null]), $this->addSetup($case, ['head_id' => null])];
    foreach ([$own, $other] as $setup) {
        $this->postJson("api/fittings/{$case->id}/trials", ['setupId' => $setup->id])->assertCreated();
        $this->hitAbout($user, $setup, n: 6);
    }
    $file = $this->postJson("api/fittings/{$case->id}/files", [
        'file' => UploadedFile::fake()->createWithContent('one.csv', "Ball Speed (mph),Launch,Spin\n151,12,2400\n"),
    ])->assertCreated();
    $this->postJson("api/fittings/{$case->id}/decisions", ['setupId' => $other->id, 'reason' => 'x'])->assertCreated();
    $this->postJson('api/decisions/'.Decision::query()->value('id').'/lock', [])->assertOk();
    $ids = ['studio_id' => $user->studio_id, 'player_id' => $case->player_id];
    $link = PlayerLink::grant('intake', $case->player, null, $user);
    insertRow('intakes', $ids + ['link_id' => $link->id, 'sent_key' => 'k', 'said' => '{}']);
    insertRow('consents', $ids + ['text' => 'x']);
    Appointment::query()->create($ids + ['kind' => 'x', 'starts_at' => now(), 'ends_at' => now()->addHour(), 'swings' => 30]);
    $round = ['key' => 'a-key-of-mine', 'playedOn' => now()->format('Y-m-d'), 'course' => 'x', 'club' => 'before',
        'holes' => 14, 'hit' => 7, 'left' => 4, 'right' => 3, 'lost' => 0];
    $this->postJson("api/fittings/{$case->id}/rounds", $round)->assertCreated();
    insertRow('long_clubs', ['studio_id' => $user->studio_id, 'fitting_id' => $case->id, 'name' => 'x', 'kind' => 'hybrid',
        'loft_deg' => 20, 'lie_deg' => 59, 'shots' => '[]']);
    $this->postJson("api/fittings/{$case->id}/orders", [])->assertCreated();
    $order = DB::table('orders')->value('id');
    DB::table('orders')->update(['state' => 'built']);
    $this->postJson("api/orders/{$order}/acceptances", ['version' => DB::table('orders')->value('version'),
        'hand' => 'right', 'loftDeg' => 14])
        ->assertSuccessful();
    insertRow('brief_changes', ['studio_id' => $user->studio_id, 'fitting_id' => $case->id, 'before' => '{}',
        'after' => '{}', 'changed_by' => $user->id]);
    $bay = $this->postJson('api/bays', ['name' => 'Bay 9'])->json('id');
    insertRow('held_shots', ['studio_id' => $user->studio_id, 'fitting_id' => $case->id, 'sender_id' => 's',
        'reason' => 'x', 'body' => '{}', 'bay_id' => $bay]);

    // A marker in every text column that is not the application's own; names in JSON are those of other columns.
    $planted = [];
    foreach (PersonalColumns::TABLES as $table => $by) {
        $rows = DB::table($table)->whereIn($by, match ($by) {
            'fitting_id' => [$case->id], 'order_id' => [$order], default => [$case->player_id]
        });
        foreach (array_diff(textColumns()[$table] ?? [], PersonalColumns::STAY[$table] ?? [],
            PersonalColumns::SECRET[$table] ?? [], ['shot_key', 'content']) as $column) {
            $width = (int) (DB::selectOne('SELECT character_maximum_length AS n FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = ? AND column_name = ?', [$table, $column])->n ?? 0);
            $marker = "Mrk{$table}".str_replace('_', '', $column);
            $named = in_array($column, PersonalColumns::NAMED_IN[$table] ?? [], true);
            $value = match (true) {
                $width < 12 => null,
                $column === 'pain' => Crypt::encryptString($marker),
                $column === 'brief' => json_encode(['wish' => $marker] + (array) json_decode((string) $rows->value('brief'), true)),
                $column === 'lines' => '[{"what":"shaft","label":"Mrkorderslines","price":4}]',
                $named => json_encode((array) json_decode((string) $rows->value($column),
                    true) + ['x' => 'so said Mrksetupshead of MrkPlayer Name']),
                $width > 60_000 && $column !== 'raw' && $column !== 'text' => json_encode([$marker]),
                default => mb_substr($marker, 0, $width),
            };
            if ($value !== null && $table !== 'players' && (clone $rows)->exists()) {
                (clone $rows)->limit(1)->update([$column => $value]);
                $planted["{$table}.{$column}"] = $named && ! in_array($column, ['brief', 'lines'],
                    true) ? 'Mrksetupshead' : mb_substr($marker, 0, $width);
            }
        }
    }
    expect(count($planted))->toBeGreaterThan(45);
    Player::query()->whereKey($case->player_id)->update(['name' => 'MrkPlayer Name']);
    insertRow('log_entries', ['studio_id' => $user->studio_id, 'words' => 'booked an hour for MrkPlayer Name', 'changes' => '[]']);

    $export = (string) $this->get("api/data/players/{$case->player_id}/file")->assertOk()->getContent();
    foreach ($planted as $where => $marker) {
        expect(str_contains($export, $where === 'import_files.raw' ? base64_encode($marker) : $marker))
            ->toBeTrue("{$where} is not in the export");
    }
    $shots = DB::table('shots')->count();
    expect(app(Eraser::class)->erase($case->player_id, $user->id))->toBeTrue();
    foreach (array_map(static fn (object $t): string => array_values((array) $t)[0], DB::select('SHOW TABLES')) as $table) {
        foreach (DB::table($table)->get() as $row) {
            foreach ((array) $row as $column => $value) {
                expect(str_contains((string) $value, 'Mrk'))->toBeFalse("{$table}.{$column} still says {$value}");
            }
        }
    }
    Log::info('the last line');
    foreach ([$log, ...glob(storage_path('framework/cache/data/*/*/*')) ?: [], ...glob(base_path('var/live/*')) ?: []] as $path) {
        expect(str_contains((string) file_get_contents($path), 'Mrk'))->toBeFalse($path);
    }
    // What was hit stays, and every screen of it opens (the markers' own key is no part of any shape).
    foreach (PersonalColumns::NAMED_IN as $table => $columns) {
        foreach ($columns as $column) {
            DB::table($table)->whereNotNull($column)->update([$column => DB::raw("JSON_REMOVE(`{$column}`, '$.x')")]);
        }
    }
    expect(DB::table('shots')->count())->toBe($shots)->and(DB::table('setups')->pluck('head')->unique()->count())->toBe(2);
    foreach (['', '/comparison', '/judge', '/decisions', '/follow-up', '/gaps', '/file'] as $what) {
        $this->getJson("api/fittings/{$case->id}{$what}")->assertOk();
    }
    $this->getJson('api/orders')->assertOk();
});

/** @param  array<string, mixed>  $given  what else wants a value is 1, or now */
function insertRow(string $table, array $given): void
{
    $columns = DB::select("SELECT column_name AS c, data_type AS t FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = ?
        AND (is_nullable = 'NO' AND column_default IS NULL OR column_name = 'created_at') AND extra NOT LIKE '%auto_increment%'", [$table]);
    foreach ($columns as $column) {
        $given += [$column->c => in_array($column->t, ['timestamp', 'datetime'], true) ? now() : 1];
    }
    DB::table($table)->insert($given);
}
