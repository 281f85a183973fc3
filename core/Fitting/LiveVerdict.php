<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\FisherF;
use MintCarry\Core\Statistics\Holm;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;
use MintCarry\Core\Statistics\Robust;
use MintCarry\Core\Statistics\StudentT;
use MintCarry\Core\Statistics\Summary;

/**
 * A setup against the benchmark while it is being hit: better, worse, the same or open, looked at after every shot.
 *
 * Pooled spread shrunk to what is usual, s² = (8 σ₀² + (nₐ−1) sₐ² + (n_b−1) s_b²) / (8 + nₐ + n_b − 2), z = (x̄_b − x̄ₐ) / (s
 * √(1/nₐ + 1/n_b)); a word from three shots each on when
 * |z| > 2.5 for the measure that the brief's first want declares (`Wanted`) and 3.2 for any other, which keeps a false word rare under looking after every shot.
 * "The same" where the difference and 1.64 of its standard errors stay within
 * what is worth telling apart (a margin for each measure). Spread is judged by the ratio of the two variances (F distribution,
 * 99.7 %), which from a few shots is nearly always open. Rules and figures: docs/judging.md, "Verdict while hitting".
 */
final readonly class LiveVerdict
{
    public const FROM_SHOTS = 3;

    public const DECLARED_Z = 2.5;

    public const OTHER_Z = 3.2;

    private const PRIOR_DOF = 8;

    /** All words beside the declared one are wrong together in at most so many sessions; with the bold differences it makes 5 %. */
    private const FAMILY = 0.025;

    /**
     * @param  Interval  $interval  95 % interval of the difference; of spread, of the ratio of the two
     * @param  float  $value  difference from the benchmark, kept unit; + = more
     * @param  bool  $declared  is it the one measure that the brief's scoring declares?
     * @param  int  $way  + 1 when more is better, − 1 when less is
     * @param  float  $margin  what is worth telling apart, kept unit; of spread, of the ratio
     * @param  bool  $isAsked  does the brief ask for it, or is it always looked at?
     * @param  int|null  $moreShots  about how many more with this setup would settle it; null when it is settled, cannot be told
     *   yet, or would take more than 30
     */
    private function __construct(
        public string $name, public Measure $measure, public Verdict $verdict, public float $value, public float $z,
        public ?int $moreShots, public Interval $interval, public bool $declared = false, public int $way = 1, public float $margin = 0.0,
        public bool $isAsked = false,
    ) {
    }

    /**
     * Within each visit by itself, and over the visits by their evidence: another day is another player.
     *
     * @param  bool  $onlyDeclared  whether nothing else is asked
     * @return list<self> the declared measure first; those that both sets have at least three values of on one visit
     */
    public static function of(ShotSet $benchmark, ShotSet $trial, Wanted $wanted, bool $onlyDeclared = false): array
    {
        [$theirs, $its] = [$benchmark->byVisit(), $trial->byVisit()];
        $visits = array_keys(array_intersect_key($theirs, $its));
        $out = [];
        foreach ($onlyDeclared ? array_intersect($wanted->names, [$wanted->declared]) : $wanted->names as $name) {
            [$measure, $way, $usual, $margin] = Wanted::measure($name);
            if ($benchmark->isUnmeasured($measure) || $trial->isUnmeasured($measure)) {
                continue;
            }
            $values = static fn (ShotSet $set): array => $wanted->values($name, $set->values($measure));
            $isDeclared = $name === $wanted->declared;
            $standing = self::overVisits(
                $name, $measure, array_map(static fn (int $v): array => [$values($theirs[$v]), $values($its[$v])], $visits), $way, $usual,
                $isDeclared ? self::DECLARED_Z : self::OTHER_Z, $isDeclared, $margin,
            );
            if ($standing !== null) {
                $out[] = $wanted->isAsked($name) ? new self(...['isAsked' => true] + get_object_vars($standing)) : $standing;
            }
        }
        $last = $visits === [] || $onlyDeclared ? null : max($visits);
        $tighter = $last === null ? null : self::spread($theirs[$last], $its[$last]);

        return $tighter === null ? $out : [...$out, $tighter];
    }

    /**
     * What is told of several setups at once. The declared measure keeps its own rule; of all the others a word stays only where it
     * would still be told if all of them, over measures and setups, are asked together (`Holm`).
     *
     * @param  array<string, list<self>>  $bySetup
     * @return array<string, list<self>>
     */
    public static function together(array $bySetup): array
    {
        $p = [];
        foreach ($bySetup as $tag => $verdicts) {
            foreach ($verdicts as $i => $v) {
                if (! $v->declared) {
                    $p["{$tag}/{$i}"] = $v->name === 'tighter' ? $v->z : 2 * (1 - Normal::cdf(abs($v->z)));
                }
            }
        }
        $adjusted = Holm::adjusted($p);
        $out = [];
        foreach ($bySetup as $tag => $verdicts) {
            $out[$tag] = array_map(
                static fn (self $v, int $i): self => ! $v->declared && $v->verdict->isMark() && $adjusted["{$tag}/{$i}"] > self::FAMILY
                    ? $v->opened() : $v,
                $verdicts, array_keys($verdicts),
            );
        }

        return $out;
    }

    /** The same difference without a word on it. */
    public function opened(): self
    {
        return new self(...['verdict' => Verdict::Open, 'moreShots' => null] + get_object_vars($this));
    }

    /**
     * Screening policies under which the verdict on the declared measure would be another than now.
     *
     * @param  callable(Screening): array{ShotSet|null, ShotSet|null}  $sets  the benchmark's and the setup's shots that count under a policy
     * @return list<array{policy: string, verdict: Verdict}>
     */
    public static function flips(callable $sets, Screening $now, Wanted $wanted): array
    {
        $under = static function (Screening $policy) use ($sets, $wanted): ?Verdict {
            [$benchmark, $trial] = $sets($policy);
            foreach ($benchmark === null || $trial === null ? [] : self::of($benchmark, $trial, $wanted, onlyDeclared: true) as $one) {
                if ($one->declared) {
                    return $one->verdict;
                }
            }

            return null;
        };
        $verdict = $under($now);
        $out = [];
        foreach (Screening::USUAL as $name) {
            $other = $name === $now->name ? $verdict : $under(Screening::named($name));
            if ($other !== null && $other !== $verdict) {
                $out[] = ['policy' => Screening::named($name)->label(), 'verdict' => $other];
            }
        }

        return $out;
    }

    /** How the spread of side compares: the ratio of the two SDs. */
    private static function spread(ShotSet $benchmark, ShotSet $trial): ?self
    {
        [$a, $b] = [$benchmark->summary(Measure::Side), $trial->summary(Measure::Side)];
        if (
            $a === null ||
            $b === null ||
            $a->n < self::FROM_SHOTS ||
            $b->n < self::FROM_SHOTS ||
            ($a->sd ?? 0.0) <= 0 ||
            ($b->sd ?? 0.0) <= 0
        ) {
            return null;
        }
        // One wild shot makes no other setup tighter: the word must hold without the farthest of the wider one.
        $ratio = $b->sd / $a->sd;
        $within = static fn (float $tail): Interval => new Interval(
            $ratio / sqrt(FisherF::quantile(1 - $tail, $b->n - 1, $a->n - 1)),
            $ratio / sqrt(FisherF::quantile($tail, $b->n - 1, $a->n - 1)),
        );
        $isTold = ! $within(0.00135)->contains(1.0) && self::staysTold(...($ratio < 1 ? [$benchmark, $trial] : [$trial, $benchmark]));

        // In place of z it carries how likely a ratio as far from one is by chance: 0.0027 where it is told (`together`).
        return new self(
            'tighter', Measure::Side, $isTold ? ($ratio < 1 ? Verdict::Better : Verdict::Worse) : Verdict::Open, $ratio,
            $isTold ? 0.0027 : 1.0, null, $within(0.025), way: -1, margin: 0.15,
        );
    }

    /** Is the one still wider than the other without its farthest shot? */
    private static function staysTold(ShotSet $wide, ShotSet $narrow): bool
    {
        [$values, $other] = [$wide->values(Measure::Side), Summary::of($narrow->values(Measure::Side))];
        $middle = $values === [] ? 0.0 : Robust::median($values);
        usort($values, static fn (float $a, float $b): int => abs($a - $middle) <=> abs($b - $middle));
        array_pop($values);
        $rest = Summary::of($values);
        if ($rest === null || $other === null || $rest->n < self::FROM_SHOTS) {
            return false;
        }
        // Without its farthest a sample is narrower than it was: the usual 95 % is asked of the rest.
        $ratio = ($rest->sd ?? 0.0) / ($other->sd ?? 1.0);

        return $ratio / sqrt(FisherF::quantile(0.975, $rest->n - 1, $other->n - 1)) > 1;
    }

    /**
     * @param  list<float>  $a  benchmark
     * @param  list<float>  $b
     * @param  int  $way  + 1 when more is better
     */
    public static function between(
        string $name, Measure $measure, array $a, array $b, int $way, float $usualSd, float $limit, bool $declared = false,
        float $margin = 0.0,
    ): ?self {
        return self::overVisits($name, $measure, [[$a, $b]], $way, $usualSd, $limit, $declared, $margin);
    }

    /**
     * Differences of several visits, each weighed by its evidence 1 / (1/nₐ + 1/n_b), with one spread from within all of them.
     *
     * @param  list<array{list<float>, list<float>}>  $visits  benchmark and setup
     */
    private static function overVisits(
        string $name, Measure $measure, array $visits, int $way, float $usualSd, float $limit, bool $declared, float $margin,
    ): ?self {
        $visits = array_values(array_filter(
            $visits, static fn (array $v): bool => count($v[0]) >= self::FROM_SHOTS && count($v[1]) >= self::FROM_SHOTS,
        ));
        if ($visits === []) {
            return null;
        }
        $mean = static fn (array $v): float => array_sum($v) / count($v);
        [$squares, $dof, $evidence, $value, $na, $nb] = [0.0, (float) self::PRIOR_DOF, 0.0, 0.0, 0, 0];
        foreach ($visits as $visit) {
            foreach ($visit as $values) {
                $middle = $mean($values);
                $squares += array_sum(array_map(static fn (float $x): float => ($x - $middle) ** 2, $values));
                $dof += count($values) - 1;
            }
            $weight = 1 / (1 / count($visit[0]) + 1 / count($visit[1]));
            $evidence += $weight;
            $value += $weight * ($mean($visit[1]) - $mean($visit[0]));
            [$na, $nb] = [$na + count($visit[0]), $nb + count($visit[1])];
        }
        $value /= $evidence;
        $s = sqrt((self::PRIOR_DOF * $usualSd ** 2 + $squares) / $dof);
        $error = $s / sqrt($evidence);
        $z = $value / $error;
        $half = StudentT::quantile(0.975, $dof) * $error;
        $verdict = match (true) {
            abs($z) > $limit => $z * $way > 0 ? Verdict::Better : Verdict::Worse,
            abs($value) + 1.64 * $error < $margin => Verdict::Same,
            default => Verdict::Open,
        };
        $room = ($value / ($limit * $s)) ** 2 - 1 / $na;
        $more = $verdict !== Verdict::Open || $room <= 0 ? null : (int) max(1, ceil(1 / $room) - $nb);

        return new self(
            $name, $measure, $verdict, $value, $z, $more !== null && $more <= 30 ? $more : null,
            new Interval($value - $half, $value + $half), $declared, $way, $margin,
        );
    }
}
