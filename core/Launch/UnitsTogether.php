<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Statistics\Robust;
use MintCarry\Core\Units\Unit;

use function abs;
use function array_filter;
use function array_map;
use function array_replace;
use function array_slice;
use function array_values;
use function count;
use function exp;
use function log;
use function max;
use function min;
use function sprintf;

/**
 * Units that no header names, judged together: a ball speed and a club speed must make a smash factor, a carry must be what such a ball
 * flies, and what else is a distance is in the carry's unit. Each unit that is taken says why.
 */
final readonly class UnitsTogether
{
    /** So many shots are looked at. */
    private const ROWS = 9;

    /** Spread of a smash factor over drivers, and of a monitor's carry about ours, as a logarithm. */
    private const SMASH_SD = 0.08;

    private const CARRY_SD = 0.05;

    private const MOST = 9.0;

    /** What a mixture of two systems costs, such as miles an hour with metres: it happens. */
    private const MIXED = 0.5;

    private const IN_WORDS = [
        'm' => 'metres', 'yd' => 'yards', 'ft' => 'feet', 'm/s' => 'm/s', 'mph' => 'mph', 'km/h' => 'km/h', 'ft/s' => 'ft/s', 'kn' => 'knots',
    ];

    /** @var array<string, int> where each measure stands */
    private array $at;

    /** @var list<array<string, float>> magnitudes by measure, as they stand in the file */
    private array $rows;

    /**
     * @param  list<Column>  $columns  as far as each could be read alone
     * @param  list<bool>  $isNamed  whether file or cell names the unit
     * @param  list<list<string>>  $data
     */
    public function __construct(private array $columns, private array $isNamed, array $data, private BallFlight $flight = new BallFlight)
    {
        $at = [];
        foreach ($columns as $i => $column) {
            if ($column->measure?->unit() !== null) {
                $at[$column->measure->value] = $i;
            }
        }
        $this->at = $at;
        $rows = [];
        foreach (array_slice($data, 0, 200) as $cells) {
            $row = [];
            foreach ($at as $measure => $i) {
                $value = Cell::parse($cells[$i] ?? '')->magnitude($columns[$i]->decimalMark);
                if ($value !== null && $value > 0) {
                    $row[$measure] = $value;
                }
            }
            if (isset($row[Measure::BallSpeed->value]) || isset($row[Measure::Carry->value]) || isset($row[Measure::Total->value])) {
                $rows[] = $row;
            }
        }
        $this->rows = array_slice($rows, 0, self::ROWS);
    }

    /** @return list<Column> the same columns, with units that belong together */
    public function settled(): array
    {
        if ($this->rows === []) {
            return $this->columns;
        }
        $distance = isset($this->at[Measure::Carry->value]) ? Measure::Carry : Measure::Total;
        $least = INF;
        [$ball, $club, $length, $flown] = [null, null, null, []];
        foreach ($this->candidates(Measure::BallSpeed) as $aBall) {
            $itsFlights = $this->flown($aBall);
            foreach ($this->candidates(Measure::ClubSpeed) as $aClub) {
                foreach ($this->candidates($distance) as $aLength) {
                    $penalty = $this->penalty($aBall, $aClub, $aLength, $distance, $itsFlights);
                    if ($penalty < $least - 1e-9) {
                        [$least, $ball, $club, $length, $flown] = [$penalty, $aBall, $aClub, $aLength, $itsFlights];
                    }
                }
            }
        }
        $columns = $this->columns;
        $this->take($columns, Measure::BallSpeed, $ball, $this->whySpeed($ball, $club, $flown, $length));
        $this->take($columns, Measure::ClubSpeed, $club, $this->whySpeed($ball, $club, $flown, $length));
        $this->take($columns, $distance, $length, $this->whyLength($distance, $length, $flown));
        if ($length !== null) {
            foreach ([Measure::Total, Measure::Side, Measure::TotalSide, Measure::Curve] as $measure) {
                if ($measure !== $distance) {
                    $this->take($columns, $measure, $length, "taken as {$this->words($length)}, like the {$distance->label()}");
                }
            }
        }
        $this->takeApex($columns, $length, $flown);

        return $columns;
    }

    /** @return list<Unit|null> the units that a measure may be in; null where the file does not have it */
    private function candidates(Measure $measure): array
    {
        $i = $this->at[$measure->value] ?? null;

        return $i === null ? [null] : ($this->isNamed[$i] ? [$this->columns[$i]->unit] : $measure->units());
    }

    /**
     * Carry, total and apex that these balls fly, row by row.
     *
     * @return list<array{carryM: float, totalM: float, apexM: float}|null> null where a row cannot be flown
     */
    private function flown(?Unit $ball): array
    {
        $spin = isset($this->at[Measure::Spin->value]) ? Measure::Spin : Measure::BackSpin;
        $angle = $this->columns[$this->at[Measure::LaunchAngle->value] ?? -1]->unit ?? Unit::Degrees;
        $out = [];
        foreach ($this->rows as $row) {
            $speed = $ball === null ? null : $ball->to(Unit::MetresPerSecond, $row[Measure::BallSpeed->value] ?? 0.0);
            $launch = isset($row[Measure::LaunchAngle->value]) ? $angle->to(Unit::Degrees, $row[Measure::LaunchAngle->value]) : null;
            $rpm = $row[$spin->value] ?? null;
            $isPossible = $speed !== null && $launch !== null && $rpm !== null
                && self::isPossible(Measure::BallSpeed, $speed) && self::isPossible(Measure::LaunchAngle, $launch)
                && self::isPossible(Measure::Spin, $rpm);
            $flight = $isPossible ? $this->flight->fly(new Launch($speed, $launch, $rpm)) : null;
            $out[] = $flight === null ? null : ['carryM' => $flight->carryM, 'totalM' => $flight->totalM, 'apexM' => $flight->apexM];
        }

        return $out;
    }

    /** @param  list<array<string, float>|null>  $flown */
    private function penalty(?Unit $ball, ?Unit $club, ?Unit $length, Measure $distance, array $flown): float
    {
        $penalty = 0.0;
        foreach ([[Measure::BallSpeed, $ball], [Measure::ClubSpeed, $club], [$distance, $length]] as [$measure, $unit]) {
            $penalty += $unit === null ? 0.0 : 3.0 * (1.0 - $this->shareInside($measure, $unit));
        }
        $smash = $ball !== null && $club !== null ? $this->smash($ball, $club) : null;
        if ($smash !== null) {
            $penalty += min(self::MOST, (($smash - 1.45) / self::SMASH_SD) ** 2);
        }
        $off = $length === null ? null : $this->off($distance, $length, $flown);
        if ($off !== null) {
            $penalty += min(self::MOST, ($off / self::CARRY_SD / ($distance === Measure::Carry ? 1.0 : 1.6)) ** 2);
        }
        $isMetric = static fn (Unit $u): bool => $u === Unit::Metres || $u === Unit::MetresPerSecond || $u === Unit::KilometresPerHour;
        $isMixed = $ball !== null && $length !== null && $isMetric($ball) !== $isMetric($length);
        $isTwoSpeeds = $ball !== null && $club !== null && $ball !== $club;

        return $penalty + ($isMixed ? self::MIXED : 0.0) + ($isTwoSpeeds ? 2 * self::MIXED : 0.0);
    }

    private function shareInside(Measure $measure, Unit $unit): float
    {
        $values = array_filter(array_map(static fn (array $r): ?float => $r[$measure->value] ?? null, $this->rows));
        [$low, $high] = $measure->plausible();
        $kept = $measure->unit() ?? $unit;
        $inside = array_filter($values, static fn (float $v): bool => $unit->to($kept, $v) >= $low && $unit->to($kept, $v) <= $high);

        return count($inside) / max(1, count($values));
    }

    private function smash(Unit $ball, Unit $club): ?float
    {
        $smash = [];
        foreach ($this->rows as $row) {
            if (isset($row[Measure::BallSpeed->value], $row[Measure::ClubSpeed->value])) {
                $smash[] = $ball->to(Unit::MetresPerSecond, $row[Measure::BallSpeed->value])
                    / $club->to(Unit::MetresPerSecond, $row[Measure::ClubSpeed->value]);
            }
        }

        return $smash === [] ? null : Robust::median($smash);
    }

    /**
     * How far a distance lies from what was flown, as a logarithm; the middle of the rows.
     *
     * @param  list<array<string, float>|null>  $flown
     */
    private function off(Measure $measure, Unit $unit, array $flown, bool $signed = false): ?float
    {
        $ratios = [];
        foreach ($this->rows as $i => $row) {
            if (isset($row[$measure->value]) && ($flown[$i][$measure->value] ?? 0.0) > 1.0) {
                $ratios[] = log($unit->to(Unit::Metres, $row[$measure->value]) / $flown[$i][$measure->value]);
            }
        }
        $middle = $ratios === [] ? null : Robust::median($ratios);

        return $middle === null || $signed ? $middle : abs($middle);
    }

    /** @param  list<Column>  $columns */
    private function take(array &$columns, Measure $measure, ?Unit $unit, string $why): void
    {
        $i = $this->at[$measure->value] ?? null;
        if ($i !== null && $unit !== null && ! $this->isNamed[$i]) {
            $taken = $columns[$i]->inUnit($unit, "No unit is named: {$why}.");
            $columns = array_values(array_replace($columns, [$i => $taken]));
        }
    }

    /** @param  list<array<string, float>|null>  $flown */
    private function whySpeed(?Unit $ball, ?Unit $club, array $flown, ?Unit $length): string
    {
        $taken = $ball ?? $club;
        $smash = $ball !== null && $club !== null ? $this->smash($ball, $club) : null;
        $off = $length === null ? null : $this->off(Measure::Carry, $length, $flown);
        $because = match (true) {
            $smash !== null => sprintf(', which makes a smash factor of %.2f', $smash),
            $off !== null => sprintf(', which flies to within %.0f %% of the carry', 100 * $off),
            default => ', where the speeds of drivers lie',
        };

        return $taken === null ? '' : "taken as {$this->words($taken)}{$because}";
    }

    /** @param  list<array<string, float>|null>  $flown */
    private function whyLength(Measure $measure, ?Unit $unit, array $flown): string
    {
        if ($unit === null) {
            return '';
        }
        $off = $this->off($measure, $unit, $flown, signed: true);
        $other = $unit === Unit::Metres ? Unit::Yards : Unit::Metres;
        $otherOff = $this->off($measure, $other, $flown, signed: true);
        if ($off === null || $otherOff === null) {
            return "taken as {$this->words($unit)}, where driver shots lie";
        }
        $percent = static fn (float $log): string => sprintf('%+.0f %%', 100 * (exp($log) - 1));

        return "taken as {$this->words($unit)}: {$percent($off)} against what such balls fly, as {$this->words($other)} {$percent($otherOff)}";
    }

    /**
     * @param  list<Column>  $columns
     * @param  list<array<string, float>|null>  $flown
     */
    private function takeApex(array &$columns, ?Unit $length, array $flown): void
    {
        $i = $this->at[Measure::Apex->value] ?? null;
        if ($i === null || $this->isNamed[$i]) {
            return;
        }
        $best = null;
        foreach (Measure::Apex->units() as $unit) {
            $off = $this->off(Measure::Apex, $unit, $flown);
            if ($off !== null && ($best === null || $off < $best[0])) {
                $best = [$off, $unit];
            }
        }
        if ($best !== null) {
            $this->take($columns, Measure::Apex, $best[1], sprintf(
                'taken as %s, within %.0f %% of the height that such balls reach', $this->words($best[1]), 100 * $best[0],
            ));
        } elseif ($length === Unit::Metres && $this->shareInside(Measure::Apex, Unit::Metres) >= 0.5) {
            $this->take($columns, Measure::Apex, Unit::Metres, 'taken as metres, like the other distances');
        }
    }

    private function words(Unit $unit): string
    {
        return self::IN_WORDS[$unit->value] ?? $unit->value;
    }

    private static function isPossible(Measure $measure, float $value): bool
    {
        [$low, $high] = $measure->possible();

        return $value >= $low && $value <= $high;
    }
}
