<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Errors\InvalidInput;

/** How a whole file is to be read: where its header is, and what each column holds. */
final readonly class ColumnMap
{
    /**
     * @param  int|null  $headerRow  index into the file's rows, null when it has no header
     * @param  list<Column>  $columns  by position
     */
    public function __construct(
        public ?int $headerRow,
        public ?int $unitsRow,
        public array $columns,
        public bool $keepSummaryRows = false,
        public bool $keepRepeats = false,
    ) {
        $seen = [];
        foreach ($columns as $i => $column) {
            if ($column->measure !== null && $column->measure !== Measure::Note) {
                if (isset($seen[$column->measure->value])) {
                    throw InvalidInput::of(
                        'columns',
                        sprintf(
                            'Columns %d and %d are both set to %s; set one of them aside.', $seen[$column->measure->value] + 1,
                            $i + 1, $column->measure->label(),
                        ),
                    );
                }
                $seen[$column->measure->value] = $i;
            }
        }
    }

    public function has(Measure $measure): bool
    {
        foreach ($this->columns as $column) {
            if ($column->measure === $measure) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Measure> required measures that no column gives, directly or by derivation */
    public function missing(): array
    {
        return array_values(array_filter(Measure::required(), fn (Measure $m): bool => ! $this->has($m)
            && ! ($m === Measure::Spin && $this->has(Measure::BackSpin))
            && ! ($m === Measure::BallSpeed && $this->has(Measure::ClubSpeed) && $this->has(Measure::Smash))));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'headerRow' => $this->headerRow, 'unitsRow' => $this->unitsRow,
            'columns' => array_map(static fn (Column $c): array => $c->toArray(), $this->columns),
            'keepSummaryRows' => $this->keepSummaryRows, 'keepRepeats' => $this->keepRepeats,
        ];
    }

    /** @param  array<mixed>  $data */
    public static function fromArray(array $data): self
    {
        $columns = $data['columns'] ?? null;
        if (! is_array($columns)) {
            throw InvalidInput::of('columns', 'The reading of the columns is missing.');
        }
        $row = static fn (string $key): ?int => is_numeric($data[$key] ?? null) ? (int) $data[$key] : null;

        return new self(
            $row('headerRow'), $row('unitsRow'),
            array_map(static fn (mixed $c): Column => Column::fromArray(is_array($c) ? $c : []), array_values($columns)),
            (bool) ($data['keepSummaryRows'] ?? false), (bool) ($data['keepRepeats'] ?? false),
        );
    }
}
