<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Memory\StudioMemory;

use function in_array;

/** What a studio's earlier fittings say of one head: each effect over players, against the usual head, with its 95 % interval. */
final class HeadMemory
{
    /** Place among the effects of a memory, in the order they are told. */
    public const EFFECTS = ['faceDeg' => 2, 'loftDeg' => 1, 'spinShare' => 6, 'speedMps' => 0, 'toeMm' => 3, 'highMm' => 4];

    private const Z = 1.96;

    /**
     * @return array{players: int, fittings: int, elsewhere: bool, effects: list<array{effect: string, mean: float, low: float, high: float, moved: bool}>}|null
     *   null for a head that nothing is told of; faceDeg + = right for the viewer
     */
    public static function of(StudioMemory $memory, string $head, Hand $hand): ?array
    {
        $known = $memory->heads[StudioMemory::keyOf($head, $hand)] ?? null;
        if ($known === null) {
            return null;
        }
        $effects = [];
        foreach (self::EFFECTS as $effect => $k) {
            $mean = ($effect === 'faceDeg' ? $hand->sign() : 1) * $known['mean'][$k];
            $reach = self::Z * $known['sd'][$k];
            $effects[] = [
                'effect' => $effect, 'mean' => $mean, 'low' => $mean - $reach, 'high' => $mean + $reach,
                'moved' => in_array($k, $known['moved'], true),
            ];
        }

        return ['players' => $known['players'], 'fittings' => $memory->fittings, 'elsewhere' => $known['elsewhere'] ?? false, 'effects' => $effects];
    }
}
