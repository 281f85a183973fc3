<?php

declare(strict_types=1);

namespace MintCarry\Core\Booking;

use DateTimeImmutable;
use DateTimeZone;
use MintCarry\Core\Errors\InvalidInput;

/**
 * What a clock on the studio's wall shows, and which moment that is. Where clocks go forward, an hour is skipped and
 * nothing can be booked in it; where they go back, an hour comes twice and the first of the two is meant.
 */
final class LocalTime
{
    private const FIRST_DAY = '2000-01-01';

    private const LAST_DAY = '2100-01-01';

    /**
     * @param  string  $day  2026-11-27
     * @param  string  $time  09:30; 24:00 is the end of the day
     * @return DateTimeImmutable in UTC
     *
     * @throws InvalidInput where there is no such day, it is decades away, or that hour is skipped
     */
    public static function at(string $day, string $time, DateTimeZone $zone): DateTimeImmutable
    {
        $minutes = OpeningHours::minutes($time);
        $midnight = DateTimeImmutable::createFromFormat('!Y-m-d', $day, $zone);
        if ($midnight === false || $midnight->format('Y-m-d') !== $day) {
            throw InvalidInput::of('day', "'{$day}' is no day of the calendar; write it like 2026-11-27.");
        }
        if ($day < self::FIRST_DAY || $day > self::LAST_DAY) {
            throw InvalidInput::of('day', sprintf('%s is too far away: book between %s and %s.', $day, self::FIRST_DAY, self::LAST_DAY));
        }
        $said = sprintf('%02d:%02d', intdiv($minutes, 60) % 24, $minutes % 60);
        $wall = new DateTimeImmutable($midnight->modify($minutes === 1440 ? '+1 day' : '+0 day')->format('Y-m-d')." {$said}", $zone);
        if ($wall->format('H:i') !== $said) {
            throw InvalidInput::of('time', sprintf(
                'There is no %s on %s: clocks go forward then, and show %s instead. Nothing was booked.', $said, $wall->format('j F Y'),
                $wall->format('H:i'),
            ));
        }

        return self::firstOf($wall)->setTimezone(new DateTimeZone('UTC'));
    }

    /** A zone by its name in the time zone database. */
    public static function zone(string $name): DateTimeZone
    {
        return in_array($name, DateTimeZone::listIdentifiers(), true)
            ? new DateTimeZone($name)
            : throw InvalidInput::of('timeZone', "'{$name}' is no time zone that is known; it is written like Europe/Lisbon.");
    }

    /** Of an hour that comes twice, the first. */
    private static function firstOf(DateTimeImmutable $wall): DateTimeImmutable
    {
        foreach ([3600, 1800, 7200] as $seconds) {
            $before = $wall->setTimestamp($wall->getTimestamp() - $seconds);
            if ($before->format('Y-m-d H:i') === $wall->format('Y-m-d H:i')) {
                return $before;
            }
        }

        return $wall;
    }
}
