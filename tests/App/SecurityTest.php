<?php

declare(strict_types=1);

use App\Http\Middleware\BayToken;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\HeldShot;
use App\Models\ImportFile;
use App\Models\LogEntry;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\SignIn;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Route;
use Tests\AppTestCase;

/**
 * One record of each kind, made by this fitter.
 *
 * @return array<string, int|string> ids by the name that routes have for them
 */
function recordsOf(AppTestCase $test, User $theirs): array
{
    $fitting = $test->fitting($theirs);
    $setup = $test->addSetup($fitting);
    $test->type($theirs, $fitting, $setup, [['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400']])->assertCreated();
    $file = $test->postJson("api/fittings/{$fitting->id}/files", [
        'file' => UploadedFile::fake()->createWithContent('x.csv', "Ball Speed (mph),Launch,Spin\n151,12,2400\n"),
    ])
        ->assertCreated()->json('id');
    $head = $test->rackHead($theirs);
    $part = $test->postJson('api/parts', ['kind' => 'grip', 'label' => 'Theirs', 'data' => ['massG' => 50]])
        ->assertCreated()->json('id');
    $bay = $test->postJson('api/bays', ['name' => 'Theirs'])
        ->assertCreated()->json('id');
    $held = HeldShot::query()->create([
        'studio_id' => $theirs->studio_id, 'bay_id' => $bay, 'sender_id' => 'x', 'body' => [], 'reason' => 'x',
    ])->id;
    $trial = $test->postJson("api/fittings/{$fitting->id}/trials", ['setupId' => $setup->id])
        ->assertCreated()->json('running.id');
    $entry = LogEntry::query()->latest('id')->value('id');
    $decision = $test->postJson("api/fittings/{$fitting->id}/decisions", ['setupId' => $setup->id])
        ->assertCreated()->json('id');

    $appointment = $test->postJson('api/appointments', [
        'day' => '2027-03-01', 'time' => '10:00', 'minutes' => 60, 'kind' => 'x', 'swings' => 1, 'playerId' => $fitting->player_id,
    ])->assertCreated()->json('id');
    $link = $test->postJson("api/players/{$fitting->player_id}/links", ['kind' => 'intake'])->assertCreated()->json('id');

    $order = $test->postJson("api/fittings/{$fitting->id}/orders")->assertCreated()->json('id');

    $round = $test->postJson("api/fittings/{$fitting->id}/rounds", [
        'key' => 'a round of theirs', 'playedOn' => '2026-11-01', 'course' => 'Theirs', 'club' => 'before', 'holes' => 14, 'hit' => 7, 'forgotMisses' => true, 'lost' => 0,
    ])->assertCreated()->json('rounds.0.id');

    $longClub = $test->postJson("api/fittings/{$fitting->id}/long-clubs", ['name' => 'Theirs', 'kind' => 'hybrid', 'loftDeg' => 20])
        ->assertCreated()->json('longClubs.0.id');

    return [
        'longClub' => $longClub, 'round' => $round, 'order' => $order, 'appointment' => $appointment, 'link' => $link, 'decision' => $decision, 'trial' => $trial,
        'entry' => $entry, 'head' => $head['id'], 'sleeve' => $head['sleeveId'],
        'part' => $part, 'bay' => $bay, 'held' => $held, 'device' => 'gauge', 'fitting' => $fitting->id, 'setup' => $setup->id,
        'shot' => Shot::query()->firstOrFail()->id, 'file' => $file, 'person' => $theirs->id, 'player' => $fitting->player_id,
        'signIn' => SignIn::query()->where('user_id', $theirs->id)->firstOrFail()->id,
    ];
}

it('keeps one studio out of every record of another, on every route', function (): void {
    $theirs = $this->fitter('Theirs');
    $ids = recordsOf($this, $theirs);
    [$setup, $head, $part, $fitting] = [
        Setup::query()->findOrFail($ids['setup']), ['id' => $ids['head'], 'sleeveId' => $ids['sleeve']], $ids['part'],
        Fitting::query()->findOrFail($ids['fitting']),
    ];
    $ours = $this->fitter('Ours');
    $tried = 0;
    foreach (Route::getRoutes()->getRoutes() as $route) {
        if (! preg_match('/\{(\w+)\}/', $route->uri(), $m)) {
            continue;
        }
        if (in_array($m[1], ['device', 'token'], true) || in_array(BayToken::class, $route->gatherMiddleware(), true)) {
            continue; // belongs to the machine, or is opened by a token (BayFeedTest)
        }
        $uri = (string) preg_replace_callback('/\{(\w+)\}/', fn (array $p): string => (string) $ids[$p[1]], $route->uri());
        foreach (array_diff($route->methods(), ['HEAD']) as $method) {
            $this->actingAs($ours)
                ->json($method, $uri, [
                    'version' => 1, 'leftOut' => null, 'map' => ['columns' => []], 'head' => 'x', 'statedLoftDeg' => 10,
                    'setupId' => $setup->id, 'shots' => [], 'brief' => ['wish' => 'x'], 'label' => 'x', 'masses' => [],
                    'spec' => ['name' => 'x', 'kind' => 'single', 'tiltDeg' => 1, 'positions' => [['label' => 'N', 'clockDeg' => 0]]],
                ])
                ->assertNotFound()->assertJsonMissing(['head' => 'Head']);
            $tried++;
        }
    }
    expect($tried)->toBeGreaterThan(35)
        ->and(Shot::query()->count())->toBe(1)
        ->and(ImportFile::query()->count())->toBe(1)
        ->and(Decision::query()->whereNull('locked_at')->count())->toBe(1);
    expect($this->actingAs($ours)->getJson('api/fittings')->json())->toBe([])
        ->and($this->getJson('api/players')->json())->toBe([]);
    $rack = $this->getJson('api/rack')->json();
    expect($rack['heads'])->toBe([])->and($rack['sleeves'])->toBe([])->and($rack['parts'])->toBe([])
        ->and($this->getJson('api/rack.json')->json('heads'))->toBe([]);
    // Nor may a setup be built from another studio's head or parts.
    $this->postJson("api/fittings/{$this->fitting($ours)->id}/setups", ['headId' => $head['id']])->assertUnprocessable();
    $this->postJson("api/fittings/{$this->fitting($ours)->id}/setups", [
        'head' => 'x', 'statedLoftDeg' => 10, 'gripId' => $part,
    ])->assertUnprocessable();
    $this->postJson('api/heads', [
        'label' => 'x', 'hand' => 'right', 'statedLoftDeg' => 10, 'sleeveId' => $head['sleeveId'],
    ])->assertUnprocessable();
    // Nor may a new fitting be hung on another studio's player, or shots on another studio's setup.
    $this->postJson('api/fittings', ['playerId' => $fitting->player_id])->assertNotFound();
    $own = $this->fitting($ours);
    $this->type($ours, $own, $setup, [['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400']])->assertUnprocessable();
});

