<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Finder\PredictedDraws;
use MintCarry\Core\Finder\ScoredDraws;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Statistics\Interval;

use function array_map;
use function array_slice;
use function array_sum;
use function array_values;
use function count;

/**
 * What turning a sleeve or moving a weight is expected to change for this player, before anybody turns it: the same belief and the same
 * draws as the finder's, setup by setup and draw by draw, so that what is common to both falls out of the difference.
 */
final class Expected
{
    /** Places of `PredictedDraws::$figures`. */
    private const FIGURES = ['carryM' => 0, 'sideM' => 2, 'apexM' => 3];

    /**
     * @param  string  $from  tag of the setup that it is held against
     * @param  SetupRecord  $to  as it would be built; hit before or not
     * @return array<string, array{value: float, interval: Interval}>|null carryM, sideM (+ right), apexM in m; share in the corridor with
     *   the aim on its middle; 95 % intervals. Null where the models have nothing to work from: the own club was not hit with ball data
     */
    public static function of(FittingRecord $record, string $from, SetupRecord $to): ?array
    {
        $search = Search::modelled($record);
        if ($search === null || ! isset($record->setups[$from])) {
            return null;
        }

        return self::between($search, $record, self::spec($search, $record, $record->setups[$from]), self::spec($search, $record, $to));
    }

    /** @return array<string, array{value: float, interval: Interval}>|null as `of`, of two setups as the search knows them */
    public static function between(Search $search, FittingRecord $record, SetupSpec $was, SetupSpec $is): ?array
    {
        $draws = $search->drawsOf([$was, $is]);
        [$a, $b] = [$draws->index($was->tag), $draws->index($is->tag)];
        if ($a === null || $b === null) {
            return null;
        }
        $out = [];
        foreach (self::FIGURES as $name => $figure) {
            $out[$name] = self::difference($draws->figures[$a][$figure], $draws->figures[$b][$figure]);
        }
        $scored = ScoredDraws::of($draws, $record->brief, $record->limits());
        $share = static fn (int $i): array => array_map(
            static fn (float $l, float $r): float => 1 - $l - $r, array_values($scored->lefts[$i]), array_values($scored->rights[$i]),
        );

        return $out + ['share' => self::difference($share($a), $share($b))];
    }

    /** As the finder draws it, so that both screens tell one figure: what was hit as it was hit, what the rack offers as it offers it. */
    public static function spec(Search $search, FittingRecord $record, SetupRecord $setup): SetupSpec
    {
        foreach ($search->hit() as $hit) {
            if ($hit->tag === $setup->tag) {
                return $hit;
            }
        }

        return $search->candidates->specLike($setup) ?? $setup->spec($record->hand);
    }

    /**
     * Draw by draw: the first of what was hit are those of what was not.
     *
     * @param  array<int, float>  $was
     * @param  array<int, float>  $is
     * @return array{value: float, interval: Interval}
     */
    private static function difference(array $was, array $is): array
    {
        $of = static fn (array $values): array => array_slice(array_values($values), 0, PredictedDraws::DRAWS);
        $by = array_map(static fn (float $x, float $y): float => $y - $x, $of($was), $of($is));

        return ['value' => array_sum($by) / count($by), 'interval' => Interval::middleOf($by)];
    }
}
