<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;

use function array_search;
use function str_ends_with;

/**
 * How the fields that a monitor shows of a setup's shots depend on the swing that makes them, and through it on the unknowns θ of
 * a `Belief`: the impact model, straight near one mean swing.
 */
final readonly class SeenFields
{
    /** Fields of the club, at the place of the swing's value that they show. */
    private const OF_CLUB = ['clubSpeedMps', 'attackDeg', 'pathDeg', 'dynamicLoftDeg', 'faceDeg', 'strikeToeMm', 'strikeHighMm'];

    /**
     * @param  list<string>  $names
     * @param  array<int, float>  $predicted  by field
     * @param  array<int, float>  $noise  SD of the monitor, by field
     * @param  array<int, array<int, float>>  $bySwing  slope by field and value of the swing (seven)
     * @param  array<int, array<int, float>>  $byTheta  slope by field and place in θ; what is not there is 0
     */
    private function __construct(
        public array $names, public array $predicted, public array $noise, public array $bySwing, public array $byTheta,
    ) {
    }

    /**
     * @param  list<string>  $names  fields, as `PlayerPriors::MONITOR_NOISE` names them
     * @param  array<int, float>  $swing  the nine values of the mean swing
     * @param  array<string, float>  $ball  the ball of it
     * @param  array<int, array<string, float>>  $slopes  of the ball, by value of the swing and field
     * @param  array<string, float>  $bend  by which the mean ball of a cloud of strikes differs from the ball of the mean strike
     * @param  array<int, array<int, float>>  $rows  how θ makes the swing (`Belief::rows`)
     */
    public static function of(array $names, array $swing, array $ball, array $slopes, array $bend, array $rows): self
    {
        $predicted = $noise = $bySwing = $byTheta = [];
        foreach ($names as $f => $name) {
            $club = array_search($name, self::OF_CLUB, true);
            $predicted[$f] = $club === false ? $ball[$name] + $bend[$name] : $swing[$club];
            $isShare = str_ends_with($name, 'Mps') || $name === 'spinRpm';
            $noise[$f] = PlayerPriors::MONITOR_NOISE[$name] * ($isShare ? $predicted[$f] : 1.0);
            $bySwing[$f] = $byTheta[$f] = [];
            foreach (Swing::STEP as $i => $_) {
                $bySwing[$f][$i] = $club === false ? $slopes[$i][$name] : ($i === $club ? 1.0 : 0.0);
            }
            foreach ($bySwing[$f] as $i => $slope) {
                self::add($byTheta[$f], $slope, $rows[$i]);
            }
            // What the impact model does not explain of speed and spin.
            if ($name === 'ballSpeedMps') {
                self::add($byTheta[$f], Swing::speedPerRestitution($predicted[$f]), $rows[Swing::RESTITUTION]);
            } elseif ($name === 'spinRpm') {
                self::add($byTheta[$f], $predicted[$f], $rows[Swing::SPIN_SHARE]);
            }
        }

        return new self($names, $predicted, $noise, $bySwing, $byTheta);
    }

    /**
     * Slopes of the ball along each value of the swing that scatters, and what a cloud of strikes takes from the mean ball: off
     * centre every ball is slower, so that the mean of many is slower than the one of the mean strike.
     *
     * @param  array<int, float>  $swing
     * @param  array<string, float>  $ball  of it
     * @param  array<int, array<int, float>>  $scatter
     * @return array{array<int, array<string, float>>, array<string, float>}|null slopes by value and field, the bend by field;
     *   null where the model gives no ball nearby
     */
    public static function around(Impact $impact, array $swing, array $ball, array $scatter): ?array
    {
        $out = [];
        $bend = array_map(static fn (): float => 0.0, $ball);
        foreach (Swing::STEP as $i => $h) {
            $up = $down = $swing;
            $up[$i] += $h;
            $down[$i] -= $h;
            [$above, $below] = [Swing::of($up)->ball($impact), Swing::of($down)->ball($impact)];
            if ($above === null || $below === null) {
                return null;
            }
            foreach ($above as $field => $value) {
                $out[$i][$field] = ($value - $below[$field]) / (2 * $h);
                if ($i === Swing::TOE || $i === Swing::HIGH) {
                    $bend[$field] += 0.5 * $scatter[$i][$i] * ($value - 2 * $ball[$field] + $below[$field]) / $h ** 2;
                }
            }
        }

        return [$out, $bend];
    }

    /**
     * @param  array<int, float>  $to
     * @param  array<int, float>  $row
     */
    private static function add(array &$to, float $slope, array $row): void
    {
        foreach ($row as $k => $factor) {
            $to[$k] = ($to[$k] ?? 0.0) + $slope * $factor;
        }
    }
}
