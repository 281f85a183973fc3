<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use function abs;
use function atan2;
use function cos;
use function deg2rad;
use function log;
use function max;
use function min;
use function rad2deg;
use function sin;
use function sqrt;

/**
 * Bounce and roll on level or evenly sloping turf, after Penner 2002 ("The run of a golf ball", from memory) with the modifications and
 * constants of docs/physics.md. The weakest part of the chain: totals are rough and are to be labelled so.
 */
final readonly class Landing
{
    private const STOP_BOUNCING_MPS = 0.5;

    private const MAX_BOUNCES = 40;

    /** @param  float  $slopeDeg of the ground along the target line, + uphill */
    public function __construct(public Turf $turf = Turf::Medium, public float $slopeDeg = 0.0)
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
        // In the frame of the slope; back to level at the end.
        $slope = deg2rad($this->slopeDeg);
        [$cos, $sin] = [cos($slope), sin($slope)];
        $vx = $cos * $velocity[0] + $sin * $velocity[2];
        $vy = $velocity[1];
        $vz = $cos * $velocity[2] - $sin * $velocity[0];
        $wx = $cos * $spin[0] + $sin * $spin[2];
        $wy = $spin[1];
        $wz = $cos * $spin[2] - $sin * $spin[0];
        $down = Aerodynamics::GRAVITY_MPS2 * $cos;
        $along = Aerodynamics::GRAVITY_MPS2 * $sin;
        $r = Aerodynamics::BALL_RADIUS_M;
        $keep = 1 - $this->turf->bounceLoss();
        $spring = $this->turf->restitutionFactor();
        $friction = $this->turf->friction();
        // 15.4° at 18.6 m/s and 44.4° of descent.
        $dent = deg2rad($this->turf->tiltFactor() * 15.4 / 18.6 / 44.4);
        $mostDent = deg2rad(35.0);
        $x = 0.0;
        $y = 0.0;
        $lastX = 0.0;
        $lastY = 0.0;
        $lastVx = 0.0;
        $lastVy = 0.0;
        $lastWx = 0.0;
        $lastWy = 0.0;
        $share = 1.0;
        $rebound = 0.0;

        for ($bounce = 0; $bounce < self::MAX_BOUNCES; $bounce++) {
            $level = sqrt($vx * $vx + $vy * $vy);
            $hx = $level > 0 ? $vx / $level : 1.0;
            $hy = $level > 0 ? $vy / $level : 0.0;
            // The dent tilts the ground back against the ball.
            $tilt = min($mostDent, $dent * sqrt($level * $level + $vz * $vz) * rad2deg(atan2(-$vz, $level)));
            $nx = -sin($tilt) * $hx;
            $ny = -sin($tilt) * $hy;
            $nz = cos($tilt);
            $vn = $vx * $nx + $vy * $ny + $vz * $nz;
            $in = abs($vn);
            $e = $spring * ($in > 20 ? 0.120 : 0.510 - 0.0375 * $in + 0.000903 * $in * $in);
            $e = $e > 0.6 ? 0.6 : $e;

            // Velocity of the contact point, v + ω × (−r n), and its part along the ground.
            $cx = $vx - $r * ($wy * $nz - $wz * $ny);
            $cy = $vy - $r * ($wz * $nx - $wx * $nz);
            $cz = $vz - $r * ($wx * $ny - $wy * $nx);
            $cn = $cx * $nx + $cy * $ny + $cz * $nz;
            $tx = $cx - $cn * $nx;
            $ty = $cy - $cn * $ny;
            $tz = $cz - $cn * $nz;
            $slip = sqrt($tx * $tx + $ty * $ty + $tz * $tz) + 1e-300;
            $jn = -(1 + $e) * $vn;
            $j = min(2 / 7 * $slip, $friction * $jn) / $slip;
            $k = $j / (0.4 * $r);
            // ω += (−r n) × (−j t) / (0.4 r²)
            $wx = $keep * ($wx + $k * ($ny * $tz - $nz * $ty));
            $wy = $keep * ($wy + $k * ($nz * $tx - $nx * $tz));
            $wz = $keep * ($wz + $k * ($nx * $ty - $ny * $tx));
            $vx = $keep * ($vx + $jn * $nx - $j * $tx);
            $vy = $keep * ($vy + $jn * $ny - $j * $ty);
            $vz = $vz + $jn * $nz - $j * $tz;
            if ($vz <= self::STOP_BOUNCING_MPS) {
                // Blend the last two states, so that the total does not jump where one more hop appears.
                if ($bounce > 0 && $vz > 0) {
                    $share = log($rebound / self::STOP_BOUNCING_MPS) / log($rebound / $vz);
                }
                break;
            }
            $rebound = $vz;
            $lastX = $x;
            $lastY = $y;
            $lastVx = $vx;
            $lastVy = $vy;
            $lastWx = $wx;
            $lastWy = $wy;
            $airS = 2 * $vz / $down;
            $x += $vx * $airS - 0.5 * $along * $airS * $airS;
            $y += $vy * $airS;
            $vx -= $along * $airS;
            $vz = -$vz;
        }

        [$rollX, $rollY] = $this->roll($vx, $vy, $wx, $wy);
        $x += $rollX;
        $y += $rollY;
        if ($share < 1) {
            [$rollX, $rollY] = $this->roll($lastVx, $lastVy, $lastWx, $lastWy);
            $x = $lastX + $rollX + $share * ($x - $lastX - $rollX);
            $y = $lastY + $rollY + $share * ($y - $lastY - $rollY);
        }

        return [$cos * $x, $y];
    }

    /** @return array{float, float} roll after the last bounce, once slip has settled */
    private function roll(float $vx, float $vy, float $wx, float $wy): array
    {
        $r = Aerodynamics::BALL_RADIUS_M;
        $vx -= 2 / 7 * ($vx - $r * $wy);
        $vy -= 2 / 7 * ($vy + $r * $wx);
        $speed = sqrt($vx * $vx + $vy * $vy);
        if ($speed <= 0) {
            return [0.0, 0.0];
        }
        // Uphill holds the ball, downhill lets it go; a slope steeper than the turf's hold would never stop it, so a little hold remains.
        $hold = max(0.05, $this->turf->rollingResistance() * cos(deg2rad($this->slopeDeg)) + sin(deg2rad($this->slopeDeg)) * $vx / $speed);
        $perSpeed = $speed / (2 * (5 / 7) * $hold * Aerodynamics::GRAVITY_MPS2);

        return [$vx * $perSpeed, $vy * $perSpeed];
    }
}
