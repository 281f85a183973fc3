<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Statistics\Interval;

use function abs;

/**
 * What a player whose misses lie on one side may turn themselves, between rounds: the next position of the sleeve, and weight from one slot to
 * another. The smallest of each that goes the right way, with what it is expected to do.
 */
final class Tweaks
{
    /** A face that turns less is not felt, and loft that changes more is another club (assumptions), °. */
    private const FACE_DEG = 0.3;

    private const LOFT_DEG = 1.3;

    /** CG moved less than so far does nothing that could be told, mm (assumption). */
    private const CG_MM = 0.8;

    /**
     * @param  'left'|'right'  $miss  side on which the misses lie
     * @return list<array{kind: 'sleeve'|'weights', to: string, loftDeg: float, faceOpenDeg: float, masses: array<string, float>,
     *   effect: array<string, array{value: float, interval: Interval}>|null}> loft and face: how they change as this player delivers them
     */
    public static function of(FittingRecord $record, SetupRecord $setup, string $miss): array
    {
        // To the left for a right-hander, and to the right for a left-hander, goes a face that is closed more.
        $isToClose = ($miss === 'right') === ($record->hand === Hand::Right);
        $search = Search::modelled($record);
        $out = [];
        foreach ([self::turned($setup, $record, $isToClose), self::weighted($setup, $isToClose)] as $tweak) {
            if ($tweak !== null) {
                $out[] = $tweak + ['effect' => $search === null ? null : self::effect($search, $record, $setup, $tweak)];
            }
        }

        return $out;
    }

    /** @return array{kind: 'sleeve', to: string, loftDeg: float, faceOpenDeg: float, masses: array<string, float>}|null */
    private static function turned(SetupRecord $setup, FittingRecord $record, bool $isToClose): ?array
    {
        $share = $record->brief->squaringShare();
        $now = $setup->playing($share);
        $best = null;
        foreach ($setup->racked === null ? [] : $setup->sleeveSystem()->positions as $position) {
            $then = $setup->at((string) $position->label)->playing($share);
            // Who squares the face feels the sleeve as loft: what counts is what the face does on its sole.
            $face = $setup->at((string) $position->label)->playing(0.0)->faceOpenDeg - $setup->playing(0.0)->faceOpenDeg;
            if (($isToClose ? -$face : $face) < self::FACE_DEG || abs($then->loftDeg - $now->loftDeg) > self::LOFT_DEG) {
                continue;
            }
            if ($best === null || abs($face) < $best[0]) {
                $best = [abs($face), [
                    'kind' => 'sleeve', 'to' => (string) $position->label, 'loftDeg' => $then->loftDeg - $now->loftDeg,
                    'faceOpenDeg' => $then->faceOpenDeg - $now->faceOpenDeg, 'masses' => $setup->masses,
                ]];
            }
        }

        return $best[1] ?? null;
    }

    /** @return array{kind: 'weights', to: string, loftDeg: float, faceOpenDeg: float, masses: array<string, float>}|null */
    private static function weighted(SetupRecord $setup, bool $isToClose): ?array
    {
        $head = $setup->racked;
        if ($head === null || $head->slots === []) {
            return null;
        }
        $now = $head->bodyWith($setup->masses);
        $best = null;
        foreach ($head->arrangements() as $masses) {
            $then = $head->bodyWith($masses);
            // Weight to the heel closes the face.
            $move = $then->cgToeMm - $now->cgToeMm;
            if (($isToClose ? -$move : $move) < self::CG_MM || abs($then->massG - $now->massG) > 0.5) {
                continue;
            }
            if ($best === null || abs($move) < $best[0]) {
                $best = [abs($move), ['kind' => 'weights', 'to' => $head->sayWeights($masses), 'loftDeg' => 0.0, 'faceOpenDeg' => 0.0, 'masses' => $masses]];
            }
        }

        return $best[1] ?? null;
    }

    /**
     * @param  array{kind: 'sleeve'|'weights', to: string, masses: array<string, float>, loftDeg: float, faceOpenDeg: float}  $tweak
     * @return array<string, array{value: float, interval: Interval}>|null
     */
    private static function effect(Search $search, FittingRecord $record, SetupRecord $setup, array $tweak): ?array
    {
        $was = Expected::spec($search, $record, $setup);
        $to = $tweak['kind'] === 'sleeve' ? $setup->at($tweak['to']) : new SetupRecord(...['masses' => $tweak['masses']] + get_object_vars($setup));
        $is = $to->spec($record->hand);

        return Expected::ofSame($search, $record, $was, new SetupSpec(...[
            'body' => $is->body, 'squaredLoftDeg' => $is->squaredLoftDeg, 'soledLoftDeg' => $is->soledLoftDeg,
            'soledFaceOpenDeg' => $is->soledFaceOpenDeg,
            'sleeve' => $is->sleeve, 'weights' => $is->weights,
        ] + get_object_vars($was)));
    }
}
