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
 * For each setup, 400 plausible truths (mean and spread of side, means of carry and total) are drawn from what its shots allow; each is scored
 * as the brief says: by `ExpectedStrokes` over the corridor, with the aim free within ±4° unless the brief holds it ("held" keeps it on the middle), or by
 * another `Scoring`. The benchmark stays the pick unless another setup beats it with a probability of at least 0.8 (docs/judging.md). Two setups closer
 * than the scoring's resolution, or whose order holds with less than 0.8, are a tie.
 */
final readonly class Advice
{
    public const DRAWS = 400;

    public const KEEP_UNLESS = 0.8;

    public const AIM_LIMIT_DEG = Strokes::AIM_LIMIT_DEG;

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
        public Scoring $scoring,
    ) {
    }

    /**
     * @param  list<ShotSet>  $sets  setups with at least one counted shot
     * @param  string  $benchmark  tag of the setup to beat
     * @param  Brief  $brief  corridor, holes, level, scoring, and whether the aim is free
     *
     * @throws CoreException when there is nothing to compare
     */
    public static function of(array $sets, string $benchmark, Brief $brief, BallFlight $flight, \Random\Randomizer $random): self
    {
        $tags = array_map(static fn (ShotSet $set): string => $set->tag, $sets);
        if ($sets === []) {
            throw CoreException::invalid('setups', 'No setup has a counted shot yet: read a file or type shots first.');
        }
        $own = array_search($benchmark, $tags, true);
        if ($own === false) {
            throw CoreException::invalid('benchmark', "The benchmark {$benchmark} has no counted shot: hit it first, or make another setup the benchmark.");
        }
        $pooled = SideEstimate::pooledSpread($sets);
        $start = clone $random->engine; // every share is drawn from the same start, so it is the same figure on every screen
        $scoring = $brief->scoring();
        $scores = [];
        $strokes = [];
        $held = [];
        $shares = [];
        $aims = [];
        $sides = [];
        foreach ($sets as $i => $set) {
            $sides[$i] = SideEstimate::of($set, $pooled);
            $shares[$i] = CorridorShare::of($sides[$i], $brief->corridor, new \Random\Randomizer(clone $start));
            [$scores[$i], $strokes[$i], $held[$i], $aims[$i]] = self::price($set, $sides[$i], $brief, $random);
        }
        $bestOf = [];
        for ($d = 0; $d < self::DRAWS; $d++) {
            $bestOf[$d] = INF;
            foreach ($scores as $draws) {
                $bestOf[$d] = min($bestOf[$d], $draws[$d]);
            }
        }
        $mean = static fn (array $values): float => array_sum($values) / max(1, count($values));
        $judged = [];
        foreach ($sets as $i => $set) {
            $minus = static fn (array $of): array => array_map(static fn (float $a, float $b): float => $a - $b, $of[$i], $of[$own]);
            $differences = $minus($strokes);
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
                $i === $own ? 0.5 : self::chance($scores[$i], $scores[$own]),
                max(0.0, $mean($scores[$i]) - $mean($bestOf)),
                $aims[$i],
                -$mean($minus($scores)),
                Interval::middleOf(array_map(static fn (float $d): float => -$d, $minus($scores))),
            );
        }
        $order = array_keys($judged);
        usort($order, static fn (int $a, int $b): int => $judged[$b]->gain <=> $judged[$a]->gain);
        $best = $order[0];
        $pick = $best !== $own && $judged[$best]->chanceBetter >= self::KEEP_UNLESS && $judged[$best]->gain > $scoring->resolution() ? $best : $own;
        $ties = [];
        foreach ($order as $i) {
            if ($i !== $pick && (abs($judged[$i]->gain - $judged[$pick]->gain) < $scoring->resolution() || self::chance($scores[$pick], $scores[$i]) < self::KEEP_UNLESS)) {
                $ties[] = $tags[$i];
            }
        }

        return new self($benchmark, $tags[$best], $tags[$pick], $ties === [] && count($sets) > 1, $ties, array_values($judged), $judged[$pick]->expectedLoss, $scoring);
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
     * For each draw the score under the brief, the strokes by which they are told, the strokes with the aim held; and the mean best aim in degrees.
     *
     * @return array{list<float>, list<float>, list<float>, float}
     */
    private static function price(ShotSet $set, SideEstimate $side, Brief $brief, \Random\Randomizer $random): array
    {
        [$carryM, $carrySdM, $carryErrorM] = self::length($set->summary(Measure::Carry));
        [$totalM, , $totalErrorM] = self::length($set->summary(Measure::Total));
        $apexM = $set->summary(Measure::Apex)->mean ?? 0.0;
        $scoring = $brief->scoring();
        $price = new Strokes($brief, 0.0);
        $scores = $strokes = $held = [];
        $aimSum = 0.0;
        for ($d = 0; $d < self::DRAWS; $d++) {
            [$meanM, $sdM] = $side->draw($random);
            $luck = Normal::draw($random); // carry and total go together
            $total = $totalM + $totalErrorM * $luck;
            $held[] = $price->held($meanM, $sdM, $total);
            [$best, $aim, $middle] = $brief->aimFree ? $price->free($meanM, $sdM, $total) : [$held[$d], 0.0, $meanM];
            $strokes[] = $best = min($best, $held[$d]);
            $aimSum += $aim;
            $scores[] = $scoring->of(['strokes' => $best, 'share' => $price->share($middle, $sdM), 'carryM' => $carryM + $carryErrorM * $luck, 'carrySdM' => $carrySdM, 'totalM' => $total, 'apexM' => $apexM], $brief->weights);
        }

        return [$scores, $strokes, $held, $aimSum / self::DRAWS];
    }

    /**
     * Mean of a length, its spread shrunk to what is typical, and the error of the mean, m.
     *
     * @return array{float, float, float}
     */
    private static function length(?Summary $summary): array
    {
        $mean = $summary->mean ?? 200.0;
        $spread = sqrt((8 * (self::TYPICAL_CARRY_SPREAD * $mean) ** 2 + ($summary?->sd === null ? 0 : ($summary->n - 1) * $summary->sd ** 2)) / (8 + max(0, ($summary->n ?? 0) - 1)));

        return [$mean, $spread, $spread / sqrt(max(1, $summary->n ?? 1))];
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
