<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use Closure;
use MintCarry\Core\Fitting\TieBreak;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;

use function abs;
use function array_diff;
use function array_values;
use function max;

/** What breaks a tie in a fitting: what each setup has by the criteria of `TieBreak`, in the order that the fitter set. */
final class TieValues
{
    /** @return Closure(list<string>): TieBreak */
    public static function breaking(FittingRecord $record): Closure
    {
        return static function (array $tags) use ($record): TieBreak {
            $wanted = $record->target()->wantedApexM;
            $values = [];
            foreach ($tags as $tag) {
                $values[$tag] = self::of($record, $tag, $wanted);
            }

            return TieBreak::among($values, self::order($record));
        };
    }

    /** @return list<string> who wants feel first is asked first what they trust */
    public static function order(FittingRecord $record): array
    {
        return ($record->brief->wants[0] ?? '') === 'feel'
            ? ['confidence', ...array_values(array_diff($record->tieOrder, ['confidence']))]
            : $record->tieOrder;
    }

    /** @return array<string, float|null> */
    private static function of(FittingRecord $record, string $tag, float $wantedApexM): array
    {
        $set = $record->sets()[$tag] ?? null;
        $apex = $set?->summary(Measure::Apex)?->mean;
        $start = $set?->summary(Measure::Direction)?->mean;

        return [
            'confidence' => $record->confidence[$tag] ?? null,
            'apex' => $apex === null ? null : abs($apex - $wantedApexM),
            'start side' => $start === null || $record->brief->startSide === 'any'
                ? null
                : match ($record->brief->startSide) {
                    'left' => max(0.0, $start), 'right' => max(0.0, -$start), default => abs($start),
                },
            'price' => self::price($record, $record->setups[$tag]),
        ];
    }

    private static function price(FittingRecord $record, SetupRecord $setup): ?float
    {
        $cost = Cost::of($record, $setup);

        return $cost->isKnown && ! $cost->isMixed ? $cost->total : null;
    }
}
