<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Impact\PlayerPriors;

use function abs;
use function array_map;
use function array_slice;
use function array_sum;
use function array_unique;
use function array_values;
use function count;
use function in_array;
use function max;
use function sort;
use function sqrt;

/**
 * Were a setup's shots hit at more than one speed on purpose? Then their average is that of no swing anybody makes. Told by what the
 * fitter wrote down of the intent, and else by the speeds themselves: where they fall into two heaps that lie further apart than one
 * heap ever would.
 */
final readonly class MixedSpeeds
{
    /** Intents that are another speed; shaping a ball is not. */
    public const OF_SPEED = ['smooth', 'normal', 'full out'];

    /** Two heaps lie so many of their spreads apart. One normal heap, cut in its middle, gives 2.7 on average. */
    private const APART = 5.0;

    private const LEAST_SHOTS = 4;

    /**
     * @param  'intent'|'speed'  $why
     * @param  list<array{name: string, n: int, speedMps: float}>  $groups  the slowest first
     */
    private function __construct(public string $why, public array $groups)
    {
    }

    /** @param  list<array{speedMps: float, intent: string}>  $shots  that count */
    public static function among(array $shots): ?self
    {
        $intents = array_values(array_unique(array_map(static fn (array $s): string => self::intent($s['intent']), $shots)));
        if (count($intents) > 1) {
            return new self('intent', self::byIntent($shots));
        }
        $speeds = array_map(static fn (array $s): float => $s['speedMps'], $shots);
        sort($speeds);
        $n = count($speeds);
        if ($n < self::LEAST_SHOTS) {
            return null;
        }
        $best = null;
        for ($cut = 2; $cut <= $n - 2; $cut++) {
            [$slow, $fast] = [array_slice($speeds, 0, $cut), array_slice($speeds, $cut)];
            $within = self::squares($slow) + self::squares($fast);
            if ($best === null || $within < $best[0]) {
                $best = [$within, $slow, $fast];
            }
        }
        [$within, $slow, $fast] = $best;
        // A few shots may lie together by chance: no heap is taken to be tighter than a player's usual spread.
        $spread = max(PlayerPriors::CLUB_SPEED_SPREAD_MPS, sqrt($within / max(1, $n - 2)));
        $apart = array_sum($fast) / count($fast) - array_sum($slow) / count($slow);

        return $apart < self::APART * $spread ? null : new self('speed', [
            ['name' => 'slower', 'n' => count($slow), 'speedMps' => array_sum($slow) / count($slow)],
            ['name' => 'faster', 'n' => count($fast), 'speedMps' => array_sum($fast) / count($fast)],
        ]);
    }

    /** A ball that was shaped on purpose was swung as ever. */
    public static function intent(string $said): string
    {
        return in_array($said, self::OF_SPEED, true) ? $said : 'normal';
    }

    /**
     * @param  list<array{speedMps: float, intent: string}>  $shots
     * @return list<array{name: string, n: int, speedMps: float}>
     */
    private static function byIntent(array $shots): array
    {
        $by = [];
        foreach ($shots as $s) {
            $by[self::intent($s['intent'])][] = $s['speedMps'];
        }
        $out = [];
        foreach ($by as $name => $speeds) {
            $out[] = ['name' => (string) $name, 'n' => count($speeds), 'speedMps' => array_sum($speeds) / count($speeds)];
        }
        usort($out, static fn (array $a, array $b): int => $a['speedMps'] <=> $b['speedMps']);

        return $out;
    }

    /** @param  list<float>  $values */
    private static function squares(array $values): float
    {
        $mean = array_sum($values) / count($values);

        return array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $values));
    }

    /** How much faster the fastest group is than the slowest, m/s. */
    public function apartMps(): float
    {
        return abs($this->groups[count($this->groups) - 1]['speedMps'] - $this->groups[0]['speedMps']);
    }
}
