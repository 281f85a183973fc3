<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Summary;

/**
 * What the judge says of one setup, for every screen. Differences are from the benchmark; strokes: negative = fewer = better. The share
 * in the corridor, left and right of it, is with the aim held on the middle.
 */
final readonly class SetupJudgement
{
    /**
     * @param  Summary|null  $carry  of the shots themselves, likewise the total
     * @param  float  $carryGainM  difference of carry from the benchmark that the judge expects
     * @param  float  $gain  over the benchmark by the brief's scoring, + = better, in the scoring's unit
     * @param  list<NeverSeen>  $never  in the order of the brief
     * @param  float  $troubleShare  of drives that end in water, trees or out of bounds
     * @param  array<string, ExpectedFigure>  $flight  launchDeg, spinRpm, apexM, descentDeg, directionDeg, curveM, those that are known
     * @param  list<WishAnswer>  $wishes  what it does for each want, beside the own club
     */
    public function __construct(
        public string $tag,
        public int $n,
        public ?Summary $carry,
        public ?Summary $total,
        public CorridorShare $share,
        public float $spreadM,
        public ?LoftTrade $trade,
        public float $strokes,
        public Interval $strokesInterval,
        public float $aimFixedStrokes,
        public float $chanceBetter,
        public float $expectedLoss,
        public float $aimDeg,
        public float $gain,
        public Interval $gainInterval,
        public float $expectedCarryM,
        public float $carryGainM,
        public Interval $carryGainInterval,
        public float $totalGainM,
        public Interval $totalGainInterval,
        public float $shareGain,
        public Interval $shareGainInterval,
        public array $never,
        public float $troubleShare,
        public array $flight,
        public array $wishes,
        public float $expectedTotalM,
    ) {
    }

    /** @return list<string> what it likely brings more of, though the brief says never */
    public function barredBy(): array
    {
        return array_values(array_map(
            static fn (NeverSeen $n): string => $n->kind, array_filter($this->never, static fn (NeverSeen $n): bool => $n->isBarred),
        ));
    }
}
