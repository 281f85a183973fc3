<?php

declare(strict_types=1);

namespace MintCarry\Bench;

use MintCarry\Core\Air\Wind;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Strike;
use MintCarry\Core\Statistics\Normal;
use Random\Randomizer;

/** A hidden player: whatever the world, shots come out of it, told as a right-hander's. */
interface Player
{
    public function hand(): Hand;

    /** @param  list<float>  $effects what this head does of its own with this player */
    public function takeHead(string $head, array $effects): void;

    /**
     * @return array<string, float>|null ball, club and strike as `Measure` names them, carry, apex and side in the bay, and where the same
     *   swing ends on the course (courseTotalM, courseSideM); null where no ball flies
     */
    public function shot(SetupSpec $spec, SetupSpec $own, Randomizer $random, float $order = 0.0, bool $onCourse = false): ?array;
}

/**
 * A player as nature made them: other restitution and tangential laws, a different drag, closure of the face with the strike,
 * heads and setups with peculiarities, guided swings.
 */
final class Hidden implements Player
{
    /** @var list<float> */
    public array $mean;

    public float $faceCarryThrough;

    public float $loftCarryThrough;

    public float $loftPerCgBackMm;

    public float $openPerCgToeMm;

    /** Strike, mm toward the toe, and speed, m/s, for a point of swing weight. */
    public float $toeMmPerPoint;

    public float $speedMpsPerPoint;

    public float $loose;

    /** Degrees that the face closes for each millimetre of strike toward the toe. */
    public float $closure;

    public float $guides;

    /** @var array<string, list<float>> speed, loft, face, toe, high, ball speed share, spin share */
    public array $heads = [];

    /** @var array<string, list<float>> */
    public array $quirks = [];

    public float $restitution;

    public float $tangential;

    /** A head's own loft comes through with a little more: the strike goes lower (4.3 for 4, trade fact CP07). */
    private const HEAD_LOFT = 1.05;

    /** How much more or less than our law the faces of this player's heads lose off centre. */
    public float $fall;

    public BallFlight $range;

    public BallFlight $course;

    /** @param  float  $width  how much wider than usual heads and setups do things of their own */
    public function __construct(private readonly Randomizer $random, public readonly Hand $hand, private readonly float $width = 1.0)
    {
        $n = fn (float $sd): float => $sd * Normal::draw($random);
        $u = fn (float $low, float $high): float => Normal::uniform($random, $low, $high);
        // 80 to 120 mph.
        $mean = [$u(35.8, 53.6), $n(2.5), $n(3.0), 13.0 + $n(1.8), $n(1.2), $n(4.5), $n(3.5)];
        // The own club is already played near the middle: the face is what brings it there.
        $mean[4] = 0.18 * $mean[2] + $n(0.9);
        $this->mean = $mean;
        [$this->faceCarryThrough, $this->loftCarryThrough, $this->loftPerCgBackMm, $this->openPerCgToeMm] = [0.38 + $n(0.4),
            0.55 + $n(0.3), max(0.0, 0.35 + $n(0.15)), 0.10 + $n(0.045)];
        [$this->toeMmPerPoint, $this->speedMpsPerPoint] = [-0.3 + $n(0.5), -0.045 + $n(0.067)];
        $this->loose = $u(0.75, 1.3);
        $this->closure = $u(-0.02, 0.05);
        $this->guides = $u(0, 1) < 0.25 ? $u(0.1, 0.4) : 0.0;
        $this->restitution = 0.87 + $n(0.012);
        $this->tangential = -0.32 + $n(0.06);
        $drag = new Aerodynamics(dragFactor: 1 + $n(0.03), liftFactor: 1 + $n(0.035));
        $this->range = new BallFlight(aerodynamics: $drag);
        $this->fall = max(0.3, 1 + $n(0.25));
        $this->course = new BallFlight(wind: new Wind(abs($n(3.0)), $u(0, 360)), aerodynamics: $drag);
    }

    public function hand(): Hand
    {
        return $this->hand;
    }

    public function takeHead(string $head, array $effects): void
    {
        $this->heads[$head] = $effects;
    }

    public function shot(SetupSpec $spec, SetupSpec $own, Randomizer $random, float $order = 0.0, bool $onCourse = false): ?array
    {
        $hit = $this->hit($spec, $own, $random, $order);
        if ($hit === null) {
            return null;
        }
        [$ball, $club, $strike] = $hit;
        $bay = $this->range->fly($ball);
        $course = $onCourse ? $this->course->fly($ball) : $bay;

        return [
            'ballSpeedMps' => $ball->ballSpeedMps, 'launchDeg' => $ball->launchDeg, 'spinRpm' => $ball->spinRpm,
            'directionDeg' => $ball->directionDeg, 'spinAxisDeg' => $ball->spinAxisDeg, 'clubSpeedMps' => $club->clubSpeedMps,
            'attackDeg' => $club->attackDeg, 'pathDeg' => $club->pathDeg, 'strikeToeMm' => $strike->toeMm, 'strikeHighMm' => $strike->highMm,
            'carryM' => $bay->carryM, 'apexM' => $bay->apexM, 'sideM' => $bay->sideM, 'courseTotalM' => $course->totalM,
            'courseSideM' => $course->totalSideM,
        ];
    }

