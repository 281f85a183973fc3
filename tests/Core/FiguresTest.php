<?php

declare(strict_types=1);

use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Report\CompareReport;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\JudgingReport;

// The figures of three made-up fittings, as screens and bin/mint show them. They are not right because they stand here: what they should be is held by the tests against
// the outside. They say that a change meant for something else changed no figure. A change that is meant to: explain it in docs/physics.md or docs/judging.md, then write
// them anew with WRITE_FIGURES=1.

/**
 * Every figure of a report by its path; of long lists (grids, paths, ranked setups) every seventh.
 *
 * @return array<string, string>
 */
function figuresOf(mixed $value, string $path = ''): array
{
    if (! is_array($value)) {
        return [$path => is_float($value) ? sprintf('%.9g', $value) : (string) json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)];
    }
    $out = [];
    foreach ($value as $key => $inner) {
        if (! is_int($key) || count($value) < 15 || $key % 7 === 0) {
            $out += figuresOf($inner, $path === '' ? (string) $key : "{$path}.{$key}");
        }
    }

    return $out;
}

it('changes no figure of a fitting', function (string $fitting, string $screen): void {
    $folder = __DIR__.'/../fixtures/figures';
    $record = FittingFile::read(FittingFile::parse((string) file_get_contents("{$folder}/{$fitting}.json")));
    $report = match ($screen) {
        'compare' => CompareReport::of($record), 'judging' => JudgingReport::of($record), 'finder' => FinderReport::of($record),
        default => DecideReport::of($record),
    };
    $now = figuresOf(json_decode(json_encode($report, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true));
    $file = "{$folder}/{$fitting}.{$screen}.tsv";
    if (getenv('WRITE_FIGURES') !== false) {
        file_put_contents($file, implode('', array_map(fn (string $p, string $v): string => "{$p}\t{$v}\n", array_keys($now), $now)));
    }
    $was = [];
    foreach (file($file, FILE_IGNORE_NEW_LINES) ?: [] as $line) {
        [$path, $value] = explode("\t", $line, 2);
        $was[$path] = $value;
    }
    $changed = [];
    foreach ($was + $now as $path => $_) {
        [$a, $b] = [$was[$path] ?? 'nothing', $now[$path] ?? 'nothing'];
        $isSame = is_numeric($a) && is_numeric($b) ? abs((float) $a - (float) $b) <= 1e-9 + 1e-6 * abs((float) $a) : $a === $b;
        if (! $isSame) {
            $changed[] = "{$path}: {$a} became {$b}";
        }
    }
    expect(count($was))->toBeGreaterThan(50)
        ->and(array_slice($changed, 0, 20))->toBe([], count($changed).' figures changed');
})->with(['right-handed-club-seen', 'left-handed-ball-alone', 'carry-and-side-measured'])->with(['compare', 'judging', 'finder', 'decide']);
