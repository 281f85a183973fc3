<?php

declare(strict_types=1);

use App\Models\HeldShot;
use App\Models\LogEntry;
use App\Models\Reading;
use App\Models\Shot;
use App\Models\Trial;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

// What the fitter does with what was held, what was typed twice, and what was made up.

beforeEach(fn () => $this->atTheMonitor());

it('settles a held shot once, and takes a discard back', function (): void {
    ($this->send)('{"id":"a","values":{"ballSpeedMps":67,"launchDeg":12}}');
    ($this->send)('{"id":"b","values":{"ballSpeedMps":67,"launchDeg":13}}');
    [$one, $two] = HeldShot::query()->orderBy('id')->get()->all();
    $this->actingAs($this->user);
    $shot = $this->patchJson("api/held/{$one->id}", ['values' => ($this->values)()])
        ->assertOk()->json('shot');
    $this->patchJson("api/held/{$one->id}", ['values' => ($this->values)()])
        ->assertUnprocessable()->assertJsonFragment(['message' => 'This shot has been taken already.']);
    expect(Shot::query()->findOrFail($shot)->flags)->toBe(['Was held: Spin rate is missing'])
        ->and($one->refresh())->settled_how->toBe('taken')->shot_id->toBe($shot)->settled_by->toBe($this->user->id);
    $this->deleteJson("api/held/{$two->id}")->assertOk();
    $this->patchJson("api/held/{$two->id}", ['values' => ($this->values)()])
        ->assertUnprocessable()->assertJsonFragment(['message' => 'This shot has been discarded already.']);
    $log = $this->getJson("api/fittings/{$this->case->id}/log")->json();
    expect($log[0]['words'])->toContain('discarded a held shot: Spin rate is missing')->and($log[0]['undoable'])->toBeTrue()
        ->and($log[1]['words'])->toBe('took a held shot as shot 1')
        ->and($log[1]['undoable'])->toBeFalse();
    $this->postJson("api/log/{$log[0]['id']}/undo")->assertOk();
    expect($this->getJson("api/fittings/{$this->case->id}/held")->json('*.id'))->toBe([$two->id]);
    $this->patchJson("api/held/{$two->id}", ['values' => ($this->values)(2500)])->assertOk();
    expect(($this->spins)())->toBe([2400.0, 2500.0]);
    // What was sent is answered as it was, also now.
    expect(($this->send)('{"id":"a","values":{"ballSpeedMps":67,"launchDeg":12}}')->json('results.0.status'))->toBe('held')
        ->and(HeldShot::query()->count())->toBe(2);
});

it('shows in the bay what came while nobody was there, and takes it into what runs by then', function (): void {
    $this->patchJson("api/bays/{$this->bay}", ['fittingId' => null])->assertOk();
    expect(($this->shot)('a')->json('results.0.reason'))->toBe('No fitting is in this bay.');
    $held = HeldShot::query()->firstOrFail();
    $this->actingAs($this->user)->deleteJson("api/held/{$held->id}")->assertUnprocessable();
    $this->patchJson("api/bays/{$this->bay}", ['fittingId' => $this->case->id])->assertOk();
    expect($this->getJson("api/fittings/{$this->case->id}/bay")->json('held.*.id'))->toBe([$held->id]);
    $this->patchJson("api/held/{$held->id}", ['values' => ($this->values)()])->assertOk();
    expect(Shot::query()->firstOrFail()->setup_id)->toBe($this->a->id);
    // Without a trial it stays.
    $this->postJson("api/fittings/{$this->case->id}/trials/end")->assertOk();
    $this->patchJson("api/bays/{$this->bay}", ['fittingId' => null])->assertOk();
    ($this->shot)('b', 2500);
    $this->actingAs($this->user)->patchJson("api/bays/{$this->bay}", ['fittingId' => $this->case->id])->assertOk();
    $this->patchJson('api/held/'.HeldShot::query()->latest('id')->value('id'), ['values' => ($this->values)(2500)])->assertUnprocessable();
    expect(HeldShot::query()->whereNull('settled_at')->count())->toBe(1);
});

