<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Judging\CarryThrough;
use MintCarry\Core\Record\FittingRecord;

use function abs;

/**
 * Which setup gives a change of delivered loft: another position of the same sleeve first, since it costs nothing; then a head that lies
 * there; then one that has to be ordered, in whichever loft. Each is taken by what of it reaches this player's ball (`CarryThrough`).
 */
final class SetupForLoft
{
    /** So much nearer must another head come, and one to order, to be worth it, ° (assumptions). */
    private const OTHER_HEAD_DEG = 0.3;

    private const TO_ORDER_DEG = 0.6;

    /** A setup that leaves more than this share of the change undone gives it not. */
    private const LEFT_SHARE = 0.5;

    /**
     * @param  string  $from  tag of the setup whose delivered loft is to change
     * @return array<string, mixed>|null null where nothing on the rack, or to be ordered, gives it; loftDeg: expected change, sdDeg: its
     *   spread
     */
    public static function of(FittingRecord $record, string $from, float $changeDeg): ?array
    {
        $setup = $record->setups[$from] ?? null;
        if ($setup === null || $changeDeg === 0.0) {
            return null;
        }
        $was = $setup->spec($record->hand);
        $share = $record->brief->squaringShare();
        $best = null;
        $least = self::LEFT_SHARE * abs($changeDeg);
        foreach (RackLofts::of($record) as $loft) {
            $isSame = ! $loft->inOtherLoft && $setup->racked?->label === $loft->head->label;
            if ($loft->isToOrder() && ! $isSame && ! $loft->inOtherLoft && $loft->head->leadDays() === null) {
                continue;
            }
            foreach ($loft->head->sleeve->positions as $position) {
                $there = $loft->at((string) $position->label, $setup, $isSame ? $setup->masses : null);
                $through = CarryThrough::predict($was, $loft->spec($record, $there), $share);
                $off = abs($through->loftDeg - $changeDeg);
                $cost = $off + ($isSame ? 0.0 : ($loft->isToOrder() ? self::TO_ORDER_DEG : self::OTHER_HEAD_DEG));
                if ($off <= self::LEFT_SHARE * abs($changeDeg) && ($best === null || $cost < $least)) {
                    $least = $cost;
                    $best = [
                        'head' => $loft->head->label, 'sleeve' => (string) $position->label,
                        'rackAt' => $loft->inOtherLoft ? null : $loft->rackAt,
                        'loftDeg' => $through->loftDeg, 'sdDeg' => $through->loftSdDeg, 'sameHead' => $isSame,
                    ] + $loft->supply();
                }
            }
        }

        return $best;
    }
}
