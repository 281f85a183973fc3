<?php

declare(strict_types=1);

use MintCarry\Core\Booking\AppointmentKinds;
use MintCarry\Core\Booking\Booking;
use MintCarry\Core\Booking\LocalTime;
use MintCarry\Core\Booking\OpeningHours;
use MintCarry\Core\Errors\InvalidInput;

// Clock changes after the IANA time zone database (the rules "EU" and "US"): in 2026 clocks go forward on 29 March at 01:00 UTC in Europe and on
// 8 March at 02:00 local time in New York, back on 25 October and 1 November.

it('knows which moment a clock on the wall means, in winter and in summer', function (string $zone, string $day, string $time, string $utc): void {
    expect(LocalTime::at($day, $time, new DateTimeZone($zone))->format('Y-m-d H:i e'))->toBe("{$utc} UTC");
})->with([
    ['Europe/Lisbon', '2026-03-28', '09:30', '2026-03-28 09:30'], ['Europe/Lisbon', '2026-03-29', '09:30', '2026-03-29 08:30'],
    ['Europe/Berlin', '2026-10-25', '09:00', '2026-10-25 08:00'], ['America/New_York', '2026-03-08', '03:00', '2026-03-08 07:00'],
    'the first of an hour that comes twice' => ['Europe/Berlin', '2026-10-25', '02:30', '2026-10-25 00:30'],
    'and in New York' => ['America/New_York', '2026-11-01', '01:30', '2026-11-01 05:30'],
    'and where half an hour is turned back' => ['Australia/Lord_Howe', '2026-04-05', '01:45', '2026-04-04 14:45'],
    'the end of a day' => ['Europe/Berlin', '2026-03-29', '24:00', '2026-03-29 22:00'],
]);

it('books nothing in the hour that clocks skip, and says so', function (string $zone, string $day, string $time): void {
    expect(fn () => LocalTime::at($day, $time, new DateTimeZone($zone)))->toThrow(InvalidInput::class, "There is no {$time} on");
})->with([['Europe/Berlin', '2026-03-29', '02:30'], ['Europe/Lisbon', '2026-03-29', '01:00'], ['America/New_York', '2026-03-08', '02:59']]);

it('refuses what is no day, no time and no zone', function (Closure $try): void {
    expect($try)->toThrow(InvalidInput::class);
})->with([
    [fn () => LocalTime::at('2026-02-30', '09:00', new DateTimeZone('UTC'))],
    [fn () => LocalTime::at('2026-02-03', '9:00', new DateTimeZone('UTC'))],
    [fn () => LocalTime::at('2026-02-03', '24:30', new DateTimeZone('UTC'))], [fn () => LocalTime::zone('Lantern/Yard')],
]);

it('is open where all of it lies in one span, by the clock on the wall', function (): void {
    $zone = new DateTimeZone('Europe/Berlin');
    $hours = OpeningHours::of([[['09:00', '12:30'], ['14:00', '19:00']], [], [], [], [], [], [['01:00', '05:00']]]);
    $covers = fn (string $day, string $from, int $minutes): bool => $hours->covers(
        $start = LocalTime::at($day, $from, $zone), $start->modify("+{$minutes} minutes"), $zone,
    );
    // 30 November 2026 is a Monday.
    expect($covers('2026-11-30', '09:00', 210))->toBeTrue()->and($covers('2026-11-30', '12:00', 60))->toBeFalse()
        ->and($covers('2026-11-30', '08:45', 30))->toBeFalse()->and($covers('2026-12-01', '10:00', 30))->toBeFalse()
        ->and($hours->words('2026-11-30'))->toBe('open 09:00 to 12:30 and 14:00 to 19:00')->and($hours->words('2026-12-01'))->toBe('closed on Tuesdays')
        // On the night when an hour is skipped, four hours by the wall are three.
        ->and($covers('2026-03-29', '01:00', 180))->toBeTrue()->and($covers('2026-03-29', '01:00', 195))->toBeFalse();
});

it('says which day has what wrong', function (array $spans, string $says): void {
    expect(fn () => OpeningHours::of($spans))->toThrow(InvalidInput::class, $says);
})->with([
    [[[]], 'seven days'], [[[], [['18:00', '09:00']], [], [], [], [], []], 'Tuesday: 18:00 to 09:00 ends before it begins'],
    [[[['09:00', '13:00'], ['12:00', '18:00']], [], [], [], [], [], []], 'Monday: 12:00 to 18:00 overlaps'],
    [[[], [], [], [], [], [], [['nine', '18:00']]], 'no time of day'], [[[], [], 'closed', [], [], [], []], 'Wednesday wants spans'],
]);

it('lets one begin as the other ends, and no bay, fitter or player be in two at once', function (): void {
    $at = fn (string $time, int $minutes, ?int $bay, ?int $fitter, ?int $player): Booking => Booking::of(
        new DateTimeImmutable("2026-11-30 {$time}"), $minutes, $bay, $fitter, $player,
    );
    $one = $at('10:00', 90, 1, 1, 1);
    expect($one->clash($at('11:30', 60, 1, 1, 1)))->toBeNull()->and($one->clash($at('09:00', 60, 1, 1, 1)))->toBeNull()
        ->and($one->clash($at('11:29', 60, 1, 2, 2)))->toBe('bay')->and($at('11:29', 60, 1, 2, 2)->clash($one))->toBe('bay')
        ->and($one->clash($at('10:30', 10, 2, 1, 2)))->toBe('fitter')->and($one->clash($at('08:00', 400, 2, 2, 1)))->toBe('player')
        ->and($one->clash($at('10:00', 90, 2, 2, 2)))->toBeNull()->and($one->clash($at('10:00', 90, null, null, null)))->toBeNull()
        ->and(fn () => $at('10:00', 5, 1, 1, 1))->toThrow(InvalidInput::class, '10 to 480 minutes, not 5');
});

it('takes a studio’s own kinds of appointment and names what is wrong with one', function (array $kinds, ?string $says): void {
    $says === null
        ? expect(AppointmentKinds::of($kinds))->toBe($kinds)
        : expect(fn () => AppointmentKinds::of($kinds))->toThrow(InvalidInput::class, $says);
})->with([
    [AppointmentKinds::USUAL, null], [[['name' => 'A', 'minutes' => 5, 'swings' => 1]], 'Kind 1 (A) wants 10 to 480 minutes'],
    [[['name' => 'A', 'minutes' => 60, 'swings' => 1], ['name' => 'A', 'minutes' => 60, 'swings' => 1]], 'Kind 2 (A) wants a name of its own'],
    [[['name' => 'A', 'minutes' => 60, 'swings' => 999]], '0 to 200 swings'], [[], 'one to 12'],
]);
