<?php

declare(strict_types=1);

namespace App\Live;

use App\Fittings\FittingLoader;
use App\Models\Blind;
use App\Models\Fitting;
use App\Models\Shot;
use App\Models\Trial;
use Illuminate\Support\Collection;
use MintCarry\Core\Fitting\BlindGuess;
use MintCarry\Core\Fitting\LiveVerdict;
use MintCarry\Core\Fitting\MeanFlight;
use MintCarry\Core\Fitting\Repeat;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\Verdict;
use MintCarry\Core\Fitting\Wanted;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Judging\MixedSpeeds;
use MintCarry\Core\Judging\SpeedSince;
use MintCarry\Core\Judging\Verdicts;
use MintCarry\Core\Judging\Withheld;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Report\JudgingReport;
use MintCarry\Core\Statistics\Summary;

/** What the bay shows of the running trial beside its shots: means, how it stands against the benchmark, what moved, the drift of speed. */
final readonly class BayFigures
{
    private const DRIFT = 400;

    /** Sides of the benchmark's shots that a strip above the map shows. */
    private const SIDES = 60;

    private const MEANS = [
        Measure::Carry, Measure::Total, Measure::Side, Measure::BallSpeed, Measure::LaunchAngle, Measure::Spin, Measure::Apex,
        Measure::ClubSpeed, Measure::StrikeToe, Measure::StrikeHigh,
    ];

    /** The shots of the running trial that count. */
    private ShotSet $ofTrial;

    /** @param  bool  $secret  is it a blind trial that goes on: then nothing may tell which setup it is */
    public function __construct(
        private Fitting $fitting, private FittingLoader $judged, private ?Trial $trial, private bool $secret,
    ) {
        $this->ofTrial = $this->setOfTrial();
    }

    /** @return array<string, Summary|null> of the running trial */
    public function means(): array
    {
        return self::meansOf($this->ofTrial);
    }

    /**
     * Of all shots of the setup in the hand, which the words are about; null where they are those of the trial.
     *
     * @return array<string, Summary|null>|null
     */
    public function setupMeans(): ?array
    {
        $set = $this->inHand();

        return $set === null || $set->count() === $this->ofTrial->count() ? null : self::meansOf($set);
    }

    /** @return array<string, Summary|null>|null of the benchmark, where it was hit */
    public function benchmarkMeans(): ?array
    {
        $benchmark = $this->benchmark();

        return $benchmark === null ? null : self::meansOf($benchmark);
    }

    /**
     * How the setup in the hand stands against the benchmark, by measure, and why no word is said, where none is.
     *
     * @return array{list<array<string, mixed>>, Withheld|null}
     */
    public function verdicts(): array
    {
        if ($this->trial === null || $this->secret || $this->benchmark() === null) {
            return [[], null];
        }
        $tag = $this->judged->setups[$this->trial->setup_id]->tag;
        $sets = $this->ofThisSwing();
        $words = Verdicts::among($sets, $this->judged->benchmark, $this->wanted(), $this->judged->speedsInOrder());

        return [array_map(JudgingReport::verdict(...), $words->of[$tag] ?? []), $words->withheld[$tag] ?? null];
    }

    /** @return array<string, ShotSet> by tag: of several swings the shots of the one that was hit last */
    private function ofThisSwing(): array
    {
        $sets = [];
        foreach ($this->judged->sets as $one) {
            $sets[$one->tag] = $one;
        }
        $swings = $this->mixed() === null ? null : $this->judged->record()->swings();
        $last = array_values(array_filter($this->shotsOfTrial(), static fn (array $s): bool => $s['leftOut'] === null));
        if ($swings === null || $last === []) {
            return $sets;
        }
        $shot = $last[count($last) - 1];
        $speed = $shot['shot']->value(Measure::ClubSpeed) ?? ($shot['shot']->value(Measure::BallSpeed) ?? 0.0) / PlayerPriors::SMASH;

        return $this->judged->record($swings->groupOf($speed, $shot['intent']))->sets();
    }

    /**
     * Where the trial and the benchmark land, and how their mean balls fly; nothing of what is secret but its own shots.
     *
     * @return array{trial: array<string, mixed>|null, benchmark: array<string, mixed>|null}
     */
    public function pattern(): array
    {
        $of = function (?ShotSet $set): ?array {
            if ($set === null || $set->count() === 0) {
                return null;
            }
            $ball = collect($this->judged->setups)->firstWhere('tag', $set->tag)->ball ?? '';

            return [
                'ellipse' => $set->ellipse(), 'sideM' => $set->summary(Measure::Side)?->mean, 'carryM' => $set->summary(Measure::Carry)?->mean,
                'sides' => array_slice($set->values(Measure::Side), -self::SIDES),
                'path' => MeanFlight::of($set, $this->judged->calibrations->bay->flight->ofBall($ball)),
            ];
        };

        return ['trial' => $of($this->ofTrial), 'benchmark' => $of($this->benchmark())];
    }

    /** @return array{byMps: float, trial: int|null}|null how much faster or slower the player swings now on this visit, since which trial */
    public function speedSince(): ?array
    {
        $speeds = $this->secret ? [] : $this->judged->speedsInOrder();
        $found = SpeedSince::of(array_column($speeds, 'speedMps'));

        return $found === null ? null : ['byMps' => $found->byMps, 'trial' => $speeds[$found->at]['trial']];
    }

    /**
     * What a revealed blind trial said, by its own shots alone: each setting against the benchmark where that was among them, else against
     * the first of the trail.
     *
     * @param  array<int, Trial>  $trials
     * @return array{order: list<string>, against: string, verdicts: list<array{tag: string, name: string, verdict: Verdict}>,
     *   guess: array{right: int, of: int, p: float, better: bool, canTell: bool}|null}
     */
    public function revealed(Blind $blind, array $trials): array
    {
        $its = array_values(array_filter($trials, static fn (Trial $t): bool => $t->blind_id === $blind->id));
        $ids = array_values(array_unique($blind->setups));
        sort($ids);
        $against = in_array($this->fitting->benchmark_setup_id, $ids, true) ? (int) $this->fitting->benchmark_setup_id : $ids[0];
        $mine = array_column($its, 'id');
        $set = fn (int $id): ShotSet => $this->fitting->policy()->of($this->judged->setups[$id]->tag, array_values(array_filter(
            $this->judged->shots[$id] ?? [], static fn (array $s): bool => in_array($s['trial'], $mine, true),
        )));
        $verdicts = [];
        foreach (array_diff($ids, [$against]) as $id) {
            foreach (LiveVerdict::of($set($against), $set($id), $this->wanted(), onlyDeclared: true) as $v) {
                $verdicts[] = ['tag' => $this->judged->setups[$id]->tag, 'name' => $v->name, 'verdict' => $v->verdict];
            }
        }
        $guess = BlindGuess::of(
            $ids, array_map(static fn (Trial $t): int => $t->setup_id, $its),
            array_map(static fn (Trial $t): ?int => $t->guess_setup_id, $its),
        );

        return [
            'order' => array_map(static fn (Trial $t): string => $t->setup->tag, $its),
            'against' => $this->judged->setups[$against]->tag, 'verdicts' => $verdicts,
            'guess' => $guess === null ? null : [
                'right' => $guess->right, 'of' => $guess->of, 'p' => $guess->p, 'better' => $guess->isBetterThanChance(),
                'canTell' => $guess->canTell,
            ],
        ];
    }

    private function wanted(): Wanted
    {
        return Wanted::of($this->fitting->brief(), $this->fitting->player->hand);
    }

    /** @return list<array{policy: string, verdict: Verdict}> policies under which the declared verdict would be another */
    public function flips(): array
    {
        return $this->trial === null || $this->inHand() === null || $this->benchmark() === null
            ? []
            : LiveVerdict::flips(
                fn (Screening $policy): array => [
                    $policy->of('', $this->judged->shots[$this->fitting->benchmark_setup_id ?? 0] ?? []),
                    $policy->of('', $this->judged->shots[$this->trial->setup_id]),
                ],
                $this->fitting->policy(), $this->wanted(),
            );
    }

    /**
     * A setup hit again against the first trial of it.
     *
     * @param  array<int, Trial>  $trials
     * @return list<array{measure: string, value: float, moved: bool, since: int}>
     */
    public function repeat(array $trials): array
    {
        $trial = $this->trial;
        if ($trial === null || $this->secret || $trial->kind === 'warm-up') {
            return [];
        }
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
        $of = fn (Trial $t): ShotSet => $this->fitting
            ->policy()
            ->of('', array_values(array_filter($this->judged->shots[$trial->setup_id] ?? [], fn (array $s): bool => $s['trial'] === $t->id)));

        return array_map(
            fn (Repeat $r): array => [
                'measure' => $r->measure->value, 'value' => $r->value, 'moved' => $r->moved, 'since' => $first->number,
            ],
            Repeat::of($of($first), $of($trial)),
        );
    }

    /**
     * @return list<array{sequence: int, trial: int|null, setupId: int, speedMps: float, club: bool, counts: bool}> club speed
     *   shot by shot, ball speed where no club was seen
     */
    public function drift(?Blind $blind): array
    {
        /** @var list<array{id: int, trial: int|null, sequence: int, shot: LaunchShot, leftOut: string|null, setupId: int}> $all */
        $all = [];
        foreach ($this->judged->shots as $setupId => $shots) {
            foreach ($shots as $s) {
                $all[] = $s + ['setupId' => $setupId];
            }
        }
        if ($blind !== null) {
            $by = $this->judged->calibrations;
            $hidden = Trial::query()->where('blind_id', $blind->id)->pluck('id')->all();
            /** @var Collection<int, Shot> $secret */
            $secret = Shot::query()->whereIn('trial_id', $hidden)->get(['id', 'setup_id', 'trial_id', 'sequence', 'source', 'measured', 'left_out_reason']);
            foreach ($secret as $s) {
                $all[] = [
                    'id' => $s->id, 'trial' => $s->trial_id, 'sequence' => $s->sequence, 'shot' => $by->shot($s),
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

    private function benchmark(): ?ShotSet
    {
        return $this->judged->sets[$this->fitting->benchmark_setup_id ?? 0] ?? null;
    }

    /** The shots of the setup in the hand, where it may be told and is not the benchmark itself. */
    private function inHand(): ?ShotSet
    {
        return $this->trial === null || $this->secret || $this->trial->setup_id === $this->fitting->benchmark_setup_id
            ? null
            : $this->judged->sets[$this->trial->setup_id] ?? null;
    }

    /** Were the running trial's shots hit at more than one speed? Then its means are those of no swing. */
    public function mixed(): ?MixedSpeeds
    {
        $counted = array_values(array_filter($this->shotsOfTrial(), static fn (array $s): bool => $s['leftOut'] === null));
        $byClub = 2 * count($this->ofTrial->raw(Measure::ClubSpeed)) > count($counted);
        $speeds = [];
        foreach ($counted as $s) {
            $speed = $s['shot']->value($byClub ? Measure::ClubSpeed : Measure::BallSpeed);
            if ($speed !== null) {
                $speeds[] = ['speedMps' => $speed / ($byClub ? 1.0 : PlayerPriors::SMASH), 'intent' => $s['intent']];
            }
        }

        return MixedSpeeds::among($speeds, $byClub);
    }

    private function setOfTrial(): ShotSet
    {
        return $this->fitting->policy()->of('', $this->shotsOfTrial());
    }

    /** @return list<array{shot: LaunchShot, leftOut: string|null, intent: string}> */
    private function shotsOfTrial(): array
    {
        $by = $this->judged->calibrations;

        return match (true) {
            $this->trial === null => [],
            $this->secret => array_values(
                Shot::query()
                    ->where('trial_id', $this->trial->id)->get(['id', 'setup_id', 'trial_id', 'source', 'measured', 'left_out_reason', 'intent'])
                    ->map(fn (Shot $s): array => ['shot' => $by->shot($s), 'leftOut' => $s->left_out_reason, 'intent' => $s->intent])->all(),
            ),
            default => array_values(
                array_filter($this->judged->shots[$this->trial->setup_id] ?? [], fn (array $s): bool => $s['trial'] === $this->trial->id),
            ),
        };
    }

    /** @return array<string, Summary|null> */
    private static function meansOf(ShotSet $set): array
    {
        $out = [];
        foreach (self::MEANS as $measure) {
            $out[$measure->value] = $set->summary($measure);
        }

        return $out;
    }
}
