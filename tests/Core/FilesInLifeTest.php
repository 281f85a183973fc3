<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Launch\ColumnGuess;
use MintCarry\Core\Launch\ShotFile;
use MintCarry\Core\Launch\ShotRow;
use MintCarry\Core\Launch\TextFile;
use MintCarry\Core\Units\Unit;

// Whole files as they arrive: quoted, ragged, with lines above and averages below. Written for this test.

/** @return list<ShotRow> */
function fileRows(string $bytes, Hand $hand = Hand::Right): array
{
    $file = TextFile::read($bytes);

    return (new ShotFile($file, ColumnGuess::of($file), $hand))->rows();
}

/** @return list<array<string, float>> the shots' values */
function fileShots(string $bytes, Hand $hand = Hand::Right): array
{
    return array_map(
        fn (ShotRow $r): array => $r->values,
        array_values(array_filter(fileRows($bytes, $hand), fn (ShotRow $r): bool => $r->kind === 'shot')),
    );
}

it('reads cells in quotes, with separators, quotes and line ends inside', function (): void {
    $rows = TextFile::read("Note,Ball Speed,Launch,Spin\n\"low, heel \"\"clank\"\"\",150,12,2500\n\"two\nlines\",151,13,2600\n")->rows;
    expect($rows[1][1][0])->toBe('low, heel "clank"')
        ->and($rows[2][1][0])->toBe("two\nlines")
        ->and($rows[2][1][1])->toBe('151');
});

it('does not mind how lines end', function (string $end): void {
    $shots = fileShots(implode($end, ['Ball Speed (mph),Launch,Spin', '150,12,2500', '151,13,2600', '']));
    expect($shots)->toHaveCount(2)->and($shots[1]['launchDeg'])->toBe(13.0);
})->with(["\n", "\r\n", "\r"]);

it('keeps the line numbers of the file, so that a row can be found again', function (): void {
    $rows = fileRows("A report\n\nBall Speed (mph),Launch,Spin\n150,12,2500\n\n151,thirteen,2600\n");
    $shot = array_values(array_filter($rows, fn (ShotRow $r): bool => $r->kind === 'shot'))[0];
    $bad = array_values(array_filter($rows, fn (ShotRow $r): bool => $r->kind === 'bad'))[0];
    expect($shot->line)->toBe(4)->and($bad->line)->toBe(6)
        ->and($bad->issues[0]->message)->toContain("'thirteen' is not a number");
});

it('reads rows that are too short or too long', function (): void {
    $shots = fileShots("Ball Speed (mph),Launch,Spin,Carry (yd)\n150,12,2500\n151,13,2600,231,,,\n149,11,2400,228\n");
    expect($shots)->toHaveCount(3)
        ->and($shots[0])->not->toHaveKey('carryM')
        ->and($shots[1]['carryM'])->toEqualWithDelta(231 * 0.9144, 1e-9);
});

it('lets a separator at the end of every line be', function (): void {
    expect(fileShots("Ball Speed (mph);Launch;Spin;\n150;12;2500;\n"))->toHaveCount(1);
});

it('takes a header that comes again in the middle for a header', function (): void {
    $rows = fileRows("Ball Speed (mph),Launch,Spin\n150,12,2500\nBall Speed (mph),Launch,Spin\n151,13,2600\n");
    expect(array_map(fn (ShotRow $r): string => $r->kind, $rows))->toBe(['shot', 'header', 'shot']);
});

it('leaves averages and deviations out, under the names people give them', function (string $name): void {
    expect(fileShots("Shot,Ball Speed (mph),Launch,Spin\n1,150,12,2500\n2,152,13,2600\n{$name},151,12.5,2550\n"))->toHaveCount(2);
})->with(['Average', 'Avg', 'Mean', 'Std Dev', 'Deviation', 'AVERAGE']);

it('reads one file in every common dress to the same shots', function (string $text): void {
    $shots = fileShots($text, Hand::Left);
    expect($shots)->toHaveCount(2)
        ->and($shots[0]['ballSpeedMps'])->toEqualWithDelta(67.06, 0.02)
        ->and($shots[0]['spinRpm'])->toEqualWithDelta(2450, 0.5)
        ->and($shots[0]['sideM'])->toEqualWithDelta(-12.3, 0.05)
        ->and($shots[1]['sideM'])->toEqualWithDelta(4.0, 0.05);
})->with([
    'points and commas' => ["Ball Speed (mph),Launch,Spin,Side (m)\n150.0,12.5,2450,-12.3\n149.0,11.5,2600,4.0\n"],
    'semicolons and decimal commas' => ["Ball Speed (m/s);Launch;Spin;Side (m)\n67,06;12,5;2450;-12,3\n66,61;11,5;2600;4,0\n"],
    'tabs and letters' => ["Ball Speed (km/h)\tLaunch\tSpin\tSide (m)\n241.4\t12.5\t2450\t12.3 L\n239.8\t11.5\t2600\tR 4.0\n"],
    'thousands marks' => ["Ball Speed (mph);Launch;Spin;Side (m)\n150.0;12.5;2,450;-12.3\n149.0;11.5;2,600;4.0\n"],
    'a units row' => ["Ball Speed;Launch;Spin;Side\nmph;deg;rpm;m\n150.0;12.5;2450;-12.3\n149.0;11.5;2600;4.0\n"],
    'real minus signs' => ["Ball Speed (mph),Launch,Spin,Side (m)\n150.0,12.5,2450,\u{2212}12.3\n149.0,11.5,2600,+4.0\n"],
    'yards' => ["Ball Speed (mph),Launch,Spin,Side (yd)\n150.0,12.5,2450,-13.45\n149.0,11.5,2600,4.37\n"],
    'lines above and blank lines' => [
        "Session of the day\nPlayer: P\n\nBall Speed (mph),Launch,Spin,Side (m)\n150.0,12.5,2450,-12.3\n\n149.0,11.5,2600,4.0\n",
    ],
]);

