<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Club\Head;

/** What the ball meets over the face: loft and face from roll and bulge, and the ball speed that a strike there gives up. */
final class FaceMap
{
    private const HIGH_MM = [15.0, 7.5, 0.0, -7.5, -15.0];

    private const TOE_MM = [-24.0, -12.0, 0.0, 12.0, 24.0];

    /** The swing that tells the loss: 100 mph, level, with the loft that players add. The share hardly depends on it. */
    private const CLUB_SPEED_MPS = 44.7;

    /**
     * A grid of strikes, row by row from high to low, heel to toe.
     *
     * @return list<array{toeMm: float, highMm: float, loftDeg: float, faceOpenDeg: float, ballSpeedShare: float}> the share of the
     *   centre's ball speed that is left, by the impact model
     */
    public static function of(Head $head): array
    {
        $impact = new Impact($head);
        $swing = new Delivery(self::CLUB_SPEED_MPS, 0.0, 0.0, $head->loftDeg + PlayerPriors::LOFT_ADDED_DEG, 0.0);
        $centre = $impact->strike($swing)->ballSpeedMps;
        $out = [];
        foreach (self::HIGH_MM as $high) {
            foreach (self::TOE_MM as $toe) {
                [$loft, $face] = $head->faceAt($toe, $high);
                $out[] = [
                    'toeMm' => $toe, 'highMm' => $high, 'loftDeg' => $loft, 'faceOpenDeg' => $face,
                    'ballSpeedShare' => $impact->strike($swing, new Strike($toe, $high))->ballSpeedMps / $centre,
                ];
            }
        }

        return $out;
    }
}
