<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Fitting\MeanFlight;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Statistics\Ellipse;

use function abs;
use function array_filter;
use function max;
use function min;
use function round;

/**
 * What a player takes home: before and after as flights, patterns and fourteen drives, the club, what changed, what was given up, and what to
 * practise. Figures of the judge are those that the decision keeps; pictures are drawn of the shots. Lengths m, angles °; side + = right.
 */
final class PlayerReport
{
    private const DRIVES = 14;

    /** m of carry, whole drives, strokes: less is not worth telling. */
    private const WORTH_TELLING = ['carry' => 1.5, 'fairways' => 1.0, 'trouble' => 1.0, 'strokes' => 0.015];

    /** Strikes nearer to the line of the CG than this are no matter for practice, mm. */
    private const STRIKE_MM = 5.0;

    /**
     * @param  array<string, mixed>  $advice  as a decision keeps it
     * @return array<string, mixed>
     */
    public static function of(FittingRecord $record, array $advice, string $tag): array
    {
        $own = $record->own();
        $chosen = $record->setups[$tag];
        $judged = array_column(is_array($advice['setups'] ?? null) ? $advice['setups'] : [], null, 'tag');
        [$before, $now] = [self::side($record, $own, $judged[$own->tag] ?? []), self::side($record, $chosen, $judged[$tag] ?? [])];

        return [
            'isOwn' => $own->tag === $tag, 'before' => $before, 'now' => $now,
            'corridor' => [
                'widthM' => $record->brief->corridor->widthM, 'left' => self::trouble($record, 'left'),
                'right' => self::trouble($record, 'right'),
            ],
            'changes' => self::changes($own, $chosen, $record), 'club' => self::club($chosen, $record),
            'wishes' => $judged[$tag]['wishes'] ?? [],
            'flight' => self::flight($judged[$own->tag] ?? [], $judged[$tag] ?? [], (array) ($advice['wanted'] ?? [])),
            'gaveUp' => self::gaveUp($judged[$own->tag] ?? [], $judged[$tag] ?? []),
            'other' => $own->tag === $tag ? self::other($record, $judged, (string) ($advice['runnerUp'] ?? ''), $tag) : null, 'ties' => count((array) ($advice['ties'] ?? [])),
            'isAdvised' => ($advice['pick'] ?? $tag) === $tag, 'practise' => self::practise($record, $chosen),
            'air' => ['temperatureC' => $record->brief->temperatureC, 'turf' => $record->brief->turf],
        ];
    }

    /**
     * @param  array<string, mixed>  $judged
     * @return array<string, mixed>
     */
    private static function side(FittingRecord $record, SetupRecord $setup, array $judged): array
    {
        $set = $record->sets()[$setup->tag] ?? null;
        $flight = $set === null ? null : MeanFlight::of($set, $record->flight->ofBall($setup->ball));
        $points = [];
        foreach ($set->shots ?? [] as $shot) {
            [$side, $carry] = [$shot->value(Measure::Side), $shot->value(Measure::Carry)];
            if ($side !== null && $carry !== null) {
                $points[] = [$side, $carry];
            }
        }
        $mean = static fn (Measure $m): ?float => $set?->summary($m)?->mean;

        return [
            'tag' => $setup->tag, 'head' => $setup->head, 'n' => $set?->count() ?? 0,
            'flight' => array_map(static fn (array $p): array => [$p[0], $p[1]], $flight['points'] ?? []),
            'carryM' => $mean(Measure::Carry), 'totalM' => $mean(Measure::Total),
            'apexM' => $mean(Measure::Apex) ?? ($flight['apexM'] ?? null),
            'descentDeg' => $mean(Measure::Descent), 'launchDeg' => $mean(Measure::LaunchAngle), 'spinRpm' => $mean(Measure::Spin),
            'directionDeg' => $mean(Measure::Direction), 'fairways' => $set === null ? null : Seen::fairways($set, $record->brief->corridor),
            'shots' => $points, 'ellipse' => Ellipse::around($points, 2.0),
            'fourteen' => self::fourteen($judged), 'carryGainM' => $judged['carryGainM'] ?? null,
            'carryGainInterval' => $judged['carryGainInterval'] ?? null,
            'chanceBetter' => $judged['chanceBetter'] ?? null, 'strokes' => $judged['strokes'] ?? null,
        ];
    }

