<?php

declare(strict_types=1);

namespace MintCarry\Core\Booking;

use DateTimeImmutable;
use DateTimeZone;
use MintCarry\Core\Errors\InvalidInput;

/** When a studio is open: for each day of the week, Monday first, spans by the clock on its wall. */
final readonly class OpeningHours
{
    public const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

    /** @param  list<list<array{string, string}>>  $spans  seven days of spans such as ['09:00', '12:30'], in order */
    private function __construct(public array $spans)
    {
    }

    public static function usual(): self
    {
        return new self([...array_fill(0, 5, [['09:00', '19:00']]), [['09:00', '16:00']], []]);
    }

    /**
     * @param  array<mixed>  $spans
     *
     * @throws InvalidInput naming the day and what is wrong with it
     */
    public static function of(array $spans): self
    {
        if (! array_is_list($spans) || count($spans) !== 7) {
            throw InvalidInput::of('hours', 'Opening hours need seven days, Monday first; a day may be empty.');
        }
        $out = [];
        foreach ($spans as $i => $day) {
            $end = -1;
            $out[$i] = [];
            foreach (is_array($day) ? array_values($day) : [$day] as $span) {
                if (! is_array($span) || count($span) !== 2 || ! is_string($span[0] ?? null) || ! is_string($span[1] ?? null)) {
                    throw InvalidInput::of('hours', self::DAYS[$i].' wants spans of two times, such as 09:00 to 12:30.');
                }
                [$from, $to] = [self::minutes($span[0], 'hours'), self::minutes($span[1], 'hours')];
                if ($from >= $to || $from < $end) {
                    throw InvalidInput::of('hours', sprintf(
                        '%s: %s to %s %s.', self::DAYS[$i], $span[0], $span[1],
                        $from >= $to ? 'ends before it begins' : 'overlaps the span before it',
                    ));
                }
                $end = $to;
                $out[$i][] = [$span[0], $span[1]];
            }
        }

        return new self($out);
    }

    /** Minutes since midnight by the wall clock. */
    public static function minutes(string $time, string $field = 'time'): int
    {
        if (preg_match('/^([01]\d|2[0-4]):([0-5]\d)$/', $time, $m) !== 1 || ($m[1] === '24' && $m[2] !== '00')) {
            throw InvalidInput::of($field, "'{$time}' is no time of day; write it like 09:30.");
        }

        return (int) $m[1] * 60 + (int) $m[2];
    }

    /** @return list<array{string, string}> the spans of a day such as 2026-11-27 */
    public function on(string $day): array
    {
        return $this->spans[(int) (new DateTimeImmutable($day))->format('N') - 1];
    }

    /** Whether from here to there it is open all the time, by the wall clock. */
    public function covers(DateTimeImmutable $start, DateTimeImmutable $end, DateTimeZone $zone): bool
    {
        $from = $start->setTimezone($zone);
        foreach ($this->on($from->format('Y-m-d')) as [$opens, $closes]) {
            $opensAt = LocalTime::at($from->format('Y-m-d'), self::orAfter($opens, $from, $zone), $zone);
            $closesAt = LocalTime::at($from->format('Y-m-d'), self::orAfter($closes, $from, $zone), $zone);
            if ($opensAt <= $start && $end <= $closesAt) {
                return true;
            }
        }

        return false;
    }

    /** What is said of a day: "open 09:00 to 12:30 and 14:00 to 19:00", or "closed on Sundays". */
    public function words(string $day): string
    {
        $spans = $this->on($day);

        return $spans === []
            ? 'closed on '.(new DateTimeImmutable($day))->format('l').'s'
            : 'open '.implode(' and ', array_map(static fn (array $s): string => "{$s[0]} to {$s[1]}", $spans));
    }

    /** A studio that opens in an hour that the clocks skip opens when they have. */
    private static function orAfter(string $time, DateTimeImmutable $day, DateTimeZone $zone): string
    {
        $minutes = self::minutes($time);
        $wall = (new DateTimeImmutable($day->format('Y-m-d')." {$time}", $zone));

        return $minutes === 1440 ? $time : $wall->format('H:i');
    }
}
