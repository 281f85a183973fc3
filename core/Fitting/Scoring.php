<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

/**
 * What the best setup is best at. Each scoring turns one plausible truth of a setup into one number, lower = better, in a unit a
 * fitter can read: strokes on a driving hole, points of corridor share, or metres.
 */
enum Scoring: string
{
    case FewestStrokes = 'fewest strokes';
    case Straightest = 'straightest';
    case Longest = 'longest';
    case GuardedHeight = 'guarded height';
    case Running = 'running';
    case FeelFirst = 'feel first';
    case OwnWeights = 'own weights';

    /** A difference smaller than this counts as none. */
    public function resolution(): float
    {
        return match ($this) {
            self::FewestStrokes, self::FeelFirst => 0.015,
            self::Straightest => 2.0,
            self::OwnWeights => 0.25,
            default => 1.5,
        };
    }

    /** strokes, points or m */
    public function unit(): string
    {
        return match ($this) {
            self::FewestStrokes, self::FeelFirst => 'strokes',
            self::Straightest, self::OwnWeights => 'points',
            default => 'm',
        };
    }

    /**
     * The score of one draw. Where feel goes first the figures are strokes, and only veto (`Advice`). Guarded height counts the carry of the low drive, one spread below the mean. Own weights count
     * steps: one point of weight for each 5 m of carry, 5 m of run, 5 points of share and 3 m of apex.
     *
     * @param  array{strokes: float, share: float, carryM: float, carrySdM: float, totalM: float, apexM: float}  $draw
     * @param  array<string, float>  $weights  carry, run, fairways, height: 0 … 10
     */
    public function of(array $draw, array $weights = []): float
    {
        return match ($this) {
            self::FewestStrokes, self::FeelFirst => $draw['strokes'],
            self::Straightest => -100 * $draw['share'],
            self::Longest => -$draw['carryM'],
            self::GuardedHeight => -($draw['carryM'] - $draw['carrySdM']),
            self::Running => -$draw['totalM'],
            self::OwnWeights => -(
                (($weights['carry'] ?? 0) * $draw['carryM']) / 5 +
                (($weights['run'] ?? 0) * ($draw['totalM'] - $draw['carryM'])) / 5 +
                ($weights['fairways'] ?? 0) * 20 * $draw['share'] +
                (($weights['height'] ?? 0) * $draw['apexM']) / 3
            ) / max(1.0, array_sum($weights)),
        };
    }
}
