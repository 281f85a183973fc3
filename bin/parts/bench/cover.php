<?php

// Do 95 % intervals of differences from the own club hold? One case a player for a setup that was hit, and one for a setup that was not:
//   php bin/parts/bench/cover.php [players 500] [seed 1] [width 1]

declare(strict_types=1);

namespace MintCarry\Bench;

require_once __DIR__.'/advice.php';

use Random\Engine\Mt19937;
use Random\Randomizer;

$begun = hrtime(true);
$bench = new Advice(new Randomizer(new Mt19937((int) ($argv[2] ?? 1))), width: (float) ($argv[3] ?? 1));
foreach ($bench->coverage((int) ($argv[1] ?? 500)) as $name => $value) {
    printf("  %-48s %8.3f\n", $name, $value);
}
printf("  %-48s %8.1f s\n", 'time', (hrtime(true) - $begun) / 1e9);
