<?php

declare(strict_types=1);

namespace MintCarry\Core\FollowUp;

use function count;
use function max;
use function sqrt;

/**
 * How much easier or harder a course is than the corridors that were promised on: learned from other players of the studio who played it with
 * their fitted clubs, as the mean of (fairways hit less share promised). Below so many players and drives nothing is said.
 */
final readonly class CourseEffect
{
    public const PLAYERS = 3;

    public const DRIVES = 80;

    private function __construct(public float $offset, public float $sd, public int $players, public int $drives)
    {
    }

    /** @param  list<array{hit: int, holes: int, promised: float}>  $others  one of each other player on this course */
    public static function of(array $others): ?self
    {
        $drives = array_sum(array_column($others, 'holes'));
        if (count($others) < self::PLAYERS || $drives < self::DRIVES) {
            return null;
        }
        $off = array_map(static fn (array $o): float => $o['hit'] / $o['holes'] - $o['promised'], $others);
        $mean = array_sum($off) / count($off);
        $variance = array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $off)) / (count($off) - 1);
        // Never surer than counting allows.
        $counted = array_sum(array_map(static fn (array $o): float => 0.25 / $o['holes'], $others)) / count($others);

        return new self($mean, sqrt(max($variance, $counted) / count($off)), count($others), (int) $drives);
    }
}
