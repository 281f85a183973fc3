<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\FisherF;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\StudentT;

/**
 * A setup against the benchmark while it is being hit: better, worse, the same or open, looked at after every shot.
 *
 * Pooled spread shrunk to what is usual, s² = (8 σ₀² + (nₐ−1) sₐ² + (n_b−1) s_b²) / (8 + nₐ + n_b − 2), z = (x̄_b − x̄ₐ) / (s
 * √(1/nₐ + 1/n_b)); a word from three shots each on when
 * |z| > 2.5 for the brief's declared measure and 3.2 for any other, which keeps a false word rare under looking after every shot.
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

    /**
     * @param  Interval  $interval  95 % interval of the difference; of spread, of the ratio of the two
     * @param  float  $value  difference from the benchmark, kept unit; + = more
     * @param  bool  $declared  is it the one measure that the brief's scoring declares?
     * @param  int|null  $moreShots  about how many more with this setup would settle it; null when it is settled, cannot be told
     *   yet, or would take more than 30
     */
    private function __construct(
        public string $name, public Measure $measure, public Verdict $verdict, public float $value, public float $z,
        public ?int $moreShots, public Interval $interval, public bool $declared = false,
    ) {
    }

    /**
     * The measures looked at live: name on the screen, which way is better, usual spread from shot to shot, and the difference
     * that is worth telling.
     */
    private const MEASURES = [
        'longer' => [Measure::Carry, 1, PlayerPriors::CARRY_SPREAD_M, 7.0],
        'straighter' => [Measure::Side, -1, PlayerPriors::OFF_LINE_SPREAD_M, 5.0],
        'faster ball' => [Measure::BallSpeed, 1, PlayerPriors::BALL_SPEED_SPREAD_MPS, 0.7],
        'less spin' => [Measure::Spin, -1, PlayerPriors::SPIN_SPREAD_RPM, 180.0],
        'higher' => [Measure::Apex, 1, PlayerPriors::APEX_SPREAD_M, 2.5],
    ];

    /**
     * @return list<self> by measure; those that both sets have at least three values of
     */
    public static function of(ShotSet $benchmark, ShotSet $trial, Scoring $scoring): array
    {
        $declared = $scoring === Scoring::Straightest ? 'straighter' : 'longer';
        $out = [];
        foreach (self::MEASURES as $name => [$measure, $way, $usual, $margin]) {
            // Straighter counts how far from the target line, on either side.
            $values = static fn (ShotSet $set): array => $measure === Measure::Side
                ? array_map(abs(...), $set->values($measure))
                : $set->values($measure);
            $standing = self::between(
                $name, $measure, $values($benchmark), $values($trial), $way, $usual,
                $name === $declared ? self::DECLARED_Z : self::OTHER_Z, $name === $declared, $margin,
            );
            if ($standing !== null) {
                $out[] = $standing;
            }
        }
        $tighter = self::spread($benchmark, $trial);

        return $tighter === null ? $out : [...$out, $tighter];
    }

    /**
     * Screening policies under which the verdict on the declared measure would be another than now.
     *
     * @param  list<array{shot: LaunchShot, leftOut: string|null}>  $benchmark  every shot of it
     * @param  list<array{shot: LaunchShot, leftOut: string|null}>  $trial
     * @return list<array{policy: string, verdict: Verdict}>
     */
    public static function flips(array $benchmark, array $trial, Screening $now, Scoring $scoring): array
    {
        $under = static function (Screening $policy) use ($benchmark, $trial, $scoring): ?Verdict {
            foreach (self::of($policy->of('', $benchmark), $policy->of('', $trial), $scoring) as $one) {
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
        $ratio = $b->sd / $a->sd;
        $within = static fn (float $tail): Interval => new Interval(
            $ratio / sqrt(FisherF::quantile(1 - $tail, $b->n - 1, $a->n - 1)),
            $ratio / sqrt(FisherF::quantile($tail, $b->n - 1, $a->n - 1)),
        );
        $isTold = ! $within(0.00135)->contains(1.0);

        return new self(
            'tighter', Measure::Side, $isTold ? ($ratio < 1 ? Verdict::Better : Verdict::Worse) : Verdict::Open, $ratio, 0.0, null,
            $within(0.025),
        );
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
        [$na, $nb] = [count($a), count($b)];
        if ($na < self::FROM_SHOTS || $nb < self::FROM_SHOTS) {
            return null;
        }
        $mean = static fn (array $v): float => array_sum($v) / count($v);
        $squares = static fn (array $v): float => array_sum(
            array_map(static fn (float $x): float => ($x - array_sum($v) / count($v)) ** 2, $v),
        );
        $s = sqrt((self::PRIOR_DOF * $usualSd ** 2 + $squares($a) + $squares($b)) / (self::PRIOR_DOF + $na + $nb - 2));
        $value = $mean($b) - $mean($a);
        $z = $value / ($s * sqrt(1 / $na + 1 / $nb));
        $error = $s * sqrt(1 / $na + 1 / $nb);
        $half = StudentT::quantile(0.975, self::PRIOR_DOF + $na + $nb - 2) * $error;
        $verdict = match (true) {
            abs($z) > $limit => $z * $way > 0 ? Verdict::Better : Verdict::Worse,
            abs($value) + 1.64 * $error < $margin => Verdict::Same,
            default => Verdict::Open,
        };
        $room = ($value / ($limit * $s)) ** 2 - 1 / $na;
        $more = $verdict !== Verdict::Open || $room <= 0 ? null : (int) max(1, ceil(1 / $room) - $nb);

        return new self(
            $name, $measure, $verdict, $value, $z, $more !== null && $more <= 30 ? $more : null,
            new Interval($value - $half, $value + $half), $declared,
        );
    }
}
