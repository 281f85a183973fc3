<?php

declare(strict_types=1);

use App\Fittings\Calibrations;
use App\Models\Shot;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;

// Shots that carry a measured carry calibrate what is computed of the others: on every screen, and only in their own fitting.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->a = $this->addSetup($this->case);
    $this->actingAs($this->user);
    $this->launch = fn (int $i): array => [
        'ballSpeedMps' => (string) (146 + $i % 4), 'launchDeg' => (string) (11 + 0.5 * ($i % 3)), 'spinRpm' => (string) (2300 + 90 * ($i % 5)),
    ];
    // Typed shots whose carry is this share off physics.
    $this->seen = function (int $n, float $share) {
        $shots = array_map(function (int $i) use ($share): array {
            $l = ($this->launch)($i);
            $carry = (new BallFlight)->fly(new Launch($l['ballSpeedMps'] * 0.44704, (float) $l['launchDeg'], (float) $l['spinRpm']))->carryM;

            return $l + ['carryM' => (string) round((1 + $share) * $carry / 0.9144, 2)];
        }, range(1, $n));

        return $this->type($this->user, $this->case, $this->a, $shots);
    };
    $this->bare = fn (): float => (float) collect($this->getJson("api/fittings/{$this->case->id}/shots")->assertOk()->json())
        ->filter(fn (array $s): bool => isset($s['computed']['carryM']))->first()['computed']['carryM'];
});

it('computes a carry that was not measured by those that were', function (): void {
    $this->type($this->user, $this->case, $this->a, [($this->launch)(7)])->assertCreated();
    $plain = ($this->bare)();
    ($this->seen)(12, 0.05)->assertCreated();
    expect(($this->bare)() / $plain)->toBeGreaterThan(1.035)->toBeLessThan(1.06);
    $judging = $this->getJson("api/fittings/{$this->case->id}/judging")->assertOk()->json();
    expect($judging['calibration'])->toHaveCount(1)
        ->and($judging['calibration'][0])->toMatchArray(['monitor' => '', 'visit' => null, 'n' => 12, 'disagrees' => true]);
});

it('tells the same computed carry in the list, in the table that is downloaded and where it is judged', function (): void {
    $this->type($this->user, $this->case, $this->a, [($this->launch)(7)])->assertCreated();
    ($this->seen)(6, -0.04)->assertCreated();
    $carry = ($this->bare)();
    $csv = array_map('str_getcsv', explode("\n", trim($this->get("api/fittings/{$this->case->id}/shots.csv")->streamedContent())));
    $column = (int) array_search('carryM', $csv[0], true);
    expect((float) $csv[1][$column])->toEqualWithDelta($carry, 1e-3);
    $shots = $this->getJson("api/fittings/{$this->case->id}/shots")->json();
    $mean = array_sum(array_map(fn (array $s): float => $s['measured']['carryM'] ?? $s['computed']['carryM'], $shots)) / count($shots);
    $rows = $this->getJson("api/fittings/{$this->case->id}/comparison")->json('rows');
    $row = array_values(array_filter($rows, fn (array $r): bool => $r['measure'] === 'carryM'))[0];
    expect($row['cells']['A']['summary']['mean'])->toEqualWithDelta($mean, 1e-6);
});

it('follows at once when a reading is left out as an error of the monitor, and when it counts again', function (): void {
    $this->type($this->user, $this->case, $this->a, [($this->launch)(7)])->assertCreated();
    $plain = ($this->bare)();
    ($this->seen)(3, 0.06)->assertCreated();
    $with = ($this->bare)();
    foreach (Shot::query()->where('fitting_id', $this->case->id)->where('measured', 'like', '%carryM%')->get() as $shot) {
        $this->patchJson("api/shots/{$shot->id}", ['leftOut' => ['reason' => 'monitor error', 'note' => 'wrong ball type set']])->assertOk();
    }
    expect($with)->toBeGreaterThan($plain + 1)->and(($this->bare)())->toEqualWithDelta($plain, 1e-9);
    $first = Shot::query()->where('fitting_id', $this->case->id)->where('measured', 'like', '%carryM%')->firstOrFail();
    $this->patchJson("api/shots/{$first->id}", ['leftOut' => null])->assertOk();
    expect(($this->bare)())->toBeGreaterThan($plain);
});

it('keeps to its fitting', function (): void {
    $other = $this->fitting($this->user);
    $setup = $this->addSetup($other);
    $this->type($this->user, $other, $setup, [($this->launch)(7)])->assertCreated();
    ($this->seen)(10, 0.06)->assertCreated();
    $plain = (new BallFlight)->fly(new Launch(149 * 0.44704, 11.5, 2480))->carryM;
    expect($this->getJson("api/fittings/{$other->id}/shots")->json('0.computed.carryM'))->toEqualWithDelta($plain, 1e-6);
});

