<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\SetupJudgement;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Launch\Measure;

use function abs;
use function array_filter;
use function count;

/** What everybody saw of a setup: plain averages and counts of these shots. They are no estimate of what comes next. */
final class Seen
{
    private const MEASURES = [
        Measure::Carry, Measure::Total, Measure::LaunchAngle, Measure::Spin, Measure::Apex, Measure::Descent, Measure::Direction,
    ];

    /**
     * @return array{n: int, averages: object, fairways: array{in: int, of: int}|null} averages by measure, those that were seen; fairways:
     *   how many came to rest in the corridor, of those whose side was seen
     */
    public static function of(ShotSet $set, Corridor $corridor): array
    {
        $averages = [];
        foreach (self::MEASURES as $measure) {
            $mean = $set->summary($measure)?->mean;
            if ($mean !== null) {
                $averages[$measure->value] = $mean;
            }
        }
        $fairways = self::fairways($set, $corridor);

        return ['n' => $set->count(), 'averages' => (object) $averages, 'fairways' => $fairways['of'] === 0 ? null : $fairways];
    }

    /** @return array{in: int, of: int} */
    public static function fairways(ShotSet $set, Corridor $corridor): array
    {
        $sides = $set->values(Measure::TotalSide);

        return ['in' => count(array_filter($sides, static fn (float $m): bool => abs($m) <= $corridor->halfM())), 'of' => count($sides)];
    }

    /**
     * Where these shots say more, or less, than is expected to come, by more than the interval of it.
     *
     * @return list<'carry'|'fairways'>
     */
    public static function exaggerates(SetupJudgement $judged, ShotSet $set, ?ShotSet $benchmark, Corridor $corridor): array
    {
        $out = [];
        [$mine, $its] = [$set->summary(Measure::Carry)?->mean, $benchmark?->summary(Measure::Carry)?->mean];
        if ($benchmark !== null && $benchmark->tag !== $set->tag && $mine !== null && $its !== null
            && ! $judged->carryGainInterval->contains($mine - $its)) {
            $out[] = 'carry';
        }
        ['in' => $in, 'of' => $of] = self::fairways($set, $corridor);
        if ($of > 0 && ! $judged->share->interval->contains($in / $of)) {
            $out[] = 'fairways';
        }

        return $out;
    }
}
