<?php

declare(strict_types=1);

namespace MintCarry\Core\Intake;

use function array_keys;
use function array_values;
use function sort;
use function usort;

/**
 * The order in which shots were hit: those of one run of a sender's count by that count, in the places that the run has among the shots
 * as they came.
 */
final class SenderOrder
{
    /**
     * @param  list<array{string|null, int|null}>  $shots  as they came: the run that counted them, and the count
     * @return list<int> which of them is first, second …
     */
    public static function of(array $shots): array
    {
        $order = array_keys($shots);
        $places = [];
        foreach ($shots as $i => [$run, $count]) {
            if ($run !== null && $count !== null) {
                $places[$run][] = $i;
            }
        }
        foreach ($places as $kept) {
            $sorted = $kept;
            usort($sorted, static fn (int $a, int $b): int => [$shots[$a][1], $a] <=> [$shots[$b][1], $b]);
            sort($kept);
            foreach ($kept as $at => $place) {
                $order[$place] = $sorted[$at];
            }
        }

        return array_values($order);
    }
}
