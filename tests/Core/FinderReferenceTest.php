<?php

declare(strict_types=1);

use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Finder\Predicted;
use MintCarry\Core\Finder\Trade;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\Strokes;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Matrix;

// The finder's arithmetic against R: linear-normal update, Pareto front, strokes and best aim (tests/reference/finder.R).

$r = json_decode((string) file_get_contents(dirname(__DIR__).'/reference/finder.json'), true, flags: JSON_THROW_ON_ERROR);

it('updates a linear-normal belief as R’s algebra does', function () use ($r): void {
    $u = $r['update'];
    $p = count($u['priorMean']);
    $lambda = $b = [];
    for ($i = 0; $i < $p; $i++) {
        $lambda[$i] = array_fill(0, $p, 0.0);
        $lambda[$i][$i] = 1 / $u['priorSd'][$i] ** 2;
        $b[$i] = $u['priorMean'][$i] / $u['priorSd'][$i] ** 2;
    }
    foreach ($u['X'] as $k => $row) {
        for ($i = 0; $i < $p; $i++) {
            $b[$i] += $row[$i] * $u['y'][$k] / $u['noise'];
            for ($j = 0; $j < $p; $j++) {
                $lambda[$i][$j] += $row[$i] * $row[$j] / $u['noise'];
            }
        }
    }
    expect(Matrix::solve($lambda, $b))->toEqualWithDelta($u['mean'], 1e-10);
    $inverse = Matrix::inverse($lambda);
    foreach ($u['sd'] as $i => $sd) {
        expect(sqrt($inverse[$i][$i]))->toEqualWithDelta($sd, 1e-10);
    }
});

it('finds the front that brute force finds, from the straightest to the longest', function () use ($r): void {
    $none = new Interval(0.0, 0.0);
    $setups = [];
    foreach ($r['pareto']['carry'] as $i => $carry) {
        $share = $r['pareto']['share'][$i];
        $setups[] = new Predicted(
            new SetupSpec((string) $i, 'Head', new Head, 10.5, 10.5, 0.0), $carry, $none, $carry + 20, 0.0, $none, 15.0, 25.0,
            CorridorShare::ofDraws([0.0], [1 - $share], 0), 0.001 * $carry + 0.4 * $share, $none, 0.0, 0.5, 0.0, 0.0, false, false, 0.0, $none,
            [], 0.0, [], [],
        );
    }
    $trade = Trade::of($setups);
    expect($trade->front)->toBe(array_map(strval(...), $r['pareto']['front']))
        // Gains that are linear in both are found again, and explain all of the ranking.
        ->and($trade->perCarryM)->toEqualWithDelta(0.001, 1e-6)
        ->and($trade->perShare)->toEqualWithDelta(0.4, 1e-5)
        ->and($trade->agreement)->toEqualWithDelta(1.0, 1e-6);
});

it('prices a cloud of drives, and the best aim within 4°, as R’s integrals and optimiser do', function (array $drive): void {
    $brief = new Brief(handicap: 0.0, holeLengthM: 370.0, corridor: new Corridor(32.0, new Trouble('water', 24.0), new Trouble('rough')));
    $price = new Strokes($brief, 0.0);
    // Prices are kept by the metre and joined by straight lines: at most a thousandth where the table bends.
    expect($price->aimFixed($drive['side'], $drive['sd'], $drive['total']))->toEqualWithDelta($drive['held'], 1e-3)
        ->and($price->free($drive['side'], $drive['sd'], $drive['total'])[0])->toEqualWithDelta($drive['free'], 1.5e-3)
        ->and(1 - array_sum($price->beside($drive['side'], $drive['sd'])))->toEqualWithDelta($drive['share'], 1e-6);
})->with(array_map(fn (array $drive): array => [array_map(floatval(...), $drive)], $r['drives']));
