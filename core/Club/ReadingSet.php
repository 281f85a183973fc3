<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use MintCarry\Core\Errors\InvalidInput;

/** Readings of one head taken in one go: some values, each read once or a few times, at one sleeve position, with the head held one way. */
final readonly class ReadingSet
{
    /** What can be read, its possible range, unit, and how far a reading may lie from the others before it is doubted. */
    public const QUANTITIES = [
        'loftDeg' => [4, 20, '°', 0.6], 'lieDeg' => [45, 72, '°', 0.8], 'faceOpenDeg' => [-10, 10, '°', 0.8],
        'massG' => [120, 260, 'g', 1.5],
    ];

    /** @param  array<string, list<float>>  $values  by quantity; `faceOpenDeg` + = open */
    public function __construct(public array $values, public string $position = '', public AddressHabit $readAs = AddressHabit::Soled)
    {
        if (array_filter($values, static fn (array $readings): bool => $readings !== []) === []) {
            throw InvalidInput::of('values', 'A reading needs at least one value: loft, lie, face or mass.');
        }
        foreach ($values as $quantity => $readings) {
            [$low, $high, $unit] =
                self::QUANTITIES[$quantity] ??
                throw InvalidInput::of((string) $quantity, "'{$quantity}' is not something that is read of a head.");
            foreach ($readings as $value) {
                InvalidInput::requireWithin($quantity, $value, $low, $high, $unit);
            }
            if (count($readings) > 10) {
                throw InvalidInput::of($quantity, 'A set holds at most ten readings of one value.');
            }
        }
    }

    public function has(string $quantity): bool
    {
        return ($this->values[$quantity] ?? []) !== [];
    }

    public function mean(string $quantity): float
    {
        $readings = $this->values[$quantity] ?? [];

        return $readings === [] ? throw InvalidInput::of($quantity, "{$quantity} was not read.") : array_sum($readings) / count($readings);
    }

    /** Largest minus smallest reading; 0 for a single one. */
    public function spread(string $quantity): float
    {
        $readings = $this->values[$quantity] ?? [];

        return $readings === [] ? 0.0 : max($readings) - min($readings);
    }

    /**
     * Readings that lie far from the others of their value: quantity and value.
     *
     * @return list<array{quantity: string, value: float, others: float}>
     */
    public function doubtful(): array
    {
        $out = [];
        foreach ($this->values as $quantity => $readings) {
            foreach ($readings as $i => $value) {
                $others = $readings;
                unset($others[$i]);
                sort($others);
                $n = count($others);
                if ($n < 2) {
                    continue;
                }
                $middle = ($others[intdiv($n - 1, 2)] + $others[intdiv($n, 2)]) / 2;
                // Far from the middle of the others, while the others agree.
                if (
                    abs($value - $middle) > self::QUANTITIES[$quantity][3] &&
                    self::QUANTITIES[$quantity][3] >= $others[$n - 1] - $others[0]
                ) {
                    $out[] = ['quantity' => $quantity, 'value' => $value, 'others' => $middle];
                }
            }
        }

        return $out;
    }
}
