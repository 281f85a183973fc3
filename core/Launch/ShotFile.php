<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Units\Dimension;

/** Reads the rows of a file by a column map. Rows that cannot be read are returned with the reason, never dropped. */
final readonly class ShotFile
{
    /** @param  bool  $carryAlone  is a carry enough, without ball speed, launch and spin? */
    public function __construct(
        private TextFile $file, private ColumnMap $map, private Hand $hand, private BallFlight $flight = new BallFlight,
        private bool $carryAlone = false,
    ) {
    }

    /** @return list<ShotRow> */
    public function rows(): array
    {
        if ($this->map->missing() !== [] && ! ($this->carryAlone && $this->map->has(Measure::Carry))) {
            $names = implode(', ', array_map(static fn (Measure $m): string => $m->label(), $this->map->missing()));
            throw InvalidInput::of('columns', "No column is set to {$names}. A shot needs ball speed, launch angle and spin.");
        }
        $header = $this->map->headerRow !== null ? $this->file->rows[$this->map->headerRow][1] ?? [] : [];
        $first =
            $this->map->unitsRow !== null ? $this->map->unitsRow + 1 : ($this->map->headerRow !== null ? $this->map->headerRow + 1 : 0);
        $out = [];
        $seen = [];
        foreach (array_slice($this->file->rows, $first) as [$line, $cells]) {
            if ($header !== [] && array_map(mb_strtolower(...), $cells) === array_map(mb_strtolower(...), $header)) {
                $out[] = new ShotRow($line, 'header', [], [], null, null, null, []);

                continue;
            }
            if ($this->isUnitsAgain($cells)) {
                $out[] = new ShotRow($line, 'header', [], [], null, null, null, []);

                continue;
            }
            $row = $this->row($line, $cells, $header);
            if ($row->kind === 'shot' && $row->isReadable()) {
                $key = ShotRow::keyOf($row->values, $row->hitAt).'|'.($row->setupTag ?? '');
                if (isset($seen[$key]) && ! $this->map->keepRepeats) {
                    $row = new ShotRow($line, 'repeat', $row->values, $row->typed, $row->setupTag, $row->hitAt, $row->note, [
                        new Issue('row', false, "The same shot as row {$seen[$key]}"),
                    ]);
                }
                $seen[$key] ??= $line;
            }
            $out[] = $row;
        }

        return $out;
    }

    /** @param  list<string>  $cells */
    private function isUnitsAgain(array $cells): bool
    {
        return $this->map->unitsRow !== null && $cells === ($this->file->rows[$this->map->unitsRow][1] ?? null);
    }

    /**
     * @param  list<string>  $cells
     * @param  list<string>  $header
     */
    private function row(int $line, array $cells, array $header): ShotRow
    {
        if (! $this->map->keepSummaryRows && SummaryRow::is($cells, $header, $this->map)) {
            return new ShotRow($line, 'summary', [], [], null, null, null, []);
        }
        [$values, $typed, $texts, $issues] = $this->cells($cells);
        [$computed, $leftOut] = self::ofOurOwn($cells, $header);
        foreach ($computed as $field) {
            unset($values[$field], $typed[$field]);
        }
        $smash = $values['smash'] ?? null;
        if ($smash !== null && ($smash > 20 || $smash < 0.05)) {
            $values['smash'] = $smash > 20 ? $smash / 100 : $smash * 100;
        }
        if ($typed === [] || ($values === [] && $issues === [])) {
            return new ShotRow($line, 'bad', [], $typed, null, null, null, [
                new Issue('row', true, 'Nothing in this row can be read as a shot'),
            ]);
        }
        $refusedFields = array_column($issues, 'field');
        $shot = LaunchShot::of($values, $this->flight);
        $values = $shot->measured;
        foreach ($shot->issues() as $issue) {
            $isNeeded = ! ($this->carryAlone && isset($values['carryM']) && ! isset($values[$issue->field]));
            if (! in_array($issue->field, $refusedFields, true) && $isNeeded) {
                $issues[] = $issue;
            }
        }
        $refused = array_filter($issues, static fn (Issue $issue): bool => $issue->refused) !== [];

        return new ShotRow(
            $line, $refused ? 'bad' : 'shot', $values, $typed, $texts['setupTag'] ?? null, $texts['hitAt'] ?? null,
            $texts['note'] ?? null, $issues, $leftOut,
        );
    }

    /**
     * What the table that the application itself gives out says of a shot beside its values: which of them were computed, so that
     * nothing comes back as measured that never was, and why it does not count.
     *
     * @param  list<string>  $cells
     * @param  list<string>  $header
     * @return array{list<string>, string|null}
     */
    private static function ofOurOwn(array $cells, array $header): array
    {
        $at = array_flip($header);
        if (! isset($at['shot'], $at['setup'], $at['computed'], $at['leftOut'], $at['source'])) {
            return [[], null];
        }
        $leftOut = trim($cells[$at['leftOut']] ?? '');

        return [array_values(array_filter(explode(' ', $cells[$at['computed']] ?? ''))), $leftOut === '' ? null : $leftOut];
    }

    /**
     * @param  list<string>  $cells
     * @return array{array<string, float>, array<string, string>, array<string, string>, list<Issue>} values in kept units and as
     *   they were typed, both by measure; texts; what is wrong
     */
    private function cells(array $cells): array
    {
        $values = [];
        $typed = [];
        $issues = [];
        $texts = [];
        $noClub = false;
        foreach ($this->map->columns as $i => $column) {
            $text = $cells[$i] ?? '';
            $measure = $column->measure;
            if ($measure === null || $text === '') {
                continue;
            }
            if ($measure->dimension() === Dimension::Text) {
                $texts[$measure->value] = trim(($texts[$measure->value] ?? '').' '.$text);

                continue;
            }
            $typed[$measure->value] = $text;
            $cell = Cell::parse($text);
            if ($cell->blank) {
                continue;
            }
            $magnitude = $cell->magnitude($column->decimalMark);
            if ($magnitude === null || ($cell->unit !== null && $cell->unit->dimension() !== $measure->dimension())) {
                $issues[] = new Issue(
                    $measure->value, true, sprintf("%s '%s' is not a number", $measure->label(), mb_strimwidth($text, 0, 40, '…')),
                );

                continue;
            }
            if ($magnitude === 0.0 && $column->zeroIsBlank) {
                $noClub = $noClub || $measure === Measure::ClubSpeed;

                continue;
            }
            try {
                $values[$measure->value] = $column->kept($cell, $magnitude, $this->hand);
            } catch (InvalidInput $e) {
                $issues[] = new Issue($measure->value, true, $e->getMessage());
            }
        }
        if ($noClub) {
            // No club speed was read: zeros beside it are not a square face, they are missing too.
            foreach (['attackDeg', 'pathDeg', 'faceDeg', 'faceToPathDeg', 'strikeToeMm', 'strikeHighMm'] as $field) {
                if (($values[$field] ?? null) === 0.0) {
                    unset($values[$field]);
                }
            }
        }

        return [$values, $typed, $texts, $issues];
    }
}
