<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Errors\UnreadableFile;

/**
 * Turns the bytes of an uploaded file into rows of cells: finds the encoding (byte-order mark, UTF-16 without one, UTF-8, else
 * Windows-1252) and the separator (comma, semicolon, tab or bar). Refuses what is not text, saying what it is instead.
 */
final readonly class TextFile
{
    public const MAX_BYTES = 12_000_000;

    public const MAX_ROWS = 20_000;

    /** No monitor writes more columns; a file of nothing but separators is none of theirs. */
    public const MAX_COLUMNS = 250;

    public const MAX_CELLS = 500_000;

    private const SIGNATURES = [
        "\x89PNG" => 'a picture (PNG)',
        "\xFF\xD8\xFF" => 'a picture (JPEG)',
        'GIF8' => 'a picture (GIF)',
        '%PDF' => 'a PDF document',
        "PK\x03\x04" => 'a workbook or zip archive; save the sheet as CSV first',
        "\xD0\xCF\x11\xE0" => 'an old workbook; save the sheet as CSV first',
        "\x1F\x8B" => 'a compressed file; unpack it first',
    ];

    /** @param  list<array{int, list<string>}>  $rows [line number in the file, cells] */
    private function __construct(public string $encoding, public string $delimiter, public array $rows)
    {
    }

    /** @throws UnreadableFile when the bytes are not a table of text */
    public static function read(string $bytes): self
    {
        if (strlen($bytes) > self::MAX_BYTES) {
            throw UnreadableFile::because(
                sprintf(
                    'The file has %.1f MB; a launch file may have up to %d MB. Split it, or export fewer shots.',
                    strlen($bytes) / 1e6, self::MAX_BYTES / 1e6,
                ),
            );
        }
        if (trim($bytes, "\xEF\xBB\xBF\xFF\xFE \t\r\n\0") === '') {
            throw UnreadableFile::because('The file is empty: there is nothing to read.');
        }
        foreach (self::SIGNATURES as $signature => $kind) {
            if (str_starts_with($bytes, $signature)) {
                throw UnreadableFile::because("This is not a table of text but {$kind}.");
            }
        }
        [$text, $encoding] = self::decode($bytes);
        if (preg_match('/[\x00-\x08\x0E-\x1F]/', $text) === 1) {
            throw UnreadableFile::because('This is not a table of text: it contains binary data.');
        }
        $text = str_replace(["\r\n", "\r"], "\n", $text);
        $delimiter = self::delimiter($text);
        $rows = self::rows($text, $delimiter);
        if (count($rows) > self::MAX_ROWS + 60) {
            throw UnreadableFile::because(
                sprintf(
                    'The file has %s rows; up to %s can be read at once. Split it in two.', number_format(count($rows)),
                    number_format(self::MAX_ROWS),
                ),
            );
        }

        return new self($encoding, $delimiter, $rows);
    }

    /**
     * A table that somebody else has read already, as a workbook's sheet.
     *
     * @param  list<array{int, list<string>}>  $rows
     */
    public static function table(string $kind, array $rows): self
    {
        return new self($kind, '', $rows);
    }

    /** @return array{string, string} text in UTF-8, name of the encoding found */
    private static function decode(string $bytes): array
    {
        if (str_starts_with($bytes, "\xEF\xBB\xBF")) {
            return [mb_scrub(substr($bytes, 3)), 'UTF-8 with byte-order mark'];
        }
        if (str_starts_with($bytes, "\xFF\xFE")) {
            return [mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16LE'), 'UTF-16'];
        }
        if (str_starts_with($bytes, "\xFE\xFF")) {
            return [mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16BE'), 'UTF-16'];
        }
        $head = substr($bytes, 0, 4000);
        $pairs = intdiv(strlen($head), 2);
        if ($pairs > 0 && substr_count($head, "\0") > 0.3 * $pairs) {
            $even = 0;
            for ($i = 0; $i < 2 * $pairs; $i += 2) {
                $even += $head[$i] === "\0" ? 1 : 0;
            }

            return [mb_convert_encoding($bytes, 'UTF-8', $even > $pairs / 2 ? 'UTF-16BE' : 'UTF-16LE'), 'UTF-16'];
        }
        if (mb_check_encoding($bytes, 'UTF-8')) {
            return [$bytes, 'UTF-8'];
        }

        return [mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252'), 'Windows-1252'];
    }

    /** The separator that splits the most lines into the same number of cells. */
    private static function delimiter(string $text): string
    {
        $sample = implode("\n", array_slice(explode("\n", $text, 200), 0, 199));
        $best = ',';
        $bestScore = 0.0;
        foreach ([';', "\t", '|', ','] as $candidate) {
            $widths = array_count_values(self::widths($sample, $candidate));
            unset($widths[1]);
            if ($widths === []) {
                continue;
            }
            arsort($widths);
            $width = array_key_first($widths);
            $score = $widths[$width] * (1 + log($width)) * ($candidate === ',' ? 0.9 : 1.0);
            if ($score > $bestScore) {
                [$best, $bestScore] = [$candidate, $score];
            }
        }

        return $best;
    }

    /** @return list<int> how many cells each row has that holds anything; no more are counted than a row may have */
    private static function widths(string $text, string $delimiter): array
    {
        $widths = [];
        foreach (explode("\n", $text) as $line) {
            if (trim($line, " \t,;|\"") !== '') {
                $widths[] = min(count(str_getcsv(substr($line, 0, 20_000), $delimiter, '"', '')), self::MAX_COLUMNS + 1);
            }
        }

        return $widths;
    }

    /**
     * @return list<array{int, list<string>}> rows that hold anything, with the line on which each begins
     *
     * @throws UnreadableFile where a row or the file has more cells than any monitor writes
     */
    private static function rows(string $text, string $delimiter): array
    {
        $stream = fopen('php://temp', 'r+');
        if ($stream === false) {
            throw UnreadableFile::because('The file could not be opened in memory.');
        }
        fwrite($stream, $text);
        rewind($stream);
        $rows = [];
        $line = 1;
        $all = 0;
        while (($cells = fgetcsv($stream, null, $delimiter, '"', '')) !== false) {
            $all += count($cells);
            if (count($cells) > self::MAX_COLUMNS || $all > self::MAX_CELLS) {
                fclose($stream);
                throw UnreadableFile::because(
                    $all > self::MAX_CELLS && count($cells) <= self::MAX_COLUMNS
                        ? sprintf('The file has more than %s cells; split it in two.', number_format(self::MAX_CELLS))
                        : sprintf('Line %d has %s columns; a launch file may have up to %d.', $line, number_format(count($cells)),
                            self::MAX_COLUMNS),
                );
            }
            $clean = array_map(
                static fn (?string $cell): string => (string) preg_replace('/^[\s\x{A0}]+|[\s\x{A0}]+$/u', '', $cell ?? ''), $cells,
            );
            if (implode('', $clean) !== '') {
                $rows[] = [$line, $clean];
            }
            $line += 1 + substr_count(implode('', array_map(strval(...), $cells)), "\n");
        }
        fclose($stream);

        return $rows;
    }
}
