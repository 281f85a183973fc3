<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Club\Hand;

use function abs;
use function array_filter;
use function array_map;
use function array_sum;
use function count;
use function max;

/**
 * One thing that the brief wants, as plausible truths of each setup: + = more of it. A gain counts from its
 * resolution on (common practice, no source): 3 m of carry or total, 3 points of fairways, 1 m of height, 150 rpm, 2
 * m of curve, half a degree of start.
 */
final readonly class Wish
{
    /** Resolution, and the figure that it is told in. */
    private const OF = [
        'carry' => [3.0, 'carryM'], 'run' => [3.0, 'totalM'], 'fairways' => [0.03, 'share'], 'height' => [1.0, 'apexM'],
        'lower flight' => [1.0, 'apexM'], 'less spin' => [150.0, 'spinRpm'], 'hold a draw' => [2.0, 'curveM'], 'hold a fade' => [2.0, 'curveM'],
        'start side' => [0.5, 'directionDeg'], 'shape' => [2.0, 'curveM'],
    ];

    /**
     * A shape that is played curves by so much, m, and a side that is wanted begins so far from the line, ° (common
     * practice, no source).
     */
    private const CURVE_M = 7.0;

    private const START_DEG = 1.0;

    /** @param  array<int, array<int, float>>  $values  by setup and draw, + = more of what is wanted */
    private function __construct(public string $name, public string $figure, public array $values, public float $resolution)
    {
    }

    /**
     * What the brief wants, in its order; then the start side and the shape that the player plays.
     *
     * @param  array<string, array<int, array<int, float>>>  $figures  by figure, setup and draw: carryM, totalM, share, apexM, spinRpm,
     *   curveM and directionDeg (+ right); what nobody knows of every setup is missing, and no wish is answered by it
     * @return list<self>
     */
    public static function of(Brief $brief, Hand $hand, array $figures): array
    {
        $names = $brief->wants;
        if ($brief->startSide !== 'any') {
            $names[] = 'start side';
        }
        if ($brief->shape !== 'unknown' && array_intersect(['hold a draw', 'hold a fade'], $names) === []) {
            $names[] = 'shape';
        }
        $out = [];
        foreach ($names as $name) {
            [$resolution, $figure] = self::OF[$name] ?? [0.0, ''];
            if (isset($figures[$figure]) && $figures[$figure] !== []) {
                $worth = self::worth($name, $brief, $hand);
                $out[] = new self(
                    $name, $figure, array_map(static fn (array $v): array => array_map($worth, $v), $figures[$figure]), $resolution,
                );
            }
        }

        return $out;
    }

    /** @return callable(float): float what a figure is worth to the wish, + = more of it */
    private static function worth(string $name, Brief $brief, Hand $hand): callable
    {
        $curve = $hand->sign() * self::CURVE_M;

        return match ($name) {
            'lower flight', 'less spin' => static fn (float $v): float => -$v,
            'hold a draw' => static fn (float $v): float => -abs($v + $curve),
            'hold a fade' => static fn (float $v): float => -abs($v - $curve),
            'shape' => match ($brief->shape) {
                'draw' => static fn (float $v): float => -abs($v + $curve),
                'fade' => static fn (float $v): float => -abs($v - $curve),
                // Who hooks or slices wants less of it.
                default => static fn (float $v): float => -abs($v),
            },
            'start side' => match ($brief->startSide) {
                'left' => static fn (float $v): float => -max(0.0, $v + self::START_DEG),
                'right' => static fn (float $v): float => -max(0.0, self::START_DEG - $v),
                default => static fn (float $v): float => -abs($v),
            },
            default => static fn (float $v): float => $v,
        };
    }

    /** Is more of it had with a setup than with another: by its resolution on average, and with this chance at all? */
    public function isGained(int $with, int $over, float $chance): bool
    {
        return $this->gain($with, $over) >= $this->resolution && Pick::share($this->values[$over], $this->values[$with]) >= $chance;
    }

    /** Mean gain of a setup over another, in the draws that both have. */
    public function gain(int $with, int $over): float
    {
        $gaps = Pick::gaps($this->values[$over], $this->values[$with]);

        return array_sum($gaps) / max(1, count($gaps));
    }

    /**
     * Those of the setups that none of the others has more of it than.
     *
     * @param  list<int>  $among
     * @return list<int>
     */
    public function best(array $among, float $chance): array
    {
        $most = $among[0];
        foreach ($among as $s) {
            $most = $this->gain($s, $most) > 0 ? $s : $most;
        }

        return array_values(array_filter($among, fn (int $s): bool => ! $this->isGained($most, $s, $chance)));
    }
}
