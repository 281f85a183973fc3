<?php

declare(strict_types=1);

namespace App\Calendar;

use App\Models\Appointment;
use App\Models\Studio;
use DateTimeImmutable;
use Illuminate\Support\Carbon;
use MintCarry\Core\Booking\Booking;
use MintCarry\Core\Booking\LocalTime;
use MintCarry\Core\Errors\InvalidInput;

/** What is taken, and what is still free. */
final class Calendar
{
    /** @throws InvalidInput naming who or what has something else then; call it where nobody else books meanwhile */
    public static function requireFree(Studio $studio, Booking $wanted, ?int $except = null): void
    {
        $others = Appointment::query()->where('studio_id', $studio->id)->where('state', '!=', 'cancelled')
            ->where('starts_at', '<', $wanted->end)->where('ends_at', '>', $wanted->start)
            ->when($except !== null, fn ($q) => $q->whereKeyNot($except))->with(['player', 'bay', 'fitter'])->get();
        foreach ($others as $other) {
            $clash = $wanted->clash($other->booking());
            if ($clash !== null) {
                $who = ['bay' => $other->bay?->name, 'fitter' => $other->fitter?->name, 'player' => $other->player?->name][$clash];
                throw InvalidInput::of(['bay' => 'bayId', 'fitter' => 'fitterId', 'player' => 'playerId'][$clash], sprintf(
                    '%s is taken from %s to %s (%s%s). Nothing was changed; what you typed is still here.', (string) $who,
                    self::clock($studio, $other->starts_at), self::clock($studio, $other->ends_at), $other->kind,
                    $other->player === null || $clash === 'player' ? '' : ", {$other->player->name}",
                ));
            }
        }
    }

    /** @throws InvalidInput where the studio is closed then, unless that was said to be wanted */
    public static function requireOpen(Studio $studio, Booking $wanted, bool $anyway): void
    {
        if ($anyway || $studio->hours()->covers($wanted->start, $wanted->end, $studio->zone())) {
            return;
        }
        $local = $wanted->start->setTimezone($studio->zone());
        throw InvalidInput::of('outside', sprintf(
            '%s to %s on %s is outside the opening hours (%s). Book it anyway, or choose another time.', $local->format('H:i'),
            $wanted->end->setTimezone($studio->zone())->format('H:i'), $local->format('l j F'),
            $studio->hours()->words($local->format('Y-m-d')),
        ));
    }

    /**
     * Days in a row as they are on the studio's wall.
     *
     * @return list<array{date: string, open: list<array{string, string}>, start: DateTimeImmutable, end: DateTimeImmutable}>
     */
    public static function days(Studio $studio, string $from, int $count): array
    {
        $out = [];
        for ($i = 0; $i < $count; $i++) {
            $date = (new DateTimeImmutable($from))->modify("+{$i} days")->format('Y-m-d');
            $out[] = [
                'date' => $date, 'open' => $studio->hours()->on($date), 'start' => self::midnight($studio, $date),
                'end' => self::midnight($studio, (new DateTimeImmutable($date))->modify('+1 day')->format('Y-m-d')),
            ];
        }

        return $out;
    }

    /** In a few places clocks go forward at midnight: the day begins when they have. */
    private static function midnight(Studio $studio, string $date): DateTimeImmutable
    {
        return LocalTime::at($date, (new DateTimeImmutable("{$date} 00:00", $studio->zone()))->format('H:i'), $studio->zone());
    }

    private static function clock(Studio $studio, Carbon $at): string
    {
        return $at->toDateTimeImmutable()->setTimezone($studio->zone())->format('H:i');
    }
}
