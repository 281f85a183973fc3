<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/**
 * What the models answer beside the comparison, and the calculators. Lengths m and mm, speeds m/s, angles °; direction and side + = right.
 */
#[
    Shape('Told', [
        'value' => 'number', 'interval' => 'Interval',
    ]),
]
#[
    Shape('Changed', [
        'value' => 'number', 'change' => 'number', 'interval' => 'Interval',
    ]),
]
#[
    Shape('LadderFigures', [
        'loftDeg' => 'number', 'faceOpenDeg' => 'number', 'deliveredLoftDeg' => 'number', 'launchDeg' => 'number', 'spinRpm' => 'number',
        'carryM' => 'number',
        'carryInterval' => 'Interval', 'totalM' => 'number', 'sideM' => 'number', 'apexM' => 'number', 'carryGainM' => 'number',
        'carryGainInterval' => 'Interval',
    ]),
]
#[
    Shape('LoftRung', [
        'name' => 'string', 'position' => 'string', 'statedLoftDeg' => 'number', 'readLoftDeg' => 'number | null', 'inStock' => 'boolean',
        'toOrder' => 'boolean', 'leadDays' => 'integer | null', 'price' => 'number | null', 'currency' => 'string',
        'printSdDeg' => 'number',
        'reachDeg' => '[number, number]', 'soled' => 'LadderFigures | null', 'squared' => 'LadderFigures | null',
    ]),
]
#[
    Shape('LoftLadder', [
        'age' => 'JudgementAge',
        'head' => 'string', 'heads' => 'string[]', 'from' => "'shots' | 'brief'", 'own' => 'string | null', 'clubSpeedMps' => 'number',
        'squaringShare' => 'number',
        'wantedLoftDeg' => 'number', 'wantedBandDeg' => '[number, number]', 'rungs' => 'LoftRung[]',
    ], about: 'One head in each of its lofts, for this player'),
]
#[
    Shape('SpeedFigure', [
        'mean' => 'number', 'sd' => 'number | null', 'interval' => 'Interval | null', 'n' => 'integer',
    ]),
]
#[
    Shape('SpeedRung', [
        'name' => 'string', 'n' => 'integer', 'speedMps' => 'number', 'figures' => 'Record<string, SpeedFigure | null>',
        'attackDeg' => 'number',
        'deliveredLoftDeg' => 'number | null', 'deliveredFrom' => 'string | null', 'wantedLoftDeg' => 'number',
        'wantedBandDeg' => '[number, number]',
        'wantedLaunchDeg' => 'number', 'wantedSpinRpm' => 'number', 'loftChangeDeg' => 'number | null',
    ]),
]
#[
    Shape('SpeedGain', [
        'gain' => 'number', 'interval' => 'Interval', 'chance' => 'number',
    ]),
]
#[
    Shape('SpeedServed', [
        'tag' => 'string', 'head' => 'string', 'sleeve' => 'string', 'weights' => 'string',
        'carryM' => '{ cruising: number; fullOut: number }',
        'cruising' => 'SpeedGain', 'fullOut' => 'SpeedGain', 'both' => 'SpeedGain',
    ]),
]
#[
    Shape('SpeedLadder', [
        'age' => 'JudgementAge',
        'tag' => 'string', 'n' => 'integer', 'clubSeen' => 'boolean', 'by' => "'intent' | 'speed'",
        'mixed' => "{ why: 'intent' | 'speed'; groups: { name: string; n: integer; speedMps: number }[] } | null", 'isRange' => 'boolean',
        'rangeMps' => '[number, number]', 'rungs' => 'SpeedRung[]',
        'per' => 'Record<string, { slope: number; interval: Interval; n: integer } | null>',
        'wanted' => '{ speedMps: number; loftDeg: number; launchDeg: number; spinRpm: number; carryM: number; apexM: number }[]',
        'shots' => '{ speedMps: number; intent: string; carryM: number | null; launchDeg: number | null; spinRpm: number | null; apexM: number | null }[]',
        'both' => '{ own: string; speedsMps: { cruising: number; fullOut: number }; names: string[]; best: { cruising: SpeedServed; fullOut: SpeedServed; '
            .'both: SpeedServed }; pick: string } | null',
    ], about: 'One setup over the range of this player’s speeds'),
]
#[
    Shape('StrikeWay', [
        'kind' => "'weights' | 'grams' | 'look' | 'tee' | 'length' | 'cue'", 'cost' => "'free' | 'wrench' | 'workshop'", 'what' => 'string',
        'movesMm' => '{ toeMm: Told; highMm: Told }', 'leftMm' => 'number', 'chance' => 'number', 'ballSpeedMps' => 'Told',
        'carryM' => 'Told', 'sideM' => 'Told',
        'grams?' => 'number', 'points?' => 'number', 'faceOpenDeg?' => 'number', 'teeMm?' => 'number', 'toTeeMm?' => 'number | null',
        'shorterMm?' => 'number',
        'toLengthMm?' => 'number | null', 'standMm?' => 'number', 'nearer?' => 'boolean',
    ]),
]
#[
    Shape('StrikeCheck', [
        'tag' => 'string', 'verdict' => "'nearer' | 'not' | 'open' | 'few'", 'n' => 'integer', 'nearerMm' => 'number',
        'interval' => 'Interval',
        'chance' => 'number', 'moreShots' => 'integer | null',
    ]),
]
#[
    Shape('StrikeMoves', [
        'age' => 'JudgementAge',
        'tag' => 'string', 'n' => 'integer', 'offMm' => '{ toeMm: number; highMm: number }',
        'errorMm' => '{ toeMm: number; highMm: number }',
        'isOff' => 'boolean', 'isNear' => 'boolean', 'cgAssumed' => 'boolean', 'worth' => '{ ballSpeedMps: Told; carryM: Told; sideM: Told }',
        'ways' => 'StrikeWay[]', 'checks' => 'StrikeCheck[]',
    ], about: 'Strikes off the line of the CG, and what brings the two together'),
]
#[
    Shape('LoftAndWind', [
        'age' => 'JudgementAge',
        'loft' => '{ tag: string; lofts: { loftDeg: number; launchDeg: number; spinRpm: number; axisDeg: number; carryM: Changed; sideSpreadM: Changed; share: Changed; '
            ."strokes: Changed }[]; answer: 'straighter' | 'wider' | 'same' | 'open'; chance: number; sideShare: number; angleShare: number }",
        'wind' => '{ tag: string; windMps: number; downDeg: number; winds: { wind: string; fromDeg: number; keep: { carryM: number; totalM: number; sideM: number; '
            ."apexM: number }; carryM: Changed; totalM: Changed; sideM: Changed; strokes: Changed; chanceLonger: number; answer: 'down' | 'keep' | 'open' }[] }",
    ], about: 'Is more loft straighter; in wind, flight it down or keep the window'),
]
#[
    Shape('GapClub', [
        'name' => 'string', 'kind' => 'string', 'loftDeg' => 'number', 'lieDeg' => 'number', 'faceOpenDeg' => 'number',
        'position' => 'string', 'n' => 'integer',
        'carryM' => 'number | null', 'spreadM' => 'number | null', 'interval' => 'Interval | null', 'spinRpm' => 'number | null',
        'launchDeg' => 'number | null',
        'leftOut' => 'integer', 'inRange' => 'boolean', 'descentDeg' => 'number | null', 'descentFrom' => "'measured' | 'computed' | 'unknown'",
        'runM' => 'number | null',
        'runFrom' => "'measured' | 'computed' | 'unknown'",
    ]),
]
#[
    Shape('GapMove', [
        'club' => 'string', 'gapM' => 'number', 'position' => 'string', 'loftDeg' => 'number', 'faceOpenDeg' => 'number',
        'lieDeg' => 'number',
        'carryM' => 'number', 'interval' => 'Interval', 'by' => "'flight' | 'own clubs'",
    ]),
]
#[
    Shape('LongClub', [
        'id' => 'integer', 'name' => 'string', 'kind' => "'fairway wood' | 'hybrid' | 'iron'", 'loftDeg' => 'number',
        'lieDeg' => 'number', 'faceOpenDeg' => 'number',
        'position' => 'string', 'sleeve' => 'string | null', 'positions' => 'string[]',
        'shots' => '{ values: Record<string, number>; typed: Record<string, string> }[]', 'version' => 'string',
    ]),
]
#[
    Shape('GapFill', [
        'carryM' => 'number', 'loftDeg' => 'number', 'best' => 'string',
        'clubs' => '{ kind: string; launchDeg: number | null; spinRpm: number | null; descentDeg: number | null; apexM: number | null; '
        .'runM: number | null; holds: boolean | null }[]',
    ], about: 'The club that a hole between two clubs asks for'),
]
#[
    Shape('Gaps', [
        'clubs' => 'GapClub[]',
        'gaps' => "{ from: string; to: string; gapM: number; interval: Interval; verdict: 'wide' | 'narrow' | 'even' | 'open'; offM: number; "
        .'moves: GapMove[]; fill: GapFill | null }[]',
        'wantedM' => 'number | null', 'isEven' => 'boolean', 'spreadShare' => 'number',
        'perDegree' => '{ carryM: number; interval: Interval; n: integer } | null',
        'driver' => 'string | null', 'squaringShare' => 'number', 'longClubs' => 'LongClub[]',
    ], about: 'Carry of each long club and the gaps between them'),
]
#[
    Shape('LengthPlan', [
        'lengthMm' => 'number', 'headG' => 'number', 'buttG' => 'number', 'gripG' => 'number', 'tipCutMm' => 'number',
        'buttCutMm' => 'number',
        'swingWeightPoints' => 'number', 'totalG' => 'number',
    ]),
]
#[
    Shape('Balanced', [
        'swingWeight' => 'string', 'swingWeightPoints' => 'number', 'totalG' => 'number',
    ]),
]
#[
    Shape('LengthBalance', [
        'was' => 'Balanced', 'free' => 'Balanced',
        'solutions' => "{ kind: 'head' | 'butt' | 'headAndButt' | 'headAndGrip' | 'tip'; headG: number; buttG: number; tipCutMm: number; buttCutMm: number; "
            .'swingWeight: string; swingWeightPoints: number; totalG: number; shaftG: number; gripG: number; why: string[] }[]',
    ], about: 'The ways to bring a club to another length'),
]
#[
    Shape('CalculatedFlight', [
        'carryM' => 'number', 'totalM' => 'number', 'runM' => 'number', 'sideM' => 'number', 'curveM' => 'number',
        'totalSideM' => 'number', 'apexM' => 'number',
        'apexAtM' => 'number', 'descentDeg' => 'number', 'hangTimeS' => 'number', 'points' => '[number, number, number, number][]',
        'inRange' => 'boolean', 'outOf' => '{ field: string; value: number; low: number; high: number } | null',
    ]),
]
#[
    Shape('WindowFor', [
        'dynamicLoftDeg' => 'number', 'loftBandDeg' => '[number, number]', 'launchDeg' => 'number', 'launchBandDeg' => '[number, number]',
        'spinRpm' => 'number',
        'spinBandRpm' => '[number, number]', 'carryM' => 'number', 'totalM' => 'number', 'apexM' => 'number',
    ]),
]
#[
    Shape('CalculatedWindow', [
        'assumed' => 'string[]', 'carry' => 'WindowFor', 'total' => 'WindowFor',
    ]),
]
#[
    Shape('CalculatedPlane', [
        'home' => 'string', 'read' => 'string', 'squares' => 'number', 'soled' => 'PlanePoint[]', 'squared' => 'PlanePoint[]',
        'mixed' => 'PlanePoint[]',
        'check' => '{ label: string; loftDeg: number; faceOpenDeg: number; lieDeg: number; missDeg: number; agrees: boolean }[]',
    ]),
]
#[
    Shape('CalculatedWeights', [
        'massG' => 'number', 'cgToeMm' => 'number', 'cgBackMm' => 'number', 'cgUpMm' => 'number', 'inertiaGcm2' => 'number[][]',
        'swingWeight?' => 'string',
        'swingMomentOzIn?' => 'number', 'warnings?' => 'string[]',
    ]),
]
#[
    Shape('CalculatedSwing', [
        'swingWeight' => 'string', 'points' => 'number', 'totalG' => 'number', 'shaftMassG' => 'number',
        'shaftBalanceFromButtMm' => 'number', 'perHeadG' => 'number',
        'perGripG' => 'number', 'perHalfInch' => 'number',
    ]),
]
#[
    Shape('CalculatedWorth', [
        'base' => '{ ballSpeedMps: number; launchDeg: number; spinRpm: number; carryM: number; totalM: number; apexM: number; descentDeg: number }',
        'dynamicLoftDeg' => 'number',
        'rows' => '{ what: string; by: number; unit: string; carryM: number; totalM: number; sideM: number; ballSpeedMps: number; launchDeg: number; spinRpm: number }[]',
    ]),
]
final class ReachShapes
{
}
