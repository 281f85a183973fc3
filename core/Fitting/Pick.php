<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;

use function array_filter;
use function array_keys;
use function array_map;
use function array_sum;
use function count;
use function in_array;
use function max;
use function min;

/**
 * How several setups stand to one another by their plausible scores (lower = better), all under the same draws:
 * means, chances, gains, and what a clairvoyant would gain on each. Which of them is advised says `DecisionRule`.
 */
final readonly class Pick
{
    /**
     * What the draws leave out of a lead, strokes; what comes true of the rest; how much better the own club is than they say; and from
     * how many spreads on a lead comes true as it is told. Between what fits the two hidden worlds of `bin/bench advice`.
     */
    private const LEFT_OUT = 0.05;

    private const COMES_TRUE = 1.15;

    private const OWN_IS_BETTER = 0.2;

    private const CLEAR = 3.2;

    /** Share of a gain, and of the expected loss, of strokes that comes true: the best of many draws is partly luck. */
    private const GAIN_COMES_TRUE = 0.68;

    private const LOSS_COMES_TRUE = 0.62;

    private const MOST_SURE = 6.0;

    /**
     * @param  array<int, array<int, float>>  $scores  by setup and draw
     * @param  array<int, float>  $means  of the scores
     * @param  array<int, float>  $losses  what a clairvoyant would gain on each, on average
     */
    private function __construct(
        private array $scores, public Scoring $scoring, public int $own, public int $best, public array $means, public array $losses,
    ) {
    }

    /**
     * @param  array<int, array<int, float>>  $scores  by setup and draw, all setups under the same draws, some of them under more
     * @param  list<int>  $barred  setups that are never the best, whatever their score (`NeverSeen`)
     */
    public static function among(array $scores, int $own, Scoring $scoring, array $barred = []): self
    {
        // What has fewer draws is told against the own club in the same draws.
        $mean = static function (array $draws) use ($scores, $own): float {
            $n = min(count($draws), count($scores[$own]));

            return $n === 0
                ? 0.0
                : array_sum(array_slice($draws, 0, $n)) / $n -
                        array_sum(array_slice($scores[$own], 0, $n)) / $n +
                        array_sum($scores[$own]) / count($scores[$own]);
        };
        $means = array_map($mean, $scores);
        $common = $scores === [] ? 0 : min(array_map(count(...), $scores));
        $least = [];
        foreach ($scores as $draws) {
            for ($d = 0; $d < $common; $d++) {
                $least[$d] = min($least[$d] ?? INF, $draws[$d]);
            }
        }
        $clairvoyant = $mean($least);
        $share = $scoring->unit() === 'strokes' ? self::LOSS_COMES_TRUE : 1.0;
        $best = $own;
        foreach ($means as $s => $mean) {
            $best = $mean < $means[$best] && ! in_array($s, $barred, true) ? $s : $best;
        }

        return new self(
            $scores, $scoring, $own, $best, $means, array_map(static fn (float $m): float => max(0.0, $share * ($m - $clairvoyant)), $means),
        );
    }

    /**
     * Chance that a setup is better than another. Of strokes it is recalibrated: the models miss something of each setup that is in none
     * of the draws, and the own club is a little better than they say. A lead of many spreads is told as it is.
     */
    public function chance(int $setup, int $than): float
    {
        if ($setup === $than) {
            return 0.5;
        }
        [$mine, $theirs] = [$this->scores[$setup], $this->scores[$than]];
        if ($this->scoring->unit() !== 'strokes' || $mine === $theirs) {
            return self::share($mine, $theirs);
        }
        $gaps = self::gaps($mine, $theirs);
        $n = max(1, count($gaps));
        $lead = array_sum($gaps) / $n;
        $spread = sqrt(array_sum(array_map(static fn (float $g): float => ($g - $lead) ** 2, $gaps)) / $n);
        $asTold = $lead / max(1e-9, $spread);
        $own = ($than === $this->own ? 1.0 : 0.0) - ($setup === $this->own ? 1.0 : 0.0);
        $clear = min(1.0, (abs($asTold) / self::CLEAR) ** 6);
        $comesTrue = self::COMES_TRUE * $lead / hypot($spread, self::LEFT_OUT) - self::OWN_IS_BETTER * $own;

        return Normal::cdf((1 - $clear) * $comesTrue + $clear * max(-self::MOST_SURE, min(self::MOST_SURE, $asTold)));
    }

    /** Chance that a setup is behind another by more than so much. */
    public function chanceBehind(int $setup, int $than, float $by): float
    {
        $gaps = self::gaps($this->scores[$than], $this->scores[$setup]);

        return count(array_filter($gaps, static fn (float $gap): bool => $gap > $by)) / max(1, count($gaps));
    }

    /** Mean gain over another setup, + = better, in the scoring's unit. */
    public function gain(int $setup, int $over): float
    {
        return $this->means[$over] - $this->means[$setup];
    }

    /** The same as far as it comes true: what the draws say of strokes is spread too widely. */
    public function surerGain(int $setup, int $over): float
    {
        return ($this->scoring->unit() === 'strokes' ? self::GAIN_COMES_TRUE : 1.0) * $this->gain($setup, $over);
    }

    public function gainInterval(int $setup, int $over): Interval
    {
        return Interval::middleOf(self::gaps($this->scores[$setup], $this->scores[$over]));
    }

    /** Can a setup not be told from another: closer than the scoring resolves, or not surely worse? */
    public function isTied(int $setup, int $with): bool
    {
        return $setup !== $with &&
            (abs($this->means[$setup] - $this->means[$with]) < $this->scoring->resolution() ||
                self::share($this->scores[$with], $this->scores[$setup]) < DecisionRule::SURE_TO_BUY);
    }

    /** @return list<int> all setups, the best first */
    public function order(): array
    {
        $order = array_keys($this->means);
        usort($order, fn (int $a, int $b): int => $this->means[$a] <=> $this->means[$b]);

        return $order;
    }

    /**
     * Share of draws in which the first is lower; equal ones count half.
     *
     * @param  array<int, float>  $a
     * @param  array<int, float>  $b
     */
    public static function share(array $a, array $b): float
    {
        $gaps = self::gaps($a, $b);
        $lower = 0.0;
        foreach ($gaps as $gap) {
            $lower += $gap > 0 ? 1.0 : ($gap === 0.0 ? 0.5 : 0.0);
        }

        return $lower / max(1, count($gaps));
    }

    /**
     * How much lower the first is, in the draws that both have.
     *
     * @param  array<int, float>  $a
     * @param  array<int, float>  $b
     * @return list<float>
     */
    public static function gaps(array $a, array $b): array
    {
        $out = [];
        for ($d = 0, $n = min(count($a), count($b)); $d < $n; $d++) {
            $out[] = $b[$d] - $a[$d];
        }

        return $out;
    }
}
