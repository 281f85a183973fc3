<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Statistics\Interval;

use function array_filter;
use function array_map;
use function array_sum;
use function count;

/** A figure that is expected of a setup: its mean over the plausible truths, and their middle 95 %. */
final readonly class ExpectedFigure
{
    private function __construct(public float $value, public Interval $interval)
    {
    }

    /** @param  array<int, float>  $draws  at least one */
    public static function of(array $draws): self
    {
        return new self(array_sum($draws) / count($draws), Interval::middleOf($draws));
    }

    /**
     * All figures of one setup.
     *
     * @param  array<string, array<int|string, array<int, float>>>  $draws  by figure, setup and draw
     * @return array<string, self> by figure; what is not known of the setup is missing
     */
    public static function allOf(array $draws, int|string $setup): array
    {
        $known = array_filter($draws, static fn (array $bySetup): bool => ($bySetup[$setup] ?? []) !== []);

        return array_map(static fn (array $bySetup): self => self::of($bySetup[$setup]), $known);
    }
}
