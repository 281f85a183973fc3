<?php

declare(strict_types=1);

use App\Models\LogEntry;
use App\Models\LongClub;
use App\Models\Setup;
use App\Models\Shot;
use Illuminate\Http\UploadedFile;
use MintCarry\Core\Fitting\Brief;

// Other lofts, other speeds, strikes, length and balance, gaps, shafts and calculators, through the API.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user, 'right', new Brief(never: ['left']));
    $this->head = $this->rackHead($this->user, ['supply' => ['lofts' => [9, 10.5, 12], 'leadDays' => 12, 'price' => 540, 'currency' => 'EUR', 'inStock' => true]]);
    $this->actingAs($this->user);
    $this->url = "api/fittings/{$this->case->id}";
    $this->strikes = fn (Setup $setup, string $toe, int $n = 6) => $this->type($this->user, $this->case, $setup, array_map(fn (int $i): array => [
        'ballSpeedMps' => (string) (147 + $i % 3), 'launchDeg' => (string) (12 + 0.5 * ($i % 3)), 'spinRpm' => (string) (2400 + 70 * ($i % 4)),
        'directionDeg' => (string) ($i % 3 - 1), 'spinAxisDeg' => (string) ($i % 4 - 2), 'clubSpeedMps' => (string) (100 + $i % 2),
        'strikeToeMm' => (string) ((float) $toe + $i % 3), 'strikeHighMm' => (string) ($i % 3 - 1),
    ], range(1, $n)))->assertCreated();
});

it('ladders the lofts of a head before and after shots, and offers what has to be ordered to nobody’s trail', function (): void {
    $setup = $this->build($this->case, $this->head);
    expect($this->getJson("{$this->url}/loft-ladder")->assertOk()->json())->toMatchArray(['from' => 'brief', 'head' => 'Tern 460', 'own' => 'A']);
    $this->hitAbout($this->user, $setup);
    $ladder = $this->getJson("{$this->url}/loft-ladder?head=Tern 460")->assertOk()->json();
    expect($ladder['from'])->toBe('shots')->and(array_column($ladder['rungs'], 'statedLoftDeg'))->toEqual([9, 10.5, 12])
        ->and($ladder['rungs'][0])->toMatchArray(['toOrder' => true, 'leadDays' => 12, 'price' => 540, 'printSdDeg' => 1]);
    $this->getJson("{$this->url}/loft-ladder?head=Nobody")->assertUnprocessable()->assertJsonValidationErrors('head');
    $found = $this->getJson("{$this->url}/finder")->assertOk()->json();
    $ordered = collect($found['setups'])->whereNotNull('otherLoftDeg');
    expect($ordered)->not->toBeEmpty()->and($ordered->pluck('headId')->unique()->all())->toBe([null])
        ->and($found['guard'][0]['kind'])->toBe('left');
    // With a reading the loft that lies there is what the gauge says; the others stay what is printed of them.
    $this->postJson("api/heads/{$this->head['id']}/readings", ['values' => ['loftDeg' => ['11.4']], 'position' => 'N', 'readAs' => 'soled'])->assertSuccessful();
    expect($this->getJson("{$this->url}/loft-ladder")->json('rungs.1.readLoftDeg'))->toEqualWithDelta(11.4, 0.2);
});

it('tells mixed speeds in the bay and on Compare, and ladders them', function (): void {
    $setup = $this->build($this->case, $this->head);
    $this->hitAbout($this->user, $setup, 140, 4);
    $this->hitAbout($this->user, $setup, 156, 4);
    Shot::query()->where('sequence', '>', 4)->update(['intent' => 'full out']);
    $rails = $this->getJson("{$this->url}/judging")->assertOk()->json('rails');
    expect(array_column($rails, 'kind'))->toContain('mixedSpeeds');
    $ladder = $this->getJson("{$this->url}/speed-ladder")->assertOk()->json();
    expect($ladder)->toMatchArray(['tag' => 'A', 'by' => 'intent', 'n' => 8])->and(array_column($ladder['rungs'], 'name'))->toEqualCanonicalizing(['normal', 'full out'])
        ->and($ladder['rungs'][0]['figures']['ballSpeedMps']['n'])->toBe(4);
    $this->getJson("{$this->url}/speed-ladder?setup=Q")->assertUnprocessable()->assertJsonValidationErrors('setup');
    // A left out shot is in no rung.
    Shot::query()->where('sequence', 8)->update(['left_out_reason' => 'mishit']);
    expect(array_sum(array_column($this->getJson("{$this->url}/speed-ladder")->json('rungs'), 'n')))->toBe(7);
});

