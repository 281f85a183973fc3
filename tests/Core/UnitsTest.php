<?php

declare(strict_types=1);

use Eris\Generator;
use Eris\TestTrait;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Launch\ColumnGuess;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Launch\ShotFile;
use MintCarry\Core\Launch\TextFile;
use MintCarry\Core\Units\Dimension;
use MintCarry\Core\Units\Unit;

uses(TestTrait::class);

// Source: international yard and pound agreement of 1959 (1 yd = 0.9144 m exactly); the international knot, 1852 m an hour.
it('converts exactly', function (Unit $from, Unit $to, float $value, float $converted): void {
    expect($from->to($to, $value))->toEqualWithDelta($converted, 1e-12 * abs($converted))
        ->and($to->to($from, $converted))->toEqualWithDelta($value, 1e-12 * abs($value));
})->with([
    [Unit::Yards, Unit::Metres, 250.0, 228.6],
    [Unit::Feet, Unit::Metres, 100.0, 30.48],
    [Unit::Inches, Unit::Millimetres, 45.5, 1155.7],
    [Unit::MilesPerHour, Unit::MetresPerSecond, 100.0, 44.704],
    [Unit::KilometresPerHour, Unit::MetresPerSecond, 180.0, 50.0],
    [Unit::Knots, Unit::KilometresPerHour, 10.0, 18.52],
    [Unit::FeetPerSecond, Unit::MetresPerSecond, 220.0, 67.056],
    [Unit::Percent, Unit::Ratio, 145.0, 1.45],
    [Unit::Radians, Unit::Degrees, M_PI, 180.0],
]);

it('refuses to make a length of a speed', function (): void {
    expect(fn () => Unit::MilesPerHour->to(Unit::Metres, 1))->toThrow(InvalidInput::class, 'mph cannot be converted to m');
});

it('reads units as people write them', function (string $text, ?Unit $unit): void {
    expect(Unit::read($text))->toBe($unit);
})->with([
    ['yds', Unit::Yards],
    ['[YD]', Unit::Yards],
    ['(m/s)', Unit::MetresPerSecond],
    [' km/h ', Unit::KilometresPerHour],
    ['kph', Unit::KilometresPerHour],
    ['°', Unit::Degrees],
    ["\u{A0}deg", Unit::Degrees],
    ['U/min', Unit::RevolutionsPerMinute],
    ['%', Unit::Percent],
    ['à', null],
    ['', null],
    ['furlong', null],
]);

it('has a kept unit of the right kind for every measure, and a plausible range inside the possible one', function (Measure $measure): void {
    if ($measure->dimension() === Dimension::Text) {
        expect($measure->unit())->toBeNull()->and($measure->units())->toBe([]);

        return;
    }
    [$low, $high] = $measure->plausible();
    [$least, $most] = $measure->possible();
    expect($measure->unit()?->dimension())->toBe($measure->dimension())
        ->and($low)->toBeLessThan($high)
        ->and($least)->toBeLessThanOrEqual($low)
        ->and($most)->toBeGreaterThanOrEqual($high)
        ->and($measure->label())->not->toBe('');
    foreach ($measure->units() as $unit) {
        expect($unit->dimension())->toBe($measure->dimension());
    }
})->with(Measure::cases());

it('reads the same shots back, whatever the separator, the decimal mark and the units', function (): void {
    $this->forAll(
        Generator\elements(';', "\t"),
        Generator\elements('.', ','),
        Generator\elements(Unit::MilesPerHour, Unit::KilometresPerHour, Unit::MetresPerSecond),
        Generator\elements(Unit::Yards, Unit::Metres),
        Generator\vector(3, Generator\choose(520, 780)),
        Generator\vector(3, Generator\choose(-400, 400)),
    )->then(function (string $delimiter, string $mark, Unit $speed, Unit $length, array $speeds, array $sides): void {
        $number = fn (float $value): string => str_replace('.', $mark, sprintf('%.3f', $value));
        $lines = [implode($delimiter, ["Ball speed ({$speed->value})", 'Launch angle', 'Spin', "Side ({$length->value})"])];
        foreach ($speeds as $i => $tenths) {
            $side = $sides[$i] / 10;
            $lines[] = implode($delimiter, [
                $number(Unit::MetresPerSecond->to($speed, $tenths / 10)),
                $number(10.5 + $i),
                (string) (2200 + 100 * $i),
                $number(abs(Unit::Metres->to($length, $side))).($side < 0 ? ' L' : ' R'),
            ]);
        }
        $file = TextFile::read(implode("\n", $lines));
        $rows = (new ShotFile($file, ColumnGuess::of($file), Hand::Left))->rows();
        expect($rows)->toHaveCount(3);
        foreach ($rows as $i => $row) {
            expect($row->kind)->toBe('shot')
                ->and($row->values['ballSpeedMps'])->toEqualWithDelta($speeds[$i] / 10, 0.002)
                ->and($row->values['launchDeg'])->toEqualWithDelta(10.5 + $i, 1e-9)
                ->and($row->values['spinRpm'])->toEqualWithDelta(2200 + 100 * $i, 1e-9)
                ->and($row->values['sideM'])->toEqualWithDelta($sides[$i] / 10, 0.002);
        }
    });
});

it('never falls over a file, whatever is in it', function (): void {
    $this->forAll(
        Generator\vector(
            5,
            Generator\elements(
                '150', '12,5', '2.4OO', '=1+1', '--', '', 'Ball Speed', 'Launch', 'Spin', '"', "\u{2212}3", '<b>', '1e999', 'NaN',
                '12 L R',
            ),
        ),
    )->then(function (array $cells): void {
        $text = "Ball Speed;Launch;Spin;Carry;Side\n".implode(';', $cells)."\n67,1;12;2500;210;-4\n";
        $file = TextFile::read($text);
        try {
            $rows = (new ShotFile($file, ColumnGuess::of($file), Hand::Right))->rows();
        } catch (InvalidInput $e) {
            expect($e->getMessage())->not->toBe('');

            return;
        }
        foreach ($rows as $row) {
            foreach ($row->values as $value) {
                expect(is_finite($value))->toBeTrue();
            }
        }
    });
});
