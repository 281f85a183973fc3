<?php

declare(strict_types=1);

use MintCarry\Bench\Advice;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once dirname(__DIR__, 2).'/bin/parts/bench/advice.php';

// A short run of `bin/bench advice`: 40 players, so the bounds are wide; the figures of the long run are in docs/judging.md.

it('loses less than the usual way, and says honestly how much it may lose', function (): void {
    $told = (new Advice(new Randomizer(new Mt19937(20261123)), 1.0, 24))->run(40);
    foreach (['free', 'fixed'] as $aim) {
        expect($told["{$aim}: ours, 40 swings"])->toBeLessThan($told["{$aim}: random"])
            ->and($told["{$aim}: ours, 40 swings"])->toBeLessThan(0.95 * $told["{$aim}: usual way, 40 swings"])
            ->and($told["{$aim}: ours worse than own, 40 swings"])->toBeLessThan(0.25); // a tenth is asked for; three standard errors of 40 players
    }
    foreach (['carry', 'side', 'strokes'] as $what) {
        expect($told["95 % intervals of differences from own that hold: {$what}"])->toBeGreaterThan(0.88)->toBeLessThan(0.995);
    }
})->group('bench');
