<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

use function array_keys;
use function get_object_vars;
use function is_float;
use function is_int;

/** How a club is brought to a length, as the fitter chose it among the ways there are (`LengthBalance`), for the workshop. */
final readonly class LengthPlan
{
    /** What can be said, and between which bounds. */
    public const BOUNDS = [
        'lengthMm' => [1000.0, EquipmentRules::MOST_LENGTH_MM], 'headG' => [-40.0, 60.0], 'buttG' => [-60.0, 60.0], 'gripG' => [10.0,
            150.0],
        'tipCutMm' => [0.0, 200.0], 'buttCutMm' => [-120.0, 400.0], 'swingWeightPoints' => [0.0, 69.9], 'totalG' => [200.0, 500.0],
    ];

    /** @throws InvalidInput naming what cannot be */
    public function __construct(
        public float $lengthMm, public float $headG, public float $buttG, public float $gripG, public float $tipCutMm,
        public float $buttCutMm,
        public float $swingWeightPoints, public float $totalG,
    ) {
        foreach (self::BOUNDS as $name => [$low, $high]) {
            InvalidInput::requireWithin($name, $this->{$name}, $low, $high);
        }
    }

    /**
     * @param  array<mixed>  $kept
     *
     * @throws InvalidInput
     */
    public static function fromArray(array $kept): self
    {
        $values = [];
        foreach (array_keys(self::BOUNDS) as $name) {
            $value = $kept[$name] ?? null;
            if (! is_int($value) && ! is_float($value)) {
                throw InvalidInput::of($name, "The length plan needs a number for {$name}.");
            }
            $values[] = (float) $value;
        }

        return new self(...$values);
    }

    /** @return array<string, float> */
    public function toArray(): array
    {
        return get_object_vars($this);
    }
}
