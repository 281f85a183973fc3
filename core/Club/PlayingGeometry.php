<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

/**
 * What the head presents after the sleeve: playing loft, face and lie, by exact rotations.
 *
 * Head frame: x to the target, y from toe to heel, z up. With a straight shaft at lie L the shaft points along s₀ = (0, cos L,
 * sin L), e = (0, −sin L, cos L) is upright to it; a tilt τ at clock φ gives s = s₀ cos τ + sin τ (sin φ x + cos φ e). Two rings
 * are two such rotations, one after the other. Soled: the head rests on its sole and yaws by the change of the shaft's azimuth;
 * loft stays. Squared: the head then turns about the shaft until the face looks at the target. `squares` mixes the two: 1 squares
 * fully, 0 lets it sit. Elementary rigid-body geometry; checked against the values of docs/physics.md.
 */
final readonly class PlayingGeometry
{
    private function __construct(
        public float $loftDeg,
        public float $faceOpenDeg,
        public float $lieDeg,
        /** 1 = the player squares the face fully, 0 = the head is left on its sole. */
        public float $squaringShare,
    ) {
    }

    /** From nominal changes of a sleeve position; the tilt that makes them is found first. */
    public static function of(HeadReading $head, SleeveChange $change, float $squaringShare): self
    {
        return self::present($head, SleeveCard::solve($head, $change, AddressHabit::Squared)->tilts(), $squaringShare);
    }

    /**
     * @param  HeadReading  $head  as read at `readAt`
     * @param  list<SleeveTilt>  $tilts  one for a single sleeve, two for two rings, none for a straight shaft
     * @param  float  $squaringShare  0 … 1
     * @param  list<SleeveTilt>  $readAt  the position in which the gauge reading was taken
     * @param  AddressHabit  $readAs  how the head was held on the gauge
     *
     * @throws InvalidInput when the geometry cannot be (a face that cannot be squared)
     */
    public static function present(
        HeadReading $head, array $tilts, float $squaringShare, array $readAt = [], AddressHabit $readAs = AddressHabit::Soled,
    ): self {
        InvalidInput::requireWithin('squares', $squaringShare, 0, 1);
        $straight = $readAt === [] && $readAs === AddressHabit::Soled ? $head : self::straighten($head, $readAt, $readAs);
        [$soledFace, $lie] = self::soled($straight, $tilts);
        if ($squaringShare === 0.0) {
            return new self($straight->loftDeg, $soledFace, $lie, 0.0);
        }
        $squaredLoft = self::squaredLoft($straight->loftDeg, $soledFace, $lie);

        return new self(
            $squaringShare * $squaredLoft + (1 - $squaringShare) * $straight->loftDeg, 0.0 + (1 - $squaringShare) * $soledFace,
            $lie, $squaringShare,
        );
    }

    /**
     * Face (open +) and lie of the head on its sole.
     *
     * @param  list<SleeveTilt>  $tilts
     * @return array{float, float}
     */
    private static function soled(HeadReading $straight, array $tilts): array
    {
        [$x, $y, $z] = self::shaft($straight->lieDeg, $tilts);

        return [$straight->faceOpenDeg - rad2deg(atan2($x, $y)), rad2deg(asin(max(-1.0, min(1.0, $z))))];
    }

    /**
     * Direction of the shaft in the head's frame.
     *
     * @param  list<SleeveTilt>  $tilts
     * @return array{float, float, float}
     */
    private static function shaft(float $lieDeg, array $tilts): array
    {
        $lie = deg2rad($lieDeg);
        $s = [0.0, cos($lie), sin($lie)];
        foreach (array_reverse($tilts) as $tilt) {
            // The turn that takes s₀ to s₀ cos τ + sin τ (sin φ x + cos φ e) is about s₀ × (sin φ x + cos φ e).
            $sin = sin(deg2rad($tilt->clockDeg));
            $cos = cos(deg2rad($tilt->clockDeg));
            $s = Matrix3::apply(Matrix3::rotation([$cos, $sin * sin($lie), -$sin * cos($lie)], deg2rad($tilt->tiltDeg)), $s);
        }

        return $s;
    }

    /** Loft once the head has been turned about the shaft until the face looks at the target. */
    private static function squaredLoft(float $loftDeg, float $faceOpenDeg, float $lieDeg): float
    {
        [$loft, $face, $lie] = [deg2rad($loftDeg), deg2rad($faceOpenDeg), deg2rad($lieDeg)];
        $n = [cos($loft) * cos($face), -cos($loft) * sin($face), sin($loft)];
        $s = [0.0, cos($lie), sin($lie)];
        $along = $s[1] * $n[1] + $s[2] * $n[2];
        $cross = [$s[1] * $n[2] - $s[2] * $n[1], $s[2] * $n[0], -$s[1] * $n[0]];
        // y of the turned normal: A + B cos α + C sin α = 0.
        $a = $s[1] * $along;
        $b = $n[1] - $a;
        $c = $cross[1];
        $size = sqrt($b * $b + $c * $c);
        if ($size < abs($a)) {
            throw InvalidInput::of('faceOpenDeg', 'This face cannot be turned square about the shaft.');
        }
        $middle = atan2($c, $b);
        $open = acos(-$a / $size);
        $turn = array_reduce([$middle + $open, $middle - $open], static function (?float $best, float $angle): float {
            $angle = atan2(sin($angle), cos($angle));

            return $best === null || abs($angle) < abs($best) ? $angle : $best;
        });
        $z = $s[2] * $along + ($n[2] - $s[2] * $along) * cos($turn) + $cross[2] * sin($turn);

        return rad2deg(asin($z));
    }

    /**
     * The head with a straight shaft and on its sole, from a reading taken at some sleeve position.
     *
     * @param  list<SleeveTilt>  $readAt
     */
    public static function straighten(HeadReading $head, array $readAt, AddressHabit $readAs): HeadReading
    {
        // Lie: the straight one whose tilted shaft shows the lie that was read. The function is all but linear.
        $lie = $head->lieDeg;
        for ($i = 0; $i < 20; $i++) {
            $shown = rad2deg(asin(self::shaft($lie, $readAt)[2]));
            $lie += $head->lieDeg - $shown;
        }
        [$x, $y] = self::shaft($lie, $readAt);
        $face = $head->faceOpenDeg + rad2deg(atan2($x, $y));
        $loft = $head->loftDeg;
        if ($readAs === AddressHabit::Squared) {
            for ($i = 0; $i < 20; $i++) {
                $loft += $head->loftDeg - self::squaredLoft($loft, $head->faceOpenDeg, $head->lieDeg);
            }
        }

        return new HeadReading($loft, $lie, $face);
    }
}
