<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Fittings\ConfirmState;
use App\Fittings\FittingLoader;
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
use MintCarry\Core\Fitting\LiveVerdict;
use MintCarry\Core\Fitting\Repeat;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Intake\SenderOrder;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Report\JudgingReport;
use MintCarry\Core\Statistics\Summary;
use stdClass;

/**
 * The live screen of a fitting: the running trial, its shots and means, how the setup in the hand stands against the benchmark,
 * the drift of speed, bays and held shots.
 */
final class BayResource extends JsonResource
{
    /** A screen shows this many shots of the trial, and the drift of this many of the fitting. */
    private const SHOWN = 40;

    private const DRIFT = 400;

    private const MEANS = [
        Measure::Carry, Measure::Total, Measure::Side, Measure::BallSpeed, Measure::LaunchAngle, Measure::Spin, Measure::Apex,
        Measure::ClubSpeed,
    ];

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
        // The latest of the trial, in the sender's order; all of them are in the averages.
        $shots = Shot::query()
            ->where('trial_id', $trial->id ?? 0)->orderByDesc('sequence')->limit(self::SHOWN)->get()->reverse()->values();
        $shots = collect(
            SenderOrder::of(
                array_values(
                    $shots
                        ->map(
                            fn (Shot $s): array => [
                                $s->sender_id === null ? null : "{$s->sender_session}/{$s->sender_run}", $s->sender_sequence,
                            ],
                        )
                        ->all(),
                ),
            ),
        )
            ->map(fn (int $i): ?Shot => $shots[$i])->filter()->values();
        $set = $trial === null || $secret ? null : $judged->sets[$trial->setup_id] ?? null;
        $benchmark = $fitting->benchmark_setup_id === null ? null : $judged->sets[$fitting->benchmark_setup_id] ?? null;
        $last = $secret ? null : $trials->last();
        $mishits = $judged->mishits();
        // What a screen needs to keep its trail right without asking for the whole fitting at every shot; and what only changes
        // with it is left out for a screen that has it.
        $stamp = (int) LogEntry::query()->where('fitting_id', $fitting->id)->max('id').'/'.$fitting->version;
        $seldom =
            $request->query('stamp') === $stamp
                ? []
                : [
                    'inLine' => $secret ? null : self::inLine($fitting, $trial),
                    'screening' => [
                        'name' => $fitting->policy()->name, 'label' => $fitting->policy()->label(),
                        'warning' => $fitting->policy()->warning(),
                    ],
                    'changeOver' => $secret ? [] : self::changeOver($judged, $last), 'visit' => self::visit($fitting),
                    'lastDone' => self::lastDone($fitting, $request), 'bays' => self::bays($fitting),
                ];

