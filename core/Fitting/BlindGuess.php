<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use function array_chunk;
use function array_fill;
use function array_keys;
use function array_map;
use function array_values;
use function count;
use function max;
use function min;

/**
 * Whether a player who said after each blind setting which one it was did better than by guessing.
 *
 * The order was drawn in rounds in which every setting comes once (`BlindOrder`). Were nothing felt, every order of a round would be as
 * likely, whatever was said: the chance of as many right answers or more is counted over all of them. This is the exact randomisation test
 * of Fisher's tasted cups (Fisher 1935, The Design of Experiments, ch. II), in rounds instead of one go.
 */
final readonly class BlindGuess
{
    /** A word only where chance alone would do as well in fewer than one of twenty. */
    private const TOLD_P = 0.05;

    /**
     * @param  int  $right  how many answers were right
     * @param  int  $of  how many were given
     * @param  float  $p  chance of as many or more by guessing
     * @param  bool  $canTell  are there enough answers that all of them right would tell anything?
     */
    private function __construct(public int $right, public int $of, public float $p, public bool $canTell)
    {
    }

    /**
     * @param  list<int>  $settings  all there are, each once
     * @param  list<int>  $order  as they came, in whole rounds; only the last round may be cut short
     * @param  list<int|null>  $said  what the player said of each; null: could not say
     */
    public static function of(array $settings, array $order, array $said): ?self
    {
        $each = max(1, count($settings));
        $byRight = [1.0];
        $most = [1.0];
        [$right, $of] = [0, 0];
        foreach (array_chunk($order, $each) as $r => $round) {
            $answers = [];
            foreach (array_keys($round) as $i) {
                $answers[] = $said[$r * $each + $i] ?? null;
                if ($answers[$i] !== null) {
                    $of++;
                    $right += $answers[$i] === $round[$i] ? 1 : 0;
                }
            }
            $byRight = self::together($byRight, self::ofRound($settings, $answers));
            $most = self::together($most, self::ofRound($settings, self::asWell($round, $answers)));
        }

        return $of === 0 ? null : new self($right, $of, self::tail($byRight, $right), self::tail($most, $of) <= self::TOLD_P);
    }

    public function isBetterThanChance(): bool
    {
        return $this->p <= self::TOLD_P;
    }

    /**
     * Answers that would all have been right, where an answer was given.
     *
     * @param  list<int>  $round
     * @param  list<int|null>  $answers
     * @return list<int|null>
     */
    private static function asWell(array $round, array $answers): array
    {
        $out = [];
        foreach ($answers as $i => $answer) {
            $out[] = $answer === null ? null : $round[$i];
        }

        return $out;
    }

    /**
     * Chance of each number of right answers in one round, over all orders of it.
     *
     * @param  list<int>  $settings
     * @param  list<int|null>  $answers  as many as were hit of the round
     * @return list<float> by number of right ones
     */
    private static function ofRound(array $settings, array $answers): array
    {
        $counts = array_fill(0, count($answers) + 1, 0);
        $orders = self::orders($settings);
        foreach ($orders as $order) {
            $right = 0;
            foreach ($answers as $i => $answer) {
                $right += $answer !== null && $answer === $order[$i] ? 1 : 0;
            }
            $counts[$right]++;
        }

        return array_values(array_map(static fn (int $n): float => $n / count($orders), $counts));
    }

    /**
     * @param  list<int>  $settings
     * @return list<list<int>> every order of them
     */
    private static function orders(array $settings): array
    {
        if (count($settings) < 2) {
            return [$settings];
        }
        $out = [];
        foreach ($settings as $i => $first) {
            $rest = $settings;
            unset($rest[$i]);
            foreach (self::orders(array_values($rest)) as $order) {
                $out[] = [$first, ...$order];
            }
        }

        return $out;
    }

    /**
     * The sum of two independent counts.
     *
     * @param  list<float>  $a
     * @param  list<float>  $b
     * @return list<float>
     */
    private static function together(array $a, array $b): array
    {
        $out = array_fill(0, count($a) + count($b) - 1, 0.0);
        foreach ($a as $i => $x) {
            foreach ($b as $j => $y) {
                $out[$i + $j] += $x * $y;
            }
        }

        return array_values($out);
    }

    /** @param  list<float>  $chances */
    private static function tail(array $chances, int $from): float
    {
        $sum = 0.0;
        foreach ($chances as $n => $p) {
            $sum += $n >= $from ? $p : 0.0;
        }

        return min(1.0, $sum);
    }
}
