<?php

declare(strict_types=1);

namespace MintCarry\Core\Order;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Errors\InvalidInput;

/**
 * What gauge, ruler and balance say of a built club with its sleeve where it was ordered: loft, lie and face of the head left on its sole, deg,
 * face + = open for that hand; length mm; swing weight in points above A0; mass of the whole club g. A null was not read, or not ordered.
 */
final readonly class ClubFigures
{
    /** Within which a reading can be one. */
    public const BOUNDS = [
        'loftDeg' => [5, 20, '°'], 'lieDeg' => [45, 75, '°'], 'faceOpenDeg' => [-8, 8, '°'], 'lengthMm' => [900, 1300, 'mm'],
        'swingWeightPoints' => [0, 69.9, 'points'], 'massG' => [200, 450, 'g'],
    ];

    /** How far a built club may be off. Common practice in workshops, no source; a studio writes its own on an order. */
    public const TOLERANCES = [
        'loftDeg' => 0.5, 'lieDeg' => 1.0, 'faceOpenDeg' => 0.5, 'lengthMm' => 3.0, 'swingWeightPoints' => 1.0, 'massG' => 4.0,
    ];

    /** @throws InvalidInput naming what cannot be read so */
    public function __construct(
        public Hand $hand, public ?float $loftDeg = null, public ?float $lieDeg = null, public ?float $faceOpenDeg = null,
        public ?float $lengthMm = null, public ?float $swingWeightPoints = null, public ?float $massG = null,
    ) {
        foreach (self::outOfBounds(get_object_vars($this)) as $first) {
            throw $first;
        }
    }

    /**
     * What cannot be read of a club, by figure.
     *
     * @param  array<string, mixed>  $read  what is no number there was not read
     * @return array<string, InvalidInput>
     */
    public static function outOfBounds(array $read): array
    {
        $out = [];
        foreach (self::BOUNDS as $name => [$low, $high, $unit]) {
            try {
                is_numeric($read[$name] ?? null) && InvalidInput::requireWithin($name, (float) $read[$name], $low, $high, $unit);
            } catch (InvalidInput $e) {
                $out[$name] = $e;
            }
        }

        return $out;
    }

    /**
     * @param  array<string, mixed>  $kept
     */
    public static function fromArray(array $kept, Hand $hand): self
    {
        $number = static fn (string $name): ?float => is_numeric($kept[$name] ?? null) ? (float) $kept[$name] : null;

        return new self(
            Hand::from(is_string($kept['hand'] ?? null) ? $kept['hand'] : $hand->value),
            ...array_combine(array_keys(self::BOUNDS), array_map($number, array_keys(self::BOUNDS))),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['hand' => $this->hand->value] + get_object_vars($this);
    }
}
