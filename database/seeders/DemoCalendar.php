<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Appointment;
use App\Models\Bay;
use App\Models\Player;
use App\Models\Studio;
use App\Models\User;
use DateTimeImmutable;
use MintCarry\Core\Booking\AppointmentKinds;
use MintCarry\Core\Booking\LocalTime;

/** Two weeks of a made-up studio: the week of now and the one after. */
final readonly class DemoCalendar
{
    /** Day of the fortnight (0: this week's Monday), time, kind, bay, player */
    private const BOOKED = [
        [0, '09:30', 0, 0, 'Nessa Winterslow'], [0, '11:30', 3, 0, 'Imke Dorsay'], [0, '14:00', 0, 1, 'Oskar Lindqvarn'],
        [1, '10:00', 0, 0, 'Peregrine Thule'],
        [1, '10:00', 1, 1, 'Saskia Venhorst'], [1, '16:00', 2, 0, 'Bram Estvale-Roe'], [2, '09:00', 0, 0, 'Tobin Wexcroft'],
        [2, '13:30', 0, 1, 'Yara Emmerling'], [3, '09:00', 4, 0, ''], [3, '11:00', 0, 0, 'Rafe Quillon'],
        [3, '15:00', 1, 1, 'Nessa Winterslow'],
        [4, '10:30', 0, 0, 'Lucan Pettifer-Rowe'], [4, '14:00', 0, 1, 'Mirel Tashkova'], [4, '17:00', 3, 0, 'Saskia Venhorst'],
        [5, '09:30', 0, 0, 'Cass Underhay'], [5, '12:00', 2, 0, 'Oskar Lindqvarn'],
        [7, '09:30', 0, 0, 'Wendeline Aske'], [7, '13:00', 1, 1, 'Peregrine Thule'], [8, '11:00', 0, 0, 'Joss Harkaway'],
        [8, '15:30', 3, 1, 'Yara Emmerling'],
        [9, '09:00', 0, 0, 'Rafe Quillon'], [10, '10:00', 0, 1, 'Dorrit Fennimore'], [10, '14:30', 2, 0, 'Imke Dorsay'],
        [11, '16:00', 0, 0, 'Tobin Wexcroft'],
        [12, '10:00', 0, 0, 'Mirel Tashkova'],
    ];

    /** @return list<array{int, string, int, int, string}> */
    private static function booked(): array
    {
        return self::BOOKED;
    }

    public static function book(Studio $studio, User $fitter): void
    {
        $zone = $studio->zone();
        $today = now()->toDateTimeImmutable()->setTimezone($zone);
        $monday = new DateTimeImmutable($today->modify('-'.($today->format('N') - 1).' days')->format('Y-m-d'));
        $bays = Bay::query()->where('studio_id', $studio->id)->orderBy('id')->pluck('id')->all();
        foreach (self::booked() as $i => [$day, $time, $kind, $bay, $name]) {
            ['name' => $for, 'minutes' => $minutes, 'swings' => $swings] = AppointmentKinds::USUAL[$kind];
            $start = LocalTime::at($monday->modify("+{$day} days")->format('Y-m-d'), $time, $zone);
            $end = $start->modify("+{$minutes} minutes");
            Appointment::query()->create([
                'studio_id' => $studio->id, 'bay_id' => $bays[$bay], 'fitter_id' => $bay === 0 ? $fitter->id : null,
                'player_id' => $name === '' ? null : self::player($studio, $name, $i)->id, 'kind' => $for, 'starts_at' => $start,
                'ends_at' => $end,
                'swings' => $swings, 'note' => $name === '' ? 'The net is changed' : '',
                'state' => $end >= $today || $name === '' ? 'booked' : ($i === 3 ? 'missed' : 'came'),
            ]);
        }
    }

    public static function player(Studio $studio, string $name, int $i): Player
    {
        return Player::query()->firstOrCreate(['studio_id' => $studio->id, 'name' => $name], [
            'hand' => $i % 5 === 4 ? 'left' : 'right',
            'units' => $i % 2 === 0
                ? ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm']
                : ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'],
        ]);
    }
}
