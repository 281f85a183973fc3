<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\Weights;
use MintCarry\Core\Record\SetupRecord;

use function abs;
use function array_map;
use function array_sum;
use function ksort;

/**
 * What the head of a setup can be turned to and weighted with: its sleeve positions as this player delivers them, and the arrangements
 * that its slots and the stock allow. Two heads that are only described can be told apart, not turned.
 */
final class InHand
{
    /** An arrangement that weighs otherwise by more than this is another club: its swing weight goes with it. */
    private const SAME_MASS_G = 4.0;

    private const MOST = 400;

    /**
     * @param  float  $squaringShare  0 … 1, how much of a turned face this player squares
     * @return array{
     *   head: string, sleeve: string, home: string, masses: array<string, float>,
     *   positions: list<array{label: string, loftDeg: float, faceOpenDeg: float, lieDeg: float}>,
     *   arrangements: list<array{masses: array<string, float>, words: string, massG: float, cgToeMm: float, cgBackMm: float}>
     * }|null angles °, CG mm from face centre (+ toe, + back), mass g; null where the head is only described
     */
    public static function of(SetupRecord $setup, float $squaringShare): ?array
    {
        $head = $setup->racked;
        if ($head === null) {
            return null;
        }
        $masses = array_map(floatval(...), $setup->masses);
        ksort($masses);

        return [
            'head' => $setup->head, 'sleeve' => $setup->sleeveLabel, 'home' => $setup->sleeveSystem()->home, 'masses' => $masses,
            'positions' => $setup->sleeveSystem()->plane($head->gauged()->straight(), $squaringShare),
            'arrangements' => self::arrangements($head, $masses),
        ];
    }

    /**
     * What is in it now first, then every legal arrangement of about the same mass.
     *
     * @param  array<string, float>  $now
     * @return list<array{masses: array<string, float>, words: string, massG: float, cgToeMm: float, cgBackMm: float}>
     */
    private static function arrangements(RackedHead $head, array $now): array
    {
        if ($head->slots === []) {
            return [];
        }
        $say = static function (array $masses) use ($head): array {
            $body = $head->bodyWith($masses);

            return [
                'masses' => $masses, 'words' => $head->sayWeights($masses), 'massG' => $body->massG, 'cgToeMm' => $body->cgToeMm,
                'cgBackMm' => $body->cgBackMm,
            ];
        };
        $out = [$say($now)];
        foreach (Weights::arrangements($head->slots, $head->stockG, self::MOST) as $masses) {
            $masses = array_map(floatval(...), $masses);
            ksort($masses);
            if ($masses !== $now && abs(array_sum($masses) - array_sum($now)) <= self::SAME_MASS_G) {
                $out[] = $say($masses);
            }
        }

        return $out;
    }
}
