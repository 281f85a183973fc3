<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;

/** Share of drives that finish in the corridor with the aim held on its middle, and the 95 % interval of that share. Never 100 % from four of four. */
final readonly class CorridorShare
{
    private function __construct(public float $share, public Interval $interval, public int $n)
    {
    }

    public static function of(SideEstimate $side, Corridor $corridor, \Random\Randomizer $random, int $draws = 400): self
    {
        $half = $corridor->halfM();
        $shares = [];
        for ($d = 0; $d < $draws; $d++) {
            [$mean, $sd] = $side->draw($random);
            $shares[] = Normal::cdf(($half - $mean) / $sd) - Normal::cdf((-$half - $mean) / $sd);
        }

        return new self(array_sum($shares) / $draws, Interval::middleOf($shares), $side->n);
    }
}
