<?php

declare(strict_types=1);

use MintCarry\Core\Launch\ClubName;
use MintCarry\Core\Launch\ColumnGuess;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Launch\TextFile;
use MintCarry\Core\Units\Unit;

// How people and machines head the columns of launch data. Written for this test; no maker's file is copied here.

function guessed(string $header, string $cells, string $delimiter = ';'): array
{
    // Two columns beside it make the header a header.
    $file = TextFile::read(
        "Launch{$delimiter}Spin "
            ."Rate{$delimiter}{$header}\n12.5{$delimiter}2500{$delimiter}{$cells}\n13.1{$delimiter}2610{$delimiter}{$cells}\n",
    );
    $column = ColumnGuess::of($file)->columns[2];

    return [$column->measure, $column->unit];
}

it('knows a column by its heading', function (string $header, string $cell, Measure $measure, ?Unit $unit): void {
    expect(guessed($header, $cell))->toBe([$measure, $unit]);
})->with([
    ['Ball Speed (mph)', '150.2', Measure::BallSpeed, Unit::MilesPerHour],
    ['ball speed [m/s]', '67.1', Measure::BallSpeed, Unit::MetresPerSecond],
    ['BALL SPEED', '150.2', Measure::BallSpeed, Unit::MilesPerHour],
    ['ball_speed_kmh', '241.4', Measure::BallSpeed, Unit::KilometresPerHour],
    ['BallSpeed', '241.4', Measure::BallSpeed, Unit::KilometresPerHour],
    ['Club Speed (km/h)', '165', Measure::ClubSpeed, Unit::KilometresPerHour],
    ['Club speed', '103.4', Measure::ClubSpeed, Unit::MilesPerHour],
    ['Smash Factor', '1.45', Measure::Smash, Unit::Ratio],
    ['Smash', '145', Measure::Smash, Unit::Percent],
    ['Attack Angle (deg)', '-1.3', Measure::Attack, Unit::Degrees],
    ['Club Path', '2.1', Measure::Path, Unit::Degrees],
    ['Face Angle', '-0.8', Measure::Face, Unit::Degrees],
    ['Face to Path', '-2.9', Measure::FaceToPath, Unit::Degrees],
    ['Dynamic Loft', '14.2', Measure::DynamicLoft, Unit::Degrees],
    ['Launch Direction', '1.2', Measure::Direction, Unit::Degrees],
    ['Spin Axis', '-4.4', Measure::SpinAxis, Unit::Degrees],
    ['Back Spin', '2450', Measure::BackSpin, Unit::RevolutionsPerMinute],
    ['Side Spin', '-300', Measure::SideSpin, Unit::RevolutionsPerMinute],
    ['Carry (yds)', '231', Measure::Carry, Unit::Yards],
    ['Carry Distance [m]', '211', Measure::Carry, Unit::Metres],
    ['carryM', '211', Measure::Carry, Unit::Metres],
    ['Total (m)', '232', Measure::Total, Unit::Metres],
    ['Offline', '-12', Measure::Side, Unit::Yards],
    ['Apex (ft)', '96', Measure::Apex, Unit::Feet],
    ['Descent Angle', '38.2', Measure::Descent, Unit::Degrees],
    ['Hang Time (s)', '6.1', Measure::HangTime, Unit::Seconds],
    ['Setup', 'A', Measure::SetupTag, null],
]);

it('leaves alone what it does not know', function (string $header, string $cell): void {
    expect(guessed($header, $cell)[0])->toBeNull();
})->with([['Battery', '88'], ['Colour', 'red'], ['', '7'], ['Sqrt', '12'], ['Ball', '3'], ['Speed limit', '50']]);

it('takes the unit of the heading before the likely one', function (): void {
    // 231 would be yards by plausibility alone.
    expect(guessed('Carry (m)', '231')[1])->toBe(Unit::Metres)
        ->and(guessed('Carry (ft)', '690')[1])->toBe(Unit::Feet)
        ->and(guessed('Carry (mph)', '231')[1])->toBe(Unit::Yards);
});

it('takes a unit that stands in the cells', function (): void {
    expect(guessed('Carry', '211 m')[1])->toBe(Unit::Metres)
        ->and(guessed('Ball Speed', '67.1 m/s')[1])->toBe(Unit::MetresPerSecond);
});

it('gives one measure to one column: the second of a name is set aside', function (): void {
    $map = ColumnGuess::of(TextFile::read("Launch,Spin,Ball Speed,Ball Speed\n12,2500,150,151\n"));
    expect(array_map(fn ($c): ?Measure => $c->measure, $map->columns))->toBe([
        Measure::LaunchAngle, Measure::Spin, Measure::BallSpeed, null,
    ]);
});

it('reads what a plus means where the heading says it', function (string $header, string $plus): void {
    $map = ColumnGuess::of(TextFile::read("Launch;Spin;{$header}\n12;2500;4\n"));
    expect($map->columns[2]->plus)->toBe($plus);
})->with([
    ['Side (+ left) (m)', 'left'],
    ['Side (+ = right)', 'right'],
    ['Side', 'right'],
    ['Club Path (toe +)', 'toe'],
    ['Launch Direction (L+)', 'left'],
]);

it('knows a file by its header words, whatever lines stand above and whatever the data', function (): void {
    $signature = fn (string $text): ?string => ColumnGuess::signature(TextFile::read($text));
    $one = $signature("Ball Speed,Launch,Spin\n150,12,2500\n");
    expect($signature("Studio report\n\nBall Speed,Launch,Spin\n140,11,2400\n139,12,2500\n"))->toBe($one)
        ->and($signature("BALL SPEED,LAUNCH,SPIN\n150,12,2500\n"))->toBe($one)
        ->and($signature("Ball Speed,Launch,Spin,Carry\n150,12,2500,230\n"))->not->toBe($one)
        ->and($signature("150,12,2500\n151,13,2600\n"))->toBeNull();
});

it('reads the loft in a club’s name, and calls a letter a club', function (string $cell, string $label, ?float $loft): void {
    $club = ClubName::of($cell);
    expect($club->label)->toBe($label)->and($club->statedLoftDeg)->toBe($loft);
})->with([
    ['Tern 460 9.5°', 'Tern 460 9.5°', 9.5], ['Plover 445, 10,5', 'Plover 445, 10,5', 10.5], ['Curlew L  9 deg', 'Curlew L 9 deg', 9.0],
    ['Tern 460', 'Tern 460', null], ['Tern 460 +0.75', 'Tern 460 +0.75', null], ['B', 'Club B', null], ['', 'Club without a name', null],
    ['Mystery 44.5', 'Mystery 44.5', null],
]);
