<?php

declare(strict_types=1);

namespace App\Intake;

use DateTimeInterface;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Launch\TextFile;
use PhpOffice\PhpSpreadsheet\Cell\Cell;
use PhpOffice\PhpSpreadsheet\Reader\IReader;
use PhpOffice\PhpSpreadsheet\Reader\Ods;
use PhpOffice\PhpSpreadsheet\Reader\Xlsx;
use PhpOffice\PhpSpreadsheet\RichText\RichText;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;
use Throwable;
use ZipArchive;

/** The bytes of a launch file as a table of text cells: text by the core, a workbook (XLSX, ODS) by its sheet with the most rows. */
final class LaunchTable
{
    /** A workbook may not unpack to more than this: a small file can hide a huge one. */
    private const MOST_UNPACKED_BYTES = 80_000_000;

    private const MOST_COLUMNS = 250;

    /** @throws UnreadableFile when the bytes are no table */
    public static function read(string $bytes): TextFile
    {
        if (! str_starts_with($bytes, "PK\x03\x04")) {
            return TextFile::read($bytes);
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'mint');
        try {
            file_put_contents($path, $bytes);
            $reader = self::readerOf($path);

            return $reader === null ? TextFile::read($bytes) : self::table($reader, $path);
        } finally {
            @unlink($path);
        }
    }

    /** @return IReader|null null for an archive that is no workbook */
    private static function readerOf(string $path): ?IReader
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw UnreadableFile::because('This workbook is damaged: it cannot be unpacked.');
        }
        $unpacked = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $unpacked += (int) ($zip->statIndex($i)['size'] ?? 0);
        }
        $isXlsx = $zip->locateName('xl/workbook.xml') !== false;
        $isOds = str_contains((string) $zip->getFromName('mimetype', 200), 'opendocument.spreadsheet');
        $zip->close();
        if ($unpacked > self::MOST_UNPACKED_BYTES) {
            throw UnreadableFile::because(sprintf(
                'This workbook unpacks to %d MB; up to %d MB can be read. Export fewer shots, or save the sheet as CSV.',
                $unpacked / 1e6, self::MOST_UNPACKED_BYTES / 1e6,
            ));
        }

        return $isXlsx ? new Xlsx : ($isOds ? new Ods : null);
    }

    private static function table(IReader $reader, string $path): TextFile
    {
        try {
            $reader->setReadEmptyCells(false);
            $sheets = $reader->load($path)->getAllSheets();
        } catch (Throwable $e) {
            throw UnreadableFile::because('This workbook cannot be read: '.mb_strimwidth($e->getMessage(), 0, 120, '…'));
        }
        $best = null;
        foreach ($sheets as $sheet) {
            if ($best === null || $sheet->getHighestDataRow() > $best->getHighestDataRow()) {
                $best = $sheet;
            }
        }
        $rows = $best === null ? [] : self::rows($best);
        if ($best === null || $rows === []) {
            throw UnreadableFile::because('The workbook is empty: no sheet holds a table.');
        }

        return TextFile::table("workbook, sheet “{$best->getTitle()}”".(count($sheets) > 1 ? ', the longest of '.count($sheets) : ''), $rows);
    }

    /** @return list<array{int, list<string>}> rows that hold anything, with their number in the sheet */
    private static function rows(Worksheet $sheet): array
    {
        $out = [];
        $all = 0;
        foreach ($sheet->getRowIterator(1, min($sheet->getHighestDataRow(), TextFile::MAX_ROWS + 100)) as $number => $row) {
            $cells = [];
            $iterator = $row->getCellIterator();
            $iterator->setIterateOnlyExistingCells(false);
            foreach ($iterator as $cell) {
                $cells[] = self::text($cell);
                if (count($cells) >= self::MOST_COLUMNS) {
                    break;
                }
            }
            $all += count($cells);
            if ($all > TextFile::MAX_CELLS) {
                throw UnreadableFile::because(
                    sprintf('The sheet has more than %s cells; export fewer shots.', number_format(TextFile::MAX_CELLS)),
                );
            }
            if (implode('', $cells) !== '') {
                $out[] = [$number, $cells];
            }
        }

        return $out;
    }

    /** A number as it is kept, to the last digit; a moment as text; a formula by the value that was saved with it. */
    private static function text(Cell $cell): string
    {
        $value = $cell->isFormula() ? $cell->getOldCalculatedValue() : $cell->getValue();
        if ((is_int($value) || is_float($value)) && Date::isDateTime($cell)) {
            return Date::excelToDateTimeObject($value)->format('Y-m-d H:i:s');
        }

        return trim(match (true) {
            is_float($value) => rtrim(rtrim(sprintf('%.10F', $value), '0'), '.'),
            is_bool($value) => $value ? 'yes' : 'no',
            $value instanceof RichText => $value->getPlainText(),
            $value instanceof DateTimeInterface => $value->format('Y-m-d H:i:s'),
            is_scalar($value) => (string) $value,
            default => '',
        });
    }
}
