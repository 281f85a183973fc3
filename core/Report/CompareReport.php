<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Fitting\Comparison;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\LaunchSpinField;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\SideEstimate;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Record\FittingRecord;
use Random\Randomizer;

/**
 * The comparison of a fitting's setups, as a screen or `bin/mint compare` shows it: summaries, differences from the benchmark,
 * shares in the corridor, the launch–spin field.
 */
final class CompareReport
{
    /** @return array<string, mixed> lengths m, speeds m/s, angles °, spin rpm */
    public static function of(FittingRecord $record): array
    {
        return self::between(
            array_values($record->sets()), $record->benchmark, $record->brief->corridor, $record->flight, $record->random(...),
        );
    }

    /**
     * Without rack and setups: a comparison needs the shots alone.
     *
     * @param  list<ShotSet>  $sets
     * @param  callable(): Randomizer  $random  a fresh source of luck, always the same
     * @return array<string, mixed>
     */
    public static function between(array $sets, ?string $benchmark, Corridor $corridor, BallFlight $flight, callable $random): array
    {
        $comparison = Comparison::of($sets, $benchmark, $random());
        $pooled = $sets === [] ? 0.0 : SideEstimate::pooledSpread($sets);

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
                                        'clear' => $cell['difference']->isClear(),
                                    ],
                        ],
                        $row['cells'],
                    ),
                ],
                $comparison->rows,
            ),
            'sets' => array_map(
                static fn (ShotSet $set): array => [
                    'tag' => $set->tag, 'n' => $set->count(), 'ellipse' => $set->ellipse(),
                    'share' => CorridorShare::of(SideEstimate::of($set, $pooled), $corridor, $random()),
                ],
                $sets,
            ),
            'field' => LaunchSpinField::around($sets, $flight),
        ];
    }
}
