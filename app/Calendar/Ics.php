<?php

declare(strict_types=1);

namespace App\Calendar;

use App\Models\Appointment;
use App\Models\Studio;
use DateTimeImmutable;
use DateTimeZone;
use Sabre\VObject\Component\VCalendar;

/**
 * Appointments as iCalendar, after RFC 5545, so that a calendar elsewhere shows them. Moments are in UTC, which needs no table of time zones;
 * a revision (SEQUENCE) tells the other calendar that something was moved or called off.
 */
final class Ics
{
    /** For the player who comes: no note of the studio's. */
    public static function forPlayer(Appointment $appointment): string
    {
        $calendar = self::calendar();
        self::add($calendar, $appointment, $appointment->kind.' at '.$appointment->studio->name, self::budget($appointment));

        return $calendar->serialize();
    }

    /**
     * For who works here.
     *
     * @param  iterable<Appointment>  $appointments
     */
    public static function feed(Studio $studio, iterable $appointments): string
    {
        $calendar = self::calendar();
        $calendar->add('NAME', $studio->name);
        $calendar->add('X-WR-CALNAME', $studio->name);
        $calendar->add('REFRESH-INTERVAL', 'PT30M', ['VALUE' => 'DURATION']);
        foreach ($appointments as $appointment) {
            self::add(
                $calendar, $appointment, $appointment->kind.($appointment->player === null ? '' : ": {$appointment->player->name}"),
                trim(self::budget($appointment)."\n".$appointment->note),
            );
        }

        return $calendar->serialize();
    }

    private static function calendar(): VCalendar
    {
        return new VCalendar(['PRODID' => '-//Mint Carry//'.config('mintcarry.version').'//EN']);
    }

    private static function add(VCalendar $calendar, Appointment $appointment, string $summary, string $description): void
    {
        $utc = static fn (\DateTimeInterface $at): DateTimeImmutable => DateTimeImmutable::createFromInterface($at)
            ->setTimezone(new DateTimeZone('UTC'));
        $calendar->add('VEVENT', [
            'UID' => "appointment-{$appointment->id}-{$appointment->created_at->getTimestamp()}@mintcarry",
            'DTSTAMP' => $utc($appointment->updated_at), 'DTSTART' => $utc($appointment->starts_at), 'DTEND' => $utc($appointment->ends_at),
            'SUMMARY' => $summary, 'DESCRIPTION' => $description,
            'LOCATION' => $appointment->studio->name.($appointment->bay === null ? '' : ", {$appointment->bay->name}"),
            'SEQUENCE' => $appointment->revision, 'STATUS' => $appointment->state === 'cancelled' ? 'CANCELLED' : 'CONFIRMED',
        ]);
    }

    private static function budget(Appointment $appointment): string
    {
        $minutes = (int) round($appointment->starts_at->diffInMinutes($appointment->ends_at));

        return "{$minutes} minutes".($appointment->swings > 0 ? ", about {$appointment->swings} swings" : '').'.';
    }
}
