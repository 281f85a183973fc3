<?php

declare(strict_types=1);

namespace MintCarry\Core\Air;

use MintCarry\Core\Errors\InvalidInput;

/**
 * The air a ball flies through.
 *
 * Pressure from altitude: ICAO standard atmosphere, p = 101325 (1 − 2.25577e-5 h)^5.25588 Pa.
 * Saturation vapour pressure: Magnus form 610.94 exp(17.625 T/(T + 243.04)) Pa (Alduchov & Eskridge 1996, from memory).
 * Dynamic viscosity: Sutherland's law, 1.458e-6 T^1.5/(T + 110.4) Pa s (ICAO standard atmosphere).
 * Density: sum of dry air (287.058 J/kg K) and water vapour (461.495 J/kg K) as ideal gases.
 */
final readonly class Atmosphere
{
    public float $densityKgM3;

    public float $pressurePa;

    /** Dynamic viscosity, Pa s (Sutherland's formula, ICAO standard atmosphere, from memory). */
    public float $viscosityPaS;

    /**
     * @param  float|null  $pressureHpa  station pressure; when given it wins over the altitude
     *
     * @throws InvalidInput when a value is outside what a golf course or bay can have
     */
    public function __construct(
        public float $temperatureC = 18.0,
        public float $altitudeM = 0.0,
        public float $humidity = 0.5,
        ?float $pressureHpa = null,
    ) {
        InvalidInput::requireWithin('temperatureC', $temperatureC, -30, 55, '°C');
        InvalidInput::requireWithin('altitudeM', $altitudeM, -500, 5000, 'm');
        InvalidInput::requireWithin('humidity', $humidity, 0, 1);
        if ($pressureHpa !== null) {
            InvalidInput::requireWithin('pressureHpa', $pressureHpa, 500, 1100, 'hPa');
        }

        $this->pressurePa = $pressureHpa !== null
            ? $pressureHpa * 100
            : 101325 * (1 - 2.25577e-5 * $altitudeM) ** 5.25588;
        $kelvin = $temperatureC + 273.15;
        $this->viscosityPaS = 1.458e-6 * $kelvin ** 1.5 / ($kelvin + 110.4);
        $vapourPa = $humidity * 610.94 * exp(17.625 * $temperatureC / ($temperatureC + 243.04));
        $this->densityKgM3 = ($this->pressurePa - $vapourPa) / (287.058 * $kelvin) + $vapourPa / (461.495 * $kelvin);
    }
}
