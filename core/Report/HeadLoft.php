<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Fitting\FlightTarget;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Record\FittingRecord;

use function abs;
use function array_map;
use function array_unique;
use function floatval;
use function is_array;

/**
 * Which head loft a delivered loft means: about a 10.5 at N. From what the own club delivered where it was hit, through the share of a
 * change of loft that reaches the ball; else by what players usually add (`PlayerPriors`). Of what lies on the rack, and of the lofts in
 * which its heads can be ordered, the nearest.
 */
final readonly class HeadLoft
{
    /** So much nearer must a loft to order be than one that is there, °. */
    private const WORTH_ORDERING_DEG = 0.5;

    private function __construct(
        public string $head, public float $statedLoftDeg, public string $position, public bool $toOrder, public string $from,
    ) {
    }

    public static function of(FittingRecord $record, FlightTarget $target): ?self
    {
        [$wanted, $from] = self::wanted($record, $target->ridge[$target->at]['loftDeg']);
        $best = null;
        $least = INF;
        foreach ($record->rack as $head) {
            if ($head->retired || $head->hand !== $record->hand) {
                continue;
            }
            $straight = $head->gauged()->straight();
            foreach ($head->sleeve->positions as $position) {
                $plays = PlayingGeometry::present($straight, $position->tilts, 1.0)->loftDeg;
                foreach (self::lofts($head) as $stated) {
                    $toOrder = $stated !== $head->stated->loftDeg || ! $head->isInStock();
                    $off = abs($plays + $stated - $head->stated->loftDeg - $wanted) + ($toOrder ? self::WORTH_ORDERING_DEG : 0.0)
                        + ($position->label === $head->sleeve->home ? 0.0 : 0.05);
                    if ($off < $least) {
                        [$least, $best] = [$off, new self($head->label, $stated, $position->label, $toOrder, $from)];
                    }
                }
            }
        }

        return $best;
    }

    /** @return array{float, string} loft that the club should present squared, °, and whether the own club was hit */
    private static function wanted(FittingRecord $record, float $deliveredDeg): array
    {
        $own = $record->setups === [] ? null : $record->own();
        $set = $own === null ? null : $record->sets()[$own->tag] ?? null;
        $evidence = $own === null || $set === null ? null : Evidence::of($own->spec($record->hand), $set, $record->flight);
        if ($evidence === null) {
            return [$deliveredDeg - PlayerPriors::LOFT_ADDED_DEG, 'usual'];
        }
        $through = PlayerPriors::loftCarryThrough($record->brief->squaringShare());

        return [$evidence->spec->squaredLoftDeg + ($deliveredDeg - $evidence->state[Swing::LOFT]) / $through, 'measured'];
    }

    /** @return list<float> its own, and those in which it can be had */
    private static function lofts(RackedHead $head): array
    {
        $others = is_array($head->supply['lofts'] ?? null) ? array_map(floatval(...), $head->supply['lofts']) : [];

        return array_values(array_unique([$head->stated->loftDeg, ...array_values($others)]));
    }
}
