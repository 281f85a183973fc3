<?php

declare(strict_types=1);

namespace MintCarry\Core\FollowUp;

use function max;
use function sqrt;

/**
 * How much easier or harder a course is than the corridors that were promised on: learned from other players of the
 * studio who played it with their fitted clubs, as the mean of (fairways hit less share promised). Below so many
 * players and drives nothing is said.
 */
final readonly class CourseEffect
{
    public const PLAYERS = 3;

    public const DRIVES = 80;

    private function __construct(public float $offset, public float $sd, public int $players, public int $drives)
    {
    }

    /**
     * @param  int  $players  who played it
     * @param  int  $drives  of all of them
     * @param  float  $off  sum over players of share hit less share promised
     * @param  float  $squares  sum of its squares
     * @param  float  $counted  sum over players of 0.25 / drives: the largest variance that counting alone can have
     */
    public static function of(int $players, int $drives, float $off, float $squares, float $counted): ?self
    {
        if ($players < self::PLAYERS || $drives < self::DRIVES) {
            return null;
        }
        $mean = $off / $players;
        $variance = ($squares - $players * $mean ** 2) / ($players - 1);

        // Never surer than counting allows.
        return new self($mean, sqrt(max($variance, $counted / $players) / $players), $players, $drives);
    }
}
