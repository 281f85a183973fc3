<?php

declare(strict_types=1);

use App\Models\RackHead;
use App\Models\Reading;
use App\Models\Setup;
use App\Models\SimulatedHead;
use App\Models\Sleeve;
use Illuminate\Testing\TestResponse;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Record\FittingFile;

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->actingAs($this->user);
    $this->head = $this->rackHead($this->user);
    $this->case = $this->fitting($this->user);
    $this->read = fn (array $values, array $more = []): TestResponse => $this->postJson(
        "api/heads/{$this->head['id']}/readings", $more + ['values' => $values, 'readAs' => 'soled', 'position' => 'N'],
    );
    $this->build = fn (array $body = []): TestResponse => $this->postJson(
        "api/fittings/{$this->case->id}/setups", $body + ['headId' => $this->head['id']],
    );
});

it('puts a head on the rack with what is known, and says what is assumed', function (): void {
    expect($this->head['assumed'])->toBe(['CG', 'inertia', 'bulge', 'roll'])
        ->and($this->head['body']['cgBackMm'])->toEqual(40)
        ->and($this->head['loftOffDeg'])->toBeNull()
        ->and($this->head['measured'])->toBe([])
        ->and($this->head['positions'])->toBe(['N', '+1.4', '-1.4']);
    $known = $this->patchJson("api/heads/{$this->head['id']}", [
        'cgToeMm' => '1,5', 'cgBackMm' => 38, 'cgUpMm' => -3, 'inertiaGcm2' => [[2900, 0, 0], [0, 3700, 50], [0, 50, 5300]],
    ])->assertOk();
    // A CG that is told in part is taken, and still called assumed.
    $part = $this->patchJson("api/heads/{$this->head['id']}", ['cgToeMm' => null, 'cgBackMm' => 38, 'cgUpMm' => null])->assertOk();
    expect($part->json('assumed'))->toContain('CG')->and($part->json('body.cgBackMm'))->toBeGreaterThan(36);
    expect($known->json('assumed'))->toBe(['bulge', 'roll'])->and($known->json('cgToeMm'))->toBe(1.5);
});

it('refuses a head that cannot be, by field, and keeps what stands', function (array $body, string $field, string $says): void {
    $answer = $this->postJson('api/heads', $body + ['label' => 'New', 'hand' => 'right', 'statedLoftDeg' => 10])
        ->assertUnprocessable()->assertJsonValidationErrors($field);
    expect($answer->json('message'))->toContain($says)
        ->and(RackHead::query()->count())->toBe(1);
})->with([
    'loft 105' => [['statedLoftDeg' => '105'], 'statedLoftDeg', 'between 4 and 20'],
    'loft in words' => [['statedLoftDeg' => 'ten'], 'statedLoftDeg', 'is not a number'],
    'no label' => [['label' => ''], 'label', 'required'],
    'one label twice' => [['label' => 'Tern 460'], 'label', "already a head 'Tern 460' for this hand"],
    'a tensor of no body' => [['inertiaGcm2' => [[1, 0, 0], [0, -5, 0], [0, 0, 9]]], 'inertiaGcm2', 'positive definite'],
    'a sleeve that is not there' => [['sleeveId' => 999], 'sleeveId', 'invalid'],
    'two slots of one name' => [
        [
            'slots' => [
                ['name' => 'back', 'toeMm' => 0, 'backMm' => 90, 'upMm' => 0],
                ['name' => 'Back', 'toeMm' => 0, 'backMm' => 80, 'upMm' => 0],
            ],
        ],
        'slots.1.name', 'a name of its own',
    ],
    'a slot behind the player' => [
        ['slots' => [['name' => 'far', 'toeMm' => 0, 'backMm' => 400, 'upMm' => 0]]], 'far backMm', 'far backMm is 400',
    ],
    'standard weights that are not there' => [
        ['slots' => [['name' => 'back', 'toeMm' => 0, 'backMm' => 90, 'upMm' => 0]], 'stockG' => [4], 'standard' => ['back' => 12]],
        'masses.back', 'no other 12 g weight',
    ],
]);

it('has one label for each hand', function (): void {
    $this->postJson('api/heads', ['label' => 'Tern 460', 'hand' => 'left', 'statedLoftDeg' => 10.5])->assertCreated();
    expect($this->getJson('api/rack')->json('heads'))->toHaveCount(2);
});

