<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use LogicException;
use MintCarry\Core\Air\OpenAir;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Flight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Units\Unit;

use function array_diff_key;
use function array_filter;
use function array_flip;
use function array_intersect_key;

/**
 * One recorded shot: what was measured, and what had to be computed from it. Every value in its measure's kept unit,
 * + = right / toe / high. A measure that nobody measured is null; nothing is guessed. Side stays unknown unless it, or
 * direction and axis, were measured.
 *
 * Of a shot hit outdoors the wind and the air are taken out: what was measured of its flight is moved by as much as
 * the flight model says that this launch flies otherwise in the fitting's air without wind (`asSeen` keeps what was
 * measured).
 */
final readonly class LaunchShot
{
    /** So far from its launch a carry is doubted before the monitor was calibrated. */
    private const PLAIN_SHARE = 0.2;

    /** @var array<string, float> measured or computed, by field name */
    public array $known;

    /**
     * @param  array<string, float>  $measured  by field name (`Measure` value)
     * @param  array<string, float>  $computed  by field name; never a field that was measured
     * @param  ModelFailure|null  $failure  why nothing could be computed: the shot is left out, whatever was measured of it
     * @param  array<string, float>  $asSeen  what was measured in the wind and is moved, by field name
     * @param  OpenAir|null  $openAir  where it was hit, if outdoors
     * @param  array<string, float>  $unmeasured  what the monitor filled in and does not measure (`NotMeasured`), by field name
     */
    private function __construct(
        public array $measured, public array $computed, private ?float $modelCarryM, public ?ModelFailure $failure = null,
        public array $asSeen = [], public ?OpenAir $openAir = null, public array $unmeasured = [],
    ) {
        $this->known = $measured + $unmeasured + $computed;
    }

    /**
     * What `of` worked out, as plain values that can be kept beside the shot, so that the same flight need not be
     * computed again. Null of a shot that could not be computed.
     *
     * @return array{measured: array<string, float>, computed: array<string, float>, asSeen: array<string, float>, modelCarryM: float|null}|null
     */
    public function worked(): ?array
    {
        return $this->failure !== null ? null : [
            'measured' => $this->measured, 'computed' => $this->computed, 'asSeen' => $this->asSeen, 'modelCarryM' => $this->modelCarryM,
        ];
    }

    /**
     * The shot that `worked` was asked of. The values are taken as they are: they must belong to what is measured
     * and to this flight.
     *
     * @param  array{measured: array<string, float>, computed: array<string, float>, asSeen: array<string, float>, modelCarryM: float|null}  $worked
     */
    public static function fromWorked(array $worked, ?OpenAir $openAir = null): self
    {
        return new self($worked['measured'], $worked['computed'], $worked['modelCarryM'], null, $worked['asSeen'], $openAir);
    }

    /**
     * Takes the measured values, derives what is only another way of saying the same (spin from back and side spin,
     * face from face to path, smash from the two speeds), and computes missing carry, total, apex, descent and hang
     * time by the flight model.
     *
     * @param  array<string, float>  $values  by field name
     * @param  BallFlight  $flight  in the fitting's air, without wind
     * @param  OpenAir|null  $openAir  the wind and the air it was hit in, where it was hit outdoors
     */
    public static function of(array $values, BallFlight $flight, ?OpenAir $openAir = null): self
    {
        $values = self::derive($values);
        $computed = $asSeen = [];
        if (isset($values['clubSpeedMps'], $values['ballSpeedMps']) && ! isset($values['smash']) && $values['clubSpeedMps'] > 0) {
            $computed['smash'] = $values['ballSpeedMps'] / $values['clubSpeedMps'];
        }
        if (isset($values['faceDeg'], $values['pathDeg']) && ! isset($values['faceToPathDeg'])) {
            $computed['faceToPathDeg'] = $values['faceDeg'] - $values['pathDeg'];
        }
        $flown = $failure = $windy = null;
        try {
            $flown = self::flight($values, $flight);
            $windy = $openAir === null ? null : self::flight($values, $flight->in($openAir));
        } catch (ModelFailure $e) {
            $failure = $e;
        }
        if ($flown !== null && $windy !== null) {
            $asSeen = self::movedByWind($values);
            foreach ($asSeen as $field => $value) {
                $measure = Measure::from($field);
                $computed[$field] = $value + self::flown($measure, $flown) - self::flown($measure, $windy);
            }
            $values = array_diff_key($values, $asSeen);
        }
        if ($flown !== null) {
            $sideKnown = isset($values['directionDeg'], $values['spinAxisDeg']);
            $computed += [
                'carryM' => $flown->carryM,
                'apexM' => $flown->apexM,
                'descentDeg' => $flown->descentDeg,
                'hangTimeS' => $flown->hangTimeS,
                // A measured carry keeps its own carry: only the run is the model's.
                'totalM' => ($values['carryM'] ?? $computed['carryM'] ?? $flown->carryM) + $flown->runM(),
            ];
            if ($sideKnown) {
                $computed += [
                    'sideM' => $flown->sideM,
                    'totalSideM' => ($values['sideM'] ?? $computed['sideM'] ?? $flown->sideM) + $flown->totalSideM - $flown->sideM,
                    'curveM' => $flown->curveM,
                ];
            }
        }
        $all = $values + array_intersect_key($computed, $asSeen);
        $total = $all['totalM'] ?? $computed['totalM'] ?? null;
        if (! isset($computed['totalSideM']) && isset($all['sideM'], $all['carryM']) && $total !== null && $all['carryM'] > 0) {
            // Nobody saw how it came in: it runs on in the line from the tee.
            $computed['totalSideM'] = $all['sideM'] * $total / $all['carryM'];
        }
        if (! isset($computed['curveM']) && isset($all['sideM'], $all['directionDeg'], $all['carryM'])) {
            $computed['curveM'] = $all['sideM'] - $all['carryM'] * tan(deg2rad($all['directionDeg']));
        }

        return new self($values, array_diff_key($computed, $values), ($windy ?? $flown)?->carryM, $failure, $asSeen, $openAir);
    }

    public function value(Measure $measure): ?float
    {
        return $this->known[$measure->value] ?? null;
    }

    /** Is there wind in what was measured of its flight that could not be taken out, as its launch is not known? */
    public function isWindLeftIn(): bool
    {
        return $this->openAir !== null && $this->asSeen === [] && self::movedByWind($this->measured) !== [];
    }

    /** The launch, when ball speed, launch angle and spin are known; unknown direction and axis count as straight. */
    public function launch(): ?Launch
    {
        return self::launchOf($this->measured + $this->unmeasured);
    }

    /**
     * The same, with what these fields hold taken as filled in: it is flown with, and nothing is learned from it.
     *
     * @param  list<string>  $fields
     */
    public function notMeasuring(array $fields): self
    {
        $filledIn = array_intersect_key($this->measured, array_flip($fields));

        return $filledIn === [] ? $this : new self(
            array_diff_key($this->measured, $filledIn), $this->computed, $this->modelCarryM, $this->failure, $this->asSeen, $this->openAir,
            $filledIn,
        );
    }

    /** @return array<string, float> by field: what was measured, and what rests on nothing but that */
    public function trusted(): array
    {
        $launch = ['ballSpeedMps' => 1, 'launchDeg' => 1, 'spinRpm' => 1, 'directionDeg' => 1, 'spinAxisDeg' => 1];

        return array_intersect_key($this->unmeasured, $launch) === [] ? $this->measured + $this->computed : $this->measured;
    }

    /** Does its carry lie further from its own launch than its calibrated monitor explains? Then it is another unit, or a wrong reading. */
    public function isCarryOff(): bool
    {
        $carry = $this->measured['carryM'] ?? null;

        return $carry !== null && $this->modelCarryM !== null
            && abs($carry - $this->modelCarryM) > max(BayCalibration::OFF_M, BayCalibration::OFF_SHARE * $this->modelCarryM);
    }

    /** Was it topped? Such a ball says nothing of a club, and no policy but “all shots” counts it. */
    public function isTopped(): bool
    {
        return self::isToppedBy($this->measured);
    }

    /** @param  array<string, float>  $measured  by field name */
    public static function isToppedBy(array $measured): bool
    {
        return ($measured['launchDeg'] ?? 0.0) < 0 || abs($measured['spinAxisDeg'] ?? 0.0) > 90;
    }

    /**
     * Impossible and unlikely values, and values that contradict each other.
     *
     * @return list<Issue>
     */
    public function issues(): array
    {
        $issues = [];
        foreach ($this->measured + $this->asSeen as $field => $value) {
            $measure = Measure::from($field);
            [$low, $high] = $measure->possible();
            [$usualLow, $usualHigh] = $measure->plausible();
            $unit = $measure->unit()->value ?? '';
            if (! is_finite($value) || $value < $low || $value > $high) {
                $issues[] = new Issue(
                    $field, true,
                    sprintf(
                        '%s %s %s cannot be (%s to %s)', ucfirst($measure->label()), self::plain($value), $unit, self::plain($low),
                        self::plain($high),
                    ),
                );
            } elseif ($value < $usualLow || $value > $usualHigh) {
                $issues[] = new Issue(
                    $field, false,
                    sprintf('%s %s %s is unlikely for a driver', ucfirst($measure->label()), self::plain($value), $unit),
                );
            }
        }
        foreach (Measure::required() as $measure) {
            if (! isset($this->measured[$measure->value])) {
                $issues[] = new Issue($measure->value, true, ucfirst($measure->label()).' is missing');
            }
        }

        if ($this->failure !== null) {
            $issues[] = new Issue('carryM', false, $this->failure->line());
        }

        if ($this->isTopped()) {
            $issues[] = new Issue('launchDeg', false, 'Topped: only the policy “all shots” counts it');
        }

        return [...$issues, ...$this->contradictions()];
    }

    /** @return list<Issue> */
    private function contradictions(): array
    {
        $m = $this->measured + $this->asSeen;
        $issues = [];
        if (isset($m['clubSpeedMps'], $m['ballSpeedMps']) && $m['clubSpeedMps'] > 0) {
            $ratio = $m['ballSpeedMps'] / $m['clubSpeedMps'];
            if ($ratio > 1.56) {
                $issues[] = new Issue(
                    'smash', false,
                    sprintf('Ball speed is %.2f times club speed; about 1.50 is the limit, so one of the two is wrong', $ratio),
                );
            } elseif (isset($m['smash']) && abs($ratio - $m['smash']) > 0.04) {
                $issues[] = new Issue('smash', false, sprintf('Smash %.2f does not fit the speeds, which give %.2f', $m['smash'], $ratio));
            }
        }
        if (isset($m['carryM'], $m['totalM']) && $m['totalM'] < $m['carryM'] - 8) {
            $issues[] = new Issue(
                'totalM', false,
                sprintf('Total is %s short of carry; are the two columns swapped?', self::length($m['carryM'] - $m['totalM'])),
            );
        }
        $model = $this->modelCarryM;
        if (isset($m['carryM']) && $model !== null && abs($m['carryM'] - $model) > self::PLAIN_SHARE * $model) {
            $issues[] = new Issue(
                'carryM', false,
                sprintf(
                    'Carry %s, but this launch flies about %s: another unit, or a wrong reading?', self::length($m['carryM']), self::length($model),
                ),
            );
        }

        return $issues;
    }

    /**
     * @param  array<string, float>  $values
     * @return array<string, float>
     */
    private static function derive(array $values): array
    {
        if (! isset($values['spinRpm']) && isset($values['backSpinRpm'])) {
            $values['spinRpm'] = hypot($values['backSpinRpm'], $values['sideSpinRpm'] ?? 0.0);
        }
        if (! isset($values['spinAxisDeg']) && isset($values['backSpinRpm'], $values['sideSpinRpm'])) {
            $values['spinAxisDeg'] = rad2deg(atan2($values['sideSpinRpm'], $values['backSpinRpm']));
        }
        if (! isset($values['faceDeg']) && isset($values['faceToPathDeg'], $values['pathDeg'])) {
            $values['faceDeg'] = $values['faceToPathDeg'] + $values['pathDeg'];
        }
        if (! isset($values['ballSpeedMps']) && isset($values['clubSpeedMps'], $values['smash'])) {
            $values['ballSpeedMps'] = $values['clubSpeedMps'] * $values['smash'];
        }

        return $values;
    }

    /**
     * @param  array<string, float>  $values
     * @return array<string, float>
     */
    private static function movedByWind(array $values): array
    {
        return array_filter($values, static fn (string $field): bool => Measure::from($field)->isOfFlight(), ARRAY_FILTER_USE_KEY);
    }

    /** What the model's flight says of a measure that wind moves. */
    private static function flown(Measure $measure, Flight $flight): float
    {
        return match ($measure) {
            Measure::Carry => $flight->carryM,
            Measure::Total => $flight->carryM + $flight->runM(),
            Measure::Side => $flight->sideM,
            Measure::TotalSide => $flight->totalSideM,
            Measure::Curve => $flight->curveM,
            Measure::Apex => $flight->apexM,
            Measure::Descent => $flight->descentDeg,
            Measure::HangTime => $flight->hangTimeS,
            default => throw new LogicException("The flight model does not say what wind does to {$measure->label()}."),
        };
    }

    /** @param  array<string, float>  $values */
    private static function flight(array $values, BallFlight $flight): ?Flight
    {
        $launch = self::launchOf($values);
        if ($launch === null || $launch->launchDeg <= 0.5) {
            return null;
        }

        return $flight->fly($launch);
    }

    /**
     * The launch that measured values tell; null where one that it takes is missing or cannot be.
     *
     * @param  array<string, float>  $values
     */
    public static function launchOf(array $values): ?Launch
    {
        foreach (Measure::required() as $measure) {
            [$low, $high] = $measure->possible();
            $value = $values[$measure->value] ?? null;
            if ($value === null || ! is_finite($value) || $value < $low || $value > $high) {
                return null;
            }
        }
        $within = static fn (string $field, float $limit): float => isset($values[$field]) && abs($values[$field]) <= $limit
            ? $values[$field]
            : 0.0;

        $axis = $within('spinAxisDeg', 180);

        return new Launch(
            $values['ballSpeedMps'], $values['launchDeg'], $values['spinRpm'], $within('directionDeg', 45),
            $axis, struck: abs($axis) > 90,
        );
    }

    /** For whoever reads metres and whoever reads yards: what a shot is flagged with is kept as it was said. */
    private static function length(float $metres): string
    {
        return sprintf('%.0f m (%.0f yd)', $metres, Unit::Metres->to(Unit::Yards, $metres));
    }

    private static function plain(float $value): string
    {
        return is_finite($value) ? rtrim(rtrim(sprintf('%.2f', $value), '0'), '.') : 'that is not a number';
    }
}