it('keeps the tray of another studio shut', function (): void {
    ($this->send)('{"id":"a","values":{}}');
    $held = HeldShot::query()->firstOrFail();
    $this->actingAs($this->fitter('Other'));
    foreach (
        [
            ['get', "api/held/{$held->id}"], ['patch', "api/held/{$held->id}"], ['delete', "api/held/{$held->id}"],
            ['get', "api/fittings/{$this->case->id}/held"],
        ] as [$verb, $uri]
    ) {
        expect($this->json($verb, $uri, ['values' => ($this->values)()])->getStatusCode())->toBeIn([403, 404]);
    }
    expect($held->refresh()->settled_at)->toBeNull();
});

it('puts a shot that came late from the fitting before into that one’s tray, not into the trial that runs', function (): void {
    $iso = fn (): string => now()->toIso8601String();
    ($this->shot)('a', 2400, ['at' => $iso()]);
    $this->travel(30)->seconds();
    ($this->shot)('b', 2410, ['at' => $iso()]);
    $this->travel(20)->seconds();
    $hit = $iso();
    $this->travel(20)->seconds();
    $other = $this->fitting($this->user);
    $b = $this->addSetup($other);
    $this->actingAs($this->user)->patchJson("api/bays/{$this->bay}", ['fittingId' => $other->id])->assertOk();
    $this->postJson("api/fittings/{$other->id}/trials", ['setupId' => $b->id])->assertCreated();
    $this->travel(30)->seconds();
    $answer = ($this->shot)('c', 2420, ['at' => $hit])->json('results.0');
    expect($answer['status'])->toBe('held')->and($answer['reason'])->toContain('another fitting was in the bay')
        ->and($this->actingAs($this->user)->getJson("api/fittings/{$this->case->id}/bay")->json('held'))->toHaveCount(1)
        ->and($this->getJson("api/fittings/{$other->id}/bay")->json('held'))->toBe([]);
    $this->patchJson('api/held/'.HeldShot::query()->value('id'), ['values' => ($this->values)(2420)])->assertOk();
    expect(Shot::query()->where('setup_id', $this->a->id)->count())->toBe(3)
        ->and(Trial::query()->where('fitting_id', $other->id)->firstOrFail()->shots()->count())->toBe(0);
});

it('tells who typed under a used line that it is on record, and keeps both when it is another shot', function (): void {
    $line = fn (string $id, string $spin): array => [
        'clientId' => $id,
        'values' => [
            'ballSpeedMps' => ['value' => '150', 'unit' => 'mph'], 'launchDeg' => ['value' => '12'],
            'spinRpm' => ['value' => $spin],
        ],
    ];
    $type = fn (array ...$lines): TestResponse => $this->postJson("api/fittings/{$this->case->id}/shots", [
        'setupId' => $this->a->id, 'shots' => $lines,
    ]);
    $type($line('one', '2400'))
        ->assertCreated()->assertExactJson(['stored' => 1, 'already' => 0]);
    // The answer got lost, the same line is sent again, with another.
    $type($line('one', '2400'), $line('two', '2500'))->assertCreated()->assertExactJson(['stored' => 1, 'already' => 1]);
    $told = $type($line('one', '2450'), $line('three', '2600'))->assertStatus(409)->json();
    expect($told['message'])
        ->toContain('Line 1 is on record as shot 1, with other values.')->toContain('what you typed is still here')
        ->and($told['differs'])->toBe(['one'])
        ->and(($this->spins)())->toBe([2400.0, 2500.0]);
    $type($line('four', '2450'), $line('three', '2600'))->assertCreated();
    // Two lines of one post under one id.
    $type($line('five', '2700'), $line('five', '2710'))->assertStatus(409);
    // Ids that differ in case or accent are two.
    $type($line('Six', '2800'), $line('six', '2810'), $line('sïx', '2820'))->assertCreated()->assertJsonPath('stored', 3);
    expect(($this->spins)())->toBe([2400.0, 2500.0, 2450.0, 2600.0, 2800.0, 2810.0, 2820.0]);
});

