<?php

declare(strict_types=1);

use App\Models\Fitting;
use App\Models\Shot;
use App\Models\Studio;
use App\Support\Health;
use App\Support\Metrics;
use App\Support\Slots;
use App\Support\WithoutPersons;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Launch\TextFile;
use Monolog\Level;
use Monolog\LogRecord;
use Symfony\Component\ErrorHandler\Error\FatalError;

// How much of everything one person, one address, one file or one fitting may take; and what a watcher sees of it.

/** A place of all four, once a test that runs beside this one has let it go. @return resource */
function placeOf(Slots $slots)
{
    do {
        $place = $slots->take('all', 4);
    } while ($place === null && usleep(20_000) === null);

    return $place;
}

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->actingAs($this->user);
    $this->case = $this->fitting($this->user);
    $this->url = "api/fittings/{$this->case->id}";
    /** Whoever sees the plan of each query of a request: [sql, plan rows]. */
    $this->plansOf = function (string $uri): array {
        $queries = [];
        DB::listen(function ($q) use (&$queries): void {
            if (str_starts_with($q->sql, 'select')) {
                $queries[$q->sql] = $q->bindings;
            }
        });
        $this->getJson($uri)->assertOk();
        $plans = [];
        foreach ($queries as $sql => $bindings) {
            $plans[$sql] = DB::select("explain {$sql}", $bindings);
        }

        return $plans;
    };
});

it('works on so many judging requests of one person at once, and answers the next at once', function (): void {
    $setup = $this->addSetup($this->case);
    $this->hitAbout($this->user, $setup, n: 4);
    $slots = new Slots;
    $held = array_map(fn () => $slots->take("person-{$this->user->id}", 3), range(1, 3));
    expect(array_filter($held))->toHaveCount(3)->and($slots->take("person-{$this->user->id}", 3))->toBeNull();
    foreach (['comparison', 'judging', 'judge', 'advice', 'grounds'] as $what) {
        $this->getJson("{$this->url}/{$what}")->assertTooManyRequests()->assertHeader('Retry-After', '1');
    }
    $this->postJson("{$this->url}/decisions", ['setupId' => $setup->id])->assertTooManyRequests();
    // What does not judge goes on, and so do others.
    $this->getJson($this->url)->assertOk();
    $this->getJson("{$this->url}/shots")->assertOk();
    $slots->free($held[0]);
    $this->getJson("{$this->url}/comparison")->assertOk();
});

it('keeps workers free for all others, however many persons judge', function (): void {
    $setup = $this->addSetup($this->case);
    $this->hitAbout($this->user, $setup, n: 4);
    $slots = new Slots;
    $held = array_map(fn () => placeOf($slots), range(1, 4));
    $this->getJson("{$this->url}/comparison")->assertTooManyRequests();
    array_map($slots->free(...), $held);
    $this->getJson("{$this->url}/comparison")->assertOk();
});

it('gives a place back when whoever held it is gone, however that was', function (): void {
    $code = 'require "'.base_path('vendor/autoload.php').'"; $app = require "'.base_path('bootstrap/app.php').'";'
        .'(new App\Support\Slots)->take("gone", 1) || exit(1); posix_kill(getmypid(), 9);';
    exec('MINT_STORAGE=tests php -r '.escapeshellarg($code).' 2>&1', $out, $status);
    expect($status)->toBe(137)->and((new Slots)->take('gone', 1))->not->toBeNull();
});

it('answers what takes too long with what can be done', function (): void {
    Route::get('api/slow', fn () => throw new FatalError('Maximum execution time of 20 seconds exceeded', 0, ['file' => 'x', 'line' => 1]));
    $this->getJson('api/slow')->assertStatus(503)->assertJsonPath('message', fn (string $m): bool => str_contains($m, 'was given up'));
    Route::get('api/broken', fn () => throw new FatalError('Out of luck', 0, ['file' => 'x', 'line' => 1]));
    $this->getJson('api/broken')->assertStatus(500);
});

