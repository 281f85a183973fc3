<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Statistics\Normal;

use function count;
use function max;
use function min;
use function round;

/**
 * A round of drives as they are expected to come to rest: how many of fourteen end in the corridor, left and right of it, and where each
 * lies. The same drives every time: they lie at even chances of a normal curve that has just these shares.
 */
final readonly class FourteenDrives
{
    public const DRIVES = 14;

    private const LEAST_SHARE = 0.002;

    /** @param  list<array{sideM: float, totalM: float, end: 'left'|'fairway'|'right'}>  $drives  side + = right, from the left to the right */
    private function __construct(public int $fairway, public int $left, public int $right, public array $drives)
    {
    }

    /**
     * @param  float  $left  shares of drives left of the corridor, and right of it
     * @param  float  $totalM  where they come to rest on average, and how far they spread
     * @param  int  $round  which round it is: each is as far along the line, in another order
     * @param  bool  $rightIsTold  the right side is the one whose count is told elsewhere: then the left takes what rounding leaves
     */
    public static function of(float $left, float $right, Corridor $corridor, float $totalM, float $totalSdM, bool $rightIsTold = false, int $round = 0): self
    {
        $whole = static fn (float $share): int => (int) round(self::DRIVES * $share);
        $fairway = $whole(1 - $left - $right);
        $out = self::DRIVES - $fairway;
        $atLeft = $rightIsTold ? $out - min($out, $whole($right)) : min($out, $whole($left));
        $counts = ['left' => $atLeft, 'fairway' => $fairway, 'right' => $out - $atLeft];
        [$l, $r] = [max(self::LEAST_SHARE, $left), max(self::LEAST_SHARE, $right)];
        $half = $corridor->halfM();
        [$zLeft, $zRight] = [Normal::quantile(min($l, 1 - $r - self::LEAST_SHARE)), Normal::quantile(1 - min($r, 1 - $l - self::LEAST_SHARE))];
        $sd = 2 * $half / ($zRight - $zLeft);
        $mean = -$half - $sd * $zLeft;
        $from = ['left' => 0.0, 'fairway' => Normal::cdf($zLeft), 'right' => Normal::cdf($zRight)];
        $to = ['left' => $from['fairway'], 'fairway' => $from['right'], 'right' => 1.0];
        $drives = [];
        foreach ($counts as $end => $n) {
            for ($i = 0; $i < $n; $i++) {
                $z = Normal::quantile($from[$end] + ($i + 0.5) / $n * ($to[$end] - $from[$end]));
                $drives[] = [
                    'sideM' => $mean + $sd * $z, 'totalM' => $totalM + $totalSdM * Normal::quantile(self::evenly(($round * 5 + count($drives)) % self::DRIVES + 1)),
                    'end' => $end,
                ];
            }
        }

        return new self($fairway, $atLeft, $out - $atLeft, $drives);
    }

    /** The n-th of numbers that fill 0 … 1 evenly in no order (van der Corput 1935, base 2, from memory). */
    private static function evenly(int $n): float
    {
        $out = 0.0;
        for ($share = 0.5; $n > 0; $share /= 2, $n >>= 1) {
            $out += ($n & 1) * $share;
        }

        return $out;
    }
}
