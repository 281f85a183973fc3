<?php

declare(strict_types=1);

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\Outlook;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\Trouble;

it('goes into an array and back unchanged', function (): void {
    $brief = new Brief(
        shape: 'fade', miss: 'two-way', carryM: 214.0, handicap: 11.5, wants: ['carry', 'hold a fade'], never: ['left'], windMps: 4,
        windFromDeg: 45, corridor: new Corridor(32, new Trouble('water', 24), new Trouble('trees')), habit: 'squared', swings: 45,
        minutes: 90, money: 350, currency: 'EUR', scoring: 'own weights', weights: ['carry' => 2.0, 'fairways' => 3.0],
        aimFree: false, consent: true,
    );
    $data = json_decode((string) json_encode($brief->toArray()), true);
    expect(Brief::fromArray($data))->toEqual($brief)
        ->and($brief->changesFrom(Brief::fromArray($data)))->toBe([]);
});

it('has a label for every field it has', function (): void {
    expect(array_keys(Brief::LABELS))->toEqualCanonicalizing(array_keys((new Brief)->toArray()));
});

it('says what changed, from what, to what', function (): void {
    $before = new Brief(carryM: 200, scoring: 'longest');
    $after = new Brief(carryM: 205, scoring: 'longest', corridor: new Corridor(25));
    $changes = $after->changesFrom($before);
    expect(array_column($changes, 'field'))->toEqualCanonicalizing(['carryM', 'corridor'])
        ->and($changes[0])->toBe(['field' => 'carryM', 'label' => 'typical carry', 'from' => 200.0, 'to' => 205.0])
        ->and($changes[1]['to']['widthM'])->toBe(25.0);
});

it('refuses what cannot be, by field', function (array $data, string $field, string $says): void {
    try {
        Brief::fromArray($data);
        $this->fail('was taken');
    } catch (InvalidInput $e) {
        expect($e->field)->toBe($field)->and($e->getMessage())->toContain($says);
    }
})->with([
    [['colour' => 'red'], 'colour', "no field 'colour'"],
    [['shape' => 'banana'], 'shape', "'banana' is not one of"],
    [['carryM' => 900], 'carryM', 'must lie between 60 and 340'],
    [['carryM' => 'far'], 'carryM', 'not a number'],
    [['holeLengthM' => null], 'holeLengthM', 'missing'],
    [['wants' => ['carry', 'gold']], 'wants', "'gold'"],
    [['corridor' => ['left' => []]], 'corridor', 'needs a width'],
    [['corridor' => ['widthM' => 30, 'left' => ['kind' => 'water', 'atM' => 4]]], 'left.atM', 'inside the corridor'],
    [['corridor' => ['widthM' => 30, 'left' => ['kind' => 'lava']]], 'trouble', "'lava'"],
    [['scoring' => 'own weights'], 'weights', 'least one of your own weights'],
    [['weights' => ['luck' => 3]], 'weights', "'luck'"],
    [['weights' => ['carry' => 40]], 'weights.carry', 'between 0 and 10'],
    [['minor' => true, 'consent' => true], 'guardian', 'guardian'],
    [['feel' => str_repeat('x', 1001)], 'feel', '1000 fit'],
]);

it('lets a null stand for what nobody said', function (): void {
    $brief = Brief::fromArray(['carryM' => null, 'handicap' => null, 'money' => null]);
    expect([$brief->carryM, $brief->handicap, $brief->money])->toBe([null, null, null])
        ->and($brief->strokes()->handicap)->toBe(15.0);
});

it('squares by the habit it was told, with room either way', function (): void {
    expect((new Brief(habit: 'squared'))->squaringShare())->toBe(0.8)
        ->and((new Brief(habit: 'soled'))->squaringShare())->toBe(0.2)
        ->and((new Brief)->squaringShare())->toBe(0.5);
});

it('finds the speed behind a typical carry', function (float $mph): void {
    // Its own longest carry at 95 % must lead back to the speed.
    $longest = Outlook::of(new Brief(clubSpeedMps: $mph * 0.44704));
    $carry = $longest->ridge[$longest->target]['carryM'] * Outlook::TYPICAL_OF_BEST;
    $found = Outlook::of(new Brief(carryM: $carry));
    expect($found->speedFrom)->toBe('carry')
        ->and($found->clubSpeedMps / 0.44704)->toEqualWithDelta($mph, 0.4);
})->with([70, 90, 110]);

it('takes the best speed there is: measured, then told, then carry, then a usual one', function (): void {
    $brief = new Brief(carryM: 230, clubSpeedMps: 44.0);
    expect(Outlook::of($brief, 46.0))->speedFrom->toBe('measured')->clubSpeedMps->toBe(46.0)
        ->and(Outlook::of($brief))->speedFrom->toBe('told')->clubSpeedMps->toBe(44.0)
        ->and(Outlook::of(new Brief))->speedFrom->toBe('assumed');
});

