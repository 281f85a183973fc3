<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Shapley;

use function abs;
use function count;
use function hypot;
use function sqrt;

/**
 * Why one setup differs from another: the difference of two means split into causes that add up exactly, in an order that does not matter.
 *
 * Every cause is switched from the benchmark's value to the setup's in the impact and flight models; its part is its Shapley
 * value (Shapley 1953: the mean over all orders of switching). What the models do not explain is a line of its own. Two readings:
 * `happened`, as the shots were, and `repeats`, each cause shrunk to what this much evidence lets one expect again: swing and
 * strike by τ²/(τ² + s²), loft and face toward what the change of setup is expected to do. With ball data alone path and attack
 * are one "delivery", estimated from the ball like the others.
 */
final readonly class Bridge
{
    public const MEASURES = ['carryM', 'totalM', 'sideM', 'spinRpm', 'launchDeg'];

    /** Scatter of what the models leave over per shot, and how much of it a setup keeps for good (docs/judging.md). */
    private const LEFT_OVER = [
        'carryM' => [4.6, 2.5], 'totalM' => [7.0, 3.0], 'sideM' => [3.2, 2.5], 'spinRpm' => [150.0, 100.0],
        'launchDeg' => [0.5, 0.2],
    ];

    /**
     * @param  float  $difference  the setup's mean minus the benchmark's, kept unit
     * @param  list<array{cause: string, happened: float, repeats: float, error: float, noise: bool}>  $lines  in kept units;
     *   noise: more likely scatter than a cause
     */
    private function __construct(public Measure $measure, public float $difference, public array $lines, public bool $clubSeen)
    {
    }

    /**
     * @param  float  $squaringShare  how far the player squares the face at address, 0 … 1
     * @return array<string, self> by measure; those that both have a mean of
     */
    public static function between(Evidence $a, Evidence $b, float $squaringShare): array
    {
        $club = $a->hasClub() && $b->hasClub();
        $groups = [
            'club speed' => [Swing::CLUB_SPEED], 'strike' => [Swing::TOE, Swing::HIGH],
            $club ? 'attack and path' : 'delivery' => [Swing::ATTACK, Swing::PATH], 'face' => [Swing::FACE],
            'loft' => [Swing::LOFT],
        ];
        $names = [...array_keys($groups), $a->spec->isSameHeadAs($b->spec) ? 'weights' : 'head', 'air'];
        [$body, $air] = [count($groups), count($groups) + 1];
        $impacts = [new Impact($a->spec->body, $a->spec->hand), new Impact($b->spec->body, $b->spec->hand)];
        // A cause that did not change moves nothing: it needs no switching.
        $live = [];
        foreach (array_values($groups) as $k => $fields) {
            $live[$k] = array_filter($fields, static fn (int $i): bool => abs($a->state[$i] - $b->state[$i]) > 1e-9) !== [];
        }
        $live[$body] = $a->spec->body != $b->spec->body;
        $live[$air] = $a->flight != $b->flight;
        $parts = Shapley::vectors($live, static function (array $switched) use ($groups, $a, $b, $impacts, $body, $air): array {
            $state = $a->state;
            foreach (array_values($groups) as $k => $fields) {
                foreach ($switched[$k] ? $fields : [] as $i) {
                    $state[$i] = $b->state[$i];
                }
            }
            $figures = Evidence::figures(Evidence::strike($impacts[(int) $switched[$body]], $state), ($switched[$air] ? $b : $a)->flight);

            return array_map(static fn (string $m): float => $figures[$m] ?? 0.0, self::MEASURES);
        });
        $expected = CarryThrough::predict($a->spec, $b->spec, $squaringShare);
        $slopes = array_map(static fn (int $i): array => self::slopes($a, $i), array_keys($a->state));
        $out = [];
        foreach (self::MEASURES as $m => $field) {
            [$meanA, $meanB] = [$a->set->summary(Measure::from($field)), $b->set->summary(Measure::from($field))];
            if ($meanA === null || $meanB === null) {
                continue;
            }
            $lines = [];
            foreach ($names as $k => $name) {
                $lines[] = self::line($name, $groups[$name] ?? [], $parts[$k][$m], array_column($slopes, $m), $a, $b, $expected);
            }
            $sum = array_sum(array_column($lines, 'happened'));
            // What a ball of which nothing is known did is in what is left over.
            [$scatter, $own] = self::LEFT_OVER[$field];
            $error = $scatter * sqrt(1 / max(1, $meanA->n) + 1 / max(1, $meanB->n));
            $rest = $meanB->mean - $meanA->mean - $sum;
            $lines[] = [
                'cause' => $a->spec->ball !== $b->spec->ball ? 'ball and unexplained' : 'unexplained', 'happened' => $rest,
                'repeats' => ($rest * $own ** 2) / ($own ** 2 + $error ** 2), 'error' => $error, 'noise' => abs($rest) < $error,
            ];
            $out[$field] = new self(Measure::from($field), $meanB->mean - $meanA->mean, $lines, $club);
        }

        return $out;
    }

    /**
     * What one cause moved, and what of it would repeat: what was seen of its fields, drawn to what is expected of the club by how
     * sure either is.
     *
     * @param  list<int>  $fields  of the swing; none of what is only computed
     * @param  array<int, float>  $slopes  of this figure, by field
     * @return array{cause: string, happened: float, repeats: float, error: float, noise: bool}
     */
    private static function line(
        string $name, array $fields, float $happened, array $slopes, Evidence $a, Evidence $b, CarryThrough $expected,
    ): array {
        $repeats = $happened;
        $error = 0.0;
        foreach ($fields as $i) {
            $s = hypot($a->error[$i], $b->error[$i]);
            $seen = $b->state[$i] - $a->state[$i];
            [$prior, $tau] = match ($i) {
                Swing::LOFT => [$expected->loftDeg, $expected->loftSdDeg],
                Swing::FACE => [$expected->faceRightDeg, $expected->faceSdDeg],
                default => [0.0, PlayerPriors::SETUP_SHIFT_SD[$i] * M_SQRT2],
            };
            $repeats += $slopes[$i] * ($prior + ($seen - $prior) * $tau ** 2 / ($tau ** 2 + $s ** 2) - $seen);
            $error = hypot($error, $slopes[$i] * $s);
        }

        return [
            'cause' => $name, 'happened' => $happened, 'repeats' => $repeats, 'error' => $error,
            'noise' => $error > 0 && abs($happened) < $error,
        ];
    }

    /**
     * Change of each figure per unit of a state field, at the benchmark.
     *
     * @return list<float>
     */
    private static function slopes(Evidence $e, int $field): array
    {
        $h = Swing::STEP[$field];
        $side = static function (float $by) use ($e, $field): ?array {
            $state = $e->state;
            $state[$field] += $by;

            return Evidence::figures($e->launch($state), $e->flight);
        };
        [$up, $down] = [$side($h), $side(-$h)];

        return array_map(
            static fn (string $m): float => $up === null || $down === null ? 0.0 : ($up[$m] - $down[$m]) / (2 * $h), self::MEASURES,
        );
    }
}
