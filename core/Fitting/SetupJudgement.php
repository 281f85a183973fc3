<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Summary;

/** What the shots say of one setup, for the decision. Strokes are differences from the benchmark: negative = fewer strokes = better. */
final readonly class SetupJudgement
{
    public function __construct(
        public string $tag,
        public int $n,
        public ?Summary $carry,
        public ?Summary $total,
        public float $share,
        public Interval $shareInterval,
        public int $sideKnown,
        public float $spreadM,
        public ?LoftTrade $trade,
        public float $strokes,
        public Interval $strokesInterval,
        public float $aimFixedStrokes,
        public float $chanceBetter,
        public float $expectedLoss,
        public float $aimDeg,
        /** Gain over the benchmark by the brief's scoring, + = better, in the scoring's unit. */
        public float $gain,
        public Interval $gainInterval,
    ) {
    }
}
