<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\FlightLimits;
use MintCarry\Core\Fitting\NeverSeen;
use MintCarry\Core\Fitting\Outlook;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Statistics\Interval;

use function array_sum;
use function count;

/**
 * Every legal setup on the rack, judged for this player from what was hit.
 *
 * The draws of each setup (`PredictedDraws`) are priced by the brief's scoring, with the best aim within ±4° for each draw where
 * the aim is free. Everything is told as a difference from the benchmark, which stays the pick unless another gains with a
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
        public Scoring $scoring, public array $setups, public Predicted $base, public Predicted $best, public Predicted $pick,
        public float $expectedLoss, public bool $mayStop, public array $learned, public ?array $next,
    ) {
    }

    /**
     * @param  (callable(SetupSpec): (int|null))|null  $wrench  wrench changes from what is in the hand; null for a setup that
     *   cannot be hit here
     * @param  string|null  $benchmark  tag of the setup that all are held against; null: the own club
     */
    public static function of(
        PredictedDraws $draws, Brief $brief, ?callable $wrench = null, ?FlightLimits $limits = null, ?string $benchmark = null,
    ): self {
        $base = $benchmark === null ? 0 : $draws->index($benchmark) ?? 0;
        $scored = ScoredDraws::of($draws, $brief, $limits);
        $scoring = $brief->scoring();
        $price = Outlook::price($brief, array_sum($draws->figures[$base][1]) / count($draws->figures[$base][1]));
        $pick = Pick::among($scored->scores, $base, $scoring, $scored->barred($base, $brief, $limits));
        $mean = static fn (array $v): float => array_sum($v) / count($v);
        $setups = [];
        $baseCarries = $draws->figures[$base][0];
        foreach ($draws->specs as $s => $spec) {
            [$carries, $totals, $sides, $apexes, $spreads] = $draws->figures[$s];
            $carryGains = Pick::gaps($baseCarries, $carries);
            $setups[$s] = new Predicted(
                $spec, $mean($carries), Interval::middleOf($carries), $mean($totals), $mean($sides), Interval::middleOf($sides),
                $mean($spreads), $mean($apexes), CorridorShare::ofDraws($scored->lefts[$s], $scored->rights[$s], 0),
                $pick->gain($s, $base), $pick->gainInterval($s, $base),
                $mean(Pick::gaps($scored->aimFixed[$s], $scored->aimFixed[$base])), $pick->chance($s, $base), $pick->losses[$s],
                $mean($scored->aims[$s]), $pick->isTied($s, $pick->best), $draws->tested[$s], $mean($carryGains),
                Interval::middleOf($carryGains),
                $brief->never === [] ? [] : NeverSeen::of($scored->nevers[$s], $scored->nevers[$base], $brief, $price, $limits),
                $mean($scored->troubles[$s]),
            );
        }
        $loss = $pick->losses[$pick->pick];

        return new self(
            $scoring, array_map(static fn (int $s): Predicted => $setups[$s], $pick->order()), $setups[$base], $setups[$pick->best],
            $setups[$pick->pick], $loss, $scoring === Scoring::FewestStrokes && $loss < self::STOP_BELOW, $draws->learned,
            NextTrial::of($draws, $scored->scores, $pick, $wrench),
        );
    }
}
