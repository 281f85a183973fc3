<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Fittings\ConfirmState;
use App\Fittings\FittingLoader;
use App\Live\BayFigures;
use App\Live\ChangeSignal;
use App\Models\Bay;
use App\Models\Blind;
use App\Models\Fitting;
use App\Models\HeldShot;
use App\Models\LogEntry;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;
use App\Models\Visit;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use MintCarry\Core\Club\ChangeOver;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupParts;
use MintCarry\Core\Intake\SenderOrder;
use stdClass;

/**
 * The live screen of a fitting: the running trial, its shots and means, how the setup in the hand stands against the benchmark,
 * the drift of speed, bays and held shots.
 */
final class BayResource extends JsonResource
{
    /** A screen shows this many shots of the trial, and the drift of this many of the fitting. */
    private const SHOWN = 40;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var Fitting $fitting */
        $fitting = $this->resource;
        $flight = $fitting->flight();
        $judged = new FittingLoader($fitting);
        $blind = Blind::open($fitting);
        $trials = Trial::query()->where('fitting_id', $fitting->id)->with('setup')->withCount('shots')->orderBy('number')->get();
        $trial = $trials->firstWhere('id', $fitting->running_trial_id);
        $secret = $blind !== null && $trial?->blind_id === $blind->id;
        $shots = self::latest($trial);
        $figures = new BayFigures($fitting, $judged, $trial, $secret);
        $last = $secret ? null : $trials->last();
        $mishits = $judged->mishits();
        // What a screen needs to keep its trail right without asking for the whole fitting at every shot; and what only changes
        // with it is left out for a screen that has it.
        $stamp = (int) LogEntry::query()->where('fitting_id', $fitting->id)->max('id').'/'.$fitting->version;
        $seldom = $request->query('stamp') === $stamp ? [] : self::seldom($request, $fitting, $judged, $trial, $last, $secret);

