<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\OpenAir;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;

use function abs;
use function atan2;
use function cos;
use function count;
use function deg2rad;
use function max;
use function min;
use function rad2deg;
use function sin;
use function sqrt;

/**
 * Three-dimensional ball flight with a fixed spin axis, steady wind and spin decay; then bounce and roll.
 *
 * Equations: docs/physics.md. Integrator: Dormand–Prince 5(4) with step control, whose stages bin/parts/stages.php
 * describes and writes. The apex
 * comes from the interpolation inside its step, the landing from one step of the length that the interpolation
 * tells.
 *
 * The loop is scalar on purpose: objects or arrays in it cost a factor of four. World axes inside: x to the target,
 * y to the left, z up; what leaves is + right.
 */
final readonly class BallFlight
{
    /** Step control: error per step, m and m/s. */
    public const TOLERANCE = 3e-3;

    private const FIRST_STEP_S = 0.3;

    private const MAX_STEPS = 2000;

    private const NEAR_GROUND_M = 1e-3;

    /** @param  array<string, BallFactors>  $balls  what is known of makes of ball, by the name that setups have them under */
    public function __construct(
        private Atmosphere $air = new Atmosphere,
        private Wind $wind = new Wind,
        public Aerodynamics $aerodynamics = new Aerodynamics,
        private Turf $turf = Turf::Medium,
        private float $riseM = 0.0,
        private float $tolerance = self::TOLERANCE,
        private float $slopeDeg = 0.0,
        private array $balls = [],
    ) {
        InvalidInput::requireWithin('slopeDeg', $slopeDeg, -15, 15, '°');
        InvalidInput::requireWithin('riseM', $riseM, -100, 60, 'm');
        InvalidInput::requireWithin('tolerance', $tolerance, 1e-13, 1e-1);
    }

    /** The same ball, seen by the same monitor, in other air, wind or on other turf. */
    public function elsewhere(Atmosphere $air, Wind $wind, Turf $turf): self
    {
        return new self(...['air' => $air, 'wind' => $wind, 'turf' => $turf] + get_object_vars($this));
    }

    /** Neither wind nor a slope: a ball that starts elsewhere flies the same flight, turned. */
    public function isStill(): bool
    {
        return $this->wind->speedMps === 0.0 && $this->slopeDeg === 0.0;
    }

    /** The same ground outdoors, in the wind and the air of a trial. */
    public function in(OpenAir $openAir): self
    {
        return $this->elsewhere($openAir->air, $openAir->wind, $this->turf);
    }

    /** The same place with the drag, lift and spin that a monitor's shots ask for. */
    public function calibrated(Aerodynamics $to): self
    {
        return new self(...['aerodynamics' => $to] + get_object_vars($this));
    }

    /**
     * The same place, where more is known of these balls.
     *
     * @param  array<string, BallFactors>  $balls  by name
     */
    public function knowing(array $balls): self
    {
        return $balls === [] ? $this : new self(...['balls' => $balls + $this->balls] + get_object_vars($this));
    }

    /** What is known of a make of ball; one of which nothing is known flies as a usual one. */
    public function factorsOf(string $ball): BallFactors
    {
        return $this->balls[$ball] ?? new BallFactors;
    }

    /** The flight of a make of ball, and of no other. */
    public function ofBall(string $name): self
    {
        return $this->balls === []
            ? $this
            : new self(...['aerodynamics' => $this->aerodynamics->ofBall($this->factorsOf($name)), 'balls' => []] + get_object_vars($this));
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
        // The laws of Aerodynamics, times k, and their Reynolds number as a speed.
        $law = $this->aerodynamics;
        [$ofSpin, $half, $knee] = [$k * $radius * $law->lift, $law->liftHalf, $law->knee ** 2];
        [$still, $spun, $crisis] = [$k * $law->drag, $k * $law->dragOfSpin, $k * $law->dragOfCrisis];
        $slowest = $law->crisis ** 4;
        $perReynolds = (2e-5 * $radius * $this->air->densityKgM3 / $this->air->viscosityPaS) ** 4;
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
        $w1 = $launch->spinRpm * (1 + $this->aerodynamics->spinOffset) * M_PI / 30;
        $apex = $vz1 <= 0 ? 0.0 : null;
        $apexAt = 0.0;
        /** @var list<list<float>> $knots */
        $knots = [];
        $h = self::FIRST_STEP_S;
        $landing = false; // closing in on the ground

        // written by bin/parts/stages.php: first stage
        $ux = $vx1 - $windX;
        $uy = $vy1 - $windY;
        $u2 = $ux * $ux + $uy * $uy + $vz1 * $vz1;
        $u = sqrt($u2);
        $cx = $sy * $vz1 - $sz * $uy;
        $cy = $sz * $ux - $sx * $vz1;
        $cz = $sx * $uy - $sy * $ux;
        $spin = $radius * $w1 * sqrt($cx * $cx + $cy * $cy + $cz * $cz);
        $square = $spin * $spin;
        $u4 = $u2 * $u2;
        $past = $slowest + $u4 * $perReynolds;
        $lift = $ofSpin * $w1 * $u2 / ($spin + $half * $u2);
        $drag = $u * ($still + $square * ($spun * $past + $crisis) / (($square + $knee * $u4) * $past));
        $ax1 = $lift * $cx - $drag * $ux;
        $ay1 = $lift * $cy - $drag * $uy;
        $az1 = $lift * $cz - $drag * $vz1 - $g;
        $aw1 = -$decay * $w1 * $u;
        // end of what is written
        for ($step = 0; $step < self::MAX_STEPS; $step++) {
            // written by bin/parts/stages.php: stages 2 to 7
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
            $spin = $radius * $w2 * sqrt($cx * $cx + $cy * $cy + $cz * $cz);
            $square = $spin * $spin;
            $u4 = $u2 * $u2;
            $past = $slowest + $u4 * $perReynolds;
            $lift = $ofSpin * $w2 * $u2 / ($spin + $half * $u2);
            $drag = $u * ($still + $square * ($spun * $past + $crisis) / (($square + $knee * $u4) * $past));
            $ax2 = $lift * $cx - $drag * $ux;
            $ay2 = $lift * $cy - $drag * $uy;
            $az2 = $lift * $cz - $drag * $vz2 - $g;
            $aw2 = -$decay * $w2 * $u;
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
            $spin = $radius * $w3 * sqrt($cx * $cx + $cy * $cy + $cz * $cz);
            $square = $spin * $spin;
            $u4 = $u2 * $u2;
            $past = $slowest + $u4 * $perReynolds;
            $lift = $ofSpin * $w3 * $u2 / ($spin + $half * $u2);
            $drag = $u * ($still + $square * ($spun * $past + $crisis) / (($square + $knee * $u4) * $past));
            $ax3 = $lift * $cx - $drag * $ux;
            $ay3 = $lift * $cy - $drag * $uy;
            $az3 = $lift * $cz - $drag * $vz3 - $g;
            $aw3 = -$decay * $w3 * $u;
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
            $spin = $radius * $w4 * sqrt($cx * $cx + $cy * $cy + $cz * $cz);
            $square = $spin * $spin;
            $u4 = $u2 * $u2;
            $past = $slowest + $u4 * $perReynolds;
            $lift = $ofSpin * $w4 * $u2 / ($spin + $half * $u2);
            $drag = $u * ($still + $square * ($spun * $past + $crisis) / (($square + $knee * $u4) * $past));
            $ax4 = $lift * $cx - $drag * $ux;
            $ay4 = $lift * $cy - $drag * $uy;
            $az4 = $lift * $cz - $drag * $vz4 - $g;
            $aw4 = -$decay * $w4 * $u;
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
            $spin = $radius * $w5 * sqrt($cx * $cx + $cy * $cy + $cz * $cz);
            $square = $spin * $spin;
            $u4 = $u2 * $u2;
            $past = $slowest + $u4 * $perReynolds;
            $lift = $ofSpin * $w5 * $u2 / ($spin + $half * $u2);
            $drag = $u * ($still + $square * ($spun * $past + $crisis) / (($square + $knee * $u4) * $past));
            $ax5 = $lift * $cx - $drag * $ux;
            $ay5 = $lift * $cy - $drag * $uy;
            $az5 = $lift * $cz - $drag * $vz5 - $g;
            $aw5 = -$decay * $w5 * $u;
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
            $spin = $radius * $w6 * sqrt($cx * $cx + $cy * $cy + $cz * $cz);
            $square = $spin * $spin;
            $u4 = $u2 * $u2;
            $past = $slowest + $u4 * $perReynolds;
            $lift = $ofSpin * $w6 * $u2 / ($spin + $half * $u2);
            $drag = $u * ($still + $square * ($spun * $past + $crisis) / (($square + $knee * $u4) * $past));
            $ax6 = $lift * $cx - $drag * $ux;
            $ay6 = $lift * $cy - $drag * $uy;
            $az6 = $lift * $cz - $drag * $vz6 - $g;
            $aw6 = -$decay * $w6 * $u;
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
            $spin = $radius * $w7 * sqrt($cx * $cx + $cy * $cy + $cz * $cz);
            $square = $spin * $spin;
            $u4 = $u2 * $u2;
            $past = $slowest + $u4 * $perReynolds;
            $lift = $ofSpin * $w7 * $u2 / ($spin + $half * $u2);
            $drag = $u * ($still + $square * ($spun * $past + $crisis) / (($square + $knee * $u4) * $past));
            $ax7 = $lift * $cx - $drag * $ux;
            $ay7 = $lift * $cy - $drag * $uy;
            $az7 = $lift * $cz - $drag * $vz7 - $g;
            $aw7 = -$decay * $w7 * $u;
            $nx = $x + $h * (35 / 384 * $vx1 + 500 / 1113 * $vx3 + 125 / 192 * $vx4 - 2187 / 6784 * $vx5 + 11 / 84 * $vx6);
            $ny = $y + $h * (35 / 384 * $vy1 + 500 / 1113 * $vy3 + 125 / 192 * $vy4 - 2187 / 6784 * $vy5 + 11 / 84 * $vy6);
            $nz = $z + $h * (35 / 384 * $vz1 + 500 / 1113 * $vz3 + 125 / 192 * $vz4 - 2187 / 6784 * $vz5 + 11 / 84 * $vz6);
            // end of what is written

            $grow = 0.0;
            if (! $landing) {
                // written by bin/parts/stages.php: error
                $ex = 71 / 57600 * $vx1 - 71 / 16695 * $vx3 + 71 / 1920 * $vx4 - 17253 / 339200 * $vx5 + 22 / 525 * $vx6 - 1 / 40 * $vx7;
                $ey = 71 / 57600 * $vy1 - 71 / 16695 * $vy3 + 71 / 1920 * $vy4 - 17253 / 339200 * $vy5 + 22 / 525 * $vy6 - 1 / 40 * $vy7;
                $ez = 71 / 57600 * $vz1 - 71 / 16695 * $vz3 + 71 / 1920 * $vz4 - 17253 / 339200 * $vz5 + 22 / 525 * $vz6 - 1 / 40 * $vz7;
                $evx = 71 / 57600 * $ax1 - 71 / 16695 * $ax3 + 71 / 1920 * $ax4 - 17253 / 339200 * $ax5 + 22 / 525 * $ax6 - 1 / 40 * $ax7;
                $evy = 71 / 57600 * $ay1 - 71 / 16695 * $ay3 + 71 / 1920 * $ay4 - 17253 / 339200 * $ay5 + 22 / 525 * $ay6 - 1 / 40 * $ay7;
                $evz = 71 / 57600 * $az1 - 71 / 16695 * $az3 + 71 / 1920 * $az4 - 17253 / 339200 * $az5 + 22 / 525 * $az6 - 1 / 40 * $az7;
                // end of what is written
                $error = $h * sqrt($ex * $ex + $ey * $ey + $ez * $ez + $evx * $evx + $evy * $evy + $evz * $evz);
                if ($error > $tolerance) {
                    $h *= max(0.2, 0.9 * ($tolerance / $error) ** 0.2);

                    continue;
                }
                $grow = $error > 0 ? min(4.0, 0.9 * ($tolerance / $error) ** 0.2) : 4.0;
                if ($apex === null && $vz7 <= 0) {
                    $bend = $h * self::bend($az1, $az3, $az4, $az5, $az6, $az7);
                    $top = self::falls($vz1, $vz7, $h * $az1, $h * $az7, $bend);
                    $apex = self::within(
                        $z, $nz, $h * $vz1, $h * $vz7, $h * self::bend($vz1, $vz3, $vz4, $vz5, $vz6, $vz7), $top,
                    );
                    $apexAt = self::within(
                        $x, $nx, $h * $vx1, $h * $vx7, $h * self::bend($vx1, $vx3, $vx4, $vx5, $vx6, $vx7), $top,
                    );
                }
                if ($vz7 < 0 && $nz <= $ground) {
                    if ($apex < $ground) {
                        throw InvalidInput::of('riseM', sprintf('This shot rises %.1f m and never reaches ground %.1f m above the tee.', $apex, $ground));
                    }
                    $landing = true;
                    $bend = $h * self::bend($vz1, $vz3, $vz4, $vz5, $vz6, $vz7);
                    $h *= self::falls($z - $ground, $nz - $ground, $h * $vz1, $h * $vz7, $bend);

                    continue;
                }
            } elseif (abs($nz - $ground) > self::NEAR_GROUND_M) {
                $h -= ($nz - $ground) / $vz7;

                continue;
            } else {
                // What is left to the ground is less than a millimetre: a straight line is exact there to a nanometre.
                $rest = ($ground - $nz) / $vz7;
                $h += $rest;
                $nx += $rest * $vx7;
                $ny += $rest * $vy7;
                $nz = $ground;
                $vx7 += $rest * $ax7;
                $vy7 += $rest * $ay7;
                $vz7 += $rest * $az7;
                $w7 += $rest * $aw7;
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
            if ($landing) {
                break;
            }
            $h *= $grow;
        }
        if (! $landing) {
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

    /**
     * The highest term of the interpolation inside a step, from the slopes at its stages (Hairer, Nørsett & Wanner,
     * section II.6, from memory).
     */
    private static function bend(float $k1, float $k3, float $k4, float $k5, float $k6, float $k7): float
    {
        return -12715105075 / 11282082432 * $k1 + 87487479700 / 32700410799 * $k3 - 10690763975 / 1880347072 * $k4
            + 701980252875 / 199316789632 * $k5 - 1453857185 / 822651844 * $k6 + 69997945 / 29380423 * $k7;
    }

    /**
     * A value inside a step, at the share $s of it: from the values and slopes (per step) at both ends and the
     * bend.
     */
    private static function within(float $from, float $to, float $slopeFrom, float $slopeTo, float $bend, float $s): float
    {
        $rise = $to - $from;
        $r3 = $slopeFrom - $rise;

        return $from + $s * ($rise + (1 - $s) * ($r3 + $s * ($rise - $slopeTo - $r3 + (1 - $s) * $bend)));
    }

    /**
     * Where, as a share of the step, a value falls through zero: Newton from the step's end, where it is already
     * below.
     */
    private static function falls(float $from, float $to, float $slopeFrom, float $slopeTo, float $bend): float
    {
        $s = 1.0;
        for ($i = 0; $i < 8; $i++) {
            $slope = $slopeFrom + $s * ($slopeTo - $slopeFrom);
            $move = $slope < 0 ? self::within($from, $to, $slopeFrom, $slopeTo, $bend, $s) / $slope : 0.0;
            $s = max(0.0, min(1.0, $s - $move));
            if (abs($move) < 1e-12) {
                break;
            }
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