it('refuses a file of separators at once, and names the line', function (string $bytes, string $says): void {
    $began = microtime(true);
    expect(fn () => TextFile::read($bytes))->toThrow(UnreadableFile::class, $says)
        ->and(microtime(true) - $began)->toBeLessThan(3.0);
    $this->postJson("{$this->url}/files", ['file' => UploadedFile::fake()->createWithContent('x.csv', $bytes)])->assertUnprocessable();
})->with([
    'two million commas in a line' => [str_repeat(',', 2_000_000).'1', 'Line 1 has 2,000,001 columns'],
    'two million commas in many lines' => [str_repeat(str_repeat('1,', 200)."\n", 5000), 'more than 500,000 cells'],
    'a line of 300 columns further down' => ["a,b\n1,2\n".str_repeat('x;', 299).'y'."\n", 'Line 3 has 300 columns'],
]);

it('reads a wide file of a real monitor', function (): void {
    $header = implode(',', ['Ball Speed (mph)', 'Launch', 'Spin', ...array_map(fn (int $i): string => "More {$i}", range(1, 200))]);
    $row = implode(',', ['150', '12', '2400', ...array_fill(0, 200, '1')]);
    expect(TextFile::read("{$header}\n".str_repeat("{$row}\n", 500))->rows)->toHaveCount(501);
});

it('counts posts by address before the token and by bay after it, however the path is spelt', function (): void {
    $this->atTheBay();
    ($this->begin)();
    config(['mintcarry.bay_posts_per_minute' => 6]);
    $spellings = ["api/bays/{$this->bay}/shots", "api/bays/0{$this->bay}/shots", "api/bays/00{$this->bay}/shots"];
    $statuses = [];
    for ($i = 0; $i < 9; $i++) {
        $this->app['auth']->forgetGuards();
        $statuses[] = $this->withServerVariables(['REMOTE_ADDR' => "192.0.2.{$i}"])->postJson(
            $spellings[$i % 3], ['id' => "n{$i}", 'values' => $this->good], ['Authorization' => "Bearer {$this->token}"],
        )->getStatusCode();
    }
    expect(array_count_values($statuses))->toBe([200 => 6, 429 => 3])->and(Shot::query()->count())->toBe(6);
    // Guessing at tokens is counted by where it comes from, whatever bay is named.
    config(['mintcarry.address_posts_per_minute' => 5]);
    $guesses = [];
    for ($i = 0; $i < 7; $i++) {
        $guesses[] = $this->withServerVariables(['REMOTE_ADDR' => '198.51.100.4'])
            ->postJson("api/bays/{$i}/shots", [], ['Authorization' => "Bearer guess{$i}"])->getStatusCode();
    }
    expect($guesses)->toBe([401, 401, 401, 401, 401, 429, 429]);
});

it('lets a gauge and a balance belong to one studio', function (): void {
    config(['mintcarry.devices.gauge' => 'http://127.0.0.1:9']);
    $head = $this->rackHead($this->user)['id'];
    $says = fn (): string => (string) $this->postJson("api/heads/{$head}/read/gauge", ['position' => 'N'])->assertUnprocessable()
        ->json('errors.device.0');
    expect($says())->toContain('does not answer');
    Studio::query()->create(['name' => 'Another']);
    expect($says())->toContain('No gauge or balance belongs to this studio');
    config(['mintcarry.devices_of' => 'Another']);
    expect($says())->toContain('belongs to this studio');
    config(['mintcarry.devices_of' => 'Test studio']);
    expect($says())->toContain('does not answer');
});

