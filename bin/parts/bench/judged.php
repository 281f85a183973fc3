<?php

declare(strict_types=1);

// How long Compare, Finder and Decide take of a fitting like the demo's, of one with forty setups of ten shots, and of one with twenty
// setups that are only described; each once warm. Printed, never tested.

use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Report\CompareReport;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;

require dirname(__DIR__, 3).'/vendor/autoload.php';

$file = json_decode((string) file_get_contents(dirname(__DIR__, 3).'/tests/fixtures/figures/right-handed-club-seen.json'), true);
$letter = fn (int $i): string => $i < 26 ? chr(65 + $i) : 'A'.chr(65 + $i - 26);

/** The shots of the file again and again, ten for each setup. */
$many = function (int $n, callable $setup) use ($file, $letter): FittingRecord {
    $setups = $shots = [];
    foreach (range(0, $n - 1) as $i) {
        $setups[] = ['tag' => $letter($i)] + $setup($i);
        foreach (range(0, 9) as $k) {
            $shots[] = ['setup' => $letter($i), 'sequence' => 10 * $i + $k + 1]
                + array_diff_key($file['shots'][(10 * $i + $k) % count($file['shots'])], ['trial' => 1, 'leftOut' => 1, 'leftOutNote' => 1]);
        }
    }
    $bare = ['trials' => [], 'ratings' => [], 'decisions' => [], 'blinds' => [], 'confirms' => [], 'benchmark' => 'A'];

    return FittingFile::read(['setups' => $setups, 'shots' => $shots] + $bare + $file);
};
$known = count($file['setups']);
$forty = $many(40, fn (int $i): array => ($i < $known ? [] : ['teeMm' => 30 + $i])
    + array_diff_key($file['setups'][$i % $known], ['branchedFrom' => 1]));
$described = $many(20, fn (int $i): array => ['head' => "Described {$i}", 'statedLoftDeg' => 8 + ($i % 9) * 0.5, 'shaft' => 'as it is']);

$time = function (string $what, float $limitS, callable $do): void {
    $do();
    $begin = hrtime(true);
    $do();
    $s = (hrtime(true) - $begin) / 1e9;
    printf("%-38s %6.2f s   (limit %.1f)\n", $what, $s, $limitS);
};
$demo = FittingFile::read($file);
$time('decide, '.$known.' setups', 0.4, fn () => DecideReport::of($demo));
$time('compare, '.$known.' setups', 0.4, fn () => CompareReport::of($demo));
$time('finder, '.$known.' setups', 1.0, fn () => FinderReport::of($demo));
$time('decide, 40 setups of ten shots', 5.0, fn () => DecideReport::of($forty));
$time('finder, 40 setups of ten shots', 3.0, fn () => FinderReport::of($forty));
$time('decide, 20 described setups', 2.0, fn () => DecideReport::of($described));
