<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Statistics\Interval;

use function array_keys;
use function array_map;
use function array_sum;
use function count;
use function max;
use function min;

/**
 * Which of several setups to pick, from plausible scores of each (lower = better): the best on average, unless the own club, which stays unless it is beaten with a probability of at least 0.8 and by more than the scoring resolves (docs/judging.md).
 */
final readonly class Pick
{
    public const KEEP_UNLESS = 0.8;

    /**
     * @param  array<int, array<int, float>>  $scores  by setup and draw
     * @param  array<int, float>  $means  of the scores
     * @param  array<int, float>  $losses  what a clairvoyant would gain on each, on average
     */
    private function __construct(private array $scores, public Scoring $scoring, public int $own, public int $best, public int $pick, public array $means, public array $losses)
    {
    }

    /** @param  array<int, array<int, float>>  $scores  by setup and draw, all setups under the same draws */
    public static function among(array $scores, int $own, Scoring $scoring): self
    {
        $means = array_map(static fn (array $v): float => array_sum($v) / max(1, count($v)), $scores);
        $least = [];
        foreach ($scores as $draws) {
            foreach ($draws as $d => $value) {
                $least[$d] = min($least[$d] ?? INF, $value);
            }
        }
        $clairvoyant = array_sum($least) / max(1, count($least));
        $best = $own;
        foreach ($means as $s => $mean) {
            $best = $mean < $means[$best] ? $s : $best;
        }
        $picked = $best !== $own && self::share($scores[$best], $scores[$own]) >= self::KEEP_UNLESS && $scoring->resolution() < $means[$own] - $means[$best] ? $best : $own;

        return new self($scores, $scoring, $own, $best, $picked, $means, array_map(static fn (float $m): float => max(0.0, $m - $clairvoyant), $means));
    }

    /** Chance that a setup is better than another. */
    public function chance(int $setup, int $than): float
    {
        return $setup === $than ? 0.5 : self::share($this->scores[$setup], $this->scores[$than]);
    }

    /** Mean gain over another setup, + = better, in the scoring's unit. */
    public function gain(int $setup, int $over): float
    {
        return $this->means[$over] - $this->means[$setup];
    }

    public function gainInterval(int $setup, int $over): Interval
    {
        return Interval::middleOf(array_map(static fn (float $a, float $b): float => $b - $a, $this->scores[$setup], $this->scores[$over]));
    }

    /** Can a setup not be told from another: closer than the scoring resolves, or not surely worse? */
    public function isTied(int $setup, int $with): bool
    {
        return $setup !== $with && (abs($this->means[$setup] - $this->means[$with]) < $this->scoring->resolution() || self::share($this->scores[$with], $this->scores[$setup]) < self::KEEP_UNLESS);
    }

    /** @return list<int> all setups, the best first */
    public function order(): array
    {
        $order = array_keys($this->means);
        usort($order, fn (int $a, int $b): int => $this->means[$a] <=> $this->means[$b]);

        return $order;
    }

    /**
     * Share of draws in which the first is lower.
     *
     * @param  array<int, float>  $a
     * @param  array<int, float>  $b
     */
    private static function share(array $a, array $b): float
    {
        $wins = 0;
        foreach ($a as $d => $value) {
            $wins += $value < $b[$d] ? 1 : 0;
        }

        return $wins / max(1, count($a));
    }
}
