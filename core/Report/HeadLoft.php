<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Fitting\FlightTarget;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Record\FittingRecord;

use function abs;

/**
 * Which head loft a delivered loft means: about a 10.5 at N. From what the own club delivered where it was hit, by what of a change of
 * loft reaches the ball; else by what players usually add (`PlayerPriors`). Of what lies on the rack, and of the lofts in
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
        $deliveredDeg = $target->ridge[$target->at]['loftDeg'];
        $own = self::ownDelivery($record);
        $share = $record->brief->squaringShare();
        $best = null;
        $least = INF;
        foreach (RackLofts::of($record) as $loft) {
            foreach ($loft->head->sleeve->positions as $position) {
                $there = $loft->at((string) $position->label);
                $delivers = $own === null
                    ? $there->playing(1.0)->loftDeg + PlayerPriors::LOFT_ADDED_DEG
                    : $own->state[Swing::LOFT] + PlayerPriors::deliveredLoft($there->spec($record->hand)->loftOver($own->spec), $share);
                $off = abs($delivers - $deliveredDeg) + ($loft->isToOrder() ? self::WORTH_ORDERING_DEG : 0.0)
                    + ($position->label === $loft->head->sleeve->home ? 0.0 : 0.05);
                if ($off < $least) {
                    [$least, $best] = [$off, new self(
                        $record->rack[$loft->rackAt]->label, $loft->head->stated->loftDeg, (string) $position->label, $loft->isToOrder(),
                        $own === null ? 'usual' : 'measured',
                    )];
                }
            }
        }

        return $best;
    }

    private static function ownDelivery(FittingRecord $record): ?Evidence
    {
        $own = $record->setups === [] ? null : $record->own();
        $set = $own === null ? null : $record->sets()[$own->tag] ?? null;

        return $own === null || $set === null ? null : Evidence::of($own->spec($record->hand), $set, $record->flight);
    }
}