it('knows the monitors apart, and says the same in a file that goes elsewhere', function (): void {
    [, $token] = $this->bay($this->user, $this->case);
    ($this->seen)(6, 0.05)->assertCreated();
    $this->actingAs($this->user)->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $this->a->id])->assertCreated();
    foreach (range(1, 6) as $i) {
        $l = ($this->launch)($i);
        $flown = (new BallFlight)->fly(new Launch($l['ballSpeedMps'] * 0.44704, (float) $l['launchDeg'], (float) $l['spinRpm']));
        $bay = $this->postJson('api/bays/'.App\Models\Bay::query()->firstOrFail()->id.'/shots', [
            'id' => "s{$i}", 'sequence' => $i, 'values' => [
                'ballSpeedMps' => $l['ballSpeedMps'] * 0.44704, 'launchDeg' => (float) $l['launchDeg'], 'spinRpm' => (float) $l['spinRpm'],
                'carryM' => 0.96 * $flown->carryM, 'apexM' => $flown->apexM,
            ],
        ], ['Authorization' => "Bearer {$token}"]);
        $bay->assertSuccessful();
    }
    $this->actingAs($this->user);
    $told = $this->getJson("api/fittings/{$this->case->id}/judging")->json('calibration');
    expect(array_column($told, 'carryShare', 'monitor'))->toHaveKeys(['', 'Bay 1'])
        ->and(array_column($told, 'carryShare', 'monitor')[''])->toEqualWithDelta(0.05, 0.01)
        ->and(array_column($told, 'carryShare', 'monitor')['Bay 1'])->toEqualWithDelta(-0.04, 0.01);
    $file = $this->getJson("api/fittings/{$this->case->id}/file")->assertOk()->getContent();
    $this->actingAs($this->fitter('Elsewhere'));
    $there = $this->postJson('api/fittings/import', ['keep' => true, 'file' => UploadedFile::fake()->createWithContent('x.json', (string) $file)])
        ->assertOk()->json('fittingId');
    expect($this->getJson("api/fittings/{$there}/judging")->json('calibration'))->toEqual($told);
});

it('does not take the calibration of before for that of now within a process', function (): void {
    $before = Calibrations::of($this->case);
    ($this->seen)(5, 0.05)->assertCreated();
    expect(Calibrations::of($this->case))->not->toBe($before)
        ->and(Calibrations::of($this->case))->toBe(Calibrations::of($this->case));
});

it('gives a fitting of many shots the same figures from kept flights as from flown ones, and flies anew what was changed', function (): void {
    $url = "api/fittings/{$this->case->id}";
    $trial = $this->postJson("{$url}/trials", ['setupId' => $this->a->id])->assertCreated()->json('running.id');
    $breeze = ['windMps' => 6.2, 'windFromDeg' => 30, 'temperatureC' => 12, 'altitudeM' => 40];
    $this->putJson("api/trials/{$trial}/open-air", ['openAir' => $breeze])->assertOk();
    // Some measured their carry, some nothing but a ball speed, some were hit in the wind.
    DB::statement("INSERT INTO shots (studio_id, fitting_id, setup_id, trial_id, source, sequence, shot_key, measured, typed, flags, created_at, updated_at)
        SELECT s.studio_id, s.fitting_id, s.id, IF(q.seq MOD 3, NULL, {$trial}), 'monitor', q.seq, MD5(q.seq), CASE q.seq MOD 7
            WHEN 0 THEN JSON_OBJECT('ballSpeedMps', 60 + q.seq MOD 11)
            WHEN 1 THEN JSON_OBJECT('ballSpeedMps', 60.25 + q.seq MOD 11, 'launchDeg', 12, 'spinRpm', 2500, 'carryM', 190 + q.seq MOD 20)
            ELSE JSON_OBJECT('ballSpeedMps', 60.1 + q.seq MOD 13, 'launchDeg', 10 + q.seq MOD 5, 'spinRpm', 2000 + q.seq MOD 900,
                'directionDeg', 0.5 * (q.seq MOD 3), 'spinAxisDeg', 0.75 * (q.seq MOD 9), 'sideM', 3)
            END, '{}', '[]', NOW(), NOW() FROM setups s JOIN seq_1_to_2100 q WHERE s.id = {$this->a->id}");
    $look = function () use ($url): array {
        DB::table('judgements')->delete();

        return array_map(
            fn (string $what): mixed => array_diff_key($this->getJson("{$url}/{$what}")->assertOk()->json(), ['age' => 1]), ['comparison', 'judging'],
        );
    };
    config(['mintcarry.draws_store' => 'null', 'cache.stores.null' => ['driver' => 'null']]);
    $flown = $look();
    config(['mintcarry.draws_store' => 'kept', 'cache.stores.kept' => ['driver' => 'array', 'serialize' => true]]);
    expect($look())->toEqual($flown)
        ->and(Cache::store('kept')->get("flown:{$this->case->id}"))->toBeArray()
        ->and($look())->toEqual($flown);
    // One shot out, the wind of the trial changed, the air of the brief: each is there at the next look.
    $steps = [
        fn () => $this->patchJson('api/shots/'.Shot::query()->where('fitting_id', $this->case->id)->value('id'), ['leftOut' => ['reason' => 'mishit']]),
        fn () => $this->putJson("api/trials/{$trial}/open-air", ['openAir' => ['windMps' => 2] + $breeze]),
        fn () => DB::table('shots')->where('sequence', 50)->update(['measured' => '{"ballSpeedMps":75,"launchDeg":14,"spinRpm":2100}']),
    ];
    $last = $flown;
    foreach ($steps as $step) {
        $step();
        $now = $look();
        config(['mintcarry.draws_store' => 'null']);
        expect($now)->toEqual($look())->not->toEqual($last);
        config(['mintcarry.draws_store' => 'kept']);
        $last = $now;
    }
});
