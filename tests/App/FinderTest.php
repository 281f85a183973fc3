<?php

declare(strict_types=1);

use App\Models\RackHead;
use App\Models\Setup;

// The finder's answer for a fitting: what it needs, what it says, and what becomes of bad input.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->head = $this->rackHead($this->user);
    $this->actingAs($this->user);
    $this->url = "api/fittings/{$this->case->id}";
    $this->hit = fn (Setup $setup, float $mph = 148, int $n = 4) => $this->hitAbout($this->user, $setup, $mph, $n);
    $this->find = fn (string $only = 'all') => $this->getJson("{$this->url}/finder?only={$only}");
});

it('judges every position and arrangement of the rack against the own club', function (): void {
    ($this->hit)($this->build($this->case, $this->head));
    $found = ($this->find)()->assertOk()->json();
    $heads = RackHead::query()->count();
    expect($heads)->toBe(1)
        ->and($found['own'])->toBe('A')
        // Three positions; the own setup among them, under its letter.
        ->and(count(array_unique(array_column($found['setups'], 'sleeve'))))->toBe(3)
        ->and(collect($found['setups'])->firstWhere('tag', 'A'))->toMatchArray(['gain' => 0, 'chance' => 0.5, 'tested' => true])
        ->and($found['count'])->toBe(count($found['setups']))
        ->and($found['trade']['front'])->not->toBe([])
        ->and(array_keys($found['learned']))
        ->toBe([
            'squaring', 'loftCarryThrough', 'faceCarryThrough', 'loftPerCgBackMm', 'openPerCgToeMm', 'toeMmPerPoint',
            'speedMpsPerPoint',
        ])
        ->and($found['next']['tag'])->not->toBe('A');
    $gains = array_column($found['setups'], 'gain');
    $sorted = $gains;
    rsort($sorted);
    expect($gains)->toBe($sorted);
});

it('gives the same answer twice, and another after another trial', function (): void {
    ($this->hit)($this->build($this->case, $this->head));
    $first = ($this->find)()->json();
    expect(($this->find)()->json())->toBe($first);
    ($this->hit)($this->build($this->case, $this->head, ['sleeveLabel' => '+1.4']), 152, 5);
    $second = ($this->find)()->json();
    expect(collect($second['setups'])->firstWhere('setupTag', 'B')['tested'])->toBeTrue()
        ->and($second['learned']['loftCarryThrough']['sd'])->toBeLessThan($first['learned']['loftCarryThrough']['sd']);
});

it('looks only at the own head, or only at what is in stock, where that is asked', function (): void {
    ($this->hit)($this->build($this->case, $this->head));
    $this->rackHead($this->user, [
        'label' => 'Plover 445', 'supply' => ['inStock' => false, 'price' => 380, 'currency' => 'EUR', 'leadDays' => 10],
    ]);
    $heads = fn (string $only): array => collect(($this->find)($only)->assertOk()->json('setups'))
        ->pluck('head')->unique()->sort()->values()->all();
    expect($heads('all'))->toHaveCount(2)
        ->and($heads('own'))->toBe(['Tern 460'])
        ->and($heads('stock'))->toBe(['Tern 460'])
        ->and($heads('order'))->toBe(['Plover 445', 'Tern 460']);
    $other = collect(($this->find)()->json('setups'))->firstWhere('head', 'Plover 445');
    expect($other['price'])->toEqual(380)->and($other['inStock'])->toBeFalse();
    ($this->find)('cheap')->assertUnprocessable();
});

it('offers the shaft that was hit on every head, and names a setup that is built so', function (): void {
    ($this->hit)($this->build($this->case, $this->head, ['shaft' => 'Reedline 55 R', 'length' => 1143]));
    $plain = ($this->find)()->json('count');
    ($this->hit)($this->build($this->case, $this->head, ['shaft' => 'Saltmarsh 65 X', 'length' => 1130, 'sleeveLabel' => '+1.4']), 152, 5);
    $found = ($this->find)()->assertOk()->json();
    $stiff = collect($found['setups'])->where('like', 'B');
    expect($found['count'])->toBe(2 * $plain)
        ->and($stiff)->toHaveCount($plain)
        ->and($stiff->pluck('with.shaft')->unique()->all())->toBe(['Saltmarsh 65 X'])
        ->and($found['ownEffects'])->toHaveCount(1)
        ->and(($this->find)('own')->json('setups.*.like'))->not->toContain('C');
});

it('says what it lacks', function (Closure $make, string $says): void {
    $make->call($this);
    ($this->find)()->assertUnprocessable()->assertJsonFragment(['message' => ($this->find)()->json('message')]);
    expect(($this->find)()->json('message'))->toContain($says);
})->with([
    'no setup' => [fn () => null, 'own club'],
    'no baseline shot' => [fn () => $this->build($this->case, $this->head), 'hit it first'],
    'nothing for this hand on the rack' => [function (): void {
        ($this->hit)($this->build($this->case, $this->head));
        RackHead::query()->update(['hand' => 'left']);
    }, 'No legal setup for this hand'],
]);

it('judges from one shot, widely', function (): void {
    ($this->hit)($this->build($this->case, $this->head), n: 1);
    $found = ($this->find)()->assertOk()->json();
    $other = collect($found['setups'])->firstWhere('tested', false);
    expect($found['pick'])->toBe('A')
        ->and($other['carryGainInterval']['high'] - $other['carryGainInterval']['low'])->toBeGreaterThan(5.0);
});

it('keeps a setup in the judgement whose head has left the rack', function (): void {
    ($this->hit)($this->build($this->case, $this->head));
    $this->rackHead($this->user, ['label' => 'Plover 445']);
    RackHead::query()->whereKey($this->head['id'])->update(['retired_at' => now()]);
    $found = ($this->find)()->assertOk()->json();
    expect(collect($found['setups'])->firstWhere('tag', 'A')['tested'])->toBeTrue()
        ->and(collect($found['setups'])->pluck('head')->unique()->sort()->values()->all())->toBe(['Plover 445', 'Tern 460']);
});

it('works with a club that is only described, as the own one', function (): void {
    $own = $this->addSetup($this->case, ['head' => 'An old club', 'stated_loft_deg' => 9.5]);
    ($this->hit)($own);
    expect(($this->find)()->assertOk()->json('own'))->toBe('A');
    expect(($this->find)('own')->assertUnprocessable()->json('message'))->toContain('only described');
});

it('belongs to the studio', function (): void {
    ($this->hit)($this->build($this->case, $this->head));
    $this->actingAs($this->fitter('other'));
    ($this->find)()->assertNotFound();
});
