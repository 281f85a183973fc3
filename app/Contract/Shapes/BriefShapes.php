<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** The brief, and what follows from it. Lengths m, speeds m/s, angles °; direction and side + = right. */
#[Shape('Trouble', [
    'kind' => 'string',
    'atM' => 'number | null',
])]
#[Shape('Corridor', [
    'widthM' => 'number',
    'left' => 'Trouble',
    'right' => 'Trouble',
])]
#[Shape('Brief', [
    'corridor' => 'Corridor',
    'weights' => 'Record<string, number>',
    'shape' => 'string',
    'miss' => 'string',
    'carryM' => 'number | null',
    'clubSpeedMps' => 'number | null',
    // not in what was saved before it was asked
    'attackDeg?' => 'number | null',
    'handicap' => 'number | null',
    'wants' => 'string[]',
    'never' => 'string[]',
    'asked?' => 'string[]',
    'wish' => 'string',
    'turf' => 'string',
    'windMps' => 'number',
    'windFromDeg' => 'number',
    'altitudeM' => 'number',
    'temperatureC' => 'number',
    'holeLengthM' => 'number',
    'sixIronApexM' => 'number | null',
    'ball' => 'string',
    'habit' => 'string',
    'feel' => 'string',
    'swings' => 'number | null',
    'minutes' => 'number | null',
    'money' => 'number | null', 'sureToBuy?' => 'number | null',
    'labour?' => 'number | null',
    'currency' => 'string',
    'purchase' => 'string',
    'startSide' => 'string',
    'school' => 'string',
    'scoring' => 'string',
    'aimFree' => 'boolean',
    'consent' => 'boolean',
    'minor' => 'boolean',
    'guardian' => 'string',
])]
#[Shape('BriefChange', [
    'why' => 'string',
    'by' => 'string',
    'at' => 'string',
    'changes' => '{ field: string; label: string; from: unknown; to: unknown }[]',
])]
#[Shape('RidgePoint', [
    'loftDeg' => 'number',
    'launchDeg' => 'number',
    'spinRpm' => 'number',
    'carryM' => 'number',
    'totalM' => 'number',
    'apexM' => 'number',
    'descentDeg' => 'number',
])]
#[Shape('Outlook', [
    'clubSpeedMps' => 'number',
    'speedFrom' => 'string',
    'attackDeg' => 'number',
    'attackFrom' => 'string',
    'ballSpeedMps' => 'number',
    'ridge' => 'RidgePoint[]',
    'target' => 'integer',
    'bandDeg' => '[number, number]',
    'wantedApexM' => 'number',
    // which loft on the rack, or to order, delivers the target
    'headLoft' => '{ head: string; statedLoftDeg: number; position: string; toOrder: boolean; from: string } | null',
    'carryInStillAirM' => 'number',
    'windSideM' => 'number',
    'field' => 'Field',
    'price' => '{ tenMetres: number; rough: number; left: number; right: number; sharePerTenMetres: number }',
])]
#[Shape('TypedBrief', [
    'corridor?' => 'TypedCorridor',
    'weights?' => 'Record<string, Typed>',
    'shape?' => 'string | null',
    'miss?' => 'string | null',
    'carryM?' => 'Typed',
    'clubSpeedMps?' => 'Typed',
    'attackDeg?' => 'Typed',
    'handicap?' => 'Typed',
    'wants?' => 'string[]',
    'never?' => 'string[]',
    'asked?' => 'string[]',
    'wish?' => 'string | null',
    'turf?' => 'string | null',
    'windMps?' => 'Typed',
    'windFromDeg?' => 'Typed',
    'altitudeM?' => 'Typed',
    'temperatureC?' => 'Typed',
    'holeLengthM?' => 'Typed',
    'sixIronApexM?' => 'Typed',
    'ball?' => 'string | null',
    'habit?' => 'string | null',
    'feel?' => 'string | null',
    'swings?' => 'Typed',
    'minutes?' => 'Typed',
    'money?' => 'Typed',
    'labour?' => 'Typed',
    'currency?' => 'string | null',
    'purchase?' => 'string | null',
    'startSide?' => 'string | null',
    'school?' => 'string | null',
    'scoring?' => 'string | null',
    'aimFree?' => 'boolean',
    'consent?' => 'boolean',
    'minor?' => 'boolean',
    'guardian?' => 'string | null',
], about: 'A brief, or some of its fields, as typed.')]
#[Shape('TypedCorridor', [
    'widthM?' => 'Typed',
    'left?' => '{ kind?: string; atM?: Typed }',
    'right?' => '{ kind?: string; atM?: Typed }',
])]
final class BriefShapes
{
}