it('says how strikes come to the line, and whether it worked', function (): void {
    $own = $this->build($this->case, $this->head, ['masses' => ['heel' => 12]]);
    $this->hitAbout($this->user, $own);
    $this->getJson("{$this->url}/strikes")->assertUnprocessable()->assertSee('have no strike position');
    Shot::query()->delete();
    ($this->strikes)($own, '14');
    $after = $this->build($this->case, $this->head, ['masses' => ['toe' => 12]]);
    ($this->strikes)($after, '-1', 4);
    $told = $this->getJson("{$this->url}/strikes?setup=A")->assertOk()->json();
    expect($told['isOff'])->toBeTrue()->and(array_column($told['ways'], 'kind'))->toContain('weights', 'cue')
        ->and($told['checks'][0])->toMatchArray(['tag' => 'B', 'n' => 4, 'verdict' => 'nearer']);
    expect($this->getJson("{$this->url}/questions")->assertOk()->json('loft.tag'))->toBe('A');
});

it('gives nothing away while a blind trial goes on', function (): void {
    $a = $this->build($this->case, $this->head);
    $b = $this->build($this->case, $this->head, ['sleeveLabel' => '+1.4']);
    $this->hitAbout($this->user, $a);
    $this->hitAbout($this->user, $b);
    $this->postJson("{$this->url}/blind", ['setupIds' => [$a->id, $b->id], 'rounds' => 1, 'shotsEach' => 3])->assertSuccessful();
    foreach (['loft-ladder', 'speed-ladder', 'strikes', 'questions'] as $what) {
        $this->getJson("{$this->url}/{$what}")->assertUnprocessable()->assertSee('blind');
    }
});

it('brings a setup to another length, keeps the chosen way for the build page and the order, and takes it back', function (): void {
    $shaft = $this->postJson('api/parts', ['kind' => 'shaft', 'label' => 'Reed 60', 'data' => ['rawMassG' => 64, 'balanceFromButtMm' => 560, 'lengthMm' => 1168]])->json('id');
    $bare = $this->build($this->case, $this->head);
    $this->hitAbout($this->user, $bare);
    $this->postJson("api/setups/{$bare->id}/length", ['toLength' => ['value' => '44.5', 'unit' => 'in']])->assertUnprocessable()->assertSee('its shaft');
    $setup = $this->build($this->case, $this->head, ['shaftId' => $shaft, 'length' => ['value' => '45.5', 'unit' => 'in']]);
    $ask = fn (array $more = []) => $this->postJson("api/setups/{$setup->id}/length", $more + ['toLength' => ['value' => '44.5', 'unit' => 'in']]);
    $ways = $ask()->assertOk()->json();
    expect(count($ways['solutions']))->toBeGreaterThan(4)->and($ways['solutions'][0]['why'])->toBe([])
        ->and($ways['solutions'][0]['swingWeight'])->toBe($ways['was']['swingWeight'])->and($ways['free']['swingWeightPoints'])->toBeLessThan($ways['was']['swingWeightPoints'] - 3);
    expect($ask(['toSwingWeight' => 'D5'])->json('solutions.0.swingWeight'))->toBe('D5');
    $ask(['toSwingWeight' => 'heavy'])->assertUnprocessable()->assertSee('not a swing weight');
    $ask(['toLength' => ['value' => 'long', 'unit' => 'in']])->assertUnprocessable();
    $ask(['toLength' => ['value' => '60', 'unit' => 'in']])->assertUnprocessable()->assertJsonValidationErrors('toLengthMm');
    $chosen = array_intersect_key($ways['solutions'][0], array_flip(['headG', 'buttG', 'gripG', 'tipCutMm', 'buttCutMm', 'swingWeightPoints', 'totalG']));
    $this->putJson("api/setups/{$setup->id}/length-plan", ['plan' => ['lengthMm' => 1130.3] + $chosen])->assertOk()->assertJsonPath('lengthPlan.lengthMm', 1130.3);
    $this->putJson("api/setups/{$setup->id}/length-plan", ['plan' => ['lengthMm' => 'x'] + $chosen])->assertUnprocessable();
    $this->hitAbout($this->user, $setup);
    $this->postJson("{$this->url}/decisions", ['setupId' => $setup->id, 'reason' => 'It fits'])->assertCreated();
    $order = $this->postJson("{$this->url}/orders", [])->assertCreated()->json();
    expect($order['figures']['lengthMm'])->toEqual(1130.3)->and($order['figures']['swingWeightPoints'])->toEqualWithDelta($chosen['swingWeightPoints'], 0.06);
    $this->get("{$this->url}/build.pdf")->assertOk();
    // What was hit stays as it was hit; what was planned can be taken back, and goes with the file.
    expect($setup->refresh()->length_mm)->toEqualWithDelta(1155.7, 0.01);
    $file = $this->get("{$this->url}/file")->assertOk()->json();
    expect(collect($file['setups'])->firstWhere('tag', $setup->tag)['lengthPlan']['lengthMm'])->toEqual(1130.3);
    $entry = LogEntry::query()->where('words', 'like', 'planned%')->latest('id')->firstOrFail();
    $this->postJson("api/log/{$entry->id}/undo")->assertSuccessful();
    expect($setup->refresh()->length_plan)->toBeNull();
});

