<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use function array_filter;
use function array_map;
use function array_sum;
use function array_values;
use function count;

/** What a setup does for one want of the player, beside the own club: the figure that the want is told in, before and after. */
final readonly class WishAnswer
{
    /**
     * @param  string  $figure  carryM, totalM, share, apexM, spinRpm, curveM or directionDeg
     * @param  'gained'|'lost'|'level'  $standing  by the want's own resolution, with a chance of `DecisionRule::SURE_OF_WISH`
     */
    private function __construct(public string $name, public string $figure, public float $before, public float $after, public string $standing)
    {
    }

    /**
     * @param  list<Wish>  $wishes
     * @param  array<string, array<int, array<int, float>>>  $figures  by figure, setup and draw
     * @return list<self> in the player's order; of the own club none. The shape that is played was not asked for
     */
    public static function allOf(array $wishes, array $figures, int $setup, int $own): array
    {
        $mean = static fn (array $draws): float => array_sum($draws) / count($draws);

        return $setup === $own ? [] : array_map(
            static fn (Wish $w): self => new self(
                $w->name, $w->figure, $mean($figures[$w->figure][$own]), $mean($figures[$w->figure][$setup]),
                match (true) {
                    $w->isGained($setup, $own, DecisionRule::SURE_OF_WISH) => 'gained',
                    $w->isGained($own, $setup, DecisionRule::SURE_OF_WISH) => 'lost',
                    default => 'level',
                },
            ),
            array_values(array_filter($wishes, static fn (Wish $w): bool => $w->name !== 'shape')),
        );
    }
}
