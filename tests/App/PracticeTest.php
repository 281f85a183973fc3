<?php

declare(strict_types=1);

use App\Models\Bay;
use App\Models\Fitting;
use App\Models\Shot;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\HiddenPlayers;
use MintCarry\Core\Impact\SetupEffect;
use MintCarry\Core\Judging\HiddenTruth;

// A practice with a made-up player, in the demo alone: the real thing, with a swing that nobody tells before it was decided.

it('begins a fitting with a club on the bench, a bay, and a swing that no answer tells', function (): void {
    app(DemoSeeder::class)->run();
    $this->actingAs(User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail());
    $ids = array_map(fn (): int => $this->postJson('api/practice')->assertCreated()->json('fittingId'), range(1, 3));
    // Each has a bay of its own, also where none was free.
    expect(Bay::query()->whereIn('fitting_id', $ids)->count())->toBe(3);
    $url = "api/fittings/{$ids[0]}";
    $seen = $this->getJson($url)->assertOk()->json();
    $who = Fitting::query()->findOrFail($ids[0])->practice;
    expect($seen['practice'])->toBeTrue()->and($seen['setups'])->toHaveCount(1)->and(json_encode($seen))->not->toContain($who);
    $this->getJson("{$url}/truth")->assertUnprocessable()->assertJsonValidationErrors('decision');
    // Whoever names another player hits with this one all the same.
    $this->postJson("{$url}/trials", ['setupId' => $seen['setups'][0]['id']])->assertCreated();
    $this->postJson("{$url}/simulate", ['count' => 5, 'player' => $who === 'fast' ? 'slow' : 'fast'])->assertCreated();
    $mean = collect(Shot::query()->where('fitting_id', $ids[0])->get())->avg(fn (Shot $s): float => (float) $s->measured['clubSpeedMps']);
    expect($mean)->toEqualWithDelta(HiddenPlayers::named($who, Hand::Right)->clubSpeedMps, 1.5);
    $this->postJson("{$url}/trials", ['turned' => [
        'setupId' => $seen['setups'][0]['id'], 'masses' => $seen['setups'][0]['masses'],
        'sleeve' => $this->getJson("{$url}/hand?setupId={$seen['setups'][0]['id']}")->json('positions.1.label'),
    ]])->assertCreated();
    $this->postJson("{$url}/simulate", ['count' => 5])->assertCreated();
    $advice = $this->getJson("{$url}/advice")->assertOk()->json();
    $pick = collect($this->getJson($url)->json('setups'))->firstWhere('tag', $advice['pick']);
    $this->postJson("{$url}/decisions", ['setupId' => $pick['id']])->assertCreated();
    $truth = $this->getJson("{$url}/truth")->assertOk()->json();
    expect($truth)->toMatchArray(['player' => $who, 'own' => 'A', 'pick' => $advice['pick']])
        ->and(array_column($truth['setups'], 'tag'))->toBe(['A', 'B'])
        ->and($this->getJson("{$url}/truth")->json())->toBe($truth);
});

it('is begun in no studio, and there is no truth of a real player', function (): void {
    $user = $this->fitter();
    $this->actingAs($user);
    $this->postJson('api/practice')->assertUnprocessable()->assertJsonValidationErrors('studio');
    $this->getJson("api/fittings/{$this->fitting($user)->id}/truth")->assertNotFound();
    expect(Fitting::query()->whereNotNull('practice')->exists())->toBeFalse();
});

it('knows what a setup truly does by the same swings for all, mirrored for a left-hander, and warm', function (): void {
    $truth = fn (string $who, Hand $hand, SetupEffect $effect): HiddenTruth => HiddenTruth::of(
        HiddenPlayers::named($who, $hand), $effect, $hand, new BallFlight, new Corridor(29),
    );
    $own = new SetupEffect(new Head);
    [$a, $again, $left] = [$truth('slicer', Hand::Right, $own), $truth('slicer', Hand::Right, $own), $truth('slicer', Hand::Left, $own)];
    expect([$again->carryM, $again->share])->toBe([$a->carryM, $a->share])
        ->and($left->carryM)->toEqualWithDelta($a->carryM, 3 * $a->carryErrorM)
        ->and($left->share)->toEqualWithDelta($a->share, 0.06)
        ->and($truth('fast', Hand::Right, $own)->carryM)->toBeGreaterThan($a->carryM + 20)
        ->and($a->carryErrorM)->toBeLessThan(1.0);
    // More loft for a low launcher flies farther, and more loft goes higher for all: the direction is the impact model's.
    $lofted = $truth('slow', Hand::Right, new SetupEffect(new Head, squaredLoftDeg: 1.5));
    expect($lofted->carryM)->not->toEqualWithDelta($truth('slow', Hand::Right, $own)->carryM, 1e-6);
});