it('keeps long clubs typed and from a table, says the gaps, and leaves the driver alone', function (): void {
    $setup = $this->build($this->case, $this->head);
    $this->hitAbout($this->user, $setup);
    $before = $this->getJson("{$this->url}/finder")->json();
    $sleeve = collect($this->getJson('api/rack')->json('sleeves'))->first()['id'];
    $club = fn (array $more = []): array => $more + [
        'name' => 'Three wood', 'kind' => 'fairway wood', 'loftDeg' => '15,0', 'lieDeg' => 57, 'sleeveId' => $sleeve, 'position' => 'N',
        'units' => ['distance' => 'yd', 'speed' => 'mph'], 'shots' => [['carry' => '228'], ['carry' => '232', 'total' => '248', 'descent' => '38']],
    ];
    $told = $this->postJson("{$this->url}/long-clubs", $club())->assertCreated()->json();
    expect($told['driver'])->toBe('Driver A')->and(array_column($told['clubs'], 'name'))->toContain('Three wood')
        ->and($told['longClubs'][0]['shots'][1]['typed'])->toBe(['carry' => '232 yd', 'total' => '248 yd', 'descent' => '38'])
        ->and($told['longClubs'][0]['shots'][0]['values']['carryM'])->toEqualWithDelta(228 * 0.9144, 1e-6);
    $this->postJson("{$this->url}/long-clubs", $club())->assertUnprocessable()->assertSee('stands here already');
    foreach ([
        ['name' => ''], ['kind' => 'driver'], ['loftDeg' => 'steep'], ['loftDeg' => 60], ['shots' => [['carry' => 'far']]], ['shots' => [['launch' => '12']]],
        ['shots' => [['carry' => '9000']]], ['position' => 'Z'], ['name' => str_repeat('x', 61)],
    ] as $i => $bad) {
        $this->postJson("{$this->url}/long-clubs", $bad + $club(['name' => "Bad {$i}"]))->assertUnprocessable();
    }
    expect(LongClub::query()->count())->toBe(1);
    $csv = "Club,Carry (yd)\nThree wood,226\nFive wood,214\nFive wood,214\nHybrid,196\nHybrid,oops\n";
    $read = fn (bool $keep) => $this->post("{$this->url}/long-clubs/file", ['file' => UploadedFile::fake()->createWithContent('gaps.csv', $csv), 'keep' => $keep ? '1' : '0']);
    expect($read(false)->assertOk()->json())->toMatchArray(['kept' => false])->and(LongClub::query()->count())->toBe(1);
    $kept = $read(true)->assertOk()->json();
    expect(collect($kept['clubs'])->pluck('stored', 'name')->all())->toBe(['Three wood' => 1, 'Five wood' => 2, 'Hybrid' => 1])
        ->and($kept['problems'][0])->toContain('oops');
    // The same file once more adds nothing.
    expect(array_sum(array_column($read(true)->json('clubs'), 'stored')))->toBe(0)->and(LongClub::query()->count())->toBe(3);
    $gaps = $this->getJson("{$this->url}/gaps?wantedM=14")->assertOk()->json();
    expect(array_column($gaps['gaps'], 'from'))->toBe(['Driver A', 'Three wood', 'Five wood'])->and($gaps['wantedM'])->toEqual(14)
        ->and(collect($gaps['clubs'])->firstWhere('name', 'Hybrid'))->toMatchArray(['kind' => 'hybrid', 'descentFrom' => 'unknown', 'spinRpm' => null]);
    $three = LongClub::query()->where('name', 'Three wood')->firstOrFail();
    $this->patchJson("api/long-clubs/{$three->id}", ['name' => 'Three wood', 'kind' => 'fairway wood', 'loftDeg' => 15, 'position' => '+1.4'])->assertOk();
    expect($three->refresh()->shots)->toHaveCount(3)->and($three->sleeve_label)->toBe('+1.4');
    // Nothing of the driver moved.
    expect($this->getJson("{$this->url}/finder")->json())->toEqual($before);
    // Taken out, put back, and carried to another studio by the file.
    $this->deleteJson("api/long-clubs/{$three->id}")->assertOk();
    $entry = LogEntry::query()->where('words', 'took out the Three wood')->firstOrFail();
    $this->postJson("api/log/{$entry->id}/undo")->assertSuccessful();
    expect(LongClub::query()->where('name', 'Three wood')->sole()->shots)->toHaveCount(3);
    $file = $this->get("{$this->url}/file")->assertOk()->getContent();
    $other = $this->fitter('Another studio');
    $this->actingAs($other);
    $this->patchJson("api/long-clubs/{$three->id}", [])->assertNotFound();
    $this->getJson("{$this->url}/gaps")->assertNotFound();
    $there = $this->post('api/fittings/import', ['file' => UploadedFile::fake()->createWithContent('f.json', (string) $file), 'keep' => '1'])->assertSuccessful();
    $id = $there->json('fittingId');
    expect($this->getJson("api/fittings/{$id}/gaps")->assertOk()->json('longClubs'))->toHaveCount(3);
});