it('takes simulated shots only where they were switched on, and marks them to the end', function (): void {
    $refused = ($this->shot)('a', 2400, ['source' => 'simulated'])->assertStatus(422)->json('results.0');
    expect($refused)->toMatchArray(['status' => 'refused', 'doNotRepeat' => true])->and(Shot::query()->count())->toBe(0);
    $this->getJson("api/bays/{$this->bay}/hand", ['Authorization' => "Bearer {$this->token}"])->assertForbidden();
    $this->actingAs($this->user)
        ->patchJson('api/studio', ['takesSimulated' => true])->assertOk();
    ($this->send)(
        json_encode([
            'source' => 'simulated',
            'shots' => [
                ['id' => 'a', 'values' => ($this->values)()],
                ['id' => 'b', 'source' => 'monitor', 'values' => ($this->values)(2500)],
                ['id' => 'c', 'values' => ['launchDeg' => 3]],
            ],
        ]),
    );
    expect(Shot::query()->orderBy('id')->pluck('source')->all())->toBe(['simulated', 'monitor'])
        ->and(HeldShot::query()->value('source'))->toBe('simulated');
    $this->actingAs($this->user)
        ->patchJson('api/held/'.HeldShot::query()->value('id'), ['values' => ($this->values)(2600)])->assertOk();
    expect(Shot::query()->latest('id')->value('source'))->toBe('simulated')
        ->and($this->getJson("api/fittings/{$this->case->id}/shots")->json('*.source'))->toBe(['simulated', 'monitor', 'simulated'])
        ->and($this->getJson("api/fittings/{$this->case->id}")->json('setups.0.simulated'))->toBe(2)
        ->and($this->getJson('api/fittings')->json('0.simulated'))->toBe(2)
        ->and($this->get("api/fittings/{$this->case->id}/shots.csv")->streamedContent())->toContain('hitAt,source')
        ->toMatch('/,simulated\n.*,monitor\n.*,simulated\n/s')
        ->and($this->getJson("api/fittings/{$this->case->id}/file")->json('shots.*.source'))
        ->toBe(['simulated', 'monitor', 'simulated']);
});

it('does not lock a decision for a real player on simulated shots', function (): void {
    $this->user->studio->update(['takes_simulated' => true]);
    $b = $this->addSetup($this->case);
    foreach ([$this->a->id, $b->id] as $i => $setup) {
        ($this->begin)($setup);
        foreach (range(1, 4) as $n) {
            ($this->shot)("{$i}{$n}", 2300 + 37 * $n, $i === 1 && $n === 4 ? ['source' => 'simulated'] : []);
        }
    }
    $this->actingAs($this->user);
    $decision = $this->postJson("api/fittings/{$this->case->id}/decisions", ['setupId' => $this->a->id, 'reason' => 'x'])
        ->assertCreated()->json('id');
    $this->postJson("api/decisions/{$decision}/lock")
        ->assertUnprocessable()
        ->assertJsonFragment([
            'message' => 'Simulated shots count in this fitting (B): a decision for a real player cannot be locked on them. Leave them '
                .'out, or hit real ones.',
        ]);
    expect(LogEntry::query()->where('words', 'like', 'locked%')->count())->toBe(0);
    $this->patchJson('api/shots/'.Shot::query()->where('source', 'simulated')->value('id'), [
        'leftOut' => ['reason' => 'other'],
    ])->assertOk();
    $this->postJson("api/decisions/{$decision}/lock")->assertOk();
});

