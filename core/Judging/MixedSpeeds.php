<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Statistics\Evenly;

use function abs;
use function array_column;
use function array_fill_keys;
use function array_filter;
use function array_map;
use function array_sum;
use function array_unique;
use function array_values;
use function ceil;
use function count;
use function in_array;
use function max;
use function min;
use function sort;
use function sqrt;
use function usort;

/**
 * Were shots hit with more than one swing? Then their average is that of no swing anybody makes. Told by what the fitter wrote down of the
 * intent, and else by the speeds themselves: where they fall into two or three heaps that lie further apart than one heap ever would.
 */
final readonly class MixedSpeeds
{
    /** Intents that are another speed; shaping a ball is not. */
    public const OF_SPEED = ['smooth', 'normal', 'full out'];

    private const NAMES = [2 => ['cruising', 'full'], 3 => ['cruising', 'middle', 'full']];

    /**
     * Heaps of club speeds lie so many of their spreads apart; where only the ball was seen so many, and more of few shots. One heap, cut
     * where it is best cut, does so in under 1 of 100 sessions of 4 to 40 shots, with other heads among them (simulated, `SwingsTest`).
     */
    private const APART = 3.45;

    private const APART_OF_BALLS = [3.25, 12.0, 4.3];

    /** Nearer than this share of the speed is one swing; where one heap came after the other it is tiring, or a warm-up, up to the second. */
    private const LEAST_SHARE = 0.04;

    private const STATE_SHARE = 0.1;

    /** A few shots may lie together by chance: a player's usual spread counts as so many shots. */
    private const USUAL_SHOTS = 4;

    private const LEAST_SHOTS = 4;

    /** No heap has fewer than this share of the shots. */
    private const LEAST_HEAP = 0.2;

    /** So many shots, spread evenly over them, tell where the heaps lie. */
    private const MOST_SHOTS = 240;

    /**
     * @param  'intent'|'speed'  $why
     * @param  list<array{name: string, n: int, speedMps: float}>  $groups  the slowest first
     * @param  list<float>  $cuts  between the groups, m/s; none where the intent tells
     * @param  array<string, string>  $byIntent  name of the group by intent; intents of one speed are one
     */
    private function __construct(public string $why, public array $groups, private array $cuts = [], private array $byIntent = [])
    {
    }

    /**
     * @param  list<array{speedMps: float, intent: string, tag?: string}>  $shots  that count, in the order they were hit
     * @param  bool  $clubSeen  are they club speeds that were measured, and not from the ball's?
     */
    public static function among(array $shots, bool $clubSeen = false): ?self
    {
        $intents = array_values(array_unique(array_map(static fn (array $s): string => self::intent($s['intent']), $shots)));
        $mixed = count($intents) > 1 ? self::byIntent($shots) : self::bySpeed($shots, $clubSeen);

        return $mixed === null || ! $mixed->isWithinASetup($shots) ? null : $mixed;
    }

    /**
     * Intents whose speeds lie nearer together than two swings do are one, unless somebody told them apart on one setup: a benchmark hit
     * full out and others hit as ever are one swing.
     *
     * @param  list<array{speedMps: float, intent: string, tag?: string}>  $shots
     */
    private static function byIntent(array $shots): ?self
    {
        $groups = self::groups($shots, static fn (array $s): string => self::intent($s['intent']));
        $told = $names = $apart = [];
        foreach ($shots as $s) {
            $told[$s['tag'] ?? ''][self::intent($s['intent'])] = true;
        }
        $areTold = static fn (string $a, string $b): bool => array_filter($told, static fn (array $of): bool => isset($of[$a], $of[$b])) !== [];
        foreach ($groups as $i => $group) {
            $before = $groups[$i - 1] ?? null;
            if ($before === null || $group['speedMps'] > (1 + self::LEAST_SHARE) * $before['speedMps'] || $areTold($before['name'], $group['name'])) {
                $apart[] = [];
            }
            $apart[count($apart) - 1][] = $group;
        }
        foreach ($apart as $alike) {
            usort($alike, static fn (array $a, array $b): int => $b['n'] <=> $a['n']);
            $names += array_fill_keys(array_column($alike, 'name'), $alike[0]['name']);
        }

        return count($apart) < 2 ? null
            : new self('intent', self::groups($shots, static fn (array $s): string => $names[self::intent($s['intent'])]), byIntent: $names);
    }

    /** @param  list<array{speedMps: float, intent: string, tag?: string}>  $shots */
    private static function bySpeed(array $shots, bool $clubSeen): ?self
    {
        $speeds = array_map(static fn (array $s): float => $s['speedMps'], Evenly::of($shots, self::MOST_SHOTS));
        sort($speeds);
        $n = count($speeds);
        if ($n < self::LEAST_SHOTS) {
            return null;
        }
        [$spreads, $perShot, $most] = self::APART_OF_BALLS;
        $asked = $clubSeen ? self::APART : min($most, $spreads + $perShot / $n);
        foreach ([3, 2] as $heaps) {
            [$cuts, $gap, $spread] = self::cut($speeds, $heaps);
            if ($cuts === [] || $gap < $asked * $spread || $gap < self::LEAST_SHARE * $speeds[$n - 1]) {
                continue;
            }
            $names = self::NAMES[$heaps];
            $of = static fn (array $s): string => $names[self::heapOf($s['speedMps'], $cuts)];
            $groups = self::groups($shots, $of);
            $isState = $gap < self::STATE_SHARE * $speeds[$n - 1] && self::followOneAnother($shots, $of);

            return $isState ? null : new self('speed', $groups, $cuts);
        }

        return null;
    }

    /**
     * The cuts that leave least spread within the heaps (Fisher 1958, from memory): places between two speeds, the least distance between
     * two neighbouring heaps, and the spread within.
     *
     * @param  list<float>  $speeds  sorted
     * @return array{list<float>, float, float}
     */
    private static function cut(array $speeds, int $heaps): array
    {
        $n = count($speeds);
        $least = max(2, (int) ceil(self::LEAST_HEAP * $n));
        $sums = $squares = [0.0];
        foreach ($speeds as $i => $v) {
            [$sums[], $squares[]] = [$sums[$i] + $v, $squares[$i] + $v * $v];
        }
        $within = static fn (int $a, int $b): float => $squares[$b] - $squares[$a] - ($sums[$b] - $sums[$a]) ** 2 / ($b - $a);
        $best = [INF, []];
        for ($a = $least; $a <= $n - ($heaps - 1) * $least; $a++) {
            $first = $within(0, $a);
            for ($b = $heaps === 2 ? $n : $a + $least; $b <= ($heaps === 2 ? $n : $n - $least); $b++) {
                $all = $first + $within($a, $b) + ($b < $n ? $within($b, $n) : 0.0);
                $best = $all < $best[0] ? [$all, $b < $n ? [0, $a, $b, $n] : [0, $a, $n]] : $best;
            }
        }
        [$squared, $ends] = $best;
        if ($ends === []) {
            return [[], 0.0, 1.0];
        }
        $cuts = [];
        $gap = INF;
        for ($h = 1; $h < count($ends) - 1; $h++) {
            $mean = static fn (int $of): float => ($sums[$ends[$of + 1]] - $sums[$ends[$of]]) / ($ends[$of + 1] - $ends[$of]);
            $gap = min($gap, $mean($h) - $mean($h - 1));
            $cuts[] = ($speeds[$ends[$h] - 1] + $speeds[$ends[$h]]) / 2;
        }
        $usual = self::USUAL_SHOTS * PlayerPriors::CLUB_SPEED_SPREAD_MPS ** 2;

        return [$cuts, $gap, sqrt((max(0.0, $squared) + $usual) / ($n - $heaps + self::USUAL_SHOTS))];
    }

    /** @param  list<float>  $cuts */
    private static function heapOf(float $speedMps, array $cuts): int
    {
        $heap = 0;
        foreach ($cuts as $cut) {
            $heap += $speedMps > $cut ? 1 : 0;
        }

        return $heap;
    }

    /**
     * Did one heap come after the other, but for one shot in ten? Then the player changed, and did not swing two ways.
     *
     * @param  list<array{speedMps: float, intent: string, tag?: string}>  $shots
     * @param  callable(array{speedMps: float, intent: string, tag?: string}): string  $groupOf
     */
    private static function followOneAnother(array $shots, callable $groupOf): bool
    {
        $is = array_map(static fn (array $s): int => $groupOf($s) === 'cruising' ? 1 : 0, $shots);
        $n = count($is);
        $slow = array_sum($is);
        $before = 0;
        $most = 0;
        foreach ($is as $i => $one) {
            $before += $one;
            // Slow ones up to here and fast ones after it, or the other way round.
            $alike = $before + ($n - $i - 1 - ($slow - $before));
            $most = max($most, $alike, $n - $alike);
        }

        return $most >= 0.9 * $n;
    }

    /**
     * Was at least one setup hit with two of the swings? Else the setups were, each with its own, and `Withheld` says so.
     *
     * @param  list<array{speedMps: float, intent: string, tag?: string}>  $shots
     */
    private function isWithinASetup(array $shots): bool
    {
        $seen = [];
        foreach ($shots as $s) {
            $seen[$s['tag'] ?? ''][$this->groupOf($s['speedMps'], $s['intent'])] = true;
        }

        return array_filter($seen, static fn (array $of): bool => count($of) > 1) !== [];
    }

    /** Name of the group that a shot belongs to. */
    public function groupOf(float $speedMps, string $intent): string
    {
        return $this->why === 'intent' ? $this->byIntent[self::intent($intent)] ?? '' : self::NAMES[count($this->groups)][self::heapOf($speedMps, $this->cuts)];
    }

    /** A ball that was shaped on purpose was swung as ever. */
    public static function intent(string $said): string
    {
        return in_array($said, self::OF_SPEED, true) ? $said : 'normal';
    }

    /**
     * @param  list<array{speedMps: float, intent: string, tag?: string}>  $shots
     * @param  callable(array{speedMps: float, intent: string, tag?: string}): string  $nameOf
     * @return list<array{name: string, n: int, speedMps: float}>
     */
    private static function groups(array $shots, callable $nameOf): array
    {
        $by = [];
        foreach ($shots as $s) {
            $by[$nameOf($s)][] = $s['speedMps'];
        }
        $out = [];
        foreach ($by as $name => $speeds) {
            $out[] = ['name' => (string) $name, 'n' => count($speeds), 'speedMps' => array_sum($speeds) / count($speeds)];
        }
        usort($out, static fn (array $a, array $b): int => $a['speedMps'] <=> $b['speedMps']);

        return $out;
    }

    /** How much faster the fastest group is than the slowest, m/s. */
    public function apartMps(): float
    {
        return abs($this->groups[count($this->groups) - 1]['speedMps'] - $this->groups[0]['speedMps']);
    }
}
