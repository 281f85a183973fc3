<?php

declare(strict_types=1);

namespace Tests;

use App\Actions\AddSetup;
use App\Models\Fitting;
use App\Models\Player;
use App\Models\Setup;
use App\Models\Studio;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Testing\TestResponse;

/** Application tests: the real MariaDB (a database of its own), requests through the whole stack. */
abstract class AppTestCase extends TestCase
{
    use RefreshDatabase;

    public function createApplication()
    {
        $app = require __DIR__.'/../bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    public function fitter(string $studio = 'Test studio'): User
    {
        $made = Studio::query()->create(['name' => $studio]);

        return User::query()->create(['studio_id' => $made->id, 'name' => 'A fitter', 'email' => uniqid().'@test.example', 'password' => 'a long password'])->load('studio');
    }

    /** @param  array<string, mixed>  $columns */
    public function fitting(User $user, string $hand = 'right', array $columns = []): Fitting
    {
        $player = Player::query()->create(['studio_id' => $user->studio_id, 'name' => 'P', 'hand' => $hand, 'units' => ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in']]);

        return Fitting::query()->create(['studio_id' => $user->studio_id, 'player_id' => $player->id, 'typed' => []] + $columns)->refresh();
    }

    /** @param  array<string, mixed>  $columns */
    public function addSetup(Fitting $fitting, array $columns = []): Setup
    {
        return (new AddSetup)($fitting, $columns + ['head' => 'Head', 'stated_loft_deg' => 10.5, 'typed' => []])->refresh();
    }

    /**
     * Posts typed shots.
     *
     * @param  list<array<string, string>>  $shots  values in mph, °, rpm
     */
    public function type(User $user, Fitting $fitting, Setup $setup, array $shots): TestResponse
    {
        $units = ['ballSpeedMps' => 'mph', 'clubSpeedMps' => 'mph', 'spinRpm' => 'rpm', 'carryM' => 'yd', 'totalM' => 'yd', 'sideM' => 'yd', 'strikeToeMm' => 'mm', 'strikeHighMm' => 'mm'];
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
}
