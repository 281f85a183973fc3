<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFactors;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Calibration;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Statistics\Robust;

use function abs;
use function count;
use function max;
use function sqrt;

/** One monitor on one visit beside the flight model: the offsets its shots ask for, and how far it is off before and after them. */
final readonly class MonitorVisit
{
    /** A monitor that is off by more than this share of the carry is spoken of. */
    private const DISAGREES_FROM = 0.03;

    private const LEAST_SHOTS = 3;

    /** Spread of a single shot's disagreement where fewer than that tell it, share (assumption). */
    private const USUAL_SPREAD = 0.02;

    /**
     * @param  int|null  $visit  null where the shots belong to none
     * @param  array{float, float, float}  $sd  of drag offset, lift offset and share of spin
     * @param  float|null  $carryShare  measured carry over the model's before calibration, less 1: the middle one
     * @param  float|null  $carryShareSd  how surely
     * @param  float|null  $carryShareAfter  the same after calibration
     * @param  float|null  $apexShare  of apexes likewise
     */
    public function __construct(
        public string $monitor, public ?int $visit, public int $n, public Aerodynamics $aerodynamics, public array $sd,
        public float $residualBeforeM, public float $residualAfterM, public ?float $carryShare, public ?float $carryShareSd,
        public ?float $carryShareAfter, public ?float $apexShare, public ?float $apexShareAfter,
    ) {
    }

    /** @param  list<array{Launch, ?float, ?float, Atmosphere, BallFactors}>  $shots  launch, measured carry, measured apex, air, ball */
    public static function of(string $monitor, ?int $visit, array $shots, Calibration $fit): self
    {
        $carries = $apexes = $carriesAfter = $apexesAfter = [];
        foreach ($shots as [$launch, $carry, $apex, $air, $ball]) {
            $before = (new BallFlight($air, aerodynamics: (new Aerodynamics)->ofBall($ball)))->fly($launch);
            $after = (new BallFlight($air, aerodynamics: $fit->aerodynamics->ofBall($ball)))->fly($launch);
            if ($carry !== null && $before->carryM > 10 && $after->carryM > 10) {
                $carries[] = $carry / $before->carryM - 1;
                $carriesAfter[] = $carry / $after->carryM - 1;
            }
            if ($apex !== null && $before->apexM > 1 && $after->apexM > 1) {
                $apexes[] = $apex / $before->apexM - 1;
                $apexesAfter[] = $apex / $after->apexM - 1;
            }
        }
        // The median's standard error is about five quarters of a mean's.
        $sd = $carries === [] ? null : 1.25 * max(Robust::sd($carries), self::USUAL_SPREAD / sqrt(count($carries))) / sqrt(count($carries));

        return new self(
            $monitor, $visit, $fit->n, $fit->aerodynamics, $fit->offsetSds(), $fit->residualBeforeM, $fit->residualAfterM,
            self::middle($carries), $sd, self::middle($carriesAfter), self::middle($apexes), self::middle($apexesAfter),
        );
    }

    /** Does the monitor tell carries that physics does not, by more than 3 % and more than its own spread could feign? */
    public function disagrees(): bool
    {
        return $this->n >= self::LEAST_SHOTS && $this->carryShare !== null && $this->carryShareSd !== null &&
            abs($this->carryShare) > self::DISAGREES_FROM && abs($this->carryShare) > 2 * $this->carryShareSd;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'monitor' => $this->monitor, 'visit' => $this->visit, 'n' => $this->n, 'dragOffset' => $this->aerodynamics->dragOffset(),
            'liftOffset' => $this->aerodynamics->liftOffset(), 'spinOffset' => $this->aerodynamics->spinOffset, 'sd' => $this->sd,
            'carryShare' => $this->carryShare, 'carryShareAfter' => $this->carryShareAfter, 'apexShare' => $this->apexShare,
            'apexShareAfter' => $this->apexShareAfter, 'residualBeforeM' => $this->residualBeforeM,
            'residualAfterM' => $this->residualAfterM, 'disagrees' => $this->disagrees(),
        ];
    }

    /** @param  list<float>  $values */
    private static function middle(array $values): ?float
    {
        return $values === [] ? null : Robust::median($values);
    }
}
