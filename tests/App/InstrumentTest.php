<?php

declare(strict_types=1);

use App\Models\Blind;
use App\Models\LogEntry;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;
use Illuminate\Http\UploadedFile;

// The bay as an instrument: what is in the hand is turned there, its setup is made as its trial begins, and a blind setting stays hidden.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->actingAs($this->user);
    $this->url = "api/fittings/{$this->case->id}";
    $this->head = $this->rackHead($this->user);
    $this->a = $this->build($this->case, $this->head);
    $this->hand = fn (): array => $this->getJson("{$this->url}/hand?setupId={$this->a->id}")->assertOk()->json();
    $this->turned = fn (string $sleeve, ?array $masses = null): array => [
        'turned' => ['setupId' => $this->a->id, 'sleeve' => $sleeve, 'masses' => $masses ?? $this->a->masses],
    ];
    /** Shots of the running trial. */
    $this->shots = function (int $n, float $mps = 66): void {
        $trial = Trial::query()->latest('id')->firstOrFail();
        $from = (int) Shot::query()->max('sequence');
        foreach (range(1, $n) as $i) {
            Shot::query()->create([
                'studio_id' => $this->case->studio_id, 'fitting_id' => $this->case->id, 'setup_id' => $trial->setup_id, 'trial_id' => $trial->id,
                'source' => 'monitor', 'sequence' => $from + $i, 'shot_key' => "s{$from}-{$i}", 'typed' => [], 'flags' => [],
                'measured' => ['ballSpeedMps' => $mps + 0.2 * $i, 'launchDeg' => 12, 'spinRpm' => 2400, 'directionDeg' => 1, 'spinAxisDeg' => 2],
            ]);
        }
    };
});

it('tells what the head can be turned to as this player delivers it; of a described one nothing', function (): void {
    $hand = ($this->hand)();
    expect($hand['sleeve'])->toBe($this->a->sleeve_label)
        ->and(array_column($hand['positions'], 'label'))->toContain('+1.4')
        ->and($hand['arrangements'][0]['masses'])->toEqual($this->a->masses);
    $described = $this->addSetup($this->case);
    expect($this->getJson("{$this->url}/hand?setupId={$described->id}")->assertOk()->json())->toMatchArray(['positions' => [], 'arrangements' => []]);
    $this->postJson("{$this->url}/trials", ['turned' => ['setupId' => $described->id, 'sleeve' => 'up', 'masses' => []]])
        ->assertUnprocessable()->assertJsonValidationErrors('sleeve');
});

it('makes a turned setup as its trial begins, names it by what differs, and takes both back in one step', function (): void {
    $this->postJson("{$this->url}/trials", ($this->turned)('+1.4'))->assertCreated();
    $b = Setup::query()->where('fitting_id', $this->case->id)->where('tag', 'B')->firstOrFail();
    expect($b->only(['sleeve_label', 'head_id', 'shaft_id', 'length_mm', 'ball', 'branched_from_id']))
        ->toEqual(['sleeve_label' => '+1.4', 'branched_from_id' => $this->a->id] + $this->a->only(['head_id', 'shaft_id', 'length_mm', 'ball']))
        ->and(Trial::query()->latest('id')->value('setup_id'))->toBe($b->id)
        ->and($this->getJson($this->url)->json('names.B.sleeve'))->toBe('+1.4');
    // The same again is the same setup: nothing is made twice, in whatever order its grams are named.
    $this->postJson("{$this->url}/trials", ($this->turned)('+1.4', array_reverse($this->a->masses, true)))->assertCreated();
    expect(Setup::query()->where('fitting_id', $this->case->id)->count())->toBe(2)
        ->and(Trial::query()->count())->toBe(2);
    foreach ([1, 2] as $_) {
        $entry = LogEntry::query()->whereNull('undone_at')->whereNull('undo_of')->where('words', 'like', 'began trial%')->latest('id')->firstOrFail();
        $this->postJson("api/log/{$entry->id}/undo")->assertOk();
    }
    expect(Setup::query()->where('fitting_id', $this->case->id)->pluck('tag')->all())->toBe(['A'])->and(Trial::query()->count())->toBe(0);
});

