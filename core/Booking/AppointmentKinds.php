<?php

declare(strict_types=1);

namespace MintCarry\Core\Booking;

use MintCarry\Core\Errors\InvalidInput;

/** What people come for, each with its budget of minutes and of swings: both run out. */
final readonly class AppointmentKinds
{
    /** Common practice, no source; a studio sets its own. */
    public const USUAL = [
        ['name' => 'Driver fitting', 'minutes' => 90, 'swings' => 60], ['name' => 'Second visit', 'minutes' => 60, 'swings' => 40],
        ['name' => 'Check after three rounds', 'minutes' => 30, 'swings' => 20], ['name' => 'Handover', 'minutes' => 30, 'swings' => 10],
        ['name' => 'Closed', 'minutes' => 60, 'swings' => 0],
    ];

    private const MOST = 12;

    /**
     * @param  array<mixed>  $kinds
     * @return list<array{name: string, minutes: int, swings: int}>
     *
     * @throws InvalidInput naming which kind and what is wrong with it
     */
    public static function of(array $kinds): array
    {
        if ($kinds === [] || count($kinds) > self::MOST) {
            throw InvalidInput::of('kinds', 'There are one to '.self::MOST.' kinds of appointment.');
        }
        $out = [];
        foreach (array_values($kinds) as $i => $kind) {
            $name = is_array($kind) && is_string($kind['name'] ?? null) ? trim($kind['name']) : '';
            $minutes = is_array($kind) ? $kind['minutes'] ?? null : null;
            $swings = is_array($kind) ? $kind['swings'] ?? null : null;
            $which = 'Kind '.($i + 1).($name === '' ? '' : " ({$name})");
            if ($name === '' || mb_strlen($name) > 40 || in_array($name, array_column($out, 'name'), true)) {
                throw InvalidInput::of('kinds', "{$which} wants a name of its own, of up to 40 letters.");
            }
            if (! is_int($minutes) || $minutes < Booking::MINUTES[0] || $minutes > Booking::MINUTES[1]) {
                throw InvalidInput::of('kinds', sprintf('%s wants %d to %d minutes.', $which, ...Booking::MINUTES));
            }
            if (! is_int($swings) || $swings < 0 || $swings > Booking::MOST_SWINGS) {
                throw InvalidInput::of('kinds', "{$which} wants 0 to ".Booking::MOST_SWINGS.' swings.');
            }
            $out[] = ['name' => $name, 'minutes' => $minutes, 'swings' => $swings];
        }

        return $out;
    }
}
