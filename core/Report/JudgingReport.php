<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Fitting\Advice;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\LiveVerdict;
use MintCarry\Core\Fitting\MeanFlight;
use MintCarry\Core\Fitting\PosteriorDraws;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\Verdict;
use MintCarry\Core\Fitting\Wanted;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Judging\Bridge;
use MintCarry\Core\Judging\Diagnosis;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Judging\Finding;
use MintCarry\Core\Judging\Forgiveness;
use MintCarry\Core\Judging\GuardRail;
use MintCarry\Core\Judging\GuardRailKind;
use MintCarry\Core\Judging\GuardRails;
use MintCarry\Core\Judging\LikeForLike;
use MintCarry\Core\Judging\NextMove;
use MintCarry\Core\Judging\Verdicts;
use MintCarry\Core\Judging\Withheld;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Statistics\Interval;

use function abs;
use function array_filter;
use function array_keys;
use function array_map;
use function array_slice;
use function array_values;
use function count;
use function is_float;

/**
 * What the shots of a fitting do and do not say, as a screen or `bin/mint judge` shows it: verdicts against the benchmark, like
 * for like, why bridge, forgiveness, diagnosis, guard rails, and what to hit next. Kinds are told by name; their sentences stand
 * in the message catalogue.
 */
final readonly class JudgingReport
{
    /** From so many shots on an expected carry so far from their mean is warned of. */
    private const OFF_FROM_SHOTS = 6;

    private const OFF_SHARE = 0.08;

    /**
     * @param  array<string, ShotSet>  $sets  by tag
     * @param  array<string, Evidence>  $evidence  by tag; setups whose shots let one say something of the swing
     */
    private function __construct(
        private FittingRecord $record, private array $sets, private array $evidence, private ?Evidence $benchmark,
        private ?Advice $advice,
    ) {
    }

    /** @return array<string, mixed> lengths m and mm, speeds m/s, angles °, spin rpm */
    public static function of(FittingRecord $record): array
    {
        $evidence = [];
        $failures = $record->failures();
        $sets = $record->sets();
        foreach ($sets as $tag => $set) {
            try {
                $one = Evidence::of($record->setups[$tag]->spec($record->hand), $set, $record->flight);
                if ($one !== null) {
                    $evidence[$tag] = $one;
                }
            } catch (ModelFailure $e) {
                $failures[] = $e->within("The swing of setup {$tag}");
            }
        }

        $grounds = Grounds::of($record);
        $advice = isset($sets[$record->benchmark ?? '']) ? $grounds->advice() : null;

        return (new self($record, $sets, $evidence, $evidence[$record->benchmark ?? ''] ?? null, $advice))->toArray([
            ...$failures, ...array_slice($grounds->failures, count($record->failures())),
        ]);
    }

    /**
     * @param  list<ModelFailure>  $failures
     * @return array<string, mixed>
     */
    private function toArray(array $failures): array
    {
        $sets = $this->sets;
        $squaringShare = $this->record->brief->squaringShare();
        $alike = LikeForLike::of(array_values($this->evidence));
        $setups = $ail = [];
        $wantedApexM = $this->record->target()->wantedApexM;
        $words = Verdicts::among(
            $sets, $this->record->benchmark, Wanted::of($this->record->brief, $this->record->hand), $this->record->speedsInOrder(),
        );
        foreach ($sets as $tag => $set) {
            try {
                $share = $this->share((string) $tag);
                $found = isset($this->evidence[$tag]) ? Diagnosis::of(
                    $this->evidence[$tag], $share, $this->benchmark, $this->record->brief, $wantedApexM,
                ) : [];
                $ail = $tag === $this->record->benchmark ? $found : $ail;
                $setups[] = $this->setup($set, $found, $alike, $squaringShare, $words->of[$tag] ?? [], $words->withheld[$tag] ?? null);
            } catch (ModelFailure $e) {
                $failures[] = $e->within("The judgement of setup {$tag}");
            }
        }

        return [
            ...$this->record->toldSwings(),
            'benchmark' => $this->record->benchmark, 'screening' => $this->record->screening->label(), 'setups' => $setups,
            'rails' => array_map(
                static fn (GuardRail $r): array => ['tag' => $r->tag, 'kind' => $r->kind, 'figures' => (object) $r->figures],
                [...$this->toldOff(), ...GuardRails::of(
                    array_values($this->evidence), $this->benchmark, $this->record->conditions, $this->speeds(), $squaringShare,
                    $this->record->calibration, $this->record->brief->ball, $this->record->mixedSpeeds(),
                )],
            ),
            // Where the models have something to work from, the finder names the one next move (`NextStep`).
            'next' => $this->benchmark === null || $this->record->isModelled() ? null : self::next(NextMove::of($this->benchmark, $ail,
                $this->untried(), $squaringShare)),
            ...$this->record->calibration?->toArray() ?? [],
            'judge' => $this->advice === null ? null : AdviceReport::toArray($this->advice, $this->record),
            'failures' => ModelFailure::toArrays($failures),
        ];
    }

    /** @return list<GuardRail> setups whose expected carry lies far from the mean of their own shots: then the models do not fit them */
    private function toldOff(): array
    {
        $out = [];
        foreach ($this->advice->setups ?? [] as $s) {
            $off = $s->carry === null || $s->n < self::OFF_FROM_SHOTS ? 0.0 : $s->expectedCarryM / $s->carry->mean - 1;
            if (abs($off) > self::OFF_SHARE) {
                $out[] = new GuardRail($s->tag, GuardRailKind::ToldOff, ['n' => (float) $s->n, 'carryShare' => $off]);
            }
        }

        return $out;
    }

    /** What the judge says of a setup's share; what its shots alone say where there is no benchmark to judge against. */
    private function share(string $tag): CorridorShare
    {
        if ($this->advice !== null) {
            return $this->advice->judgement($tag)->share;
        }
        $draws = PosteriorDraws::ofShots(array_values($this->sets), $this->record->brief, $this->record->hand);

        return CorridorShare::ofDraws($draws->lefts[$tag], $draws->rights[$tag], count($this->sets[$tag]->values(Measure::TotalSide)));
    }

    /**
     * @param  list<Finding>  $found
     * @param  array<string, LikeForLike>  $alike
     * @param  list<LiveVerdict>  $verdicts
     * @return array<string, mixed>
     */
    private function setup(
        ShotSet $set, array $found, array $alike, float $squaringShare, array $verdicts, ?Withheld $withheld,
    ): array {
        $tag = $set->tag;
        $e = $this->evidence[$tag] ?? null;
        $isBenchmark = $tag === $this->record->benchmark;
        $benchmarkSet = $isBenchmark ? null : $this->sets[$this->record->benchmark ?? ''] ?? null;
        $other = $isBenchmark ? null : $this->benchmark;

        return [
            'tag' => $tag, 'n' => $set->count(), 'clubSeen' => $e?->hasClub() ?? false,
            'strikeSeen' => $e !== null && $e->isMeasured(Swing::TOE), 'verdicts' => array_map(self::verdict(...), $verdicts),
            'withheld' => $withheld,
            'flips' => $benchmarkSet === null
                    ? []
                    : LiveVerdict::flips(
                        fn (Screening $policy): array => [
                            $this->record->sets($policy)[$benchmarkSet->tag] ?? null, $this->record->sets($policy)[$tag] ?? null,
                        ],
                        $this->record->screening, Wanted::of($this->record->brief, $this->record->hand),
                    ),
            'delivery' => $e === null
                    ? []
                    : array_map(
                        static fn (int $i): array => [
                            'field' => Evidence::FIELDS[$i]->value, 'value' => $e->state[$i], 'error' => $e->error[$i],
                            'from' => $e->from[$i],
                        ],
                        array_keys($e->state),
                    ),
            'alike' => isset($alike[$tag]) ? self::alike($alike[$tag], $other === null ? null : $alike[$other->spec->tag]) : null,
            'bridges' => $e === null || $other === null
                    ? []
                    : array_values(
                        array_map(
                            static fn (Bridge $b): array => [
                                'measure' => $b->measure->value, 'difference' => $b->difference, 'lines' => $b->lines,
                                'clubSeen' => $b->clubSeen,
                            ],
                            Bridge::between($other, $e, $squaringShare),
                        ),
                    ),
            'forgiveness' => $e === null ? null : self::forgiveness(Forgiveness::of($e)),
            'diagnosis' => array_map(
                fn (Finding $f): array => [
                    'tag' => $f->tag, 'kind' => $f->kind, 'figures' => (object) $f->figures, 'forCoach' => $f->forCoach,
                    'gives' => $this->gives($f),
                ],
                $found,
            ),
            'path' => $e === null ? null : MeanFlight::of($e->set, $e->flight), 'inLine' => $e === null ? null : self::inLine($e),
        ];
    }

    /** @return array<string, mixed>|null the setup that gives the loft which a finding asks for */
    private function gives(Finding $f): ?array
    {
        $change = $f->figures['loftChangeDeg'] ?? null;

        return is_float($change) ? SetupForLoft::of($this->record, $f->tag, $change) : null;
    }

    /**
     * @return array{name: string, measure: string, verdict: Verdict, value: float, interval: Interval, declared: bool,
     *   moreShots: int|null}
     */
    public static function verdict(LiveVerdict $v): array
    {
        return [
            'name' => $v->name, 'measure' => $v->measure->value, 'verdict' => $v->verdict, 'value' => $v->value,
            'interval' => $v->interval, 'declared' => $v->declared, 'wanted' => $v->isAsked, 'way' => $v->way, 'margin' => $v->margin,
            'moreShots' => $v->moreShots,
        ];
    }

    /** @return array<string, mixed> */
    private static function alike(LikeForLike $one, ?LikeForLike $benchmark): array
    {
        $rows = [];
        foreach ($one->alike as $measure => $a) {
            $rows[] = [
                'measure' => $measure, 'measured' => $one->measured[$measure]->mean, 'alike' => $a['mean'], 'error' => $a['error'],
                'against' => $benchmark === null ? null : $one->against($benchmark, $measure),
            ];
        }

        return ['rows' => $rows, 'ownShifts' => $one->ownShifts, 'corrected' => $one->corrected];
    }

    /** @return array<string, mixed> */
    private static function forgiveness(Forgiveness $f): array
    {
        return [
            'seen' => $f->seen, 'zones' => $f->zones, 'costs' => $f->costs, 'correction' => $f->correction,
            'worstCarryM' => $f->worstCarryM, 'worstAt' => $f->worstAt, 'assumed' => $f->assumed,
        ];
    }

    /** @return array{toeMm: float, highMm: float, assumed: bool} the point of the face in line with the CG */
    private static function inLine(Evidence $e): array
    {
        [$toe, $high] = $e->spec->body->inLineWithCg();

        return ['toeMm' => $toe, 'highMm' => $high, 'assumed' => $e->spec->bodyAssumed];
    }

    /** @return list<float> club speed of what counts in the order it was hit, ball speed where no club was seen */
    private function speeds(): array
    {
        return array_column($this->record->speedsInOrder(), 'speedMps');
    }

    /** @return list<SetupSpec> settings of the benchmark's head that nobody hit yet: its sleeve positions, with the weights as they are */
    private function untried(): array
    {
        $setup = $this->record->setups[$this->record->benchmark ?? ''] ?? null;
        if ($setup?->racked === null) {
            return [];
        }
        $isThere = fn (string $label): bool => array_filter(
            $this->record->setups,
            static fn (SetupRecord $s): bool => $s->racked !== null &&
                $s->head === $setup->head &&
                $s->sleeveLabel === $label &&
                $s->masses == $setup->masses,
        ) !== [];
        $out = [];
        foreach ($setup->sleeveSystem()->positions as $position) {
            if (! $isThere($position->label)) {
                $out[] = $setup->at($position->label)->spec($this->record->hand);
            }
        }

        return $out;
    }

    /** @return array<string, mixed>|null */
    private static function next(?NextMove $move): ?array
    {
        return $move === null
            ? null
            : [
                'head' => $move->candidate->head, 'sleeve' => $move->candidate->sleeve, 'weights' => $move->candidate->weights,
                'mends' => $move->mends, 'effect' => $move->effect,
            ];
    }
}