    /**
     * Fourteen drives in whole drives: fairway, the trouble, and the rest is rough.
     *
     * @param  array<string, mixed>  $judged
     * @return array{fairway: int, rough: int, trouble: int}|null null where side was not measured
     */
    private static function fourteen(array $judged): ?array
    {
        if (! ($judged['sideKnown'] ?? false) || ! isset($judged['share'])) {
            return null;
        }
        $fairway = (int) round(self::DRIVES * (float) $judged['share']);
        $trouble = min(self::DRIVES - $fairway, (int) round(self::DRIVES * (float) ($judged['troubleShare'] ?? 0.0)));

        return ['fairway' => $fairway, 'rough' => self::DRIVES - $fairway - $trouble, 'trouble' => $trouble];
    }

    /** @return array{kind: string, atM: float} */
    private static function trouble(FittingRecord $record, string $side): array
    {
        $corridor = $record->brief->corridor;
        $trouble = $side === 'left' ? $corridor->left : $corridor->right;

        return ['kind' => $trouble->kind, 'atM' => $trouble->atM ?? $corridor->widthM / 2 + Trouble::USUAL_GAP_M];
    }

    /** @return list<array{what: string, from: mixed, to: mixed}> what differs from the own club, as the player delivers it */
    private static function changes(SetupRecord $own, SetupRecord $chosen, FittingRecord $record): array
    {
        $share = $record->brief->squaringShare();
        [$was, $is] = [$own->playing($share), $chosen->playing($share)];
        $all = [
            ['what' => 'head', 'from' => $own->head, 'to' => $chosen->head],
            ['what' => 'loft', 'from' => round($was->loftDeg, 1), 'to' => round($is->loftDeg, 1)],
            ['what' => 'face', 'from' => round($was->faceOpenDeg, 1), 'to' => round($is->faceOpenDeg, 1)],
            ['what' => 'sleeve', 'from' => $own->sleeveLabel, 'to' => $chosen->sleeveLabel],
            ['what' => 'weights', 'from' => $own->weights, 'to' => $chosen->weights],
            ['what' => 'shaft', 'from' => $own->shaft, 'to' => $chosen->shaft],
            ['what' => 'length', 'from' => $own->lengthMm, 'to' => $chosen->lengthMm],
            ['what' => 'grip', 'from' => $own->grip, 'to' => $chosen->grip],
        ];
        // Nobody sees a change of 0.2°.
        $isSeen = static fn (array $c): bool => match ($c['what']) {
            'loft', 'face' => abs((float) $c['to'] - (float) $c['from']) >= 0.2,
            'length' => $c['from'] !== null && $c['to'] !== null && abs((float) $c['to'] - (float) $c['from']) >= 3,
            // Another head brings its own sleeve and weights along.
            'sleeve', 'weights' => $own->head === $chosen->head && $c['from'] !== $c['to'],
            default => $c['from'] !== $c['to'] && $c['to'] !== '',
        };

        return array_values(array_filter($all, $isSeen));
    }

    /** @return array<string, mixed> */
    private static function club(SetupRecord $setup, FittingRecord $record): array
    {
        $playing = $setup->playing($record->brief->squaringShare());
        $soled = $setup->playing(0.0);
        $body = $setup->body();
        $slots = [];
        foreach ($setup->racked->slots ?? [] as $slot) {
            $slots[] = ['name' => $slot->name, 'toeMm' => $slot->toeMm, 'backMm' => $slot->backMm, 'massG' => $setup->masses[$slot->name] ?? null];
        }

        return [
            'head' => $setup->head, 'statedLoftDeg' => $setup->racked->stated->loftDeg ?? null,
            'readLoftDeg' => $setup->loftFromPrint || $setup->racked === null ? null : $setup->racked->gauged()->straight()->loftDeg,
            'playsLoftDeg' => $playing->loftDeg, 'playsFaceOpenDeg' => $playing->faceOpenDeg, 'loftDeg' => $soled->loftDeg,
            'lieDeg' => $soled->lieDeg,
            'faceOpenDeg' => $soled->faceOpenDeg, 'sleeve' => $setup->sleeveLabel, 'weights' => $setup->weights, 'slots' => $slots,
            'cg' => $body === null || $setup->racked === null ? null : ['toeMm' => $body->cgToeMm, 'backMm' => $body->cgBackMm],
            'isCgAssumed' => $setup->racked?->isCgAssumed() ?? true,
            'shaft' => $setup->shaft, 'lengthMm' => $setup->lengthMm, 'swingWeightPoints' => $setup->swingWeightPoints,
            'grip' => $setup->grip,
            'ball' => $setup->ball, 'teeMm' => $setup->teeMm, 'cue' => $setup->cue, 'loftFromPrint' => $setup->loftFromPrint,
        ];
    }

