<?php

declare(strict_types=1);

use App\Models\Fitting;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

// A studio that worked with the first version keeps what it wrote down when the brief became one record. Schema changes end a transaction in
// MariaDB, so this test builds its database anew at the end.

afterEach(fn () => $this->artisan('migrate:fresh'));

it('carries corridor, place and wish of an older fitting into its brief', function (array $old, array $brief): void {
    $user = $this->fitter();
    $fitting = $this->fitting($user);
    /** @var Migration $migration */
    $migration = require database_path('migrations/2026_11_24_000000_brief_and_rack.php');
    $migration->down();
    expect(Schema::hasColumn('fittings', 'corridor_width_m'))->toBeTrue()->and(Schema::hasTable('heads'))->toBeFalse();
    DB::table('fittings')->where('id', $fitting->id)->update($old);
    $migration->up();
    $now = Fitting::query()->findOrFail($fitting->id)->brief()->toArray();
    foreach ($brief as $field => $value) {
        expect(data_get($now, $field))->toEqual($value);
    }
    expect(Schema::hasColumn('fittings', 'corridor_width_m'))->toBeFalse()
        ->and(Fitting::query()->findOrFail($fitting->id)->brief_agreed_at)->toBeNull();
})->with([
    'water on the left at a distance' => [
        ['corridor_width_m' => 27.5, 'trouble_side' => 'left', 'trouble_kind' => 'water', 'trouble_at_m' => 22.0, 'hole_length_m' => 350, 'temperature_c' => 9.5, 'altitude_m' => 640, 'turf' => 'soft', 'wants' => 'Never the water'],
        ['corridor.widthM' => 27.5, 'corridor.left.kind' => 'water', 'corridor.left.atM' => 22, 'corridor.right.kind' => 'rough', 'holeLengthM' => 350, 'temperatureC' => 9.5, 'altitudeM' => 640, 'turf' => 'soft', 'wish' => 'Never the water'],
    ],
    'trees on both sides, just beyond' => [
        ['corridor_width_m' => 30, 'trouble_side' => 'both', 'trouble_kind' => 'trees', 'trouble_at_m' => null],
        ['corridor.left.kind' => 'trees', 'corridor.left.atM' => null, 'corridor.right.kind' => 'trees'],
    ],
    'nothing on either side' => [
        ['corridor_width_m' => 41, 'trouble_side' => 'none', 'trouble_kind' => 'trees', 'trouble_at_m' => null],
        ['corridor.widthM' => 41, 'corridor.left.kind' => 'rough', 'corridor.right.kind' => 'rough'],
    ],
]);

it('lets a monitor go on where it was before ids held within a session', function (): void {
    $user = $this->fitter();
    $case = $this->fitting($user);
    $setup = $this->addSetup($case);
    [$bay, $token] = $this->bay($user, $case);
    $this->postJson("api/fittings/{$case->id}/trials", ['setupId' => $setup->id])->assertCreated();
    $send = function (array ...$shots) use ($bay, $token): array {
        $this->app['auth']->forgetGuards();

        return $this->postJson("api/bays/{$bay}/shots", ['shots' => $shots], ['Authorization' => "Bearer {$token}"])->assertOk()->json('results');
    };
    $good = ['id' => 's-1', 'sequence' => 1, 'at' => '10:42', 'values' => ['ballSpeedMps' => ['value' => 150.5, 'unit' => 'mph'], 'launchDeg' => 12, 'spinRpm' => 2400.5]];
    $bad = ['id' => 'h', 'values' => ['launchDeg' => 12]];
    $first = $send($good, ['values' => ['spinRpm' => 2500] + $good['values']] + $good, $bad, ['id' => 'S-1'] + $good);
    /** @var Migration $migration */
    $migration = require database_path('migrations/2026_11_28_000000_what_a_repeat_is.php');
    $migration->down();
    // The old key let each id be used once: what was used again keeps its shot under a name of its own.
    expect(DB::table('shots')->orderBy('id')->pluck('sender_id')->map(fn (string $id): string => preg_replace('/\d+$/', 'N', $id))->all())->toBe(['s-N', 'again-N', 'again-N'])
        ->and(Schema::hasColumn('shots', 'content'))->toBeFalse();
    $migration->up();
    expect($send($good, $bad))->toBe([$first[0], $first[2]])
        ->and(DB::table('shots')->count())->toBe(3)->and(DB::table('held_shots')->count())->toBe(1);
});
