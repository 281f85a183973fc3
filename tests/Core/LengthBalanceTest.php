<?php

declare(strict_types=1);

use MintCarry\Core\Club\LengthBalance;
use MintCarry\Core\Club\Shaft;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Statistics\Line;

// Length and balance against R: the shaft cut by numerical integration, the grams by its solver (tests/reference/balance.R).

/** @return array{clubs: list<array<string, mixed>>, cars: array<string, mixed>} */
function balanceReference(): array
{
    return json_decode((string) file_get_contents(dirname(__DIR__).'/reference/balance.json'), true, flags: JSON_THROW_ON_ERROR);
}

it('cuts a shaft at both ends as R integrates it', function (array $c): void {
    $cut = (new Shaft($c['massG'], $c['balanceMm'], $c['lengthMm']))->cutAt($c['cutMm'] - $c['tipMm'], $c['tipMm']);
    expect($cut->massG)->toEqualWithDelta($c['cutMassG'], 1e-6)
        ->and($cut->balanceFromButtMm)->toEqualWithDelta($c['cutBalanceMm'], 1e-5)
        ->and($cut->lengthMm)->toEqualWithDelta($c['lengthMm'] - $c['cutMm'], 1e-9);
})->with(array_map(fn (array $c): array => [$c], balanceReference()['clubs']));

it('holds swing weight, and total mass too, with the grams that R solves for', function (array $c): void {
    // R's cut stands between our steps of the tip: the same club, cut already, is brought to the length it has.
    $shaft = new Shaft($c['massG'], $c['balanceMm'], $c['lengthMm']);
    $was = LengthBalance::state($c['headG'], $c['playingMm'], $shaft, $c['gripG']);
    $cut = $shaft->cutAt($c['cutMm'] - $c['tipMm'], $c['tipMm']);
    $to = $c['playingMm'] - $c['cutMm'];
    $solved = LengthBalance::solve($c['headG'], $cut, $c['gripG'], $to, $to, $was['swingWeightPoints'], $was['totalG'])['solutions'];
    $by = [];
    foreach ($solved as $s) {
        $by[$s->kind] = $s;
    }
    expect($by['head']->headG)->toEqualWithDelta($c['alone'], 1e-6)
        ->and($by['headAndButt']->headG)->toEqualWithDelta($c['both'][0], 1e-6)
        ->and($by['headAndButt']->buttG)->toEqualWithDelta($c['both'][1], 1e-6)
        ->and($by['headAndButt']->totalG)->toEqualWithDelta($was['totalG'], 1e-6)
        ->and($by['headAndButt']->swingWeightPoints)->toEqualWithDelta($was['swingWeightPoints'], 1e-6);
})->with(array_map(fn (array $c): array => [$c], balanceReference()['clubs']));

it('offers several ways, each of which holds what it says it holds', function (): void {
    $shaft = Shaft::raw(65)->cutTo(1123.7);
    $was = LengthBalance::state(200, 1155.7, $shaft, 50);
    $solved = LengthBalance::solve(200, $shaft, 50, 1155.7, 1130.3);
    $kinds = array_map(fn (LengthBalance $s): string => $s->kind, $solved['solutions']);
    expect($kinds)->toContain('head', 'headAndButt', 'headAndGrip', 'butt')
        ->and(count(array_unique(array_map(fn (LengthBalance $s): float => $s->tipCutMm, $solved['solutions']))))->toBeGreaterThan(2)
        // An inch shorter and nothing done: five points or so lighter (common practice, no source: three to the half inch; at constant
        // masses 2.3).
        ->and($solved['free']['swingWeightPoints'] - $was['swingWeightPoints'])->toEqualWithDelta(-4.8, 0.8);
    foreach ($solved['solutions'] as $s) {
        expect($s->swingWeightPoints)->toEqualWithDelta($was['swingWeightPoints'], 1e-6)
            ->and($s->tipCutMm + $s->buttCutMm)->toEqualWithDelta(25.4, 1e-9);
        if (in_array($s->kind, ['headAndButt', 'headAndGrip', 'tip'], true)) {
            expect($s->totalG)->toEqualWithDelta($was['totalG'], 1e-6);
        }
    }
    // What cannot be built comes last and says why: nothing lies under the butt that could be taken out.
    $first = $solved['solutions'][0];
    $last = $solved['solutions'][count($solved['solutions']) - 1];
    expect($first->why)->toBe([])->and($last->why)->not->toBe([])
        ->and(array_merge(...array_map(fn (LengthBalance $s): array => $s->why, $solved['solutions'])))->toContain('nothingToTakeFromButt');
});

