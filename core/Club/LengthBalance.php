<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

use function abs;
use function array_filter;
use function array_values;
use function count;
use function max;
use function min;
use function round;
use function usort;

/**
 * A club brought to another length with its balance held: which grams go to the head and which under the butt, and how much of the shaft
 * is cut at which end. There is seldom one answer: swing weight alone takes one weight, swing weight and total mass together take two,
 * and where the shaft is cut shifts both. Moments about the 14 in point, as in `SwingWeight`; the shaft as in `Shaft`. Statics of a
 * rigid rod.
 */
final readonly class LengthBalance
{
    /** A weight that is pushed into the butt balances so far from its end, mm (assumption: a plug of a few centimetres). */
    public const BUTT_WEIGHT_MM = 20.0;

    /** A tip is not cut by more: the parallel section of a driver's shaft ends (common practice, no source), mm. */
    public const MOST_TIP_MM = 50.0;

    /** Heads are not made lighter by more than their weights and their glue allow (assumption), g; nor heavier by more than fits. */
    public const HEAD_GRAMS = [-15.0, 30.0];

    public const MOST_BUTT_G = 60.0;

    private const TIP_STEP_MM = 12.7;

    /**
     * @param  float  $headG  grams to add at the head; − takes away
     * @param  float  $buttG  grams to add under the butt
     * @param  float  $tipCutMm  cut from the tip of the shaft as it is now
     * @param  float  $buttCutMm  cut from its butt; − asks for an extension
     * @param  list<string>  $why  what speaks against it; empty where it can be built
     */
    private function __construct(
        public string $kind, public float $headG, public float $buttG, public float $tipCutMm, public float $buttCutMm,
        public float $swingWeightPoints, public float $totalG, public float $shaftG, public float $gripG, public array $why,
    ) {
    }

    /**
     * @param  float  $headMassG  as it is
     * @param  Shaft  $shaft  as it is in the club
     * @param  float  $lengthMm  playing length as it is
     * @param  float  $toLengthMm  playing length wanted
     * @param  float|null  $pointsWanted  swing weight, points above A0; null: as it is
     * @param  float|null  $totalWantedG  null: as it is
     * @return array{was: array{swingWeightPoints: float, totalG: float}, free: array{swingWeightPoints: float, totalG: float},
     *   solutions: list<self>}
     *   free: cut at the butt and nothing else done; solutions that can be built come first, the one that adds least before the others
     *
     * @throws InvalidInput where a length, a mass or a cut cannot be
     */
    public static function solve(
        float $headMassG, Shaft $shaft, float $gripMassG, float $lengthMm, float $toLengthMm, ?float $pointsWanted = null,
        ?float $totalWantedG = null, float $buttNowG = 0.0,
    ): array {
        InvalidInput::requireWithin('toLengthMm', $toLengthMm, 1000, 1219.2, 'mm');
        InvalidInput::requireWithin('lengthMm', $lengthMm, 1000, 1300, 'mm');
        InvalidInput::requireWithin('buttNowG', $buttNowG, 0, self::MOST_BUTT_G, 'g');
        InvalidInput::requireWithin('swingWeightPoints', $pointsWanted ?? 30.0, 0, 69.9);
        $was = self::state($headMassG, $lengthMm, $shaft, $gripMassG, $buttNowG);
        $points = $pointsWanted ?? $was['swingWeightPoints'];
        $total = $totalWantedG ?? $was['totalG'];
        InvalidInput::requireWithin('totalG', $total, 200, 500, 'g');
        $cut = $lengthMm - $toLengthMm;
        $out = [];
        $tips = [0.0];
        for ($tip = self::TIP_STEP_MM; $tip <= min($cut, self::MOST_TIP_MM) + 1e-9; $tip += self::TIP_STEP_MM) {
            $tips[] = $tip;
        }
        foreach ($tips as $tip) {
            $made = $shaft->cutAt($cut - $tip, $tip);
            $base = [$headMassG, $toLengthMm, $made, $gripMassG, $buttNowG, $tip, $cut - $tip];
            $out[] = self::headAlone($base, $points);
            $out[] = self::headAndButt($base, $points, $total);
            if ($tip === 0.0) {
                $out[] = self::headAndGrip($base, $points, $total);
                $out[] = self::buttAlone($base, $points);
            }
        }
        $between = self::tipForBoth($shaft, $cut, $headMassG, $toLengthMm, $gripMassG, $buttNowG, $points, $total);
        $out = array_values(array_filter([...$out, $between], static fn (?self $s): bool => $s !== null));
        // What cannot be built comes last; then what adds least, to half a gram; then what leaves the tip alone.
        $rank = static fn (self $s): array => [
            count($s->why) > 0, round(2 * (abs($s->headG) + abs($s->buttG) + abs($s->gripG - $gripMassG))), $s->tipCutMm, $s->kind,
        ];
        usort($out, static fn (self $a, self $b): int => $rank($a) <=> $rank($b));

        return ['was' => $was, 'free' => self::state($headMassG, $toLengthMm, $shaft->cutAt($cut, 0.0), $gripMassG, $buttNowG),
            'solutions' => $out];
    }

    /**
     * @param  float  $buttG  under the butt
     * @return array{swingWeightPoints: float, totalG: float}
     */
    public static function state(float $headG, float $lengthMm, Shaft $shaft, float $gripG, float $buttG = 0.0): array
    {
        return [
            'swingWeightPoints' => SwingWeight::with($headG, $lengthMm, $shaft, $gripG)->points()
                + SwingWeight::pointsOfMoment($buttG * (self::BUTT_WEIGHT_MM - SwingWeight::FULCRUM_MM)),
            'totalG' => $headG + $shaft->massG + $gripG + $buttG,
        ];
    }

    /**
     * Swing weight held by the head alone; the total mass becomes what it becomes.
     *
     * @param  array{float, float, Shaft, float, float, float, float}  $base
     */
    private static function headAlone(array $base, float $points): self
    {
        [$head, $length, $shaft, $grip, $butt] = $base;
        $missing = $points - self::state($head, $length, $shaft, $grip, $butt)['swingWeightPoints'];

        return self::made('head', $base, $missing / SwingWeight::pointsPerHeadG($length), 0.0, $grip);
    }

    /**
     * Swing weight held by a weight under the butt alone.
     *
     * @param  array{float, float, Shaft, float, float, float, float}  $base
     */
    private static function buttAlone(array $base, float $points): self
    {
        [$head, $length, $shaft, $grip, $butt] = $base;
        $missing = $points - self::state($head, $length, $shaft, $grip, $butt)['swingWeightPoints'];

        return self::made('butt', $base, 0.0, $missing / SwingWeight::pointsOfMoment(self::BUTT_WEIGHT_MM - SwingWeight::FULCRUM_MM),
            $grip);
    }

    /**
     * Both held: two masses on either side of the 14 in point, two equations.
     *
     * @param  array{float, float, Shaft, float, float, float, float}  $base
     */
    private static function headAndButt(array $base, float $points, float $total): self
    {
        [$headG, $buttG] = self::two($base, $points, $total, SwingWeight::pointsOfMoment(self::BUTT_WEIGHT_MM - SwingWeight::FULCRUM_MM));

        return self::made('headAndButt', $base, $headG, $buttG, $base[3]);
    }

    /**
     * Both held by the head and another grip, which balances where grips do.
     *
     * @param  array{float, float, Shaft, float, float, float, float}  $base
     */
    private static function headAndGrip(array $base, float $points, float $total): self
    {
        [$headG, $gripG] = self::two($base, $points, $total,
            SwingWeight::pointsOfMoment(SwingWeight::GRIP_BALANCE_MM - SwingWeight::FULCRUM_MM));

        return self::made('headAndGrip', $base, $headG, 0.0, $base[3] + $gripG);
    }

    /**
     * Grams at the head and at another place that hold swing weight and total mass.
     *
     * @param  array{float, float, Shaft, float, float, float, float}  $base
     * @param  float  $perG  points for a gram at the other place
     * @return array{float, float}
     */
    private static function two(array $base, float $points, float $total, float $perG): array
    {
        [$head, $length, $shaft, $grip, $butt] = $base;
        $now = self::state($head, $length, $shaft, $grip, $butt);
        [$missing, $more] = [$points - $now['swingWeightPoints'], $total - $now['totalG']];
        $perHeadG = SwingWeight::pointsPerHeadG($length);
        $headG = ($missing - $perG * $more) / ($perHeadG - $perG);

        return [$headG, $more - $headG];
    }

    /** The cut of the tip at which the head alone holds both; null where no cut of it does. */
    private static function tipForBoth(
        Shaft $shaft, float $cut, float $headG, float $lengthMm, float $gripG, float $buttG, float $points, float $total,
    ): ?self {
        $most = min($cut, self::MOST_TIP_MM);
        $buttAt = static fn (float $tip): float => self::two(
            [$headG, $lengthMm, $shaft->cutAt($cut - $tip, $tip), $gripG, $buttG, $tip, $cut - $tip], $points, $total,
            SwingWeight::pointsOfMoment(self::BUTT_WEIGHT_MM - SwingWeight::FULCRUM_MM),
        )[1];
        if ($most <= 0 || $buttAt(0.0) * $buttAt($most) > 0) {
            return null;
        }
        [$low, $high] = [0.0, $most];
        for ($i = 0; $i < 50; $i++) {
            $middle = ($low + $high) / 2;
            if ($buttAt($low) * $buttAt($middle) <= 0) {
                $high = $middle;
            } else {
                $low = $middle;
            }
        }
        $base = [$headG, $lengthMm, $shaft->cutAt($cut - $low, $low), $gripG, $buttG, $low, $cut - $low];

        return self::made('tip', $base, self::two($base, $points, $total,
            SwingWeight::pointsOfMoment(self::BUTT_WEIGHT_MM - SwingWeight::FULCRUM_MM))[0], 0.0, $gripG);
    }

    /** @param  array{float, float, Shaft, float, float, float, float}  $base */
    private static function made(string $kind, array $base, float $headG, float $buttG, float $gripG): self
    {
        [$head, $length, $shaft, , $butt, $tip, $buttCut] = $base;
        $why = [];
        if ($headG < self::HEAD_GRAMS[0] || $headG > self::HEAD_GRAMS[1]) {
            $why[] = $headG < 0 ? 'headTooHeavy' : 'headTooLight';
        }
        if ($buttG + $butt < -1e-9) {
            $why[] = 'nothingToTakeFromButt';
        }
        if ($buttG + $butt > self::MOST_BUTT_G) {
            $why[] = 'tooMuchInButt';
        }
        if ($gripG < 20.0 || $gripG > 90.0) {
            $why[] = 'noSuchGrip';
        }
        if ($buttCut < -1e-9) {
            $why[] = 'extension';
        }
        $then = self::state(max(120.0, min(279.0, $head + $headG)), $length, $shaft, max(10.0, min(150.0, $gripG)), $buttG + $butt);

        return new self($kind, $headG, $buttG, $tip, $buttCut, $then['swingWeightPoints'], $then['totalG'], $shaft->massG, $gripG, $why);
    }
}