it('averages three readings, puts the latest in force and keeps the history', function (): void {
    ($this->read)(['loftDeg' => ['9.4', '9,5', '9.6'], 'lieDeg' => ['58.8']])->assertCreated();
    $head = ($this->read)(['loftDeg' => ['9.1']])->json();
    expect($head['measured']['loftDeg'])->toMatchArray(['value' => 9.1, 'n' => 1])
        ->and($head['measured']['lieDeg']['value'])->toBe(58.8)
        ->and($head['loftOffDeg'])->toEqualWithDelta(1.4, 1e-9)
        ->and($head['loftOffWarn'])->toBeTrue()
        ->and($head['history'])->toHaveCount(2)
        ->and($head['history'][0]['inForce'])->toBe(['loftDeg'])
        ->and($head['history'][1]['inForce'])->toBe(['lieDeg'])
        ->and($head['history'][1]['by'])->toBe('A fitter');
    expect(Reading::query()->firstOrFail()->typed['loftDeg'])->toBe(['9.4', '9,5', '9.6']);
});

it('warns of a print that is off only beyond a degree', function (): void {
    ($this->read)(['loftDeg' => ['9.6']])->assertJsonPath('loftOffWarn', false);
    ($this->read)(['loftDeg' => ['9.4']])->assertJsonPath('loftOffWarn', true);
});

it('asks about a reading far from the others before it keeps it', function (): void {
    $answer = ($this->read)(['loftDeg' => ['9.4', '12.4', '9.5']])->assertUnprocessable();
    expect($answer->json('message'))->toContain('12.4')->toContain('far from the others')
        ->and(Reading::query()->count())->toBe(0);
    ($this->read)(['loftDeg' => ['9.4', '12.4', '9.5']], ['confirm' => true])->assertCreated();
    expect(Reading::query()->count())->toBe(1);
});

it('refuses readings that are none', function (array $values, array $more, string $says): void {
    expect(($this->read)($values, $more)->assertUnprocessable()->json('message'))->toContain($says)
        ->and(Reading::query()->count())->toBe(0);
})->with([
    'nothing' => [['loftDeg' => ['', ' ']], [], 'at least one value'],
    'words' => [['loftDeg' => ['9.4', 'about ten']], [], "'about ten' is not a number"],
    'loft 105' => [['loftDeg' => ['105']], [], 'loftDeg is 105'],
    'a position that is not there' => [['loftDeg' => ['9.4']], ['position' => 'X9'], "no position 'X9'"],
    'a thing that is not read' => [['colour' => ['4']], [], "'colour' is not something"],
]);

it('builds a setup from the rack and says what it plays', function (): void {
    ($this->read)(['loftDeg' => ['9.5'], 'lieDeg' => ['58'], 'faceOpenDeg' => ['0']]);
    $setup = ($this->build)([
        'sleeveLabel' => '+1.4', 'masses' => ['heel' => 12], 'length' => ['value' => '45', 'unit' => 'in'],
        'tee' => ['value' => '4,5', 'unit' => 'cm'], 'cue' => 'ball forward',
    ])->assertCreated();
    expect($setup->json('head'))->toBe('Tern 460')
        ->and($setup->json('weights'))->toBe('12 g heel')
        // Two rings of 0.6° toward the target: Δloft = τ sin φ / sin L (docs/physics.md).
        ->and($setup->json('playing.squared.loftDeg'))->toEqualWithDelta(9.5 + 1.2 / sin(deg2rad(58)), 0.03)
        ->and($setup->json('playing.soled.loftDeg'))->toEqualWithDelta(9.5, 1e-6)
        ->and($setup->json('playing.soled.faceOpenDeg'))->toEqualWithDelta(-1.2 / cos(deg2rad(58)), 0.03)
        ->and($setup->json('loftOffDeg'))->toEqualWithDelta(1.0, 1e-9)
        ->and($setup->json('teeMm'))->toEqual(45)
        ->and($setup->json('body.cgToeMm'))->toBeLessThan(-1.5)
        ->and($setup->json('body.massG'))->toEqual(203);
});

it('previews a setup and stores nothing', function (): void {
    $this->postJson("api/fittings/{$this->case->id}/setups/preview", [
        'headId' => $this->head['id'], 'sleeveLabel' => '-1.4', 'masses' => ['back' => 12, 'toe' => 4],
    ])
        ->assertOk()->assertJsonPath('weights', '12 g back, 4 g toe')->assertJsonPath('playing.loftFromPrint', true);
    $this->postJson("api/fittings/{$this->case->id}/setups/preview", ['headId' => $this->head['id'], 'masses' => ['back' => 30]])
        ->assertUnprocessable()
        ->assertJsonPath('errors', ['masses.back' => ['There is no other 30 g weight for back: in stock are 12 g, 4 g, 4 g, 8 g.']]);
    expect(Setup::query()->count())->toBe(0);
});