it('marks readings and swing weights of a stand-in, and takes none where nobody asked', function (): void {
    $head = $this->rackHead($this->user);
    $read = fn (string $source): TestResponse => $this->postJson("api/heads/{$head['id']}/readings", [
        'values' => ['loftDeg' => ['10.1']], 'readAs' => 'soled', 'way' => 'hand', 'source' => $source,
    ]);
    $read('simulated')->assertUnprocessable();
    expect(Reading::query()->count())->toBe(0);
    $setup = fn (): TestResponse => $this->postJson("api/fittings/{$this->case->id}/setups", [
        'headId' => $head['id'], 'sleeveLabel' => 'N', 'swingWeight' => 'D3', 'swingWeightSource' => 'simulated',
    ]);
    $setup()->assertUnprocessable();
    $this->patchJson('api/studio', ['takesSimulated' => true])->assertOk();
    $read('simulated')
        ->assertCreated()->assertJsonPath('measured.loftDeg.source', 'simulated')->assertJsonPath('history.0.source', 'simulated');
    $setup()->assertCreated()->assertJsonPath('swingWeight.source', 'simulated')->assertJsonPath('playing.byStandIn', true);
    expect($this->getJson('api/rack.json')->json('heads.0.readings.0.source'))->toBe('simulated')
        ->and($this->getJson("api/fittings/{$this->case->id}/file")->json('setups.1.swingWeightSource'))->toBe('simulated');
    $read('measured')->assertCreated()->assertJsonPath('measured.loftDeg.source', 'measured');
    // What is made up does not come into a studio that did not ask for it.
    [$rack, $file] = [$this->getJson('api/rack.json')->getContent(), $this->getJson("api/fittings/{$this->case->id}/file")->getContent()];
    $this->actingAs($this->fitter('Other'));
    $upload = fn (string $to, string|false $bytes): TestResponse => $this->postJson($to, [
        'keep' => true, 'file' => Illuminate\Http\UploadedFile::fake()->createWithContent('x.json', (string) $bytes),
    ]);
    $upload('api/rack/import', $rack)
        ->assertOk()->assertJsonPath('leftOut', ['readings of Tern 460 by a stand-in']);
    expect(
        Reading::query()->whereHas('fitter', fn ($q) => $q->where('studio_id', '!=', $this->user->studio_id))->pluck('source')->all(),
    )->toBe(['measured']);
    $upload('api/fittings/import', $file)
        ->assertUnprocessable()
        ->assertJsonFragment([
            'message' => 'This file holds swing weights of a stand-in (1), readings of a stand-in (1), and this studio takes nothing '
                .'simulated. Switch simulated shots on in the bay to take it. Nothing was added.',
        ]);
});

it('takes the demo out of a studio’s own database, all of it, and nothing of the studio’s', function (): void {
    $user = $this->fitter();
    $case = $this->fitting($user);
    $setup = $this->addSetup($case);
    $this->actingAs($user)->postJson("api/fittings/{$case->id}/trials", ['setupId' => $setup->id])->assertCreated();
    $this->hitAbout($user, $setup, n: 3);
    $tables = array_map(static fn (object $t): string => array_values((array) $t)[0], DB::select('SHOW TABLES'));
    $count = static fn (): array => array_combine($tables, array_map(static fn (string $t): int => DB::table($t)->count(), $tables));
    $own = $count();
    app(DemoSeeder::class)->run();
    expect(array_sum($count()))->toBeGreaterThan(array_sum($own) + 100);
    $this->artisan('mint:drop-demo', ['--pretend' => true])->assertFailed();
    $this->artisan('mint:drop-demo')->expectsOutputToContain('was taken out')->assertSuccessful();
    expect(array_diff_key($count(), ['cache' => 1]))->toBe(array_diff_key($own, ['cache' => 1]));
    $this->artisan('mint:drop-demo', ['--pretend' => true])->assertSuccessful();
    $this->getJson("api/fittings/{$case->id}")->assertOk();
});
