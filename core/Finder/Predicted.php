<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\ExpectedFigure;
use MintCarry\Core\Fitting\NeverSeen;
use MintCarry\Core\Fitting\WishAnswer;
use MintCarry\Core\Statistics\Interval;

/**
 * What is expected of one setup for this player. Gains are differences from the benchmark, + = better, in the scoring's unit;
 * strokes too, and their held twin. The share in the corridor is with the aim held on the middle.
 */
final readonly class Predicted
{
    public float $share;

    /**
     * @param  list<NeverSeen>  $never  in the order of the brief
     * @param  array<string, ExpectedFigure>  $flight  launchDeg, spinRpm, apexM, descentDeg, directionDeg, curveM
     * @param  list<WishAnswer>  $wishes  what it does for each want, beside the own club
     */
    public function __construct(
        public SetupSpec $spec,
        public float $carryM,
        public Interval $carryInterval,
        public float $totalM,
        public float $sideM,
        public Interval $sideInterval,
        public float $sideSpreadM,
        public float $apexM,
        public CorridorShare $corridor,
        public float $gain,
        public Interval $gainInterval,
        public float $aimFixedGain,
        public float $chance,
        public float $expectedLoss,
        public float $aimDeg,
        public bool $tied,
        public bool $tested,
        public float $carryGainM,
        public Interval $carryGainInterval,
        public array $never,
        public float $troubleShare,
        public array $flight,
        public array $wishes,
    ) {
        $this->share = $corridor->share;
    }
}
