<?php

declare(strict_types=1);

// Processor time of one judgement: what screens look at, and all of it; of fittings like the demo's, of one with forty setups and of one with
// twenty thousand shots. Beside it the time of ten thousand flights, for a host that is slower or busy. Printed, never tested.

use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Report\FurtherJudgement;
use MintCarry\Core\Report\Judgement;

require dirname(__DIR__, 3).'/vendor/autoload.php';

$file = json_decode((string) file_get_contents(dirname(__DIR__, 3).'/tests/fixtures/figures/right-handed-club-seen.json'), true);
$letter = fn (int $i): string => $i < 26 ? chr(65 + $i) : 'A'.chr(65 + $i - 26);

/** The file's setups and shots again and again. */
$many = static function (int $setups, int $shotsEach) use ($file, $letter): FittingRecord {
    $made = $shots = [];
    $known = count($file['setups']);
    for ($i = 0; $i < $setups; $i++) {
        $made[] = ['tag' => $letter($i)] + ($i < $known ? [] : ['teeMm' => 30 + $i])
            + array_diff_key($file['setups'][$i % $known], ['branchedFrom' => 1]);
        for ($k = 0; $k < $shotsEach; $k++) {
            $n = $shotsEach * $i + $k;
            $shots[] = ['setup' => $letter($i), 'sequence' => $n + 1]
                + array_diff_key($file['shots'][$n % count($file['shots'])], ['trial' => 1, 'leftOut' => 1, 'leftOutNote' => 1]);
        }
    }
    $bare = ['trials' => [], 'ratings' => [], 'decisions' => [], 'blinds' => [], 'confirms' => [], 'benchmark' => 'A'];

    return FittingFile::read(['setups' => $made, 'shots' => $shots] + $bare + $file);
};
/** Processor seconds, also of the system. */
$spent = static function (): float {
    $used = getrusage() ?: throw new RuntimeException('This system does not tell processor time.');

    return $used['ru_utime.tv_sec'] + $used['ru_stime.tv_sec'] + ($used['ru_utime.tv_usec'] + $used['ru_stime.tv_usec']) / 1e6;
};
$timed = static function (Closure $do) use ($spent): float {
    $begun = $spent();
    $do();

    return $spent() - $begun;
};
$flight = new BallFlight;
$fly = static function () use ($flight): void {
    for ($i = 0; $i < 10_000; $i++) {
        $flight->fly(new Launch(60.0 + $i % 20, 11.0, 2500.0, 1.0, 4.0));
    }
};
$fly();
$flights = $timed($fly);
printf("10 000 flights                                   %6.2f s of processor\n", $flights);
$judge = static function (string $what, Closure $read, float $lookedAtS, float $allS) use ($timed, $flights): void {
    // Once warm, as in a worker; the second record shares nothing with the first.
    Judgement::of($read());
    $record = $read();
    $lookedAt = $timed(static fn () => Judgement::of($record));
    $all = $lookedAt + $timed(static fn () => FurtherJudgement::of($record));
    printf("%-40s %6.2f s (limit %.1f), in all %6.2f s (limit %.1f): %.1f and %.1f times the flights\n", $what, $lookedAt, $lookedAtS, $all, $allS,
        $lookedAt / $flights, $all / $flights);
};
foreach (['left-handed-ball-alone', 'right-handed-club-seen', 'carry-and-side-measured'] as $name) {
    $one = json_decode((string) file_get_contents(dirname(__DIR__, 3)."/tests/fixtures/figures/{$name}.json"), true);
    $what = count($one['setups']).' setups, '.count($one['shots']).' shots';
    $judge($what, static fn (): FittingRecord => FittingFile::read($one), 1.2, 2.5);
}
$judge('40 setups of ten shots', static fn (): FittingRecord => $many(40, 10), 4.0, 8.0);
$judge('4 setups, 20 000 shots', static fn (): FittingRecord => $many(4, 5000), 4.0, 8.0);
