<?php

declare(strict_types=1);

namespace MintCarry\Bench;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\SetupSpec;
use Random\Randomizer;

/**
 * A second hidden world, in which nothing of the core is used: other forms of the laws of flight, impact and run, as the literature has
 * them (all from memory), and players, heads and setups of another kind, with heavy tails.
 *
 * Flight: drag and lift as second-order polynomials of the spin ratio (the form of Smits & Ogg 2004), steps of Runge and Kutta. Impact:
 * straight rules for launch, start and spin with a gear effect that grows with the miss (the form of Jorgensen 1999). Run: what is left of
 * the speed along the ground, less what spin takes (the form of Haake's turf measurements). A player's swings scatter by Student's t.
 */
final class Second implements Player
{
    private const STEP_S = 0.1;

    /** @var list<float> speed m/s, attack, path, loft, face °, toe, high mm */
    private array $mean;

    /** @var list<float> */
    private array $scatter;

    /** @var array<string, list<float>> */
    private array $heads = [];

    /** @var array<string, list<float>> */
    private array $quirks = [];

    private float $faceCarry;

    private float $loftCarry;

    private float $perBack;

    private float $perToe;

    private float $smash;

    private float $drag;

    private float $gear;

    private float $windMps;

    private float $windDeg;

    private float $tires;

    public function __construct(private readonly Randomizer $random, private readonly Hand $hand, private readonly float $width = 1.0)
    {
        $mean = [
            $this->between(34.5, 54.5), $this->t(2.0), $this->t(2.2), 13.5 + $this->t(1.4), 0.0, $this->t(3.5), $this->t(3.0),
        ];
        $mean[4] = 0.2 * $mean[2] + $this->t(0.8);
        $this->mean = $mean;
        $loose = $this->between(0.7, 1.35);
        $this->scatter = array_map(static fn (float $s): float => $loose * $s, [0.55, 0.9, 1.3, 1.0, 1.7, 6.0, 4.5]);
        $this->faceCarry = $this->between(-0.1, 0.9);
        $this->loftCarry = $this->between(0.1, 1.0);
        $this->perBack = $this->between(0.1, 0.6);
        $this->perToe = $this->between(0.03, 0.18);
        $this->smash = 1.465 + 0.5 * $this->t(0.012);
        $this->drag = $this->t(0.006);
        $this->gear = $this->between(0.8, 1.25);
        $this->windMps = abs($this->t(2.2));
        $this->windDeg = $this->between(0, 360);
        $this->tires = $this->between(0.0, 0.5);
    }

    public function hand(): Hand
    {
        return $this->hand;
    }

    public function takeHead(string $head, array $effects): void
    {
        $this->heads[$head] = $effects;
    }

