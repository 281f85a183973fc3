<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

/** Covariance ellipse of points (across, along): centre, half axes at one standard deviation times `scale`, and its turn. */
final readonly class Ellipse
{
    private function __construct(
        public float $acrossM,
        public float $alongM,
        public float $halfLongM,
        public float $halfShortM,
        /** Turn of the long axis from "across" toward "along", degrees. */
        public float $turnDeg,
    ) {
    }

    /**
     * @param  list<array{float, float}>  $points  [across, along]
     * @return self|null null from fewer than three points: two have no ellipse
     */
    public static function around(array $points, float $scale = 1.0): ?self
    {
        $n = count($points);
        if ($n < 3) {
            return null;
        }
        $mx = array_sum(array_column($points, 0)) / $n;
        $my = array_sum(array_column($points, 1)) / $n;
        $xx = $yy = $xy = 0.0;
        foreach ($points as [$x, $y]) {
            $xx += ($x - $mx) ** 2;
            $yy += ($y - $my) ** 2;
            $xy += ($x - $mx) * ($y - $my);
        }
        $xx /= $n - 1;
        $yy /= $n - 1;
        $xy /= $n - 1;
        $middle = ($xx + $yy) / 2;
        $spread = sqrt((($xx - $yy) / 2) ** 2 + $xy * $xy);

        return new self(
            $mx, $my, $scale * sqrt($middle + $spread), $scale * sqrt(max(0.0, $middle - $spread)),
            rad2deg(0.5 * atan2(2 * $xy, $xx - $yy)),
        );
    }
}
