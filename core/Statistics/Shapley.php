<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

/**
 * Shapley values (Shapley 1953, "A value for n-person games"; formula from memory): what each player adds, averaged over all
 * orders in which they can join. φᵢ = Σ_{S∌i} |S|! (n−|S|−1)! / n! · (v(S∪i) − v(S)). They add up to v(all) − v(none) exactly.
 */
final class Shapley
{
    /**
     * @param  list<bool>  $live  players that do anything; the others get 0 without being asked
     * @param  callable(array<int, bool>): float  $worth  of a set of players, as a list of who is in
     * @return list<float>
     */
    public static function values(array $live, callable $worth): array
    {
        return array_values(
            array_map(static fn (array $v): float => $v[0] ?? 0.0, self::vectors($live, static fn (array $in): array => [$worth($in)])),
        );
    }

    /**
     * Several games of the same players at once.
     *
     * @param  array<int, bool>  $live
     * @param  callable(array<int, bool>): list<float>  $worth
     * @return array<int, array<int, float>> by player and game
     */
    public static function vectors(array $live, callable $worth): array
    {
        $players = array_keys(array_filter($live));
        $n = count($players);
        $all = [];
        for ($set = 0; $set < 1 << $n; $set++) {
            $in = array_fill(0, count($live), false);
            foreach ($players as $bit => $player) {
                $in[$player] = ($set >> $bit & 1) === 1;
            }
            $all[$set] = $worth($in);
        }
        $weights = [];
        $choose = 1.0;
        for ($size = 0; $size < $n; $size++) {
            $weights[$size] = 1 / ($n * $choose); // |S|! (n−|S|−1)! / n! = 1 / (n · C(n−1, |S|))
            $choose *= ($n - 1 - $size) / ($size + 1);
        }
        $values = array_fill(0, count($live), array_fill(0, count($all[0]), 0.0));
        foreach ($players as $bit => $player) {
            foreach ($all as $set => $worths) {
                if (($set >> $bit & 1) === 0) {
                    $weight = $weights[substr_count(decbin($set), '1')];
                    foreach ($worths as $m => $value) {
                        $values[$player][$m] += $weight * ($all[$set | 1 << $bit][$m] - $value);
                    }
                }
            }
        }

        return $values;
    }
}