it('marks the second of two rows that are alike as a repeat', function (): void {
    $rows = fileRows("Ball Speed (mph),Launch,Spin\n150.2,12.1,2511\n150.2,12.1,2511\n");
    expect(array_map(fn (ShotRow $r): string => $r->kind, $rows))->toBe(['shot', 'repeat']);
});

it('keeps the cells of each shot as they stood', function (): void {
    $row = fileRows("Ball Speed (mph),Launch,Spin,Side (m)\n 150.20 ,12.1,\"2,511\",L 3\n")[0];
    expect($row->typed)->toBe(['ballSpeedMps' => '150.20', 'launchDeg' => '12.1', 'spinRpm' => '2,511', 'sideM' => 'L 3']);
});

/** @return array<string, string> the unit taken for each measure of a file whose header names none */
function unitsTaken(string $bytes): array
{
    $taken = [];
    foreach (ColumnGuess::of(TextFile::read($bytes))->columns as $column) {
        if ($column->measure?->unit() !== null) {
            $taken[$column->measure->value] = $column->unit->value;
        }
    }

    return $taken;
}

it('judges units that nobody named together: each file is what its ball flies', function (string $speed, string $length, string $height): void {
    $lines = ['Ball Speed,Club Speed,Launch,Spin,Carry,Total,Side,Apex'];
    foreach ([[66.5, 12.0, 2500], [68.2, 13.5, 2250], [64.9, 11.0, 2900], [67.4, 14.0, 2600]] as $i => [$ball, $launch, $spin]) {
        $flown = (new BallFlight)->fly(new Launch($ball, $launch, $spin));
        $speeds = fn (float $si): string => sprintf('%.1f', Unit::MetresPerSecond->to(Unit::from($speed), $si));
        $metres = fn (float $m): string => sprintf('%.1f', Unit::Metres->to(Unit::from($length), $m));
        // A monitor's carry lies a few per cent about ours.
        $lines[] = implode(',', [
            $speeds($ball), $speeds($ball / 1.46), $launch, $spin, $metres($flown->carryM * (0.98 + 0.01 * $i)),
            $metres($flown->totalM), $metres(6.0 * $i), sprintf('%.1f', Unit::Metres->to(Unit::from($height), $flown->apexM)),
        ]);
    }
    expect(unitsTaken(implode("\n", $lines)))->toMatchArray([
        'ballSpeedMps' => $speed, 'clubSpeedMps' => $speed, 'carryM' => $length, 'totalM' => $length, 'sideM' => $length, 'apexM' => $height,
    ]);
})->with([
    'yards' => ['mph', 'yd', 'ft'], 'metres' => ['m/s', 'm', 'm'], 'kilometres an hour' => ['km/h', 'm', 'm'],
    'a British bay' => ['mph', 'm', 'm'], 'yards with an apex in yards' => ['mph', 'yd', 'yd'],
]);

it('takes a metric ball speed with a carry that only fits metres as metres, and says why', function (): void {
    $columns = ColumnGuess::of(TextFile::read("Ball speed (m/s),Launch,Spin,Carry\n67.0,12.6,2480,209\n68.1,13.1,2510,214\n"))->columns;
    expect($columns[3]->unit)->toBe(Unit::Metres)
        ->and($columns[3]->unitWhy)->toMatch('/^No unit is named: taken as metres: [+-]\d %.* as yards [+-]?\d+ %\.$/')
        ->and($columns[0]->unitWhy)->toBe('');
});

it('lets a named unit be, whatever the rest looks like', function (): void {
    expect(unitsTaken("Ball speed (mph),Launch,Spin,Carry (m),Side\n150,12.6,2480,209,5\n152,13.1,2510,214,-3\n"))
        ->toMatchArray(['ballSpeedMps' => 'mph', 'carryM' => 'm', 'sideM' => 'm']);
});
