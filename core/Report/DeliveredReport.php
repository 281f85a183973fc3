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
 * A club that was delivered, for this player: what its being off does to their ball, by the finder's own models and
 * draws, and how it is mended: by turning the sleeve, by grams, or not at all.
 */
final class DeliveredReport
{
    /** More than this is no screw and no tape (assumption). */
    private const MOST_ADDED_G = 16.0;

    /**
     * What the order asks for: the decided setup as it presents itself on its sole, at its sleeve position, at the
     * length that was hit or at the one that is planned.
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
     *   faceOffDeg: float}|null, gramsAtHead: float|null, cutMm: float|null, sendBack: bool, because: list<string>}
     * effect: as `Expected`, null
     *   where nothing is out that a model knows of; turn: the sleeve position that brings loft, face and lie as this
     * player delivers them within
     *   tolerance, and what is left; cutMm: how much is to be cut off at the butt; because: figures that nothing here mends
     */
    public static function of(FittingRecord $record, SetupRecord $setup, ClubFigures $delivered, Acceptance $acceptance): array
    {
        $out = $acceptance->out();
        if (! $acceptance->isHandRight) {
            return ['effect' => null, 'turn' => null, 'gramsAtHead' => null, 'cutMm' => null, 'sendBack' => true, 'because' => ['hand']];
        }
        $isAngleOut = array_intersect(['loftDeg', 'lieDeg', 'faceOpenDeg'], $out) !== [];
        $turn = $isAngleOut ? self::turn($record, $setup, $delivered, $acceptance) : null;
        $length = $acceptance->off('lengthMm');
        $grams = in_array('swingWeightPoints', $out, true) ? self::grams($setup, $delivered, $acceptance) : null;
        // A shaft does not grow, a head whose angles no position brings home is another head, and no screw weighs less than nothing.
        $because = array_keys(array_filter([
            'lengthMm' => in_array('lengthMm', $out, true) && $length !== null && $length < 0,
            'angles' => $isAngleOut && $turn === null,
            'swingWeightPoints' => in_array('swingWeightPoints', $out, true) && $grams === null && ! in_array('lengthMm', $out, true),
        ]));

        return [
            'effect' => $out === [] ? null : self::effect($record, $setup, $delivered),
            'turn' => $turn,
            'gramsAtHead' => $grams,
            'cutMm' => in_array('lengthMm', $out, true) && $length !== null && $length > 0 ? $length : null,
            'sendBack' => $because !== [], 'because' => $because,
        ];
    }

    /** Grams at the head that bring the swing weight home: as many as can be added or taken out, and as the club's own weight bears. */
    private static function grams(SetupRecord $setup, ClubFigures $delivered, Acceptance $acceptance): ?float
    {
        $grams = $acceptance->gramsAtHead($delivered->lengthMm);
        $total = $acceptance->off('massG');
        $isBorne = $total === null || abs($total + (float) $grams) <= max(abs($total), self::tolerance($acceptance, 'massG'));

        return $grams !== null && $isBorne && $grams <= self::MOST_ADDED_G && $grams >= -array_sum($setup->masses) ? $grams : null;
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

    /** @return array{label: string, loftOffDeg: float, faceOffDeg: float}|null null where no position brings it within tolerance */
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
        [$best, $bestMiss] = [null, 1.0 + 1e-9];
        foreach ($system->positions as $position) {
            $shown = PlayingGeometry::present($reading, $position->tilts, $share, $readAt);
            [$loft, $face] = [$shown->loftDeg - $wanted->loftDeg, $shown->faceOpenDeg - $wanted->faceOpenDeg];
            $miss = max(self::miss($loft, $face, $acceptance), abs($shown->lieDeg - $wanted->lieDeg) / self::tolerance($acceptance, 'lieDeg'));
            if ($position->label !== $setup->sleeveLabel && $miss < $bestMiss) {
                [$best, $bestMiss] = [['label' => $position->label, 'loftOffDeg' => $loft, 'faceOffDeg' => $face], $miss];
            }
        }

        return $best;
    }

    /** In tolerances: the worse of loft and face. */
    private static function miss(float $loftDeg, float $faceDeg, Acceptance $acceptance): float
    {
        return max(abs($loftDeg) / self::tolerance($acceptance, 'loftDeg'), abs($faceDeg) / self::tolerance($acceptance, 'faceOpenDeg'));
    }

    private static function tolerance(Acceptance $acceptance, string $name): float
    {
        return max(0.1, array_column($acceptance->checks, 'tolerance', 'name')[$name]);
    }
}
