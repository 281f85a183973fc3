<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use ArrayObject;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\FlightLimits;
use MintCarry\Core\Fitting\PosteriorDraws;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Memory\LearnedFitting;
use MintCarry\Core\Record\FittingRecord;

use function array_filter;
use function array_map;
use function array_slice;
use function array_unique;
use function array_values;
use function in_array;

/**
 * Belief and draws of a fitting's record. All that judges the same shots draws the same luck, so that a setup has
 * the same figures in the finder, in the decision and on the command line.
 */
final class Search
{
    /** @var array{Belief, Belief}|null before and after the shots */
    private ?array $beliefs = null;

    /** @var array<string, Discrepancy> by setup: what its shots say beyond the models */
    private array $missed = [];

    private ?PredictedDraws $ofHit = null;

    /** @var ArrayObject<string, array{SetupSpec, array{list<list<float>>, list<list<float>>, BallCloud}}>|null draws by setup */
    private ?ArrayObject $made = null;

    /**
     * @param  list<array{spec: SetupSpec, shots: list<\MintCarry\Core\Launch\LaunchShot>, order: float, visit: int}>  $tested
     * @param  list<SetupSpec>  $heads  every setup of the whole rack
     */
    private function __construct(
        private readonly FittingRecord $record, public readonly RackCandidates $candidates, private readonly array $tested,
        private readonly array $heads, private readonly float $clubSpeedMps,
    ) {
    }

    /** @throws InvalidInput when there is no own club, or it was not hit */
    public static function of(FittingRecord $record, ?Screening $screening = null): self
    {
        $own = $record->own();
        $set =
            $record->sets($screening)[$own->tag] ??
            throw InvalidInput::of(
                'baseline',
                "The own club {$own->tag} has no counted shot yet: hit it first. Everything is judged as a difference from it.",
            );
        $candidates = RackCandidates::by($record);

        return new self(
            $record, $candidates, $record->tested($screening), $candidates->specs,
            $set->summary(Measure::ClubSpeed)->mean ??
                ($set->summary(Measure::BallSpeed)->mean ?? PlayerPriors::BALL_SPEED_MPS) / PlayerPriors::SMASH,
        );
    }

    /** So many records are remembered with what was worked out of them: a judgement looks at one, its other swings and its other policies. */
    private const REMEMBERED = 6;

    /** @var list<array{FittingRecord, ArrayObject<string, self|null>}> the last records, the newest first; searches by the shots that count */
    private static array $known = [];

    /**
     * The search where the models have something to work from: every setup that was hit has ball data; else null,
     * and the shots speak for themselves.
     *
     * @throws ModelFailure where the belief cannot be worked out
     */
    public static function modelled(FittingRecord $record, ?Screening $screening = null): ?self
    {
        $known = self::knownOf($record);
        // Several policies may count the same shots in the same way: what is worked out of them is the same.
        $which = '';
        foreach ($record->sets($screening) as $tag => $set) {
            $which .= "{$tag} ".($set->isRobust() ? 'robust ' : '').implode(' ', array_map(spl_object_id(...), $set->shots)).';';
        }
        $key = hash('xxh128', $which);
        if (! isset($known[$key])) {
            $known[$key] = $record->isModelled($screening) ? self::of($record, $screening) : null;
        }

        return $known[$key];
    }

    /** @return ArrayObject<string, self|null> */
    private static function knownOf(FittingRecord $record): ArrayObject
    {
        foreach (self::$known as [$of, $known]) {
            if ($of === $record) {
                return $known;
            }
        }
        /** @var ArrayObject<string, self|null> $known */
        $known = new ArrayObject;
        self::$known = [[$record, $known], ...array_slice(self::$known, 0, self::REMEMBERED - 1)];

        return $known;
    }

    /** The same belief, with another choice of the rack (`RackCandidates::WHICH`). */
    public function offering(string $only): self
    {
        $other = new self($this->record, RackCandidates::by($this->record, $only), $this->tested, $this->heads, $this->clubSpeedMps);
        $this->made ??= new ArrayObject;
        [$other->beliefs, $other->missed, $other->ofHit, $other->made] = [$this->beliefs(), $this->missed, $this->ofHit, $this->made];

        return $other;
    }

    /** @return array{Belief, Belief} before and after the shots */
    private function beliefs(): array
    {
        if ($this->beliefs === null) {
            $hit = $this->hit();
            $names = array_values(array_unique(array_map(static fn (SetupSpec $b): string => $b->model(), [...$this->heads, ...$hit])));
            $prior = Belief::prior(
                $this->record->own()->spec($this->record->hand), $this->clubSpeedMps, $names, $hit,
                $this->record->brief->squaringShare(), earlier: array_slice($this->record->visits(), 0, -1),
                handicap: $this->record->brief->handicap, memory: $this->record->memory,
                isOwnRacked: $this->record->own()->racked !== null,
            );
            $this->beliefs = [$prior, $prior->after($this->tested)];
            $this->missed = Discrepancy::among($this->beliefs[1], $this->tested, $this->record->flight);
        }

        return $this->beliefs;
    }

