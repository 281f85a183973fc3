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

        [$was, $is] = [self::spec($search, $record, $record->setups[$from]), self::spec($search, $record, $to)];
        $draws = $search->drawsOf([$was, $is]);

        return self::between($record, [$draws, $was->tag], [$draws, $is->tag]);
    }

    /**
     * What becomes of a club that is the same but for what gauge and balance say of it: what is its own beside that (its quirk) is common to both,
     * so that only what is off, and how much of it this player feels, stands in the difference.
     *
     * @return array<string, array{value: float, interval: Interval}>|null as `of`
     */
    public static function ofSame(Search $search, FittingRecord $record, SetupSpec $was, SetupSpec $is): ?array
    {
        $is = self::named($is, $was->tag);
        $isOwn = $was->tag === $record->own()->tag;

        return self::between(
            $record, [$search->drawsOf([$was]), $was->tag], [$search->drawsOf([$is], ownAs: $isOwn ? $is : null), $was->tag],
        );
    }

    private static function named(SetupSpec $spec, string $tag): SetupSpec
    {
        return new SetupSpec(...['tag' => $tag] + get_object_vars($spec));
    }

    /**
     * @param  array{PredictedDraws, string}  $from  draws, and the tag in them
     * @param  array{PredictedDraws, string}  $to
     * @return array<string, array{value: float, interval: Interval}>|null
     */
    private static function between(FittingRecord $record, array $from, array $to): ?array
    {
        [[$before, $was], [$after, $is]] = [$from, $to];
        [$a, $b] = [$before->index($was), $after->index($is)];
        if ($a === null || $b === null) {
            return null;
        }
        $out = [];
        foreach (self::FIGURES as $name => $figure) {
            $out[$name] = self::difference($before->figures[$a][$figure], $after->figures[$b][$figure]);
        }
        $share = static function (PredictedDraws $draws, int $i) use ($record): array {
            $scored = ScoredDraws::of($draws, $record->brief, $record->limits());

            return array_map(
                static fn (float $l, float $r): float => 1 - $l - $r, array_values($scored->lefts[$i]), array_values($scored->rights[$i]),
            );
        };

        return $out + ['share' => self::difference($share($before, $a), $share($after, $b))];
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
