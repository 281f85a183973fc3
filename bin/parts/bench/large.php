<?php

declare(strict_types=1);

// A large base, made by the database itself, in a database of its own: 40 studios, 10 000 fittings, 1 000 000 shots,
// one fitting of 20 000 and one bay of 200 000. Measured is the time in the application, through its whole stack, in
// this process: median of several requests.
// Usage: large.php [keep|fresh] ; `mintcarry_large` stays for the next run.

use App\Access\SignIns;
use App\Models\Bay;
use App\Models\SignIn;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel as Console;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../../../vendor/autoload.php';
$app = require __DIR__.'/../../../bootstrap/app.php';
$app->make(Console::class)->bootstrap();
$say = static fn (string $text) => print $text."\n";
ini_set('memory_limit', '2G');

if (($argv[1] ?? 'keep') === 'fresh' || ! DB::getSchemaBuilder()->hasTable('shots') || DB::table('shots')->max('id') < 1_000_000) {
    $began = microtime(true);
    Artisan::call('migrate:fresh', ['--force' => true]);
    DB::unprepared('SET SESSION unique_checks=0, foreign_key_checks=0');
    $now = 'NOW() - INTERVAL (10000 - %s) * 20 MINUTE';
    DB::statement("INSERT INTO studios (id, name, lock_minutes, created_at) SELECT seq, CONCAT('Studio ', seq), 600, NOW() FROM seq_1_to_40");
    DB::statement("INSERT INTO users (id, studio_id, name, email, password, role, password_at) SELECT seq, seq, CONCAT('Owner ', seq),
        CONCAT('owner', seq, '@large.example'), 'x', 'owner', NOW() FROM seq_1_to_40");
    // Half of everything is in the first studio.
    $of = 'IF(%1$s MOD 2, 1, 1 + %1$s MOD 40)';
    DB::statement('INSERT INTO players (id, studio_id, name, hand, units, created_at, updated_at) SELECT seq, '.sprintf($of, 'seq').",
        CONCAT(ELT(1 + seq MOD 7, 'Orla', 'Bevin', 'Tamsin', 'Ivo', 'Rook', 'Sunniva', 'Caspar'), ' ', ELT(1 + seq MOD 11, 'Wend', 'Harrow', 'Quist',
        'Fenn', 'Marl', 'Thorne', 'Oake', 'Lisle', 'Brandt', 'Hale', 'Voss'), ' ', seq), IF(seq MOD 9, 'right', 'left'),
        '{\"speed\":\"mph\",\"distance\":\"yd\",\"height\":\"ft\",\"length\":\"in\"}', ".sprintf($now, 'seq').', '.sprintf($now, 'seq').' FROM seq_1_to_10000');
    $brief = addslashes((string) json_encode((new MintCarry\Core\Fitting\Brief(wish: 'more carry'))->toArray()));
    DB::statement('INSERT INTO fittings (id, studio_id, player_id, brief, wants, typed, created_at, updated_at) SELECT seq, '.sprintf($of, 'seq').",
        seq, '{$brief}', CONCAT('carry ', seq MOD 50), '{}', ".sprintf($now, 'seq').', '.sprintf($now, 'seq').' FROM seq_1_to_10000');
    DB::statement('INSERT INTO setups (id, studio_id, fitting_id, tag, position, is_baseline, head, stated_loft_deg, typed, created_at, updated_at)
        SELECT seq, '.sprintf($of, '(1 + (seq - 1) DIV 4)').", 1 + (seq - 1) DIV 4, ELT(1 + (seq - 1) MOD 4, 'A', 'B', 'C', 'D'), 1 + (seq - 1) MOD 4,
        (seq - 1) MOD 4 = 0, CONCAT('Head ', seq MOD 60), 9 + (seq MOD 4) * 0.5, '{}', NOW(), NOW() FROM seq_1_to_40000");
    DB::statement('UPDATE fittings SET benchmark_setup_id = 4 * (id - 1) + 1');
    DB::statement('INSERT INTO visits (id, studio_id, fitting_id, number, begun_by, created_at, updated_at) SELECT id, studio_id, id, 1, studio_id, created_at, created_at FROM fittings');
    DB::statement("INSERT INTO trials (id, studio_id, fitting_id, setup_id, visit_id, number, conditions, begun_by, created_at, updated_at)
        SELECT s.id, s.studio_id, s.fitting_id, s.id, s.fitting_id, s.position, '{\"temperatureC\":20,\"altitudeM\":0,\"windMps\":0,\"turf\":\"medium\",\"ball\":\"\",\"monitor\":\"\"}',
        s.studio_id, f.created_at, f.created_at FROM setups s JOIN fittings f ON f.id = s.fitting_id");
    // Shots: fitting 1 has 20 000, fitting 2 has 200 000 in one bay, the others share the rest.
    DB::statement("INSERT INTO bays (id, studio_id, name, fitting_id) VALUES (1, 1, 'Bay 1', NULL), (2, 2, 'Bay of many', 2)");
    DB::statement('UPDATE fittings SET studio_id = 2 WHERE id = 2');
    foreach (['players', 'setups', 'trials', 'visits'] as $table) {
        DB::statement("UPDATE {$table} SET studio_id = 2 WHERE ".($table === 'players' ? 'id' : 'fitting_id').' = 2');
    }
    $shots = static function (string $where, string $setup, int $from, int $to, string $bay): void {
        DB::statement("INSERT INTO shots (studio_id, fitting_id, setup_id, trial_id, bay_id, source, sequence, shot_key, sender_id, sender_session, content,
            sender_sequence, measured, typed, flags, hit_at, created_at, updated_at)
            SELECT s.studio_id, s.fitting_id, s.id, s.id, {$bay}, 'monitor', q.n, MD5(CONCAT('k', q.n, '-', s.id)), CONCAT('id', q.n), 'one', MD5(q.n), q.n,
            JSON_OBJECT('ballSpeedMps', ROUND(66 + 2 * RAND(q.n), 2), 'clubSpeedMps', ROUND(45 + RAND(q.n + 1), 2), 'launchDeg', ROUND(11 + 3 * RAND(q.n + 2), 2),
            'spinRpm', ROUND(2200 + 700 * RAND(q.n + 3)), 'directionDeg', ROUND(3 * RAND(q.n + 4) - 1.5, 2), 'spinAxisDeg', ROUND(10 * RAND(q.n + 5) - 5, 2)),
            '{}', '[]', NULL, NOW(), NOW() FROM (SELECT seq AS n FROM seq_{$from}_to_{$to}) q JOIN setups s ON s.id = {$setup} WHERE {$where}");
    };
    $shots('1 = 1', '1 + q.n MOD 4', 1, 20_000, 'NULL');
    $shots('1 = 1', '5 + q.n MOD 4', 1, 200_000, '2');
    for ($from = 1; $from < 780_000; $from += 130_000) {
        $shots('1 = 1', '9 + q.n MOD 39992', $from, $from + 129_999, 'NULL');
    }
    DB::statement("INSERT INTO log_entries (studio_id, fitting_id, user_id, words, changes, created_at, updated_at) SELECT f.studio_id, f.id, f.studio_id, 'did something', '[]', NOW(), NOW()
        FROM fittings f JOIN seq_1_to_10 s");
    DB::statement("INSERT INTO log_entries (studio_id, fitting_id, user_id, words, changes, created_at, updated_at) SELECT 1, 1, 1, CONCAT('changed shot ', seq),
        JSON_ARRAY(JSON_OBJECT('table', 'shots', 'id', seq, 'before', JSON_OBJECT('note', NULL), 'after', JSON_OBJECT('note', 'x'))), NOW(), NOW() FROM seq_1_to_400");
    DB::statement('ANALYZE TABLE shots, fittings, setups, players, log_entries, trials');
    $say(sprintf('made in %.0f s', microtime(true) - $began));
}
$say(sprintf('%s studios, %s fittings, %s shots', ...array_map(
    static fn (string $t): string => number_format(DB::table($t)->count()), ['studios', 'fittings', 'shots'],
)));
config(['session.driver' => 'array', 'cache.default' => 'array', 'mintcarry.draws_store' => 'array']);
$kernel = $app->make(Kernel::class);
/** Median and worst of the time of a request, in ms. */
$failed = 0;
$time = static function (string $name, string $uri, int $n, ?int $userId = 1, array $post = [], string $token = '') use ($app, $kernel, $say, &$failed): float {
    $took = [];
    for ($i = 0; $i < $n; $i++) {
        $body = $post === [] ? null : json_encode(['id' => uniqid('', true)] + $post, JSON_THROW_ON_ERROR);
        $request = Request::create($uri, $post === [] ? 'GET' : 'POST', [], [], [], [
            'HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json', 'HTTP_AUTHORIZATION' => "Bearer {$token}",
        ], $body);
        if ($userId !== null) {
            $signIn = SignIn::query()->where('user_id', $userId)->where('ends_at', '>', now())->first() ?? SignIn::query()->create([
                'user_id' => $userId, 'from' => '127.0.0.1', 'device' => 'bench', 'seen_at' => now(), 'ends_at' => now()->addYear(),
            ]);
            $app['session']->driver()->put(SignIns::KEY, $signIn->id);
            $app['auth']->forgetGuards();
            $app['auth']->guard('web')->setUser(User::query()->with('studio')->findOrFail($userId));
        }
        $began = hrtime(true);
        $response = $kernel->handle($request);
        $ms = (hrtime(true) - $began) / 1e6;
        if ($response->getStatusCode() >= 400) {
            $say("FAILED  {$name}: {$response->getStatusCode()} ".substr((string) $response->getContent(), 0, 300));
            $failed++;

            return NAN;
        }
        if ($i > 0 || $n === 1) {
            $took[] = $ms;
        }
    }
    sort($took);
    $median = $took[intdiv(count($took), 2)];
    $say(sprintf('%-46s median %7.1f ms   worst %7.1f ms', $name, $median, end($took)));

    return $median;
};
$only = $argv[2] ?? '';
$want = static fn (string $part): bool => $only === '' || $only === $part;
if ($want('lists')) {
    $time('day book', '/api/fittings', 12);
    $time('day book, a page of last spring', '/api/fittings?before='.urlencode(gmdate('Y-m-d\TH:i:s\Z', time() - 86_400 * 60)), 12);
    foreach (['Wend 77', 'zzz', 'Head 7', 'carry 3', 'Orla'] as $q) {
        $time("day book, search “{$q}”", '/api/fittings?q='.urlencode($q), 8);
        $time("players, search “{$q}”", '/api/players?q='.urlencode($q), 8);
    }
    $time('any fitting', '/api/fittings/5001', 8);
    $time('any fitting, compare', '/api/fittings/5001/comparison', 5);
}
if ($want('big')) {
    foreach (['', '/bay', '/shots?newest=300', '/shots?each=250', '/shots', '/log', '/comparison', '/judging', '/judge', '/grounds', '/schools', '/advice', '/decisions', '/file', '/shots.csv'] as $screen) {
        $time("fitting of 20 000 shots{$screen}", "/api/fittings/1{$screen}", 2);
    }
}
if ($want('season')) {
    // Two thousand hand-overs with three rounds each, on twenty courses.
    if (DB::table('decisions')->count() < 2000) {
        $file = (array) json_decode((string) file_get_contents(base_path('tests/fixtures/fittings/2-of-0.2-begun.json')), true);
        $advice = DB::getPdo()->quote((string) json_encode($file['decisions'][0]['advice']));
        $of = "FROM fittings f JOIN setups s ON s.fitting_id = f.id AND s.tag = 'B' WHERE f.studio_id = 1 ORDER BY f.id LIMIT 2000";
        DB::statement("INSERT INTO decisions (id, studio_id, fitting_id, setup_id, advised_setup_id, number, advice, decided_by, created_at, updated_at, reason)
            SELECT f.id, 1, f.id, s.id, s.id, 1, {$advice}, 1, NOW(), NOW(), '' {$of}");
        $steps = DB::getPdo()->quote((string) json_encode([['state' => 'handed over', 'at' => date('c'), 'by' => 'x']]));
        DB::statement("INSERT INTO orders (studio_id, player_id, fitting_id, decision_id, setup_id, state, currency, `lines`, figures, tolerances, steps, note, why, created_at, updated_at)
            SELECT 1, f.player_id, f.id, f.id, s.id, 'handed over', 'EUR', '[]', '{}', '{}', {$steps}, '', '', NOW(), NOW() {$of}");
        DB::statement("INSERT INTO rounds (studio_id, player_id, fitting_id, sent_key, played_on, course, course_key, club, holes, hit, missed_left, missed_right, lost, drives_m, words, typed, created_at, updated_at)
            SELECT 1, d.player_id, d.fitting_id, CONCAT('k', d.id, '-', q.seq), CURDATE(), CONCAT('Course ', d.id MOD 20), CONCAT('course ', d.id MOD 20), 'new', 14, 5 + (d.id + q.seq) MOD 7,
            9 - (d.id + q.seq) MOD 7, 0, 0, '[]', '', '[]', NOW(), NOW() FROM orders d JOIN seq_1_to_3 q WHERE d.studio_id = 1");
    }
    foreach (['season', 'season.csv'] as $what) {
        DB::flushQueryLog();
        DB::enableQueryLog();
        $time("{$what} of 2 000 hand-overs", "/api/{$what}", 4);
        $say(sprintf('  %d queries', count(DB::getQueryLog()) / 4));
        DB::disableQueryLog();
    }
}
if ($want('post')) {
    $post = ['values' => ['ballSpeedMps' => 67.1, 'launchDeg' => 12.1, 'spinRpm' => 2450]];
    config(['mintcarry.bay_posts_per_minute' => 100_000, 'mintcarry.address_posts_per_minute' => 100_000]);
    $results = [];
    foreach (['a bay of few shots' => [1, 5001], 'a bay of 200 000 shots' => [2, 2]] as $name => [$bayId, $fittingId]) {
        $bay = Bay::query()->findOrFail($bayId);
        $token = $bay->renewToken();
        $bay->update(['fitting_id' => $fittingId]);
        DB::table('fittings')->where('id', $fittingId)->update(['running_trial_id' => 4 * ($fittingId - 1) + 1]);
        $results[$name] = $time("post to {$name}", "/api/bays/{$bayId}/shots", 200, null, $post, $token);
    }
    $say(sprintf('ratio %.2f (0.8 to 1.2 wanted)', end($results) / reset($results)));
}
if ($failed > 0) {
    $say("{$failed} of them could not be answered.");
    exit(1);
}
