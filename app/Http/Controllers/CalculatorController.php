<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use MintCarry\Core\Record\Item;
use MintCarry\Core\Report\Calculator;
use OpenApi\Attributes as OA;

/** The calculators: what `bin/mint` works out from the same JSON. No fitting, and nothing is stored. */
final class CalculatorController
{
    private const AIR = '{ temperatureC?: number; altitudeM?: number; humidity?: number; pressureHpa?: number; windSpeedMps?: number; windFromDeg?: number }';

    private const HEAD = '{ preset?: string; loftDeg?: number; massG?: number; cgToeMm?: number; cgBackMm?: number; cgUpMm?: number }';

    private const SHAFT = '{ massG?: number; balanceFromButtMm?: number; rawMassG?: number; rawBalanceFromButtMm?: number; rawLengthMm?: number }';

    private const TURF = "'soft' | 'medium' | 'firm'";

    #[OA\Post(path: '/api/calculate/flight', operationId: 'calculate.flight', summary: 'Flies a ball',
        requestBody: new Takes([
            'ballSpeedMps' => 'number', 'launchDeg' => 'number', 'spinRpm' => 'number', 'directionDeg?' => 'number',
            'spinAxisDeg?' => 'number',
            'air?' => self::AIR, 'turf?' => self::TURF, 'riseM?' => 'number', 'slopeDeg?' => 'number',
        ]), responses: [new Answer('CalculatedFlight')])]
    public function flight(Request $request): JsonResponse
    {
        return self::answer('flight', $request);
    }

    #[OA\Post(path: '/api/calculate/window', operationId: 'calculate.window', summary: 'The loft for a speed and an attack',
        requestBody: new Takes(['clubSpeedMps' => 'number', 'attackDeg?' => 'number', 'head?' => self::HEAD, 'air?' => self::AIR,
            'turf?' => self::TURF]),
        responses: [new Answer('CalculatedWindow')])]
    public function window(Request $request): JsonResponse
    {
        return self::answer('window', $request);
    }

    #[OA\Post(path: '/api/calculate/plane', operationId: 'calculate.plane', summary: 'Loft, face and lie at every position of a sleeve',
        requestBody: new Takes([
            'head' => '{ loftDeg: number; lieDeg: number; faceOpenDeg?: number }', 'sleeve' => 'unknown', 'squares?' => 'number',
            'position?' => 'string',
            'readAs?' => 'string',
        ]), responses: [new Answer('CalculatedPlane')])]
    public function plane(Request $request): JsonResponse
    {
        return self::answer('plane', $request);
    }

    #[OA\Post(path: '/api/calculate/weights', operationId: 'calculate.weights', summary: 'A head with weights in it',
        requestBody: new Takes([
            'head' => 'unknown', 'slots' => '{ name: string; toeMm: number; backMm: number; upMm: number }[]',
            'masses' => 'Record<string, number>',
            'build?' => 'unknown',
        ]), responses: [new Answer('CalculatedWeights')])]
    public function weights(Request $request): JsonResponse
    {
        return self::answer('weights', $request);
    }

    #[OA\Post(path: '/api/calculate/swing', operationId: 'calculate.swing', summary: 'The swing weight of a club',
        requestBody: new Takes(['headMassG' => 'number', 'lengthMm' => 'number', 'gripMassG' => 'number', 'shaft?' => self::SHAFT,
            'buttG?' => 'number']),
        responses: [new Answer('CalculatedSwing')])]
    public function swing(Request $request): JsonResponse
    {
        return self::answer('swing', $request);
    }

    #[OA\Post(path: '/api/calculate/length', operationId: 'calculate.length',
        summary: 'A club brought to another length with its balance held',
        requestBody: new Takes([
            'headMassG' => 'number', 'lengthMm' => 'number', 'gripMassG' => 'number', 'shaft?' => self::SHAFT, 'buttG?' => 'number',
            'toLengthMm' => 'number',
            'toSwingWeight?' => 'string', 'toTotalG?' => 'number',
        ]), responses: [new Answer('LengthBalance')])]
    public function length(Request $request): JsonResponse
    {
        return self::answer('length', $request);
    }

    #[OA\Post(path: '/api/calculate/worth', operationId: 'calculate.worth',
        summary: 'What a degree, a mm, a gram, 100 rpm and the weather are worth',
        requestBody: new Takes([
            'clubSpeedMps' => 'number', 'attackDeg?' => 'number', 'dynamicLoftDeg?' => 'number', 'air?' => self::AIR, 'turf?' => self::TURF,
            'head?' => self::HEAD, 'hand?' => 'Hand', 'steps?' => '{ speedMps?: number; altitudeM?: number; windMps?: number }',
        ]), responses: [new Answer('CalculatedWorth')])]
    public function worth(Request $request): JsonResponse
    {
        return self::answer('worth', $request);
    }

    private static function answer(string $kind, Request $request): JsonResponse
    {
        return response()->json(Calculator::of($kind, Item::of($request->json()->all())));
    }
}
