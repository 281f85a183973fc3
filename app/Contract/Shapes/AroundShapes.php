<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** What is around the hour in the bay: links for players, and what they send. */
#[Shape('PlayerLink', [
    'id' => 'integer',
    'kind' => "'intake' | 'report' | 'rounds'",
    'fittingId' => 'integer | null',
    'by' => 'string',
    'at' => 'string',
    'until' => 'string',
    'isGood' => 'boolean',
    'openedAt' => 'string | null',
    'usedAt' => 'string | null',
    // behind the address of this application; null: it is ended
    'path' => 'string | null',
])]
#[Shape('LinkPage', [
    'kind' => "'intake' | 'report' | 'rounds'",
    'studio' => 'string',
    'language' => 'string',
    'languages' => 'string[]',
    'units' => 'UnitChoice',
    'until' => 'string',
    'intake?' => 'IntakePage',
])]
#[Shape('IntakePage', [
    'isSent' => 'boolean',
    'consentText' => 'string',
    'appointment' => '{ at: string; time: string; minutes: integer } | null',
])]
#[Shape('PlayersWords', [
    'at' => 'string',
    // fields of the brief, with dots, that still say what the player said
    'standing' => 'string[]',
    'course' => 'string',
    'club' => 'string',
    // of the fitter alone
    'pain' => 'string | null',
])]
final class AroundShapes
{
}
