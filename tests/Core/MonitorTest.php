<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\HiddenPlayers;
use MintCarry\Core\Impact\ShotMaker;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use Random\Engine\Mt19937;
use Random\Randomizer;

// The made-up players of the simulated monitor, and bin/monitor when something is wrong (what it does when all is well:
// tests/browser/bay.spec.ts).

function hits(string $player, Hand $hand, int $count = 40): ShotSet
{
    $maker = new ShotMaker(Head::preset('middle'), $hand, new Randomizer(new Mt19937(9)));

    return new ShotSet($player, array_map(function () use ($maker, $player, $hand): LaunchShot {
        $hit = $maker->hit(HiddenPlayers::named($player, $hand));
        $l = $hit['launch'];

        return LaunchShot::of(
            [
                'ballSpeedMps' => $l->ballSpeedMps, 'launchDeg' => $l->launchDeg, 'spinRpm' => $l->spinRpm,
                'directionDeg' => $l->directionDeg, 'spinAxisDeg' => $l->spinAxisDeg,
                'clubSpeedMps' => $hit['delivery']->clubSpeedMps,
            ],
            new BallFlight,
        );
    }, range(1, $count)),
    );
}

it('hits shots that a monitor could have seen, for every player and hand', function (string $player, Hand $hand): void {
    foreach (hits($player, $hand, 25)->shots as $shot) {
        expect(array_filter($shot->issues(), fn ($i): bool => $i->refused))->toBe([]);
    }
})->with(HiddenPlayers::NAMES)->with([Hand::Right, Hand::Left]);

it('swings as the name says', function (): void {
    $carry = fn (string $p): float => hits($p, Hand::Right)->summary(Measure::Carry)->mean;
    expect($carry('slow'))->toBeLessThan($carry('steady') - 20)
        ->and($carry('fast'))->toBeGreaterThan($carry('steady') + 15);
    $early = array_slice(hits('tiring', Hand::Right, 60)->values(Measure::ClubSpeed), 8, 12);
    $late = array_slice(hits('tiring', Hand::Right, 60)->values(Measure::ClubSpeed), 48, 12);
    expect(array_sum($late) / 12)->toBeLessThan(array_sum($early) / 12 - 1);
});

it('bends as the name says, mirrored for the other hand', function (): void {
    $axis = fn (string $p, Hand $h): float => hits($p, $h, 60)->summary(Measure::SpinAxis)->mean;
    // A hook goes left for a right-hander and right for a left-hander.
    expect($axis('hooker', Hand::Right))->toBeLessThan(-3)->and($axis('hooker', Hand::Left))->toBeGreaterThan(3)
        ->and($axis('slicer', Hand::Right))->toBeGreaterThan(3)
        ->and($axis('slicer', Hand::Left))->toBeLessThan(-3);
});

it('knows no other players', function (): void {
    expect(fn () => HiddenPlayers::named('nobody', Hand::Right))->toThrow(InvalidInput::class, "no made-up player 'nobody'");
});

it('says what is wrong with how bin/monitor was called', function (string $arguments, string $says): void {
    exec('cd '.escapeshellarg(dirname(__DIR__, 2))." && bin/monitor {$arguments} 2>&1", $out, $code);
    expect($code)->toBe(2)->and(implode("\n", $out))->toContain($says);
})->with([
    ['', 'Say which bay and its token'],
    ['--bay 1', 'Say which bay and its token'],
    ['--bay one --token x', '--bay needs a number'],
    ['--bay 1 --token x --pace fast', '--pace needs a number'],
    ['--bay 1 --token x --player nobody', "no made-up player 'nobody'"],
    ['--bay 1 --token x --faults gremlins', "no fault 'gremlins'"],
    ['--bay 1 --token x extra', "'extra' is not an option"],
]);

it('explains itself', function (): void {
    exec('cd '.escapeshellarg(dirname(__DIR__, 2)).' && bin/monitor --help', $out, $code);
    expect($code)->toBe(0)
        ->and(implode("\n", $out))->toContain('--faults drop,duplicate,reorder,no-club,nonsense,restart,reuse,step,nameless');
});
