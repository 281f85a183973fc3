<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TakeShots;
use App\Contract\Answer;
use App\Devices\SimulatedSetup;
use App\Models\Bay;
use App\Models\Setup;
use App\Models\Trial;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use MintCarry\Core\Intake\Post;
use OpenApi\Attributes as OA;

/** What a launch monitor talks to, with the token of its bay. */
#[OA\Info(version: '2', title: 'Mint Carry', description: <<<'TXT'
Everything under /api. What a launch monitor talks to comes first; all else is for the screens, with the session of a fitter.

## The bay feed
A launch monitor posts its shots to the bay it stands in. Angles in degrees, direction and side + right, strike + toward the toe and
+ high. A bare number is in the unit that its field names; {value, unit} says another.

What a sender must do
- Give each shot an `id` of its own within a sending session. Ids are compared byte by byte.
- Send a shot again, unchanged, until its answer comes. `id`, `values`, `sequence` and `at` stay what they were: a change in one of
  them makes it another shot. `sentAt` and keys that this page does not name may change.
- Keep a shot until its own answer says stored, held or refused. A refused one is never sent again.

What it may do
- Name its `session`: a text that it never uses for another session, such as a random one drawn at each start. Ids then hold within
  it, for as long as it lasts. A sender that names none is answered the old answer for the same shot within an hour; what comes
  later under the same id with the same content is held for the fitter.
- Count its shots in `sequence`. A count that begins anew is understood as a new session.
- Tell `at`, when the shot was hit, and `sentAt`, when it was sent, by one clock, however wrong that is. With them a shot that the
  network kept back is laid to the setup it was hit with, and a clock that is set in between does no harm. A shot of which count or
  clock contradict the trial that runs is stored there and flagged.

What nobody can be protected from
- A sender that tells neither `sequence` nor `at` has its shots laid to the trial that runs as they come. Several that come together,
  the first since a change of setup, are flagged: they waited, and may belong to the setup before. One alone that waited past a
  change looks like one that was hit after it, and is not flagged.
- A sender with `sequence` and without `at` is flagged where its count contradicts; the first shots after a change, sent late and in
  order, are not.
- A sender that uses an id again with most values the same may have sent one shot twice: both are kept, and the later is flagged.

A monitor that restarts. It had counted to 8 and answers were open for shot 8; it comes back with a count of 1 and a clock that was
never set:

    POST {"session": "b7d1", "sentAt": "2026-05-03T10:42:09Z", "shots": [{"id": "8", "sequence": 8, "at": "2026-05-03T10:42:07Z", "values": {…}}]}
        no answer
    POST {"session": "e054", "sentAt": "1970-01-01T00:01:31Z", "shots": [
          {"id": "8", "session": "b7d1", "sequence": 8, "at": "2026-05-03T10:42:07Z", "values": {…}},
              kept on disk: sent again under its own session, and stored once
          {"id": "1", "sequence": 1, "at": "1970-01-01T00:01:29Z", "values": {…}}]}
              a new shot, whatever had the id 1 before
