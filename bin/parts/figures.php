<?php

declare(strict_types=1);

/**
 * Every number of Compare, Finder and Decide of fitting files, one a line, to the last digit: for whoever changes the code and must not change a figure.
 *
 * Usage: php bin/parts/figures.php FILE… > before.tsv, and again after; then `diff before.tsv after.tsv`.
 */
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Report\CompareReport;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;

require __DIR__.'/../../vendor/autoload.php';
ini_set('memory_limit', '1G');

/** @param  callable(string, mixed): void  $tell */
function walk(mixed $value, string $path, callable $tell): void
{
    if (! is_array($value)) {
        $tell($path, $value);

        return;
    }
    foreach ($value as $key => $inner) {
        walk($inner, $path === '' ? (string) $key : "{$path}.{$key}", $tell);
    }
}

$screens = ['compare' => CompareReport::of(...), 'finder' => FinderReport::of(...), 'decide' => DecideReport::of(...)];
foreach (array_slice($argv, 1) as $file) {
    $record = FittingFile::read(FittingFile::parse((string) file_get_contents($file)));
    foreach ($screens as $screen => $report) {
        try {
            $figures = json_decode(json_encode($report($record), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true);
        } catch (Throwable $e) {
            $figures = ['cannot' => $e->getMessage()];
        }
        walk($figures, '', static function (string $path, mixed $value) use ($file, $screen): void {
            $told = is_float($value) ? sprintf('%.17g', $value) : json_encode($value, JSON_UNESCAPED_UNICODE);
            echo basename($file, '.json'), "\t{$screen}\t{$path}\t{$told}\n";
        });
    }
}
