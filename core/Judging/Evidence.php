<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\DeliveryEstimate;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Strike;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Summary;

use function array_fill;
use function count;
use function max;
use function min;
use function sqrt;

/**
 * What the shots of one setup say of the swing that made them: mean delivery and strike, how sure that is, and the launches that
 * the impact model gives for them.
 *
 * State, in this order: club speed m/s, attack °, path ° (+ right), dynamic loft °, face ° (+ right), strike toe mm, strike high
 * mm. Values that the monitor did not give come from the mean ball by the inverse of the impact model (`DeliveryEstimate`).
 */
final readonly class Evidence
{
    public const FIELDS = [
        Measure::ClubSpeed, Measure::Attack, Measure::Path, Measure::DynamicLoft, Measure::Face, Measure::StrikeToe,
        Measure::StrikeHigh,
    ];

    private const NAMES = ['clubSpeedMps', 'attackDeg', 'pathDeg', 'dynamicLoftDeg', 'faceDeg', 'toeMm', 'highMm'];

    /**
     * @param  list<float>  $state  mean delivery and strike
     * @param  list<float>  $error  SD of each mean, from scatter and number of shots
     * @param  list<string>  $from  measured, estimated or assumed
     */
    private function __construct(
        public SetupSpec $spec, public ShotSet $set, public array $state, public array $error, public array $from,
        public BallFlight $flight, private Impact $impact,
    ) {
    }

    /** @return self|null null where the mean ball is none that a swing could have made, or no shot has ball speed, launch and spin */
    public static function of(SetupSpec $spec, ShotSet $set, BallFlight $flight): ?self
    {
        $mean = static fn (Measure $m): ?float => Summary::of($set->values($m))?->mean;
        [$speed, $launch, $spin] = [$mean(Measure::BallSpeed), $mean(Measure::LaunchAngle), $mean(Measure::Spin)];
        if ($speed === null || $launch === null || $spin === null || $launch <= 0.5) {
            return null;
        }
        $measured = [];
        $own = [];
        $least = max(2, (int) (count($set->shots) / 2));
        foreach (self::FIELDS as $i => $field) {
            $summary = $set->summary($field);
            if ($summary !== null && $summary->n >= min($least, count($set->shots))) {
                $measured[self::NAMES[$i]] = $summary->mean;
                $own[$i] = $summary;
            }
        }
        $direction = $mean(Measure::Direction);
        $axis = $mean(Measure::SpinAxis);
        try {
            $estimate = DeliveryEstimate::of(
                new Launch($speed, $launch, $spin, $direction ?? 0.0, $axis ?? 0.0), $direction !== null, $axis !== null, $measured,
                $spec->body, $spec->hand,
            )->values;
        } catch (InvalidInput) {
            return null;
        }
        $state = $error = $from = [];
        foreach (self::NAMES as $i => $name) {
            $n = max(1, $own[$i]->n ?? $set->count());
            $variance =
                (PlayerPriors::SCATTER_SHOTS * PlayerPriors::SCATTER_SD[$i] ** 2 +
                    (($own[$i] ?? null)?->sd === null ? 0.0 : ($n - 1) * $own[$i]->sd ** 2)) /
                (PlayerPriors::SCATTER_SHOTS + ($own[$i] ?? null ? max(0, $n - 1) : 0));
            $from[$i] = isset($own[$i]) ? 'measured' : $estimate[$name]->from;
            $state[$i] = isset($own[$i]) ? $own[$i]->mean : $estimate[$name]->value;
            $error[$i] = sqrt($variance / $n);
        }

        return new self($spec, $set, $state, $error, $from, $flight->ofBall($spec->ball), new Impact($spec->body, $spec->hand));
    }

    public function isMeasured(int $field): bool
    {
        return $this->from[$field] === 'measured';
    }

    public function hasClub(): bool
    {
        return $this->isMeasured(Swing::CLUB_SPEED);
    }

    /**
     * Delivery and strike of one shot: what the monitor saw of it, the setup's mean where it saw nothing.
     *
     * @return list<float>
     */
    public function stateOf(LaunchShot $shot): array
    {
        $state = $this->state;
        foreach (self::FIELDS as $i => $field) {
            $state[$i] = $shot->value($field) ?? $state[$i];
        }

        return $state;
    }

    /** @param  array<int, float>  $state */
    public function launch(array $state): ?Launch
    {
        return self::strike($this->impact, $state);
    }

    /** @param  array<int, float>  $state */
    public static function strike(Impact $impact, array $state): ?Launch
    {
        return Swing::of($state)->strike($impact);
    }

    /**
     * Carry, total, side m, spin rpm and launch ° of a launch, by measure.
     *
     * @return array<string, float>|null null where it does not fly
     */
    public static function figures(?Launch $launch, BallFlight $flight): ?array
    {
        if ($launch === null || $launch->launchDeg <= 0.5) {
            return null;
        }
        $flown = $flight->fly($launch);

        return [
            'carryM' => $flown->carryM, 'totalM' => $flown->totalM, 'sideM' => $flown->sideM, 'spinRpm' => $launch->spinRpm,
            'launchDeg' => $launch->launchDeg, 'ballSpeedMps' => $launch->ballSpeedMps, 'apexM' => $flown->apexM,
        ];
    }

    /**
     * Weighted mean of a state over setups.
     *
     * @param  list<self>  $all
     * @return list<float>
     */
    public static function typical(array $all): array
    {
        $sum = array_fill(0, count(self::FIELDS), 0.0);
        $weight = $sum;
        foreach ($all as $e) {
            foreach ($e->state as $i => $value) {
                $w = 1 / ($e->error[$i] ** 2 + PlayerPriors::SETUP_SHIFT_SD[$i] ** 2);
                $sum[$i] += $w * $value;
                $weight[$i] += $w;
            }
        }

        return array_map(static fn (float $s, float $w): float => $w > 0 ? $s / $w : 0.0, $sum, $weight);
    }
}
