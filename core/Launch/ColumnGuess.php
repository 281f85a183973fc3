<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Units\Dimension;
use MintCarry\Core\Units\Unit;

/** Looks at a file's rows and proposes how to read them: header, units row, and for each column measure, unit, decimal mark and sign. */
final class ColumnGuess
{
    private const LOOK_FOR_HEADER_IN = 40;

    public static function of(TextFile $file): ColumnMap
    {
        $rows = array_column($file->rows, 1);
        $header = self::headerRow($rows);
        $units = $header !== null && isset($rows[$header + 1]) && self::isUnitsRow($rows[$header + 1]) ? $header + 1 : null;
        $first = $units !== null ? $units + 1 : ($header !== null ? $header + 1 : 0);
        $data = array_slice($rows, $first);
        $width = max(0, ...array_map(count(...), array_slice($rows, $header ?? 0, 60)));
        $columns = $isNamed = $taken = [];
        for ($i = 0; $i < $width; $i++) {
            $name = $header !== null ? ($rows[$header][$i] ?? '') : '';
            $measure = self::measure($name);
            if ($measure !== null && isset($taken[$measure->value]) && $measure !== Measure::Note) {
                $measure = null;
            }
            if ($measure !== null) {
                $taken[$measure->value] = true;
            }
            [$columns[], $isNamed[]] = self::column(
                $measure, $name, $units !== null ? $rows[$units][$i] ?? '' : '',
                array_map(static fn (array $row): string => $row[$i] ?? '', $data), $file->delimiter,
            );
        }

        return new ColumnMap($header, $units, (new UnitsTogether($columns, $isNamed, $data))->settled());
    }

    /** A remembered reading fits a file when the header words are the same; this is what they are compared by. */
    public static function signature(TextFile $file): ?string
    {
        $rows = array_column($file->rows, 1);
        $header = self::headerRow($rows);
        if ($header === null) {
            return null;
        }
        $units = isset($rows[$header + 1]) && self::isUnitsRow($rows[$header + 1]) ? $rows[$header + 1] : [];

        return hash('sha256', mb_strtolower(implode("\x1F", [...$rows[$header], ...$units])));
    }

    /** @param  list<list<string>>  $rows */
    private static function headerRow(array $rows): ?int
    {
        $best = null;
        $most = 1;
        foreach (array_slice($rows, 0, self::LOOK_FOR_HEADER_IN) as $i => $cells) {
            $known = count(array_filter($cells, static fn (string $cell): bool => self::measure($cell) !== null));
            if ($known > $most) {
                [$best, $most] = [$i, $known];
            }
        }

        return $best;
    }

    /** @param  list<string>  $cells */
    private static function isUnitsRow(array $cells): bool
    {
        $filled = array_filter($cells, static fn (string $cell): bool => trim($cell, '[]() -') !== '');
        $units = array_filter($filled, static fn (string $cell): bool => Unit::read($cell) !== null);

        return count($units) >= 2 &&
            count($units) >= 0.5 * count($filled) &&
            array_filter($filled, static fn (string $c): bool => is_numeric($c)) === [];
    }

    private static function measure(string $header): ?Measure
    {
        $words = (string) preg_replace('/([a-z])([A-Z])/', '$1 $2', str_replace('_', ' ', $header));
        $bare = (string) preg_replace('/[\(\[\{].*?[\)\]\}]/u', ' ', $words);

        return Measure::fromHeader($header) ??
            (Measure::fromHeader($bare) ??
                (Measure::fromHeader(self::withoutUnit($bare)) ??
                    Measure::fromHeader(self::withoutUnit(str_replace('_', ' ', $header)))));
    }

    private static function withoutUnit(string $words): string
    {
        $parts = preg_split('/[\s,\-–:]+/u', trim($words)) ?: [];
        while (count($parts) > 1 && Unit::read((string) end($parts)) !== null) {
            array_pop($parts);
        }

        return implode(' ', $parts);
    }

    private static function unitInHeader(string $header): ?Unit
    {
        if (preg_match('/[\(\[\{](.*?)[\)\]\}]/u', $header, $m) === 1) {
            foreach (preg_split('/[,;\s]+/', $m[1]) ?: [] as $word) {
                if (($unit = Unit::read($word)) !== null) {
                    return $unit;
                }
            }
        }
        $words = (string) preg_replace('/([a-z])([A-Z])/', '$1 $2', str_replace('_', ' ', $header));
        $parts = preg_split('/[\s,\-–:]+/u', trim($words)) ?: [];

        return count($parts) > 1 ? Unit::read((string) end($parts)) : null;
    }

