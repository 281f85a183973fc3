<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;

use function abs;
use function atan2;
use function cos;
use function count;
use function deg2rad;
use function exp;
use function max;
use function min;
use function rad2deg;
use function sin;
use function sqrt;

/**
 * Three-dimensional ball flight with a fixed spin axis, steady wind and spin decay; then bounce and roll.
 *
 * Equations: docs/physics.md. Integrator: Dormand–Prince 5(4) with step control (Dormand & Prince 1980; coefficients
 * from Hairer, Nørsett & Wanner, "Solving Ordinary Differential Equations I", table II.5.2, from memory). Landing and apex are
 * found by Newton iteration on the length of one whole step, so both are as exact as the step itself.
 *
 * The loop is scalar on purpose: objects or arrays in it cost a factor of four. World axes inside: x to the target, y to the left,
 * z up; what leaves is + right.
 */
final readonly class BallFlight
{
    /** Step control: error per step, m and m/s. */
    public const TOLERANCE = 1e-2;

    private const FIRST_STEP_S = 0.3;

    private const MAX_STEPS = 2000;

    public function __construct(
        private Atmosphere $air = new Atmosphere,
        private Wind $wind = new Wind,
        private Aerodynamics $aerodynamics = new Aerodynamics,
        private Turf $turf = Turf::Medium,
        private float $riseM = 0.0,
        private float $tolerance = self::TOLERANCE,
        private float $slopeDeg = 0.0,
    ) {
        InvalidInput::requireWithin('slopeDeg', $slopeDeg, -15, 15, '°');
        InvalidInput::requireWithin('riseM', $riseM, -100, 60, 'm');
        InvalidInput::requireWithin('tolerance', $tolerance, 1e-13, 1e-1);
    }

    /**
     * Flies one shot.
     *
     * @param  int  $points  how many points of the path to return, evenly spaced in time (0 for none)
     *
     * @throws InvalidInput when the ball never reaches the height of the landing
     */
    public function fly(Launch $launch, int $points = 0): Flight
    {
        $g = Aerodynamics::GRAVITY_MPS2;
        $radius = Aerodynamics::BALL_RADIUS_M;
        $k = $this->air->densityKgM3 * M_PI * $radius * $radius / (2 * Aerodynamics::BALL_MASS_KG);
        $cd0 = Aerodynamics::DRAG_CONSTANT + $this->aerodynamics->dragOffset;
        $cl0 = Aerodynamics::LIFT_CONSTANT + $this->aerodynamics->liftOffset;
        $cd1 = Aerodynamics::DRAG_PER_SPIN_RATIO;
        $cl1 = Aerodynamics::LIFT_PER_SPIN_RATIO;
        $onset = -1 / Aerodynamics::LIFT_ONSET;
        $cap = Aerodynamics::LIFT_CAP;
        $decay = Aerodynamics::SPIN_DECAY / $radius;
        $windX = $this->wind->alongMps;
        $windY = -$this->wind->rightMps;
        $ground = $this->riseM;
        $tolerance = $this->tolerance;

        $elevation = deg2rad($launch->launchDeg);
        $heading = deg2rad($launch->directionDeg);
        $tilt = deg2rad($launch->spinAxisDeg);
        $ch = cos($heading);
        $sh = sin($heading);
        $ce = cos($elevation);
        $se = sin($elevation);
        // Spin axis −cos(tilt)·left − sin(tilt)·up, with left and up square to the start direction.
        $sx = -cos($tilt) * $sh + sin($tilt) * $se * $ch;
        $sy = -cos($tilt) * $ch - sin($tilt) * $se * $sh;
        $sz = -sin($tilt) * $ce;

        $x = $y = $z = $t = 0.0;
        $vx1 = $launch->ballSpeedMps * $ce * $ch;
        $vy1 = -$launch->ballSpeedMps * $ce * $sh;
        $vz1 = $launch->ballSpeedMps * $se;
        $w1 = $launch->spinRpm * M_PI / 30;
        $apex = $vz1 <= 0 ? 0.0 : null;
        $apexAt = 0.0;
        /** @var list<list<float>> $knots */
        $knots = [];
        $h = self::FIRST_STEP_S;
        $seek = 0; // 0 march, 1 closing in on the apex, 2 closing in on the landing
        $resume = 0.0;

        $ux = $vx1 - $windX;
        $uy = $vy1 - $windY;
        $u2 = $ux * $ux + $uy * $uy + $vz1 * $vz1;
        $u = sqrt($u2);
        $cx = $sy * $vz1 - $sz * $uy;
        $cy = $sz * $ux - $sx * $vz1;
        $cz = $sx * $uy - $sy * $ux;
        $c = sqrt($cx * $cx + $cy * $cy + $cz * $cz) + 1e-12;
        $ratio = $radius * $w1 * $c / $u2;
        $cl = $cl0 * (1 - exp($onset * $ratio)) + $cl1 * $ratio;
        $lift = $k * $u2 * ($cl > $cap ? $cap : $cl) / $c;
        $drag = $k * $u * ($cd0 + $cd1 * $ratio);
        $ax1 = $lift * $cx - $drag * $ux;
        $ay1 = $lift * $cy - $drag * $uy;
        $az1 = $lift * $cz - $drag * $vz1 - $g;
        $aw1 = -$decay * $w1 * $u;
        for ($step = 0; $step < self::MAX_STEPS; $step++) {
            // stage 2
            $vx2 = $vx1 + $h * (1 / 5 * $ax1);
            $vy2 = $vy1 + $h * (1 / 5 * $ay1);
            $vz2 = $vz1 + $h * (1 / 5 * $az1);
            $w2 = $w1 + $h * (1 / 5 * $aw1);
            $ux = $vx2 - $windX;
            $uy = $vy2 - $windY;
            $u2 = $ux * $ux + $uy * $uy + $vz2 * $vz2;
            $u = sqrt($u2);
            $cx = $sy * $vz2 - $sz * $uy;
            $cy = $sz * $ux - $sx * $vz2;
            $cz = $sx * $uy - $sy * $ux;
            $c = sqrt($cx * $cx + $cy * $cy + $cz * $cz) + 1e-12;
            $ratio = $radius * $w2 * $c / $u2;
            $cl = $cl0 * (1 - exp($onset * $ratio)) + $cl1 * $ratio;
            $lift = $k * $u2 * ($cl > $cap ? $cap : $cl) / $c;
            $drag = $k * $u * ($cd0 + $cd1 * $ratio);
            $ax2 = $lift * $cx - $drag * $ux;
            $ay2 = $lift * $cy - $drag * $uy;
            $az2 = $lift * $cz - $drag * $vz2 - $g;
            $aw2 = -$decay * $w2 * $u;

            // stage 3
            $vx3 = $vx1 + $h * (3 / 40 * $ax1 + 9 / 40 * $ax2);
            $vy3 = $vy1 + $h * (3 / 40 * $ay1 + 9 / 40 * $ay2);
            $vz3 = $vz1 + $h * (3 / 40 * $az1 + 9 / 40 * $az2);
            $w3 = $w1 + $h * (3 / 40 * $aw1 + 9 / 40 * $aw2);
            $ux = $vx3 - $windX;
            $uy = $vy3 - $windY;
            $u2 = $ux * $ux + $uy * $uy + $vz3 * $vz3;
            $u = sqrt($u2);
            $cx = $sy * $vz3 - $sz * $uy;
            $cy = $sz * $ux - $sx * $vz3;
            $cz = $sx * $uy - $sy * $ux;
            $c = sqrt($cx * $cx + $cy * $cy + $cz * $cz) + 1e-12;
            $ratio = $radius * $w3 * $c / $u2;
            $cl = $cl0 * (1 - exp($onset * $ratio)) + $cl1 * $ratio;
            $lift = $k * $u2 * ($cl > $cap ? $cap : $cl) / $c;
            $drag = $k * $u * ($cd0 + $cd1 * $ratio);
            $ax3 = $lift * $cx - $drag * $ux;
            $ay3 = $lift * $cy - $drag * $uy;
            $az3 = $lift * $cz - $drag * $vz3 - $g;
            $aw3 = -$decay * $w3 * $u;

            // stage 4
            $vx4 = $vx1 + $h * (44 / 45 * $ax1 - 56 / 15 * $ax2 + 32 / 9 * $ax3);
            $vy4 = $vy1 + $h * (44 / 45 * $ay1 - 56 / 15 * $ay2 + 32 / 9 * $ay3);
            $vz4 = $vz1 + $h * (44 / 45 * $az1 - 56 / 15 * $az2 + 32 / 9 * $az3);
            $w4 = $w1 + $h * (44 / 45 * $aw1 - 56 / 15 * $aw2 + 32 / 9 * $aw3);
            $ux = $vx4 - $windX;
            $uy = $vy4 - $windY;
            $u2 = $ux * $ux + $uy * $uy + $vz4 * $vz4;
            $u = sqrt($u2);
            $cx = $sy * $vz4 - $sz * $uy;
            $cy = $sz * $ux - $sx * $vz4;
            $cz = $sx * $uy - $sy * $ux;
            $c = sqrt($cx * $cx + $cy * $cy + $cz * $cz) + 1e-12;
            $ratio = $radius * $w4 * $c / $u2;
            $cl = $cl0 * (1 - exp($onset * $ratio)) + $cl1 * $ratio;
            $lift = $k * $u2 * ($cl > $cap ? $cap : $cl) / $c;
            $drag = $k * $u * ($cd0 + $cd1 * $ratio);
            $ax4 = $lift * $cx - $drag * $ux;
            $ay4 = $lift * $cy - $drag * $uy;
            $az4 = $lift * $cz - $drag * $vz4 - $g;
            $aw4 = -$decay * $w4 * $u;

            // stage 5
            $vx5 = $vx1 + $h * (19372 / 6561 * $ax1 - 25360 / 2187 * $ax2 + 64448 / 6561 * $ax3 - 212 / 729 * $ax4);
            $vy5 = $vy1 + $h * (19372 / 6561 * $ay1 - 25360 / 2187 * $ay2 + 64448 / 6561 * $ay3 - 212 / 729 * $ay4);
            $vz5 = $vz1 + $h * (19372 / 6561 * $az1 - 25360 / 2187 * $az2 + 64448 / 6561 * $az3 - 212 / 729 * $az4);
            $w5 = $w1 + $h * (19372 / 6561 * $aw1 - 25360 / 2187 * $aw2 + 64448 / 6561 * $aw3 - 212 / 729 * $aw4);
            $ux = $vx5 - $windX;
            $uy = $vy5 - $windY;
            $u2 = $ux * $ux + $uy * $uy + $vz5 * $vz5;
            $u = sqrt($u2);
            $cx = $sy * $vz5 - $sz * $uy;
            $cy = $sz * $ux - $sx * $vz5;
            $cz = $sx * $uy - $sy * $ux;
            $c = sqrt($cx * $cx + $cy * $cy + $cz * $cz) + 1e-12;
            $ratio = $radius * $w5 * $c / $u2;
            $cl = $cl0 * (1 - exp($onset * $ratio)) + $cl1 * $ratio;
            $lift = $k * $u2 * ($cl > $cap ? $cap : $cl) / $c;
            $drag = $k * $u * ($cd0 + $cd1 * $ratio);
            $ax5 = $lift * $cx - $drag * $ux;
            $ay5 = $lift * $cy - $drag * $uy;
            $az5 = $lift * $cz - $drag * $vz5 - $g;
            $aw5 = -$decay * $w5 * $u;

            // stage 6
            $vx6 = $vx1 + $h * (9017 / 3168 * $ax1 - 355 / 33 * $ax2 + 46732 / 5247 * $ax3 + 49 / 176 * $ax4 - 5103 / 18656 * $ax5);
            $vy6 = $vy1 + $h * (9017 / 3168 * $ay1 - 355 / 33 * $ay2 + 46732 / 5247 * $ay3 + 49 / 176 * $ay4 - 5103 / 18656 * $ay5);
            $vz6 = $vz1 + $h * (9017 / 3168 * $az1 - 355 / 33 * $az2 + 46732 / 5247 * $az3 + 49 / 176 * $az4 - 5103 / 18656 * $az5);
            $w6 = $w1 + $h * (9017 / 3168 * $aw1 - 355 / 33 * $aw2 + 46732 / 5247 * $aw3 + 49 / 176 * $aw4 - 5103 / 18656 * $aw5);
            $ux = $vx6 - $windX;
            $uy = $vy6 - $windY;
            $u2 = $ux * $ux + $uy * $uy + $vz6 * $vz6;
            $u = sqrt($u2);
            $cx = $sy * $vz6 - $sz * $uy;
            $cy = $sz * $ux - $sx * $vz6;
            $cz = $sx * $uy - $sy * $ux;
            $c = sqrt($cx * $cx + $cy * $cy + $cz * $cz) + 1e-12;
            $ratio = $radius * $w6 * $c / $u2;
            $cl = $cl0 * (1 - exp($onset * $ratio)) + $cl1 * $ratio;
            $lift = $k * $u2 * ($cl > $cap ? $cap : $cl) / $c;
            $drag = $k * $u * ($cd0 + $cd1 * $ratio);
            $ax6 = $lift * $cx - $drag * $ux;
            $ay6 = $lift * $cy - $drag * $uy;
            $az6 = $lift * $cz - $drag * $vz6 - $g;
            $aw6 = -$decay * $w6 * $u;

            // stage 7: the fifth-order solution, and the first stage of the next step
            $vx7 = $vx1 + $h * (35 / 384 * $ax1 + 500 / 1113 * $ax3 + 125 / 192 * $ax4 - 2187 / 6784 * $ax5 + 11 / 84 * $ax6);
            $vy7 = $vy1 + $h * (35 / 384 * $ay1 + 500 / 1113 * $ay3 + 125 / 192 * $ay4 - 2187 / 6784 * $ay5 + 11 / 84 * $ay6);
            $vz7 = $vz1 + $h * (35 / 384 * $az1 + 500 / 1113 * $az3 + 125 / 192 * $az4 - 2187 / 6784 * $az5 + 11 / 84 * $az6);
            $w7 = $w1 + $h * (35 / 384 * $aw1 + 500 / 1113 * $aw3 + 125 / 192 * $aw4 - 2187 / 6784 * $aw5 + 11 / 84 * $aw6);
            $ux = $vx7 - $windX;
            $uy = $vy7 - $windY;
            $u2 = $ux * $ux + $uy * $uy + $vz7 * $vz7;
            $u = sqrt($u2);
            $cx = $sy * $vz7 - $sz * $uy;
            $cy = $sz * $ux - $sx * $vz7;
            $cz = $sx * $uy - $sy * $ux;
            $c = sqrt($cx * $cx + $cy * $cy + $cz * $cz) + 1e-12;
            $ratio = $radius * $w7 * $c / $u2;
            $cl = $cl0 * (1 - exp($onset * $ratio)) + $cl1 * $ratio;
            $lift = $k * $u2 * ($cl > $cap ? $cap : $cl) / $c;
            $drag = $k * $u * ($cd0 + $cd1 * $ratio);
            $ax7 = $lift * $cx - $drag * $ux;
            $ay7 = $lift * $cy - $drag * $uy;
            $az7 = $lift * $cz - $drag * $vz7 - $g;
            $aw7 = -$decay * $w7 * $u;

            $nx = $x + $h * (35 / 384 * $vx1 + 500 / 1113 * $vx3 + 125 / 192 * $vx4 - 2187 / 6784 * $vx5 + 11 / 84 * $vx6);
            $ny = $y + $h * (35 / 384 * $vy1 + 500 / 1113 * $vy3 + 125 / 192 * $vy4 - 2187 / 6784 * $vy5 + 11 / 84 * $vy6);
            $nz = $z + $h * (35 / 384 * $vz1 + 500 / 1113 * $vz3 + 125 / 192 * $vz4 - 2187 / 6784 * $vz5 + 11 / 84 * $vz6);

            if ($seek === 0) {
                $ex = 71 / 57600 * $vx1 - 71 / 16695 * $vx3 + 71 / 1920 * $vx4 - 17253 / 339200 * $vx5 + 22 / 525 * $vx6 - 1 / 40 * $vx7;
                $ey = 71 / 57600 * $vy1 - 71 / 16695 * $vy3 + 71 / 1920 * $vy4 - 17253 / 339200 * $vy5 + 22 / 525 * $vy6 - 1 / 40 * $vy7;
                $ez = 71 / 57600 * $vz1 - 71 / 16695 * $vz3 + 71 / 1920 * $vz4 - 17253 / 339200 * $vz5 + 22 / 525 * $vz6 - 1 / 40 * $vz7;
                $evx = 71 / 57600 * $ax1 - 71 / 16695 * $ax3 + 71 / 1920 * $ax4 - 17253 / 339200 * $ax5 + 22 / 525 * $ax6 - 1 / 40 * $ax7;
                $evy = 71 / 57600 * $ay1 - 71 / 16695 * $ay3 + 71 / 1920 * $ay4 - 17253 / 339200 * $ay5 + 22 / 525 * $ay6 - 1 / 40 * $ay7;
                $evz = 71 / 57600 * $az1 - 71 / 16695 * $az3 + 71 / 1920 * $az4 - 17253 / 339200 * $az5 + 22 / 525 * $az6 - 1 / 40 * $az7;
                $error = $h * sqrt($ex * $ex + $ey * $ey + $ez * $ez + $evx * $evx + $evy * $evy + $evz * $evz);
                if ($error > $tolerance) {
                    $h *= max(0.2, 0.9 * ($tolerance / $error) ** 0.2);

                    continue;
                }
                $grow = $error > 0 ? min(4.0, 0.9 * ($tolerance / $error) ** 0.2) : 4.0;
                if ($apex === null && $vz7 <= 0) {
                    $seek = 1;
                    $resume = $h;
                    $h *= self::root($vz1, $h * $az1, $vz7, $h * $az7);

                    continue;
                }
                if ($vz7 < 0 && $nz <= $ground) {
                    if ($apex < $ground) {
                        throw InvalidInput::of('riseM', sprintf('This shot rises %.1f m and never reaches ground %.1f m above the tee.', $apex, $ground));
                    }
                    $seek = 2;
                    $h *= self::root($z - $ground, $h * $vz1, $nz - $ground, $h * $vz7);

                    continue;
                }
            } elseif ($seek === 1) {
                if (abs($vz7) > 1e-6) {
                    $h -= $vz7 / $az7;

                    continue;
                }
                $apex = $nz;
                $apexAt = $nx;
                $seek = 0;
                $grow = max(0.05, $resume / max($h, 1e-9) - 1);
            } else {
                if (abs($nz - $ground) > 1e-7) {
                    $h -= ($nz - $ground) / $vz7;

                    continue;
                }
                $grow = 0.0;
            }

            if ($points > 0) {
                $knots[] = [$t, $x, $y, $z, $vx1, $vy1, $vz1];
            }
            $t += $h;
            $x = $nx;
            $y = $ny;
            $z = $nz;
            $vx1 = $vx7;
            $vy1 = $vy7;
            $vz1 = $vz7;
            $w1 = $w7;
            $ax1 = $ax7;
            $ay1 = $ay7;
            $az1 = $az7;
            $aw1 = $aw7;
            if ($seek === 2) {
                break;
            }
            $h *= $grow;
        }
        if ($seek !== 2) {
            throw ModelFailure::while(self::named($launch), 'it does not come down within the time a flight can last');
        }

        [$runX, $runY] = (new Landing($this->turf, $this->slopeDeg))->run([$vx1, $vy1, $vz1], [$sx * $w1, $sy * $w1, $sz * $w1]);
        $knots[] = [$t, $x, $y, $z, $vx1, $vy1, $vz1];

        if (! is_finite($x + $y + $runX + $runY + $t)) {
            throw ModelFailure::while(self::named($launch), 'it ends nowhere');
        }

        return new Flight(
            carryM: $x,
            totalM: $x + $runX,
            sideM: 0.0 - $y,
            curveM: 0.0 - $y * $ch - $x * $sh,
            totalSideM: 0.0 - $y - $runY,
            apexM: $apex ?? 0.0,
            apexAtM: $apexAt,
            descentDeg: rad2deg(atan2(-$vz1, sqrt($vx1 * $vx1 + $vy1 * $vy1))),
            hangTimeS: $t,
            landingSpeedMps: sqrt($vx1 * $vx1 + $vy1 * $vy1 + $vz1 * $vz1),
            landingSpinRpm: $w1 * 30 / M_PI,
            points: $points > 1 ? self::sample($knots, $t, $points) : [],
        );
    }

    /** Where, as a share of the step, a cubic through two values and slopes crosses zero on its way down: the first guess for the exact search. */
    private static function root(float $v0, float $d0, float $v1, float $d1): float
    {
        $b = 3 * ($v1 - $v0) - 2 * $d0 - $d1;
        $a = 2 * ($v0 - $v1) + $d0 + $d1;
        $s = $v0 > $v1 ? max(0.0, min(1.0, $v0 / ($v0 - $v1))) : 0.5;
        for ($i = 0; $i < 5; $i++) {
            $slope = (3 * $a * $s + 2 * $b) * $s + $d0;
            if ($slope >= -1e-12) {
                break;
            }
            $s = max(0.0, min(1.0, $s - ((($a * $s + $b) * $s + $d0) * $s + $v0) / $slope));
        }

        return $s;
    }

    /**
     * Evenly timed points from the accepted steps, by cubic Hermite interpolation.
     *
     * @param  list<list<float>>  $knots
     * @return list<array{float, float, float, float}>
     */
    private static function sample(array $knots, float $hangS, int $points): array
    {
        $out = [];
        $i = 0;
        for ($n = 0; $n < $points; $n++) {
            $t = $hangS * $n / ($points - 1);
            while ($i < count($knots) - 2 && $knots[$i + 1][0] < $t) {
                $i++;
            }
            $a = $knots[$i];
            $b = $knots[$i + 1];
            $h = $b[0] - $a[0];
            $s = $h > 0 ? min(1.0, ($t - $a[0]) / $h) : 0.0;
            $at = static fn (int $p): float => (1 + 2 * $s) * (1 - $s) ** 2 * $a[$p] + $s * (1 - $s) ** 2 * $h * $a[$p + 3]
                + $s * $s * (3 - 2 * $s) * $b[$p] + $s * $s * ($s - 1) * $h * $b[$p + 3];
            $out[] = [$t, $at(1), -$at(2), $at(3)];
        }

        return $out;
    }

    /** What was being flown, for whoever has to look into a failure. */
    private static function named(Launch $launch): string
    {
        return sprintf(
            'The flight of a ball at %.1f m/s, %.1f° up, %.1f° right, %.0f rpm about an axis of %.1f°',
            $launch->ballSpeedMps, $launch->launchDeg, $launch->directionDeg, $launch->spinRpm, $launch->spinAxisDeg,
        );
    }
}
