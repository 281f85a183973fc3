<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** What the shots say. Lengths m, speeds m/s, angles °; direction and side + = right. */
#[
    Shape('ComparisonCell', [
        'summary' => 'Summary | null', 'computed' => 'number',
        'difference' => '{ value: number; interval: Interval | null; clear: boolean } | null',
    ]),
]
#[
    Shape('Ellipse', [
        'acrossM' => 'number', 'alongM' => 'number', 'halfLongM' => 'number', 'halfShortM' => 'number', 'turnDeg' => 'number',
    ]),
]
#[
    Shape('Comparison', [
        'age' => 'JudgementAge',
        'swing' => 'string | null', 'swings' => 'SwingGroup[]', 'benchmark' => 'string | null', 'rows' => '{ measure: string; label: string; cells: Record<string, ComparisonCell> }[]',
        'sets' => '{ tag: string; n: integer; ellipse: Ellipse | null; inCorridor: { in: integer; of: integer } }[]',
        'field' => 'Field | null',
    ]),
]
#[
    Shape(
        'Finding',
        [
            'tag' => 'string', 'kind' => 'FindingKind', 'figures' => 'Record<string, number | string | string[]>',
            'forCoach' => 'boolean',
            'gives' => '{ head: string; sleeve: string; rackAt: integer | null; loftDeg: number; sdDeg: number; sameHead: boolean; '
                .'statedLoftDeg: number; readLoftDeg: number | null; inStock: boolean; toOrder: boolean; leadDays: integer | null; '
                .'price: number | null; currency: string } | null',
        ],
        about: 'One thing that the shots say; `kind` is worded by the screen, figures are in kept units.',
    ),
]
#[
    Shape(
        'GuardRail',
        [
            'tag' => 'string', 'kind' => 'GuardRailKind', 'figures' => 'Record<string, number | string | string[]>',
        ],
        about: 'One thing that could make a comparison unfair.',
    ),
]
#[
    Shape('BridgeLine', [
        'cause' => 'string', 'happened' => 'number', 'repeats' => 'number', 'error' => 'number', 'noise' => 'boolean',
    ]),
]
#[
    Shape('WhyBridge', [
        'measure' => 'string', 'difference' => 'number', 'lines' => 'BridgeLine[]', 'clubSeen' => 'boolean',
    ]),
]
#[
    Shape('Alike', [
        'rows' => '{ measure: string; measured: number; alike: number; error: number; against: { value: number; interval: Interval } '
            .'| null }[]',
        'ownShifts' => '{ field: string; shift: number; carryM: number }[]', 'corrected' => 'string[]',
    ]),
]
#[
    Shape('Forgiveness', [
        'seen' => 'number',
        'zones' => '{ zone: string; n: integer; ballSpeedMps: number | null; spinRpm: number | null; carryM: number | null }[]',
        'costs' => 'Record<string, { ballSpeedMps: number; carryM: number; spinRpm: number; sideM: number }>',
        'correction' => 'number', 'worstCarryM' => 'number', 'worstAt' => 'string', 'assumed' => 'boolean',
    ]),
]
#[
    Shape('Withheld', ['speedMps' => 'number', 'why' => "'farOff' | 'trend' | 'otherSwing' | 'warmingUp' | 'drift'", 'what' => 'string', 'byDeg' => 'number'],
        about: 'The player was another when the setup was hit than when the benchmark was: no word is said of it'),
]
#[
    Shape('JudgedSetup', [
        'tag' => 'string', 'n' => 'integer', 'clubSeen' => 'boolean', 'strikeSeen' => 'boolean', 'verdicts' => 'LiveVerdict[]',
        'withheld' => 'Withheld | null',
        'flips' => '{ policy: string; verdict: Verdict }[]',
        'delivery' => '{ field: string; value: number; error: number; from: string }[]', 'alike' => 'Alike | null',
        'bridges' => 'WhyBridge[]', 'forgiveness' => 'Forgiveness | null', 'diagnosis' => 'Finding[]',
        'path' => '{ points: [number, number, number][]; carryM: number; apexM: number } | null',
        'inLine' => '{ toeMm: number; highMm: number; assumed: boolean } | null',
    ]),
]
#[
    Shape('NextMove', [
        'head' => 'string', 'sleeve' => 'string', 'weights' => 'string', 'mends' => 'FindingKind',
        'effect' => 'Record<string, { value: number; low: number; high: number }>',
    ]),
]
#[
    Shape(
        'MonitorVisit',
        [
            'monitor' => 'string', 'visit' => 'integer | null', 'n' => 'integer', 'dragOffset' => 'number', 'liftOffset' => 'number',
            'spinOffset' => 'number', 'sd' => '[number, number, number]', 'carryShare' => 'number | null',
            'carryShareAfter' => 'number | null', 'apexShare' => 'number | null', 'apexShareAfter' => 'number | null',
            'residualBeforeM' => 'number', 'residualAfterM' => 'number', 'disagrees' => 'boolean',
        ],
        about: 'A monitor on a visit beside the flight model: measured over computed, less 1, before and after calibration; the offsets.',
    ),
]
#[
    Shape(
        'BallTold',
        [
            'ball' => 'string', 'than' => 'string', 'n' => 'integer', 'nThan' => 'integer', 'dragShare' => 'number', 'liftShare' => 'number',
            'carryM' => 'number', 'carrySdM' => 'number',
        ],
        about: 'A make of ball beside the one that most was hit with: its drag and lift, less 1, and its carry from the same launch.',
    ),
]
#[
    Shape('Judging', [
        'age' => 'JudgementAge',
        'swing' => 'string | null', 'swings' => 'SwingGroup[]', 'benchmark' => 'string | null', 'screening' => 'string', 'setups' => 'JudgedSetup[]', 'rails' => 'GuardRail[]',
        'judge' => 'Advice | null', 'next' => 'NextMove | null', 'calibration' => 'MonitorVisit[]', 'balls' => 'BallTold[]', 'failures' => 'Failure[]',
    ]),
]
final class JudgingShapes
{
}