it('turns the day book page by page, with nothing twice and nothing left out', function (): void {
    // Seventy of the same second, and more before.
    $player = $this->case->player_id;
    DB::statement("INSERT INTO fittings (studio_id, player_id, brief, wants, typed, created_at, updated_at) SELECT {$this->user->studio_id}, {$player},
        (SELECT f.brief FROM fittings f WHERE f.id = {$this->case->id}), 'a page', '{}', NOW(), '2026-05-01 10:00:00' - INTERVAL (seq DIV 70) DAY FROM seq_1_to_150");
    $all = [];
    $uri = 'api/fittings';
    while (true) {
        $page = $this->getJson($uri)->assertOk()->json();
        array_push($all, ...array_column($page, 'id'));
        if (count($page) < 60) {
            break;
        }
        $last = end($page);
        $uri = 'api/fittings?'.http_build_query(['before' => $last['updatedAt'], 'beforeId' => $last['id']]);
    }
    expect($all)->toHaveCount(151)->and(array_unique($all))->toHaveCount(151)
        ->and($all)->toBe(Fitting::query()->orderByDesc('updated_at')->orderByDesc('id')->pluck('id')->all());
    $may = $this->getJson('api/fittings?before='.urlencode('2026-04-30T23:59:59Z'))->json();
    expect($may)->not->toBe([])->and(max(array_column($may, 'updatedAt')))->toBeLessThan('2026-05-01');
    $this->getJson('api/fittings?before=yesterdayish')->assertUnprocessable();
});

it('reads every list by an index', function (): void {
    $studio = $this->user->studio_id;
    $brief = "(SELECT f.brief FROM fittings f WHERE f.id = {$this->case->id})";
    $units = "'{\"speed\":\"mph\",\"distance\":\"yd\",\"height\":\"ft\",\"length\":\"in\"}'";
    DB::statement("INSERT INTO players (studio_id, name, hand, units, created_at, updated_at) SELECT {$studio}, CONCAT('Player ', seq), 'right', {$units}, NOW(), NOW() FROM seq_1_to_1500");
    // Others have more: nobody's list may cost what all have.
    $else = $this->fitter('Else')->studio_id;
    DB::statement("INSERT INTO players (studio_id, name, hand, units, created_at, updated_at) SELECT {$else}, CONCAT('Other ', seq), 'right', {$units}, NOW(), NOW() FROM seq_1_to_9000");
    DB::statement("INSERT INTO fittings (studio_id, player_id, brief, wants, typed, created_at, updated_at) SELECT {$else}, id, {$brief}, 'w', '{}', NOW(), NOW() FROM players WHERE studio_id = {$else}");
    DB::statement("INSERT INTO fittings (studio_id, player_id, brief, wants, typed, created_at, updated_at) SELECT {$studio}, {$this->case->player_id}, {$brief}, 'w', '{}', NOW(), NOW() - INTERVAL seq HOUR FROM seq_1_to_1500");
    DB::statement("INSERT INTO setups (studio_id, fitting_id, tag, position, head, stated_loft_deg, typed) SELECT {$studio}, id, 'A', 1, CONCAT('Head ', id), 10, '{}' FROM fittings");
    DB::statement("INSERT INTO shots (studio_id, fitting_id, setup_id, source, sequence, shot_key, measured, typed, flags, created_at, updated_at)
        SELECT {$studio}, s.fitting_id, s.id, 'monitor', q.seq, MD5(q.seq), '{\"ballSpeedMps\":66,\"launchDeg\":12,\"spinRpm\":2400}', '{}', '[]', NOW(), NOW() FROM setups s JOIN seq_1_to_5 q");
    DB::statement("INSERT INTO log_entries (studio_id, fitting_id, user_id, words, changes, created_at, updated_at) SELECT {$studio}, id, {$this->user->id}, 'did', '[]', NOW(), NOW() FROM fittings");
    DB::statement("INSERT INTO looks (studio_id, user_id, player_id, fitting_id, what, day, created_at, updated_at) SELECT {$studio}, {$this->user->id}, id, NULL, 'looked', '2026-01-01', NOW(), NOW() FROM players");
    // Tables that grow with the studio's work. What there are few of may be read whole.
    $growing = ['players', 'fittings', 'setups', 'shots', 'log_entries', 'looks', 'held_shots', 'import_files', 'decisions', 'trials'];
    $seen = [];
    foreach ([
        'api/fittings', 'api/fittings?q=Head', 'api/fittings?before=2026-09-01T00:00:00Z', 'api/players', 'api/players?q=Player', 'api/bin',
        'api/data/looks', 'api/people', 'api/bays', "{$this->url}/shots", "{$this->url}/log", "{$this->url}/held", "{$this->url}/files",
        "{$this->url}/decisions", "{$this->url}/brief/changes", "{$this->url}/bay", $this->url,
    ] as $uri) {
        foreach (($this->plansOf)($uri) as $sql => $plan) {
            foreach ($plan as $row) {
                if (in_array($row->table, $growing, true)) {
                    $seen[$row->table] = true;
                    expect($row->type === 'ALL' && (int) $row->rows > 100)->toBeFalse("{$uri} reads all of {$row->table}: {$sql}");
                }
            }
        }
    }
    expect(array_keys($seen))->toContain('players', 'fittings', 'setups', 'shots', 'log_entries', 'looks');
});

it('is not healthy without the database, or with tables of another version', function (): void {
    $this->getJson('/up')->assertOk()->assertJsonPath('up', true);
    config(['database.connections.mariadb.unix_socket' => '/nowhere/db.sock', 'database.connections.mariadb.host' => '']);
    $this->getJson('/up')->assertStatus(503)->assertJsonPath('why', 'the database does not answer within a second');
});

it('says to everybody that the database is away, and never a bare fault', function (string $method, string $url, array $says): void {
    $bay = $this->postJson('api/bays', ['name' => 'Bay 7'])->assertCreated()->json();
    $token = $this->postJson("api/bays/{$bay['id']}/token")->json('token');
    $here = config('database.connections.mariadb.unix_socket');
    config(['database.connections.mariadb.unix_socket' => '/nowhere/db.sock', 'database.connections.mariadb.host' => '']);
    DB::connection()->setPdo(null)->setReadPdo(null);
    $answer = $this->withToken($token)->json($method, str_replace('BAY', (string) $bay['id'], $url), $says);
    config(['database.connections.mariadb.unix_socket' => $here]);
    DB::reconnect();
    expect([$answer->status(), $answer->headers->get('Retry-After')])->toBe([503, '5'])
        ->and($answer->json('message'))->toContain('does not answer')->and($answer->headers->get('X-Request-Id'))->not->toBeNull();
})->with([
    'a screen' => ['GET', 'api/fittings', []], 'a change' => ['POST', 'api/bays', ['name' => 'Bay 8']],
    'a monitor' => ['POST', 'api/bays/BAY/shots', []], 'signing in' => ['POST', 'api/session', ['email' => 'a@b.example', 'password' => 'x']],
    'a player' => ['POST', 'api/for-player/look', ['token' => str_repeat('x', 43)]], 'a calendar' => ['GET', 'api/feeds/'.str_repeat('x', 43).'.ics', []],
]);

it('is not healthy, and says so by name, where a table is gone', function (): void {
    $all = array_map(static fn (object $t): string => array_values((array) $t)[0], DB::select('SHOW TABLES'));
    expect(Health::TABLES)->toEqualCanonicalizing(array_values(array_diff($all, ['migrations', 'cache', 'cache_locks'])));
    expect(Health::broken(DB::connection()))->toBe([]);
    $gone = Mockery::mock(DB::connection())->makePartial();
    $gone->shouldReceive('select')->andReturnUsing(fn (string $sql): array => str_contains($sql,
        '`shots`') || str_contains($sql, '`rounds`')
        ? DB::select("SELECT 1 FROM {$this->name()}_gone") : DB::select($sql));
    expect(Health::broken($gone))->toBe(['rounds', 'shots']);
});

it('is not healthy while a migration is missing', function (): void {
    $missing = new class extends Health
    {
        public static function ofThisVersion(): array
        {
            return [...parent::ofThisVersion(), '2099_01_01_000000_of_tomorrow'];
        }
    };
    expect($missing->problem())->toBe('1 migrations of this version are missing')->and((new Health)->problem())->toBeNull();
});

it('tells a watcher its counts in the Prometheus text format, and nobody else', function (): void {
    $this->getJson($this->url)->assertOk();
    $this->getJson('api/nothing')->assertNotFound();
    $answer = $this->get('/metrics')->assertOk();
    expect($answer->headers->get('Content-Type'))->toBe('text/plain; version=0.0.4; charset=utf-8');
    $families = [];
    foreach (explode("\n", trim((string) $answer->getContent())) as $line) {
        // The format's own grammar: comments of two kinds, or a name, labels and a number.
        expect($line)->toMatch('/^(# (HELP|TYPE) mintcarry_[a-z_]+ .+|mintcarry_[a-z_]+(\{[a-z]+="[^"]*"(,[a-z]+="[^"]*")*\})? -?[0-9.e+-]+)$/i');
        if (preg_match('/^(mintcarry_[a-z_]+)/', $line, $m)) {
            $families[$m[1]] = true;
        }
    }
    expect($families)->toHaveKeys([
        'mintcarry_up', 'mintcarry_database_seconds', 'mintcarry_disk_free_bytes', 'mintcarry_backup_age_seconds', 'mintcarry_requests_total',
        'mintcarry_request_seconds_bucket', 'mintcarry_request_seconds_count',
    ])->and(Metrics::all())->toHaveKey('requests screen 404');
    $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.5'])->get('/metrics')->assertNotFound();
    config(['mintcarry.served' => true]);
    $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.1'])->get('/metrics')->assertNotFound();
    config(['mintcarry.metrics_token' => 'a secret of the watcher']);
    $this->get('/metrics', ['Authorization' => 'Bearer wrong'])->assertNotFound();
    $this->get('/metrics', ['Authorization' => 'Bearer a secret of the watcher'])->assertOk();
});

it('logs lines of JSON that name nobody', function (): void {
    $failure = new QueryException('mariadb', 'insert into `players` (`name`) values (?)', ['Quillon Zephyrine'],
        new PDOException('Data too long'));
    $clean = fn (string $message, array $context): string => (string) json_encode(
        WithoutPersons::clean(new LogRecord(new DateTimeImmutable, 'x', Level::Error, $message, $context))->toArray(),
    );
    expect($clean($failure->getMessage(), ['exception' => $failure]))->not->toContain('Quillon')->toContain('insert into')
        ->and($clean('sent to q.z@example.org', ['to' => ['q.z@example.org'], 'path' => '/#/welcome/abc-DEF_1']))
        ->not->toContain('example.org')->not->toContain('abc-DEF_1');
    // As it is written, with the id that the answer carries.
    $file = storage_path('logs/of-a-test.log');
    @unlink($file);
    config(['logging.default' => 'json', 'logging.channels.json.path' => $file, 'logging.channels.json.driver' => 'single']);
    Log::forgetChannel('json');
    $answer = $this->getJson('api/fittings/999999')->assertNotFound();
    $lines = array_map(fn (string $l): array => json_decode($l, true, flags: JSON_THROW_ON_ERROR), file($file, FILE_IGNORE_NEW_LINES));
    expect(end($lines))->toMatchArray(['message' => 'refused'])
        ->and(end($lines)['context'])->toMatchArray([
            'status' => 404, 'route' => 'api/fittings/{fitting}', 'request' => $answer->headers->get('X-Request-Id'), 'user' => $this->user->id,
        ]);
    unlink($file);
});
