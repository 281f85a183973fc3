<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\Matrix3;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\Launch;

use function atan2;
use function cos;
use function deg2rad;
use function max;
use function rad2deg;
use function sin;
use function sqrt;

/**
 * A free rigid head meets the ball: normal and tangential restitution at the contact, Coulomb limit on the tangential impulse.
 *
 * (K_head + K_ball) J = (1+e) u_n n + (1+e_t) u_t, with K(r, m, I) = 1/m − [r×] I⁻¹ [r×] and u the velocity of the head at the
 * contact. Rigid-body impact as in any mechanics text (e.g. Goldsmith, "Impact", from memory); the restitutions are fitted,
 * see docs/physics.md. The ball is a solid uniform sphere. Gear effect follows from the mechanics.
 *
 * Solved in the head's frame (target, heel, up; a right-hander's heel is to the left). A left-hander is mirrored once, here.
 */
final readonly class Impact
{
    private const FRICTION = 0.4;

    /** Growth of the tangential restitution with the sine of the angle between blow and face, and the sine where it is the head's. */
    private const GRIP_OF_SINE = 0.72;

    private const USUAL_SINE = 0.2436;

    /** @var array{array{float, float, float}, array{float, float, float}, array{float, float, float}} 1/(kg m²) */
    private array $inverseInertia;

    public function __construct(private Head $head, private Hand $hand = Hand::Right)
    {
        $inverse = Matrix3::inverse($head->inertiaGcm2);
        $scaled = static fn (int $i, int $j): float => 1e7 * $inverse[$i][$j];
        $this->inverseInertia = [
            [$scaled(0, 0), $scaled(0, 1), $scaled(0, 2)], [$scaled(1, 0), $scaled(1, 1), $scaled(1, 2)],
            [$scaled(2, 0), $scaled(2, 1), $scaled(2, 2)],
        ];
    }

    /**
     * The ball. A topped or popped-up one is an outcome like any other: see `Launch::flag`.
     *
     * @throws InvalidInput when the head moves away from the ball at the strike point, so that nothing is struck
     */
    public function strike(Delivery $delivery, Strike $strike = new Strike): Launch
    {
        ['impulse' => $j, 'normal' => $n, 'turn' => [$cf, $sf, $cp, $sp]] = $this->impulse($delivery, $strike);
        $m = Aerodynamics::BALL_MASS_KG;
        $spinFactor = 1 / (0.4 * $m * Aerodynamics::BALL_RADIUS_M);
        $v = [$j[0] / $m, $j[1] / $m, $j[2] / $m];
        $w = [
            -$spinFactor * ($n[1] * $j[2] - $n[2] * $j[1]),
            -$spinFactor * ($n[2] * $j[0] - $n[0] * $j[2]),
            -$spinFactor * ($n[0] * $j[1] - $n[1] * $j[0]),
        ];

        return self::report(self::toWorld($v, $cf, $sf, $cp, $sp), self::toWorld($w, $cf, $sf, $cp, $sp), $this->hand->sign());
    }

    /**
     * The impulse on the ball and where it acts, all in the head's frame (target, heel, up of a right-hander), in kg, m and s.
     * The contact is from the head's CG; turn holds cosine and sine of face and pitch.
     *
     * @return array{impulse: array{float, float, float}, normal: array{float, float, float}, contact: array{float, float, float},
     *   headVelocity: array{float, float, float}, turn: array{float, float, float, float}}
     */
    public function impulse(Delivery $delivery, Strike $strike = new Strike): array
    {
        $sign = $this->hand->sign();
        // A head point's velocity is the head's own: it does not turn before the strike.
        $face = deg2rad(-$sign * $delivery->faceDeg);
        $path = deg2rad(-$sign * $delivery->pathDeg);
        $attack = deg2rad($delivery->attackDeg);
        $pitch = deg2rad($delivery->dynamicLoftDeg - $this->head->loftDeg);

        // Head velocity: world, then the head's frame (undo the yaw of the face, then the pitch).
        $wx = $delivery->clubSpeedMps * cos($attack) * cos($path);
        $wy = $delivery->clubSpeedMps * cos($attack) * sin($path);
        $wz = $delivery->clubSpeedMps * sin($attack);
        [$cf, $sf, $cp, $sp] = [cos($face), sin($face), cos($pitch), sin($pitch)];
        $ax = $cf * $wx + $sf * $wy;
        $u = [$cp * $ax + $sp * $wz, -$sf * $wx + $cf * $wy, -$sp * $ax + $cp * $wz];

        // Normal and contact point on the curved face.
        [$toe, $high] = [$strike->toeMm * 1e-3, $strike->highMm * 1e-3];
        [$bulge, $roll] = [$this->head->bulgeRadiusMm * 1e-3, $this->head->rollRadiusMm * 1e-3];
        $design = deg2rad($this->head->loftDeg);
        $loft = $design + $high / $roll;
        $yaw = -$toe / $bulge;
        $n = [cos($loft) * cos($yaw), cos($loft) * sin($yaw), sin($loft)];
        $drop = $toe * $toe / (2 * $bulge) + $high * $high / (2 * $roll);
        $r = [
            -$high * sin($design) - $drop * cos($design) + $this->head->cgBackMm * 1e-3,
            -$toe + $this->head->cgToeMm * 1e-3,
            $high * cos($design) - $drop * sin($design) - $this->head->cgUpMm * 1e-3,
        ];

        $un = $u[0] * $n[0] + $u[1] * $n[1] + $u[2] * $n[2];
        if ($un <= 0) {
            throw InvalidInput::of('delivery', 'With this delivery the face moves away from the ball: there is no impact.');
        }
        $ut = [$u[0] - $un * $n[0], $u[1] - $un * $n[1], $u[2] - $un * $n[2]];
        $k = $this->compliance($r, $n);
        $e = 1 + $this->head->restitutionAt($strike->toeMm, $strike->highMm);
        $et = 1 + $this->grip($un, $ut);
        $j = self::solve($k, [$e * $un * $n[0] + $et * $ut[0], $e * $un * $n[1] + $et * $ut[1], $e * $un * $n[2] + $et * $ut[2]]);

        $jn = $j[0] * $n[0] + $j[1] * $n[1] + $j[2] * $n[2];
        $jt = sqrt(max(0.0, $j[0] ** 2 + $j[1] ** 2 + $j[2] ** 2 - $jn * $jn));
        if ($jt > self::FRICTION * $jn) {
            $slip = sqrt($ut[0] ** 2 + $ut[1] ** 2 + $ut[2] ** 2);
            $d = [
                $n[0] + (self::FRICTION * $ut[0]) / $slip, $n[1] + (self::FRICTION * $ut[1]) / $slip,
                $n[2] + (self::FRICTION * $ut[2]) / $slip,
            ];
            $nkd = 0.0;
            for ($i = 0; $i < 3; $i++) {
                $nkd += $n[$i] * ($k[$i][0] * $d[0] + $k[$i][1] * $d[1] + $k[$i][2] * $d[2]);
            }
            $jn = $e * $un / $nkd;
            $j = [$jn * $d[0], $jn * $d[1], $jn * $d[2]];
        }

        return ['impulse' => $j, 'normal' => $n, 'contact' => $r, 'headVelocity' => $u, 'turn' => [$cf, $sf, $cp, $sp]];
    }

    /**
     * Tangential restitution: the head's, which holds at the usual angle between blow and face; the more oblique the blow, the more
     * spin the ball takes of it.
     *
     * @param  array{float, float, float}  $ut
     */
    private function grip(float $un, array $ut): float
    {
        $across = $ut[0] ** 2 + $ut[1] ** 2 + $ut[2] ** 2;
        $sine = sqrt($across / ($un * $un + $across));

        // No more than a ball can give back, and none of it at the ends: a face that only slips or springs back whole stays so.
        $usual = $this->head->tangentialRestitution;

        return min(1.0, $usual + self::GRIP_OF_SINE * (1 - $usual * $usual) * ($sine - self::USUAL_SINE));
    }

    /**
     * K_head + K_ball at the contact, 1/kg.
     *
     * @param  array{float, float, float}  $r  contact from the head's CG, m
     * @param  array{float, float, float}  $n
     * @return array{array{float, float, float}, array{float, float, float}, array{float, float, float}}
     */
    private function compliance(array $r, array $n): array
    {
        $ball = 1 / Aerodynamics::BALL_MASS_KG;
        $base = 1e3 / $this->head->massG + 3.5 * $ball;
        [[$a, $d, $e], [, $b, $f], [, , $c]] = $this->inverseInertia;
        [$x, $y, $z] = $r;
        // −[r×] I⁻¹ [r×] written out for a symmetric I⁻¹ = (a d e; d b f; e f c).
        $xx = $b * $z * $z - 2 * $f * $y * $z + $c * $y * $y;
        $yy = $a * $z * $z - 2 * $e * $x * $z + $c * $x * $x;
        $zz = $a * $y * $y - 2 * $d * $x * $y + $b * $x * $x;
        $xy = -$d * $z * $z + $e * $y * $z + $f * $x * $z - $c * $x * $y;
        $xz = $d * $y * $z - $e * $y * $y - $b * $x * $z + $f * $x * $y;
        $yz = -$a * $y * $z + $d * $x * $z + $e * $x * $y - $f * $x * $x;
        $k = 2.5 * $ball;
        $xy -= $k * $n[0] * $n[1];
        $xz -= $k * $n[0] * $n[2];
        $yz -= $k * $n[1] * $n[2];

        return [
            [$base + $xx - $k * $n[0] * $n[0], $xy, $xz],
            [$xy, $base + $yy - $k * $n[1] * $n[1], $yz],
            [$xz, $yz, $base + $zz - $k * $n[2] * $n[2]],
        ];
    }

    /**
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $k
     * @param  array{float, float, float}  $b
     * @return array{float, float, float}
     */
    private static function solve(array $k, array $b): array
    {
        [[$a, $d, $e], [, $f, $g], [, , $h]] = $k;
        $c0 = $f * $h - $g * $g;
        $c1 = $e * $g - $d * $h;
        $c2 = $d * $g - $e * $f;
        $det = $a * $c0 + $d * $c1 + $e * $c2;

        return [
            ($c0 * $b[0] + $c1 * $b[1] + $c2 * $b[2]) / $det,
            ($c1 * $b[0] + ($a * $h - $e * $e) * $b[1] + ($d * $e - $a * $g) * $b[2]) / $det,
            ($c2 * $b[0] + ($d * $e - $a * $g) * $b[1] + ($a * $f - $d * $d) * $b[2]) / $det,
        ];
    }

    /**
     * @param  array{float, float, float}  $q
     * @return array{float, float, float}
     */
    private static function toWorld(array $q, float $cf, float $sf, float $cp, float $sp): array
    {
        $x = $cp * $q[0] - $sp * $q[2];

        return [$cf * $x - $sf * $q[1], $sf * $x + $cf * $q[1], $sp * $q[0] + $cp * $q[2]];
    }

    /**
     * @param  array{float, float, float}  $v
     * @param  array{float, float, float}  $w
     */
    private static function report(array $v, array $w, int $sign): Launch
    {
        $speed = sqrt($v[0] ** 2 + $v[1] ** 2 + $v[2] ** 2);
        $level = sqrt($v[0] ** 2 + $v[1] ** 2);
        $left = [-$v[1] / $level, $v[0] / $level];
        $up = [-$v[2] * $v[0] / ($speed * $level), -$v[2] * $v[1] / ($speed * $level), $level / $speed];
        $aboutLeft = -($w[0] * $left[0] + $w[1] * $left[1]);
        $aboutUp = -($w[0] * $up[0] + $w[1] * $up[1] + $w[2] * $up[2]);

        return new Launch(
            $speed,
            rad2deg(atan2($v[2], $level)),
            sqrt($w[0] ** 2 + $w[1] ** 2 + $w[2] ** 2) * 30 / M_PI,
            -$sign * rad2deg(atan2($v[1], $v[0])),
            $sign * rad2deg(atan2($aboutUp, $aboutLeft)),
            struck: true,
        );
    }
}
