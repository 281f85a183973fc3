<?php

declare(strict_types=1);

use App\Models\Setup;
use Illuminate\Testing\TestResponse;

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->actingAs($this->user);
    $this->add = fn (array $body): TestResponse => $this->postJson(
        "api/fittings/{$this->case->id}/setups", $body + ['head' => 'Tern 460', 'statedLoftDeg' => '10.5'],
    );
});

it('takes degrees as people type them', function (string $typed, float $loft): void {
    expect(($this->add)(['measuredLoftDeg' => $typed])->assertCreated()->json('measuredLoftDeg'))->toEqual($loft);
})->with([
    ['9.1', 9.1],
    ['9,1', 9.1],
    [' 9.1 ', 9.1],
    ['9.1°', 9.1],
    ['10', 10.0],
]);

it('takes a minus in either of its two characters', function (string $typed): void {
    ($this->add)(['sleeveFaceOpenDeg' => $typed])->assertCreated()->assertJsonPath('sleeveFaceOpenDeg', -1.5);
})->with(['-1.5', "\u{2212}1.5", "\u{2212}1,5°"]);

it('takes the length in any unit and keeps what was typed', function (string $value, string $unit, float $mm): void {
    $setup = ($this->add)(['length' => ['value' => $value, 'unit' => $unit]])->assertCreated();
    expect($setup->json('lengthMm'))->toEqualWithDelta($mm, 1e-9)
        ->and(Setup::query()->findOrFail($setup->json('id'))->typed['length'])->toBe(['value' => $value, 'unit' => $unit]);
})->with([
    ['45.5', 'in', 1155.7],
    ['45,5', 'in', 1155.7],
    ['1150', 'mm', 1150.0],
    ['115', 'cm', 1150.0],
    ['45.5 in', 'mm', 1155.7],
]);

it('names the field and what it may be', function (string $field, mixed $value, string $says): void {
    $answer = ($this->add)([$field => $value])->assertUnprocessable();
    expect($answer->json("errors.{$field}.0"))->toContain($says)
        ->and(Setup::query()->count())->toBe(0);
})->with([
    'no head' => ['head', '', 'head field is required'],
    'a head as long as a page' => ['head', str_repeat('x', 81), '80'],
    'loft of 105' => ['statedLoftDeg', '105', 'between 4 and 20'],
    'loft in words' => ['statedLoftDeg', 'ten', 'must be a number'],
    'reading of 2' => ['measuredLoftDeg', '2', 'between 4 and 20'],
    'lie of 30' => ['measuredLieDeg', '30', 'between 45 and 72'],
    'sleeve of 9' => ['sleeveLoftDeg', '9', 'between -4 and 4'],
    'length without sense' => ['length', ['value' => 'long', 'unit' => 'in'], "Length 'long' is not a number"],
    'length in degrees' => ['length', ['value' => '45', 'unit' => 'deg'], "Length '45' is not a number with a unit of length"],
    'a list for a label' => ['sleeveLabel', ['a'], 'string'],
]);

it('branches from the benchmark unless told otherwise', function (): void {
    $a = ($this->add)([])->json('id');
    $b = ($this->add)([])->assertJsonPath('branchedFromId', $a)->json('id');
    ($this->add)(['branchedFromId' => $b])->assertJsonPath('branchedFromId', $b);
    $this->patchJson("api/fittings/{$this->case->id}", ['version' => 1, 'benchmarkSetupId' => $b])->assertOk();
    ($this->add)([])->assertJsonPath('branchedFromId', $b)->assertJsonPath('isBaseline', false);
});

it('does not branch from a setup of another fitting', function (): void {
    $stranger = $this->addSetup($this->fitting($this->user));
    $a = ($this->add)([])->json('id');
    ($this->add)(['branchedFromId' => $stranger->id])
        ->assertCreated()->assertJsonPath('branchedFromId', $a);
    $this->patchJson("api/fittings/{$this->case->id}", ['version' => 1, 'benchmarkSetupId' => $stranger->id])
        ->assertUnprocessable()->assertJsonPath('errors.benchmarkSetupId.0', 'That setup is not part of this fitting.');
});

