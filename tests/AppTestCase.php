<?php

declare(strict_types=1);

namespace Tests;

use App\Access\Role;
use App\Access\SignIns;
use App\Actions\AddSetup;
use App\Models\Fitting;
use App\Models\Player;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\SignIn;
use App\Models\Sleeve;
use App\Models\Studio;
use App\Models\Trial;
use App\Models\User;
use App\Support\Transaction;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Sleep;
use Illuminate\Testing\TestResponse;
use MintCarry\Core\Fitting\Brief;
use PDOException;

/** Application tests: the real MariaDB (a database of its own), requests through the whole stack. */
abstract class AppTestCase extends TestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        // Every transaction is refused once by the database after all was done in it, and must come out the same the second time.
        Sleep::fake();
        config(['mintcarry.transactions_around' => 1]);
        Transaction::$rehearsal = new PDOException('rehearsed');
        Transaction::$rehearsal->errorInfo = ['40001', 1213, 'rehearsed'];
    }

    /**
     * Every request of every test: what is answered must be what docs/api.yaml says, and what is taken must stand there.
     *
     * @param  string  $method
     * @param  string  $uri
     */
    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null)
    {
        $response = parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        AgreedApi::hold((string) $method, $this->app['router']->current(), $response->baseResponse);

        return $response;
    }

    /** Somebody who has signed in: a session counts only with a sign-in that stands. */
    public function actingAs(Authenticatable $user, $guard = null)
    {
        if ($user instanceof User) {
            $signIn = SignIn::query()->create([
                'user_id' => $user->id, 'from' => '127.0.0.1', 'device' => 'a test', 'seen_at' => now(), 'ends_at' => now()->addYears(9),
            ]);
            $this->withSession([SignIns::KEY => $signIn->id]);
            $user->refresh()->load('studio');
        }

        return parent::actingAs($user, $guard);
    }

    public function createApplication()
    {
        foreach (['framework/views', 'framework/cache', 'framework/sessions', 'logs', 'app'] as $folder) {
            is_dir(__DIR__."/../var/tests/{$folder}") || mkdir(__DIR__."/../var/tests/{$folder}", 0777, true);
        }
        $app = require __DIR__.'/../bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    public function fitter(string $studio = 'Test studio', Role $role = Role::Owner): User
    {
        $made = Studio::query()->create(['name' => $studio, 'lock_minutes' => 60_000]);

        return User::query()
            ->create([
                'studio_id' => $made->id, 'name' => 'A fitter', 'email' => uniqid().'@test.example',
                'password' => 'a long password', 'role' => $role, 'password_at' => now(),
            ])
            ->refresh()->load('studio');
    }

    /** A fitter whose studio has switched simulated shots and stand-in readings on. */
    public function practising(string $studio = 'Test studio'): User
    {
        $user = $this->fitter($studio);
        $user->studio->update(['takes_simulated' => true]);

        return $user;
    }

    public function fitting(User $user, string $hand = 'right', Brief $brief = new Brief): Fitting
    {
        $player = Player::query()->create([
            'studio_id' => $user->studio_id, 'name' => 'P', 'hand' => $hand,
            'units' => ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'],
        ]);

        $fitting = new Fitting(['studio_id' => $user->studio_id, 'player_id' => $player->id, 'typed' => []]);
        $fitting->setBrief($brief);
        $fitting->save();

        return $fitting->refresh();
    }

    /** @param  array<string, mixed>  $columns */
    public function addSetup(Fitting $fitting, array $columns = []): Setup
    {
        return (new AddSetup)($fitting, $columns + ['head' => 'Head', 'stated_loft_deg' => 10.5, 'typed' => []])->refresh();
    }

    /**
     * A bay of the user's studio with this fitting in it, and the token of its monitor, through the API.
     *
     * @return array{int, string}
     */
    public function bay(User $user, Fitting $fitting): array
    {
        $this->actingAs($user);
        $bay = $this->postJson('api/bays', ['name' => 'Bay 1'])->assertCreated()->json('id');
        $token = $this->postJson("api/bays/{$bay}/token")->assertCreated()->json('token');
        $this->patchJson("api/bays/{$bay}", ['fittingId' => $fitting->id])->assertOk();

        return [$bay, $token];
    }

    /**
     * Posts typed shots.
     *
     * @param  list<array<string, string>>  $shots  values in mph, °, rpm
     */
    public function type(User $user, Fitting $fitting, Setup $setup, array $shots): TestResponse
    {
        $units = [
            'ballSpeedMps' => 'mph', 'clubSpeedMps' => 'mph', 'spinRpm' => 'rpm', 'carryM' => 'yd', 'totalM' => 'yd',
            'sideM' => 'yd', 'strikeToeMm' => 'mm', 'strikeHighMm' => 'mm',
        ];
        $body = [];
        foreach ($shots as $shot) {
            $values = [];
            foreach ($shot as $field => $text) {
                $values[$field] = ['value' => $text, 'unit' => $units[$field] ?? 'deg'];
            }
            $body[] = ['clientId' => uniqid('', true), 'values' => $values];
        }

        return $this->actingAs($user)->postJson("api/fittings/{$fitting->id}/shots", ['setupId' => $setup->id, 'shots' => $body]);
    }

    /**
     * A setup built from a head of the rack, through the API; at N where nothing else is said.
     *
     * @param  array<string, mixed>  $head  as `rackHead` gave it
     * @param  array<string, mixed>  $more
     */
    public function build(Fitting $fitting, array $head, array $more = []): Setup
    {
        return Setup::query()->findOrFail(
            $this->postJson("api/fittings/{$fitting->id}/setups", $more + ['headId' => $head['id'], 'sleeveLabel' => 'N'])
                ->assertCreated()->json('id'),
        );
    }

    /** Types shots of about one ball speed and one direction, with club speed, none like another. */
    public function hitAbout(User $user, Setup $setup, float $mph = 148, int $n = 4, float $direction = 0): void
    {
        $this->type(
            $user, $setup->fitting, $setup,
            array_map(
                fn (int $i): array => [
                    'ballSpeedMps' => (string) ($mph + ($i % 3)), 'launchDeg' => (string) (12 + 0.5 * ($i % 3)),
                    'spinRpm' => (string) (2400 + 70 * ($i % 4)), 'directionDeg' => (string) ($direction + ($i % 3) - 1),
                    'spinAxisDeg' => (string) (($i % 4) - 2), 'clubSpeedMps' => '101',
                ],
                range(1, $n),
            ),
        )->assertCreated();
    }

    /**
     * A head on the rack of the user's studio, with a sleeve that can be turned by half a degree and three slots.
     *
     * @param  array<string, mixed>  $body
     * @return array<string, mixed> as the API answers it
     */
    public function rackHead(User $user, array $body = []): array
    {
        $sleeve = Sleeve::query()->firstOrCreate(
            ['studio_id' => $user->studio_id, 'name' => 'Test sleeve'],
            [
                'spec' => [
                    'name' => 'Test sleeve', 'kind' => 'rings', 'ringTiltsDeg' => [0.6, 0.6], 'home' => 'N',
                    'printedFor' => 'squared',
                    'positions' => [
                        ['label' => 'N', 'clocksDeg' => [90, 270]], ['label' => '+1.4', 'clocksDeg' => [90, 90], 'loftDeg' => 1.4],
                        ['label' => '-1.4', 'clocksDeg' => [270, 270], 'loftDeg' => -1.4],
                    ],
                ],
            ],
        );

        return $this->actingAs($user)
            ->postJson(
                'api/heads',
                $body + [
                    'label' => 'Tern 460', 'hand' => 'right', 'type' => 'forgiving', 'sleeveId' => $sleeve->id,
                    'statedLoftDeg' => 10.5, 'massG' => 203,
                    'slots' => [
                        ['name' => 'back', 'toeMm' => 0, 'backMm' => 104, 'upMm' => -12],
                        ['name' => 'heel', 'toeMm' => -38, 'backMm' => 66, 'upMm' => -14],
                        ['name' => 'toe', 'toeMm' => 40, 'backMm' => 66, 'upMm' => -14],
                    ],
                    'stockG' => [12, 4, 4, 8], 'standard' => ['back' => 12],
                ],
            )
            ->assertCreated()->json();
    }

    /** A fitting with one setup in a bay: `begin` a trial, `post` a body as a monitor does, `good` values, the `number` of a shot's trial. */
    protected function atTheBay(): void
    {
        $this->user = $this->fitter();
        $this->case = $this->fitting($this->user);
        $this->a = $this->addSetup($this->case);
        [$this->bay, $this->token] = $this->bay($this->user, $this->case);
        $this->begin = fn (string $kind = 'trial') => $this->actingAs($this->user)
            ->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $this->a->id, 'kind' => $kind])->assertCreated();
        $this->good = ['ballSpeedMps' => ['value' => 150, 'unit' => 'mph'], 'launchDeg' => 12.5, 'spinRpm' => 2400];
        $this->number = fn (Shot $shot): int => Trial::query()->findOrFail($shot->trial_id)->number;
        $this->post = function (array $body, ?string $token = null): TestResponse {
            $this->app['auth']->forgetGuards();

            return $this->postJson("api/bays/{$this->bay}/shots", $body, ['Authorization' => 'Bearer '.($token ?? $this->token)]);
        };
    }

    /** The same with a trial that runs: `send` bytes, or a `shot` by its id; the `spins` on record. */
    protected function atTheMonitor(): void
    {
        $this->user = $this->fitter();
        $this->case = $this->fitting($this->user);
        $this->a = $this->addSetup($this->case);
        [$this->bay, $this->token] = $this->bay($this->user, $this->case);
        $this->begin = fn (?int $setupId = null): int => $this->actingAs($this->user)
            ->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $setupId ?? $this->a->id])->assertCreated()
            ->json('running.id');
        ($this->begin)();
        $this->values = fn (float $spin = 2400): array => ['ballSpeedMps' => 67.5, 'launchDeg' => 12.5, 'spinRpm' => $spin];
        $this->send = function (string $body): TestResponse {
            $this->app['auth']->forgetGuards();

            return $this->call(
                'POST', "api/bays/{$this->bay}/shots", [], [], [],
                [
                    'HTTP_AUTHORIZATION' => "Bearer {$this->token}", 'HTTP_ACCEPT' => 'application/json',
                    'CONTENT_TYPE' => 'application/json',
                ],
                $body,
            );
        };
        $this->shot = fn (string $id, float $spin = 2400, array $more = []): TestResponse => ($this->send)(
            json_encode($more + ['id' => $id, 'values' => ($this->values)($spin)], JSON_THROW_ON_ERROR),
        );
        $this->spins = fn (): array => Shot::query()
            ->orderBy('sequence')->get()->map(fn (Shot $s): float => (float) $s->measured['spinRpm'])->all();
    }
}
