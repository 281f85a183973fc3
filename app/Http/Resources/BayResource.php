<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Bay;
use App\Models\Fitting;
use App\Models\HeldShot;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;
use App\Support\Judged;
use App\Support\Live;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use MintCarry\Core\Club\ChangeOver;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\Standing;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Summary;

/** The live screen of a fitting: the running trial, its shots and means, how the setup in the hand stands against the benchmark, the drift of speed, bays and held shots. */
final class BayResource extends JsonResource
{
    private const MEANS = [Measure::Carry, Measure::Total, Measure::Side, Measure::BallSpeed, Measure::LaunchAngle, Measure::Spin, Measure::Apex, Measure::ClubSpeed];

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var Fitting $fitting */
        $fitting = $this->resource;
        $flight = $fitting->flight();
        $judged = new Judged($fitting);
        $trials = Trial::query()->where('fitting_id', $fitting->id)->with('setup')->withCount('shots')->orderBy('number')->get();
        $trial = $trials->firstWhere('id', $fitting->running_trial_id);
        $shots = Shot::query()->where('trial_id', $trial->id ?? 0)->orderBy('sequence')->get()->sortBy(fn (Shot $s): array => [$s->sender_sequence ?? $s->sequence, $s->sequence])->values();
        $set = $trial === null ? null : $judged->sets[$trial->setup_id] ?? null;
        $benchmark = $fitting->benchmark_setup_id === null ? null : $judged->sets[$fitting->benchmark_setup_id] ?? null;
        $counted = new ShotSet('', array_values($shots->filter(fn (Shot $s): bool => $s->counts())->map(fn (Shot $s) => $s->launchShot($flight))->all()));

        return [
            'inLine' => self::inLine($fitting, $trial),
            'live' => Live::begin($fitting),
            'running' => $trial === null ? null : self::trial($trial),
            'trials' => $trials->map(self::trial(...))->all(),
            'shots' => $shots->map(fn (Shot $s): array => (new ShotResource($s, $flight))->toArray($request))->all(),
            'means' => self::means($counted),
            'benchmarkMeans' => $benchmark === null ? null : self::means($benchmark),
            'standing' => $set === null || $benchmark === null || $trial->setup_id === $fitting->benchmark_setup_id ? []
                : array_map(fn (Standing $s): array => ['name' => $s->name, 'measure' => $s->measure->value, 'word' => $s->word, 'value' => $s->value, 'declared' => $s->declared, 'moreShots' => $s->moreShots], Standing::of($benchmark, $set, $fitting->brief()->scoring())),
            'drift' => self::drift($fitting),
            'changeOver' => self::changeOver($judged, $trials->last()),
            'queue' => self::queue($judged, $trials->last()),
            'budget' => self::budget($fitting, $trials->first()),
            'bays' => Bay::query()->where('studio_id', $fitting->studio_id)->orderBy('name')->get()->map(self::bay(...))->all(),
            'held' => HeldShot::query()->where('fitting_id', $fitting->id)->whereNull('settled_at')->orderBy('id')->limit(50)->get()->map(fn (HeldShot $h): array => ['id' => $h->id, 'reason' => $h->reason, 'values' => (object) ($h->body['values'] ?? []), 'at' => $h->created_at->toIso8601String()])->all(),
        ];
    }

    /** @return array<string, mixed> */
    public static function bay(Bay $bay): array
    {
        return ['id' => $bay->id, 'name' => $bay->name, 'fittingId' => $bay->fitting_id, 'tokenMadeAt' => $bay->token_made_at?->toIso8601String()];
    }

    /** @return array<string, mixed> */
    private static function trial(Trial $trial): array
    {
        return ['id' => $trial->id, 'number' => $trial->number, 'kind' => $trial->kind, 'setupId' => $trial->setup_id, 'tag' => $trial->setup->tag, 'shots' => (int) ($trial->shots_count ?? 0), 'beganAt' => $trial->created_at->toIso8601String(), 'ended' => $trial->ended_at !== null];
    }

    /** @return list<array{setupId: int, steps: list<string>, wrenchChanges: int}> from what was in the hand last to every setup */
    private static function changeOver(Judged $judged, ?Trial $last): array
    {
        $from = $last === null ? null : ($judged->setups[$last->setup_id] ?? null)?->parts();

        return array_values(array_map(function (Setup $to) use ($from): array {
            $over = ChangeOver::between($from, $to->parts());

            return ['setupId' => $to->id, 'steps' => $over->steps, 'wrenchChanges' => $over->wrenchChanges];
        }, $judged->setups));
    }

    /** @return array{tags: list<string>, wrenchChanges: int} setups that nobody has hit yet, in the order of fewest wrench changes */
    private static function queue(Judged $judged, ?Trial $last): array
    {
        $waiting = array_values(array_filter($judged->setups, fn (Setup $s): bool => ! isset($judged->sets[$s->id]) && $s->id !== $last?->setup_id));
        [$order, $changes] = ChangeOver::order($last === null ? null : ($judged->setups[$last->setup_id] ?? null)?->parts(), array_map(fn (Setup $s): array => $s->parts(), $waiting));

        return ['tags' => array_map(fn (int $i): string => $waiting[$i]->tag, $order), 'wrenchChanges' => $changes];
    }

    /** @return array{swings: float|null, swingsHit: int, minutes: float|null, minutesUsed: int} */
    private static function budget(Fitting $fitting, ?Trial $first): array
    {
        $brief = $fitting->brief();

        return ['swings' => $brief->swings, 'swingsHit' => Shot::query()->where('fitting_id', $fitting->id)->whereNotNull('trial_id')->count(), 'minutes' => $brief->minutes, 'minutesUsed' => $first === null ? 0 : (int) $first->created_at->diffInMinutes(now())];
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

        return ['toeMm' => $toe, 'highMm' => $high, 'assumed' => $body === null || in_array('CG', $setup->rackHead?->assumed() ?? [], true)];
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

    /** @return list<array{sequence: int, trial: int|null, setupId: int, speedMps: float, club: bool, counts: bool}> club speed shot by shot, ball speed where no club was seen */
    private static function drift(Fitting $fitting): array
    {
        $shots = Shot::query()->where('fitting_id', $fitting->id)->orderBy('sequence')->limit(400)->get(['id', 'sequence', 'trial_id', 'setup_id', 'measured', 'left_out_reason']);
        $club = $shots->filter(fn (Shot $s): bool => isset($s->measured['clubSpeedMps']))->count() * 2 > $shots->count();
        $field = $club ? 'clubSpeedMps' : 'ballSpeedMps';

        return array_values($shots->filter(fn (Shot $s): bool => isset($s->measured[$field]))->map(fn (Shot $s): array => ['sequence' => $s->sequence, 'trial' => $s->trial_id, 'setupId' => $s->setup_id, 'speedMps' => (float) $s->measured[$field], 'club' => $club, 'counts' => $s->counts()])->all());
    }
}