it('says what the head presents under both habits, and what it rests on', function (): void {
    $plain = ($this->add)([]);
    expect($plain->json('playing.loftFromPrint'))->toBeTrue()
        ->and($plain->json('playing.lieAssumed'))->toBeTrue()
        ->and($plain->json('playing.squared.loftDeg'))->toBe(10.5);
    $read = ($this->add)(['measuredLoftDeg' => '9', 'measuredLieDeg' => '58', 'measuredFaceOpenDeg' => '-1']);
    // A face that sits 1° closed, turned back to square, adds cot(58°) = 0.625° of loft (docs/physics.md).
    expect($read->json('playing.squared.loftDeg'))->toEqualWithDelta(9.625, 0.01)
        ->and($read->json('playing.squared.faceOpenDeg'))->toEqualWithDelta(0, 1e-9)
        ->and($read->json('playing.soled.loftDeg'))->toEqualWithDelta(9.0, 1e-9)
        ->and($read->json('playing.soled.faceOpenDeg'))->toEqualWithDelta(-1.0, 1e-9)
        ->and($read->json('playing.loftFromPrint'))->toBeFalse();
});

it('gives a left-handed fitting the same hand-relative geometry', function (): void {
    $left = $this->fitting($this->user, 'left');
    $body = ['head' => 'Tern 460', 'statedLoftDeg' => 10.5, 'sleeveFaceOpenDeg' => 1.2];
    $l = $this->postJson("api/fittings/{$left->id}/setups", $body)->assertCreated()->json('playing');
    $r = ($this->add)($body)->json('playing');
    expect($l)->toBe($r);
});

it('changes a setup that nobody has hit, in every field', function (): void {
    $id = ($this->add)([])->json('id');
    $this->patchJson("api/setups/{$id}", [
        'head' => 'Plover 445', 'statedLoftDeg' => '9', 'measuredLoftDeg' => '8,4', 'sleeveLabel' => 'N', 'weights' => '8 g back',
        'shaft' => 'Reedline 60', 'ball' => 'Mallow Four', 'length' => ['value' => '45', 'unit' => 'in'], 'note' => 'borrowed',
    ])
        ->assertOk()->assertJsonPath('head', 'Plover 445')->assertJsonPath('measuredLoftDeg', 8.4)
        ->assertJsonPath('weights', '8 g back')->assertJsonPath('lengthMm', 1143)->assertJsonPath('note', 'borrowed');
    $this->patchJson("api/setups/{$id}", ['head' => 'Plover 445', 'statedLoftDeg' => '99'])->assertUnprocessable();
    expect(Setup::query()->findOrFail($id)->stated_loft_deg)->toBe(9.0);
});

it('keeps the letters of the others when one is taken away', function (): void {
    ($this->add)([]);
    $b = ($this->add)([])->json('id');
    ($this->add)([])->assertJsonPath('tag', 'C');
    $this->deleteJson("api/setups/{$b}")->assertOk();
    ($this->add)([])->assertJsonPath('tag', 'D');
    expect(collect($this->getJson("api/fittings/{$this->case->id}")->json('setups'))->pluck('tag')->all())->toBe(['A', 'C', 'D']);
});

it('counts shots and counted shots of each setup', function (): void {
    $a = $this->addSetup($this->case);
    $this->type($this->user, $this->case, $a, [
        ['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400'],
        ['ballSpeedMps' => '149', 'launchDeg' => '11', 'spinRpm' => '2500'],
    ]);
    $this->patchJson('api/shots/'.$a->shots()->firstOrFail()->id, ['leftOut' => ['reason' => 'warm-up']])->assertOk();
    $this->getJson("api/fittings/{$this->case->id}")->assertJsonPath('setups.0.shots', 2)->assertJsonPath('setups.0.counted', 1);
});
