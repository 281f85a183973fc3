<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** Every setup that the rack offers. Lengths m, speeds m/s, angles °; direction and side + = right. */
// letter of the setup in this fitting, where it was built or hit
// what differs from the usual shaft, length, ball, tee and cue
// letter of a setup that is built so
// what heads, and other shafts, lengths, balls, tees and cues, do of their own
#[
    Shape('ClubBuild', [
        'shaft' => 'string', 'lengthMm' => 'number | null', 'ball' => 'string', 'teeMm' => 'number | null', 'cue' => 'string',
    ]),
]
#[
    Shape('Believed', [
        'mean' => 'number', 'sd' => 'number',
    ]),
]
#[
    Shape('FoundSetup', [
        'tag' => 'string', 'setupTag' => 'string | null', 'head' => 'string', 'rackAt' => 'integer | null',
        'headId' => 'integer | null', 'sleeve' => 'string', 'weights' => 'string', 'masses' => 'Record<string, number> | null',
        'with' => '{ shaft?: string; lengthMm?: number | null; ball?: string; teeMm?: number | null; cue?: string }',
        'like' => 'string | null', 'inStock' => 'boolean', 'orderable' => 'boolean', 'otherLoftDeg' => 'number | null',
        'printSdDeg' => 'number', 'leadDays' => 'integer | null', 'price' => 'number | null',
        'currency' => 'string', 'loftDeg' => 'number', 'faceOpenDeg' => 'number', 'carryM' => 'number', 'carryGainM' => 'number',
        'carryGainInterval' => 'Interval', 'totalM' => 'number', 'sideM' => 'number', 'sideInterval' => 'Interval',
        'spreadM' => 'number', 'apexM' => 'number', 'share' => 'number', 'shareInterval' => 'Interval', 'leftShare' => 'number',
        'rightShare' => 'number',
        'troubleShare' => 'number', 'never' => 'NeverSeen[]', 'gain' => 'number', 'gainInterval' => 'Interval',
        'aimFixedGain' => 'number', 'chance' => 'number', 'aimDeg' => 'number', 'tied' => 'boolean', 'tested' => 'boolean',
        'flight' => 'Record<string, FlightFigure>', 'wishes' => 'WishAnswer[]', 'seen' => 'Seen | null',
    ]),
]
#[
    Shape('NextStep', [
        'kind' => "'baseline' | 'settle' | 'more' | 'benchmark' | 'hit' | 'stop' | 'none'", 'tag' => 'string | null',
        'shots' => 'integer | null',
        'why' => 'string | null',
    ], about: 'The one thing to do next, the same on every screen'),
]
#[
    Shape('Judge', [
        'age' => 'JudgementAge',
        'n' => 'integer', 'judge' => 'Advice | null', 'step' => 'NextStep',
        'next' => '{ tag: string; setupTag: string | null; headId: integer | null; head: string; sleeve: string; weights: string; '
            .'masses: Record<string, number> | null; with: { shaft?: string; '
            .'lengthMm?: number | null; ball?: string; teeMm?: number | null; cue?: string }; like: string | null } | null',
    ], about: 'What the judge says after n counted shots, and the one next thing to do; next: the candidate that it is about'),
]
#[
    Shape('Found', [
        'age' => 'JudgementAge',
        'swing' => 'string | null', 'swings' => 'SwingGroup[]', 'own' => 'string', 'benchmark' => 'string', 'only' => 'string', 'preset' => 'string', 'tooDear' => 'string[]',
        'step' => 'NextStep', 'calibration' => 'MonitorVisit[]', 'balls' => 'BallTold[]', 'scoring' => 'string', 'unit' => 'string', 'count' => 'integer',
        'best' => 'string', 'pick' => 'string',
        'expectedLoss' => 'number', 'mayStop' => 'boolean', 'ties' => 'integer', 'within' => 'integer', 'unreadable' => 'string[]',
        'failures' => 'Failure[]',
        'next' => '{ tag: string; value: number; changes: integer; turns: number; to: string | null; chance: number; for: string } | null',
        'learned' => 'Record<string, { prior: number; priorSd: number; now: number; sd: number }>',
        'ownEffects' => '{ head: string | null; with: { shaft?: string; lengthMm?: number | null; ball?: string; teeMm?: number | null; '
            .'cue?: string }; effects: Record<string, Believed> }[]',
        'trade' => '{ front: string[]; perCarryM: number; perShare: number; level: number; agreement: number }',
        'guard' => '{ kind: string; front: string[]; safest: string; farthest: string }[]',
        'wanted' => 'Record<string, Interval>', 'setups' => 'FoundSetup[]',
    ]),
]
final class FinderShapes
{
}
