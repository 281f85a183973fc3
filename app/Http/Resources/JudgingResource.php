<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Fittings\FittingLoader;
use App\Models\Setup;
use App\Models\Trial;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\LiveVerdict;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Fitting\SideEstimate;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Judging\Bridge;
use MintCarry\Core\Judging\Diagnosis;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Judging\Finding;
use MintCarry\Core\Judging\Forgiveness;
use MintCarry\Core\Judging\GuardRails;
use MintCarry\Core\Judging\LikeForLike;
use MintCarry\Core\Judging\NextMove;
use MintCarry\Core\Launch\Measure;

/** The judgement of a fitting: standing, like for like, why bridge, forgiveness, diagnosis, guard rails, and what to hit next. */
final class JudgingResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var FittingLoader $judged */
        $judged = $this->resource;
        $fitting = $judged->fitting;
        $squares = $fitting->brief()->squares();
        $all = $judged->evidence();
        $benchmark = $all[$fitting->benchmark_setup_id ?? 0] ?? null;
        $held = $judged->sets[$fitting->benchmark_setup_id ?? 0] ?? null;
        $alike = LikeForLike::of(array_values($all));
        $pooled = $judged->sets === [] ? 0.0 : SideEstimate::pooledSpread(array_values($judged->sets));
        $setups = [];
        $ail = [];
        foreach ($judged->sets as $id => $set) {
            $e = $all[$id] ?? null;
            $isBenchmark = $id === $fitting->benchmark_setup_id;
            $share = CorridorShare::of(SideEstimate::of($set, $pooled), $fitting->brief()->corridor, $judged->random(), 120);
            $found = $e === null ? [] : Diagnosis::of($e, $share, $benchmark);
            if ($isBenchmark) {
                $ail = $found;
            }
            $setups[] = [
                'tag' => $set->tag,
                'n' => $set->count(),
                'clubSeen' => $e?->hasClub() ?? false,
                'strikeSeen' => $e !== null && $e->isMeasured(Swing::TOE),
                'standing' => $held === null || $isBenchmark ? [] : array_map(BayResource::standing(...), LiveVerdict::of($held, $set, $fitting->brief()->scoring())),
                'flips' => $held === null || $isBenchmark ? [] : self::flips($judged, $id),
                'delivery' => $e === null ? [] : array_map(fn (int $i): array => ['field' => Evidence::FIELDS[$i]->value, 'value' => $e->state[$i], 'error' => $e->error[$i], 'from' => $e->from[$i]], array_keys($e->state)),
                'alike' => isset($alike[$set->tag]) ? self::alike($alike[$set->tag], $benchmark === null || $isBenchmark ? null : $alike[$benchmark->spec->tag]) : null,
                'bridges' => $e === null || $benchmark === null || $isBenchmark ? [] : array_values(array_map(fn (Bridge $b): array => ['measure' => $b->measure->value, 'difference' => $b->difference, 'lines' => $b->lines, 'clubSeen' => $b->clubSeen], Bridge::between($benchmark, $e, $squares))),
                'forgiveness' => $e === null ? null : self::forgiveness(Forgiveness::of($e)),
                'diagnosis' => array_map(self::finding(...), $found),
                'path' => $e === null ? null : self::path($e),
                'inLine' => $e === null ? null : ['toeMm' => $e->spec->body->inLineWithCg()[0], 'highMm' => $e->spec->body->inLineWithCg()[1], 'assumed' => $e->spec->bodyAssumed],
            ];
        }

        return [
            'benchmark' => $judged->benchmark,
            'screening' => $fitting->policy()->label(),
            'setups' => $setups,
            'rails' => array_map(self::finding(...), GuardRails::of(array_values($all), $benchmark, self::conditions($judged), self::speeds($judged), $squares)),
            'next' => $benchmark === null ? null : self::next(NextMove::of($benchmark, $ail, self::candidates($judged), $squares)),
        ];
    }

    /** @return array<string, mixed> */
    private static function finding(Finding $f): array
    {
        return ['tag' => $f->tag, 'kind' => $f->kind, 'figures' => (object) $f->figures, 'forCoach' => $f->forCoach];
    }

    /** @return array<string, mixed> */
    private static function alike(LikeForLike $one, ?LikeForLike $benchmark): array
    {
        $rows = [];
        foreach ($one->alike as $measure => $a) {
            $rows[] = ['measure' => $measure, 'measured' => $one->measured[$measure]->mean, 'alike' => $a['mean'], 'error' => $a['error'], 'against' => $benchmark === null ? null : $one->against($benchmark, $measure)];
        }

        return ['rows' => $rows, 'ownShifts' => $one->ownShifts, 'corrected' => $one->corrected];
    }

    /** @return array<string, mixed> */
    private static function forgiveness(Forgiveness $f): array
    {
        return ['seen' => $f->seen, 'zones' => $f->zones, 'costs' => $f->costs, 'correction' => $f->correction, 'worstCarryM' => $f->worstCarryM, 'worstAt' => $f->worstAt, 'assumed' => $f->assumed];
    }

    /** @return array{points: list<array{float, float, float}>, carryM: float, apexM: float} the path of the mean ball: along, height, right, m */
    private static function path(Evidence $e): array
    {
        $mean = static fn (Measure $m): float => $e->set->summary($m)->mean ?? 0.0;
        $launch = new Launch($mean(Measure::BallSpeed), $mean(Measure::LaunchAngle), $mean(Measure::Spin), $mean(Measure::Direction), max(-80.0, min(80.0, $mean(Measure::SpinAxis))));
        $flown = $e->flight->fly($launch, 36);

        return ['points' => array_map(static fn (array $p): array => [round($p[1], 2), round($p[3], 2), round($p[2], 2)], $flown->points), 'carryM' => $flown->carryM, 'apexM' => $flown->apexM];
    }

    /**
     * Screening policies under which the verdict on the declared measure would be another.
     *
     * @return list<array{policy: string, word: string}>
     */
    public static function flips(FittingLoader $judged, int $id): array
    {
        $fitting = $judged->fitting;
        $word = static function (Screening $policy) use ($judged, $id, $fitting): ?string {
            foreach (LiveVerdict::of($policy->of('', $judged->shots[$fitting->benchmark_setup_id ?? 0] ?? []), $policy->of('', $judged->shots[$id]), $fitting->brief()->scoring()) as $s) {
                if ($s->declared) {
                    return $s->word;
                }
            }

            return null;
        };
        $now = $word($fitting->policy());
        $out = [];
        foreach (Screening::USUAL as $name) {
            $other = $name === $fitting->policy()->name ? $now : $word(Screening::named($name));
            if ($other !== null && $other !== $now) {
                $out[] = ['policy' => Screening::named($name)->label(), 'word' => $other];
            }
        }

        return $out;
    }

    /** @return array<string, list<string>> what a setup was hit under, by tag */
    private static function conditions(FittingLoader $judged): array
    {
        $out = [];
        foreach (Trial::query()->where('fitting_id', $judged->fitting->id)->where('kind', 'trial')->has('shots')->get(['id', 'setup_id', 'visit_id', 'place']) as $trial) {
            $tag = $judged->setups[$trial->setup_id]->tag ?? '';
            $out[$tag][] = "visit: {$trial->visit_id}";
            foreach (['temperatureC' => 'air', 'altitudeM' => 'altitude', 'turf' => 'ground', 'monitor' => 'monitor'] as $field => $name) {
                if (($trial->place[$field] ?? '') !== '') {
                    $out[$tag][] = "{$name}: ".$trial->place[$field];
                }
            }
        }

        return array_map(fn (array $all): array => array_values(array_unique($all)), $out);
    }

    /** @return list<float> club speed of what counts in the order it was hit, ball speed where no club was seen */
    private static function speeds(FittingLoader $judged): array
    {
        $all = [];
        foreach ($judged->shots as $shots) {
            foreach ($shots as $s) {
                if ($s['leftOut'] === null) {
                    $all[$s['sequence']] = $s['shot'];
                }
            }
        }
        ksort($all);
        $club = count(array_filter($all, fn ($s): bool => $s->value(Measure::ClubSpeed) !== null)) * 2 > count($all);
        $speeds = array_map(fn ($s): ?float => $s->value($club ? Measure::ClubSpeed : Measure::BallSpeed), array_values($all));

        return array_values(array_filter($speeds, fn (?float $v): bool => $v !== null));
    }

    /** @return list<SetupSpec> settings of the benchmark's head that nobody hit yet: its sleeve positions, with the weights as they are */
    private static function candidates(FittingLoader $judged): array
    {
        $setup = Setup::query()->with(Setup::MADE_OF)->find($judged->fitting->benchmark_setup_id);
        if ($setup?->rackHead === null) {
            return [];
        }
        $out = [];
        foreach ($setup->sleeveSystem()->positions as $position) {
            $other = (clone $setup)->forceFill(['sleeve_label' => $position->label, 'tag' => $position->label]);
            $hit = array_filter($judged->setups, fn (Setup $s): bool => $s->head_id === $setup->head_id && $s->sleeve_label === $position->label && $s->masses == $setup->masses);
            if ($hit === []) {
                $out[] = FittingLoader::spec($other, $judged->fitting->player->hand);
            }
        }

        return $out;
    }

    /** @return array<string, mixed>|null */
    private static function next(?NextMove $move): ?array
    {
        return $move === null ? null : ['head' => $move->candidate->head, 'sleeve' => $move->candidate->sleeve, 'weights' => $move->candidate->weights, 'mends' => $move->mends, 'effect' => $move->effect];
    }
}
