<?php

declare(strict_types=1);

namespace App\Reports;

use Illuminate\Support\Facades\Process;
use Throwable;

/**
 * A square code as a drawing, made by Debian's qrencode. What it holds goes to its standard input, never into a command line that others could read.
 * Where it is not installed there is no code, and the page says the address in letters.
 */
final class SquareCode
{
    public static function of(string $text, float $size, string $title): ?Drawing
    {
        try {
            $ran = Process::timeout(5)->input($text)->run(['qrencode', '-t', 'ASCII', '-m', '0', '-l', 'M', '-o', '-']);
        } catch (Throwable) {
            return null;
        }
        $rows = array_values(array_filter(explode("\n", $ran->output()), static fn (string $r): bool => $r !== ''));
        if (! $ran->successful() || $rows === []) {
            return null;
        }
        // Each module is two letters wide.
        $modules = intdiv(strlen($rows[0]), 2);
        $quiet = 4;
        $unit = $size / ($modules + 2 * $quiet);
        $drawing = new Drawing($size, $size, $title);
        $drawing->rect(0, 0, $size, $size, '#ffffff');
        foreach ($rows as $y => $row) {
            for ($x = 0, $from = null; $x <= $modules; $x++) {
                $isDark = $x < $modules && $row[2 * $x] === '#';
                $from ??= $isDark ? $x : null;
                if ($from !== null && ! $isDark) {
                    // A little over its edge, so that no hair of white is left between two rows.
                    $drawing->rect(($from + $quiet) * $unit, ($y + $quiet) * $unit, ($x - $from) * $unit + 0.02, $unit + 0.05, '#000000');
                    $from = null;
                }
            }
        }

        return $drawing;
    }
}
