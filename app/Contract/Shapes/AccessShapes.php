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
    // whom nobody saw for so long is erased; null: nobody is
    'retentionMonths' => 'integer | null',
    'consentText' => 'string',
    // new fittings begin with what earlier ones showed of the heads; what was learned last
    'remembers' => 'boolean',
    'memory' => '{ version: integer; fittings: integer; heads: integer; elsewhere: integer; at: string } | null',
    'timeZone' => 'string',
    'timeZones' => 'string[]',
    // of its players, where nothing else says it
    'language' => 'string',
    // seven days, Monday first
    'openingHours' => '[string, string][][]',
    'appointmentKinds' => 'AppointmentKind[]',
])]
#[Shape('BinEntry', [
    'id' => 'integer',
    'words' => 'string',
    'by' => 'string',
    'at' => 'string',
    // until then it can come back
    'until' => 'string',
])]
#[Shape('Look', [
    'id' => 'integer',
    'by' => 'string',
    'player' => 'string',
    'fitting' => 'integer | null',
    'what' => 'string',
    'at' => 'string',
])]
#[Shape('ConsentRecord', [
    'text' => 'string',
    // who agreed for a minor
    'guardian' => 'string | null',
    'takenBy' => 'string',
    'givenAt' => 'string',
    'withdrawnAt' => 'string | null',
])]
#[Shape('PlayerRecord', [
    'id' => 'integer',
    'name' => 'string',
    'hand' => 'Hand',
    'isErased' => 'boolean',
    // null: nobody said
    'language' => 'string | null',
    'fittings' => '{ id: integer; at: string }[]',
    // what was and what comes, the newest first
    'story' => '{ at: string; kind: string; words: string; fittingId: integer | null }[]',
    // what they play and played
    'clubs' => '{ fittingId: integer; at: string; what: string; name: string; loftDeg: number | null; lengthMm: number | null }[]',
    // of their own club at each fitting; null: not for the front desk
    'known' => '{ fittingId: integer; at: string; n: integer; clubSpeedMps: number | null; ballSpeedMps: number | null; launchDeg: number | null; spinRpm: number | null; carryM: number | null }[] | null',
    'units' => 'UnitChoice',
    'consents' => 'ConsentRecord[]',
    // what is shown to be agreed to
    'consentText' => 'string',
])]
#[Shape('DataState', [
    'backups' => '{ name: string; at: string; label: string; rows: integer; bytes: integer; seconds: integer; verified: boolean }[]',
    'backupsTo' => 'string',
    'backupAt' => 'string',
    'keepDays' => 'integer',
    'erased' => 'integer',
    'erasingKeeps' => 'string',
])]
final class AccessShapes
{
}
