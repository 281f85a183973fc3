<?php

declare(strict_types=1);

use MintCarry\Bench\Judging;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once dirname(__DIR__, 2).'/bin/parts/bench/judging.php';

// A short run of `bin/bench judging`. The bounds are those of docs/judging.md, widened by three standard errors of this many sessions.

it('is seldom wrong and sees what is there, in simulated sessions', function (): void {
    $sessions = 500;
    $told = (new Judging(new Randomizer(new Mt19937(20261123))))->run($sessions);
    $within = fn (float $rate, float $limit): bool => $rate <= $limit + 3 * sqrt($limit * (1 - $limit) / $sessions);
    expect($within($told['false better, clean'], 0.05))->toBeTrue()
        ->and($within($told['false better, mishits and tiring'], 0.05))->toBeTrue()
        ->and($within($told['false better of any measure, clean'], 0.10))->toBeTrue()
        ->and($within($told['false better of any measure, mishits and tiring'], 0.10))->toBeTrue()
        ->and($within($told['any mark on identical setups, no drift'], 0.05))->toBeTrue()
        ->and($within($told['any mark on identical setups, mishits and tiring'], 0.05))->toBeTrue()
        ->and($told['marks withheld, mishits and tiring'])->toBeGreaterThan(4 * $told['marks withheld, no drift'])
        ->and($told['power at one SD'])->toBeGreaterThan(0.4)
        ->and($told['coverage of the like-for-like interval'])->toBeGreaterThan(0.88)
        ->and($told['RMSE of a carry difference, like for like, m'])
        ->toBeLessThan(0.95 * $told['RMSE of a carry difference, measured, m'])
        ->and($told['share, RMSE at 12'])->toBeLessThan($told['share, RMSE at 4'])
        ->and($told['share, coverage at 8'])->toBeGreaterThan(0.88)
        ->and($told['costly mishits found'])->toBeGreaterThan(0.3)
        ->and($told['false alarms'])->toBeLessThan(0.04);
})->group('bench');