TXT)]
#[
    OA\SecurityScheme(
        securityScheme: 'bay', type: 'http', scheme: 'bearer',
        description: 'The token of one bay, made on the bay screen. Header only.',
    ),
]
#[
    OA\Schema(
        schema: 'Quantity',
        oneOf: [
            new OA\Schema(type: 'number', description: 'in the unit that the field names'),
            new OA\Schema(
                type: 'object', required: ['value'],
                properties: [
                    new OA\Property(property: 'value', oneOf: [new OA\Schema(type: 'number'), new OA\Schema(type: 'string')]),
                    new OA\Property(
                        property: 'unit', type: 'string',
                        enum: [
                            'm/s', 'mph', 'km/h', 'ft/s', 'kn', 'm', 'yd', 'ft', 'in', 'cm', 'mm', 'deg', 'rad', 'rpm', 's',
                            'ratio', '%',
                        ],
                    ),
                ],
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'PostedShot', type: 'object', required: ['id', 'values'],
        description: 'At most 64 kB. Keys that stand not here are kept beside the shot, up to 4 kB.',
        properties: [
            new OA\Property(
                property: 'id', type: 'string', minLength: 1, maxLength: 64,
                description: 'The sender’s own id of this shot, within its session. Sending it again is safe: the answer is that of the '
                    .'first time.',
            ),
            new OA\Property(
                property: 'session', type: 'string', minLength: 1, maxLength: 64,
                description: 'The sending session that the id belongs to; may stand once for the whole post.',
            ),
            new OA\Property(
                property: 'sequence', type: 'integer', minimum: 0,
                description: 'The sender’s count; shots that come late or out of order keep this order.',
            ),
            new OA\Property(
                property: 'at', type: 'string', maxLength: 60,
                description: 'When it was hit, as the monitor writes it. In ISO 8601 with its zone (2026-05-03T10:42:07Z) it lets a '
                    .'shot that the network kept back be laid to the setup it was hit with; the clock may be wrong.',
            ),
            new OA\Property(
                property: 'sentAt', type: 'string', maxLength: 60,
                description: 'When it was sent, by the same clock, as `at` is written; may stand once for the whole post.',
            ),
            new OA\Property(
                property: 'source', type: 'string', enum: ['monitor', 'simulated'],
                description: 'simulated: made up, by a monitor that hits no balls. Refused where the studio takes none. May stand once '
                    .'for the whole post.',
            ),
            new OA\Property(
                property: 'values', type: 'object',
                description: 'At least ballSpeedMps, launchDeg and spinRpm; also clubSpeedMps, smash, attackDeg, pathDeg, faceDeg, '
                    .'dynamicLoftDeg, directionDeg, spinAxisDeg, backSpinRpm, sideSpinRpm, carryM, totalM, sideM, apexM, '
                    .'descentDeg, hangTimeS, strikeToeMm, strikeHighMm.',
                additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/Quantity'),
            ),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'PostedAnswer', type: 'object', required: ['id', 'status', 'shot', 'reason'],
        properties: [
            new OA\Property(property: 'id', type: 'string', nullable: true, description: 'null where none could be read'),
            new OA\Property(
                property: 'status', type: 'string', enum: ['stored', 'held', 'refused'],
                description: 'stored: this very shot is on disk. held: kept whole in the bay’s tray for the fitter, with the reason. '
                    .'refused: it can never be read, nothing of it was kept',
            ),
            new OA\Property(property: 'shot', type: 'integer', nullable: true),
            new OA\Property(property: 'reason', type: 'string', nullable: true),
            new OA\Property(property: 'doNotRepeat', type: 'boolean', description: 'true with refused'),
        ],
    ),
]
#[
    OA\Schema(
        schema: 'PostedAnswers', type: 'object', required: ['results'],
        properties: [
            new OA\Property(
                property: 'results', type: 'array', items: new OA\Items(ref: '#/components/schemas/PostedAnswer'),
                description: 'one for each shot, in their order',
            ),
        ],
    ),
]
final class BayFeedController
{
    #[
        OA\Post(
            path: '/api/bays/{bay}/shots', operationId: 'feed.store', summary: 'Posts one shot, or up to 50',
            security: [['bay' => []]],
            parameters: [new OA\Parameter(name: 'bay', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))],
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    oneOf: [
                        new OA\Schema(ref: '#/components/schemas/PostedShot'),
                        new OA\Schema(
                            type: 'object', required: ['shots'],
                            properties: [
                                new OA\Property(property: 'session', type: 'string', description: 'for shots that name none'),
                                new OA\Property(property: 'sentAt', type: 'string', description: 'for shots that name none'),
                                new OA\Property(property: 'source', type: 'string', description: 'for shots that name none'),
                                new OA\Property(
                                    property: 'shots', type: 'array', minItems: 1, maxItems: 50,
                                    items: new OA\Items(ref: '#/components/schemas/PostedShot'),
                                ),
                            ],
                        ),
                    ],
                ),
            ),
            responses: [
                new OA\Response(
                    response: 200, description: 'Each shot has an answer of its own; at least one of them is stored or held',
                    content: new OA\JsonContent(ref: '#/components/schemas/PostedAnswers'),
                ),
                new Answer('Problem', 401, 'The token does not open this bay'),
                new Answer(
                    'Problem', 422,
                    'No shot of the post can ever be read: nothing was taken; says what is wrong, and the answer of each '
                        .'where there are shots',
                ),
                new Answer('Problem', 409, 'Others were writing the same rows all the time: nothing was taken; send it again'),
                new Answer('Problem', 500, 'A fault of ours: nothing of the post was taken; send it again'),
                new Answer('Problem', 503, 'The disk is nearly full: nothing was taken; send again after the seconds in Retry-After'),
                new Answer('Problem', 429, 'Too many posts; try again after the seconds in Retry-After'),
            ],
        ),
    ]
    public function store(Request $request, TakeShots $take): JsonResponse
    {
        // As it was sent: the framework trims the texts of a body that it reads itself.
        $post = Post::read((string) $request->getContent());
        $results = $take(self::bay($request), $post);
        if (array_filter($results, static fn (array $answer): bool => $answer['status'] !== 'refused') !== []) {
            return response()->json(['results' => $results]);
        }
        $why = implode(' ', array_unique(array_map(static fn (array $answer): string => (string) $answer['reason'], $results)));

        return response()->json(['message' => "{$why} Nothing was taken.", 'errors' => ['shots' => [$why]], 'results' => $results], 422);
    }

    /** What is in the player's hand now: for a simulated monitor, which has to hit with it. */
    #[
        OA\Get(
            path: '/api/bays/{bay}/hand', operationId: 'feed.hand',
            summary: 'What is in the player’s hand, for a simulated monitor', security: [['bay' => []]],
            responses: [
                new Answer('{ trial: null } | Record<string, unknown>'),
                new Answer('Problem', 401, 'The token does not open this bay'),
                new Answer('Problem', 403, 'This studio takes no simulated shots'),
                new Answer('Problem', 429, 'Too many posts; try again after the seconds in Retry-After'),
            ],
        ),
    ]
    public function hand(Request $request): JsonResponse
    {
        $bay = self::bay($request);
        abort_unless(
            $bay->studio->takesSimulated(), 403,
            'This studio takes no simulated shots. They are switched on in the bay, on its screen.',
        );
        $fitting = $bay->fitting;
        $trial = $fitting?->running_trial_id === null ? null : Trial::query()->find($fitting->running_trial_id);
        $setup = $trial === null ? null : Setup::query()->with(Setup::MADE_OF)->find($trial->setup_id);

        return response()->json(
            $fitting === null || $trial === null || $setup === null
                ? ['trial' => null]
                : ['trial' => $trial->number] + SimulatedSetup::describe($fitting, $setup),
        );
    }

    private static function bay(Request $request): Bay
    {
        $bay = $request->attributes->get('bay');

        return $bay instanceof Bay ? $bay : throw new \LogicException('The bay feed is only reached through its token.');
    }
}
