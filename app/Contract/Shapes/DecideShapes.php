<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/**
 * The advice, what it rests on, and what was decided. Lengths m, speeds m/s, angles °; direction and side + =
 * right.
 */
// models, or shots where a setup was hit without ball data
// how many of the shots that it rests on were made up
// none in what was saved before they were told; averages: only there, the place of seen
// by policy; null where the benchmark has no shot under it
// can the own club be adjusted at all?
// begun before the pause was over, because the player had rested
#[
    Shape('NeverSeen', [
        'kind' => 'string', 'chance' => 'number', 'ofBenchmark' => 'number', 'likelier' => 'number', 'isBarred' => 'boolean',
        'strokes' => 'number', 'metres' => 'number',
    ], about: 'What the brief never wants to see, as a chance per drive of one setup; strokes and metres: what it costs more than with the benchmark'),
]
#[
    Shape('JudgementAge', [
        'shots' => 'integer', 'of' => 'integer', 'isCurrent' => 'boolean', 'at' => 'string',
    ], about: 'How many shots a judgement is of, and how many count now; a newer judgement follows where it is not current'),
]
#[Shape('SwingGroup', ['name' => 'string', 'n' => 'integer', 'speedMps' => 'number'], about: 'One of several swings that were hit')]
#[
    Shape('FlightFigure', [
        'value' => 'number', 'interval' => 'Interval', 'standing' => "'low' | 'wanted' | 'high'",
    ], about: 'Launch, spin, apex or descent that is expected of a setup, and how it stands to what the player wants'),
]
#[
    Shape('WishAnswer', [
        'name' => 'string', 'figure' => 'string', 'before' => 'number', 'after' => 'number', 'standing' => "'gained' | 'lost' | 'level'",
    ], about: 'What a setup does for one want, beside the own club'),
]
#[
    Shape('Seen', [
        'n' => 'integer', 'averages' => 'Record<string, number>', 'fairways' => '{ in: integer; of: integer } | null',
    ], about: 'Averages and counts of these shots: what everybody saw, no estimate'),
]
#[
    Shape('Judgement', [
        'tag' => 'string', 'n' => 'integer', 'carry' => 'Summary | null', 'total' => 'Summary | null', 'share' => 'number',
        'shareInterval' => 'Interval', 'leftShare?' => 'number', 'rightShare?' => 'number', 'shareGain?' => 'number',
        'shareGainInterval?' => 'Interval', 'expectedCarryM?' => 'number', 'carryGainM?' => 'number',
        'carryGainInterval?' => 'Interval', 'totalGainM?' => 'number', 'totalGainInterval?' => 'Interval',
        'flight?' => 'Record<string, FlightFigure>', 'wishes?' => 'WishAnswer[]', 'curveM?' => 'number | null', 'seen?' => 'Seen', 'exaggerates?' => 'string[]',
        'averages?' => 'Record<string, number>', 'expectedTotalM?' => 'number', 'troubleShare?' => 'number', 'never?' => 'NeverSeen[]',
        'barredBy?' => 'string[]', 'sideKnown' => 'number', 'spreadM' => 'number', 'strokes' => 'number',
        'strokesInterval' => 'Interval', 'aimFixedStrokes' => 'number', 'chanceBetter' => 'number', 'aimDeg' => 'number',
        'gain' => 'number', 'gainInterval' => 'Interval', 'expectedLoss' => 'number',
        'trade' => '{ costM: number; loftChangeDeg: number; bestLaunchDeg: number; bestSpinRpm: number; within: [number, number]; '
            .'attackAssumed: boolean } | null',
    ]),
]
#[
    Shape('Advice', [
        'age?' => 'JudgementAge',
        'swing?' => 'string | null', 'swings?' => 'SwingGroup[]', 'benchmark' => 'string', 'best' => 'string', 'pick' => 'string', 'runnerUp?' => 'string | null', 'isConclusive' => 'boolean', 'ties' => 'string[]',
        'by?' => 'string', 'wish?' => 'string | null', 'level?' => 'string[]',
        'expectedLoss' => 'number', 'scoring' => 'string', 'unit' => 'string', 'basis' => 'string',
        'tieBreak?' => 'TieBreak | null', 'outdoors?' => '{ shots: integer; windLeftIn: integer; windMps: number } | null', 'notHit' => 'string[]',
        'simulatedShots' => 'integer', 'failures?' => 'Failure[]', 'wanted?' => 'Record<string, Interval>', 'setups' => 'Judgement[]',
    ]),
]
#[
    Shape(
        'AnswerFigure',
        ['value' => 'number', 'drives' => 'integer | null', 'interval' => 'Interval | null', 'seen' => '{ in: integer; of: integer } | number | null'],
        about: 'One figure of a setup as it is expected: of a share also the drives of fourteen; and as it was seen.',
    ),
]
#[
    Shape('AnswerRow', [
        'what' => 'string', 'asked' => "'wish' | 'never' | ''", 'before' => 'AnswerFigure', 'after' => 'AnswerFigure | null',
        'gain' => 'number | null', 'gainInterval' => 'Interval | null',
    ]),
]
#[
    Shape('FourteenDrives', [
        'fairway' => 'integer', 'left' => 'integer', 'right' => 'integer',
        'drives' => "{ sideM: number; totalM: number; end: 'left' | 'fairway' | 'right' }[]",
    ]),
]
#[
    Shape('AnswerCard', [
        'tag' => 'string', 'n' => 'integer',
        'standing' => "'pick' | 'benchmark' | 'barred' | 'level' | 'worse' | 'open' | 'likely better' | 'likely worse'",
        'carryM' => 'number', 'carryGainM' => 'number', 'carryGainInterval' => 'Interval', 'fairway' => 'integer | null',
        'never' => 'string | null', 'neverDrives' => 'integer | null', 'spinRpm' => 'number | null',
    ]),
]
#[
    Shape(
        'FittingAnswer',
        [
            'age?' => 'JudgementAge', 'swing' => 'string | null', 'swings' => 'SwingGroup[]', 'kind' => "'take' | 'keep' | 'hit'",
            'why' => 'string | null', 'before' => 'string | null', 'after' => 'string | null', 'chance' => 'number | null', 'rows' => 'AnswerRow[]',
            'drives' => 'Record<string, FourteenDrives>', 'field' => 'AnswerCard[]', 'judge' => 'Advice | null', 'step' => 'NextStep',
            'unhit' => '{ turn: string | null; best: string | null }',
        ],
        about: 'The one answer of a fitting: what to take, keep or hit first, and what it does for what the brief asks for.',
    ),
]
#[
    Shape('SchoolCell', [
        'pick' => 'string', 'best?' => 'string', 'gain' => 'number', 'chance' => 'number', 'ownIsLevel?' => 'boolean', 'ties' => 'string[]',
    ]),
]
#[
    Shape('SchoolRow', [
        'scoring' => 'string', 'unit' => 'string', 'declared' => 'boolean', 'cells' => '(SchoolCell | null)[]',
    ]),
]
#[
    Shape('Worth', [
        'tag' => 'string', 'head' => 'string',
        'adjusted' => '{ tag: string | null; sleeve: string; weights: string; isOwn: boolean; tested: boolean; gainOverOwn: number }',
        'adjustable' => 'boolean', 'gain' => 'number', 'interval' => 'Interval', 'chance' => 'number',
        'perRound' => 'number | null', 'perRoundInterval' => 'Interval | null', 'price' => 'number | null', 'currency' => 'string',
        'money' => 'number | null', 'verdict' => 'WorthVerdict',
        'cost?' => '{ what: string; label: string; price: number | null; currency: string }[]', 'isPriceKnown?' => 'boolean',
        'isPriceMixed?' => 'boolean', 'moneyCurrency?' => 'string',
    ]),
]
#[
    Shape('TieBreak', [
        'order' => 'string[]', 'choice' => 'string | null', 'by' => 'string | null', 'remaining' => 'string[]',
        'steps' => '{ criterion: string; known: boolean; values: Record<string, number | null>; remaining: string[] }[]',
        'wantedApexM' => 'number',
    ]),
]
#[
    Shape('OtherDay', [
        'day' => 'string', 'pick' => 'string', 'best' => 'string', 'of' => 'string', 'gain' => 'number', 'interval' => 'Interval',
        'chance' => 'number', 'turns' => 'boolean', 'carryM' => 'number', 'keepCost?' => 'number',
    ]),
]
#[
    Shape('ConfirmRun', [
        'id' => 'integer', 'benchmark' => 'string', 'chosen' => 'string', 'shotsEach' => 'integer', 'rested' => 'boolean',
        'ended' => 'string | null', 'legs' => '{ tag: string; n: integer }[]', 'verdict' => 'ConfirmVerdict',
        'drift' => 'Record<string, number>', 'z' => 'number | null', 'chance' => 'number',
    ]),
]
#[
    Shape('Schools', [
        'age?' => 'JudgementAge',
        'policies' => '{ name: string; label: string }[]', 'rows' => 'SchoolRow[]', 'unanimous' => 'boolean',
        'picks' => 'Record<string, number>',
    ]),
]
#[
    Shape(
        'Grounds',
        [
            'otherSwings?' => '{ swing: string; pick: string | null; carryGainM: number | null }[]', 'worth' => 'Worth | null', 'days' => 'OtherDay[]', 'calibration?' => 'MonitorVisit[]', 'balls?' => 'BallTold[]',
            'confirm' => 'ConfirmRun | null',
        ],
        of: 'Advice',
    ),
]
#[
    Shape('Decision', [
        'id' => 'integer', 'setupId' => 'integer', 'tag' => 'string', 'advisedSetupId' => 'integer', 'reason' => 'string',
        'by' => 'string', 'at' => 'string', 'advice' => 'Advice', 'version' => 'integer', 'lockedAt' => 'string | null',
        'reopenedAt' => 'string | null', 'reopenWhy' => 'string',
    ]),
]
#[
    Shape(
        'Proof',
        [
            'schools' => 'Schools', 'brief?' => 'Brief',
        ],
        about: 'What a decision rested on when it was locked.', of: 'Grounds',
    ),
]
#[
    Shape(
        'DecisionWithProof',
        [
            'proof' => 'Proof | null',
        ],
        about: 'A decision with what it rested on when it was locked.', of: 'Decision',
    ),
]
final class DecideShapes
{
}
