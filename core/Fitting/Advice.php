<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Summary;

/**
 * Judges the setups of a fitting that were hit, against the benchmark, and names the pick.
 *
 * Each setup's plausible truths are scored as the brief says: by `ExpectedStrokes` over the corridor, with the aim free within
 * ±4° unless the brief holds it ("held" keeps it on the middle), or by another `Scoring`. The truths are those of the finder's
 * models where every setup was hit with ball data, else those of the shots alone. The benchmark stays the pick unless another
 * setup beats it with a probability of at least 0.8 (`Pick`). Two setups closer than the scoring's resolution, or whose order
 * holds with less than 0.8, are a tie.
 */
final readonly class Advice
{
    public const KEEP_UNLESS = Pick::KEEP_UNLESS;

    /**
     * @param  list<SetupJudgement>  $setups  in the order they came
     * @param  list<string>  $ties  tags that cannot be told from the pick
     */
    private function __construct(
        public string $benchmark,
        public string $best,
        public string $pick,
        public bool $isConclusive,
        public array $ties,
        public array $setups,
        public float $expectedLoss,
        public Scoring $scoring,
        public bool $isModelled,
    ) {
    }

    /**
     * @param  list<ShotSet>  $sets  setups with at least one counted shot
     * @param  string  $benchmark  tag of the setup to beat
     * @param  Brief  $brief  corridor, holes, level, scoring, and whether the aim is free
     * @param  PosteriorDraws|null  $posterior  by the models; null, or where a setup is missing from it: from the shots alone
     *
     * @throws InvalidInput when there is nothing to compare
     */
    public static function of(
        array $sets, string $benchmark, Brief $brief, BallFlight $flight, \Random\Randomizer $random,
        ?PosteriorDraws $posterior = null,
    ): self {
        $tags = array_map(static fn (ShotSet $set): string => $set->tag, $sets);
        if ($sets === []) {
            throw InvalidInput::of('setups', 'No setup has a counted shot yet: read a file or type shots first.');
        }
        $own = array_search($benchmark, $tags, true);
        if ($own === false) {
            throw InvalidInput::of(
                'benchmark', "The benchmark {$benchmark} has no counted shot: hit it first, or make another setup the benchmark.",
            );
        }
        $pooled = SideEstimate::pooledSpread($sets);
        $start = clone $random->engine; // every share is drawn from the same start, so it is the same figure on every screen
        $scoring = $brief->scoring();
        $isModelled = $posterior !== null && $posterior->has($tags);
        $posterior = $isModelled ? $posterior : PosteriorDraws::ofShots($sets, $brief, $random);
        $pick = Pick::among(array_map(static fn (string $tag): array => $posterior->scores[$tag], $tags), $own, $scoring);
        $mean = static fn (array $values): float => array_sum($values) / max(1, count($values));
        $judged = [];
        foreach ($sets as $i => $set) {
            $side = SideEstimate::of($set, $pooled);
            $share = CorridorShare::of($side, $brief->corridor, new \Random\Randomizer(clone $start));
            $differences = array_map(
                static fn (float $a, float $b): float => $a - $b, $posterior->strokes[$set->tag], $posterior->strokes[$benchmark],
            );
            $judged[] = new SetupJudgement(
                $set->tag,
                $set->count(),
                $set->summary(Measure::Carry),
                $set->summary(Measure::Total),
                $share->share,
                $share->interval,
                $side->n,
                $side->spreadM,
                self::trade($set, $flight),
                $mean($differences),
                Interval::middleOf($differences),
                $mean($posterior->aimFixed[$set->tag]) - $mean($posterior->aimFixed[$benchmark]),
                $pick->chance($i, $own),
                $pick->losses[$i],
                $mean($posterior->aims[$set->tag]),
                $pick->gain($i, $own),
                $pick->gainInterval($i, $own),
            );
        }
        $ties = array_values(
            array_map(
                static fn (int $i): string => $tags[$i],
                array_filter($pick->order(), static fn (int $i): bool => $pick->isTied($i, $pick->pick)),
            ),
        );

        return new self(
            $benchmark, $tags[$pick->best], $tags[$pick->pick], $ties === [] && count($sets) > 1, $ties, $judged,
            $pick->losses[$pick->pick], $scoring, $isModelled,
        );
    }

    public function judgement(string $tag): SetupJudgement
    {
        foreach ($this->setups as $setup) {
            if ($setup->tag === $tag) {
                return $setup;
            }
        }
        throw InvalidInput::of('setup', "There is no setup {$tag} among those judged.");
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
}
