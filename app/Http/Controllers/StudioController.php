<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Controllers\Concerns\TakesFile;
use App\Judged\StudioLearning;
use App\Models\Memory;
use App\Models\Studio;
use App\Words\Words;
use DateTimeZone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Booking\AppointmentKinds;
use MintCarry\Core\Booking\LocalTime;
use MintCarry\Core\Booking\OpeningHours;
use MintCarry\Core\Memory\StudioMemory;
use OpenApi\Attributes as OA;

/** What holds for a whole studio. */
final class StudioController
{
    use NamesUser;
    use TakesFile;

    private const MEMORY_FORMAT = 'mint-carry-memory/1';

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

    /** For the studios of a chain. It names no player; once given, it cannot be called back. */
    #[OA\Get(path: '/api/studio/memory/file', operationId: 'studio.memory', summary: 'What fittings showed of the heads, as a file for other studios',
        responses: [new Answer('{ format: string; memory: Record<string, unknown> }')])]
    public function giveMemory(Request $request): JsonResponse
    {
        $given = Memory::latest(self::user($request)->studio)->content['given'] ?? throw ValidationException::withMessages([
            'memory' => 'Nothing was learned yet that could be given away. Learn now, or tomorrow.',
        ]);

        return response()->json(
            ['format' => self::MEMORY_FORMAT, 'memory' => $given], 200, ['Content-Disposition' => 'attachment; filename="memory.json"'],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE,
        );
    }

    /** What others know of heads that this studio has not hit in five fittings; what it took in before is replaced. */
    #[OA\Post(path: '/api/studio/memory/file', operationId: 'studio.takeMemory', summary: 'Takes in what other studios know of their heads',
        requestBody: new Takes(['file' => 'string'], isForm: true), responses: [new Answer('StudioRules')])]
    public function takeMemory(Request $request, StudioLearning $learning): JsonResponse
    {
        [$bytes] = self::file($request, 'a file of a studio’s memory', 2);
        $given = json_decode($bytes, true, 16);
        $memory = is_array($given) && ($given['format'] ?? null) === self::MEMORY_FORMAT && is_array($given['memory'] ?? null)
            ? StudioMemory::from($given['memory']) : null;
        if ($memory === null) {
            throw ValidationException::withMessages([
                'file' => 'This is no memory of a studio (docs/schemas/memory.schema.json). Nothing was taken in; all stays as it was.',
            ]);
        }
        $studio = self::user($request)->studio;
        $studio->update(['memory_of_others' => $memory->forOthers()->toArray()]);
        $learning->learn($studio);

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
                    'elsewhere' => count(array_filter(array_column($memory->content['heads'], 'elsewhere'))),
                    'at' => $memory->created_at->toIso8601String(),
                ],
        ];
    }
}