it('brings a setup back to the trail that was put aside and is turned to again', function (): void {
    $b = $this->build($this->case, $this->head, ['sleeveLabel' => '+1.4']);
    $this->patchJson("api/setups/{$b->id}/shelf", ['shelf' => 'dropped', 'reason' => 'too high'])->assertOk();
    $this->postJson("{$this->url}/trials", ($this->turned)('+1.4'))->assertCreated()->assertJsonPath('running.setupId', $b->id);
    expect($b->refresh()->shelf)->toBe('');
    $entry = LogEntry::query()->where('words', 'like', 'began trial%')->latest('id')->firstOrFail();
    $this->postJson("api/log/{$entry->id}/undo")->assertOk();
    expect($b->refresh()->only(['shelf', 'shelf_reason']))->toBe(['shelf' => 'dropped', 'shelf_reason' => 'too high']);
});

it('refuses a position or grams that the head does not have, makes nothing, and keeps the trial that runs', function (): void {
    $this->postJson("{$this->url}/trials", ['setupId' => $this->a->id])->assertCreated();
    $this->postJson("{$this->url}/trials", ($this->turned)('+9'))->assertUnprocessable()->assertJsonValidationErrors('position');
    $slot = array_key_first($this->a->masses);
    $this->postJson("{$this->url}/trials", ($this->turned)('+1.4', [$slot => 55.5]))->assertUnprocessable();
    $this->postJson("{$this->url}/trials", [])->assertUnprocessable()->assertJsonValidationErrors('setupId');
    $else = $this->build($this->fitting($this->user), $this->head);
    $this->postJson("{$this->url}/trials", ['turned' => ['setupId' => $else->id, 'sleeve' => '+1.4', 'masses' => []]])->assertUnprocessable();
    expect(Setup::query()->where('fitting_id', $this->case->id)->count())->toBe(1)
        ->and(Trial::query()->whereNull('ended_at')->count())->toBe(1);
});

it('tells what turning would change and what is to be done, and stores nothing', function (): void {
    $ask = fn (string $sleeve): array => $this->postJson("{$this->url}/hand/turned", [
        'setupId' => $this->a->id, 'heldId' => $this->a->id, 'sleeve' => $sleeve, 'masses' => $this->a->masses,
    ])->assertOk()->json();
    // Before the own club was hit nothing can be expected, and what is to be done is told all the same.
    $bare = $ask('+1.4');
    expect($bare['expected'])->toBeNull()
        ->and($bare['steps'][0])->toBe("Sleeve: from {$this->a->sleeve_label} to +1.4")
        ->and($bare['setupId'])->toBeNull();
    $this->postJson("{$this->url}/trials", ['setupId' => $this->a->id])->assertCreated();
    ($this->shots)(5);
    $more = $ask('+1.4');
    expect($more['expected']['apexM']['value'])->toBeGreaterThan(0)
        ->and($more['expected']['apexM']['interval']['low'])->toBeLessThan($more['expected']['apexM']['value'])
        ->and($more['loftDeg'])->toBeGreaterThan($bare['loftDeg'] - 1e-9);
    // As it is in the hand: nothing to do, nothing to expect, and it is there already.
    expect($ask($this->a->sleeve_label))->toMatchArray(['setupId' => $this->a->id, 'steps' => [], 'expected' => null])
        ->and(Setup::query()->where('fitting_id', $this->case->id)->count())->toBe(1)
        ->and(LogEntry::query()->where('words', 'like', '%setup B%')->count())->toBe(0);
});

it('says the same of a turned setup as the finder, before it is made and after', function (): void {
    $this->postJson("{$this->url}/trials", ['setupId' => $this->a->id])->assertCreated();
    ($this->shots)(6);
    $found = collect($this->getJson("{$this->url}/finder?only=own")->assertOk()->json('setups'));
    $one = $found->first(fn (array $s): bool => $s['setupTag'] === null);
    $ask = fn (): float => $this->postJson("{$this->url}/hand/turned", [
        'setupId' => $this->a->id, 'heldId' => $this->a->id, 'sleeve' => $one['sleeve'], 'masses' => $one['masses'],
    ])->assertOk()->json('expected.carryM.value');
    $before = $ask();
    expect($before)->toEqualWithDelta($one['carryGainM'], 0.6);
    $this->postJson("{$this->url}/trials", ['turned' => ['setupId' => $this->a->id, 'sleeve' => $one['sleeve'], 'masses' => $one['masses']]])
        ->assertCreated();
    expect($ask())->toEqualWithDelta($before, 1.0);
});

