<?php

declare(strict_types=1);

/**
 * Figures of the fittings in tests/fixtures/figures.
 *
 * Usage:
 *   php bin/parts/figures.php                  prints what moved since they were accepted
 *   php bin/parts/figures.php --accept "why"   accepts them as they are now
 *   php bin/parts/figures.php --hot N          makes every report N times and prints a hash of all digits of each
 */
use MintCarry\Core\Report\LoftAndWind;
use MintCarry\Core\Report\LoftLadder;
use MintCarry\Core\Report\PreparedBench;
use MintCarry\Core\Report\SpeedLadder;
use MintCarry\Core\Report\StrikeMover;
use Tests\FigureTable;

require __DIR__.'/../../vendor/autoload.php';
ini_set('memory_limit', '1G');

[$mode, $with] = [$argv[1] ?? '', $argv[2] ?? ''];
if ($mode === '--accept') {
    strlen(trim($with)) >= 20 || exit("Say in a sentence why the figures moved.\n");
    FigureTable::accept(trim($with));
} elseif ($mode === '--hot') {
    // The ladders ask the same belief for other lofts, speeds and strikes: they run the loops that a compiler compiles first.
    $reports = FigureTable::reports() + [
        'loft' => LoftAndWind::loft(...), 'wind' => LoftAndWind::wind(...), 'lofts' => LoftLadder::of(...), 'speeds' => SpeedLadder::of(...),
        'strike' => StrikeMover::of(...), 'bench' => PreparedBench::of(...),
    ];
    for ($round = 1; $round <= (int) $with; $round++) {
        foreach ($reports as $part => $report) {
            try {
                $told = $report(FigureTable::record(FigureTable::FITTINGS[0]));
            } catch (Throwable $e) {
                $told = $e->getMessage();
            }
            printf("%d %s %s\n", $round, $part, hash('xxh128', json_encode($told, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)));
        }
    }
} else {
    foreach (FigureTable::FITTINGS as $fitting) {
        $moves = FigureTable::moves(FigureTable::accepted($fitting), FigureTable::of($fitting));
        printf("%s: %d figures moved\n%s\n", $fitting, count($moves), $moves === [] ? '' : FigureTable::table($moves));
    }
}
