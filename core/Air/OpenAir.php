<?php

declare(strict_types=1);

namespace MintCarry\Core\Air;

/**
 * The wind and the air that a trial outdoors was hit in, as somebody typed them. In a bay nobody types any: what a monitor shows
 * there is taken as it is.
 */
final readonly class OpenAir
{
    /** What may be typed, with its bounds in the kept unit. */
    public const NUMBERS = [
        'windMps' => [0, 20, 'm/s'], 'windFromDeg' => [0, 360, '°'], 'temperatureC' => [-30, 55, '°C'], 'altitudeM' => [-500, 5000, 'm'],
    ];

    public function __construct(public Wind $wind, public Atmosphere $air)
    {
    }

    /**
     * @param  array<mixed>  $conditions  of a trial: `outdoors`, and the numbers above in m/s, °, °C and m; what is missing is calm,
     *   straight ahead, and the standard air
     * @return self|null null where the trial was hit in a bay, or holds what cannot be
     */
    public static function of(array $conditions): ?self
    {
        if (($conditions['outdoors'] ?? false) !== true) {
            return null;
        }
        $standard = new Atmosphere;
        $of = array_intersect_key($conditions, self::NUMBERS)
            + ['windMps' => 0.0, 'windFromDeg' => 0.0, 'temperatureC' => $standard->temperatureC, 'altitudeM' => $standard->altitudeM];
        foreach (self::NUMBERS as $name => [$low, $high]) {
            if (! is_numeric($of[$name]) || $of[$name] < $low || $of[$name] > $high) {
                return null;
            }
        }

        return new self(
            new Wind((float) $of['windMps'], (float) $of['windFromDeg']),
            new Atmosphere((float) $of['temperatureC'], (float) $of['altitudeM']),
        );
    }

    public function isWindy(): bool
    {
        return $this->wind->speedMps > 0;
    }

    /** Two that are the same give the same key. */
    public function key(): string
    {
        return implode('|', [$this->wind->speedMps, $this->wind->fromDeg, $this->air->temperatureC, $this->air->altitudeM]);
    }
}
