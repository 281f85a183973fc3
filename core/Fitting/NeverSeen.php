<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use function array_filter;
use function array_map;
use function array_sum;
use function count;
use function max;
use function min;

/**
 * What the brief says must never be seen, as a chance per drive for one setup, from the same draws as its share in
 * the corridor: a miss on one side (beyond that edge), a two-way miss (the smaller of the two sides), a low runner
 * or a balloon (`FlightLimits`). What it is more than with the benchmark is priced in strokes a drive, and in the
 * metres of length that are worth as many. A setup that likely makes it likelier is not advised; the fitter may
 * choose it all the same, with a reason.
 */
final readonly class NeverSeen
{
    /** With this chance a setup counts as making it likelier. */
    private const LIKELY = 0.8;

    /** A share more than this counts as more: less is no difference anybody could see. */
    private const WORTH = 0.02;

    /**
     * A setup is barred from so much more on: two drives in three rounds. It is held against the benchmark, or
     * against the benchmark's own spread on the target line where that brings more: whose balls all end far right
     * has no left miss, and a setup that mends that is no left one.
     */
    private const BARRED_FROM = 0.05;

    private const CENTRED = ' if centred';

    /** @param  string  $kind  of `Brief::LISTS['never']` */
    private function __construct(
        public string $kind, public float $chance, public float $ofBenchmark, public float $likelier, public bool $isBarred,
        public float $strokes, public float $metres,
    ) {
    }

    /**
     * Chance per draw of each thing that the brief wants never to see.
     *
     * @param  float  $left  share left of the corridor
     * @param  array{float, float}  $apex  mean and spread, m
     * @param  array{float, float}  $descent  mean and spread, °
     * @param  array{float, float}|null  $centred  shares left and right of the corridor if the same cloud lay on the target line
     * @return array<string, float> by kind
     */
    public static function chances(
        Brief $brief, ?FlightLimits $limits, float $left, float $right, array $apex, array $descent, ?array $centred = null,
    ): array {
        $out = [];
        foreach ($brief->never as $kind) {
            if ($centred !== null) {
                $out[$kind.self::CENTRED] = match ($kind) {
                    'left' => $centred[0], 'right' => $centred[1], 'two-way miss' => min($centred), default => 0.0,
                };
            }
            $out[$kind] = match ($kind) {
                'left' => $left,
                'right' => $right,
                'two-way miss' => min($left, $right),
                // Low and flat are the same drives, high and steep too: the larger of the two chances.
                'low runner' => $limits === null ? 0.0 : max(
                    self::below($limits->lowApexM, $apex), self::below($limits->lowDescentDeg, $descent),
                ),
                default => $limits === null ? 0.0 : max(
                    1 - self::below($limits->highApexM, $apex), 1 - self::below($limits->highDescentDeg, $descent),
                ),
            };
        }

        return $out;
    }

    /** @param  array{float, float}  $of */
    private static function below(float $limit, array $of): float
    {
        return \MintCarry\Core\Statistics\Normal::cdf(($limit - $of[0]) / max(0.1, $of[1]));
    }

    /** @param  array<int, float>  $values */
    private static function shareAbove(array $values, float $limit): float
    {
        return count(array_filter($values, static fn (float $v): bool => $v > $limit)) / max(1, count($values));
    }

    /**
     * @param  array<string, array<int, float>>  $setup  chances by kind and draw
     * @param  array<string, array<int, float>>  $benchmark  in the same draws
     * @param  array{tenMetres: float, rough: float, left: float, right: float}  $price  of `Outlook::price`
     * @return list<self> in the order of the brief
     */
    public static function of(array $setup, array $benchmark, Brief $brief, array $price, ?FlightLimits $limits): array
    {
        $perMetre = $price['tenMetres'] / 10;
        $out = [];
        foreach ($brief->never as $kind) {
            $n = min(count($setup[$kind]), count($benchmark[$kind]));
            $more = array_map(
                static fn (float $a, float $b): float => $a - $b, array_slice($setup[$kind], 0, $n), array_slice($benchmark[$kind], 0, $n),
            );
            $likelier = self::shareAbove($more, self::WORTH);
            $centred = $benchmark[$kind.self::CENTRED] ?? $benchmark[$kind];
            $clear = array_map(
                static fn (float $a, float $b, float $c): float => $a - max($b, $c), array_slice($setup[$kind], 0, $n),
                array_slice($benchmark[$kind], 0, $n), array_slice($centred, 0, $n),
            );
            $each = match ($kind) {
                'left' => $price['left'], 'right' => $price['right'], 'two-way miss' => ($price['left'] + $price['right']) / 2,
                'low runner' => $perMetre * ($limits->lowLossM ?? 0.0), default => $perMetre * ($limits->balloonLossM ?? 0.0),
            };
            $strokes = $each * array_sum($more) / max(1, $n);
            $out[] = new self(
                $kind, array_sum($setup[$kind]) / max(1, count($setup[$kind])),
                array_sum($benchmark[$kind]) / max(1, count($benchmark[$kind])), $likelier, self::shareAbove($clear, self::BARRED_FROM) >= self::LIKELY, $strokes,
                $perMetre > 0 ? $strokes / $perMetre : 0.0,
            );
        }

        return $out;
    }
}
