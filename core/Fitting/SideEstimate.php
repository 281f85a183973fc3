<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Normal;

/**
 * Where a setup's drives come to rest across the target line, judged from few shots: mean and spread with their uncertainty.
 *
 * The method and its constants are those of docs/judging.md, "Shares": normal predictive, spread shrunk to this player's other setups
 * and to a typical 8 % of carry, prior mean 0 ± 16 m, effective n = 0.6 n, half the degrees of freedom. Calibrated by simulation.
 */
final readonly class SideEstimate
{
    public const PRIOR_MEAN_SD_M = 16.0;

    public const TYPICAL_SPREAD_OF_CARRY = 0.08;

    private const PRIOR_DOF = 8.0;

    private const POOL_DOF = 8.0;

    private function __construct(
        public int $n,
        public float $meanM,
        public float $meanSdM,
        public float $spreadM,
        public float $dof,
    ) {
    }

    /**
     * Spread of side pooled over the player's setups, m, shrunk to what is typical.
     *
     * @param  list<ShotSet>  $sets
     */
    public static function pooledSpread(array $sets): float
    {
        [$carry, $n] = [0.0, 0];
        foreach ($sets as $set) {
            $summary = $set->summary(Measure::Carry);
            [$carry, $n] = [$carry + ($summary->n ?? 0) * ($summary->mean ?? 0.0), $n + ($summary->n ?? 0)];
        }
        $typical = self::TYPICAL_SPREAD_OF_CARRY * ($n === 0 ? 200.0 : $carry / $n);
        $sum = self::PRIOR_DOF * $typical ** 2;
        $dof = self::PRIOR_DOF;
        foreach ($sets as $set) {
            $summary = $set->summary(Measure::TotalSide);
            if ($summary !== null && $summary->sd !== null) {
                $sum += ($summary->n - 1) * $summary->sd ** 2;
                $dof += $summary->n - 1;
            }
        }

        return sqrt($sum / $dof);
    }

    public static function of(ShotSet $set, float $pooledSpreadM): self
    {
        $summary = $set->summary(Measure::TotalSide);
        $n = $summary->n ?? 0;
        $own = $summary?->sd;
        $ownDof = $own === null ? 0 : $n - 1;
        $variance = (self::POOL_DOF * $pooledSpreadM ** 2 + $ownDof * ($own ?? 0.0) ** 2) / (self::POOL_DOF + $ownDof);
        $precision = 0.6 * $n / $variance + 1 / self::PRIOR_MEAN_SD_M ** 2;

        $run = ($set->summary(Measure::Total)->mean ?? 0.0) - ($set->summary(Measure::Carry)->mean ?? 0.0);

        return new self(
            $n, $n === 0 ? 0.0 : (0.6 * $n * ($summary->mean ?? 0.0)) / $variance / $precision, sqrt(1 / $precision),
            Run::spread(sqrt($variance), $run), (self::POOL_DOF + $ownDof) / 2,
        );
    }

    /**
     * The plausible true (mean, spread) that two standard normal numbers stand for, m; the chi-square by its cube root (Wilson &
     * Hilferty 1931; from memory).
     *
     * @return array{float, float}
     */
    public function at(float $zMean, float $zSpread): array
    {
        $v = 2 / (9 * $this->dof);
        $spread = $this->spreadM / sqrt(max(0.05, 1 - $v + $zSpread * sqrt($v)) ** 3);

        return [$this->meanM + $this->meanSdM * $zMean, min($spread, 3 * $this->spreadM)];
    }

    /**
     * A plausible true (mean, spread), m.
     *
     * @return array{float, float}
     */
    public function draw(\Random\Randomizer $random): array
    {
        $spread = $this->spreadM * sqrt($this->dof / max(0.3, Normal::chiSquare($random, $this->dof)));

        return [$this->meanM + $this->meanSdM * Normal::draw($random), min($spread, 3 * $this->spreadM)];
    }
}