it('asks for a sign-in on every route but the page and the sign-in itself', function (): void {
    foreach (Route::getRoutes()->getRoutes() as $route) {
        if (in_array($route->uri(), ['/', 'up', 'api/session', 'api/session/code', 'api/welcome', 'api/welcome/look', 'metrics'], true)
            || str_starts_with($route->uri(), 'api/for-player/') || str_starts_with($route->uri(), 'api/feeds/')) {
            continue;
        }
        foreach (array_diff($route->methods(), ['HEAD']) as $method) {
            $this->json($method, (string) preg_replace('/\{\w+\}/', '1', $route->uri()))->assertUnauthorized();
        }
    }
});

it('signs in, hashes passwords, renews the session, and signs out', function (): void {
    $user = $this->fitter();
    expect($user->fresh()->password)->not->toContain('a long password')
        ->and(Hash::check('a long password', $user->fresh()->password))->toBeTrue();
    $this->postJson('api/session', ['email' => $user->email, 'password' => 'wrong'])
        ->assertUnprocessable()->assertJsonPath('errors.email.0', 'This e-mail and password do not belong together.');
    $before = session()->getId();
    $this->postJson('api/session', ['email' => strtoupper($user->email), 'password' => 'a long password'])
        ->assertOk()->assertJsonPath('user.studio', 'Test studio');
    expect(session()->getId())->not->toBe($before);
    $this->deleteJson('api/session')->assertOk();
    $this->getJson('api/fittings')->assertUnauthorized();
});

it('refuses the demo sign-in beyond loopback', function (): void {
    app(DemoSeeder::class)->run();
    $try = fn (array $server) => $this->withServerVariables($server)->postJson('api/session', [
        'email' => DemoSeeder::EMAIL, 'password' => DemoSeeder::PASSWORD,
    ]);
    $try(['REMOTE_ADDR' => '192.0.2.7', 'HTTP_HOST' => 'localhost'])
        ->assertUnprocessable()->assertJsonPath('errors.email.0', 'The demo sign-in works only on the machine that serves it.');
    $try(['REMOTE_ADDR' => '127.0.0.1', 'HTTP_HOST' => 'localhost', 'HTTP_X_FORWARDED_FOR' => '192.0.2.7'])->assertUnprocessable();
    $try(['REMOTE_ADDR' => '127.0.0.1', 'HTTP_HOST' => 'localhost'])->assertOk();
});

it('wants the CSRF token', function (): void {
    // The framework skips the check while testing, unless asked.
    $this->app['env'] = 'production';
    $this->actingAs($this->fitter())
        ->postJson('api/fittings', ['name' => 'X', 'hand' => 'right'])->assertStatus(419);
    $this->withSession(['_token' => 'abc'])
        ->postJson('api/fittings', ['name' => 'X', 'hand' => 'right'], ['X-CSRF-TOKEN' => 'abc'])->assertCreated();
});

it('sends the security headers with every answer', function (string $uri): void {
    $response = $this->get($uri);
    expect($response->headers->get('Content-Security-Policy'))
        ->toContain("default-src 'self'")->toContain("frame-ancestors 'none'")->not->toContain('unsafe')
        ->and($response->headers->get('X-Content-Type-Options'))->toBe('nosniff');
})->with(['/', '/api/session', '/api/nothing']);

it('shows no password and no raw file in any answer', function (): void {
    $user = $this->fitter();
    expect(json_encode($user))->not->toContain('"password"')->not->toContain('totp_secret')->not->toContain('recovery_codes')
        ->and(json_encode(new ImportFile(['raw' => 'secret'])))->not->toContain('secret');
    expect((string) $this->actingAs($user)->getJson('api/session')->getContent())->not->toContain('@test.example');
});

it('adds a real fitter from the command line', function (): void {
    $this->artisan('mint:fitter', ['studio' => 'Corner Bay', 'name' => 'N', 'email' => 'n@corner.example'])->assertSuccessful();
    $this->artisan('mint:fitter', ['studio' => 'Corner Bay', 'name' => 'N', 'email' => 'n@corner.example'])->assertFailed();
    expect(User::query()->where('email', 'n@corner.example')->firstOrFail()->studio->is_demo)->toBeFalse();
});
