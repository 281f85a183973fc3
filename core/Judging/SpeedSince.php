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
        $best = null;
        $most = self::CLEAR_T;
        for ($at = self::FROM_SHOTS; $at <= $n - self::FROM_SHOTS; $at++) {
            [$before, $after] = [array_slice($speeds, 0, $at), array_slice($speeds, $at)];
            [$was, $is] = [self::mean($before), self::mean($after)];
            $squares = self::squares($before, $was) + self::squares($after, $is);
            $error = sqrt(max(1e-9, $squares / ($n - 2)) * (1 / $at + 1 / ($n - $at)));
            // What has come back since is over.
            $now = self::mean(array_slice($speeds, -self::FROM_SHOTS)) - $was;
            $isStill = $now * ($is - $was) > 0 && abs($now) > self::WORTH_SHARE * $was;
            if ($isStill && abs($is - $was) / $error > $most && abs($is - $was) > self::WORTH_SHARE * $was) {
                $most = abs($is - $was) / $error;
                $best = new self($is - $was, $at);
            }
        }

        return $best;
    }

    /** @param  list<float>  $values */
    private static function mean(array $values): float
    {
        return array_sum($values) / count($values);
    }

    /** @param  list<float>  $values */
    private static function squares(array $values, float $mean): float
    {
        return array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $values));
    }
}
