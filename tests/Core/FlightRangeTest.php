<?php

declare(strict_types=1);

use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;

// The flight law over the whole range of drivers and beyond: 90 to 200 mph, 1000 to 6000 rpm.

it('changes smoothly with ball speed, launch and spin over the whole range of drivers', function (): void {
    // Second differences of a smooth function change little from one place to the next; at a kink one of them stands out.
    $flight = new BallFlight(tolerance: 1e-9);
    $walks = [
        'speed' => fn (int $i): Launch => new Launch((90 + 2 * $i) * 0.44704, 12, 2600),
        'slow and spinning' => fn (int $i): Launch => new Launch((90 + 2 * $i) * 0.44704, 14, 6000),
        'launch' => fn (int $i): Launch => new Launch(150 * 0.44704, 6 + 0.25 * $i, 2600),
        'spin' => fn (int $i): Launch => new Launch(150 * 0.44704, 12, 1000 + 90 * $i),
        'axis' => fn (int $i): Launch => new Launch(150 * 0.44704, 12, 2800, 0, -27.5 + $i),
    ];
    foreach ($walks as $name => $at) {
        foreach (['carryM', 'apexM', 'descentDeg', 'sideM', 'hangTimeS'] as $field) {
            $y = array_map(fn (int $i): float => $flight->fly($at($i))->{$field}, range(0, 55));
            $second = array_map(fn (int $i): float => $y[$i + 1] - 2 * $y[$i] + $y[$i - 1], range(1, 54));
            $size = max(1e-6, max(array_map('abs', $second)));
            foreach (range(1, 53) as $i) {
                expect(abs($second[$i] - $second[$i - 1]))->toBeLessThan(0.35 * $size + 1e-6, "{$field} over {$name} at {$i}");
            }
        }
    }
});

it('carries farther with speed, and higher, steeper with spin, from 90 to 200 mph', function (): void {
    $flight = new BallFlight;
    foreach ([[8, 1800], [12, 2600], [14, 4500]] as [$launch, $spin]) {
        $before = 0.0;
        foreach (range(90, 200, 5) as $mph) {
            $carry = $flight->fly(new Launch($mph * 0.44704, $launch, $spin))->carryM;
            expect($carry)->toBeGreaterThan($before);
            $before = $carry;
        }
    }
    foreach ([90, 120, 150, 180, 200] as $mph) {
        $before = null;
        foreach (range(1000, 6000, 250) as $spin) {
            $f = $flight->fly(new Launch($mph * 0.44704, 12, $spin));
            if ($before !== null) {
                expect($f->apexM)->toBeGreaterThan($before->apexM)->and($f->descentDeg)->toBeGreaterThan($before->descentDeg);
            }
            $before = $f;
        }
    }
});

it('keeps within a hundredth of a yard of a fine integration, from 90 to 200 mph and 1000 to 6000 rpm', function (): void {
    [$quick, $fine] = [new BallFlight, new BallFlight(tolerance: 1e-10)];
    foreach ([90, 130, 170, 200] as $mph) {
        foreach ([2, 9, 16, 30] as $launch) {
            foreach ([1000, 2600, 6000] as $spin) {
                [$a, $b] = [$quick->fly(new Launch($mph * 0.44704, $launch, $spin)), $fine->fly(new Launch($mph * 0.44704, $launch, $spin))];
                foreach (['carryM', 'apexM', 'apexAtM', 'totalM'] as $field) {
                    expect(abs($a->{$field} - $b->{$field}))->toBeLessThan(0.01 * 0.9144, "{$field} of {$mph} {$launch} {$spin}");
                }
            }
        }
    }
});
