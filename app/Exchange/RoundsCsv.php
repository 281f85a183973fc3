<?php

declare(strict_types=1);

namespace App\Exchange;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\FollowUp\PlayedRound;
use MintCarry\Core\Units\Unit;

/**
 * Rounds as a table: a line each, with a head that names the columns (`played, course, club, holes, hit, left, right, lost, drive 1, drive 2, unit,
 * feel`). Read whole or not at all; what cannot be read is said by line.
 */
final class RoundsCsv
{
    private const COLUMNS = ['played', 'course', 'club', 'holes', 'hit', 'left', 'right', 'lost', 'drive 1', 'drive 2', 'unit', 'feel'];

    private const NEEDED = ['played', 'course', 'holes', 'hit'];

    private const MOST = 200;

    /**
     * @return list<array{played: PlayedRound, playedOn: string, typed: array<string, string>}>
     *
     * @throws UnreadableFile naming the line and what is wrong with it
     */
    public static function read(string $bytes): array
    {
        $text = (string) preg_replace('/^\xEF\xBB\xBF/', '', $bytes);
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw UnreadableFile::because('The file is no text in UTF-8. Nothing was stored.');
        }
        $lines = array_values(array_filter(preg_split('/\r\n|\r|\n/', $text) ?: [], static fn (string $l): bool => trim($l) !== ''));
        if (count($lines) < 2 || count($lines) > self::MOST + 1) {
            throw UnreadableFile::because('The file wants a head and 1 to '.self::MOST.' lines, a round each. Nothing was stored.');
        }
        $delimiter = substr_count($lines[0], ';') > substr_count($lines[0], ',') ? ';' : ',';
        $head = array_map(static fn (?string $c): string => trim(mb_strtolower((string) $c)), str_getcsv($lines[0], $delimiter, '"', ''));
        foreach (self::NEEDED as $column) {
            in_array($column, $head, true) || throw UnreadableFile::because("The head names no column '{$column}'; it may name ".implode(', ', self::COLUMNS).'. Nothing was stored.');
        }
        $out = [];
        foreach (array_slice($lines, 1) as $i => $line) {
            $cells = str_getcsv($line, $delimiter, '"', '');
            $row = [];
            foreach ($head as $at => $column) {
                $row[$column] = trim((string) ($cells[$at] ?? ''));
            }
            try {
                $out[] = self::round($row);
            } catch (InvalidInput $e) {
                throw UnreadableFile::because('Line '.($i + 2).": {$e->getMessage()} Nothing was stored.");
            }
        }

        return $out;
    }

    /**
     * @param  array<string, string>  $row
     * @return array{played: PlayedRound, playedOn: string, typed: array<string, string>}
     */
    private static function round(array $row): array
    {
        $count = static fn (string $column): int => preg_match('/^\d{0,2}$/', $row[$column] ?? '') === 1
            ? (int) ($row[$column] ?? 0)
            : throw InvalidInput::of($column, "'{$row[$column]}' is no count for {$column}.");
        $unit = mb_strtolower($row['unit'] ?? '');
        if (! in_array($unit, ['', 'm', 'yd'], true)) {
            throw InvalidInput::of('unit', "'{$unit}' is no unit of a drive; it is m or yd.");
        }
        $drives = [];
        foreach (['drive 1', 'drive 2'] as $column) {
            $text = str_replace(',', '.', $row[$column] ?? '');
            if ($text !== '') {
                is_numeric($text) || throw InvalidInput::of($column, "'{$text}' is no length of a drive.");
                $drives[] = (float) $text * ($unit === 'yd' ? Unit::Yards->factor() : 1.0);
            }
        }
        $date = \DateTimeImmutable::createFromFormat('!Y-m-d', $row['played']);
        if ($date === false || $date->format('Y-m-d') !== $row['played']) {
            throw InvalidInput::of('played', "'{$row['played']}' is no day; write it like 2026-11-27.");
        }

        return [
            'played' => PlayedRound::of(
                $row['course'], ($row['club'] ?? '') === '' ? 'new' : mb_strtolower($row['club']), $count('holes'), $count('hit'),
                $count('left'), $count('right'),
                $count('lost'), $drives, ($row['feel'] ?? '') === '' ? null : $count('feel'),
            ),
            'playedOn' => $row['played'], 'typed' => $row,
        ];
    }
}
