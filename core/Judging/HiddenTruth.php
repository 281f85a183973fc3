<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Impact\SetupEffect;
use MintCarry\Core\Impact\ShotMaker;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use Random\Engine\Mt19937;
use Random\Randomizer;

use function abs;
use function array_sum;
use function count;
use function sqrt;

/**
 * What a setup truly does for a made-up player, which no fitter ever sees of a real one: so many drives that its few shots in the bay are
 * nothing beside them. The same swings for every setup, so that what differs is the setup's.
 */
final readonly class HiddenTruth
{
    private const DRIVES = 600;

    /**
     * @param  float  $share  of the drives that come to rest in the corridor
     * @param  float  $carryErrorM  standard error of the mean of so many drives
     */
    private function __construct(public float $carryM, public float $share, public float $carryErrorM)
    {
    }

    public static function of(PlayerModel $player, SetupEffect $setup, Hand $hand, BallFlight $flight, Corridor $corridor): self
    {
        $maker = new ShotMaker($setup, $hand, new Randomizer(new Mt19937(20)));
        $carries = [];
        $in = 0;
        // Warm and fresh: what a club does is not told by who is tired.
        $rested = new PlayerModel(...['warmUpSwings' => 0, 'tiringPerSwing' => 0.0] + get_object_vars($player));
        for ($i = 0; $i < self::DRIVES; $i++) {
            $shot = LaunchShot::of(ShotMaker::seen($maker->hit($rested), false), $flight);
            $carry = $shot->value(Measure::Carry);
            if ($carry !== null) {
                $carries[] = $carry;
                $in += abs($shot->value(Measure::TotalSide) ?? 0.0) <= $corridor->halfM() ? 1 : 0;
            }
        }
        $n = max(1, count($carries));
        $mean = array_sum($carries) / $n;
        $squares = array_sum(array_map(static fn (float $c): float => ($c - $mean) ** 2, $carries));

        return new self($mean, $in / $n, sqrt($squares / max(1, $n - 1) / $n));
    }
}
