<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Statistics\Interval;
use Random\Randomizer;

use function array_sum;
use function count;

/**
 * Every legal setup on the rack, judged for this player from what was hit.
 *
 * The draws of each setup (`PredictedDraws`) are priced by the brief's scoring, with the best aim within ±4° for each draw where
 * the aim is free. Everything is told as a difference from the own club. The own club stays the pick unless another gains with a
 * probability of at least 0.8 (`Pick`); the expected loss of the pick is what a clairvoyant would gain on it.
 */
final readonly class Finder
{
    /** Below this expected loss, in strokes, more shots are not worth it. */
    public const STOP_BELOW = 0.020;

    /**
     * @param  list<Predicted>  $setups  best first
     * @param  array<string, array{prior: float, priorSd: float, now: float, sd: float}>  $learned  of the factors of `Belief::factor`
     * @param  array{spec: SetupSpec, value: float, changes: int, turns: float, to: SetupSpec|null}|null  $next  what to hit next;
     *   turns: the chance that another setup than now is the best after it, to: which one most often
     */
    private function __construct(
        public Scoring $scoring, public array $setups, public Predicted $own, public Predicted $best, public Predicted $pick,
        public float $expectedLoss, public bool $mayStop, public array $learned, public ?array $next,
    ) {
    }

    /**
     * @param  (callable(SetupSpec): (int|null))|null  $wrench  wrench changes from what is in the hand; null for a setup that
     *   cannot be hit here
     */
    public static function of(PredictedDraws $draws, Brief $brief, Randomizer $random, ?callable $wrench = null): self
    {
        $scored = ScoredDraws::of($draws, $brief);
        $scoring = $brief->scoring();
        $pick = Pick::among($scored->scores, 0, $scoring);
        $mean = static fn (array $v): float => array_sum($v) / count($v);
        $setups = [];
        $ownCarries = $draws->figures[0][0];
        foreach ($draws->specs as $s => $spec) {
            [$carries, $totals, $sides, $apexes, $spreads] = $draws->figures[$s];
            $carryGains = Pick::gaps($ownCarries, $carries);
            $setups[$s] = new Predicted(
                $spec, $mean($carries), Interval::middleOf($carries), $mean($totals), $mean($sides), Interval::middleOf($sides),
                $mean($spreads), $mean($apexes), $mean($scored->shares[$s]), $pick->gain($s, 0), $pick->gainInterval($s, 0),
                $mean(Pick::gaps($scored->aimFixed[$s], $scored->aimFixed[0])), $pick->chance($s, 0), $pick->losses[$s],
                $mean($scored->aims[$s]), $pick->isTied($s, $pick->best), $draws->tested[$s], $mean($carryGains),
                Interval::middleOf($carryGains),
            );
        }
        $loss = $pick->losses[$pick->pick];

        return new self(
            $scoring, array_map(static fn (int $s): Predicted => $setups[$s], $pick->order()), $setups[0], $setups[$pick->best],
            $setups[$pick->pick], $loss, $scoring === Scoring::FewestStrokes && $loss < self::STOP_BELOW, $draws->learned,
            NextTrial::of($draws, $scored->scores, $pick, $wrench, $random),
        );
    }
}
