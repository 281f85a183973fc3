<?php

declare(strict_types=1);

use MintCarry\Core\Fitting\LiveVerdict;
use MintCarry\Core\Fitting\Verdict;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

it('has the z of a worked example', function (): void {
    // A 200 204 208, B 214 218 222: sums of squares 32 each; s² = (8·12² + 32 + 32)/(8 + 4) = 101.333; z = 14/(10.066 √(2/3)) = 1.7033.
    $s = LiveVerdict::between('longer', Measure::Carry, [200.0, 204.0, 208.0], [214.0, 218.0, 222.0], 1, 12.0, 2.5);
    expect($s?->z)->toEqualWithDelta(1.7033, 1e-3)->and($s->verdict)->toBe(Verdict::Open)->and($s->value)->toEqualWithDelta(14, 1e-12)
        // (14/(2.5·10.066))² − 1/3 < 0: more shots with this setup alone cannot settle it.
        ->and($s->moreShots)->toBeNull();
});

it('says nothing from fewer than three shots on either side', function (): void {
    expect(LiveVerdict::between('longer', Measure::Carry, [200.0, 204.0], [214.0, 218.0, 222.0], 1, 12.0, 2.5))->toBeNull()
        ->and(LiveVerdict::between('longer', Measure::Carry, [200.0, 204.0, 208.0], [214.0, 218.0], 1, 12.0, 2.5))->toBeNull();
});

it('knows which way is better', function (): void {
    [$low, $high] = [array_fill(0, 6, 2200.0), array_fill(0, 6, 3300.0)];
    expect(LiveVerdict::between('less spin', Measure::Spin, $high, $low, -1, 320, 3.0)?->verdict)->toBe(Verdict::Better)
        ->and(LiveVerdict::between('less spin', Measure::Spin, $low, $high, -1, 320, 3.0)?->verdict)->toBe(Verdict::Worse);
});

it('says how many more shots would settle it, and keeps its word when they come', function (): void {
    $a = [200.0, 206.0, 194.0, 201.0, 199.0, 205.0, 195.0, 200.0, 203.0, 197.0, 200.0, 202.0];
    $b = [206.0, 210.0, 208.0];
    $s = LiveVerdict::between('longer', Measure::Carry, $a, $b, 1, 8.0, 2.5);
    expect($s?->verdict)->toBe(Verdict::Open)->and($s->moreShots)->toBeGreaterThan(0);
    $more = [...$b, ...array_fill(0, $s->moreShots + 1, 208.0)];
    expect(LiveVerdict::between('longer', Measure::Carry, $a, $more, 1, 8.0, 2.5)?->verdict)->toBe(Verdict::Better);
});

// Target of docs/judging.md: looked at after every shot, up to twenty, a false "better" on the declared measure in at most 5 % of runs.
it('seldom says better where nothing is, though it looks after every shot', function (float $usual): void {
    $random = new Randomizer(new Mt19937(71));
    $draw = fn (): float => 200 + 12 * Normal::draw($random);
    $false = 0;
    for ($run = 0; $run < 1500; $run++) {
        $a = array_map($draw, range(1, 12));
        $b = [];
        for ($i = 0; $i < 20; $i++) {
            $b[] = $draw();
            if (LiveVerdict::between('longer', Measure::Carry, $a, $b, 1, $usual, LiveVerdict::DECLARED_Z)?->verdict === Verdict::Better) {
                $false++;
                break;
            }
        }
    }
    expect($false / 1500)->toBeLessThan(0.05);
})->with([12.0, 10.0, 15.0]);

it('finds a difference of one spread more often than not within twenty shots', function (): void {
    $random = new Randomizer(new Mt19937(72));
    $found = 0;
    for ($run = 0; $run < 300; $run++) {
        $a = array_map(fn (): float => 200 + 12 * Normal::draw($random), range(1, 12));
        $b = [];
        for ($i = 0; $i < 20; $i++) {
            $b[] = 212 + 12 * Normal::draw($random);
            if (LiveVerdict::between('longer', Measure::Carry, $a, $b, 1, 12.0, LiveVerdict::DECLARED_Z)?->verdict === Verdict::Better) {
                $found++;
                break;
            }
        }
    }
    expect($found / 300)->toBeGreaterThan(0.5);
});
