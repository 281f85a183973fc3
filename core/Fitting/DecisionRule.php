<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use function array_filter;
use function array_values;
use function count;

/**
 * Which setup is advised, in this order:
 *
 * (a) never: a setup that clearly brings more of what must never be seen is out;
 * (b) school: the best by the brief's scoring, and who is level with it;
 * (c) wishes: of those, who gives more of what the player wants, want by want;
 * (d) feel: of those, who is trusted and liked more, in the fitter's order;
 * (e) effort and price: of those, the one that takes least.
 *
 * The own club is a candidate like any other. Its head turned is one where it gains a resolution on average with a
 * chance of 0.65, or where it answers a wish. What has to be bought is one where it is surer than that (0.8, or
 * what the fitter set), held against the best that the own head can be turned to. All from the same draws
 * (docs/judging.md, "The decision").
 */
final readonly class DecisionRule
{
    /** A purchase is advised from this chance on that it is better, unless the fitter set another. */
    public const SURE_TO_BUY = 0.8;

    /** A free turn is advised from this chance on: nothing is paid for it, and a turn for the worse is one too (docs/judging.md). */
    public const SURE_TO_TURN = 0.65;

    /** A want decides from this chance on that it is gained. */
    public const SURE_OF_WISH = 0.7;

    /** Level is who is behind by more than two resolutions with less than this chance: who is unsure is not level. */
    private const RISK_OF_LEVEL = 0.2;

    /**
     * @param  string  $by  what decided: own (nothing is better), school, wish, feel or effort
     * @param  string|null  $wish  which want, where one decided
     * @param  list<int>  $level  those that were level with the best by the school
     */
    private function __construct(
        public int $pick, public int $own, public string $by, public ?string $wish, public array $level, public ?TieBreak $tieBreak,
    ) {
    }

    /**
     * @param  array<int, Option>  $options  by setup
     * @param  int  $own  the own club
     * @param  list<Wish>  $wishes  in the player's order
     * @param  (callable(list<int>): array{TieBreak, list<int>})|null  $feel  who goes first by what the player said, in the fitter's
     *   order: how it was broken, and who is left
     * @param  float|null  $sureToBuy  chance from which a purchase is advised; null: 0.8
     */
    public static function choose(
        Pick $pick, array $options, int $own, array $wishes = [], ?callable $feel = null, ?float $sureToBuy = null,
    ): self {
        $sure = $sureToBuy ?? self::SURE_TO_BUY;
        $free = $turned = $bought = [];
        foreach ($options as $s => $option) {
            if ($s !== $own && ! $option->isBarred && $option->effort->isFree()) {
                $free[] = $s;
                if (self::isBetter($pick, $s, $own, self::SURE_TO_TURN) || self::answersWish($pick, $wishes, $s, [$own], self::SURE_OF_WISH)) {
                    $turned[] = $s;
                }
            }
        }
        $free[] = $own;
        $rival = $own;
        foreach ($free as $s) {
            $rival = $pick->means[$s] < $pick->means[$rival] ? $s : $rival;
        }
        foreach ($options as $s => $option) {
            if ($s !== $own && ! $option->isBarred && ! $option->effort->isFree() && (self::isBetter($pick, $s, $rival, $sure)
                || self::answersWish($pick, $wishes, $s, $free, $sure))) {
                $bought[] = $s;
            }
        }
        $candidates = [$own, ...$turned, ...$bought];
        $best = $own;
        foreach ($candidates as $s) {
            $best = $pick->means[$s] < $pick->means[$best] ? $s : $best;
        }
        $level = array_values(array_filter($candidates, static fn (int $s): bool => self::isLevel($pick, $s, $best)));
        [$left, $by, $wish, $tieBreak] = [$level, 'school', null, null];
        foreach (count($level) > 1 ? $wishes : [] as $one) {
            $now = $one->best($left, self::SURE_OF_WISH);
            [$by, $wish] = count($now) < count($left) && $wish === null ? ['wish', $one->name] : [$by, $wish];
            $left = $now;
        }
        if (count($left) > 1 && $feel !== null) {
            [$tieBreak, $now] = $feel($left);
            [$by, $left] = [count($now) < count($left) && $wish === null ? 'feel' : $by, $now];
        }
        $at = self::least($pick, $left, $options, $own);
        $by = count($left) > 1 && $wish === null ? 'effort' : $by;

        return new self($at, $own, $at === $own && $wish === null ? 'own' : $by, $wish, $level, $tieBreak);
    }

    /** By a resolution on average, and with this chance at all. */
    private static function isBetter(Pick $pick, int $s, int $than, float $chance): bool
    {
        return $pick->surerGain($s, $than) >= $pick->scoring->resolution() && $pick->chance($s, $than) >= $chance;
    }

    public static function isLevel(Pick $pick, int $s, int $with): bool
    {
        $resolution = $pick->scoring->resolution();

        return $s === $with || ($pick->gain($with, $s) < $resolution
            && $pick->chanceBehind($s, $with, 2 * $resolution) < self::RISK_OF_LEVEL);
    }

    /**
     * Gives more of what is wanted than each of these, the first want that differs deciding, and is level with the
     * best of them by the school or better.
     *
     * @param  list<Wish>  $wishes
     * @param  list<int>  $than
     */
    private static function answersWish(Pick $pick, array $wishes, int $s, array $than, float $chance): bool
    {
        $best = $than[0];
        foreach ($than as $t) {
            $best = $pick->means[$t] < $pick->means[$best] ? $t : $best;
        }
        if ($wishes === [] || ! self::isLevel($pick, $s, $pick->means[$s] < $pick->means[$best] ? $s : $best)) {
            return false;
        }
        foreach ($than as $t) {
            foreach ($wishes as $wish) {
                if ($wish->isGained($s, $t, $chance)) {
                    continue 2;
                }
                if ($wish->isGained($t, $s, $chance)) {
                    return false;
                }
            }

            return false;
        }

        return true;
    }

    /**
     * @param  list<int>  $among
     * @param  array<int, Option>  $options
     */
    private static function least(Pick $pick, array $among, array $options, int $own): int
    {
        $takes = static fn (int $s): array => [
            $s === $own ? 0 : ($options[$s]->effort ?? Effort::InStock)->rank() + 1, $options[$s]->price ?? INF, $pick->means[$s],
        ];
        usort($among, static fn (int $a, int $b): int => $takes($a) <=> $takes($b));

        return $among[0];
    }
}