it('lets a gauge reading change what every setup of that head plays, hit or not', function (): void {
    $a = ($this->build)()->json();
    $this->type($this->user, $this->case, Setup::query()->findOrFail($a['id']), [
        ['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400'],
    ])->assertCreated();
    expect($a['playing']['squared']['loftDeg'])->toEqualWithDelta(10.5, 0.01);
    ($this->read)(['loftDeg' => ['8.5', '8.6', '8.4']])->assertCreated();
    $now = $this->getJson("api/fittings/{$this->case->id}")->json('setups.0');
    expect($now['playing']['squared']['loftDeg'])->toEqualWithDelta(8.5, 0.01)
        ->and($now['playing']['loftFromPrint'])->toBeFalse()
        ->and($now['loftOffDeg'])->toEqualWithDelta(2.0, 1e-9);
});

it('keeps a setup that was hit as it was, whatever the rack becomes', function (): void {
    $a = ($this->build)(['sleeveLabel' => '+1.4', 'masses' => ['heel' => 12]])->json();
    $setup = Setup::query()->findOrFail($a['id']);
    $this->type($this->user, $this->case, $setup, [['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400']])->assertCreated();
    $body = ['headId' => $this->head['id'], 'sleeveLabel' => '+1.4', 'masses' => ['heel' => 12]];
    $this->patchJson("api/setups/{$a['id']}", ['masses' => ['back' => 12]] + $body)->assertStatus(409);
    $this->patchJson("api/setups/{$a['id']}", ['sleeveLabel' => 'N'] + $body)->assertStatus(409);
    $this->patchJson("api/setups/{$a['id']}", $body + ['note' => 'rattles a little', 'swingWeight' => 'D2.5'])
        ->assertOk()->assertJsonPath('note', 'rattles a little')->assertJsonPath('swingWeight.label', 'D2.5')
        ->assertJsonPath('swingWeight.measured', true);
    // The rack's sleeve is written anew: the setup keeps the one it was hit with.
    $sleeve = Sleeve::query()->findOrFail($this->head['sleeveId']);
    $spec = $sleeve->spec;
    $spec['ringTiltsDeg'] = [1.2, 1.2];
    $this->patchJson("api/sleeves/{$sleeve->id}", ['spec' => $spec])->assertOk();
    $this->deleteJson("api/heads/{$this->head['id']}")->assertOk();
    $now = $this->getJson("api/fittings/{$this->case->id}")->json('setups.0');
    foreach ($a['playing']['squared'] as $what => $value) {
        expect($now['playing']['squared'][$what])->toEqualWithDelta($value, 1e-9);
    }
    expect($now['sleeveLabel'])->toBe('+1.4')
        ->and($this->getJson('api/rack')->json('heads'))->toBe([]);
});

it('computes the swing weight from the parts, and takes the balance’s before it', function (): void {
    $shaft = $this->postJson('api/parts', [
        'kind' => 'shaft', 'label' => 'Reedline',
        'data' => ['rawMassG' => 62, 'cutMassG' => '58,5', 'balanceFromButtMm' => 550, 'flex' => 'S'],
    ])
        ->assertCreated()->json('id');
    $grip = $this->postJson('api/parts', ['kind' => 'grip', 'label' => 'Tallow', 'data' => ['massG' => 50]])
        ->assertCreated()->json('id');
    $body = ['shaftId' => $shaft, 'gripId' => $grip, 'length' => ['value' => '45.5', 'unit' => 'in']];
    $one = ($this->build)($body)->assertCreated()->json('swingWeight');
    $heavier = ($this->build)($body + ['masses' => ['back' => 12, 'toe' => 4]])->json('swingWeight');
    // Common practice, no source: 2 g at the head is about 1.2 points (docs/physics.md).
    expect($one['measured'])->toBeFalse()
        ->and($heavier['points'] - $one['points'])->toEqualWithDelta(2.4, 0.2);
    ($this->build)($body + ['swingWeight' => 'd 4'])
        ->assertJsonPath('swingWeight.label', 'D4')->assertJsonPath('swingWeight.measured', true);
    ($this->build)($body + ['swingWeight' => 'heavy'])
        ->assertUnprocessable()->assertJsonValidationErrors('swingWeight');
});

