<?php

declare(strict_types=1);

use App\Http\Input\Quantity;
use Illuminate\Testing\TestResponse;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Units\Unit;

// The brief: who the player is, what they want and where they play, in whatever unit it was typed.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->actingAs($this->user);
    $this->change = fn (array $brief, ?string $why = 'a word with the player'): TestResponse => $this->patchJson(
        "api/fittings/{$this->case->id}/brief", ['version' => $this->case->fresh()->version, 'brief' => $brief, 'why' => $why],
    );
});

it('converts each quantity once, at the edge, and keeps what was typed', function (
    string $field, string $value, string $unit, float $kept,
): void {
    expect(
        ($this->change)([$field => ['value' => $value, 'unit' => $unit]])
            ->assertOk()->json("brief.{$field}"),
    )
        ->toEqualWithDelta($kept, 1e-9)
        ->and($this->case->fresh()->typed[$field])->toBe(['value' => $value, 'unit' => $unit]);
})->with([
    ['holeLengthM', '420', 'yd', 384.048],
    ['holeLengthM', '384,5', 'm', 384.5],
    ['altitudeM', '5000', 'ft', 1524.0],
    ['carryM', '235', 'yd', 214.884],
    ['clubSpeedMps', '100', 'mph', 44.704],
    ['windMps', '18', 'km/h', 5.0],
    ['sixIronApexM', '90', 'ft', 27.432],
]);

it('takes corridor and trouble side by side, each with its own distance', function (): void {
    $brief = ($this->change)([
        'corridor' => [
            'widthM' => ['value' => '35', 'unit' => 'yd'],
            'left' => ['kind' => 'water', 'atM' => ['value' => '30', 'unit' => 'yd']],
            'right' => ['kind' => 'trees', 'atM' => null],
        ],
    ])
        ->assertOk()->json('brief.corridor');
    expect($brief['widthM'])->toEqualWithDelta(32.004, 1e-9)
        ->and($brief['left'])->toEqual(['kind' => 'water', 'atM' => 27.432])
        ->and($brief['right'])->toBe(['kind' => 'trees', 'atM' => null]);
    // What is not named stands.
    expect(($this->change)(['corridor' => ['right' => ['kind' => 'rough']]])->json('brief.corridor.left.kind'))->toBe('water');
});

it('hands back the digits that were typed, as long as that is what stands', function (): void {
    ($this->change)([
        'corridor' => ['widthM' => ['value' => '31.5', 'unit' => 'yd'], 'left' => ['kind' => 'water', 'atM' => ['value' => '28,5', 'unit' => 'm']]],
        'clubSpeedMps' => ['value' => '100.4', 'unit' => 'mph'], 'windMps' => ['value' => '12,5', 'unit' => 'km/h'],
    ])->assertOk();
    $typed = $this->getJson("api/fittings/{$this->case->id}")->json('typed');
    expect($typed)->toEqual([
        'corridor.widthM' => ['value' => '31.5', 'unit' => 'yd'], 'corridor.left.atM' => ['value' => '28,5', 'unit' => 'm'],
        'clubSpeedMps' => ['value' => '100.4', 'unit' => 'mph'], 'windMps' => ['value' => '12,5', 'unit' => 'km/h'],
    ]);
    // Another field is saved: these do not move, and are no change of the fitter's.
    ($this->change)(['turf' => 'soft'])->assertOk()->assertJsonPath('brief.corridor.widthM', 31.5 * 0.9144);
    $changes = $this->getJson("api/fittings/{$this->case->id}/brief/changes")->json();
    expect(array_column($changes[0]['changes'], 'field'))->toBe(['turf']);
    // A number that came some other way was not typed.
    $other = $this->case->fresh();
    $other->setBrief(Brief::fromArray(['clubSpeedMps' => 45.0] + $other->brief()->toArray()));
    $other->save();
    expect($this->getJson("api/fittings/{$this->case->id}")->json('typed'))->not->toHaveKey('clubSpeedMps')->toHaveKey('windMps');
});

