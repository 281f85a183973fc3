<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** The live screen. Lengths m, speeds m/s, angles °; direction and side + = right. */
// changes when anything but shots does
// the latest of the trial
// how many of the trial count
// shots that look like mishits and still count, by shot id
// policies under which the declared verdict would be another
// the leg of a confirm run that is being hit (0: none yet), and the one after it
// the first of the tray
#[
    Shape('Bay', [
        'id' => 'integer', 'name' => 'string', 'fittingId' => 'integer | null', 'tokenMadeAt' => 'string | null',
    ]),
]
#[
    Shape('Trial', [
        'id' => 'integer', 'number' => 'integer', 'kind' => 'string', 'setupId' => 'integer', 'tag' => 'string',
        'shots' => 'integer', 'beganAt' => 'string', 'ended' => 'boolean', 'note' => 'string', 'blind' => 'boolean',
        'openAir' => 'OpenAir | null',
    ], about: 'A set of shots hit with one setup; its wind and air where it was hit outdoors.'),
]
#[
    Shape('OpenAir', [
        'windMps' => 'number', 'windFromDeg' => 'number', 'temperatureC' => 'number', 'altitudeM' => 'number',
    ], about: 'Wind and air of a trial outdoors; wind from 0° into the face, 90° from the right.'),
]
#[
    Shape('TypedOpenAir', [
        'windMps?' => 'number | null', 'windFromDeg?' => 'number | null', 'temperatureC?' => 'number | null', 'altitudeM?' => 'number | null',
    ], about: 'What is left out is as the brief says it; with a wind it must be said where it comes from.'),
]
#[
    Shape('MishitReason', [
        'measure' => 'string', 'value' => 'number', 'usual' => 'number', 'why' => 'string',
    ]),
]
#[
    Shape('Repeated', [
        'measure' => 'string', 'value' => 'number', 'moved' => 'boolean', 'since' => 'integer',
    ]),
]
#[
    Shape('LiveVerdict', [
        'name' => 'string', 'measure' => 'Measure', 'verdict' => 'Verdict', 'value' => 'number', 'interval' => 'Interval',
        'declared' => 'boolean', 'wanted' => 'boolean', 'way' => 'integer', 'margin' => 'number', 'moreShots' => 'integer | null',
    ], about: 'How a setup stands against the benchmark; better is value × way > 0, and as good as it within the margin.'),
]
#[
    Shape('Pattern', [
        'ellipse' => 'Ellipse | null', 'sideM' => 'number | null', 'carryM' => 'number | null', 'sides' => 'number[]',
        'path' => '{ points: [number, number, number][]; carryM: number; apexM: number } | null',
    ], about: 'Where a setup lands: the ellipse and the mean, the sides of its shots, and the flight of its mean ball.'),
]
#[
    Shape('RevealedBlind', [
        'order' => 'string[]', 'against' => 'string', 'verdicts' => '{ tag: string; name: string; verdict: Verdict }[]',
        'guess' => '{ right: integer; of: integer; p: number; better: boolean; canTell: boolean } | null',
    ], about: 'What a blind trial said: by its own shots, and whether the player could tell the settings.'),
]
#[
    Shape('HandView', [
        'head' => 'string', 'sleeve' => 'string', 'home' => 'string', 'masses' => 'Record<string, number>', 'positions' => 'PlanePoint[]',
        'arrangements' => '{ masses: Record<string, number>; words: string; massG: number; cgToeMm: number; cgBackMm: number }[]',
    ], about: 'What the head of a setup can be turned to, as this player delivers it, and weighted with; what is in it now first.'),
]
#[
    Shape('Turned', [
        'setupId' => 'integer | null', 'steps' => 'string[]', 'wrenchChanges' => 'integer', 'loftDeg' => 'number', 'faceOpenDeg' => 'number',
        'expected' => '{ carryM: Change; sideM: Change; apexM: Change; share: Change } | null',
    ], about: 'What turning a setup would change against what is in the hand; setupId: of the setup that is made so already.'),
]
#[
    Shape('Change', ['value' => 'number', 'interval' => 'Interval']),
]
#[
    Shape('HeldShot', [
        'id' => 'integer', 'reason' => 'string', 'at' => 'string', 'source' => 'string',
    ]),
]
#[
    Shape(
        'HeldDetail',
        [
            'senderId' => 'string', 'session' => 'string | null', 'sequence' => 'integer | null', 'hitAt' => 'string | null',
            'values' => 'Record<string, unknown>', 'sent' => 'string',
        ],
        about: 'A held shot whole, as it was sent.', of: 'HeldShot',
    ),
]
#[
    Shape('DriftPoint', [
        'sequence' => 'integer', 'trial' => 'integer | null', 'setupId' => 'integer', 'speedMps' => 'number', 'club' => 'boolean',
        'counts' => 'boolean',
    ]),
]
#[
    Shape(
        'BayChange',
        [
            'live' => 'string', 'stamp' => 'string',
            'counts' => 'Record<string, { shots: integer; counted: integer; simulated: integer }>', 'running' => 'Trial | null',
            'trials' => 'Trial[]', 'shots' => 'Shot[]', 'counted' => 'integer', 'mishits' => 'Record<string, MishitReason[]>',
            'mixed' => "{ why: 'intent' | 'speed'; groups: { name: string; n: integer; speedMps: number }[] } | null",
            'means' => 'Record<string, Summary | null>', 'setupMeans' => 'Record<string, Summary | null> | null',
            'benchmarkMeans' => 'Record<string, Summary | null> | null',
            'verdicts' => 'LiveVerdict[]', 'withheld' => 'Withheld | null', 'flips' => '{ policy: string; verdict: Verdict }[]', 'repeat' => 'Repeated[]',
            'drift' => 'DriftPoint[]', 'queue' => '{ tags: string[]; wrenchChanges: integer }',
            'budget' => '{ swings: number | null; swingsHit: integer; minutes: number | null; minutesUsed: integer }',
            'confirm' => '{ benchmark: string; chosen: string; shotsEach: integer; leg: integer; tag: string | null; n: integer; next: '
                .'string | null } | null',
            'blind' => '{ ordinal: integer; of: integer; shotsEach: integer; set: boolean; guess: { trialId: integer; options: '
                .'{ id: integer; tag: string }[] } | null } | null',
            'asks' => '{ trialId: integer; open: string[]; first: string[]; due: boolean } | null', 'revealed' => 'RevealedBlind | null',
            'pattern' => '{ trial: Pattern | null; benchmark: Pattern | null }',
            'speedSince' => '{ byMps: number; trial: integer | null } | null', 'held' => 'HeldShot[]', 'heldInAll' => 'integer',
        ],
        about: 'What changes on the live screen with every shot.',
    ),
]
#[
    Shape(
        'BayView',
        [
            'inLine' => '{ toeMm: number; highMm: number; assumed: boolean } | null', 'screening' => 'Screening',
            'changeOver' => '{ setupId: integer; steps: string[]; wrenchChanges: integer }[]',
            'visit' => '{ number: integer; trials: integer }', 'lastDone' => 'LogEntry | null', 'bays' => 'Bay[]',
        ],
        about: 'The live screen.', of: 'BayChange',
    ),
]
final class BayShapes
{
}