        return $seldom + [
            'live' => ChangeSignal::begin($fitting),
            'stamp' => $stamp,
            'counts' => (object) array_map(self::counts(...), $judged->shots),
            'running' => $trial === null ? null : self::trial($trial, $blind),
            'trials' => $trials->map(fn (Trial $t): array => self::trial($t, $blind))->all(),
            'shots' => $shots
                ->map(fn (Shot $s): array => ($secret ? ['setupId' => 0] : []) + (new ShotResource($s, $flight))->toArray($request))
                ->all(),
            'mishits' => (object) array_intersect_key($mishits, array_flip($shots->pluck('id')->all())),
            'counted' => $trial === null ? 0 : Shot::query()->where('trial_id', $trial->id)->whereNull('left_out_reason')->count(),
            'means' => $figures->means(), 'benchmarkMeans' => $figures->benchmarkMeans(), 'verdicts' => $figures->verdicts(),
            'flips' => $figures->flips(), 'repeat' => $figures->repeat($trials->all()), 'drift' => $figures->drift($blind),
            'queue' => $secret ? ['tags' => [], 'wrenchChanges' => 0] : self::queue($judged, $last),
            'budget' => self::budget($fitting, $trials->last()),
            'confirm' => ConfirmState::now($judged),
            'blind' => $blind === null
                    ? null
                    : ['ordinal' => $blind->ordinal + 1, 'of' => count($blind->setups), 'shotsEach' => $blind->shots_each],
            'asks' => self::asks($fitting, $trial, $shots->count()),
            'held' => HeldShot::waiting($fitting)->limit(50)->get()->map(HeldShotResource::line(...))->all(),
            'heldInAll' => HeldShot::waiting($fitting)->count(),
        ];
    }

    /** @return Collection<int, Shot> the latest of the trial, in the sender's order; all of them are in the averages */
    private static function latest(?Trial $trial): Collection
    {
        $shots = Shot::query()
            ->where('trial_id', $trial->id ?? 0)->orderByDesc('sequence')->limit(self::SHOWN)->get()->reverse()->values();
        $sent = $shots->map(
            fn (Shot $s): array => [$s->sender_id === null ? null : "{$s->sender_session}/{$s->sender_run}", $s->sender_sequence],
        );

        return collect(SenderOrder::of(array_values($sent->all())))->map(fn (int $i): ?Shot => $shots[$i])->filter()->values();
    }

    /** @return array<string, mixed> what changes only with the trail */
    private static function seldom(
        Request $request, Fitting $fitting, FittingLoader $judged, ?Trial $trial, ?Trial $last, bool $secret,
    ): array {
        $policy = $fitting->policy();

        return [
            'inLine' => $secret ? null : self::inLine($fitting, $trial),
            'screening' => ['name' => $policy->name, 'label' => $policy->label(), 'warning' => $policy->warning()],
            'changeOver' => $secret ? [] : self::changeOver($judged, $last), 'visit' => self::visit($fitting),
            'lastDone' => self::lastDone($fitting, $request), 'bays' => self::bays($fitting),
        ];
    }

    /**
     * @param  list<array{leftOut: string|null, simulated: bool}>  $shots
     * @return array{shots: int, counted: int, simulated: int}
     */
    private static function counts(array $shots): array
    {
        return [
            'shots' => count($shots), 'counted' => count(array_filter($shots, fn (array $s): bool => $s['leftOut'] === null)),
            'simulated' => count(array_filter($shots, fn (array $s): bool => $s['simulated'])),
        ];
    }

    /** @return array{number: int, trials: int} the visit that goes on, or the one that would begin */
    private static function visit(Fitting $fitting): array
    {
        $latest = Visit::query()->where('fitting_id', $fitting->id)->orderByDesc('number')->first();

        return [
            'number' => $latest->number ?? 1,
            'trials' => $latest === null ? 0 : Trial::query()->where('visit_id', $latest->id)->count(),
        ];
    }

    /**
     * @return array{trialId: int, open: list<string>}|null what the player is still to say of the setup in the hand, before its
     *   numbers are shown
     */
    private static function asks(Fitting $fitting, ?Trial $trial, int $shots): ?array
    {
        if (! $fitting->asks_ratings || $trial === null || $trial->kind !== 'trial' || $trial->rating_skipped || $shots === 0) {
            return null;
        }
        // A setup is asked about once; in a blind trial each time it comes.
        $given =
            $trial->blind_id === null
                ? Rating::query()
                    ->where('setup_id', $trial->setup_id)
                    ->whereIn('trial_id', Trial::query()->where('fitting_id', $fitting->id)->whereNull('blind_id')->select('id'))
                : Rating::query()->where('trial_id', $trial->id);
        $open = array_values(array_diff(Rating::KINDS, $given->pluck('kind')->all()));

        return $open === [] ? null : ['trialId' => $trial->id, 'open' => $open];
    }

    /** @return array<string, mixed>|null what this fitter did last, while it can be taken back */
    private static function lastDone(Fitting $fitting, Request $request): ?array
    {
        $entry = LogEntry::query()
            ->where('fitting_id', $fitting->id)->where('user_id', $request->user()?->getAuthIdentifier())->whereNull('undone_at')
            ->whereNull('undo_of')->where('created_at', '>', now()->subHours(12))->with('user')->orderByDesc('id')->first();

        return $entry === null ? null : LogEntryResource::of($entry);
    }

    /** @return list<array<string, mixed>> the studio's bays; read plainly, for every screen asks for them at every shot */
    private static function bays(Fitting $fitting): array
    {
        return array_values(
            Bay::query()
                ->toBase()->where('studio_id', $fitting->studio_id)->orderBy('name')
                ->get(['id', 'name', 'fitting_id', 'token_made_at'])
                ->map(
                    fn (stdClass $b): array => [
                        'id' => $b->id, 'name' => $b->name, 'fittingId' => $b->fitting_id,
                        'tokenMadeAt' => $b->token_made_at === null ? null : str_replace(' ', 'T', $b->token_made_at).'+00:00',
                    ],
                )
                ->all(),
        );
    }

    /** @return array<string, mixed> */
    public static function bay(Bay $bay): array
    {
        return [
            'id' => $bay->id, 'name' => $bay->name, 'fittingId' => $bay->fitting_id,
            'tokenMadeAt' => $bay->token_made_at?->toIso8601String(),
        ];
    }

    /** @return array<string, mixed> a trial; of a blind one that goes on, not which setup it is */
    private static function trial(Trial $trial, ?Blind $open): array
    {
        $secret = $open !== null && $trial->blind_id === $open->id;

        return [
            'id' => $trial->id, 'number' => $trial->number, 'kind' => $trial->kind, 'setupId' => $secret ? 0 : $trial->setup_id,
            'tag' => $secret ? '' : $trial->setup->tag, 'shots' => (int) ($trial->shots_count ?? 0),
            'beganAt' => $trial->created_at->toIso8601String(), 'ended' => $trial->ended_at !== null, 'note' => $trial->note,
            'blind' => $trial->blind_id !== null,
        ];
    }

    /** @return list<array{setupId: int, steps: list<string>, wrenchChanges: int}> from what was in the hand last to every setup */
    private static function changeOver(FittingLoader $judged, ?Trial $last): array
    {
        $from = $last === null ? null : ($judged->setups[$last->setup_id] ?? null)?->parts();

        return array_values(array_map(function (Setup $to) use ($from): array {
            $over = ChangeOver::between($from, $to->parts());

            return ['setupId' => $to->id, 'steps' => $over->steps, 'wrenchChanges' => $over->wrenchChanges];
        }, $judged->setups));
    }

    /** @return array{tags: list<string>, wrenchChanges: int} setups that nobody has hit yet, in the order of fewest wrench changes */
    private static function queue(FittingLoader $judged, ?Trial $last): array
    {
        $waiting = array_values(
            array_filter(
                $judged->setups,
                fn (Setup $s): bool => $s->shelf === '' && ! isset($judged->sets[$s->id]) && $s->id !== $last?->setup_id,
            ),
        );
        [$order, $changes] = ChangeOver::order(
            $last === null ? null : ($judged->setups[$last->setup_id] ?? null)?->parts(),
            array_map(fn (Setup $s): SetupParts => $s->parts(), $waiting),
        );

        return ['tags' => array_map(fn (int $i): string => $waiting[$i]->tag, $order), 'wrenchChanges' => $changes];
    }

    /** @return array{swings: float|null, swingsHit: int, minutes: float|null, minutesUsed: int} of the visit that goes on */
    private static function budget(Fitting $fitting, ?Trial $last): array
    {
        $brief = $fitting->brief();
        $visit = Trial::query()->where('fitting_id', $fitting->id)->where('visit_id', $last?->visit_id)->get(['id', 'created_at']);
        $first = $visit->min('created_at');

        return [
            'swings' => $brief->swings, 'swingsHit' => Shot::query()->whereIn('trial_id', $visit->pluck('id'))->count(),
            'minutes' => $brief->minutes, 'minutesUsed' => $first === null ? 0 : (int) Carbon::parse($first)->diffInMinutes(now()),
        ];
    }

    /** @return array{toeMm: float, highMm: float, assumed: bool}|null the point of the face in line with the CG of the head in the hand */
    private static function inLine(Fitting $fitting, ?Trial $trial): ?array
    {
        $setup = $trial === null ? null : Setup::query()->with(['rackHead.readings', 'rackHead.sleeve'])->find($trial->setup_id);
        $body = $setup?->body();
        if ($setup === null) {
            return null;
        }
        [$toe, $high] = ($body ?? Head::preset('middle', $setup->playing(1.0)->loftDeg))->inLineWithCg();

        return [
            'toeMm' => $toe, 'highMm' => $high,
            'assumed' => $body === null || in_array('CG', $setup->rackHead?->assumed() ?? [], true),
        ];
    }
}
