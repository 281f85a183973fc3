<?php

declare(strict_types=1);

use App\Models\Setup;
use Illuminate\Testing\TestResponse;

// Setups from the rack: what may be combined, what a setup remembers, and how it says what changed.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->head = $this->rackHead($this->user);
    $this->case = $this->fitting($this->user);
    $this->actingAs($this->user);
    $this->build = fn (array $body = []): TestResponse => $this->postJson(
        "api/fittings/{$this->case->id}/setups", $body + ['headId' => $this->head['id']],
    );
});

it('takes home position and standard weights where nothing else was chosen', function (): void {
    ($this->build)()
        ->assertCreated()->assertJsonPath('sleeveLabel', 'N')->assertJsonPath('weights', '12 g back')
        ->assertJsonPath('masses', ['back' => 12])->assertJsonPath('asItComes', true);
    ($this->build)(['sleeveLabel' => '+1.4'])->assertJsonPath('asItComes', false);
    ($this->build)(['masses' => ['heel' => 12]])->assertJsonPath('asItComes', false);
});

it('empties the slots when that was chosen', function (): void {
    ($this->build)(['masses' => []])->assertCreated()->assertJsonPath('weights', 'no weights')->assertJsonPath('body.massG', 191);
});

it('refuses what the stock does not hold, and keeps nothing', function (array $masses, string $says): void {
    expect(
        ($this->build)(['masses' => $masses])
            ->assertUnprocessable()->json('message'),
    )
        ->toContain($says)
        ->and(Setup::query()->count())->toBe(0);
})->with([
    'three of four grams' => [['back' => 4, 'heel' => 4, 'toe' => 4], 'no other 4 g weight for toe'],
    'eleven grams' => [['back' => 11], 'no other 11 g weight'],
    'a slot that is not there' => [['sole' => 4], "no slot 'sole'"],
]);

it('says the weights in the order of the slots, whatever order they came in', function (): void {
    ($this->build)(['masses' => ['toe' => 4, 'back' => 12, 'heel' => 8]])->assertJsonPath('weights', '12 g back, 8 g heel, 4 g toe');
});

it('plays what each position gives, under both habits', function (string $position, float $loft, float $face): void {
    // Two rings of 0.6°: Δloft squared = τ sin φ / sin L, face soled = −τ sin φ / cos L (docs/physics.md), L = 58°.
    $playing = ($this->build)(['sleeveLabel' => $position])->json('playing');
    expect($playing['squared']['loftDeg'] - 10.5)->toEqualWithDelta($loft / sin(deg2rad(58)), 0.03)
        ->and($playing['soled']['faceOpenDeg'])->toEqualWithDelta($face / cos(deg2rad(58)), 0.03)
        ->and($playing['soled']['loftDeg'])->toEqualWithDelta(10.5, 1e-6);
})->with([['N', 0.0, 0.0], ['+1.4', 1.2, -1.2], ['-1.4', -1.2, 1.2]]);

it('refuses a head or part that is none', function (array $body, string $field): void {
    $this->postJson("api/fittings/{$this->case->id}/setups", $body + ['headId' => $this->head['id']])
        ->assertUnprocessable()->assertJsonValidationErrors($field);
})->with([
    'a head from nowhere' => [['headId' => 4711], 'headId'],
    'a grip from nowhere' => [['gripId' => 4711], 'gripId'],
    'a word for a head' => [['headId' => 'the big one'], 'headId'],
    'neither head nor words' => [['headId' => null], 'head'],
]);

it('refuses a ball in the place of a shaft', function (): void {
    $ball = $this->postJson('api/parts', ['kind' => 'ball', 'label' => 'Mallow'])->json('id');
    ($this->build)(['shaftId' => $ball])->assertUnprocessable()->assertJsonValidationErrors('shaftId');
});

it('changes a setup that was not hit to another head, with that head’s own home', function (): void {
    $setup = ($this->build)(['sleeveLabel' => '+1.4'])->json('id');
    $other = $this->rackHead($this->user, [
        'label' => 'Plover', 'sleeveId' => null, 'slots' => [], 'stockG' => [], 'standard' => [], 'statedLoftDeg' => 9,
    ]);
    $this->patchJson("api/setups/{$setup}", ['headId' => $other['id']])
        ->assertOk()->assertJsonPath('head', 'Plover')->assertJsonPath('sleeveLabel', '')->assertJsonPath('weights', '')
        ->assertJsonPath('statedLoftDeg', 9);
    $this->patchJson("api/setups/{$setup}", ['head' => 'Borrowed', 'statedLoftDeg' => 10, 'headId' => null])
        ->assertOk()->assertJsonPath('headId', null)->assertJsonPath('body', null);
});

it('warns of what the rules limit, and says to look them up', function (): void {
    $this->patchJson("api/heads/{$this->head['id']}", ['volumeCm3' => 490])
        ->assertOk()->assertJsonPath('warnings.0', 'Head volume is 490 cm³: check the current rules.');
    $setup = ($this->build)(['length' => ['value' => '47', 'unit' => 'in']])->assertCreated();
    expect(implode(' ', $setup->json('warnings')))->toContain('47.00 in')->toContain('local rules');
});

it('counts a head on the bench as unread until it was on the gauge', function (): void {
    ($this->build)();
    $missing = fn (): string => $this->getJson("api/fittings/{$this->case->id}")->json('missing.bench');
    expect($missing())->toBe('1 not on the gauge');
    $this->postJson("api/heads/{$this->head['id']}/readings", ['values' => ['massG' => ['202']], 'readAs' => 'soled'])->assertCreated();
    expect($missing())->toBe('1 not on the gauge');
    $this->postJson("api/heads/{$this->head['id']}/readings", [
        'values' => ['loftDeg' => ['10.2']], 'readAs' => 'squared',
    ])->assertCreated();
    expect($missing())->toBe('');
});

it('weighs with the mass that was read instead of the stated one', function (): void {
    $this->postJson("api/heads/{$this->head['id']}/readings", [
        'values' => ['massG' => ['199.5', '199.7', '199.6']], 'readAs' => 'soled',
    ])
        ->assertCreated()->assertJsonPath('measured.massG.n', 3);
    expect(($this->build)()->json('body.massG'))->toEqualWithDelta(199.6, 1e-9)
        ->and(($this->build)(['masses' => ['back' => 12, 'toe' => 4]])->json('body.massG'))->toEqualWithDelta(203.6, 1e-9);
});

it('shows the plane for a player who squares as much as asked', function (): void {
    $mixed = fn (float $squaringShare): array => array_column(
        $this->getJson("api/heads/{$this->head['id']}?squaringShare={$squaringShare}")
            ->assertOk()->json('plane.mixed'),
        null, 'label',
    )['+1.4'];
    expect($mixed(1)['faceOpenDeg'])->toEqualWithDelta(0, 1e-9)
        ->and($mixed(0)['loftDeg'])->toEqualWithDelta(10.5, 1e-9)
        ->and($mixed(0.8)['loftDeg'])->toBeGreaterThan($mixed(0.2)['loftDeg']);
    $this->getJson("api/heads/{$this->head['id']}?squaringShare=3")->assertUnprocessable();
});