it('refuses lengths and tees that no driver has', function (array $body, string $field): void {
    ($this->build)($body)->assertUnprocessable()->assertJsonValidationErrors($field);
})->with([
    [['length' => ['value' => '20', 'unit' => 'in']], 'length'],
    [['length' => ['value' => '60', 'unit' => 'in']], 'length'],
    [['tee' => ['value' => '3', 'unit' => 'm']], 'tee'],
    [['sleeveLabel' => 'Q7'], 'position'],
]);

it('moves CG, inertia and swing weight with the weights, and says what is not legal', function (): void {
    $weigh = fn (array $masses): array => $this->postJson("api/heads/{$this->head['id']}/weigh", ['masses' => (object) $masses])
        ->assertOk()->json();
    $same = $weigh(['back' => 12]);
    $heel = $weigh(['heel' => 12]);
    $more = $weigh(['back' => 12, 'heel' => 4]);
    expect($same['fromStandard'])->each->toEqualWithDelta(0, 1e-9)
        // 12 g over 38 mm in a head of 203 g: 2.25 mm.
        ->and($heel['fromStandard']['toeMm'])->toEqualWithDelta(-12 * 38 / 203, 1e-6)
        ->and($heel['fromStandard']['backMm'])->toEqualWithDelta(-12 * 38 / 203, 1e-6)
        ->and($heel['delivered']['openDeg'][0])->toBeLessThan(0)
        ->and($more['massG'])->toEqual(207)
        ->and($more['swingWeightPoints'])->toEqualWithDelta(2.4, 0.2)
        ->and($more['illegal'])->toBeNull()
        ->and($weigh(['back' => 20])['illegal'])->toContain('no other 20 g weight');
});

it('never takes away a position that somebody stands at', function (): void {
    ($this->build)(['sleeveLabel' => '+1.4']);
    ($this->read)(['loftDeg' => ['9.5']], ['position' => '-1.4']);
    $sleeve = Sleeve::query()->findOrFail($this->head['sleeveId']);
    $without = function (string $label) use ($sleeve): TestResponse {
        $spec = $sleeve->spec;
        $spec['positions'] = array_values(array_filter($spec['positions'], fn (array $p): bool => $p['label'] !== $label));

        return $this->patchJson("api/sleeves/{$sleeve->id}", ['spec' => $spec]);
    };
    expect($without('+1.4')->assertUnprocessable()->json('message'))->toContain("Position '+1.4' is used by setup A of P")
        ->and($without('-1.4')->assertUnprocessable()->json('message'))->toContain('a reading of Tern 460');
    expect($sleeve->fresh()->spec)->toBe($sleeve->spec);
    $this->deleteJson("api/sleeves/{$sleeve->id}")
        ->assertStatus(409)
        ->assertJsonPath('message', 'The sleeve Test sleeve is on Tern 460: give those heads another one first. Nothing was changed.');
});

it('checks a sleeve while it is edited', function (): void {
    $spec = [
        'name' => 'W', 'kind' => 'card',
        'positions' => [['label' => 'N'], ['label' => '+', 'loftDeg' => 1.5, 'faceOpenDeg' => 0, 'lieDeg' => 0]],
    ];
    $check = $this->postJson('api/sleeves/check', ['spec' => $spec])
        ->assertOk()->json();
    expect($check['check'][1]['agrees'])->toBeFalse()
        ->and($check['plane']['squared'])->toHaveCount(2)
        ->and(Sleeve::query()->count())->toBe(1);
    $this->postJson('api/sleeves/check', ['spec' => ['positions' => [['label' => '']]] + $spec])->assertUnprocessable();
    $this->postJson('api/sleeves', ['spec' => $spec])->assertCreated();
    $this->postJson('api/sleeves', ['spec' => $spec])
        ->assertUnprocessable()
        ->assertJsonPath('errors.name.0', "There is already a sleeve 'W': give this one a name of its own. Nothing was saved.");
});

