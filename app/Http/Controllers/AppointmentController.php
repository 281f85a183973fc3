<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Calendar\Calendar;
use App\Calendar\Ics;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Requests\AppointmentRequest;
use App\Http\Resources\AppointmentResource;
use App\Journal\Journal;
use App\Models\Appointment;
use App\Models\Bay;
use App\Models\Fitting;
use App\Models\Intake;
use App\Models\Player;
use App\Models\Studio;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Booking\Booking;
use MintCarry\Core\Booking\LocalTime;
use MintCarry\Core\Fitting\Brief;
use OpenApi\Attributes as OA;

/** Booking, moving and calling off. The studio's row is locked meanwhile: of two screens that want the same hour, one gets it. */
final class AppointmentController
{
    use NamesUser;

    public function __construct(private readonly Journal $journal)
    {
    }

    private const SAID = [
        'day?' => 'string', 'time?' => 'string', 'minutes?' => 'integer', 'kind?' => 'string', 'swings?' => 'integer',
        'bayId?' => 'integer | null', 'fitterId?' => 'integer | null', 'playerId?' => 'integer | null', 'name?' => 'string | null',
        'hand?' => 'Hand | null', 'units?' => 'UnitChoice', 'note?' => 'string | null', 'language?' => 'string | null', 'state?' => 'string', 'outside?' => 'boolean',
    ];

