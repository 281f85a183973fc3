<?php

declare(strict_types=1);

namespace App\Intake;

use DateTimeInterface;
use Illuminate\Support\Facades\Log;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Launch\TextFile;
use PhpOffice\PhpSpreadsheet\Reader\IReader;
use PhpOffice\PhpSpreadsheet\Reader\Ods;
use PhpOffice\PhpSpreadsheet\Reader\Xlsx;
use PhpOffice\PhpSpreadsheet\RichText\RichText;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;
use Throwable;

/** The bytes of a launch file as a table of text cells: text by the core, a workbook (XLSX, ODS) by its sheet with the most rows. */
final class LaunchTable
{
    /** Cells that a complaint names. */
    private const NAMED_CELLS = 3;

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

            return match (WorkbookScan::kindOf($path)) {
                'xlsx' => self::table(new Xlsx, $path), 'ods' => self::table(new Ods, $path), null => TextFile::read($bytes),
            };
        } finally {
            @unlink($path);
        }
    }

    private static function table(IReader $reader, string $path): TextFile
    {
        // The library trips over what is left out, such as the value of a formula, and reads on.
        set_error_handler(static fn (): bool => true, E_WARNING | E_NOTICE);
        try {
            $reader->setReadEmptyCells(false);
            $sheets = $reader->load($path)->getAllSheets();
        } catch (Throwable $e) {
            // What the library says names files and places inside the program.
            Log::notice('a workbook that cannot be read', ['why' => $e->getMessage()]);
            throw UnreadableFile::because(
                'This workbook is not put together as spreadsheet programs do it. Open it in one, save it again, or save the sheet as CSV.',
            );
        } finally {
            restore_error_handler();
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
        $out = $bare = $dates = [];
        foreach ($sheet->getRowIterator(1, min($sheet->getHighestDataRow(), TextFile::MAX_ROWS + 100)) as $number => $row) {
            $cells = [];
            $iterator = $row->getCellIterator();
            $iterator->setIterateOnlyExistingCells(false);
            foreach ($iterator as $cell) {
                $format = $cell->getXfIndex();
                $value = $cell->isFormula() ? $cell->getOldCalculatedValue() : $cell->getValue();
                if ($value === null && $cell->isFormula()) {
                    $bare[] = $cell->getCoordinate();
                }
                // Looking a format up costs more than reading the cell: once for each.
                $isNumber = is_int($value) || is_float($value);
                $cells[] = self::text($value, $isNumber && ($dates[$format] ??= Date::isDateTime($cell)));
                if (count($cells) >= self::MOST_COLUMNS) {
                    break;
                }
            }
            if (implode('', $cells) !== '') {
                $out[] = [$number, $cells];
            }
        }

        if ($bare !== []) {
            $more = count($bare) - self::NAMED_CELLS;
            throw UnreadableFile::because(sprintf(
                'No value was saved with the formula in %s%s. Open the workbook in a spreadsheet program, save it, and bring it again.',
                implode(', ', array_slice($bare, 0, self::NAMED_CELLS)), $more > 0 ? " and {$more} more" : '',
            ));
        }

        return $out;
    }

    /** A number as it is kept, to the last digit; a moment as text. */
    private static function text(mixed $value, bool $isDate): string
    {
        if ($isDate && (is_int($value) || is_float($value))) {
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
