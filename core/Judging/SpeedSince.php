<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use function abs;
use function array_map;
use function array_slice;
use function array_sum;
use function count;
use function max;
use function sqrt;

/**
 * Whether the player swings otherwise now than in the trials before, and since when: said beside the line of speed where it matters.
 *
 * The speeds of a visit are cut where the two parts differ most by Student's t with a common spread; it is told where that is clear (4
 * standard errors: of all cuts looked at the largest is taken, so 2 would speak of chance; limit by simulation, see the test) and worth
 * 1 % of the speed (common practice, no source). Warm-up shots are not looked at.
 */
final readonly class SpeedSince
{
    private const CLEAR_T = 4.0;

    private const WORTH_SHARE = 0.01;

    private const FROM_SHOTS = 4;

    /**
     * @param  float  $byMps  how much faster (+) or slower (−) than before
     * @param  int  $at  the first shot of the slower or faster part, by its place among the speeds
     */
    private function __construct(public float $byMps, public int $at)
    {
    }

    /** @param  list<float>  $speeds  m/s of the shots that count, in their order, of one visit */
    public static function of(array $speeds): ?self
    {
        $n = count($speeds);
        if ($n < 2 * self::FROM_SHOTS) {
            return null;
        }
        // Sums up to each cut, about the mean of all: every cut is then weighed without going through the shots again.
        $middle = array_sum($speeds) / $n;
        $off = array_map(static fn (float $v): float => $v - $middle, $speeds);
        $squares = array_sum(array_map(static fn (float $d): float => $d * $d, $off));
        $last = array_sum(array_slice($off, -self::FROM_SHOTS)) / self::FROM_SHOTS;
        $best = null;
        $most = self::CLEAR_T;
        $before = array_sum(array_slice($off, 0, self::FROM_SHOTS - 1));
        for ($at = self::FROM_SHOTS; $at <= $n - self::FROM_SHOTS; $at++) {
            $before += $off[$at - 1];
            [$was, $is] = [$before / $at, -$before / ($n - $at)];
            $within = $squares - $at * $was ** 2 - ($n - $at) * $is ** 2;
            $t = abs($is - $was) / sqrt(max(1e-9, $within / ($n - 2)) * (1 / $at + 1 / ($n - $at)));
            $worth = self::WORTH_SHARE * ($middle + $was);
            // What has come back since is over.
            $isStill = ($last - $was) * ($is - $was) > 0 && abs($last - $was) > $worth;
            if ($isStill && $t > $most && abs($is - $was) > $worth) {
                $most = $t;
                $best = new self($is - $was, $at);
            }
        }

        return $best;
    }
}
