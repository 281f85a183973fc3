<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Shapley;

use function abs;
use function count;
use function hypot;
use function sqrt;

/**
 * Why one setup differs from another: the difference of two means split into causes that add up exactly, in an order that does not matter.
 *
 * Every cause is switched from the benchmark's value to the setup's in the impact and flight models; its part is its Shapley value (Shapley 1953: the mean over all orders of switching). What the models do not explain is a line of its own. Two readings: `happened`, as
 * the shots were, and `repeats`, each cause shrunk to what this much evidence lets one expect again: swing and strike by τ²/(τ² + s²), loft and face toward what the change of setup is expected to do.
 * With ball data alone path and attack are one "delivery", estimated from the ball like the others.
 */
final readonly class Bridge
{
    public const MEASURES = ['carryM', 'totalM', 'sideM', 'spinRpm', 'launchDeg'];

    /** Scatter of what the models leave over per shot, and how much of it a setup keeps for good (docs/judging.md). */
    private const LEFT_OVER = ['carryM' => [4.6, 2.5], 'totalM' => [7.0, 3.0], 'sideM' => [3.2, 2.5], 'spinRpm' => [150.0, 100.0], 'launchDeg' => [0.5, 0.2]];

    /**
     * @param  list<array{cause: string, happened: float, repeats: float, error: float, noise: bool}>  $lines  in kept units; noise: more likely scatter than a cause
     */
    private function __construct(public Measure $measure, public float $difference, public array $lines, public bool $clubSeen)
    {
    }

    /**
     * @param  float  $squares  how far the player squares the face at address, 0 … 1
     * @return self|null null where one of them has no such figure
     */
    public static function between(Evidence $a, Evidence $b, Measure $measure, float $squares): ?self
    {
        $field = $measure->value;
        [$meanA, $meanB] = [$a->set->summary($measure), $b->set->summary($measure)];
        if ($meanA === null || $meanB === null || ! isset(self::LEFT_OVER[$field])) {
            return null;
        }
        $club = $a->hasClub() && $b->hasClub();
        $groups = ['club speed' => [0], 'strike' => [5, 6], 'attack and path' => [1, 2], 'face' => [4], 'loft' => [3]];
        $body = $a->built->isSameHeadAs($b->built) ? 'weights' : 'head';
        $names = [...array_keys($groups), $body, 'air'];
        $impacts = [new Impact($a->built->body, $a->built->hand), new Impact($b->built->body, $b->built->hand)];
        $worth = static function (array $switched) use ($names, $groups, $a, $b, $impacts, $field): float {
            $state = $a->state;
            foreach ($groups as $name => $fields) {
                if ($switched[array_search($name, $names, true)]) {
                    foreach ($fields as $i) {
                        $state[$i] = $b->state[$i];
                    }
                }
            }
            $count = count($names);
            $figures = Evidence::figures(Evidence::strike($impacts[(int) $switched[$count - 2]], $state), ($switched[$count - 1] ? $b : $a)->flight);

            return $figures[$field] ?? 0.0;
        };
        // A cause that did not change moves nothing: it needs no switching.
        $live = [];
        foreach ($names as $k => $name) {
            $live[$k] = match (true) {
                isset($groups[$name]) => array_filter($groups[$name], static fn (int $i): bool => abs($a->state[$i] - $b->state[$i]) > 1e-9) !== [],
                $name === 'air' => $a->flight !== $b->flight,
                default => $a->built->body != $b->built->body,
            };
        }
        $parts = Shapley::values($live, $worth);
        $expected = CarryThrough::predict($a->built, $b->built, $squares);
        $lines = [];
        $sum = 0.0;
        foreach ($names as $k => $name) {
            $error = 0.0;
            $repeats = $parts[$k];
            foreach ($groups[$name] ?? [] as $i) {
                $slope = self::slope($a, $i, $field);
                $s = hypot($a->error[$i], $b->error[$i]);
                $seen = $b->state[$i] - $a->state[$i];
                [$prior, $tau] = match ($i) {
                    3 => [$expected->loftDeg, $expected->loftSdDeg],
                    4 => [$expected->faceRightDeg, $expected->faceSdDeg],
                    default => [0.0, Evidence::OWN_SHIFT[$i] * M_SQRT2],
                };
                $again = $prior + ($seen - $prior) * $tau ** 2 / ($tau ** 2 + $s ** 2);
                $repeats += $slope * ($again - $seen);
                $error = hypot($error, $slope * $s);
            }
            $sum += $parts[$k];
            $lines[] = ['cause' => $name === 'attack and path' && ! $club ? 'delivery' : $name, 'happened' => $parts[$k], 'repeats' => $repeats, 'error' => $error, 'noise' => $error > 0 && abs($parts[$k]) < $error];
        }
        // A ball that changed is in what is left over: the models know one ball.
        $difference = $meanB->mean - $meanA->mean;
        [$scatter, $own] = self::LEFT_OVER[$field];
        $error = $scatter * sqrt(1 / max(1, $meanA->n) + 1 / max(1, $meanB->n));
        $rest = $difference - $sum;
        $lines[] = ['cause' => $a->built->ball !== $b->built->ball ? 'ball and unexplained' : 'unexplained', 'happened' => $rest, 'repeats' => $rest * $own ** 2 / ($own ** 2 + $error ** 2), 'error' => $error, 'noise' => abs($rest) < $error];

        return new self($measure, $difference, $lines, $club);
    }

    /** Change of a figure per unit of a state field, at the benchmark. */
    private static function slope(Evidence $e, int $field, string $figure): float
    {
        $h = [0.3, 0.5, 0.5, 0.5, 0.5, 2.0, 2.0][$field];
        $side = static function (float $by) use ($e, $field, $figure): ?float {
            $state = $e->state;
            $state[$field] += $by;

            return Evidence::figures($e->launch($state), $e->flight)[$figure] ?? null;
        };
        [$up, $down] = [$side($h), $side(-$h)];

        return $up === null || $down === null ? 0.0 : ($up - $down) / (2 * $h);
    }
}