    private function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->random->getInt(0, 1_000_000) / 1_000_000;
    }

    private static function normalOf(Randomizer $random): float
    {
        $u = ($random->getInt(0, 999_999) + 0.5) / 1_000_000;

        return sqrt(-2 * log($u)) * cos(2 * M_PI * $random->getInt(0, 999_999) / 1_000_000);
    }

    /** Student's t with four degrees of freedom, of about this spread. */
    private static function tailed(Randomizer $random, float $sd, int $degrees = 4): float
    {
        $chi = 0.0;
        for ($k = 0; $k < $degrees; $k++) {
            $chi += self::normalOf($random) ** 2;
        }

        return $sd * sqrt(($degrees - 2) / max(0.05, $chi)) * self::normalOf($random);
    }

    private function t(float $sd): float
    {
        return self::tailed($this->random, $sd);
    }

    /**
     * @param  list<float>  $sd
     * @return list<float>
     */
    private function own(array $sd): array
    {
        return array_map(fn (float $s): float => $this->t($this->width * $s), $sd);
    }

    public function shot(SetupSpec $spec, SetupSpec $own, Randomizer $random, float $order = 0.0, bool $onCourse = false): ?array
    {
        $none = array_fill(0, 7, 0.0);
        $head = $this->heads[$spec->head] ??= $spec->head === $own->head ? $none : $this->own([0.35, 0.6, 0.75, 2.3, 2.3, 0.004, 0.055]);
        $quirk = $this->quirks[$spec->tag] ??= $spec->tag === $own->tag ? $none : $this->own([0.1, 0.35, 0.4, 1.2, 1.2, 0.0015, 0.024]);
        $open = $this->faceCarry * ($spec->soledFaceOpenDeg - $own->soledFaceOpenDeg) + $this->perToe * ($spec->body->cgToeMm - $own->body->cgToeMm);
        $turned = ($spec->squaredLoftDeg - $spec->soledLoftDeg) - ($own->squaredLoftDeg - $own->soledLoftDeg);
        $loft = $spec->soledLoftDeg - $own->soledLoftDeg + $this->loftCarry * $turned
            + $this->perBack * ($spec->head === $own->head ? 1.0 : 0.35) * ($spec->body->cgBackMm - $own->body->cgBackMm);
        $z = array_map(fn (float $s): float => self::tailed($random, $s, 8), $this->scatter);
        $speed = $this->mean[0] + $head[0] + $quirk[0] - $this->tires * $order + $z[0];
        $attack = $this->mean[1] + $z[1];
        $path = $this->mean[2] + $z[2];
        $delivered = max(3.0, $this->mean[3] + $loft + $head[1] + $quirk[1] + $z[3]);
        $face = $this->mean[4] + $open + $head[2] + $quirk[2] + 0.3 * $z[2] + $z[4];
        $toe = max(-32.0, min(32.0, $this->mean[5] + $head[3] + $quirk[3] + $z[5]));
        $high = max(-20.0, min(20.0, $this->mean[6] + $head[4] + $quirk[4] + $z[6]));
        $off = hypot($toe, 1.25 * $high);
        $ball = $speed * ($this->smash + $head[5] + $quirk[5]) * (1 - 0.00018 * $off ** 2) * cos(deg2rad(0.45 * ($delivered - $attack)));
        $launch = 0.86 * $delivered + 0.14 * $attack + 0.21 * $high;
        $start = 0.86 * $face + 0.14 * $path + 0.19 * $toe;
        $spinLoft = max(2.0, $delivered - $attack);
        $back = max(500.0, 3.25 * $speed * $spinLoft - 52 * $high * $this->gear) * (1 + $head[6] + $quirk[6]);
        $side = 3.4 * $speed * ($face - $path) - 36 * $toe * $this->gear - 30 * ($spec->body->cgToeMm - $own->body->cgToeMm) * -1;
        $spin = hypot($back, $side);
        $axis = rad2deg(atan2($side, $back));
        if ($launch < 0.8 || $ball < 25) {
            return null;
        }
        $bay = $this->fly($ball, $launch, $start, $spin, $axis, 0.0, 0.0);
        $course = $onCourse
            ? $this->fly($ball, $launch, $start, $spin, $axis, -$this->windMps * cos(deg2rad($this->windDeg)), $this->windMps * sin(deg2rad($this->windDeg)))
            : $bay;

        return [
            'ballSpeedMps' => $ball, 'launchDeg' => $launch, 'spinRpm' => $spin, 'directionDeg' => $start, 'spinAxisDeg' => $axis,
            'clubSpeedMps' => $speed, 'attackDeg' => $attack, 'pathDeg' => $path, 'strikeToeMm' => $toe, 'strikeHighMm' => $high,
            'carryM' => $bay[0], 'apexM' => $bay[4], 'sideM' => $bay[1], 'courseTotalM' => $course[2], 'courseSideM' => $course[3],
        ];
    }

    /** @return array{float, float, float, float, float} carry, side, total, side at rest, apex, m */
    private function fly(float $speed, float $launch, float $start, float $spin, float $axis, float $windX, float $windY): array
    {
        [$e, $h, $a] = [deg2rad($launch), deg2rad($start), deg2rad($axis)];
        [$vx, $vy, $vz] = [$speed * cos($e) * cos($h), $speed * cos($e) * sin($h), $speed * sin($e)];
        [$x, $y, $z, $w, $apex] = [0.0, 0.0, 0.0, $spin * M_PI / 30, 0.0];
        $k = 0.5 * 1.21 * M_PI * 0.02135 ** 2 / 0.0459;
        [$ca, $sa] = [cos($a), sin($a)];
        $pull = function (float $vx, float $vy, float $vz, float $w) use ($k, $windX, $windY, $ca, $sa): array {
            [$ux, $uy] = [$vx - $windX, $vy - $windY];
            $u = sqrt($ux * $ux + $uy * $uy + $vz * $vz) + 1e-9;
            $s = min(0.5, 0.02135 * $w / $u);
            $cd = 0.219 + $this->drag + 0.11 * $s + 0.95 * $s * $s;
            $cl = 0.052 + 1.38 * $s - 1.35 * $s * $s;
            $flat = sqrt($ux * $ux + $uy * $uy) + 1e-9;
            // Up and right of the way it flies.
            [$nx, $ny, $nz] = [-$ux * $vz / ($flat * $u), -$uy * $vz / ($flat * $u), $flat / $u];
            [$rx, $ry] = [-$uy / $flat, $ux / $flat];

            return [
                -$k * $u * $cd * $ux + $k * $u * $u * $cl * ($ca * $nx + $sa * $rx), -$k * $u * $cd * $uy + $k * $u * $u * $cl * ($ca * $ny + $sa * $ry),
                -$k * $u * $cd * $vz + $k * $u * $u * $cl * $ca * $nz - 9.81,
            ];
        };
        $t = self::STEP_S;
        for ($n = 0; $n < 250; $n++) {
            [$ax, $ay, $az] = $pull($vx, $vy, $vz, $w);
            [$bx, $by, $bz] = $pull($vx + $t / 2 * $ax, $vy + $t / 2 * $ay, $vz + $t / 2 * $az, $w);
            [$x1, $y1, $z1] = [$x + $t * ($vx + $t / 2 * $ax), $y + $t * ($vy + $t / 2 * $ay), $z + $t * ($vz + $t / 2 * $az)];
            [$vx, $vy, $vz] = [$vx + $t * $bx, $vy + $t * $by, $vz + $t * $bz];
            $w *= 1 - 0.035 * $t;
            $apex = max($apex, $z1);
            if ($z1 <= 0) {
                $part = $z > 0 ? $z / ($z - $z1) : 0.0;
                [$x, $y] = [$x + $part * ($x1 - $x), $y + $part * ($y1 - $y)];
                break;
            }
            [$x, $y, $z] = [$x1, $y1, $z1];
        }
        $along = hypot($vx, $vy);
        $steep = rad2deg(atan2(-$vz, $along));
        $run = max(1.0, 0.085 * $along ** 2 * max(0.12, 1 - $steep / 58) - 0.0016 * $w);

        return [$x, $y, $x + $run * $vx / $along, $y + $run * $vy / $along, $apex];
    }
}
