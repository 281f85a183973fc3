<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\SignInThrottle;
use App\Actions\TakeIntake;
use App\Actions\TellRound;
use App\Calendar\Ics;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Requests\IntakeRequest;
use App\Http\Requests\RoundRequest;
use App\Models\Appointment;
use App\Models\Intake;
use App\Models\PlayerLink;
use App\Models\Round;
use App\Models\Studio;
use App\Reports\Pdf;
use App\Reports\PlayerPage;
use App\Support\Transaction;
use App\Words\PlayersLanguage;
use App\Words\Words;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Log;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\PlayersWords;
use OpenApi\Attributes as OA;

/** What a player does by a private link. The secret is in what is sent, never in an address that a log could keep. */
final class ForPlayerController
{
    public function __construct(private readonly SignInThrottle $throttle)
    {
    }

    #[OA\Post(path: '/api/for-player/look', operationId: 'forPlayer.look', summary: 'What a player’s link is for',
        requestBody: new Takes(['token' => 'string', 'language?' => 'string | null']), responses: [new Answer('LinkPage')])]
    public function look(Request $request): JsonResponse
    {
        $link = $this->link($request);
        if ($link->opened_at === null) {
            $link->update(['opened_at' => now()]);
        }
        $chosen = $request->string('language')->limit(8, '')->value();
        if ($chosen !== ($link->language ?? '') && in_array($chosen, Words::languages(), true)) {
            $link->update(['language' => $chosen]);
        }
        $words = PlayersLanguage::of($request, $link);

        return response()->json([
            'kind' => $link->kind, 'studio' => $link->studio->name, 'language' => $words->language, 'languages' => Words::languages(),
            'units' => $link->player->units, 'until' => $link->ends_at->toIso8601String(),
            'today' => now()->setTimezone($link->studio->zone())->format('Y-m-d'),
        ] + match ($link->kind) {
            'intake' => ['intake' => $this->intakePage($link, $words)],
            'rounds' => ['rounds' => self::roundsPage($link)],
            'report' => ['report' => PlayerPage::of($link->fitting ?? throw self::refused('token', $words->say('error.link')), $words)->toArray()],
            default => [],
        });
    }

    /**
     * Sent twice, by a phone that lost its answer, it is kept once. It may be answered again until the fitter begins; each version is kept.
     * An empty answer is none, and what is about the body is kept only with consent.
     */
    #[OA\Post(path: '/api/for-player/intake', operationId: 'forPlayer.intake', summary: 'What a player says before they come',
        requestBody: new Takes([
            'token' => 'string', 'language?' => 'string | null', 'key' => 'string', 'hand?' => 'Hand | null',
            'units?' => 'UnitChoice | null',
            'shape?' => 'string | null', 'miss?' => 'string | null', 'carry?' => 'number | null', 'handicap?' => 'number | null',
            'wants?' => 'string[]', 'never?' => 'string[]', 'wish?' => 'string | null', 'course?' => 'string | null',
            'turf?' => 'string | null',
            'width?' => 'string | null', 'left?' => 'string | null', 'right?' => 'string | null', 'club?' => 'string | null',
            'ball?' => 'string | null',
            'pain?' => 'string | null', 'consent?' => 'boolean', 'isMinor?' => 'boolean', 'guardian?' => 'string | null',
        ]),
        responses: [new Answer('{ sent: boolean }', 201), new Answer('{ sent: boolean }', 200, 'it was here already')])]
    public function intake(IntakeRequest $request, TakeIntake $take): JsonResponse
    {
        $link = $this->link($request, 'intake');
        $words = PlayersLanguage::of($request, $link);
        $key = $request->string('key')->value();
        try {
            $said = PlayersWords::of($request->said());
        } catch (InvalidInput $e) {
            throw self::refused($e->field, PlayersLanguage::refusal($e, $words, $request->input('units.distance') === 'yd'));
        }
        $who = $request->who(self::consentText($link->studio, $words), $words->language);
        if ($who['pain'] !== null && $who['consent'] === null) {
            throw self::refused('pain', $words->say('error.painConsent'));
        }
        if ($said->toArray() === [] && $who['hand'] === null && $who['consent'] === null) {
            throw self::refused('key', $words->say('error.nothing'));
        }
        $isNew = Transaction::run(function () use ($link, $take, $words, $said, $key, $who): bool {
            PlayerLink::query()->whereKey($link->id)->lockForUpdate()->value('id');
            $before = Intake::query()->where('link_id', $link->id)->latest('id')->first();
            $same = Intake::query()->where('link_id', $link->id)->where('sent_key', $key)->first();
            // The same key with other words is another answer, and would be lost.
            if ($same === null ? $before?->isBegun() === true : $same->said != $said->toArray() || $same->pain !== $who['pain']) {
                throw self::refused('token', $words->say('error.sentBefore'));
            }
            if ($same === null) {
                $take($link, $key, $said, $who);
            }

            return $same === null;
        });
        Log::info('intake sent', ['link' => $link->id, 'again' => ! $isNew]);

        return response()->json(['sent' => true], $isNew ? 201 : 200);
    }

    /** Asked for anew each time: what was decided since stands in it. */
    #[OA\Post(path: '/api/for-player/report.pdf', operationId: 'forPlayer.report', summary: 'The player’s report on paper',
        requestBody: new Takes(['token' => 'string', 'language?' => 'string | null', 'paper?' => "'A4' | 'Letter'"]),
        responses: [new Answer('application/pdf')])]
    public function report(Request $request): Response
    {
        $link = $this->link($request, 'report');
        $paper = $request->validate(['paper' => ['sometimes', Rule::in(Pdf::PAPERS)]])['paper'] ?? 'A4';
        $words = PlayersLanguage::of($request, $link);
        $fitting = $link->fitting ?? throw self::refused('token', $words->say('error.link'));
        $rounds = PlayerPage::roundsLink($fitting, $link->maker()->firstOrFail());

        return ReportController::pdf(PlayerPage::of($fitting, $words)->pdf($paper, $request->getSchemeAndHttpHost().$rounds->path()), $fitting, 'report');
    }

    /** A round, told on a phone in a minute. Sent twice it is kept once. */
    #[OA\Post(path: '/api/for-player/rounds', operationId: 'forPlayer.round', summary: 'A round that a player tells of',
        requestBody: new Takes(['token' => 'string', 'language?' => 'string | null'] + RoundRequest::SAID),
        responses: [new Answer('RoundsPage', 201), new Answer('RoundsPage', 200, 'it was here already')])]
    public function round(RoundRequest $request, TellRound $tell): JsonResponse
    {
        $link = $this->link($request, 'rounds');
        $words = PlayersLanguage::of($request, $link);
        try {
            $fitting = $link->fitting ?? throw InvalidInput::of('token', $words->say('error.link'));
            [, $isNew] = $tell($fitting, $request->played(), $request->beside(), $request->string('key')->value(), $link, null, $words);
        } catch (InvalidInput $e) {
            // What is about the day and the club is in their language already.
            $isTold = in_array($e->field, ['playedOn', 'club'], true);
            throw self::refused($e->field, $isTold ? $e->getMessage() : PlayersLanguage::refusal($e, $words, $request->input('unit') === 'yd'));
        }

        return response()->json(self::roundsPage($link), $isNew ? 201 : 200);
    }

    /** @return array<string, mixed> what they told themselves by this link, and courses that they named */
    private static function roundsPage(PlayerLink $link): array
    {
        $told = Round::query()->where('fitting_id', $link->fitting_id)->orderByDesc('played_on')->orderByDesc('id')->get();

        return [
            'told' => $told->where('link_id', $link->id)->map(static fn (Round $r): array => [
                'playedOn' => $r->played_on, 'course' => $r->course, 'club' => $r->club,
            ])->values()->all(),
            'courses' => $told->pluck('course')->unique()->values()->all(),
        ];
    }

    #[OA\Post(path: '/api/for-player/appointment', operationId: 'forPlayer.appointment', summary: 'The appointment for the player’s own calendar',
        requestBody: new Takes(['token' => 'string']), responses: [new Answer('text/calendar')])]
    public function appointment(Request $request): Response
    {
        $appointment = self::next($this->link($request, 'intake'));
        abort_if($appointment === null, 404);

        return response(Ics::forPlayer($appointment->load(['bay', 'studio'])), 200, ['Content-Type' => 'text/calendar; charset=utf-8']);
    }

    /** @return array<string, mixed> it says nothing of what the studio knows: the form is for writing alone */
    private function intakePage(PlayerLink $link, Words $words): array
    {
        $appointment = self::next($link);
        $sent = Intake::query()->where('link_id', $link->id)->latest('id')->first();

        return [
            'isSent' => $link->used_at !== null, 'mayAnswer' => $sent?->isBegun() !== true, 'consentText' => self::consentText($link->studio, $words),
            'appointment' => $appointment === null ? null : [
                'at' => $words->date($appointment->starts_at, $link->studio->zone()),
                'time' => $appointment->starts_at->toDateTimeImmutable()->setTimezone($link->studio->zone())->format('H:i'),
                'minutes' => (int) round($appointment->starts_at->diffInMinutes($appointment->ends_at)),
            ],
        ];
    }

    private static function next(PlayerLink $link): ?Appointment
    {
        return Appointment::query()->where('player_id', $link->player_id)->where('state', 'booked')->where('ends_at', '>', now())
            ->orderBy('starts_at')->first();
    }

    private static function consentText(Studio $studio, Words $words): string
    {
        return $studio->consent_text ?? $words->say('intake.consentText');
    }

    /** Guessing is counted as for other links, and an ended link says no more than a wrong one. */
    private function link(Request $request, ?string $kind = null): PlayerLink
    {
        $this->throttle->requireLinkAllowance($request);
        $token = (string) $request->validate(['token' => 'required|string|max:100'])['token'];
        $link = PlayerLink::open($token);
        if ($link === null || ($kind !== null && $link->kind !== $kind)) {
            $this->throttle->linkFailed($request);
            Log::warning('player link refused');
            throw self::refused('token', PlayersLanguage::of($request, $link)->say('error.link'));
        }

        return $link;
    }

    private static function refused(string $field, string $why): ValidationException
    {
        return ValidationException::withMessages([$field => $why]);
    }
}
