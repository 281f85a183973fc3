<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** People, their sessions, and the rules of a studio. */
#[Shape('Account', [
    'name' => 'string',
    'email' => 'string',
    'role' => 'Role',
    'passwordAt' => 'string | null',
    'secondFactorAt' => 'string | null',
    'recoveryCodesLeft' => 'integer',
    'signIns' => '{ id: integer; device: string; from: string; at: string; seenAt: string; isThis: boolean }[]',
])]
#[Shape('Person', [
    'id' => 'integer',
    'name' => 'string',
    // null: a guest screen, which has none
    'email' => 'string | null',
    'role' => 'Role',
    // of a guest screen
    'bay' => 'string | null',
    // has not chosen a password yet
    'isInvited' => 'boolean',
    'hasSecondFactor' => 'boolean',
    'removedAt' => 'string | null',
    'seenAt' => 'string | null',
    // sessions that stand
    'open' => 'integer',
])]
#[Shape('LinkShown', [
    'person' => 'Person',
    // behind the address of this application; shown once
    'path' => 'string',
    'hours' => 'integer',
    'mailed' => 'boolean',
])]
#[Shape('StudioRules', [
    'lockMinutes' => 'integer',
    'wantsSecondFactor' => 'boolean',
])]
final class AccessShapes
{
}
