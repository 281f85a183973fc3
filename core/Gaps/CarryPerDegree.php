<?php

declare(strict_types=1);

namespace MintCarry\Core\Gaps;

use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Line;
use MintCarry\Core\Statistics\StudentT;

use function array_map;
use function array_sum;
use function count;
use function hypot;
use function sqrt;

/**
 * What a degree of loft takes of carry over a player's own clubs: the straight line through them. How surely, the shots of each club and
 * their spread say, and how far clubs usually lie off such a line; three clubs alone could not tell.
 */
final readonly class CarryPerDegree
{
    /** So far a club's carry lies off the line through a bag, m (assumption). */
    private const OFF_LINE_M = 3.0;

    private function __construct(public float $carryM, public float $error, public float $dof, public int $n)
    {
    }

    /**
     * @param  list<array{loftDeg: float, carryM: float, error: float}>  $clubs  error: standard error of the carry, m
     * @param  float  $dof  of the spread that the errors come from
     * @return self|null null of fewer than three clubs, or where all have one loft
     */
    public static function over(array $clubs, float $dof): ?self
    {
        $line = Line::through(array_map(static fn (array $c): array => [$c['loftDeg'], $c['carryM']], $clubs));
        if ($line === null) {
            return null;
        }
        $middle = array_sum(array_column($clubs, 'loftDeg')) / count($clubs);
        $squares = $weighted = 0.0;
        foreach ($clubs as $club) {
            $off = $club['loftDeg'] - $middle;
            $squares += $off ** 2;
            $weighted += ($off * hypot($club['error'], self::OFF_LINE_M)) ** 2;
        }

        return new self($line->slope, sqrt($weighted) / $squares, $dof, $line->n);
    }

    /** What so many degrees more do to carry, 95 %, where the degrees themselves are known to so much. */
    public function interval(float $deg = 1.0, float $sdDeg = 0.0): Interval
    {
        $half = StudentT::quantile(0.975, $this->dof) * hypot($this->error * $deg, $this->carryM * $sdDeg);

        return new Interval($this->carryM * $deg - $half, $this->carryM * $deg + $half);
    }
}