it('takes grams from under the butt where some lie there, and lengthens by an extension', function (): void {
    $shaft = Shaft::raw(65)->cutTo(1123.7);
    $kind = fn (array $solved, string $kind): LengthBalance => array_values(
        array_filter($solved['solutions'], fn (LengthBalance $s): bool => $s->kind === $kind && $s->tipCutMm === 0.0),
    )[0];
    $with = $kind(LengthBalance::solve(200, $shaft, 50, 1155.7, 1130.3, buttNowG: 12.0), 'headAndButt');
    expect($with->why)->toBe([])->and($with->buttG)->toBeLessThan(0);
    $longer = LengthBalance::solve(200, $shaft, 50, 1130.3, 1143.0);
    $alone = $kind($longer, 'head');
    expect($alone->headG)->toBeLessThan(0)->and($alone->why)->toContain('extension')->and($alone->buttCutMm)->toEqualWithDelta(-12.7, 1e-9);
});

it('moves nothing where nothing is asked', function (): void {
    $solved = LengthBalance::solve(200, Shaft::raw(65)->cutTo(1111.0), 50, 1143, 1143);
    foreach ($solved['solutions'] as $s) {
        expect(abs($s->headG) + abs($s->buttG))->toBeLessThan(1e-9)->and($s->why)->toBe([]);
    }
    expect($solved['free']['swingWeightPoints'])->toEqualWithDelta($solved['was']['swingWeightPoints'], 1e-9)
        ->and($solved['free']['totalG'])->toEqualWithDelta($solved['was']['totalG'], 1e-9);
});

it('refuses lengths and masses that no driver has', function (array $with, string $field): void {
    $given = $with + ['head' => 200.0, 'grip' => 50.0, 'from' => 1143.0, 'to' => 1130.0, 'points' => null, 'total' => null];
    expect(fn () => LengthBalance::solve(
        $given['head'], Shaft::raw(62)->cutTo(1111.0), $given['grip'], $given['from'], $given['to'], $given['points'], $given['total'],
    ))->toThrow(fn (InvalidInput $e) => expect($e->field)->toBe($field));
})->with([
    [['to' => 1300.0], 'toLengthMm'], [['to' => 300.0], 'toLengthMm'], [['total' => 90.0], 'totalG'], [['head' => 20.0], 'headMassG'],
    [['points' => 90.0], 'swingWeightPoints'],
]);

it('agrees with the trade’s thumb rules', function (): void {
    // Common practice, no source: about 2 g at the head to the point, about 5 g of grip to the point the other way, half an inch about
    // three points.
    $shaft = Shaft::raw(62)->cutTo(1111.0);
    $at = fn (float $head, float $length, float $grip): float => LengthBalance::state($head, $length, $shaft, $grip)['swingWeightPoints'];
    expect(1 / ($at(201, 1143, 50) - $at(200, 1143, 50)))->toBeBetween(1.4, 2.2)
        ->and(-1 / ($at(200, 1143, 51) - $at(200, 1143, 50)))->toBeBetween(4.0, 6.0)
        ->and($at(200, 1155.7, 50) - $at(200, 1143, 50))->toBeBetween(1.8, 3.2)
        ->and(SwingWeight::pointsOfMoment(28.349523125 * 25.4 * 1.75))->toEqualWithDelta(1.0, 1e-9);
});

it('draws the line that R’s lm draws through its cars', function (): void {
    $cars = balanceReference()['cars'];
    $line = Line::through(array_map(fn (array $p): array => [(float) $p[0], (float) $p[1]], $cars['points']));
    expect($line?->slope)->toEqualWithDelta($cars['slope'], 1e-9)->and($line?->intercept)->toEqualWithDelta($cars['intercept'], 1e-8)
        ->and($line?->slopeError)->toEqualWithDelta($cars['error'], 1e-9)->and($line?->slopeInterval->low)->toEqualWithDelta($cars['low'],
            1e-6)
        ->and($line?->slopeInterval->high)->toEqualWithDelta($cars['high'], 1e-6)->and($line?->residualSd)->toEqualWithDelta($cars['sd'],
            1e-8)
        ->and(Line::through([[1.0, 2.0], [2.0, 3.0]]))->toBeNull()
        ->and(Line::through([[1.0, 2.0], [1.0, 3.0], [1.0, 5.0]]))->toBeNull();
});
