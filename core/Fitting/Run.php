<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use function abs;
use function hypot;
use function max;

/**
 * How well the run after landing is known: the weakest part of the flight model. The observed runs of docs/physics.md are met to
 * about a tenth; ground differs more than that from one fairway to the next, and a bounce turns the ball (assumptions).
 */
final class Run
{
    /** Of the whole run on one course against the model's, SD as a share. */
    public const SD_SHARE = 0.15;

    /** Of where a ball stops across, from shot to shot, SD as a share of the run. */
    public const ACROSS_SHARE = 0.06;

    /** The share of the model's run that a course gives, from a standard normal number. */
    public static function share(float $z): float
    {
        return max(0.3, 1 + self::SD_SHARE * $z);
    }

    /** Spread of the side at rest with that of the bounces in it, m. */
    public static function spread(float $spreadM, float $runM): float
    {
        return hypot($spreadM, self::ACROSS_SHARE * abs($runM));
    }
}
