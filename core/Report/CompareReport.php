<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Fitting\Comparison;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\LaunchSpinField;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Judging\Withheld;
use MintCarry\Core\Record\FittingRecord;
use Random\Randomizer;

use function array_map;

/**
 * The comparison of a fitting's setups, as a screen or `bin/mint compare` shows it: summaries, differences from the benchmark,
 * what lies in the corridor, the launch–spin field. It says what these shots alone say; what they mean is the judge's (`AdviceReport`).
 */
final class CompareReport
{
    /**
     * @param  list<ShotSet>|null  $sets  those of one visit; null: all
     * @return array<string, mixed> lengths m, speeds m/s, angles °, spin rpm
     */
    public static function of(FittingRecord $record, ?array $sets = null): array
    {
        return $record->toldSwings() + self::between(
            $sets ?? array_values($record->sets()), $record->benchmark, $record->brief->corridor, $record->flight, FittingRecord::random(...),
            self::withheld($record),
        );
    }

    /** @return list<string> tags of which no word is said */
    private static function withheld(FittingRecord $record): array
    {
        $tags = array_map(strval(...), array_keys($record->sets()));

        return array_map(strval(...), array_keys(Withheld::among($record->speedsInOrder(), $record->benchmark ?? '', $tags)));
    }

    /**
     * Without rack and setups: a comparison needs the shots alone.
     *
     * @param  list<ShotSet>  $sets
     * @param  callable(): Randomizer  $random  a fresh source of luck, always the same
     * @param  list<string>  $withheld  tags of which no word is said (`Withheld`)
     * @return array<string, mixed>
     */
    public static function between(
        array $sets, ?string $benchmark, Corridor $corridor, BallFlight $flight, callable $random, array $withheld = [],
    ): array {
        $comparison = Comparison::of($sets, $benchmark, $random(), $withheld);

        return [
            'benchmark' => $comparison->benchmark,
            'rows' => array_map(
                static fn (array $row): array => [
                    'measure' => $row['measure']->value, 'label' => $row['measure']->label(),
                    'cells' => array_map(
                        static fn (array $cell): array => [
                            'summary' => $cell['summary'], 'computed' => $cell['computed'],
                            'difference' => $cell['difference'] === null
                                    ? null
                                    : [
                                        'value' => $cell['difference']->value, 'interval' => $cell['difference']->interval,
                                        'clear' => $cell['clear'],
                                    ],
                        ],
                        $row['cells'],
                    ),
                ],
                $comparison->rows,
            ),
            'sets' => array_map(
                static fn (ShotSet $set): array => [
                    'tag' => $set->tag, 'n' => $set->count(), 'ellipse' => $set->ellipse(), 'inCorridor' => Seen::fairways($set, $corridor),
                ],
                $sets,
            ),
            'field' => LaunchSpinField::around($sets, $flight),
        ];
    }
}
