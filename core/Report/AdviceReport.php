<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Finder\Search;
use MintCarry\Core\Fitting\Advice;
use MintCarry\Core\Fitting\SetupJudgement;
use MintCarry\Core\Record\FittingRecord;

/** The advice among the setups that were hit: each one's judgement against the benchmark, the pick, what ties with it, and what was not hit. */
final class AdviceReport
{
    /** By the models where they have something to work from, else by the shots alone. */
    public static function advice(FittingRecord $record): Advice
    {
        return self::by(Search::modelled($record), $record);
    }

    /** @param  Search|null  $search  of this record; null: by the shots alone */
    public static function by(?Search $search, FittingRecord $record): Advice
    {
        return Advice::of(array_values($record->sets()), $record->benchmark ?? '', $record->brief, $record->flight, $record->random(), $search === null ? null : Search::posterior($search->drawsOfHit(), $record->brief));
    }

    /** @return array<string, mixed> lengths m, gains in the scoring's unit */
    public static function of(FittingRecord $record): array
    {
        return self::toArray(self::advice($record), $record);
    }

    /** @return array<string, mixed> */
    public static function toArray(Advice $advice, FittingRecord $record): array
    {
        $tags = array_map(strval(...), array_keys($record->setups));

        return [
            'benchmark' => $advice->benchmark,
            'best' => $advice->best,
            'pick' => $advice->pick,
            'isConclusive' => $advice->isConclusive,
            'ties' => $advice->ties,
            'expectedLoss' => $advice->expectedLoss,
            'scoring' => $advice->scoring->value,
            'unit' => $advice->scoring->unit(),
            'basis' => $advice->isModelled ? 'models' : 'shots',
            'notHit' => array_values(array_diff($tags, array_map(static fn (SetupJudgement $s): string => $s->tag, $advice->setups))),
            'simulatedShots' => $record->simulatedShots(),
            'setups' => array_map(static fn (SetupJudgement $s): array => [
                'tag' => $s->tag,
                'n' => $s->n,
                'carry' => $s->carry,
                'total' => $s->total,
                'share' => $s->share,
                'shareInterval' => $s->shareInterval,
                'sideKnown' => $s->sideKnown,
                'spreadM' => $s->spreadM,
                'strokes' => $s->strokes,
                'strokesInterval' => $s->strokesInterval,
                'aimFixedStrokes' => $s->aimFixedStrokes,
                'chanceBetter' => $s->chanceBetter,
                'aimDeg' => $s->aimDeg,
                'gain' => $s->gain,
                'gainInterval' => $s->gainInterval,
                'expectedLoss' => $s->expectedLoss,
                'trade' => $s->trade === null ? null : ['costM' => $s->trade->costM, 'loftChangeDeg' => $s->trade->loftChangeDeg, 'bestLaunchDeg' => $s->trade->bestLaunchDeg, 'bestSpinRpm' => $s->trade->bestSpinRpm, 'within' => $s->trade->withinOnePercentDeg, 'attackAssumed' => $s->trade->attackAssumed],
            ], $advice->setups),
        ];
    }
}