    /** Share of its fall that a face has lost at a strike, mm: another law than ours. */
    private static function fallen(float $toe, float $high): float
    {
        return 1 - exp(-($toe ** 2 + $high ** 2) / (2 * 23 ** 2));
    }

    /**
     * @param  list<float>  $sd
     * @return list<float>
     */
    private function effect(array $sd): array
    {
        return array_map(fn (float $s): float => $this->width * $s * Normal::draw($this->random), $sd);
    }

    /**
     * Hits one shot with a setup, in the bay or on the course. Everything right-handed; the bench mirrors at the edge.
     *
     * @return array{Launch, Delivery, Strike}|null
     */
    public function hit(SetupSpec $spec, SetupSpec $own, Randomizer $random, float $order = 0.0): ?array
    {
        $head = $this->heads[$spec->head] ??=
            $spec->head === $own->head ? array_fill(0, 7, 0.0) : $this->effect([0.36, 0.64, 0.8, 2.4, 2.4, 0.004, 0.056]);
        $quirk = $this->quirks[$spec->tag] ??=
            $spec->tag === $own->tag ? array_fill(0, 7, 0.0) : $this->effect([0.107, 0.36, 0.42, 1.2, 1.2, 0.001, 0.024]);
        $z = fn (float $sd): float => $this->loose * $sd * Normal::draw($random);
        $same = $spec->isSameHeadAs($own);
        $open =
            $this->faceCarryThrough * (1 - $this->guides) * ($spec->soledFaceOpenDeg - $own->soledFaceOpenDeg) +
            $this->openPerCgToeMm * ($spec->body->cgToeMm - $own->body->cgToeMm);
        $loft =
            self::HEAD_LOFT * $spec->loftOver($own)['head'] + $this->loftCarryThrough * $spec->loftOver($own)['turned'] +
            $this->loftPerCgBackMm * ($same ? 1.0 : 0.35) * ($spec->body->cgBackMm - $own->body->cgBackMm);
        $heavier = $spec->heavierBy($own);
        $mishit = Normal::uniform($random) < 0.04;
        $toe =
            $this->mean[5] +
            $head[3] +
            $quirk[3] +
            $this->toeMmPerPoint * $heavier +
            ($mishit ? (Normal::uniform($random) < 0.5 ? -1 : 1) * Normal::uniform($random, 11, 20) : $z(6.5));
        $path = $z(1.5);
        $swing = [
            max(20.0, $this->mean[0] + $head[0] + $quirk[0] + $this->speedMpsPerPoint * $heavier - 0.3 * $order + $z(0.6)),
            $this->mean[1] + $z(1.1), $this->mean[2] + $path, $this->mean[3] + $loft + $head[1] + $quirk[1] + $z(1.2),
            $this->mean[4] + $open + $head[2] + $quirk[2] - $this->closure * ($toe - $this->mean[5]) + 0.35 * $path + $z(2.0),
            max(-40.0, min(40.0, $toe)),
            max(-22.0, min(22.0, $this->mean[6] + $head[4] + $quirk[4] + ($mishit ? -5.0 : 0.0) + $z(5.0))),
        ];
        try {
            $body = $spec->body;
            $impact = new Impact(
                new Head(
                    $body->loftDeg, $body->massG, $body->cgToeMm, $body->cgBackMm, $body->cgUpMm, $body->inertiaGcm2, 290.0, 290.0,
                    max(0.5, min(0.95, $this->restitution * (1 - $this->fall * $body->restitutionFall * self::fallen($swing[5],
                        $swing[6])))),
                    max(-0.6, min(0.0, $this->tangential)), 0.0,
                ),
            );
            $delivery = new Delivery($swing[0], $swing[1], $swing[2], max(2.0, $swing[3]), $swing[4]);
            $strike = new Strike($swing[5], $swing[6]);
            $ball = $impact->strike($delivery, $strike);

            return [
                new Launch(
                    $ball->ballSpeedMps * (1 + $head[5] + $quirk[5]), max(0.7, $ball->launchDeg),
                    max(400.0, $ball->spinRpm * (1 + $head[6] + $quirk[6])), $ball->directionDeg, $ball->spinAxisDeg,
                ),
                $delivery, $strike,
            ];
        } catch (InvalidInput) {
            return null;
        }
    }
}
