<?php

declare(strict_types=1);

use App\Support\Quantity;
use Illuminate\Testing\TestResponse;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Units\Unit;

// Where the player plays: air, ground and corridor, in whatever unit they were typed.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->actingAs($this->user);
    $this->change = fn (array $body): TestResponse => $this->patchJson("api/fittings/{$this->case->id}", $body + ['version' => $this->case->fresh()->version]);
});

it('converts each length once, at the edge', function (string $field, string $value, string $unit, string $kept, float $metres): void {
    $answer = ($this->change)(['corridorWidth' => ['value' => '40', 'unit' => 'm'], 'troubleSide' => 'right', $field => ['value' => $value, 'unit' => $unit]])->assertOk();
    expect($answer->json($kept))->toEqualWithDelta($metres, 1e-9);
})->with([
    ['corridorWidth', '35', 'yd', 'corridorWidthM', 32.004],
    ['corridorWidth', '100', 'ft', 'corridorWidthM', 30.48],
    ['holeLength', '420', 'yd', 'holeLengthM', 384.048],
    ['holeLength', '384,5', 'm', 'holeLengthM', 384.5],
    ['altitude', '5000', 'ft', 'altitudeM', 1524.0],
    ['troubleAt', '30', 'yd', 'troubleAtM', 27.432],
]);

it('refuses what no place is like, and keeps what stood', function (array $body): void {
    $before = $this->getJson("api/fittings/{$this->case->id}")->json();
    $answer = ($this->change)($body)->assertUnprocessable();
    expect($answer->json('message'))->not->toBe('')
        ->and($this->getJson("api/fittings/{$this->case->id}")->json())->toBe($before);
})->with([
    'a corridor of a metre' => [['corridorWidth' => ['value' => '1', 'unit' => 'm']]],
    'trouble inside the corridor' => [['corridorWidth' => ['value' => '40', 'unit' => 'm'], 'troubleSide' => 'left', 'troubleAt' => ['value' => '10', 'unit' => 'm']]],
    'above every mountain' => [['altitude' => ['value' => '90000', 'unit' => 'm']]],
    'hotter than any desert' => [['temperatureC' => 200]],
    'a fourth kind of turf' => [['turf' => 'concrete']],
    'a dragon on the left' => [['troubleSide' => 'left', 'troubleKind' => 'dragon']],
    'a width in words' => [['corridorWidth' => ['value' => 'wide', 'unit' => 'm']]],
    'a width in rpm' => [['corridorWidth' => ['value' => '30', 'unit' => 'rpm']]],
]);

it('takes a given trouble distance back', function (): void {
    ($this->change)(['troubleSide' => 'right', 'troubleAt' => ['value' => '30', 'unit' => 'm']])->assertJsonPath('troubleAtM', 30);
    ($this->change)(['troubleAt' => null])->assertOk()->assertJsonPath('troubleAtM', null);
});

it('flies what was not measured in the air of the place', function (): void {
    $setup = $this->addSetup($this->case);
    $this->type($this->user, $this->case, $setup, [['ballSpeedMps' => '150', 'launchDeg' => '13', 'spinRpm' => '2500']]);
    $carry = fn (): float => $this->getJson("api/fittings/{$this->case->id}/shots")->json('0.computed.carryM');
    $level = $carry();
    ($this->change)(['altitude' => ['value' => '1500', 'unit' => 'm']])->assertOk();
    $high = $carry();
    ($this->change)(['altitude' => ['value' => '0', 'unit' => 'm'], 'temperatureC' => 2])->assertOk();
    expect($high)->toBeGreaterThan($level + 5)
        ->and($carry())->toBeLessThan($level);
});

it('runs out by the turf of the place, and leaves carry alone', function (): void {
    $setup = $this->addSetup($this->case);
    $this->type($this->user, $this->case, $setup, [['ballSpeedMps' => '150', 'launchDeg' => '13', 'spinRpm' => '2500']]);
    $seen = [];
    foreach (['soft', 'medium', 'firm'] as $turf) {
        ($this->change)(['turf' => $turf])->assertOk();
        $seen[] = $this->getJson("api/fittings/{$this->case->id}/shots")->json('0.computed');
    }
    expect(array_column($seen, 'carryM'))->toBe(array_fill(0, 3, $seen[0]['carryM']))
        ->and($seen[0]['totalM'])->toBeLessThan($seen[1]['totalM'])
        ->and($seen[1]['totalM'])->toBeLessThan($seen[2]['totalM']);
});

it('prices the corridor that was drawn: a wider one holds more', function (): void {
    $setup = $this->addSetup($this->case);
    $this->type($this->user, $this->case, $setup, array_map(fn (int $side): array => ['ballSpeedMps' => '150', 'launchDeg' => '13', 'spinRpm' => '2500', 'carryM' => '230', 'sideM' => $side.' m'], [-18, -4, 3, 9, 16]));
    $share = fn (): float => $this->getJson("api/fittings/{$this->case->id}/comparison")->json('sets.0.share.share');
    ($this->change)(['corridorWidth' => ['value' => '20', 'unit' => 'm']])->assertOk();
    $narrow = $share();
    ($this->change)(['corridorWidth' => ['value' => '50', 'unit' => 'm']])->assertOk();
    expect($share())->toBeGreaterThan($narrow + 0.2)->toBeLessThan(1.0);
});

it('reads quantities as people type them', function (mixed $typed, Unit $unit, ?float $value): void {
    expect(Quantity::read('f', 'F', $typed, $unit))->toBe($value === null ? null : $value);
})->with([
    'nothing' => [null, Unit::Metres, null],
    'blanks' => [['value' => '  ', 'unit' => 'm'], Unit::Metres, null],
    'a bare number is in the kept unit' => ['12.5', Unit::Metres, 12.5],
    'a number with its own unit' => [['value' => '10 yd', 'unit' => 'm'], Unit::Metres, 9.144],
    'a comma' => [['value' => '12,5', 'unit' => 'm'], Unit::Metres, 12.5],
    'thousands' => [['value' => '1,143.0', 'unit' => 'mm'], Unit::Millimetres, 1143.0],
    'a minus' => [['value' => '-3', 'unit' => 'm'], Unit::Metres, -3.0],
]);

it('refuses a quantity that is none', function (mixed $typed): void {
    expect(fn () => Quantity::read('f', 'Width', $typed, Unit::Metres))->toThrow(ValidationException::class, 'Width');
})->with([
    'words' => [['value' => 'wide', 'unit' => 'm']],
    'a side' => [['value' => '12 L', 'unit' => 'm']],
    'a speed' => [['value' => '12', 'unit' => 'mph']],
    'an unknown unit' => [['value' => '12', 'unit' => 'cubit']],
    'two numbers' => [['value' => '12 14', 'unit' => 'm']],
]);
