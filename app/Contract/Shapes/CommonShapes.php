<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** What several answers hold. Lengths m, speeds m/s, angles °; direction and side + = right. */
#[Shape('Interval', [
    'low' => 'number',
    'high' => 'number',
])]
#[Shape('Summary', [
    'n' => 'integer',
    'mean' => 'number',
    'sd' => 'number | null',
    'median' => 'number',
    'meanInterval' => 'Interval | null',
])]
#[Shape('Failure', [
    'computing' => 'string',
    'reference' => 'string',
    'line' => 'string',
], about: 'What the models failed on: a fault of ours, told with what to quote.')]
#[Shape('Field', [
    'ballSpeedMps' => 'number',
    'launchDeg' => 'number[]',
    'spinRpm' => 'number[]',
    'carryM' => 'number[]',
])]
#[Shape('SignedIn', [
    'id' => 'integer',
    'name' => 'string',
    'studio' => 'string',
    // of the clock on the studio's wall
    'zone' => 'string',
    'isDemo' => 'boolean',
    // simulated shots and stand-in readings exist here
    'takesSimulated' => 'boolean',
    'role' => 'Role',
    // a screen that nobody touched for so long asks for the password
    'lockMinutes' => 'integer',
    // the studio asks for a second factor, and this person has none yet
    'wantsSecondFactor' => 'boolean',
])]
#[Shape('SessionState', [
    'user' => 'SignedIn | null',
    'locked' => 'boolean',
    // the password was right; a code of the second factor is wanted too
    'wantsCode' => 'boolean',
])]
#[Shape('LogEntry', [
    'id' => 'integer',
    'words' => 'string',
    'by' => 'string',
    'at' => 'string',
    'undoable' => 'boolean',
    'undone' => 'boolean',
])]
#[Shape('Player', [
    'id' => 'integer',
    'name' => 'string',
    'hand' => 'Hand',
    'units' => 'UnitChoice',
])]
#[Shape('UnitChoice', [
    'speed' => 'string',
    'distance' => 'string',
    'height' => 'string',
    'length' => 'string',
])]
#[Shape('Problem', [
    'message' => 'string',
    // by field: what is wrong with it
    'errors?' => 'Record<string, string[]>',
    // by which a fault of ours is found in the log
    'reference?' => 'string',
    // what stands there now, where somebody else changed it meanwhile
    'current?' => 'unknown',
    'doubtful?' => 'unknown',
    'differs?' => 'string[]',
    'results?' => 'PostedAnswer[]',
], about: 'Why a request was refused, or failed.')]
#[Shape('Typed', 'number | string | null | { value?: number | string | null; unit?: string | null }',
    about: 'A number as a person typed it: bare, or with its unit.')]
final class CommonShapes
{
}
