<?php

// Figures of the core on one core with JIT, through the public API. Prints a table; nothing here is a test.
declare(strict_types=1);

require __DIR__.'/../../../vendor/autoload.php';

use MintCarry\Core\Club\Head;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Landing;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\DeliveryEstimate;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Strike;

/** @param  callable(int): mixed  $do */
function rate(int $n, callable $do): float
{
    $best = 0.0;
    for ($round = 0; $round < 5; $round++) {
        $begin = hrtime(true);
        for ($i = 0; $i < $n; $i++) {
            $do($i);
        }
        $best = max($best, $n / ((hrtime(true) - $begin) / 1e9));
    }

    return $best;
}

$launches = [];
for ($i = 0; $i < 1000; $i++) {
    $launches[] = new Launch(55 + $i * 0.02, 8 + $i % 10, 1800 + 3 * ($i % 500), 0, $i % 7 - 3);
}
$flight = new BallFlight;
$exact = new BallFlight(tolerance: 1e-10);
$worst = 0.0;
foreach ($launches as $launch) {
    $worst = max($worst, abs($flight->fly($launch)->carryM - $exact->fly($launch)->carryM) / 0.9144);
}
$impact = new Impact(Head::preset('middle'));
$delivery = new Delivery(45, 1, -1, 13, 1);
$strike = new Strike(5, -3);
$ball = $impact->strike($delivery, $strike);
$flights = rate(40000, fn (int $i) => $flight->fly($launches[$i % 1000]));
printf(
    "flights with bounce and roll  %8.0f /s   (target 60,000; worst carry error %.4f yd against a 1e-10 reference, limit 0.01)\n",
    $flights, $worst,
);
printf("impacts                       %8.0f /s   (target 60,000)\n", rate(40000, fn (int $i) => $impact->strike($delivery, $strike)));
printf("inverse, ball data alone      %8.0f /s   (target 500)\n", rate(300, fn (int $i) => DeliveryEstimate::of($ball, true, true, [])));
// Plain C flies without bounce and roll: their time is taken off before the two are compared.
$landing = new Landing;
$runs = rate(40000, fn (int $i) => $landing->run([20.0 + $i % 7, 0.1, -17.0], [1.0, -210.0, 2.0]));
$alone = 1 / (1 / $flights - 1 / $runs);
printf("flight alone                  %8.0f /s\n", $alone);
fwrite(STDERR, (string) $alone);
