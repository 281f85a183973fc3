<?php

declare(strict_types=1);

namespace App\Intake;

use MintCarry\Core\Errors\UnreadableFile;
use XMLReader;
use ZipArchive;

/**
 * A first look into a workbook (XLSX, ODS), which is an archive of XML: whether reading it all would take more time or memory than a launch
 * file may. It streams, and stops at the first limit.
 */
final class WorkbookScan
{
    private const MOST_UNPACKED_BYTES = 80_000_000;

    private const MOST_ENTRIES = 1_000;

    private const MOST_STRINGS = 200_000;

    /** Of all sheets: what the library reads in about two seconds. What is longer is read as text, in a tenth of the time. */
    private const MOST_CELLS = ['xlsx' => 100_000, 'ods' => 20_000];

    private const MOST_ELEMENTS = 1_500_000;

    private int $strings = 0;

    private int $cells = 0;

    private int $elements = 0;

    /** How often the row that is being read is to be repeated (ODS). */
    private int $repeats = 1;

    private function __construct(private readonly string $path, private readonly int $mostCells)
    {
    }

    /**
     * @return 'xlsx'|'ods'|null null for an archive that is no workbook
     *
     * @throws UnreadableFile naming the limit that was met
     */
    public static function kindOf(string $path): ?string
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw UnreadableFile::because('This workbook is damaged: it cannot be unpacked.');
        }
        try {
            if ($zip->numFiles > self::MOST_ENTRIES) {
                throw self::tooMuch(sprintf('holds %s files', number_format($zip->numFiles)), number_format(self::MOST_ENTRIES));
            }
            $kind = match (true) {
                $zip->locateName('xl/workbook.xml') !== false => 'xlsx',
                str_contains((string) $zip->getFromName('mimetype', 200), 'opendocument.spreadsheet') => 'ods',
                default => null,
            };
            if ($kind !== null) {
                (new self($path, self::MOST_CELLS[$kind]))->scan($zip);
            }

            return $kind;
        } finally {
            $zip->close();
        }
    }

    private function scan(ZipArchive $zip): void
    {
        $unpacked = 0;
        $parts = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $entry = $zip->statIndex($i);
            $unpacked += $entry === false ? 0 : $entry['size'];
            if ($entry !== false && preg_match('/\.(xml|rels)$/iD', $entry['name']) === 1) {
                $parts[] = $entry['name'];
            }
        }
        if ($unpacked > self::MOST_UNPACKED_BYTES) {
            throw self::tooMuch(sprintf('unpacks to %d MB', $unpacked / 1e6), sprintf('%d MB', self::MOST_UNPACKED_BYTES / 1e6));
        }
        $quiet = libxml_use_internal_errors(true);
        try {
            foreach ($parts as $part) {
                $this->scanPart($part);
            }
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($quiet);
        }
    }

    private function scanPart(string $part): void
    {
        $xml = new XMLReader;
        if (@$xml->open("zip://{$this->path}#{$part}", null, LIBXML_NONET | LIBXML_COMPACT) !== true) {
            return;
        }
        try {
            while (@$xml->read()) {
                if ($xml->nodeType === XMLReader::DOC_TYPE) {
                    throw UnreadableFile::because('This workbook declares a document type, which no spreadsheet program writes. Save the sheet as CSV.');
                }
                if ($xml->nodeType === XMLReader::ELEMENT) {
                    $this->count($xml);
                }
            }
        } finally {
            $xml->close();
        }
    }

    private function count(XMLReader $xml): void
    {
        $this->elements++;
        match ($xml->localName) {
            'si' => $this->strings++,
            'c' => $this->cells++,
            'table-row' => $this->repeats = $this->repeated($xml, 'table:number-rows-repeated'),
            // What is empty fills the sheet to its edge, and is skipped by who reads it.
            'table-cell' => $this->cells += $xml->getAttribute('office:value-type') === null ? 0
                : $this->repeats * $this->repeated($xml, 'table:number-columns-repeated'),
            default => null,
        };
        if ($this->strings > self::MOST_STRINGS) {
            throw self::tooMuch('holds more different texts', number_format(self::MOST_STRINGS));
        }
        if ($this->cells > $this->mostCells) {
            throw self::tooMuch('has more cells', number_format($this->mostCells));
        }
        if ($this->elements > self::MOST_ELEMENTS) {
            throw self::tooMuch('has more parts', number_format(self::MOST_ELEMENTS));
        }
    }

    private function repeated(XMLReader $xml, string $attribute): int
    {
        return min(max((int) ($xml->getAttribute($attribute) ?? 1), 1), $this->mostCells + 1);
    }

    private static function tooMuch(string $what, string $most): UnreadableFile
    {
        return UnreadableFile::because("This workbook {$what}; up to {$most} can be read. Export fewer shots, or save the sheet as CSV.");
    }
}
