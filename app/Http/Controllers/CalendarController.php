<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Calendar\Calendar;
use App\Calendar\Ics;
use App\Contract\Answer;
use App\Contract\Asks;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\AppointmentResource;
use App\Models\Appointment;
use App\Models\Bay;
use App\Models\CalendarFeed;
use App\Models\User;
use App\Support\Secret;
use App\Support\Transaction;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** Days as they are on the studio's wall, and the secret address at which a calendar elsewhere finds the same. */
final class CalendarController
{
    use NamesUser;

    /** What a feed carries, in days before and after now. */
    private const FEED_DAYS = [60, 366];

    #[OA\Get(path: '/api/calendar', operationId: 'calendar.show', summary: 'Appointments of some days, and who and what there is to book',
        parameters: [new Asks('from', 'string', 'the first day, 2026-11-27; this week’s Monday where it is left out'),
            new Asks('days', 'integer', '1 to 14')],
        responses: [new Answer('CalendarDays')])]
    public function show(Request $request): JsonResponse
    {
        $given = $request->validate(['from' => ['sometimes', 'date_format:Y-m-d', 'after:2000-01-01', 'before:2099-12-01'], 'days' => ['sometimes', 'integer', 'between:1,14']]);
        $studio = self::user($request)->studio;
        $today = now()->toDateTimeImmutable()->setTimezone($studio->zone());
        $from = $given['from'] ?? $today->modify('-'.($today->format('N') - 1).' days')->format('Y-m-d');
        $days = Calendar::days($studio, $from, (int) ($given['days'] ?? 7));
        $appointments = Appointment::query()->where('studio_id', $studio->id)->where('starts_at', '<', $days[count($days) - 1]['end'])
            ->where('ends_at', '>', $days[0]['start'])->with(['bay', 'fitter', 'player'])->orderBy('starts_at')->orderBy('id')->get();

        return response()->json([
            'zone' => $studio->time_zone, 'today' => $today->format('Y-m-d'), 'now' => $today->format('H:i'),
            'days' => array_map(static fn (array $d): array => ['date' => $d['date'], 'open' => $d['open']], $days),
            'bays' => Bay::query()->where('studio_id', $studio->id)->orderBy('id')->get(['id', 'name'])->toArray(),
            'fitters' => User::query()->where('studio_id', $studio->id)->whereNull('removed_at')->whereIn('role', ['owner', 'fitter'])
                ->orderBy('id')->get(['id', 'name'])->toArray(),
            'kinds' => $studio->kinds(), 'hasFeed' => CalendarFeed::of(self::user($request)) !== null,
            'appointments' => $appointments->map(static fn (Appointment $a): array => AppointmentResource::of($a, $studio->zone()))->all(),
        ]);
    }

    /** A new secret address; the one before opens nothing any more. */
    #[OA\Post(path: '/api/calendar/feed', operationId: 'calendar.feed', summary: 'A secret address for a calendar of one’s own',
        responses: [new Answer('{ path: string }', 201)])]
    public function feed(Request $request): JsonResponse
    {
        $user = self::user($request);
        $token = Secret::make();
        Transaction::run(function () use ($user, $token): void {
            User::query()->whereKey($user->id)->lockForUpdate()->value('id');
            CalendarFeed::query()->where('user_id', $user->id)->whereNull('revoked_at')->update(['revoked_at' => now()]);
            CalendarFeed::query()->create([
                'studio_id' => $user->studio_id, 'user_id' => $user->id, 'token_hash' => hash('sha256', $token),
            ]);
        });

        return response()->json(['path' => "/api/feeds/{$token}.ics"], 201);
    }

    #[OA\Delete(path: '/api/calendar/feed', operationId: 'calendar.unfeed', summary: 'Closes that address',
        responses: [new Answer('{ ended: integer }')])]
    public function unfeed(Request $request): JsonResponse
    {
        $ended = CalendarFeed::query()->where('user_id', self::user($request)->id)->whereNull('revoked_at')->update(['revoked_at' => now()]);

        return response()->json(['ended' => $ended]);
    }

    /**
     * What a calendar program reads: no session, the address is the secret. A fitter's own appointments, or for
     * others the whole studio's.
     */
    #[OA\Get(path: '/api/feeds/{token}.ics', operationId: 'calendar.ics', summary: 'Appointments as iCalendar (RFC 5545)', security: [],
        responses: [new Answer('text/calendar'), new OA\Response(response: 404, description: 'no such address, or not any more'), new OA\Response(response: 503, description: 'the database is away')])]
    public function ics(string $token): Response
    {
        $feed = CalendarFeed::open($token);
        abort_if($feed === null, 404);
        $appointments = Appointment::query()->where('studio_id', $feed->studio_id)
            ->when($feed->user->role->value === 'fitter', fn ($q) => $q->where('fitter_id', $feed->user_id))
            ->whereBetween('starts_at', [now()->subDays(self::FEED_DAYS[0]), now()->addDays(self::FEED_DAYS[1])])
            ->with(['bay', 'player', 'studio'])->orderBy('starts_at')->orderBy('id')->get();

        return response(Ics::feed($feed->user->studio, $appointments), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'no-store', 'Referrer-Policy' => 'no-referrer',
        ]);
    }
}
