<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\CoreException;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;
use MintCarry\Core\Statistics\Summary;

/**
 * Judges the setups of a fitting by expected strokes on the player's driving holes, and names the pick.
 *
 * For each setup, 400 plausible truths (mean and spread of side, mean of total) are drawn from what its shots allow; each is priced
 * by `ExpectedStrokes` over the corridor, with the aim free within ±4° ("held" keeps it on the middle). The benchmark stays the pick
 * unless another setup beats it with a probability of at least 0.8 (docs/judging.md). Two setups closer than 0.015 strokes, or whose
 * order holds with less than 0.8, are a tie.
 */
final readonly class Advice
{
    public const DRAWS = 400;

    public const KEEP_UNLESS = 0.8;

    public const RESOLUTION_STROKES = 0.015;

    public const AIM_LIMIT_DEG = 4.0;

    private const AIM_STEPS = 16;

    private const TYPICAL_CARRY_SPREAD = 0.06;

    /**
     * @param  list<SetupJudgement>  $setups  in the order they came
     * @param  list<string>  $ties  tags that cannot be told from the pick
     */
    private function __construct(
        public string $benchmark,
        public string $best,
        public string $pick,
        public bool $carried,
        public array $ties,
        public array $setups,
        public float $expectedLoss,
    ) {
    }

    /**
     * @param  list<ShotSet>  $sets  setups with at least one counted shot
     * @param  string  $benchmark  tag of the setup to beat
     *
     * @throws CoreException when there is nothing to compare
     */
    public static function of(array $sets, string $benchmark, Corridor $corridor, float $holeM, BallFlight $flight, \Random\Randomizer $random): self
    {
        $tags = array_map(static fn (ShotSet $set): string => $set->tag, $sets);
        if ($sets === []) {
            throw CoreException::invalid('setups', 'No setup has a counted shot yet: read a file or type shots first.');
        }
        $own = array_search($benchmark, $tags, true);
        if ($own === false) {
            throw CoreException::invalid('benchmark', "The benchmark {$benchmark} has no counted shot: hit it first, or make another setup the benchmark.");
        }
        CoreException::requireWithin('holeLengthM', $holeM, 200, 600, 'm');
        $pooled = SideEstimate::pooledSpread($sets);
        $start = clone $random->engine; // every share is drawn from the same start, so it is the same figure on every screen
        $free = [];
        $held = [];
        $shares = [];
        $aims = [];
        $sides = [];
        foreach ($sets as $i => $set) {
            $sides[$i] = SideEstimate::of($set, $pooled);
            $shares[$i] = CorridorShare::of($sides[$i], $corridor, new \Random\Randomizer(clone $start));
            [$free[$i], $held[$i], $aims[$i]] = self::price($set, $sides[$i], $corridor, $holeM, $random);
        }
        $bestOf = [];
        for ($d = 0; $d < self::DRAWS; $d++) {
            $bestOf[$d] = INF;
            foreach ($free as $draws) {
                $bestOf[$d] = min($bestOf[$d], $draws[$d]);
            }
        }
        $mean = static fn (array $values): float => array_sum($values) / max(1, count($values));
        $judged = [];
        foreach ($sets as $i => $set) {
            $differences = array_map(static fn (float $a, float $b): float => $a - $b, $free[$i], $free[$own]);
            $judged[$i] = new SetupJudgement(
                $set->tag,
                $set->count(),
                $set->summary(Measure::Carry),
                $set->summary(Measure::Total),
                $shares[$i]->share,
                $shares[$i]->interval,
                $sides[$i]->n,
                $sides[$i]->spreadM,
                self::trade($set, $flight),
                $mean($differences),
                Interval::middleOf($differences),
                $mean($held[$i]) - $mean($held[$own]),
                $i === $own ? 0.5 : self::chance($free[$i], $free[$own]),
                max(0.0, $mean($free[$i]) - $mean($bestOf)),
                $aims[$i],
            );
        }
        $order = array_keys($judged);
        usort($order, static fn (int $a, int $b): int => $judged[$a]->strokes <=> $judged[$b]->strokes);
        $best = $order[0];
        $pick = $best !== $own && $judged[$best]->chanceBetter >= self::KEEP_UNLESS && $judged[$best]->strokes < -self::RESOLUTION_STROKES ? $best : $own;
        $ties = [];
        foreach ($order as $i) {
            if ($i !== $pick && (abs($judged[$i]->strokes - $judged[$pick]->strokes) < self::RESOLUTION_STROKES || self::chance($free[$pick], $free[$i]) < self::KEEP_UNLESS)) {
                $ties[] = $tags[$i];
            }
        }

        return new self($benchmark, $tags[$best], $tags[$pick], $ties === [] && count($sets) > 1, $ties, array_values($judged), $judged[$pick]->expectedLoss);
    }

    public function judgement(string $tag): SetupJudgement
    {
        foreach ($this->setups as $setup) {
            if ($setup->tag === $tag) {
                return $setup;
            }
        }
        throw CoreException::invalid('setup', "There is no setup {$tag} among those judged.");
    }

    /**
     * Strokes of each draw with free and with held aim, and the mean best aim in degrees.
     *
     * @return array{list<float>, list<float>, float}
     */
    private static function price(ShotSet $set, SideEstimate $side, Corridor $corridor, float $holeM, \Random\Randomizer $random): array
    {
        $total = $set->summary(Measure::Total);
        $typical = self::TYPICAL_CARRY_SPREAD * ($total->mean ?? 200.0);
        $spread = sqrt((8 * $typical ** 2 + ($total?->sd === null ? 0 : ($total->n - 1) * $total->sd ** 2)) / (8 + max(0, ($total->n ?? 0) - 1)));
        $free = $held = [];
        $aimSum = 0.0;
        for ($d = 0; $d < self::DRAWS; $d++) {
            [$meanM, $sdM] = $side->draw($random);
            $totalM = ($total->mean ?? 200.0) + $spread / sqrt(max(1, $total->n ?? 1)) * Normal::draw($random);
            $strokes = ExpectedStrokes::after(max(20.0, $holeM - $totalM), $holeM, $corridor->troubleKind);
            $best = INF;
            $bestAim = 0.0;
            for ($a = -self::AIM_STEPS; $a <= self::AIM_STEPS; $a++) {
                $aim = self::AIM_LIMIT_DEG * $a / self::AIM_STEPS;
                $cost = self::cost($meanM + $totalM * tan(deg2rad($aim)), $sdM, $corridor, $strokes);
                if ($a === 0) {
                    $held[] = $cost;
                }
                if ($cost < $best - 1e-12 || (abs($cost - $best) <= 1e-12 && abs($aim) < abs($bestAim))) {
                    $best = $cost;
                    $bestAim = $aim;
                }
            }
            $free[] = $best;
            $aimSum += $bestAim;
        }

        return [$free, $held, $aimSum / self::DRAWS];
    }

    /** @param  array{float, float, float}  $strokes in the corridor, beside it, in trouble */
    private static function cost(float $meanM, float $sdM, Corridor $corridor, array $strokes): float
    {
        $below = static fn (float $edge): float => is_infinite($edge) ? ($edge > 0 ? 1.0 : 0.0) : Normal::cdf(($edge - $meanM) / $sdM);
        [$troubleLeft, $troubleRight] = $corridor->trouble();
        $in = $below($corridor->halfM()) - $below(-$corridor->halfM());
        $trouble = $below($troubleLeft) + 1 - $below($troubleRight);

        return 1 + $in * $strokes[0] + $trouble * $strokes[2] + max(0.0, 1 - $in - $trouble) * $strokes[1];
    }

    private static function trade(ShotSet $set, BallFlight $flight): ?LoftTrade
    {
        $mean = static fn (Measure $m): ?float => Summary::of($set->values($m))?->mean;
        $speed = $mean(Measure::BallSpeed);
        $launch = $mean(Measure::LaunchAngle);
        $spin = $mean(Measure::Spin);

        return $speed === null || $launch === null || $spin === null ? null
            : LoftTrade::of(new Launch($speed, $launch, $spin), $flight, $mean(Measure::ClubSpeed), $mean(Measure::Attack));
    }

    /**
     * Chance that the first costs fewer strokes than the second.
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     */
    private static function chance(array $a, array $b): float
    {
        $wins = 0;
        foreach ($a as $d => $value) {
            $wins += $value < $b[$d] ? 1 : 0;
        }

        return $wins / max(1, count($a));
    }
}
