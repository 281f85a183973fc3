<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;

/**
 * Share of drives that finish in the corridor with the aim fixed on its middle, and the 95 % interval of that share. Never 100 %
 * from four of four. Left and right are the shares that miss it on either side: a two-way miss shows there, and not in an
 * average.
 */
final readonly class CorridorShare
{
    private function __construct(public float $share, public Interval $interval, public int $n, public float $left, public float $right)
    {
    }

    /**
     * From a judge's draws of the shares left and right of the corridor.
     *
     * @param  array<int, float>  $lefts
     * @param  array<int, float>  $rights
     * @param  int  $n  shots whose side was seen
     */
    public static function ofDraws(array $lefts, array $rights, int $n): self
    {
        $shares = array_map(static fn (float $l, float $r): float => 1 - $l - $r, array_values($lefts), array_values($rights));
        $mean = static fn (array $values): float => array_sum($values) / count($values);

        return new self($mean($shares), Interval::middleOf($shares), $n, $mean($lefts), $mean($rights));
    }

    /** From the shots of one setup alone. */
    public static function of(SideEstimate $side, Corridor $corridor, \Random\Randomizer $random, int $draws = 400): self
    {
        $half = $corridor->halfM();
        $shares = [];
        $left = $right = 0.0;
        for ($d = 0; $d < $draws; $d++) {
            [$mean, $sd] = $side->draw($random);
            [$l, $r] = [Normal::cdf((-$half - $mean) / $sd), 1 - Normal::cdf(($half - $mean) / $sd)];
            $shares[] = 1 - $l - $r;
            $left += $l / $draws;
            $right += $r / $draws;
        }

        return new self(array_sum($shares) / $draws, Interval::middleOf($shares), $side->n, $left, $right);
    }
}
