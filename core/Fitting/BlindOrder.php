<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Errors\InvalidInput;
use Random\Randomizer;

/**
 * The order of a blind trial: rounds in which every setup comes once, each round shuffled for itself, so that warming up and
 * tiring fall on all alike (randomised complete blocks; Fisher 1935, from memory). The same setup may come twice in a row, at the
 * seam of two rounds: the player cannot tell from the wrench.
 */
final class BlindOrder
{
    /**
     * @param  list<int>  $setups  two or three
     * @return list<int> as many as setups × rounds
     */
    public static function of(array $setups, int $rounds, Randomizer $random): array
    {
        if (count($setups) < 2 || count($setups) > 3 || count(array_unique($setups)) !== count($setups)) {
            throw InvalidInput::of('setups', 'A blind trial takes two or three different setups.');
        }
        if ($rounds < 1 || $rounds > 4) {
            throw InvalidInput::of('rounds', 'A blind trial takes 1 to 4 rounds.');
        }
        $order = [];
        for ($r = 0; $r < $rounds; $r++) {
            $order = [...$order, ...$random->shuffleArray($setups)];
        }

        return $order;
    }
}
