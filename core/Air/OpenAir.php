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
        $of = [];
        $standard = new Atmosphere;
        $else = ['temperatureC' => $standard->temperatureC, 'altitudeM' => $standard->altitudeM];
        foreach (self::NUMBERS as $name => [$low, $high]) {
            $value = $conditions[$name] ?? $else[$name] ?? 0.0;
            if (! is_numeric($value) || $value < $low || $value > $high) {
                return null;
            }
            $of[$name] = (float) $value;
        }

        return new self(new Wind($of['windMps'], $of['windFromDeg']), new Atmosphere($of['temperatureC'], $of['altitudeM']));
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
