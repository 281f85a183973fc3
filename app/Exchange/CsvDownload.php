<?php

declare(strict_types=1);

namespace App\Exchange;

use Symfony\Component\HttpFoundation\StreamedResponse;

/** A table as a file to take away, line by line, so that a long one needs no memory. */
final class CsvDownload
{
    /** @param  iterable<array<int, string>>  $rows  the head first; no cell is run by a spreadsheet */
    public static function of(string $name, iterable $rows): StreamedResponse
    {
        return response()->streamDownload(static function () use ($rows): void {
            $out = fopen('php://output', 'w');
            if ($out === false) {
                return;
            }
            foreach ($rows as $row) {
                fputcsv($out, array_map(CsvCell::safe(...), $row), ',', '"', '');
            }
            fclose($out);
        }, $name, ['Content-Type' => 'text/csv; charset=UTF-8']);
    }
}
