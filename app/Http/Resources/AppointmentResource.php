<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Appointment;
use DateTimeZone;

/** An appointment as the calendar shows it: moments, and the same by the clock on the studio's wall. */
final class AppointmentResource
{
    /** @return array<string, mixed> */
    public static function of(Appointment $a, DateTimeZone $zone): array
    {
        $start = $a->starts_at->toDateTimeImmutable()->setTimezone($zone);
        $end = $a->ends_at->toDateTimeImmutable()->setTimezone($zone);

        return [
            'id' => $a->id, 'version' => $a->version, 'kind' => $a->kind, 'day' => $start->format('Y-m-d'), 'time' => $start->format('H:i'),
            'until' => $end->format('H:i'), 'start' => $a->starts_at->toIso8601String(),
            'minutes' => (int) round($a->starts_at->diffInMinutes($a->ends_at)), 'swings' => $a->swings,
            'bay' => $a->bay === null ? null : ['id' => $a->bay->id, 'name' => $a->bay->name],
            'fitter' => $a->fitter === null ? null : ['id' => $a->fitter->id, 'name' => $a->fitter->name],
            'player' => $a->player === null ? null : [
                'id' => $a->player->id, 'name' => $a->player->name, 'hand' => $a->player->hand->value, 'language' => $a->player->language,
            ],
            'fittingId' => $a->fitting_id, 'state' => $a->state, 'note' => $a->note,
        ];
    }
}