    #[OA\Post(path: '/api/appointments', operationId: 'appointment.store', summary: 'Books', requestBody: new Takes(self::SAID),
        responses: [new Answer('Appointment', 201)])]
    public function store(AppointmentRequest $request): JsonResponse
    {
        $user = self::user($request);
        $appointment = $this->journal->record(
            $user->studio, $user, fn (Appointment $a): string => 'booked '.self::words($a, $user->studio),
            fn (): Appointment => $this->keep(new Appointment(['studio_id' => $user->studio_id]), $request, $user->studio),
        );

        return response()->json(AppointmentResource::of($appointment, $user->studio->zone()), 201);
    }

    /** Somebody else's newer version is never overwritten: the answer is 409 with what stands now. */
    #[OA\Patch(path: '/api/appointments/{appointment}', operationId: 'appointment.update', summary: 'Moves, changes or calls off',
        requestBody: new Takes(['version' => 'integer'] + self::SAID), responses: [new Answer('Appointment')])]
    public function update(AppointmentRequest $request, Appointment $appointment): JsonResponse
    {
        $user = self::user($request);
        $studio = $user->studio;
        $wanted = (int) $request->validated('version');
        [$now, $isNewer] = $this->journal->record(
            $studio, $user,
            fn (array $r): string => $r[1] ? 'changed nothing' : self::done($request).' '.self::words($r[0], $studio),
            function () use ($request, $appointment, $studio, $wanted): array {
                $now = Appointment::query()->lockForUpdate()->findOrFail($appointment->id);
                if ($now->version !== $wanted) {
                    return [$now->load(['bay', 'fitter', 'player']), true];
                }

                return [$this->keep($now, $request, $studio), false];
            },
        );
        $body = AppointmentResource::of($now, $studio->zone());

        return $isNewer
            ? response()->json(['message' => 'It was changed on another screen meanwhile. Look at both and save again.', 'current' => $body], 409)
            : response()->json($body);
    }

    #[OA\Get(path: '/api/appointments/{appointment}/calendar.ics', operationId: 'appointment.ics', summary: 'For the player’s own calendar',
        responses: [new Answer('text/calendar')])]
    public function ics(Appointment $appointment): Response
    {
        return response(Ics::forPlayer($appointment->load(['bay', 'studio'])), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8', 'Content-Disposition' => 'attachment; filename="appointment.ics"',
        ]);
    }

    /** The player is here: begins the fitting with the budget that was booked, or finds the one that was begun. */
    #[OA\Post(path: '/api/appointments/{appointment}/fitting', operationId: 'appointment.fitting', summary: 'Begins its fitting',
        responses: [new Answer('{ fittingId: integer }', 201), new Answer('{ fittingId: integer }', 200, 'it was begun already')])]
    public function fitting(Request $request, Appointment $appointment): JsonResponse
    {
        $user = self::user($request);
        $wasBegun = $appointment->fitting_id !== null && Fitting::query()->whereKey($appointment->fitting_id)->exists();
        $id = $wasBegun ? (int) $appointment->fitting_id : $this->journal->record(
            $user->studio, $user, 'began '.self::words($appointment->load('player'), $user->studio),
            function () use ($appointment): int {
                $now = Appointment::query()->lockForUpdate()->findOrFail($appointment->id);
                if ($now->player_id === null || $now->state === 'cancelled' || $now->player?->trashed()) {
                    throw ValidationException::withMessages(['appointment' => $now->player_id === null
                        ? 'Nobody comes then: name the player first.'
                        : 'This was called off, or its player was thrown away. Nothing was begun.']);
                }
                if ($now->fitting_id !== null && Fitting::query()->whereKey($now->fitting_id)->exists()) {
                    return $now->fitting_id;
                }
                $fitting = new Fitting(['studio_id' => $now->studio_id, 'player_id' => $now->player_id, 'typed' => []]);
                $minutes = $now->booking()->start->diff($now->booking()->end);
                $fitting->setBrief(new Brief(swings: $now->swings, minutes: $minutes->h * 60 + $minutes->i));
                $fitting->save();
                Intake::waiting($now->player_id)?->draft($fitting);
                $now->update(['fitting_id' => $fitting->id, 'state' => 'came', 'version' => $now->version + 1]);

                return $fitting->id;
            },
        );

        return response()->json(['fittingId' => $id], $wasBegun ? 200 : 201);
    }

    /** Within the lock of the studio. */
    private function keep(Appointment $appointment, AppointmentRequest $request, Studio $studio): Appointment
    {
        $said = $request->validated();
        $zone = $studio->zone();
        $was = $appointment->exists ? AppointmentResource::of($appointment->load(['bay', 'fitter', 'player']), $zone) : null;
        $isMoved = $was === null || array_intersect_key($said, ['day' => 1, 'time' => 1, 'minutes' => 1]) !== [];
        $bayId = array_key_exists('bayId', $said) ? self::ofStudio(Bay::class, $said['bayId'], $studio, 'bayId', 'bay') : $appointment->bay_id ?? null;
        $fitterId = array_key_exists('fitterId', $said)
            ? self::ofStudio(User::class, $said['fitterId'], $studio, 'fitterId', 'fitter') : $appointment->fitter_id ?? null;
        $playerId = array_key_exists('playerId', $said)
            ? self::ofStudio(Player::class, $said['playerId'], $studio, 'playerId', 'player') : $appointment->player_id ?? null;
        $name = trim((string) ($said['name'] ?? ''));
        if ($name !== '' && $playerId === null) {
            $playerId = Player::query()->create([
                'studio_id' => $studio->id, 'name' => $name, 'hand' => $said['hand'],
                'units' => $said['units'] ?? ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'],
            ])->id;
        }
        // In which language they are written to.
        if ($playerId !== null && isset($said['language'])) {
            Player::query()->whereKey($playerId)->firstOrFail()->update(['language' => $said['language']]);
        }
        $start = $isMoved
            ? LocalTime::at((string) ($said['day'] ?? $was['day'] ?? ''), (string) ($said['time'] ?? $was['time'] ?? ''), $zone)
            : $appointment->starts_at->toDateTimeImmutable();
        $booking = Booking::of($start, (int) ($said['minutes'] ?? $was['minutes'] ?? 0), $bayId, $fitterId, $playerId);
        $state = (string) ($said['state'] ?? $appointment->state);
        if ($state !== 'cancelled') {
            Calendar::requireFree($studio, $booking, $appointment->exists ? $appointment->id : null);
            if ($isMoved) {
                Calendar::requireOpen($studio, $booking, (bool) ($said['outside'] ?? false));
            }
        }
        $appointment->fill([
            'bay_id' => $bayId, 'fitter_id' => $fitterId, 'player_id' => $playerId, 'starts_at' => $booking->start,
            'ends_at' => $booking->end,
            'kind' => (string) ($said['kind'] ?? $appointment->kind), 'swings' => (int) ($said['swings'] ?? $appointment->swings),
            'note' => (string) ($said['note'] ?? $appointment->note), 'state' => $state,
        ]);
        if ($appointment->exists && $appointment->isDirty()) {
            $appointment->fill(['version' => $appointment->version + 1, 'revision' => $appointment->revision + 1]);
        }
        $appointment->save();

        return $appointment->load(['bay', 'fitter', 'player']);
    }

    /** @param  class-string<Bay|User|Player>  $model */
    private static function ofStudio(string $model, mixed $id, Studio $studio, string $field, string $what): ?int
    {
        if ($id === null) {
            return null;
        }
        $found = $model::query()->where('studio_id', $studio->id)->whereKey((int) $id)->exists();

        return $found ? (int) $id : throw ValidationException::withMessages([$field => "There is no such {$what} in this studio."]);
    }

    private static function done(AppointmentRequest $request): string
    {
        return match ($request->validated('state')) {
            'cancelled' => 'called off', 'came' => 'noted as here', 'missed' => 'noted as missed', default => 'changed'
        };
    }

    private static function words(Appointment $a, Studio $studio): string
    {
        $at = $a->starts_at->toDateTimeImmutable()->setTimezone($studio->zone())->format('j F H:i');

        return "{$a->kind}".($a->player === null ? '' : " of {$a->player->name}").", {$at}";
    }
}