    /**
     * @param  list<string>  $cells
     * @return array{Column, bool} the column as far as it can be read alone, and whether its unit is named
     */
    private static function column(?Measure $measure, string $header, string $unitCell, array $cells, string $delimiter): array
    {
        if ($measure === null || $measure->dimension() === Dimension::Text) {
            return [new Column($measure), true];
        }
        $parsed = [];
        foreach (array_slice($cells, 0, 2000) as $cell) {
            $one = Cell::parse($cell);
            if ($one->digits !== null) {
                $parsed[] = $one;
            }
        }
        $named = self::fitting($measure, Unit::read($unitCell)) ?? self::fitting($measure, self::unitInHeader($header))
            ?? self::fitting($measure, $parsed === [] ? null : $parsed[0]->unit);
        $mark = self::decimalMark($measure, $named, $parsed, $delimiter);
        $values = array_values(
            array_filter(
                array_map(static fn (Cell $c): ?float => $c->magnitude($mark), $parsed),
                static fn (?float $v): bool => $v !== null && $v > 0,
            ),
        );
        $unit = $named ?? self::likeliestUnit($measure, $values);
        $letters = array_filter($parsed, static fn (Cell $c): bool => $c->side !== null);
        $zeroIsBlank = $measure->zeroMeansNoReading() || (count($parsed) > 1 && $values === []);

        return [new Column($measure, $unit, $mark, self::plus($measure, $header, $letters !== []), $zeroIsBlank), $named !== null];
    }

    private static function fitting(Measure $measure, ?Unit $unit): ?Unit
    {
        return $unit !== null && $unit->dimension() === $measure->dimension() ? $unit : null;
    }

    /** @param  list<Cell>  $cells */
    private static function decimalMark(Measure $measure, ?Unit $unit, array $cells, string $delimiter): string
    {
        $votes = ['.' => 0, ',' => 0];
        foreach ($cells as $cell) {
            foreach (['.', ','] as $mark) {
                $evidence = $cell->evidence($mark);
                if ($evidence === 'decimal') {
                    $votes[$mark]++;
                } elseif ($evidence === 'thousands') {
                    $votes[$mark === '.' ? ',' : '.']++;
                }
            }
        }
        if ($votes['.'] !== $votes[',']) {
            return $votes['.'] > $votes[','] ? '.' : ',';
        }
        // "2,450" can be either: which reading lies where driver shots lie?
        $inside = ['.' => 0, ',' => 0];
        foreach (['.', ','] as $mark) {
            foreach ($cells as $cell) {
                $value = $cell->magnitude($mark);
                foreach ($unit !== null ? [$unit] : $measure->units() as $candidate) {
                    if ($value !== null && self::isPlausible($measure, $candidate, $value)) {
                        $inside[$mark]++;
                        break;
                    }
                }
            }
        }
        if ($inside['.'] !== $inside[',']) {
            return $inside['.'] > $inside[','] ? '.' : ',';
        }

        return $delimiter === ';' ? ',' : '.';
    }

    /** @param  list<float>  $values */
    private static function likeliestUnit(Measure $measure, array $values): Unit
    {
        $units = $measure->units();
        $best = $units[0];
        $most = -1;
        foreach ($units as $unit) {
            $inside = count(array_filter($values, static fn (float $v): bool => self::isPlausible($measure, $unit, $v)));
            if ($inside > $most) {
                [$best, $most] = [$unit, $inside];
            }
        }

        return $best;
    }

    private static function isPlausible(Measure $measure, Unit $unit, float $value): bool
    {
        [$low, $high] = $measure->plausible();
        $kept = $unit->to($measure->unit() ?? $unit, $value);

        return $kept >= $low && $kept <= $high;
    }

    private static function plus(Measure $measure, string $header, bool $hasLetters): ?string
    {
        $signs = $measure->signs();
        if ($signs === []) {
            return null;
        }
        // "(+ left)", "L+", "toe +" in the header says it; letters in the cells make the question moot.
        $said =
            preg_match(
                '/\+\s*(?:is|=|means)?\s*(left|right|toe|heel|high|low|up|down|l|r)\b|\b(left|right|toe|heel|high|low|up|down|l|r)\s*(?:is|=)?\s*\+/i',
                $header, $m,
            ) === 1
                ? mb_strtolower($m[2] ?? $m[1])
                : '';
        $word = ['l' => 'left', 'r' => 'right', 'high' => 'up', 'low' => 'down'][$said] ?? $said;

        return in_array($word, $signs, true) ? $word : $signs[0];
    }
}