it('changes one shot of a club and leaves the others to the last digit, with whatever else was read of them', function (): void {
    $csv = "Club,Carry (yd),Apex (ft),Club speed (mph)\nThree wood,226.3,88,99\nThree wood,229.7,91,100\n";
    $file = fn (string $text) => $this->post("{$this->url}/long-clubs/file",
        ['file' => UploadedFile::fake()->createWithContent('gaps.csv', $text), 'keep' => '1']);
    $file($csv)->assertOk();
    $three = LongClub::query()->sole();
    $was = $three->shots;
    $seen = $this->getJson("{$this->url}/gaps")->json('longClubs.0');
    $change = fn (array $more): array => $more + [
        'name' => 'Three wood', 'kind' => 'fairway wood', 'loftDeg' => '15', 'version' => $seen['version'], 'units' => ['distance' => 'yd', 'speed' => 'mph'],
    ];
    $this->patchJson("api/long-clubs/{$three->id}", $change(['shots' => [['line' => 0], ['line' => 1, 'carry' => '228'], ['carry' => '230']]]))->assertOk();
    $now = $three->refresh()->shots;
    expect($now[0])->toEqual($was[0])->and($now[1]['values']['carryM'])->toEqualWithDelta(228 * 0.9144, 1e-9)
        ->and($now[1]['values']['apexM'])->toEqual($was[1]['values']['apexM'])->and($now[1]['from'])->toBe($was[1]['from'])->and($now)->toHaveCount(3);
    // The same table again still knows its lines.
    expect($file($csv)->json('clubs.0.stored'))->toBe(0);
    // Another screen that saw the club as it was gets what stands now, and nothing is overwritten.
    $this->patchJson("api/long-clubs/{$three->id}", $change(['shots' => [['line' => 0, 'carry' => '100'], ['line' => 1]]]))->assertStatus(409)
        ->assertJsonPath('current.longClubs.0.name', 'Three wood');
    expect($three->refresh()->shots)->toEqual($now);
    $fresh = ['version' => $this->getJson("{$this->url}/gaps")->json('longClubs.0.version')];
    foreach ([[['line' => 3]], [['line' => 0], ['line' => 0]], [['line' => 0, 'carry' => '']], [['line' => -1]]] as $shots) {
        $this->patchJson("api/long-clubs/{$three->id}", ['shots' => $shots] + $fresh + $change([]))->assertUnprocessable();
    }
    expect($three->refresh()->shots)->toEqual($now);
});