    /**
     * Launch, spin, apex and descent as they are expected, before and after, with what the player wants of them.
     *
     * @param  array<string, mixed>  $before
     * @param  array<string, mixed>  $now
     * @param  array<string, mixed>  $wanted
     * @return list<array{figure: string, before: float|null, now: float, standing: string, low: float, high: float}>
     */
    private static function flight(array $before, array $now, array $wanted): array
    {
        $out = [];
        foreach ((array) ($now['flight'] ?? []) as $figure => $is) {
            if (isset($wanted[$figure])) {
                $out[] = [
                    'figure' => (string) $figure, 'before' => $before['flight'][$figure]['value'] ?? null, 'now' => (float) $is['value'],
                    'standing' => $is['standing'], 'low' => (float) $wanted[$figure]['low'], 'high' => (float) $wanted[$figure]['high'],
                ];
            }
        }

        return $out;
    }

    /**
     * What a setup costs beside another, as far as it can be told.
     *
     * @param  array<string, mixed>  $before
     * @param  array<string, mixed>  $now
     * @return list<array{what: 'carry'|'fairways'|'trouble'|'strokes', value: float}> m of carry, drives of fourteen, strokes a drive
     */
    private static function gaveUp(array $before, array $now): array
    {
        $known = ($before['sideKnown'] ?? false) && ($now['sideKnown'] ?? false);
        $drives = static fn (array $of, string $share): float => round(self::DRIVES * (float) ($of[$share] ?? 0.0));
        $costs = [
            'carry' => (float) ($before['carryGainM'] ?? 0) - (float) ($now['carryGainM'] ?? 0),
            'fairways' => $known ? $drives($before, 'share') - $drives($now, 'share') : 0.0,
            'trouble' => $known ? $drives($now, 'troubleShare') - $drives($before, 'troubleShare') : 0.0,
            'strokes' => (float) ($now['strokes'] ?? 0) - (float) ($before['strokes'] ?? 0),
        ];
        $out = [];
        foreach ($costs as $what => $value) {
            if ($value >= self::WORTH_TELLING[$what]) {
                $out[] = ['what' => $what, 'value' => $value];
            }
        }

        return $out;
    }

    /**
     * The best of the others where the own club stays: what it brings and what it gives up.
     *
     * @param  array<string, mixed>  $judged  by tag
     * @return array{head: string, brings: list<array{what: string, value: float}>, givesUp: list<array{what: string, value: float}>}|null
     */
    private static function other(FittingRecord $record, array $judged, string $best, string $own): ?array
    {
        return ! isset($judged[$best], $record->setups[$best], $judged[$own]) || $best === $own ? null : [
            'head' => $record->setups[$best]->head, 'brings' => self::gaveUp($judged[$best], $judged[$own]),
            'givesUp' => self::gaveUp($judged[$own], $judged[$best]),
        ];
    }

    /** @return array{kind: 'toe'|'heel'|'high'|'low'|'down'|'path', value: float}|null what the shots with the chosen club leave to practise; mm or ° */
    private static function practise(FittingRecord $record, SetupRecord $setup): ?array
    {
        $set = $record->sets()[$setup->tag] ?? null;
        if ($set === null) {
            return null;
        }
        try {
            $evidence = Evidence::of($setup->spec($record->hand), $set, $record->flight);
        } catch (ModelFailure) {
            return null;
        }
        $mean = static fn (Measure $m): ?float => $set->summary($m)?->mean;
        [$toe, $high] = [$mean(Measure::StrikeToe), $mean(Measure::StrikeHigh)];
        if ($toe !== null && $high !== null && $evidence !== null) {
            [$lineToe, $lineHigh] = $evidence->spec->body->inLineWithCg();
            [$toe, $high] = [$toe - $lineToe, $high - $lineHigh];
            if (max(abs($toe), abs($high)) > self::STRIKE_MM) {
                return abs($toe) >= abs($high)
                    ? ['kind' => $toe > 0 ? 'toe' : 'heel', 'value' => abs($toe)]
                    : ['kind' => $high > 0 ? 'high' : 'low', 'value' => abs($high)];
            }
        }
        $attack = $mean(Measure::Attack);
        if ($attack !== null && $attack < -2.0) {
            return ['kind' => 'down', 'value' => -$attack];
        }
        $path = $mean(Measure::Path);

        return $path !== null && abs($path) > 5.0 ? ['kind' => 'path', 'value' => abs($path)] : null;
    }
}
