<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** Who comes when. */
#[Shape('Today', [
    'today' => 'string',
    'next' => 'Appointment[]',
    // fittings of two setups and more with shots, and no decision
    'decisions' => '{ fittingId: integer; player: string; what: string }[]',
    'orders' => '{ orderId: integer; player: string; what: string; isLate: boolean }[]',
    // clubs that were handed over, since when, and no round was told of
    'rounds' => '{ fittingId: integer; player: string; what: string }[]',
])]
#[Shape('AppointmentKind', ['name' => 'string', 'minutes' => 'integer', 'swings' => 'integer'])]
#[Shape('Appointment', [
    'id' => 'integer',
    'version' => 'integer',
    'kind' => 'string',
    // by the clock on the studio's wall
    'day' => 'string',
    'time' => 'string',
    'until' => 'string',
    // the moment, with its offset
    'start' => 'string',
    // the budgets
    'minutes' => 'integer',
    'swings' => 'integer',
    'bay' => '{ id: integer; name: string } | null',
    'fitter' => '{ id: integer; name: string } | null',
    'player' => '{ id: integer; name: string; hand: Hand; language: string | null } | null',
    'fittingId' => 'integer | null',
    'state' => "'booked' | 'came' | 'missed' | 'cancelled'",
    'note' => 'string',
])]
#[Shape('CalendarDays', [
    'zone' => 'string',
    'today' => 'string',
    'now' => 'string',
    // open: spans by the clock on the wall
    'days' => '{ date: string; open: [string, string][] }[]',
    'bays' => '{ id: integer; name: string }[]',
    'fitters' => '{ id: integer; name: string }[]',
    'kinds' => 'AppointmentKind[]',
    'hasFeed' => 'boolean',
    'appointments' => 'Appointment[]',
])]
final class CalendarShapes
{
}