it('keeps shafts, grips and balls, each with its own figures', function (array $body, ?string $field): void {
    $answer = $this->postJson('api/parts', $body);
    $field === null ? $answer->assertCreated() : $answer->assertUnprocessable()->assertJsonValidationErrors($field);
})->with([
    [
        [
            'kind' => 'shaft', 'label' => 'S', 'data' => ['rawMassG' => '62,5', 'flex' => 'S', 'torqueDeg' => 4],
            'supply' => ['price' => '120', 'currency' => 'EUR', 'inStock' => true],
        ],
        null,
    ],
    [['kind' => 'ball', 'label' => 'S', 'data' => ['build' => 'soft']], null],
    [['kind' => 'ball', 'label' => 'S', 'data' => ['dragFactor' => '1,04', 'factorsFrom' => 'own range']], null],
    [['kind' => 'ball', 'label' => 'S', 'data' => ['dragFactor' => '1,04']], 'data.factorsFrom'],
    [['kind' => 'ball', 'label' => 'S', 'data' => ['liftFactor' => 3, 'factorsFrom' => 'own range']], 'data.liftFactor'],
    [['kind' => 'shaft', 'label' => 'S', 'data' => ['rawMassG' => 900]], 'data.rawMassG'],
    [['kind' => 'grip', 'label' => 'S', 'data' => ['torqueDeg' => 4]], 'data'],
    [['kind' => 'glove', 'label' => 'S'], 'kind'],
    [['kind' => 'ball', 'label' => 'S', 'supply' => ['price' => -4, 'currency' => 'EUR']], 'supply.price'],
    [['kind' => 'ball', 'label' => 'S', 'supply' => ['price' => 40]], 'supply.currency'],
    [['kind' => 'ball', 'label' => 'S', 'supply' => ['price' => '12x', 'currency' => 'EUR']], 'supply.price'],
    [['kind' => 'ball', 'label' => 'S', 'supply' => ['price' => '1.200,50', 'currency' => 'EUR']], 'supply.price'],
]);

it('flies a ball by the drag and lift that the rack has for it, on every screen and out of a file', function (): void {
    $ball = ['kind' => 'ball', 'label' => 'Range ball', 'data' => ['dragFactor' => 1.1, 'liftFactor' => 0.95, 'factorsFrom' => 'own range']];
    $id = $this->postJson('api/parts', $ball)->json('id');
    $setup = ($this->build)(['ballId' => $id])->json();
    $values = array_map(static fn (string $v): array => ['value' => $v, 'unit' => ''], [
        'launchDeg' => '13', 'spinRpm' => '2600', 'directionDeg' => '0', 'spinAxisDeg' => '0',
    ]) + ['ballSpeedMps' => ['value' => '68', 'unit' => 'm/s']];
    $this->postJson("api/fittings/{$this->case->id}/shots", [
        'setupId' => $setup['id'], 'shots' => [['clientId' => 'one', 'values' => $values]],
    ])->assertCreated();
    $carry = fn (): float => $this->getJson("api/fittings/{$this->case->id}/shots")->json('0.computed.carryM');
    $ofFile = fn (): float => array_values(FittingFile::read(
        $this->getJson("api/fittings/{$this->case->id}/file")->assertOk()->json(),
    )->shots)[0][0]->shot->value(Measure::Carry) ?? 0.0;
    $usual = (new BallFlight)->fly(new Launch(68, 13, 2600))->carryM;
    $short = (new BallFlight(aerodynamics: new Aerodynamics(dragFactor: 1.1, liftFactor: 0.95)))->fly(new Launch(68, 13, 2600))->carryM;
    expect($short)->toBeLessThan($usual - 8)->and($carry())->toEqualWithDelta($short, 0.01)->and($ofFile())->toEqualWithDelta($short, 0.01);
    $this->patchJson("api/parts/{$id}", ['data' => ['dragFactor' => null, 'liftFactor' => null]] + $ball)->assertOk();
    expect($carry())->toEqualWithDelta($usual, 0.01)->and($ofFile())->toEqualWithDelta($usual, 0.01);
});

it('takes a part off the rack and leaves it in the setups built with it', function (): void {
    $ball = $this->postJson('api/parts', ['kind' => 'ball', 'label' => 'Mallow'])->json('id');
    $this->postJson('api/parts', ['kind' => 'ball', 'label' => 'Mallow'])->assertUnprocessable();
    ($this->build)(['ballId' => $ball])->assertJsonPath('ball', 'Mallow');
    $this->deleteJson("api/parts/{$ball}")->assertOk();
    expect($this->getJson('api/rack')->json('parts'))->toBe([])
        ->and($this->getJson("api/fittings/{$this->case->id}")->json('setups.0.ball'))->toBe('Mallow');
    $this->postJson('api/parts', ['kind' => 'ball', 'label' => 'Mallow'])->assertCreated();
});

it('never sends what the stand-in gauge is to find', function (): void {
    SimulatedHead::query()->create(['head_id' => $this->head['id'], 'truth' => ['loftDeg' => 9.123]]);
    foreach (['api/rack', "api/heads/{$this->head['id']}", 'api/rack.json'] as $uri) {
        expect((string) $this->getJson($uri)->getContent())->not->toContain('9.123');
    }
});
