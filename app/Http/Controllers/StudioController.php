<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\NamesUser;
use App\Judged\StudioLearning;
use App\Models\Memory;
use App\Models\Studio;
use App\Words\Words;
use DateTimeZone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use MintCarry\Core\Booking\AppointmentKinds;
use MintCarry\Core\Booking\LocalTime;
use MintCarry\Core\Booking\OpeningHours;
use OpenApi\Attributes as OA;

/** What holds for a whole studio. */
final class StudioController
{
    use NamesUser;

    /** Switches simulated shots and stand-in readings on or off. Those that are there stay, and stay marked. */
    #[OA\Patch(path: '/api/studio', operationId: 'studio.update', summary: 'Switches simulated shots and stand-in readings on or off',
        requestBody: new Takes(['takesSimulated' => 'boolean']),
        responses: [new Answer('{ takesSimulated: boolean }')])]
    public function update(Request $request): JsonResponse
    {
        $given = $request->validate(['takesSimulated' => ['required', 'boolean']]);
        $studio = self::user($request)->studio;
        $studio->update(['takes_simulated' => (bool) $given['takesSimulated']]);

        return response()->json(['takesSimulated' => $studio->takesSimulated()]);
    }

    #[OA\Get(path: '/api/studio/rules', operationId: 'studio.rules', summary: 'What the owner has decided for the studio',
        responses: [new Answer('StudioRules')])]
    public function rules(Request $request): JsonResponse
    {
        return response()->json(self::describe(self::user($request)->studio));
    }

    #[OA\Put(path: '/api/studio/rules', operationId: 'studio.rule', summary: 'Changes what the owner has decided',
        requestBody: new Takes([
            'lockMinutes?' => 'integer', 'wantsSecondFactor?' => 'boolean', 'retentionMonths?' => 'integer | null',
            'consentText?' => 'string | null', 'remembers?' => 'boolean',
            'timeZone?' => 'string', 'language?' => 'string', 'openingHours?' => '[string, string][][]', 'appointmentKinds?' => 'AppointmentKind[]',
        ]),
        responses: [new Answer('StudioRules')])]
    public function rule(Request $request): JsonResponse
    {
        $given = $request->validate([
            'lockMinutes' => ['sometimes', 'integer', 'between:2,720'], 'wantsSecondFactor' => ['sometimes', 'boolean'],
            'retentionMonths' => ['sometimes', 'nullable', 'integer', 'between:1,240'],
            'consentText' => ['sometimes', 'nullable', 'string', 'max:4000'], 'timeZone' => ['sometimes', 'string', 'max:64'],
            'remembers' => ['sometimes', 'boolean'],
            'language' => ['sometimes', Rule::in(Words::languages())], 'openingHours' => ['sometimes', 'array'], 'appointmentKinds' => ['sometimes', 'array'],
        ]);
        $columns = [
            'lockMinutes' => 'lock_minutes', 'wantsSecondFactor' => 'wants_second_factor', 'retentionMonths' => 'retention_months',
            'consentText' => 'consent_text', 'timeZone' => 'time_zone', 'language' => 'language', 'openingHours' => 'opening_hours',
            'appointmentKinds' => 'appointment_kinds', 'remembers' => 'remembers',
        ];
        $studio = self::user($request)->studio;
        foreach ($given as $name => $value) {
            $studio->setAttribute($columns[$name], match ($name) {
                'timeZone' => LocalTime::zone((string) $value)->getName(), 'openingHours' => OpeningHours::of((array) $value)->spans,
                'appointmentKinds' => AppointmentKinds::of((array) $value),
                // The usual words are told in each player's language.
                'consentText' => $value === Studio::CONSENT ? null : $value, default => $value,
            });
        }
        $studio->save();

        return response()->json(self::describe($studio));
    }

    /** Learns at once what the worker would learn at night. Nothing that was begun moves by it. */
    #[OA\Post(path: '/api/studio/memory', operationId: 'studio.learn', summary: 'Learns now what fittings showed of the heads',
        responses: [new Answer('StudioRules')])]
    public function learn(Request $request, StudioLearning $learning): JsonResponse
    {
        $studio = self::user($request)->studio;
        $learning->learn($studio);

        return response()->json(self::describe($studio));
    }

    #[OA\Delete(path: '/api/studio/memory', operationId: 'studio.forget', summary: 'Forgets what fittings showed of the heads',
        responses: [new Answer('StudioRules')])]
    public function forget(Request $request, StudioLearning $learning): JsonResponse
    {
        $studio = self::user($request)->studio;
        $learning->forget($studio);

        return response()->json(self::describe($studio));
    }

    /** @return array<string, mixed> */
    private static function describe(Studio $studio): array
    {
        $memory = Memory::latest($studio);

        return [
            'lockMinutes' => $studio->lock_minutes, 'wantsSecondFactor' => $studio->wants_second_factor,
            'retentionMonths' => $studio->retention_months, 'consentText' => $studio->consent_text ?? Studio::CONSENT,
            'timeZone' => $studio->time_zone, 'language' => $studio->language, 'timeZones' => DateTimeZone::listIdentifiers(), 'openingHours' => $studio->hours()->spans,
            'appointmentKinds' => $studio->kinds(), 'remembers' => $studio->remembers,
            'memory' => $memory === null
                ? null
                : [
                    'version' => $memory->version, 'fittings' => $memory->content['fittings'], 'heads' => count($memory->content['heads']),
                    'at' => $memory->created_at->toIso8601String(),
                ],
        ];
    }
}
