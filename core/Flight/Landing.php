<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

/**
 * Bounce and roll on level turf, after Penner 2002 ("The run of a golf ball", from memory) with the modifications and
 * constants of docs/physics.md. The weakest part of the chain: totals are rough and are to be labelled so.
 */
final readonly class Landing
{
    private const STOP_BOUNCING_MPS = 0.5;

    private const MAX_BOUNCES = 40;

    public function __construct(public Turf $turf = Turf::Medium)
    {
    }

    /**
     * Where the ball stops, as an offset from the landing point.
     *
     * @param  array{float, float, float}  $velocity  m/s at touchdown: along, left, up (up negative)
     * @param  array{float, float, float}  $spin  rad/s, same axes
     * @return array{float, float} metres along and to the left
     */
    public function run(array $velocity, array $spin): array
    {
        [$vx, $vy, $vz] = $velocity;
        [$wx, $wy, $wz] = $spin;
        $keep = 1 - $this->turf->bounceLoss();
        $x = 0.0;
        $y = 0.0;
        $stopX = 0.0;
        $stopY = 0.0;
        $rebound = 0.0;

        for ($bounce = 0; $bounce < self::MAX_BOUNCES; $bounce++) {
            $lastX = $stopX;
            $lastY = $stopY;
            $lastRebound = $rebound;
            [$vx, $vy, $vz, $wx, $wy, $wz] = $this->bounce($vx, $vy, $vz, $wx, $wy, $wz);
            $vx *= $keep;
            $vy *= $keep;
            $wx *= $keep;
            $wy *= $keep;
            $wz *= $keep;
            [$rollX, $rollY] = $this->roll($vx, $vy, $wx, $wy);
            $stopX = $x + $rollX;
            $stopY = $y + $rollY;
            $rebound = $vz;
            if ($vz <= self::STOP_BOUNCING_MPS) {
                // Blend the last two states, so that the total does not jump where one more hop appears.
                if ($bounce > 0 && $vz > 0) {
                    $share = log($lastRebound / self::STOP_BOUNCING_MPS) / log($lastRebound / $vz);
                    $stopX = $lastX + $share * ($stopX - $lastX);
                    $stopY = $lastY + $share * ($stopY - $lastY);
                }
                break;
            }
            $airS = 2 * $vz / Aerodynamics::GRAVITY_MPS2;
            $x += $vx * $airS;
            $y += $vy * $airS;
            $vz = -$vz;
        }

        return [$stopX, $stopY];
    }

    /** @return array{float, float, float, float, float, float} velocity and spin after one bounce */
    private function bounce(float $vx, float $vy, float $vz, float $wx, float $wy, float $wz): array
    {
        $r = Aerodynamics::BALL_RADIUS_M;
        $speed = sqrt($vx * $vx + $vy * $vy + $vz * $vz);
        $horizontal = sqrt($vx * $vx + $vy * $vy);
        $descentDeg = rad2deg(atan2(-$vz, $horizontal));
        $tilt = deg2rad(min(35.0, $this->turf->tiltFactor() * 15.4 * ($speed / 18.6) * ($descentDeg / 44.4)));
        $hx = $horizontal > 0 ? $vx / $horizontal : 1.0;
        $hy = $horizontal > 0 ? $vy / $horizontal : 0.0;
        // The dent tilts the ground back against the ball.
        $nx = -sin($tilt) * $hx;
        $ny = -sin($tilt) * $hy;
        $nz = cos($tilt);
        $vn = $vx * $nx + $vy * $ny + $vz * $nz;
        $in = abs($vn);
        $e = $in > 20 ? 0.120 : 0.510 - 0.0375 * $in + 0.000903 * $in * $in;
        $e = min(0.6, $this->turf->restitutionFactor() * $e);

        // Velocity of the contact point, v + ω × (−r n), and its part along the ground.
        $cx = $vx - $r * ($wy * $nz - $wz * $ny);
        $cy = $vy - $r * ($wz * $nx - $wx * $nz);
        $cz = $vz - $r * ($wx * $ny - $wy * $nx);
        $cn = $cx * $nx + $cy * $ny + $cz * $nz;
        $ux = $cx - $cn * $nx;
        $uy = $cy - $cn * $ny;
        $uz = $cz - $cn * $nz;
        $u = sqrt($ux * $ux + $uy * $uy + $uz * $uz);
        $jn = -(1 + $e) * $vn;
        $j = $u > 0 ? min(2 / 7 * $u, $this->turf->friction() * $jn) : 0.0;
        $tx = $u > 0 ? $ux / $u : 0.0;
        $ty = $u > 0 ? $uy / $u : 0.0;
        $tz = $u > 0 ? $uz / $u : 0.0;
        $k = $j / (0.4 * $r);

        // ω += (−r n) × (−j t) / (0.4 r²)
        return [
            $vx + $jn * $nx - $j * $tx,
            $vy + $jn * $ny - $j * $ty,
            $vz + $jn * $nz - $j * $tz,
            $wx + $k * ($ny * $tz - $nz * $ty),
            $wy + $k * ($nz * $tx - $nx * $tz),
            $wz + $k * ($nx * $ty - $ny * $tx),
        ];
    }

    /** @return array{float, float} roll after the last bounce, once slip has settled */
    private function roll(float $vx, float $vy, float $wx, float $wy): array
    {
        $r = Aerodynamics::BALL_RADIUS_M;
        $vx -= 2 / 7 * ($vx - $r * $wy);
        $vy -= 2 / 7 * ($vy + $r * $wx);
        $speed = sqrt($vx * $vx + $vy * $vy);
        $perSpeed = $speed / (2 * (5 / 7) * $this->turf->rollingResistance() * Aerodynamics::GRAVITY_MPS2);

        return [$vx * $perSpeed, $vy * $perSpeed];
    }
}
