<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use MintCarry\Core\Air\OpenAir;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\FlightLimits;
use MintCarry\Core\Fitting\FlightTarget;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\TieBreak;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Judging\MixedSpeeds;
use MintCarry\Core\Judging\SessionSpeeds;
use MintCarry\Core\Launch\BayCalibration;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Launch\NotMeasured;
use MintCarry\Core\Memory\StudioMemory;
use MintCarry\Core\Statistics\Evenly;
use Random\Engine\Mt19937;
use Random\Randomizer;

use function array_filter;
use function array_sum;
use function count;

/**
 * A whole fitting as the core judges it, wherever it comes from: the application's records or a fitting file. The
 * same record always gives the same figures: what is drawn belongs to what it is drawn for (`KeyedDraws`).
 */
final readonly class FittingRecord
{
    /**
     * @param  array<string, SetupRecord>  $setups  by tag, in the order of the trail; the first is the own club
     * @param  array<string, list<ShotRecord>>  $shots  by tag, in the order they were hit
     * @param  string|null  $benchmark  tag of the setup that the others must beat
     * @param  list<RackedHead>  $rack  heads of this hand
     * @param  string|null  $inHand  tag of the setup that was hit last
     * @param  array<string, float>  $confidence  what the player said, 1 … 5, by tag
     * @param  list<string>  $tieOrder  what breaks a tie, first first (`TieBreak::CRITERIA`)
     * @param  BallFlight  $flight  in the air and on the ground of the brief, calibrated to the monitors
     * @param  array<string, list<string>>  $conditions  what a setup was hit under in its trials, each as "what: value", by tag
     * @param  string|null  $swing  which of several swings its shots are of; null: there is one
     * @param  self|null  $whole  the same with the shots of every swing
     * @param  StudioMemory|null  $memory  what the studio's earlier fittings say, as it was when this one began
     */
    public function __construct(
        public int $seed,
        public Hand $hand,
        public Brief $brief,
        public Screening $screening,
        public BallFlight $flight,
        public array $setups,
        public array $shots,
        public ?string $benchmark,
        public array $rack = [],
        public ?string $inHand = null,
        public array $confidence = [],
        public array $tieOrder = TieBreak::CRITERIA,
        public array $conditions = [],
        public ?BayCalibration $calibration = null,
        public ?string $swing = null,
        private ?self $whole = null,
        public ?StudioMemory $memory = null,
    ) {
    }

    /**
     * What setups were hit under, each as "what: value", from their trials that have shots.
     *
     * @param  list<array{tag: string, visit: int|null, conditions: array<string, mixed>}>  $trials
     * @return array<string, list<string>> by tag
     */
    public static function conditionsOf(array $trials): array
    {
        $out = [];
        foreach ($trials as ['tag' => $tag, 'visit' => $visit, 'conditions' => $conditions]) {
            $out[$tag][] = "visit: {$visit}";
            // Outdoors, wind and air are taken out, and a guard rail of their own says so.
            $air = OpenAir::of($conditions) === null ? ['temperatureC' => 'air', 'altitudeM' => 'altitude'] : [];
            foreach ($air + ['turf' => 'ground', 'monitor' => 'monitor'] as $field => $name) {
                $value = $conditions[$field] ?? '';
                if (is_scalar($value) && $value !== '') {
                    $out[$tag][] = "{$name}: {$value}";
                }
            }
        }

        return array_map(static fn (array $all): array => array_values(array_unique($all)), $out);
    }

    /**
     * Shots that could not be computed; they are left out.
     *
     * @return list<ModelFailure>
     */
    public function failures(): array
    {
        $out = [];
        foreach ($this->shots as $tag => $shots) {
            foreach ($shots as $s) {
                if ($s->shot->failure !== null) {
                    $out[] = $s->shot->failure->within("Shot {$s->sequence} of {$tag}, which is left out,");
                }
            }
        }

        return $out;
    }

    /** How many shots count, of all setups. */
    public function countedShots(): int
    {
        return array_sum(array_map(static fn (ShotSet $set): int => $set->count(), $this->sets()));
    }

    /** How many of the shots that count were made up. */
    public function simulatedShots(): int
    {
        return array_sum(
            array_map(
                static fn (array $shots): int => count(
                    array_filter($shots, static fn (ShotRecord $s): bool => $s->isSimulated && $s->leftOut === null),
                ),
                $this->shots,
            ),
        );
    }

    /** The own club: the first setup of the trail. */
    public function own(): SetupRecord
    {
        foreach ($this->setups as $setup) {
            return $setup;
        }
        throw InvalidInput::of('baseline', 'The finder needs the player’s own club: add it on the bench first.');
    }

    /** The same fitting with another benchmark. */
    public function withBenchmark(string $benchmark): self
    {
        return new self(...['benchmark' => $benchmark] + get_object_vars($this));
    }

    /** The same fitting as if no earlier one had shown anything of the heads. */
    public function withoutMemory(): self
    {
        return new self(...['memory' => null, 'whole' => $this->whole?->withoutMemory()] + get_object_vars($this));
    }

    /** The same fitting under another brief. */
    public function withBrief(Brief $brief): self
    {
        return new self(...['brief' => $brief] + get_object_vars($this));
    }

    /**
     * Counted shots by tag; setups without one are left out.
     *
     * @return array<string, ShotSet>
     */
    public function sets(?Screening $screening = null): array
    {
        $policy = $screening ?? $this->screening;

        return KnownSets::of($this, $policy, function () use ($policy): array {
            $out = [];
            foreach ($this->setups as $tag => $_) {
                $set = $policy->of((string) $tag, $this->listed((string) $tag));
                if ($set->count() > 0) {
                    $out[(string) $tag] = $set;
                }
            }

            return $out;
        });
    }

    /** @return list<array{shot: LaunchShot, leftOut: string|null, visit: int}> every shot of a setup, as a screening policy takes them */
    public function listed(string $tag): array
    {
        $last = $this->lastVisit();

        return array_map(
            static fn (ShotRecord $s): array => ['shot' => $s->shot, 'leftOut' => $s->leftOut, 'visit' => $s->visit ?? $last],
            $this->shots[$tag] ?? [],
        );
    }

    /** @return list<int> visits on which shots were hit, the last at the end; one where nobody told of visits */
    public function visits(): array
    {
        $visits = [];
        foreach ($this->shots as $shots) {
            foreach ($shots as $s) {
                if ($s->visit !== null) {
                    $visits[$s->visit] = true;
                }
            }
        }
        ksort($visits);

        return $visits === [] ? [1] : array_keys($visits);
    }

    public function lastVisit(): int
    {
        $visits = $this->visits();

        return $visits[count($visits) - 1];
    }

    /**
     * Of so many shots with a setup on a visit the models take no more, spread evenly over them: what more of them
     * would say is less than a fourteenth of one shot's scatter, and a fitting of twenty thousand would not be
     * answered while somebody waits.
     */
    public const MODELLED_SHOTS = 200;

    /** Many shots with a setup on a visit are told in so many parts at most, of so many shots at least. */
    private const MOST_PARTS = 4;

    private const SHOTS_OF_PART = 8;

    /** In units of 20 shots. */
    private const LONGEST_VISIT = 2.0;

    /**
     * What was hit, as the belief takes it: each setup on each visit, in parts where it was hit often.
     *
     * @return list<array{spec: SetupSpec, shots: list<LaunchShot>, order: float, visit: int}> order: how far into the visit, in units of 20
     *   shots; of a long visit a unit is half of it
     */
    public function tested(?Screening $screening = null): array
    {
        $out = [];
        $last = $this->lastVisit();
        $counted = $began = $ended = [];
        foreach ($this->shots as $tag => $shots) {
            foreach ($shots as $s) {
                $visit = $s->visit ?? $last;
                $began[$visit] = min($began[$visit] ?? PHP_INT_MAX, $s->sequence);
                if ($s->leftOut === null && $s->shot->failure === null) {
                    $counted[$tag][$visit][] = $s->sequence;
                    $ended[$visit] = max($ended[$visit] ?? 0, $s->sequence);
                }
            }
        }
        foreach ($this->sets($screening) as $tag => $set) {
            $spec = $this->setups[$tag]->spec($this->hand);
            foreach ($set->byVisit() as $visit => $hit) {
                $shots = Evenly::of($hit->shots, self::MODELLED_SHOTS);
                $sequences = $counted[$tag][$visit] ?? [];
                // Nobody tires without end: a visit is as long as forty shots at most.
                $unit = max(20.0, (($ended[$visit] ?? 0) - $began[$visit] + 1) / self::LONGEST_VISIT);
                $parts = max(1, min(self::MOST_PARTS, intdiv(count($shots), self::SHOTS_OF_PART)));
                // Where shots were hit one after another, their parts tell whether the player tires.
                foreach (array_chunk($shots, max(1, (int) ceil(count($shots) / $parts))) as $k => $part) {
                    $of = array_slice($sequences, (int) round($k * count($sequences) / $parts), (int) ceil(count($sequences) / $parts));
                    $out[] = [
                        'spec' => $spec, 'shots' => $part, 'visit' => $visit,
                        'order' => $of === [] ? 0.0 : (array_sum($of) / count($of) - $began[$visit] + 1) / $unit,
                    ];
                }
            }
        }

        return $out;
    }

    /** Was the own club hit, and does every setup that was hit have ball data that the models can work from? */
    public function isModelled(?Screening $screening = null): bool
    {
        $sets = $this->sets($screening);
        if ($this->setups === [] || ! isset($sets[$this->own()->tag])) {
            return false;
        }
        foreach ($sets as $set) {
            if (
                count($set->values(Measure::BallSpeed)) *
                    count($set->values(Measure::LaunchAngle)) *
                    count($set->values(Measure::Spin)) *
                    count($set->values(Measure::Direction)) ===
                0
            ) {
                return false;
            }
        }

        return true;
    }

    /**
     * Club speed of what counts on the last visit, in the order it was hit; ball speed where no club was seen.
     *
     * @return list<array{tag: string, sequence: int, speedMps: float}>
     */
    public function speedsInOrder(): array
    {
        $all = [];
        $last = $this->lastVisit();
        foreach ($this->shots as $tag => $shots) {
            foreach ($shots as $s) {
                if ($s->leftOut === null && ($s->visit ?? $last) === $last) {
                    $all[] = ['tag' => (string) $tag, 'sequence' => $s->sequence, 'shot' => $s->shot, 'trial' => $s->trial];
                }
            }
        }

        return SessionSpeeds::inOrder($all);
    }

    /** The same with what a monitor only filled in on a visit taken out of what was measured (`NotMeasured`). */
    public function withoutFilledIn(): self
    {
        $byVisit = [];
        foreach ($this->shots as $shots) {
            foreach ($shots as $s) {
                $byVisit[$s->visit ?? 0][] = $s->shot;
            }
        }
        $filledIn = array_filter(array_map(NotMeasured::among(...), $byVisit));
        if ($filledIn === []) {
            return $this;
        }
        $without = static fn (ShotRecord $s): ShotRecord => new ShotRecord(
            ...['shot' => $s->shot->notMeasuring($filledIn[$s->visit ?? 0] ?? [])] + get_object_vars($s),
        );

        return new self(...['shots' => array_map(static fn (array $its): array => array_map($without, $its), $this->shots)]
            + get_object_vars($this));
    }

    /** The same with the shots of every swing. */
    public function ofAllSwings(): self
    {
        return $this->whole ?? $this;
    }

    /** The swings that were hit, where there is more than one: then nothing is told of the mean of them. */
    public function swings(): ?MixedSpeeds
    {
        $all = [];
        $clubSeen = true;
        foreach ($this->ofAllSwings()->setups as $tag => $_) {
            foreach ($this->ofAllSwings()->speedsOf((string) $tag) as $s) {
                $all[] = ['tag' => (string) $tag] + $s;
                $clubSeen = $clubSeen && $s['byClub'];
            }
        }
        usort($all, static fn (array $a, array $b): int => $a['sequence'] <=> $b['sequence']);

        return MixedSpeeds::among($all, $clubSeen);
    }

    /**
     * The same with the shots of one swing alone, where more than one was hit.
     *
     * @param  string|null  $name  null: the one that most shots were hit with, of those that hit the benchmark; of equal ones the fastest
     *
     * @throws InvalidInput where there is no such swing
     */
    public function atOneSwing(?string $name = null): self
    {
        $mixed = $this->swings();
        if ($mixed === null) {
            return $name === null ? $this : throw InvalidInput::of('swing', "There is only one kind of swing here, and no '{$name}'.");
        }
        $whole = $this->ofAllSwings();
        $most = 0;
        $names = array_column($mixed->groups, 'name');
        if ($name !== null && ! in_array($name, $names, true)) {
            throw InvalidInput::of('swing', "There is no swing '{$name}' in this fitting; it has ".implode(' and ', $names).'.');
        }
        $of = [];
        foreach ($whole->setups as $tag => $_) {
            foreach ($whole->speedsOf((string) $tag) as $s) {
                $of[$tag][$s['sequence']] = $mixed->groupOf($s['speedMps'], $s['intent']);
            }
        }
        foreach ($name === null ? $mixed->groups : [] as $group) {
            if ($group['n'] >= $most && in_array($group['name'], $of[$this->benchmark ?? ''] ?? [$group['name']], true)) {
                [$most, $name] = [$group['n'], $group['name']];
            }
        }
        $shots = [];
        foreach ($whole->shots as $tag => $its) {
            $shots[$tag] = array_values(array_filter(
                $its, static fn (ShotRecord $s): bool => $s->leftOut !== null || ($of[$tag][$s->sequence] ?? $name) === $name,
            ));
        }

        return new self(...['shots' => $shots, 'swing' => $name, 'whole' => $whole, 'benchmark' => $this->benchmark, 'brief' => $this->brief]
            + get_object_vars($whole));
    }

    /**
     * Which swing the figures are of, and which there are, as a report tells it.
     *
     * @return array{swing: string|null, swings: list<array{name: string, n: int, speedMps: float}>}
     */
    public function toldSwings(): array
    {
        return ['swing' => $this->swing, 'swings' => $this->swing === null ? [] : $this->swings()->groups ?? []];
    }

    /**
     * Setups whose counted shots were hit at more than one speed.
     *
     * @return array<string, MixedSpeeds> by tag
     */
    public function mixedSpeeds(): array
    {
        $whole = $this->ofAllSwings();
        $out = [];
        foreach ($whole->setups as $tag => $_) {
            $speeds = $whole->speedsOf((string) $tag);
            $mixed = MixedSpeeds::among($speeds, $speeds[0]['byClub'] ?? false);
            if ($mixed !== null) {
                $out[(string) $tag] = $mixed;
            }
        }

        return $out;
    }

    /**
     * Speed and intent of a setup's counted shots, in the order they were hit: club speed where most shots have it,
     * else ball speed over the usual smash factor.
     *
     * @return list<array{speedMps: float, intent: string, shot: LaunchShot, visit: int|null, sequence: int, byClub: bool}>
     */
    public function speedsOf(string $tag): array
    {
        $counted = array_values(array_filter(
            $this->shots[$tag] ?? [], static fn (ShotRecord $s): bool => $s->leftOut === null && $s->shot->failure === null,
        ));
        $seen = array_filter($counted, static fn (ShotRecord $s): bool => $s->shot->value(Measure::ClubSpeed) !== null);
        $byClub = 2 * count($seen) > count($counted);
        $out = [];
        foreach ($counted as $s) {
            $ball = $s->shot->value(Measure::BallSpeed);
            $speed = $byClub ? $s->shot->value(Measure::ClubSpeed) : ($ball === null ? null : $ball / PlayerPriors::SMASH);
            if ($speed !== null) {
                $out[] = ['speedMps' => $speed, 'intent' => MixedSpeeds::intent($s->intent), 'shot' => $s->shot, 'visit' => $s->visit, 'sequence' => $s->sequence,
                    'byClub' => $byClub];
            }
        }

        return $out;
    }

    /**
     * Where the brief wants the ball to fly, with the own club's speed and attack where they were measured; club speed from the ball's
     * where no club was seen.
     */
    public function target(): FlightTarget
    {
        $own = $this->setups === [] ? null : $this->sets()[$this->own()->tag] ?? null;
        $ball = $own?->summary(Measure::BallSpeed)?->mean;

        return FlightTarget::of(
            $this->brief, $own?->summary(Measure::ClubSpeed)->mean ?? ($ball === null ? null : $ball / PlayerPriors::SMASH),
            $own?->summary(Measure::Attack)?->mean,
        );
    }

    /** From where on a drive is too low or too high; null where the brief does not mind. */
    public function limits(): ?FlightLimits
    {
        return array_intersect($this->brief->never, ['low runner', 'balloon']) === [] ? null : FlightLimits::of($this->target());
    }

    /** A fresh source of luck, always the same: no figure hangs on the seed of a file (docs/decisions/018). */
    public static function random(): Randomizer
    {
        return new Randomizer(new Mt19937(1));
    }
}
