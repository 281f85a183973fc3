<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Difference;
use MintCarry\Core\Statistics\Holm;
use MintCarry\Core\Statistics\Resampling;
use MintCarry\Core\Statistics\Robust;
use MintCarry\Core\Statistics\Summary;
use Random\Randomizer;

/**
 * Setups side by side: each measure's summary per setup, and its difference from the benchmark within each visit, with a Welch
 * interval; over several visits by their evidence. Under a robust policy, whose averages are no plain means, with a bootstrap interval.
 * Null where the two were never hit on one visit.
 *
 * A difference is clear where it would still be told if all of them, over measures and setups, are asked together (`Holm`).
 */
final readonly class Comparison
{
    /** With the words of the verdicts (`LiveVerdict`) this makes 5 % of sessions (`bin/bench judging`). */
    private const FAMILY = 0.025;

    public const MEASURES = [
        Measure::Carry, Measure::Total, Measure::Side, Measure::Curve, Measure::BallSpeed, Measure::LaunchAngle, Measure::Spin,
        Measure::SpinAxis, Measure::Direction, Measure::Apex, Measure::Descent, Measure::ClubSpeed, Measure::Smash, Measure::Attack,
        Measure::Path, Measure::Face, Measure::DynamicLoft, Measure::StrikeToe, Measure::StrikeHigh,
    ];

    /** Measures whose intervals are resampled under a robust policy; those of the others stay Welch's, of the pulled-in values. */
    private const RESAMPLED = [Measure::Carry, Measure::Total, Measure::Side, Measure::BallSpeed, Measure::LaunchAngle, Measure::Spin];

    /**
     * @param  list<array{measure: Measure, cells: array<string, array{summary: ?Summary, computed: int, difference: ?Difference,
     *   clear: bool}>}>  $rows  measures that at least one setup has
     */
    private function __construct(public ?string $benchmark, public array $rows)
    {
    }

    /**
     * @param  list<ShotSet>  $sets
     * @param  list<string>  $withheld  tags of which nothing is told, because the player was another (`Withheld`)
     */
    public static function of(array $sets, ?string $benchmark, ?Randomizer $random = null, array $withheld = []): self
    {
        $benchmarkSet = null;
        foreach ($sets as $set) {
            $benchmarkSet = $set->tag === $benchmark ? $set : $benchmarkSet;
        }
        $rows = $p = [];
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
                    'difference' => $difference = $summary !== null && $base !== null && $set !== $benchmarkSet
                        ? self::difference($benchmarkSet, $set, $measure, $random) : null,
                    'clear' => false,
                ];
                if ($difference?->p !== null) {
                    $p[count($rows).'/'.$set->tag] = $difference->p;
                }
            }
            if ($known) {
                $rows[] = ['measure' => $measure, 'cells' => $cells];
            }
        }

        $adjusted = Holm::adjusted($p);
        foreach ($rows as $i => $row) {
            foreach ($row['cells'] as $tag => $cell) {
                $isClear = $cell['difference']?->isClear() === true && ($adjusted["{$i}/{$tag}"] ?? 1.0) <= self::FAMILY
                    && ! in_array((string) $tag, $withheld, true);
                $rows[$i]['cells'][$tag] = ['clear' => $isClear] + $cell;
            }
        }

        return new self($benchmarkSet?->tag, $rows);
    }

    private static function difference(ShotSet $benchmark, ShotSet $set, Measure $measure, ?Randomizer $random): ?Difference
    {
        if ($benchmark->isUnmeasured($measure) || $set->isUnmeasured($measure)) {
            return null;
        }
        [$theirs, $its] = [$benchmark->byVisit(), $set->byVisit()];
        $visits = [];
        foreach (array_intersect_key($its, $theirs) as $visit => $one) {
            [$base, $summary] = [$theirs[$visit]->summary($measure), $one->summary($measure)];
            if ($base !== null && $summary !== null) {
                $visits[$visit] = Difference::between($base, $summary);
            }
        }
        $welch = Difference::over(array_values($visits));
        $a = $benchmark->raw($measure);
        $b = $set->raw($measure);
        $isResampled = $random !== null && $set->isRobust() && in_array($measure, self::RESAMPLED, true) && count($visits) === 1;
        if ($welch === null || ! $isResampled || count($a) < 4 || count($b) < 4) {
            return $welch;
        }
        $mean = static function (array $values): float {
            $in = Robust::pulledIn(array_values(array_map(floatval(...), $values)));

            return array_sum($in) / max(1, count($in));
        };

        return $welch->within(Resampling::difference($a, $b, $mean, $random, 150));
    }
}