    /**
     * What each head, and each shaft, length, ball, tee or cue that was hit beside the usual, is believed to do of
     * its own; the own club does nothing of its own.
     *
     * @return list<array{head: string|null, with: array<string, string|float|null>, effects: array<string, array{mean: float,
     *   sd: float}>}> of what was hit
     */
    public function ownEffects(): array
    {
        [, $belief] = $this->beliefs();
        $own = $belief->own;
        $out = $done = [];
        foreach ($this->hit() as $spec) {
            if ($spec->head !== $own->head && ! in_array($spec->head, $done, true)) {
                $done[] = $spec->head;
                $out[] = ['head' => $spec->head, 'with' => [], 'effects' => $belief->effects($belief->heads[$spec->head])];
            }
        }
        foreach ($this->candidates->builds as $key => $build) {
            if (isset($belief->builds[$key])) {
                $out[] = [
                    'head' => null, 'with' => $build->beside($this->candidates->usual),
                    'effects' => $belief->effects($belief->builds[$key]),
                ];
            }
        }

        return $out;
    }

    /**
     * Draws of some setups: the same figures for each, whichever others are among them.
     *
     * @param  list<SetupSpec>  $setups
     * @param  array<int, float>  $day  another day's swing, added to the nine values
     * @param  SetupSpec|null  $ownAs  the own club as it would be if it were a little otherwise
     * @param  float|null  $squaring  for a player who squares the face by this share and no other
     *
     * @throws ModelFailure where the models give no ball for the own club
     */
    public function drawsOf(
        array $setups, array $day = [], ?SetupSpec $ownAs = null, ?float $squaring = null,
    ): PredictedDraws {
        [$prior, $belief] = $this->beliefs();

        $isUsual = $day === [] && $ownAs === null && $squaring === null;

        return PredictedDraws::of(
            $prior, $belief, $setups, $this->record->flight, $day, ownAs: $ownAs, squaring: $squaring, missed: $this->missed,
            made: $isUsual ? $this->made ??= new ArrayObject : null,
        );
    }

    /** What this fitting says of heads and of changes, for those that follow; null where nothing but the own club was hit. */
    public function lesson(): ?LearnedFitting
    {
        [$prior, $belief] = $this->beliefs();

        return Lesson::of($prior, $belief, $this->hit(), $this->record->own()->racked !== null);
    }

    /** What is believed of this player after the shots. */
    public function belief(): Belief
    {
        return $this->beliefs()[1];
    }

    /** Draws of what was hit alone, in a fraction of the time that the rack takes. */
    public function drawsOfHit(): PredictedDraws
    {
        return $this->ofHit ??= $this->drawsOf($this->hit());
    }

    /** @return list<SetupSpec> */
    public function hit(): array
    {
        $out = [];
        foreach ($this->tested as ['spec' => $spec]) {
            $out[$spec->tag] ??= $spec;
        }

        return array_values($out);
    }

    /**
     * @return list<SetupSpec> what was hit, then what else the rack offers. Setups that were hit and are no longer on the rack
     *   stay in the judgement.
     */
    public function all(): array
    {
        $tags = array_map(static fn (SetupSpec $b): string => $b->tag, $this->hit());

        return [
            ...$this->hit(),
            ...array_values(array_filter($this->candidates->specs, static fn (SetupSpec $b): bool => ! in_array($b->tag, $tags, true))),
        ];
    }

    /** Draws of what was hit and of the rack. */
    public function draws(): PredictedDraws
    {
        return $this->drawsOf($this->all());
    }

    /** The draws of what was hit as the advice takes them, under a brief. */
    public static function posterior(PredictedDraws $draws, Brief $brief, ?FlightLimits $limits = null): PosteriorDraws
    {
        return self::posteriorOf($draws, ScoredDraws::of($draws, $brief, $limits));
    }

    public static function posteriorOf(PredictedDraws $draws, ScoredDraws $scored): PosteriorDraws
    {
        $tags = array_map(static fn (SetupSpec $b): string => $b->tag, $draws->specs);
        $by = static fn (array $bySetup): array => array_combine($tags, $bySetup);

        return new PosteriorDraws(
            $by($scored->scores), $by($scored->strokes), $by($scored->aimFixed), $by($scored->aims), $by($scored->lefts),
            $by($scored->rights), $by(array_column($draws->figures, 0)), $by(array_column($draws->figures, 1)), $by($scored->nevers),
            $by($scored->troubles), array_map($by, self::flights($draws)),
        );
    }

    /**
     * Figures of the ball and its flight that a wish may be about, by setup and draw.
     *
     * @return array<string, array<int, array<int, float>>>
     */
    public static function flights(PredictedDraws $draws): array
    {
        $out = [];
        foreach ($draws->figures as $s => $f) {
            $direction = $f[PredictedDraws::DIRECTION];
            $curve = static fn (float $side, float $carry, float $start): float => $side - $carry * tan(deg2rad($start));
            $out['apexM'][$s] = $f[3];
            $out['launchDeg'][$s] = $f[PredictedDraws::LAUNCH];
            $out['spinRpm'][$s] = $f[PredictedDraws::SPIN];
            $out['directionDeg'][$s] = $direction;
            $out['curveM'][$s] = array_map($curve, $f[2], $f[0], $direction);
            $out['descentDeg'][$s] = $f[9];
        }

        return $out;
    }
}
