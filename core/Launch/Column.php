<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Units\Unit;

/** How one column of a file is to be read. `measure` null = leave the column out. */
final readonly class Column
{
    public function __construct(
        public ?Measure $measure,
        public ?Unit $unit = null,
        public string $decimalMark = '.',
        /** What a plus without a letter means: right, left, toe, heel, up or down. */
        public ?string $plus = null,
        /** True when zeros here mean "no reading". */
        public bool $zeroIsBlank = false,
        /** Why this unit was taken, where nothing named one. */
        public string $unitWhy = '',
    ) {
        if ($measure !== null && $measure->unit() !== null && ($unit === null || $unit->dimension() !== $measure->dimension())) {
            throw InvalidInput::of(
                'unit',
                sprintf(
                    '%s needs a unit of %s%s.', ucfirst($measure->label()), $measure->dimension()->value,
                    $unit === null ? '' : ", not {$unit->value}",
                ),
            );
        }
        if (! in_array($decimalMark, ['.', ','], true)) {
            throw InvalidInput::of('decimalMark', "The decimal mark must be a dot or a comma, not '{$decimalMark}'.");
        }
        if ($plus !== null && $measure !== null && ! in_array($plus, $measure->signs(), true)) {
            throw InvalidInput::of('plus', sprintf("For %s a plus cannot mean '%s'.", $measure->label(), $plus));
        }
    }

    /** The same column in another unit, and why. */
    public function inUnit(Unit $unit, string $why): self
    {
        return new self($this->measure, $unit, $this->decimalMark, $this->plus, $this->zeroIsBlank, $why);
    }

    /**
     * A cell's value in the kept unit and sign. A letter in the cell (L, R, toe …) wins over what a plus means in this column.
     *
     * @throws InvalidInput when the cell points somewhere this measure cannot
     */
    public function kept(Cell $cell, float $magnitude, Hand $hand): float
    {
        $measure = $this->measure ?? throw InvalidInput::of('measure', 'This column is left out.');
        $unit = $cell->unit ?? $this->unit;
        $kept = $measure->unit();
        $value = $unit !== null && $kept !== null ? $unit->to($kept, $magnitude) : $magnitude;
        $signs = $measure->signs();
        if ($signs === []) {
            if ($cell->side !== null) {
                throw InvalidInput::of($measure->value, sprintf("%s cannot have a side ('%s')", $measure->label(), $cell->side));
            }

            return $cell->negative ? -$value : $value;
        }
        $side = $cell->side ?? $this->plus ?? $signs[0];
        $value = $cell->negative && $cell->side === null ? -$value : $value;
        // "high" and "low" share a letter with heel; for a strike height h means high.
        if ($measure === Measure::StrikeHigh && $side === 'heel') {
            $side = 'up';
        }
        if ($measure === Measure::StrikeHigh && $cell->side === 'left') {
            $side = 'down';
        }
        if (! in_array($side, $signs, true)) {
            throw InvalidInput::of($measure->value, sprintf("%s cannot point to '%s'", $measure->label(), $side));
        }

        return match ($side) {
            'left', 'down' => -$value,
            'heel' => $measure === Measure::StrikeToe ? -$value : -$value * $hand->sign(),
            'toe' => $measure === Measure::StrikeToe ? $value : $value * $hand->sign(),
            default => $value,
        };
    }

    /** @return array{measure: ?string, unit: ?string, decimalMark: string, plus: ?string, zeroIsBlank: bool} */
    public function toArray(): array
    {
        return [
            'measure' => $this->measure?->value, 'unit' => $this->unit?->value, 'decimalMark' => $this->decimalMark,
            'plus' => $this->plus, 'zeroIsBlank' => $this->zeroIsBlank,
        ];
    }

    /** @param  array<mixed>  $data */
    public static function fromArray(array $data): self
    {
        $name = $data['measure'] ?? null;
        $measure =
            is_string($name) && $name !== ''
                ? Measure::tryFrom($name) ?? throw InvalidInput::of('measure', "'{$name}' is not a measure.")
                : null;
        $unitName = $data['unit'] ?? null;
        $unit =
            is_string($unitName) && $unitName !== ''
                ? Unit::tryFrom($unitName) ?? throw InvalidInput::of('unit', "'{$unitName}' is not a unit.")
                : null;
        $mark = $data['decimalMark'] ?? '.';
        $plus = $data['plus'] ?? null;

        return new self(
            $measure, $measure?->unit() === null ? null : $unit ?? $measure->units()[0], is_string($mark) ? $mark : '.',
            is_string($plus) && $plus !== '' ? $plus : null, (bool) ($data['zeroIsBlank'] ?? false),
        );
    }
}
