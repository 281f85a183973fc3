<?php

declare(strict_types=1);

use Tests\FigureTable;

// The figures of three made-up fittings, as screens and bin/mint show them. They prove nothing: the tests against the outside do that. They show which figures a change
// moves. A change that is meant to move them says why: php bin/parts/figures.php --accept "why".

it('moves no figure of a fitting', function (string $fitting): void {
    $was = FigureTable::accepted($fitting);
    $moves = FigureTable::moves($was, FigureTable::of($fitting));

    expect(count($was))->toBeGreaterThan(300)
        ->and($moves === [] ? '' : "\n".FigureTable::table($moves)."\n")->toBe('', count($moves).' figures moved');
})->with(FigureTable::FITTINGS)->group('snapshots');

it('says why its figures were last accepted', function (): void {
    expect(FigureTable::lastReason())->toStartWith('- '.FigureTable::print().': ')
        ->and(strlen(FigureTable::lastReason()))->toBeGreaterThan(40);
})->group('snapshots');

it('knows a figure by what it is: a row more moves nothing else', function (): void {
    $was = ["compare\tA\tcarryM" => '201.0', "compare\tB\tcarryM" => '208.0'];
    $now = ["compare\tC\tcarryM" => '190.0'] + $was;

    expect(array_keys(FigureTable::moves($was, $now)))->toBe(["compare\tC\tcarryM"])
        ->and(FigureTable::moves($was, ["compare\tA\tcarryM" => '201.1'] + $was))->toBe([])
        ->and(FigureTable::table(FigureTable::moves($was, ["compare\tA\tcarryM" => '204.5'] + $was)))
        ->toContain('carryM', '201.0', '204.5', '+3.5');
})->group('snapshots');
