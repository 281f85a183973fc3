<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Statistics\Interval;

use function array_keys;
use function max;
use function min;

/**
 * The launch, spin, apex and descent that this player wants: what every delivered loft within 1 % of the school's best
 * gives with their speed and attack (`FlightTarget`). Where the brief tells the six-iron's apex, the apex is that one,
 * a tenth more or less (common practice, no source).
 */
final readonly class WantedFlight
{
    private const NEAR_SIX_IRON = 0.1;

    /** @param  array<string, array{low: float, high: float}>  $bands  by figure: launchDeg, spinRpm, apexM, descentDeg */
    private function __construct(public array $bands)
    {
    }

    public static function of(FlightTarget $target, ?float $sixIronApexM = null): self
    {
        [$least, $most] = $target->bandDeg;
        $bands = [];
        foreach (['launchDeg', 'spinRpm', 'apexM', 'descentDeg'] as $figure) {
            // At the ends of the band the ridge is read between its steps: the ends do not jump from one step to the next.
            $told = [self::at($target->ridge, $least, $figure), self::at($target->ridge, $most, $figure)];
            foreach ($target->ridge as $point) {
                if ($point['loftDeg'] > $least && $point['loftDeg'] < $most) {
                    $told[] = $point[$figure];
                }
            }
            [$low, $high] = [min($told), max($told)];
            $bands[$figure] = ['low' => $low, 'high' => $high];
        }
        if ($sixIronApexM !== null) {
            $bands['apexM'] = ['low' => (1 - self::NEAR_SIX_IRON) * $sixIronApexM, 'high' => (1 + self::NEAR_SIX_IRON) * $sixIronApexM];
        }

        return new self($bands);
    }

    /** @param  list<array<string, float>>  $ridge  by delivered loft */
    private static function at(array $ridge, float $loftDeg, string $figure): float
    {
        $last = $ridge[0];
        foreach ($ridge as $point) {
            if ($point['loftDeg'] >= $loftDeg) {
                $step = $point['loftDeg'] - $last['loftDeg'];
                $share = $step > 0 ? ($loftDeg - $last['loftDeg']) / $step : 1.0;

                return $last[$figure] + $share * ($point[$figure] - $last[$figure]);
            }
            $last = $point;
        }

        return $last[$figure];
    }

    /** @return 'low'|'wanted'|'high' */
    public function standing(string $figure, float $value): string
    {
        ['low' => $low, 'high' => $high] = $this->bands[$figure];

        return $value < $low ? 'low' : ($value > $high ? 'high' : 'wanted');
    }

    /**
     * Each figure that is known, and how it stands to what is wanted.
     *
     * @param  array<string, ExpectedFigure>  $expected
     * @return array<string, array{value: float, interval: Interval, standing: string}>
     */
    public function tell(array $expected): array
    {
        $out = [];
        foreach (array_keys($this->bands) as $figure) {
            if (isset($expected[$figure])) {
                $of = $expected[$figure];
                $out[$figure] = ['value' => $of->value, 'interval' => $of->interval, 'standing' => $this->standing($figure, $of->value)];
            }
        }

        return $out;
    }
}
