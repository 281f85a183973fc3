<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\DecisionRule;
use MintCarry\Core\Fitting\Effort;
use MintCarry\Core\Fitting\ExpectedFigure;
use MintCarry\Core\Fitting\FlightLimits;
use MintCarry\Core\Fitting\NeverSeen;
use MintCarry\Core\Fitting\Option;
use MintCarry\Core\Fitting\Outlook;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\Wish;
use MintCarry\Core\Fitting\WishAnswer;
use MintCarry\Core\Statistics\Interval;

use function array_sum;
use function count;
use function in_array;

/**
 * Every legal setup on the rack, judged for this player from what was hit.
 *
 * The draws of each setup (`PredictedDraws`) are priced by the brief's scoring, with the best aim within ±4° for
 * each draw where the aim is free. Everything is told as a difference from the benchmark; which one is picked says
 * `DecisionRule`; the expected loss of the pick is what a clairvoyant would gain on it.
 */
final readonly class Finder
{
    /**
     * Below this expected loss, or where the best trial is worth less than the second, more shots are not worth it:
     * strokes.
     */
    public const STOP_BELOW = 0.020;

    private const WORTH_A_TRIAL = 0.005;

    /**
     * @param  list<Predicted>  $setups  best first
     * @param  array<string, array{prior: float, priorSd: float, now: float, sd: float}>  $learned  of the factors of `Belief::factor`
     * @param  array{spec: SetupSpec, value: float, chance: float, changes: int, turns: float, to: SetupSpec|null, for: string,
     *   opensWish: bool}|null  $next  what to hit next (`NextTrial`); turns: the chance that another setup than now is the best after it,
     *   to: which one most often
     */
    private function __construct(
        public Scoring $scoring, public array $setups, public Predicted $base, public Predicted $best, public Predicted $pick,
        public float $expectedLoss, public bool $mayStop, public array $learned, public ?array $next,
    ) {
    }

    /**
     * @param  (callable(SetupSpec): (int|null))|null  $wrench  wrench changes from what is in the hand; null for a setup that
     *   cannot be hit here
     * @param  (callable(SetupSpec): Option)|null  $offer  what a setup takes to be played; null: everything but the own club has to be bought
     * @param  float  $loftAskedDeg  change of delivered loft that the diagnosis asks for; 0: none
     * @param  string|null  $benchmark  tag of the setup that all are held against; null: the own club
     */
    public static function of(
        PredictedDraws $draws, Brief $brief, ?callable $wrench = null, ?FlightLimits $limits = null, ?string $benchmark = null,
        ?callable $offer = null, float $loftAskedDeg = 0.0,
    ): self {
        $base = $benchmark === null ? 0 : $draws->index($benchmark) ?? 0;
        $scored = ScoredDraws::of($draws, $brief, $limits);
        $scoring = $brief->scoring();
        $price = Outlook::price($brief, array_sum($draws->figures[$base][1]) / count($draws->figures[$base][1]));
        $barred = $scored->barred($base, $brief, $limits);
        $pick = Pick::among($scored->scores, $base, $scoring, $barred);
        $options = [];
        foreach ($draws->specs as $s => $spec) {
            $known = $offer === null ? new Option(effort: $s === 0 ? Effort::Nothing : Effort::InStock) : $offer($spec);
            $options[$s] = new Option(in_array($s, $barred, true), $known->effort, $known->price);
        }
        $figures = $scored->figures($draws);
        $flights = Search::flights($draws);
        $wishes = Wish::of($brief, $draws->specs[0]->hand, $figures);
        $rule = DecisionRule::choose($pick, $options, 0, $wishes, sureToBuy: $brief->sureToBuy);
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
                $mean($scored->troubles[$s]), ExpectedFigure::allOf($flights, $s), WishAnswer::allOf($wishes, $figures, $s, 0),
            );
        }
        $loss = $pick->losses[$rule->pick];
        $next = NextTrial::of($draws, $scored->scores, $pick, 0, $options, $wishes, $loftAskedDeg, $wrench);

        return new self(
            $scoring, array_map(static fn (int $s): Predicted => $setups[$s], $pick->order()), $setups[$base], $setups[$pick->best],
            $setups[$rule->pick], $loss, self::mayStop($scoring, $loss, $next), $draws->learned, $next,
        );
    }

    /**
     * More swings would not change it: little is lost on the pick, or no trial is worth hitting, and none would
     * answer an open wish.
     *
     * @param  array{value: float, opensWish: bool}|null  $next
     */
    private static function mayStop(Scoring $scoring, float $loss, ?array $next): bool
    {
        return $scoring->unit() === 'strokes' && ($next === null
            ? $loss < self::STOP_BELOW
            : ! $next['opensWish'] && ($loss < self::STOP_BELOW || $next['value'] < self::WORTH_A_TRIAL));
    }
}
