<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/**
 * The tilt and clock that make a position's printed changes, by least squares, and how far the best of them stays off the print.
 *
 * Printed for a squared face: loft and lie as presented squared, face as it sits. Printed soled: a sleeve cannot change the loft
 * of a head on its sole, so a printed loft stays as a residual. A value that was not printed is free; then the smallest tilt is
 * taken.
 */
final readonly class SleeveCard
{
    private const SMALL = 1e-4;

    private function __construct(public float $tiltDeg, public float $clockDeg, public float $residualDeg)
    {
    }

    public static function solve(HeadReading $head, SleeveChange $card, AddressHabit $printedFor): self
    {
        $a = 0.0; // τ sin φ
        $b = 0.0; // τ cos φ
        for ($i = 0; $i < 12; $i++) {
            $miss = self::misses($head, $card, $printedFor, $a, $b);
            $h = 1e-4;
            $missA = self::misses($head, $card, $printedFor, $a + $h, $b);
            $missB = self::misses($head, $card, $printedFor, $a, $b + $h);
            // The little ridge picks the smallest tilt where the print leaves a direction open.
            [$aa, $ab, $bb, $ra, $rb] = [self::SMALL ** 2, 0.0, self::SMALL ** 2, -self::SMALL ** 2 * $a, -self::SMALL ** 2 * $b];
            foreach ($miss as $k => $m) {
                $da = ($missA[$k] - $m) / $h;
                $db = ($missB[$k] - $m) / $h;
                $aa += $da * $da;
                $ab += $da * $db;
                $bb += $db * $db;
                $ra -= $da * $m;
                $rb -= $db * $m;
            }
            $det = $aa * $bb - $ab * $ab;
            $stepA = ($bb * $ra - $ab * $rb) / $det;
            $stepB = ($aa * $rb - $ab * $ra) / $det;
            $a = max(-5.5, min(5.5, $a + $stepA));
            $b = max(-5.5, min(5.5, $b + $stepB));
            if (abs($stepA) + abs($stepB) < 1e-11) {
                break;
            }
        }
        $left = self::misses($head, $card, $printedFor, $a, $b);

        return new self(
            min(6.0, hypot($a, $b)), fmod(rad2deg(atan2($a, $b)) + 360, 360), $left === [] ? 0.0 : max(array_map(abs(...), $left)),
        );
    }

    /** @return list<SleeveTilt> */
    public function tilts(): array
    {
        return $this->tiltDeg < 1e-9 ? [] : [new SleeveTilt($this->tiltDeg, $this->clockDeg)];
    }

    /** Do the printed numbers agree with geometry, to what print rounds to? */
    public function isPossible(float $withinDeg = 0.3): bool
    {
        return $this->residualDeg <= $withinDeg;
    }

    /** @return list<float> model minus print, degrees, of the values that were printed */
    private static function misses(HeadReading $head, SleeveChange $card, AddressHabit $printedFor, float $a, float $b): array
    {
        $tilt = [new SleeveTilt(min(6.0, hypot($a, $b)), rad2deg(atan2($a, $b)))];
        $soled = PlayingGeometry::present($head, $tilt, 0.0);
        $out = [];
        if ($card->loftDeg !== null) {
            $out[] = $printedFor === AddressHabit::Soled
                ? -$card->loftDeg
                : PlayingGeometry::present($head, $tilt, 1.0)->loftDeg - PlayingGeometry::present($head, [], 1.0)->loftDeg - $card->loftDeg;
        }
        if ($card->faceOpenDeg !== null) {
            $out[] = $soled->faceOpenDeg - $head->faceOpenDeg - $card->faceOpenDeg;
        }
        if ($card->lieDeg !== null) {
            $out[] = $soled->lieDeg - $head->lieDeg - $card->lieDeg;
        }

        return $out;
    }
}
