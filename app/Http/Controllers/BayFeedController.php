<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TakeShots;
use App\Models\Bay;
use App\Models\Setup;
use App\Models\Trial;
use App\Support\InHand;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** What a launch monitor talks to, with the token of its bay. */
#[OA\Info(version: '1', title: 'Mint Carry: bay feed', description: 'A launch monitor posts its shots to the bay it stands in. Angles in degrees, direction and side + right, strike + toward the toe and + high. A bare number is in the unit that its field names; {value, unit} says another.')]
#[OA\SecurityScheme(securityScheme: 'bay', type: 'http', scheme: 'bearer', description: 'The token of one bay, made on the bay screen. Header only.')]
#[OA\Schema(schema: 'Quantity', oneOf: [
    new OA\Schema(type: 'number', description: 'in the unit that the field names'),
    new OA\Schema(type: 'object', required: ['value'], properties: [
        new OA\Property(property: 'value', oneOf: [new OA\Schema(type: 'number'), new OA\Schema(type: 'string')]),
        new OA\Property(property: 'unit', type: 'string', enum: ['m/s', 'mph', 'km/h', 'ft/s', 'kn', 'm', 'yd', 'ft', 'in', 'cm', 'mm', 'deg', 'rad', 'rpm', 's', 'ratio', '%']),
    ]),
])]
#[OA\Schema(schema: 'Shot', type: 'object', required: ['id', 'values'], properties: [
    new OA\Property(property: 'id', type: 'string', maxLength: 64, description: 'The sender’s own id of this shot. Sending it again is safe: the answer is that of the first time.'),
    new OA\Property(property: 'sequence', type: 'integer', minimum: 0, description: 'The sender’s count; shots that come late or out of order keep this order, and the setup they were hit with.'),
    new OA\Property(property: 'at', type: 'string', maxLength: 60, description: 'When it was hit, as the monitor writes it. In ISO 8601 with its zone (2026-05-03T10:42:07Z) it lets a shot that the network kept back be laid to the setup it was hit with; the clock may be wrong.'),
    new OA\Property(property: 'values', type: 'object', description: 'At least ballSpeedMps, launchDeg and spinRpm; also clubSpeedMps, smash, attackDeg, pathDeg, faceDeg, dynamicLoftDeg, directionDeg, spinAxisDeg, backSpinRpm, sideSpinRpm, carryM, totalM, sideM, apexM, descentDeg, hangTimeS, strikeToeMm, strikeHighMm.', additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/Quantity')),
])]
#[OA\Schema(schema: 'Answer', type: 'object', required: ['id', 'status', 'shot', 'reason'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'status', type: 'string', enum: ['stored', 'held'], description: 'held: kept whole in the bay’s tray for the fitter, with the reason; never dropped'),
    new OA\Property(property: 'shot', type: 'integer', nullable: true),
    new OA\Property(property: 'reason', type: 'string', nullable: true),
])]
final class BayFeedController
{
    #[OA\Post(path: '/api/bays/{bay}/shots', summary: 'Posts one shot, or up to 50', security: [['bay' => []]],
        parameters: [new OA\Parameter(name: 'bay', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(oneOf: [
            new OA\Schema(ref: '#/components/schemas/Shot'),
            new OA\Schema(type: 'object', required: ['shots'], properties: [new OA\Property(property: 'shots', type: 'array', minItems: 1, maxItems: 50, items: new OA\Items(ref: '#/components/schemas/Shot'))]),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'Every shot is safe: stored or held', content: new OA\JsonContent(type: 'object', properties: [new OA\Property(property: 'results', type: 'array', items: new OA\Items(ref: '#/components/schemas/Answer'))])),
            new OA\Response(response: 401, description: 'The token does not open this bay'),
            new OA\Response(response: 422, description: 'The body is no shot: nothing was taken; says what is wrong'),
            new OA\Response(response: 503, description: 'The disk is nearly full: nothing was taken; send again after the seconds in Retry-After'),
            new OA\Response(response: 429, description: 'Too many posts; try again after the seconds in Retry-After'),
        ])]
    public function store(Request $request, TakeShots $take): JsonResponse
    {
        $body = $request->json()->all();
        $shots = array_key_exists('shots', $body) ? $body['shots'] : [$body];
        if (! is_array($shots) || ! array_is_list($shots) || $shots === [] || count($shots) > 50) {
            throw ValidationException::withMessages(['shots' => 'Send one shot, or a list of 1 to 50 under "shots". Nothing was taken.']);
        }
        $read = [];
        foreach ($shots as $i => $shot) {
            $shot = is_array($shot) ? $shot : [];
            $id = $shot['id'] ?? null;
            if (! is_string($id) || $id === '' || mb_strlen($id) > 64) {
                throw ValidationException::withMessages(["shots.{$i}.id" => 'Shot '.($i + 1).' needs an id of 1 to 64 letters, the same each time it is sent. Nothing was taken.']);
            }
            if (! is_array($shot['values'] ?? null)) {
                throw ValidationException::withMessages(["shots.{$i}.values" => 'Shot '.($i + 1).' needs its values as an object. Nothing was taken.']);
            }
            $sequence = $shot['sequence'] ?? null;
            $at = $shot['at'] ?? null;
            $read[] = ['id' => $id, 'sequence' => is_int($sequence) && $sequence >= 0 ? $sequence : null, 'at' => is_string($at) ? mb_substr($at, 0, 60) : null, 'values' => $shot['values']];
        }

        return response()->json(['results' => $take(self::bay($request), $read)]);
    }

    /** What is in the player's hand now: for a simulated monitor, which has to hit with it. */
    public function hand(Request $request): JsonResponse
    {
        $fitting = self::bay($request)->fitting;
        $trial = $fitting?->running_trial_id === null ? null : Trial::query()->find($fitting->running_trial_id);
        $setup = $trial === null ? null : Setup::query()->with(Setup::MADE_OF)->find($trial->setup_id);

        return response()->json($fitting === null || $trial === null || $setup === null ? ['trial' => null] : ['trial' => $trial->number] + InHand::describe($fitting, $setup));
    }

    private static function bay(Request $request): Bay
    {
        $bay = $request->attributes->get('bay');

        return $bay instanceof Bay ? $bay : throw new \LogicException('The bay feed is only reached through its token.');
    }
}
