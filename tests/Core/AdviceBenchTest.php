<?php

declare(strict_types=1);

use MintCarry\Bench\Advice;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once dirname(__DIR__, 2).'/bin/parts/bench/advice.php';

// Short runs of `bin/bench advice`, so the bounds are wide; the figures of the long runs are in docs/bench.md.

it('loses less than the usual way', function (): void {
    $told = (new Advice(new Randomizer(new Mt19937(20261123)), truthShots: 24))->losses(16);
    foreach (['free', 'fixed'] as $aim) {
        expect($told["{$aim}: ours, 40 swings"])->toBeLessThan($told["{$aim}: random"])
            ->and($told["{$aim}: ours, 40 swings"])->toBeLessThan(1.1 * $told["{$aim}: usual way, 40 swings"]);
    }
})->group('bench');

it('is seldom worse than the own club, says what it may lose, and buys no twin, in a world of its own laws and in another', function (string $world): void {
    $told = (new Advice(new Randomizer(new Mt19937(20261201)), $world, truthShots: 40))->decide(24);
    // Six in a hundred are asked for; three standard errors of 24 players.
    expect($told['worse than own'])->toBeLessThan(0.22)->and($told['identical twin bought'])->toBeLessThan(0.2)
        ->and($told['loss'])->toBeLessThan($told['loss of keeping the own club'])
        ->and($told['expected loss'])->toBeGreaterThan(0.3 * $told['loss'])->toBeLessThan(4 * $told['loss']);
})->with(['first', 'second'])->group('bench');

it('holds the truth in its intervals', function (string $world): void {
    $told = (new Advice(new Randomizer(new Mt19937(20261202)), $world))->coverage(40);
    foreach (['hit: carry', 'hit: side', 'hit: strokes', 'not hit: carry', 'not hit: side', 'not hit: strokes'] as $what) {
        expect($told[$what])->toBeGreaterThan(0.82);
    }
    expect($told['spread of side, told over true'])->toBeGreaterThan(0.85)->toBeLessThan(1.2);
})->with(['first', 'second'])->group('bench');