// Source: docs/physics.md, longest carry and longest total at 100 mph, attack 0: 12.5° and 2420 rpm, 238 yd; 9.5° and 1800 rpm,
// 270 yd.
it('puts the target of each school where the window puts it', function (): void {
    $at = function (string $school): array {
        $o = Outlook::of(new Brief(clubSpeedMps: 44.704, school: $school));

        return $o->ridge[$o->target];
    };
    $high = $at('longest carry');
    $run = $at('flat and running');
    $guarded = $at('guarded height');
    expect($high['launchDeg'])->toEqualWithDelta(12.5, 0.7)
        ->and($high['spinRpm'])->toEqualWithDelta(2420, 150)
        ->and($high['carryM'] / 0.9144)->toEqualWithDelta(238, 3)
        ->and($run['launchDeg'])->toEqualWithDelta(9.5, 0.9)
        ->and($run['totalM'] / 0.9144)->toEqualWithDelta(270, 4)
        ->and($guarded['launchDeg'])->toBeGreaterThan($high['launchDeg'])
        ->and($guarded['apexM'])->toBeGreaterThan($high['apexM'])
        ->and($high['apexM'])->toBeGreaterThan($run['apexM']);
});

it('has a band around the target that the target lies in', function (string $school): void {
    $o = Outlook::of(new Brief(carryM: 205, school: $school));
    expect($o->bandDeg[0])->toBeLessThan($o->ridge[$o->target]['loftDeg'])
        ->and($o->bandDeg[1])->toBeGreaterThan($o->ridge[$o->target]['loftDeg'])
        ->and($o->field->carryM)->toHaveCount(361);
})->with(Brief::SCHOOLS);

it('flights the ridge down into the wind', function (): void {
    $best = function (float $wind): array {
        $o = Outlook::of(new Brief(clubSpeedMps: 46, windMps: $wind));

        return $o->ridge[$o->target];
    };
    expect($best(7)['launchDeg'])->toBeLessThan($best(0)['launchDeg'])
        ->and($best(7)['carryM'])->toBeLessThan($best(0)['carryM'])
        ->and(Outlook::of(new Brief(clubSpeedMps: 46, windMps: 5, windFromDeg: 270))->windSideM)->toBeGreaterThan(5)
        ->and(Outlook::of(new Brief(clubSpeedMps: 46, windMps: 5, windFromDeg: 90))->windSideM)->toBeLessThan(-5)
        ->and(Outlook::of(new Brief(clubSpeedMps: 46))->windSideM)->toEqualWithDelta(0, 1e-9);
});

it('prices a yard against a fairway on the holes of this player', function (): void {
    $corridor = new Corridor(30, new Trouble('water'), new Trouble('out of bounds'));
    $price = Outlook::of(new Brief(carryM: 200, corridor: $corridor, handicap: 15))->price;
    expect($price['left'])->toBeGreaterThan(1)->toBeLessThan($price['right'])
        ->and($price['rough'])->toBeGreaterThan(0.1)->toBeLessThan(0.6)
        ->and($price['sharePerTenMetres'])->toEqualWithDelta((100 * $price['tenMetres']) / $price['rough'], 1e-9)
        ->and(Outlook::of(new Brief(carryM: 200, corridor: $corridor, handicap: 30))->price['tenMetres'])
        ->toBeGreaterThan($price['tenMetres']);
});

it('scores one draw by each scoring, lower for better', function (Scoring $scoring, string $improves): void {
    $draw = ['strokes' => 4.1, 'share' => 0.6, 'carryM' => 200.0, 'carrySdM' => 10.0, 'totalM' => 220.0, 'apexM' => 28.0];
    $weights = ['carry' => 1.0, 'fairways' => 1.0, 'height' => 1.0, 'run' => 1.0];
    $better = $draw;
    $better[$improves] += in_array($improves, ['strokes', 'carrySdM'], true) ? -0.1 * $draw[$improves] : 0.1 * $draw[$improves];
    expect($scoring->of($better, $weights))->toBeLessThan($scoring->of($draw, $weights))
        ->and($scoring->resolution())->toBeGreaterThan(0)
        ->and($scoring->unit())->toBeIn(['strokes', 'points', 'm']);
})->with([
    [Scoring::FewestStrokes, 'strokes'],
    [Scoring::Straightest, 'share'],
    [Scoring::Longest, 'carryM'],
    [Scoring::GuardedHeight, 'carrySdM'],
    [Scoring::GuardedHeight, 'carryM'],
    [Scoring::Running, 'totalM'],
    [Scoring::OwnWeights, 'apexM'],
    [Scoring::OwnWeights, 'share'],
]);
