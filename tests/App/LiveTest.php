<?php

declare(strict_types=1);

use App\Live\ChangeSignal;

// The tiny file that tells screens to look again.

beforeEach(function (): void {
    $this->user = $this->practising();
    $this->case = $this->fitting($this->user);
    // A fitting of this number may have been there in an earlier run.
    @unlink(base_path('var/live/'.ChangeSignal::key($this->case)));
    $this->setup = $this->addSetup($this->case);
    $this->actingAs($this->user);
    $bay = $this->postJson('api/bays', ['name' => 'Bay 1'])->json('id');
    $this->patchJson("api/bays/{$bay}", ['fittingId' => $this->case->id])->assertOk();
    $this->key = $this->getJson("api/fittings/{$this->case->id}/bay")->assertOk()->json('live');
    $this->file = base_path('var/live/'.$this->key);
    $this->held = fn (): string => (string) file_get_contents($this->file);
});

afterEach(fn () => @unlink($this->file));

it('is there as soon as a screen asks, and holds nothing of the fitting', function (): void {
    expect(is_file($this->file))->toBeTrue()
        ->and(($this->held)())->toMatch('/^\d+ $/');
});

it('has a name that cannot be worked out from the fitting', function (): void {
    $other = $this->fitting($this->user);
    expect($this->key)->toMatch('/^[0-9a-f]{40}$/')
        ->and(ChangeSignal::key($other))->not->toBe($this->key)
        ->and(ChangeSignal::key($this->case))->toBe($this->key);
    config(['app.key' => 'another']);
    expect(ChangeSignal::key($this->case))->not->toBe($this->key);
});

it('changes with every trial and every shot', function (): void {
    $seen = [($this->held)()];
    $this->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $this->setup->id])->assertCreated();
    $seen[] = ($this->held)();
    foreach ([1, 2] as $i) {
        $this->postJson("api/fittings/{$this->case->id}/simulate", ['count' => 1, 'player' => 'steady'])->assertCreated();
        ChangeSignal::changed($this->case); // what a commit does: the test's own transaction never commits
        $seen[] = ($this->held)();
    }
    $this->postJson("api/fittings/{$this->case->id}/trials/end")->assertOk();
    $seen[] = ($this->held)();
    expect(array_unique($seen))->toHaveCount(5);
});

it('leaves no half-written file behind', function (): void {
    foreach (range(1, 20) as $i) {
        ChangeSignal::changed($this->case);
    }
    expect(glob(base_path('var/live/').'.*[0-9a-f]') ?: [])->toBe([]);
});

it('does not send again what a screen has, and sends all of it when anything but shots changed', function (): void {
    $url = "api/fittings/{$this->case->id}/bay";
    $this->postJson("api/fittings/{$this->case->id}/trials", ['setupId' => $this->setup->id])->assertCreated();
    $all = $this->getJson($url)->assertOk()->json();
    $seldom = ['inLine', 'screening', 'changeOver', 'visit', 'lastDone', 'bays'];
    $this->type($this->user, $this->case, $this->setup, [
        ['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400'],
    ])->assertCreated();
    $same = $this->getJson($url.'?stamp='.urlencode($this->getJson($url)->json('stamp')))->json();
    expect(array_diff(array_keys($all), array_keys($same)))->toEqualCanonicalizing($seldom)
        ->and($same['shots'])->toHaveCount(1)
        ->and($same['counted'])->toBe(1);
    $stamp = $same['stamp'];
    $this->patchJson("api/setups/{$this->setup->id}/shelf", ['starred' => true])->assertOk();
    $after = $this->getJson("{$url}?stamp=".urlencode($stamp))->json();
    expect($after)->toHaveKeys($seldom)->and($after['stamp'])->not->toBe($stamp)
        // A stamp that was never given, or is no stamp, gets everything.
        ->and($this->getJson("{$url}?stamp=9/9")->json())->toHaveKeys($seldom)
        ->and($this->getJson("{$url}?stamp[]=x")->assertOk()->json())->toHaveKeys($seldom);
});