it('hides a blind setting once it is set, asks the player, and reveals verdict and guess by the blind shots alone', function (): void {
    $b = $this->build($this->case, $this->head, ['sleeveLabel' => '+1.4']);
    // Shots before say the opposite: they are not to be counted.
    foreach ([[$this->a, 72], [$b, 60]] as [$setup, $mps]) {
        $this->postJson("{$this->url}/trials", ['setupId' => $setup->id])->assertCreated();
        ($this->shots)(5, $mps);
    }
    $this->postJson("{$this->url}/blind", ['setupIds' => [$b->id, $this->a->id], 'rounds' => 1, 'shotsEach' => 4])->assertCreated();
    $order = Blind::query()->firstOrFail()->setups;
    $this->getJson("{$this->url}/blind/hand")->assertOk();
    foreach ($order as $place => $id) {
        $trial = Trial::query()->latest('id')->firstOrFail();
        $this->postJson("{$this->url}/blind/set", ['ordinal' => $place + 1])->assertOk()->assertJsonPath('blind.set', true);
        $this->getJson("{$this->url}/blind/hand")->assertUnprocessable();
        // Nor by taking it back.
        $this->postJson('api/log/'.LogEntry::query()->latest('id')->value('id').'/undo');
        $this->getJson("{$this->url}/blind/hand")->assertUnprocessable();
        $this->postJson("{$this->url}/hand/turned", ['setupId' => $b->id, 'heldId' => $this->a->id])->assertUnprocessable();
        ($this->shots)(3, $id === $b->id ? 70 : 62);
        expect($this->getJson("{$this->url}/bay")->json('blind.guess'))->toBeNull();
        ($this->shots)(1, $id === $b->id ? 70 : 62);
        // What is offered to guess from stands in the order of the trail, not in that of the draw.
        expect($this->getJson("{$this->url}/bay")->json('blind.guess'))->toBe([
            'trialId' => $trial->id, 'options' => [['id' => $this->a->id, 'tag' => 'A'], ['id' => $b->id, 'tag' => 'B']],
        ]);
        $this->postJson("api/trials/{$trial->id}/guess", ['setupId' => 999_999])->assertUnprocessable();
        $bay = $this->postJson("api/trials/{$trial->id}/guess", ['setupId' => $id])->assertOk()->json();
        expect($bay['blind']['guess'])->toBeNull()->and($bay['running']['tag'])->toBe('')->and($bay['lastDone']['words'])->not->toContain('B');
        if ($place === 0) {
            $this->postJson("{$this->url}/blind/next", ['from' => 1])->assertOk()->assertJsonPath('blind.set', false);
        }
    }
    // A press that comes late, for the setting before, unsets nothing.
    $this->postJson("{$this->url}/blind/set", ['ordinal' => 1])->assertOk()->assertJsonPath('blind.set', true);
    $told = $this->postJson("{$this->url}/blind/reveal")->assertOk()->json('revealed');
    expect($told['order'])->toBe(array_map(fn (int $id): string => $id === $b->id ? 'B' : 'A', $order))
        ->and($told['against'])->toBe('A')
        ->and($told['verdicts'])->toBe([['tag' => 'B', 'name' => 'longer', 'verdict' => 'better']])
        ->and($told['guess'])->toMatchArray(['right' => 2, 'of' => 2, 'better' => false, 'canTell' => false])
        ->and($told['guess']['p'])->toEqualWithDelta(0.5, 1e-9);
    // In another studio the file says the same of it.
    $file = $this->getJson("{$this->url}/file")->assertOk()->json();
    $this->actingAs($this->fitter('Elsewhere'));
    $there = $this->postJson('api/fittings/import', ['keep' => true, 'file' => UploadedFile::fake()->createWithContent('f.json', json_encode($file))])
        ->assertOk()->json('fittingId');
    expect($this->getJson("api/fittings/{$there}/bay")->assertOk()->json('revealed'))->toEqual($told);
    $this->actingAs($this->user);
    // Once something else is begun the bay is about that.
    $this->postJson("{$this->url}/trials", ['setupId' => $this->a->id])->assertCreated()->assertJsonPath('revealed', null);
    $this->postJson('api/trials/'.Trial::query()->latest('id')->value('id').'/guess', ['setupId' => $b->id])->assertUnprocessable();
});

it('is nobody else’s to turn, to look at or to guess', function (): void {
    $trial = $this->postJson("{$this->url}/trials", ['setupId' => $this->a->id])->assertCreated()->json('running.id');
    $this->actingAs($this->fitter('Other Studio'));
    $this->getJson("{$this->url}/hand?setupId={$this->a->id}")->assertNotFound();
    $this->postJson("{$this->url}/hand/turned", ['setupId' => $this->a->id, 'heldId' => $this->a->id])->assertNotFound();
    $this->postJson("{$this->url}/blind/set", ['ordinal' => 1])->assertNotFound();
    $this->postJson("api/trials/{$trial}/guess", ['setupId' => null])->assertNotFound();
});
