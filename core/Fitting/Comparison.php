<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Difference;
use MintCarry\Core\Statistics\Resampling;
use MintCarry\Core\Statistics\Robust;
use MintCarry\Core\Statistics\Summary;
use Random\Randomizer;

/**
 * Setups side by side: each measure's summary per setup, and its difference from the benchmark with a Welch interval; under a
 * robust policy, whose averages are no plain means, with a bootstrap interval.
 */
final readonly class Comparison
{
    public const MEASURES = [
        Measure::Carry, Measure::Total, Measure::Side, Measure::Curve, Measure::BallSpeed, Measure::LaunchAngle, Measure::Spin,
        Measure::SpinAxis, Measure::Direction, Measure::Apex, Measure::Descent, Measure::ClubSpeed, Measure::Smash, Measure::Attack,
        Measure::Path, Measure::Face, Measure::DynamicLoft, Measure::StrikeToe, Measure::StrikeHigh,
    ];

    /** Measures whose intervals are resampled under a robust policy; those of the others stay Welch's, of the pulled-in values. */
    private const RESAMPLED = [Measure::Carry, Measure::Total, Measure::Side, Measure::BallSpeed, Measure::LaunchAngle, Measure::Spin];

    /**
     * @param  list<array{measure: Measure, cells: array<string, array{summary: ?Summary, computed: int,
     *   difference: ?Difference}>}>  $rows  measures that at least one setup has
     */
    private function __construct(public ?string $benchmark, public array $rows)
    {
    }

    /** @param  list<ShotSet>  $sets */
    public static function of(array $sets, ?string $benchmark, ?Randomizer $random = null): self
    {
        $benchmarkSet = null;
        foreach ($sets as $set) {
            $benchmarkSet = $set->tag === $benchmark ? $set : $benchmarkSet;
        }
        $rows = [];
        foreach (self::MEASURES as $measure) {
            $base = $benchmarkSet?->summary($measure);
            $cells = [];
            $known = false;
            foreach ($sets as $set) {
                $summary = $set->summary($measure);
                $known = $known || $summary !== null;
                $cells[$set->tag] = [
                    'summary' => $summary,
                    'computed' => $set->computedCount($measure),
                    'difference' => $summary !== null && $base !== null && $set !== $benchmarkSet
                            ? self::difference($benchmarkSet, $set, $measure, $base, $summary, $random)
                            : null,
                ];
            }
            if ($known) {
                $rows[] = ['measure' => $measure, 'cells' => $cells];
            }
        }

        return new self($benchmarkSet?->tag, $rows);
    }

    private static function difference(
        ?ShotSet $benchmarkSet, ShotSet $set, Measure $measure, Summary $base, Summary $summary, ?Randomizer $random,
    ): Difference {
        $welch = Difference::between($base, $summary);
        $a = $benchmarkSet?->raw($measure) ?? [];
        $b = $set->raw($measure);
        if ($random === null || ! $set->isRobust() || ! in_array($measure, self::RESAMPLED, true) || count($a) < 4 || count($b) < 4) {
            return $welch;
        }
        $mean = static function (array $values): float {
            $in = Robust::pulledIn(array_values(array_map(floatval(...), $values)));

            return array_sum($in) / max(1, count($in));
        };

        return $welch->within(Resampling::difference($a, $b, $mean, $random, 150));
    }
}