it('saves the player and the brief whole or not at all, and a correction is no conflict with oneself', function (): void {
    $version = $this->case->version;
    $save = fn (array $brief): TestResponse => $this->patchJson("api/fittings/{$this->case->id}/brief", [
        'version' => $version, 'name' => 'Ada Renamed', 'hand' => 'left', 'brief' => $brief,
        'units' => ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm'],
    ]);
    $save(['carryM' => ['value' => '9000', 'unit' => 'm']])->assertUnprocessable();
    expect($this->getJson("api/fittings/{$this->case->id}")->json('player'))->toMatchArray(['hand' => 'right'])
        ->and($this->case->fresh()->version)->toBe($version);
    $save(['carryM' => ['value' => '200', 'unit' => 'm']])->assertOk()
        ->assertJsonPath('player.name', 'Ada Renamed')->assertJsonPath('player.hand', 'left')
        ->assertJsonPath('player.units.speed', 'km/h')->assertJsonPath('brief.carryM', 200);
    expect($this->getJson("api/fittings/{$this->case->id}/log")->json('0.words'))
        ->toBe('agreed the brief and the player’s name, hand, units');
});

it('refuses what no brief can be, by field, and keeps what stood', function (array $brief, string $field): void {
    $before = $this->getJson("api/fittings/{$this->case->id}")->json();
    ($this->change)($brief)->assertUnprocessable()->assertJsonValidationErrors($field);
    expect($this->getJson("api/fittings/{$this->case->id}")->json())->toBe($before);
})->with([
    'a corridor of a metre' => [['corridor' => ['widthM' => ['value' => '1', 'unit' => 'm']]], 'corridorWidthM'],
    'no corridor' => [['corridor' => ['widthM' => ['value' => '', 'unit' => 'm']]], 'corridor.widthM'],
    'a corridor in words' => [['corridor' => ['widthM' => ['value' => 'wide', 'unit' => 'm']]], 'corridor.widthM'],
    'trouble inside the corridor' => [
        ['corridor' => ['left' => ['kind' => 'water', 'atM' => ['value' => '10', 'unit' => 'm']]]], 'left.atM',
    ],
    'a dragon on the right' => [['corridor' => ['right' => ['kind' => 'dragon']]], 'trouble'],
    'above every mountain' => [['altitudeM' => ['value' => '90000', 'unit' => 'm']], 'altitudeM'],
    'hotter than any desert' => [['temperatureC' => '200'], 'temperatureC'],
    'a fourth kind of turf' => [['turf' => 'concrete'], 'turf'],
    'a speed in metres' => [['clubSpeedMps' => ['value' => '45', 'unit' => 'm']], 'clubSpeedMps'],
    'swings in words' => [['swings' => 'many'], 'swings'],
    'a field that is none' => [['mood' => 'good'], 'brief.mood'],
    'own weights without weights' => [['scoring' => 'own weights'], 'weights'],
    'a minor without a guardian' => [['minor' => true, 'consent' => true], 'guardian'],
]);

it('is agreed once; every later change is dated and says why', function (): void {
    expect($this->getJson("api/fittings/{$this->case->id}")->json('briefAgreedAt'))->toBeNull();
    ($this->change)(['carryM' => ['value' => '230', 'unit' => 'yd'], 'scoring' => 'straightest'], null)->assertOk();
    expect($this->getJson("api/fittings/{$this->case->id}")->json('briefAgreedAt'))->not->toBeNull()
        ->and($this->getJson("api/fittings/{$this->case->id}/brief/changes")->json())->toBe([]);
    ($this->change)(['scoring' => 'longest'], '  ')->assertUnprocessable()->assertJsonValidationErrors('why');
    expect($this->case->fresh()->brief()->scoring)->toBe('straightest');
    ($this->change)(['scoring' => 'longest', 'swings' => 40], 'New course, wide open')
        ->assertOk()->assertJsonPath('brief.scoring', 'longest');
    $changes = $this->getJson("api/fittings/{$this->case->id}/brief/changes")->json();
    expect($changes)->toHaveCount(1)
        ->and($changes[0]['why'])->toBe('New course, wide open')
        ->and($changes[0]['by'])->toBe('A fitter')
        ->and(array_column($changes[0]['changes'], 'field'))->toEqualCanonicalizing(['scoring', 'swings'])
        ->and($changes[0]['changes'][1])->toMatchArray(['from' => 'straightest', 'to' => 'longest']);
});

it('asks for no reason where nothing changed', function (): void {
    ($this->change)(['turf' => 'firm'], null)->assertOk();
    ($this->change)(['turf' => 'firm'], null)->assertOk();
    expect($this->getJson("api/fittings/{$this->case->id}/brief/changes")->json())->toBe([]);
});

