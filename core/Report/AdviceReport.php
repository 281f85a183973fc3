<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Fitting\Advice;
use MintCarry\Core\Fitting\SetupJudgement;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\WantedFlight;
use MintCarry\Core\Record\FittingRecord;

/**
 * The advice among the setups that were hit: each one's judgement against the benchmark, the pick, what ties with
 * it, and what was not hit.
 */
final class AdviceReport
{
    /** @return array<string, mixed> lengths m, gains in the scoring's unit */
    public static function of(FittingRecord $record): array
    {
        $grounds = Grounds::of($record);

        return self::toArray($grounds->advice(), $record, $grounds->failures);
    }

    /**
     * @param  list<ModelFailure>  $failures
     * @return array<string, mixed>
     */
    public static function toArray(Advice $advice, FittingRecord $record, array $failures = []): array
    {
        $tags = array_map(strval(...), array_keys($record->setups));
        $sets = $record->sets();
        $corridor = $record->brief->corridor;
        $wanted = WantedFlight::of($record->target(), $record->brief->sixIronApexM);

        return [
            ...$record->toldSwings(),
            'benchmark' => $advice->benchmark,
            'best' => $advice->best,
            'pick' => $advice->pick,
            'runnerUp' => $advice->runnerUp,
            'by' => $advice->by,
            'wish' => $advice->wish,
            'level' => $advice->level,
            'isConclusive' => $advice->isConclusive,
            'ties' => $advice->ties,
            'expectedLoss' => $advice->expectedLoss,
            'scoring' => $advice->scoring->value,
            'unit' => $advice->scoring->unit(),
            'basis' => $advice->isModelled ? 'models' : 'shots',
            'notHit' => array_values(array_diff($tags, array_map(static fn (SetupJudgement $s): string => $s->tag, $advice->setups))),
            'simulatedShots' => $record->simulatedShots(),
            'outdoors' => self::outdoors($sets),
            'tieBreak' => self::tieBreak($record, $advice),
            'wanted' => $wanted->bands,
            'failures' => ModelFailure::toArrays($failures),
            'setups' => array_map(
                static fn (SetupJudgement $s): array => [
                    'tag' => $s->tag, 'n' => $s->n, 'flight' => $wanted->tell($s->flight), 'wishes' => $s->wishes,
                    'curveM' => $s->flight['curveM']->value ?? null,
                    'seen' => Seen::of($sets[$s->tag], $corridor),
                    'exaggerates' => Seen::exaggerates($s, $sets[$s->tag], $sets[$advice->benchmark] ?? null, $corridor), 'carry' => $s->carry, 'total' => $s->total, 'share' => $s->share->share,
                    'shareInterval' => $s->share->interval, 'leftShare' => $s->share->left, 'rightShare' => $s->share->right,
                    'shareGain' => $s->shareGain, 'shareGainInterval' => $s->shareGainInterval,
                    'sideKnown' => $s->share->n, 'spreadM' => $s->spreadM, 'expectedCarryM' => $s->expectedCarryM,
                    'carryGainM' => $s->carryGainM, 'carryGainInterval' => $s->carryGainInterval,
                    'totalGainM' => $s->totalGainM, 'totalGainInterval' => $s->totalGainInterval,
                    'expectedTotalM' => $s->expectedTotalM, 'troubleShare' => $s->troubleShare, 'never' => $s->never,
                    'barredBy' => $s->barredBy(),
                    'strokes' => $s->strokes, 'strokesInterval' => $s->strokesInterval, 'aimFixedStrokes' => $s->aimFixedStrokes,
                    'chanceBetter' => $s->chanceBetter, 'aimDeg' => $s->aimDeg, 'gain' => $s->gain,
                    'gainInterval' => $s->gainInterval, 'expectedLoss' => $s->expectedLoss,
                    'trade' => $s->trade === null
                            ? null
                            : [
                                'costM' => $s->trade->costM, 'loftChangeDeg' => $s->trade->loftChangeDeg,
                                'bestLaunchDeg' => $s->trade->bestLaunchDeg, 'bestSpinRpm' => $s->trade->bestSpinRpm,
                                'within' => $s->trade->withinOnePercentDeg, 'attackAssumed' => $s->trade->attackAssumed,
                            ],
                ],
                $advice->setups,
            ),
        ];
    }

    /**
     * What was hit outdoors.
     *
     * @param  array<string, ShotSet>  $sets
     * @return array{shots: int, windLeftIn: int, windMps: float}|null the mean wind; null where all was hit in a bay
     */
    private static function outdoors(array $sets): ?array
    {
        $winds = [];
        $left = 0;
        foreach ($sets as $set) {
            foreach ($set->shots as $shot) {
                if ($shot->openAir !== null) {
                    $winds[] = $shot->openAir->wind->speedMps;
                    $left += $shot->isWindLeftIn() ? 1 : 0;
                }
            }
        }

        return $winds === [] ? null
            : ['shots' => count($winds), 'windLeftIn' => $left, 'windMps' => array_sum($winds) / count($winds)];
    }

    /**
     * Among those that are as good as the pick, who goes first by what the fitter put first: part of the advice itself.
     *
     * @return array<string, mixed>|null
     */
    private static function tieBreak(FittingRecord $record, Advice $advice): ?array
    {
        $broken = $advice->tieBreak;

        return $broken === null ? null : [
            'order' => TieValues::order($record), 'choice' => $broken->choice, 'by' => $broken->by, 'remaining' => $broken->remaining,
            'steps' => $broken->steps, 'wantedApexM' => $record->target()->wantedApexM,
        ];
    }
}
