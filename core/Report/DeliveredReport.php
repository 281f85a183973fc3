<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\LengthPlan;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Order\Acceptance;
use MintCarry\Core\Order\ClubFigures;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Statistics\Interval;

use function abs;
use function round;

/**
 * A club that was delivered, for this player: what its being off does to their ball, by the finder's own models and draws, and how it is mended:
 * by turning the sleeve, by grams, or not at all.
 */
final class DeliveredReport
{
    /** A sleeve position is offered where it takes at least this much off what is wrong, in tolerances (assumption). */
    private const WORTH_TURNING = 0.25;

    /**
     * What the order asks for: the decided setup as it presents itself on its sole, at its sleeve position, at the length that was hit or at
     * the one that is planned.
     */
    public static function ordered(SetupRecord $setup, FittingRecord $record, ?LengthPlan $plan = null): ClubFigures
    {
        $soled = $setup->playing(0.0);
        $points = $plan->swingWeightPoints ?? $setup->swingWeightPoints;

        return new ClubFigures(
            $record->hand, round($soled->loftDeg, 2), round($soled->lieDeg, 2), round($soled->faceOpenDeg, 2),
            $plan->lengthMm ?? $setup->lengthMm, $points === null ? null : round($points, 1), $plan === null ? null : round($plan->totalG, 1),
        );
    }

    /**
     * @return array{effect: array<string, array{value: float, interval: Interval}>|null, turn: array{label: string, loftOffDeg: float,
     *   faceOffDeg: float}|null, gramsAtHead: float|null, cutMm: float|null, sendBack: bool} effect: as `Expected`, null where nothing is out that a
     *   model knows of; turn: the sleeve position that brings loft and face as this player delivers them nearest to the order, and what is left;
     *   cutMm: how much is to be cut off at the butt
     */
    public static function of(FittingRecord $record, SetupRecord $setup, ClubFigures $delivered, Acceptance $acceptance): array
    {
        $out = $acceptance->out();
        if (! $acceptance->isHandRight) {
            return ['effect' => null, 'turn' => null, 'gramsAtHead' => null, 'cutMm' => null, 'sendBack' => true];
        }
        $isAngleOut = array_intersect(['loftDeg', 'lieDeg', 'faceOpenDeg'], $out) !== [];
        $turn = $isAngleOut ? self::turn($record, $setup, $delivered, $acceptance) : null;
        $length = $acceptance->off('lengthMm');
        $isTooShort = in_array('lengthMm', $out, true) && $length !== null && $length < 0;

        return [
            'effect' => $out === [] ? null : self::effect($record, $setup, $delivered),
            'turn' => $turn,
            'gramsAtHead' => in_array('swingWeightPoints', $out, true) ? $acceptance->gramsAtHead($delivered->lengthMm) : null,
            'cutMm' => in_array('lengthMm', $out, true) && $length !== null && $length > 0 ? $length : null,
            // A shaft does not grow, and a head whose angles no position brings home is another head.
            'sendBack' => $isTooShort || ($isAngleOut && ($turn === null || ! self::isHome($turn, $acceptance))),
        ];
    }

    /** @return array<string, array{value: float, interval: Interval}>|null */
    private static function effect(FittingRecord $record, SetupRecord $setup, ClubFigures $delivered): ?array
    {
        $search = Search::modelled($record);
        $was = $search === null ? null : Expected::spec($search, $record, $setup);
        if ($search === null || $was === null) {
            return null;
        }
        $reading = self::reading($setup, $delivered);

        return Expected::ofSame($search, $record, $was, new SetupSpec(...[
            'tag' => "{$was->tag}, delivered", 'squaredLoftDeg' => PlayingGeometry::present($reading, [], 1.0)->loftDeg,
            'soledLoftDeg' => $reading->loftDeg, 'soledFaceOpenDeg' => $reading->faceOpenDeg,
            'lengthMm' => $delivered->lengthMm ?? $was->lengthMm,
            'swingWeightPoints' => $delivered->swingWeightPoints ?? $was->swingWeightPoints,
        ] + get_object_vars($was)));
    }

    /** What was read, and where nothing was what was ordered. */
    private static function reading(SetupRecord $setup, ClubFigures $delivered): HeadReading
    {
        $soled = $setup->playing(0.0);

        return new HeadReading(
            $delivered->loftDeg ?? $soled->loftDeg, $delivered->lieDeg ?? $soled->lieDeg, $delivered->faceOpenDeg ?? $soled->faceOpenDeg,
        );
    }

    /** @return array{label: string, loftOffDeg: float, faceOffDeg: float}|null */
    private static function turn(FittingRecord $record, SetupRecord $setup, ClubFigures $delivered, Acceptance $acceptance): ?array
    {
        $system = $setup->sleeveSystem();
        if (count($system->positions) < 2) {
            return null;
        }
        $share = $record->brief->squaringShare();
        $wanted = $setup->playing($share);
        $readAt = $system->position($setup->sleeveLabel)->tilts;
        $reading = self::reading($setup, $delivered);
        [$best, $bestMiss, $now] = [null, INF, INF];
        foreach ($system->positions as $position) {
            $shown = PlayingGeometry::present($reading, $position->tilts, $share, $readAt);
            [$loft, $face] = [$shown->loftDeg - $wanted->loftDeg, $shown->faceOpenDeg - $wanted->faceOpenDeg];
            $miss = self::miss($loft, $face, $acceptance);
            if ($position->label === $setup->sleeveLabel) {
                $now = $miss;
            } elseif ($miss < $bestMiss) {
                [$best, $bestMiss] = [['label' => $position->label, 'loftOffDeg' => $loft, 'faceOffDeg' => $face], $miss];
            }
        }

        return $best !== null && $bestMiss < $now - self::WORTH_TURNING ? $best : null;
    }

    /** In tolerances: the worse of loft and face. */
    private static function miss(float $loftDeg, float $faceDeg, Acceptance $acceptance): float
    {
        return max(abs($loftDeg) / self::tolerance($acceptance, 'loftDeg'), abs($faceDeg) / self::tolerance($acceptance, 'faceOpenDeg'));
    }

    /** @param  array{label: string, loftOffDeg: float, faceOffDeg: float}  $turn */
    private static function isHome(array $turn, Acceptance $acceptance): bool
    {
        return self::miss($turn['loftOffDeg'], $turn['faceOffDeg'], $acceptance) <= 1.0;
    }

    private static function tolerance(Acceptance $acceptance, string $name): float
    {
        return max(0.1, array_column($acceptance->checks, 'tolerance', 'name')[$name]);
    }
}