        return $seldom + [
            'live' => ChangeSignal::begin($fitting),
            'stamp' => $stamp,
            'counts' => (object) array_map(
                fn (array $shots): array => [
                    'shots' => count($shots),
                    'counted' => count(array_filter($shots, fn (array $s): bool => $s['leftOut'] === null)),
                    'simulated' => count(array_filter($shots, fn (array $s): bool => $s['simulated'])),
                ],
                $judged->shots,
            ),
            'running' => $trial === null ? null : self::trial($trial, $blind),
            'trials' => $trials->map(fn (Trial $t): array => self::trial($t, $blind))->all(),
            'shots' => $shots
                ->map(fn (Shot $s): array => ($secret ? ['setupId' => 0] : []) + (new ShotResource($s, $flight))->toArray($request))
                ->all(),
            'mishits' => (object) array_intersect_key($mishits, array_flip($shots->pluck('id')->all())),
            'counted' => $trial === null ? 0 : Shot::query()->where('trial_id', $trial->id)->whereNull('left_out_reason')->count(),
            'means' => self::means(self::ofTrial($fitting, $judged, $trial, $secret)),
            'benchmarkMeans' => $benchmark === null ? null : self::means($benchmark),
            'verdicts' => $set === null || $benchmark === null || $trial->setup_id === $fitting->benchmark_setup_id
                    ? []
                    : array_map(JudgingReport::verdict(...), LiveVerdict::of($benchmark, $set, $fitting->brief()->scoring())),
            'flips' => $set === null || $benchmark === null || $trial->setup_id === $fitting->benchmark_setup_id
                    ? []
                    : LiveVerdict::flips(
                        $judged->shots[$fitting->benchmark_setup_id ?? 0] ?? [], $judged->shots[$trial->setup_id],
                        $fitting->policy(), $fitting->brief()->scoring(),
                    ),
            'repeat' => $trial === null || $secret || $trial->kind === 'warm-up' ? [] : self::repeat($fitting, $judged, $trial, $trials->all()),
            'drift' => self::drift($fitting, $judged, $blind),
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

    private static function ofTrial(Fitting $fitting, FittingLoader $judged, ?Trial $trial, bool $secret): ShotSet
    {
        $flight = $fitting->flight();
        $shots = match (true) {
            $trial === null => [],
            $secret => array_values(
                Shot::query()
                    ->where('trial_id', $trial->id)->get(['id', 'measured', 'left_out_reason'])
                    ->map(fn (Shot $s): array => ['shot' => $s->launchShot($flight), 'leftOut' => $s->left_out_reason])->all(),
            ),
            default => array_values(
                array_filter($judged->shots[$trial->setup_id] ?? [], fn (array $s): bool => $s['trial'] === $trial->id),
            ),
        };

        return $fitting->policy()->of('', $shots);
    }

    /**
     * A setup hit again against the first trial of it.
     *
     * @param  array<int, Trial>  $trials
     * @return list<array{measure: string, value: float, moved: bool, since: int}>
     */
    private static function repeat(Fitting $fitting, FittingLoader $judged, Trial $trial, array $trials): array
    {
        $first =
            array_values(
                array_filter(
                    $trials,
                    fn (Trial $t): bool => $t->setup_id === $trial->setup_id &&
                        $t->kind === 'trial' &&
                        $t->blind_id === null &&
                        $t->shots_count > 0 &&
                        $t->number < $trial->number,
                ),
            )[0] ?? null;
        if ($first === null) {
            return [];
        }
        $of = fn (Trial $t): ShotSet => $fitting
            ->policy()
            ->of('', array_values(array_filter($judged->shots[$trial->setup_id] ?? [], fn (array $s): bool => $s['trial'] === $t->id)));

        return array_map(
            fn (Repeat $r): array => [
                'measure' => $r->measure->value, 'value' => $r->value, 'moved' => $r->moved, 'since' => $first->number,
            ],
            Repeat::of($of($first), $of($trial)),
        );
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

    /** @return array<string, Summary|null> */
    private static function means(ShotSet $set): array
    {
        $out = [];
        foreach (self::MEANS as $measure) {
            $out[$measure->value] = $set->summary($measure);
        }

        return $out;
    }

    /**
     * @return list<array{sequence: int, trial: int|null, setupId: int, speedMps: float, club: bool, counts: bool}> club speed
     *   shot by shot, ball speed where no club was seen
     */
    private static function drift(Fitting $fitting, FittingLoader $judged, ?Blind $blind): array
    {
        /** @var list<array{id: int, trial: int|null, sequence: int, shot: LaunchShot, leftOut: string|null, setupId: int}> $all */
        $all = [];
        foreach ($judged->shots as $setupId => $shots) {
            foreach ($shots as $s) {
                $all[] = $s + ['setupId' => $setupId];
            }
        }
        if ($blind !== null) {
            $flight = $fitting->flight();
            $hidden = Trial::query()->where('blind_id', $blind->id)->pluck('id')->all();
            /** @var Collection<int, Shot> $secret */
            $secret = Shot::query()->whereIn('trial_id', $hidden)->get(['id', 'trial_id', 'sequence', 'measured', 'left_out_reason']);
            foreach ($secret as $s) {
                $all[] = [
                    'id' => $s->id, 'trial' => $s->trial_id, 'sequence' => $s->sequence, 'shot' => $s->launchShot($flight),
                    'leftOut' => $s->left_out_reason, 'setupId' => 0,
                ];
            }
        }
        usort($all, fn (array $a, array $b): int => $a['sequence'] <=> $b['sequence']);
        $all = array_slice($all, -self::DRIFT);
        $club = count(array_filter($all, fn (array $s): bool => isset($s['shot']->measured['clubSpeedMps']))) * 2 > count($all);
        $field = $club ? 'clubSpeedMps' : 'ballSpeedMps';
        $out = [];
        foreach ($all as $s) {
            if (isset($s['shot']->measured[$field])) {
                $out[] = [
                    'sequence' => $s['sequence'], 'trial' => $s['trial'], 'setupId' => $s['setupId'],
                    'speedMps' => $s['shot']->measured[$field], 'club' => $club, 'counts' => $s['leftOut'] === null,
                ];
            }
        }

        return $out;
    }
}