it('tells what a brief means before it is saved', function (): void {
    $ask = fn (array $brief): TestResponse => $this->postJson("api/fittings/{$this->case->id}/brief/outlook", ['brief' => $brief]);
    $slow = $ask(['carryM' => ['value' => '180', 'unit' => 'yd']])->assertOk()->json();
    $fast = $ask(['carryM' => ['value' => '270', 'unit' => 'yd']])->json();
    expect($slow['speedFrom'])->toBe('carry')
        ->and($slow['ridge'][$slow['target']]['launchDeg'])->toBeGreaterThan($fast['ridge'][$fast['target']]['launchDeg'])
        ->and($slow['price']['tenMetres'])->toBeGreaterThan(0)
        ->and($this->case->fresh()->brief()->carryM)->toBeNull();
    $ask(['carryM' => ['value' => 'far', 'unit' => 'yd']])->assertUnprocessable()->assertJsonValidationErrors('carryM');
});

it('looks at the speed that was measured once the own club has been hit', function (): void {
    $setup = $this->addSetup($this->case);
    $this->type($this->user, $this->case, $setup, [
        ['ballSpeedMps' => '150', 'clubSpeedMps' => '103', 'launchDeg' => '13', 'spinRpm' => '2500', 'attackDeg' => '-2'],
    ]);
    $outlook = $this->postJson("api/fittings/{$this->case->id}/brief/outlook", [])->json();
    expect($outlook['speedFrom'])->toBe('measured')->and($outlook['clubSpeedMps'])->toEqualWithDelta(103 * 0.44704, 1e-6);
});

it('changes the advice with the scoring it names', function (): void {
    [$a, $b] = [$this->addSetup($this->case), $this->addSetup($this->case)];
    $hit = fn ($setup, int $carry, array $sides) => $this->type(
        $this->user, $this->case, $setup,
        array_map(
            fn (int $s): array => [
                'ballSpeedMps' => '150', 'launchDeg' => '12.5', 'spinRpm' => '2500', 'carryM' => $carry + ($s % 3).' m',
                'totalM' => $carry + 20 .' m', 'sideM' => $s.' m',
            ],
            $sides,
        ),
    )->assertCreated();
    $hit($a, 190, [1, -2, 3, -1, 2, 0, -3, 1]);
    $hit($b, 225, [25, -30, 18, -24, 33, -28, 22, -19]);
    ($this->change)(['scoring' => 'longest'])->assertOk();
    $this->getJson("api/fittings/{$this->case->id}/advice")
        ->assertJsonPath('pick', 'B')->assertJsonPath('scoring', 'longest')->assertJsonPath('unit', 'm');
    ($this->change)(['scoring' => 'straightest'])->assertOk();
    $this->getJson("api/fittings/{$this->case->id}/advice")->assertJsonPath('pick', 'A')->assertJsonPath('unit', 'points');
});

it('flies what was not measured in the air of the place', function (): void {
    $setup = $this->addSetup($this->case);
    $this->type($this->user, $this->case, $setup, [['ballSpeedMps' => '150', 'launchDeg' => '13', 'spinRpm' => '2500']]);
    $carry = fn (): float => $this->getJson("api/fittings/{$this->case->id}/shots")->json('0.computed.carryM');
    $level = $carry();
    ($this->change)(['altitudeM' => ['value' => '1500', 'unit' => 'm']])->assertOk();
    $high = $carry();
    ($this->change)(['altitudeM' => ['value' => '0', 'unit' => 'm'], 'temperatureC' => '2'])->assertOk();
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
    $this->type(
        $this->user, $this->case, $setup,
        array_map(
            fn (int $side): array => [
                'ballSpeedMps' => '150', 'launchDeg' => '13', 'spinRpm' => '2500', 'carryM' => '230', 'sideM' => $side.' m',
            ],
            [-18, -4, 3, 9, 16],
        ),
    );
    $share = fn (): float => $this->getJson("api/fittings/{$this->case->id}/judging")->json('judge.setups.0.share');
    ($this->change)(['corridor' => ['widthM' => ['value' => '20', 'unit' => 'm']]])->assertOk();
    $narrow = $share();
    ($this->change)(['corridor' => ['widthM' => ['value' => '50', 'unit' => 'm']]])->assertOk();
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