it('carries thirteen clubs beside the driver, says so, and keeps those it has', function (): void {
    $club = fn (int $i): array => ['name' => "Wood {$i}", 'kind' => 'hybrid', 'loftDeg' => 20, 'shots' => [['carry' => (string) (150 + 3 * $i)]]];
    foreach (range(1, 12) as $i) {
        $this->postJson("{$this->url}/long-clubs", $club($i))->assertCreated();
    }
    $two = UploadedFile::fake()->createWithContent('two.csv', "Club,Carry (m)\nNew a,150\nNew b,160\n");
    $this->post("{$this->url}/long-clubs/file", ['file' => $two, 'keep' => '1'], ['Accept' => 'application/json'])->assertUnprocessable()->assertSee('12 stand here');
    $this->postJson("{$this->url}/long-clubs", $club(13))->assertCreated();
    $this->postJson("{$this->url}/long-clubs", $club(14))->assertUnprocessable()->assertSee('13 clubs beside the driver');
    $many = UploadedFile::fake()->createWithContent('many.csv', "Club,Carry (m)\n".str_repeat("Wood 1,150\n", 200));
    $this->post("{$this->url}/long-clubs/file", ['file' => $many, 'keep' => '1'], ['Accept' => 'application/json'])->assertUnprocessable()->assertSee('201 shots');
    expect(LongClub::query()->count())->toBe(13)->and($this->getJson("{$this->url}/gaps")->assertOk()->json('clubs'))->toHaveCount(13)
        ->and(LongClub::query()->where('name', 'Wood 1')->sole()->shots)->toHaveCount(1);
});

it('answers the calculators as bin/mint does, and refuses what is none, by name', function (): void {
    $this->postJson('api/calculate/flight', ['ballSpeedMps' => 70, 'launchDeg' => 11, 'spinRpm' => 2500])->assertOk();
    expect($this->postJson('api/calculate/worth', ['clubSpeedMps' => 45, 'attackDeg' => 1, 'steps' => ['speedMps' => 0.5]])->assertOk()->json())
        ->toEqual(minted('worth', '{"clubSpeedMps":45,"attackDeg":1,"steps":{"speedMps":0.5}}'));
    $this->postJson('api/calculate/window', ['clubSpeedMps' => 45])->assertOk();
    $this->postJson('api/calculate/plane', [
        'head' => ['loftDeg' => 10.5, 'lieDeg' => 58], 'squares' => 0.5,
        'sleeve' => ['name' => 's', 'kind' => 'single', 'tiltDeg' => 1, 'positions' => [['label' => 'a', 'clockDeg' => 0], ['label' => 'b', 'clockDeg' => 90]]],
    ])->assertOk()->assertJsonPath('home', 'a');
    $this->postJson('api/calculate/weights', [
        'head' => ['massG' => 190, 'cgToeMm' => 0, 'cgBackMm' => 33, 'cgUpMm' => -3, 'inertiaGcm2' => [[2800, 0, 0], [0, 3300, 0], [0, 0, 4900]]],
        'slots' => [['name' => 'back', 'toeMm' => 0, 'backMm' => 100, 'upMm' => -10]], 'masses' => ['back' => 12],
    ])->assertOk()->assertJsonPath('massG', 202);
    $this->postJson('api/calculate/swing', ['headMassG' => 200, 'lengthMm' => 1143, 'gripMassG' => 50, 'shaft' => ['rawMassG' => 62]])->assertOk();
    $this->postJson('api/calculate/length', ['headMassG' => 200, 'lengthMm' => 1143, 'gripMassG' => 50, 'shaft' => ['rawMassG' => 62], 'toLengthMm' => 1130])->assertOk();
    $this->postJson('api/calculate/worth', ['clubSpeedMps' => 45, 'attack' => 1])->assertUnprocessable()->assertJsonValidationErrors('attack');
    $this->postJson('api/calculate/worth', ['clubSpeedMps' => 450])->assertUnprocessable()->assertJsonValidationErrors('clubSpeedMps');
    $this->postJson('api/calculate/flight', ['ballSpeedMps' => 'fast', 'launchDeg' => 11, 'spinRpm' => 2500])->assertUnprocessable();
    $this->deleteJson('api/session');
    $this->app['auth']->forgetGuards();
    $this->postJson('api/calculate/window', ['clubSpeedMps' => 45])->assertUnauthorized();
});

it('carries a shaft’s profile as its maker states it', function (): void {
    $data = ['rawMassG' => '64,5', 'cutMassG' => 60, 'torqueDeg' => 3.8, 'flex' => 'S', 'tip' => 'stiff', 'launch' => 'low to middle'];
    $this->postJson('api/parts', ['kind' => 'shaft', 'label' => 'Saltmarsh 60', 'data' => $data])->assertCreated()->assertJsonPath('data.launch', 'low to middle');
    $this->postJson('api/parts', ['kind' => 'grip', 'label' => 'G', 'data' => ['tip' => 'x']])->assertUnprocessable();
    expect($this->get('api/rack.csv')->assertOk()->getContent())->toContain('low to middle')
        ->and($this->get('api/rack.json')->assertOk()->json('parts.0.data.tip'))->toBe('stiff');
});
