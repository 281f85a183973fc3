<?php

declare(strict_types=1);

use App\Models\Fitting;

// A studio's months, and what its promises were worth.

beforeEach(function (): void {
    $this->owner = $this->fitter();
    $this->actingAs($this->owner);
    $this->made = $this->fitting($this->owner);
    $own = $this->addSetup($this->made);
    $this->hitAbout($this->owner, $own, 146, 6);
    $this->head = $this->rackHead($this->owner);
    $this->idle = $this->rackHead($this->owner, ['label' => 'Never taken 440']);
    $this->setup = $this->build($this->made, $this->head, ['length' => ['value' => '1143', 'unit' => 'mm'], 'swingWeight' => 'D2']);
    $this->hitAbout($this->owner, $this->setup, 150, 6);
    $this->postJson("api/fittings/{$this->made->id}/decisions", ['setupId' => $this->setup->id, 'reason' => '=secret words'])->assertCreated();
    $order = $this->postJson("api/fittings/{$this->made->id}/orders")->assertCreated()->json();
    foreach (['ordered', 'arrived', 'built'] as $state) {
        $order = $this->patchJson("api/orders/{$order['id']}", ['version' => $order['version'], 'state' => $state])->assertOk()->json();
    }
    $order = $this->postJson("api/orders/{$order['id']}/acceptances", ['version' => $order['version'], 'hand' => 'right'] + array_diff_key($order['figures'], ['hand' => 1]))
        ->assertOk()->json();
    $this->order = $this->patchJson("api/orders/{$order['id']}", ['version' => $order['version'], 'state' => 'handed over'])->assertOk()->json();
});

it('counts what was fitted and what came back, and names stock that never wins', function (): void {
    $seen = $this->getJson('api/season')->assertOk()->json();
    expect($seen)->toMatchArray(['fittings' => 1, 'decided' => 1, 'keptOwn' => 0, 'ordered' => 1, 'handedOver' => 1, 'returned' => 0])
        ->and($seen['ledger']['counts'])->toMatchArray(['handedOver' => 1, 'known' => 0, 'notYet' => 1])->and($seen['ledger']['verdict'])->toBe('counts only')
        ->and(collect($seen['heads'])->firstWhere('label', 'Tern 460'))->toMatchArray(['hit' => 1, 'won' => 1, 'ordered' => 1])
        ->and(collect($seen['heads'])->firstWhere('label', 'Never taken 440'))->toMatchArray(['hit' => 0, 'won' => 0])
        // The club that was delivered is the player's, not the rack's.
        ->and($seen['heads'])->toHaveCount(2);
    $this->patchJson("api/orders/{$this->order['id']}", ['version' => $this->order['version'], 'state' => 'returned', 'why' => 'too long'])->assertOk();
    $seen = $this->getJson('api/season')->json();
    expect($seen)->toMatchArray(['returned' => 1, 'why' => ['too long'], 'handedOver' => 0])->and($seen['ledger']['counts']['handedOver'])->toBe(1);
    $this->travel(13)->months();
    $this->actingAs($this->owner);
    expect($this->getJson('api/season?months=12')->json())->toMatchArray(['fittings' => 0, 'decided' => 0, 'ordered' => 0]);
});

it('puts what came beside what was promised', function (): void {
    foreach ([['before', 4], ['before', 5], ['before', 4], ['new', 9], ['new', 10], ['new', 9]] as $i => [$club, $hit]) {
        $this->postJson("api/fittings/{$this->made->id}/rounds", [
            'key' => "round number {$i}", 'playedOn' => now()->format('Y-m-d'), 'course' => 'Reedmere', 'club' => $club, 'holes' => 14,
            'hit' => $hit, 'left' => 14 - $hit, 'right' => 0, 'lost' => 0,
        ])->assertCreated();
    }
    expect($this->getJson('api/season')->json('ledger.counts.known'))->toBe(Fitting::query()->count());
});

it('gives a table that names nobody', function (): void {
    $csv = $this->get('api/season.csv')->assertOk()->streamedContent();
    expect(substr_count($csv, "\n"))->toBe(2)->and($csv)->toContain('Tern 460')->toContain('handed over')
        ->and($csv)->not->toContain($this->made->player->name)->not->toContain('secret words')->not->toContain(now()->format('Y-m-d'));
});

it('shows another studio nothing of it', function (): void {
    $this->actingAs($this->fitter('Another'))->getJson('api/season')->assertOk()->assertJsonPath('fittings', 0)->assertJsonPath('heads', []);
});
