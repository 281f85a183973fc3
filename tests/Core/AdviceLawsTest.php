<?php

declare(strict_types=1);

use MintCarry\Core\Fitting\Advice;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\DecisionRule;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\LaunchShot;

// What any honest advice must obey, whatever its method.

/** @param  list<float>  $sides */
function drives(string $tag, array $sides, float $carry = 205.0): ShotSet
{
    return new ShotSet(
        $tag,
        array_map(
            fn (float $side): LaunchShot => LaunchShot::of(
                [
                    'ballSpeedMps' => 66.0, 'launchDeg' => 12.5, 'spinRpm' => 2500.0, 'carryM' => $carry, 'totalM' => $carry + 22,
                    'sideM' => $side,
                ],
                new BallFlight,
            ),
            $sides,
        ),
    );
}

/** @param  list<ShotSet>  $sets */
function advised(array $sets, Brief $brief = new Brief, int $seed = 5): Advice
{
    return Advice::of($sets, 'A', $brief, new BallFlight);
}

it('says the same twice, and the same of a setup wherever it stands in the list', function (): void {
    $sets = [drives('A', [5, -8, 12, -3, 7]), drives('B', [1, -4, 6, -2, 3]), drives('C', [20, -25, 14, -18, 9])];
    $one = advised($sets);
    expect(advised($sets))->toEqual($one);
    $turned = advised([$sets[2], $sets[0], $sets[1]]);
    expect($turned->pick)->toBe($one->pick)
        ->and($turned->judgement('B')->strokes)->toEqualWithDelta($one->judgement('B')->strokes, 0.03);
});

it('compares a setup with itself as even', function (): void {
    $sides = [4, -6, 9, -2, 1, -7];
    $advice = advised([drives('A', $sides), drives('B', $sides)]);
    expect($advice->pick)->toBe('A')
        ->and(abs($advice->judgement('B')->strokes))->toBeLessThan(0.03)
        ->and($advice->judgement('B')->chanceBetter)->toBeGreaterThan(0.3)->toBeLessThan(0.7)
        ->and($advice->judgement('B')->strokesInterval->contains(0))->toBeTrue();
});

it('grows surer with more shots of the same', function (): void {
    $wide = [26, -31, 22, -19, 28];
    $tight = [2, -3, 1, -2, 3];
    $width = function (int $times) use ($wide, $tight): float {
        $interval = advised([
            drives('A', array_merge(...array_fill(0, $times, $wide))), drives('B', array_merge(...array_fill(0, $times, $tight))),
        ])->judgement('B')->strokesInterval;

        return $interval->high - $interval->low;
    };
    expect($width(6))->toBeLessThan($width(1));
});

it('gains from length, from straightness, and never loses by a wider corridor', function (): void {
    $sides = [8, -9, 14, -12, 5, -6];
    $longer = advised([drives('A', $sides), drives('B', $sides, 225)])->judgement('B');
    $straighter = advised([drives('A', $sides), drives('B', array_map(fn (float $s): float => $s / 3, $sides))])->judgement('B');
    expect($longer->strokes)->toBeLessThan(-0.04)->and($straighter->strokes)->toBeLessThan(0);
    $share = fn (float $width): float => advised([drives('A', $sides)], new Brief(corridor: new Corridor($width)))->judgement('A')->share->share;
    expect($share(20))->toBeLessThan($share(30))->and($share(30))->toBeLessThan($share(60))->and($share(120))->toBeLessThan(1.0);
});

it('prices the same yards higher for who plays less well', function (): void {
    $sides = [8, -9, 14, -12, 5, -6];
    $worth = fn (float $handicap): float => -advised(
        [drives('A', $sides), drives('B', $sides, 225)], new Brief(handicap: $handicap),
    )->judgement('B')->strokes;
    expect($worth(0))->toBeLessThan($worth(12))->and($worth(12))->toBeLessThan($worth(30));
});

it('aims away from what is worse', function (): void {
    $sides = [18, -16, 22, -20, 12, -14];
    $aim = fn (Trouble $left, Trouble $right): float => advised(
        [drives('A', $sides)], new Brief(corridor: new Corridor(30, $left, $right)),
    )->judgement('A')->aimDeg;
    $rough = new Trouble('rough');
    expect($aim(new Trouble('water', 20), $rough))->toBeGreaterThan(0.5)
        ->and($aim($rough, new Trouble('water', 20)))->toBeLessThan(-0.5)
        ->and(abs($aim($rough, $rough)))->toBeLessThan(1.0)
        ->and(abs($aim(new Trouble('out of bounds', 20), new Trouble('water', 20))))->toBeLessThan(4.01);
});

it('keeps the own club below a chance of 0.8 and a gain worth telling, under every scoring', function (Scoring $scoring): void {
    $brief = new Brief(scoring: $scoring->value, weights: $scoring === Scoring::OwnWeights ? ['carry' => 1.0, 'fairways' => 1.0] : []);
    foreach (range(1, 6) as $seed) {
        $advice = advised(
            [drives('A', [6, -9, 11, -5]), drives('B', [4, -7, 12, -6], 206.5), drives('C', [9, -3, 8, -11], 204)], $brief, $seed,
        );
        $pick = $advice->judgement($advice->pick);
        if ($advice->pick !== 'A') {
            expect($pick->chanceBetter)->toBeGreaterThanOrEqual(DecisionRule::SURE_TO_BUY)
                ->and($pick->gain)->toBeGreaterThan($scoring->resolution());
        }
        expect($advice->expectedLoss)->toBeGreaterThanOrEqual(0.0)
            ->and($advice->judgement('A')->gain)->toEqualWithDelta(0.0, 1e-12);
    }
})->with(Scoring::cases());

it('has a share, and shares left and right of the corridor, that are one', function (): void {
    $share = advised([drives('A', [5, -8, 12, -3, 7]), drives('B', [25, -28, 12, -33, 7])])->judgement('B')->share;
    expect($share->share + $share->left + $share->right)->toEqualWithDelta(1.0, 1e-9)
        ->and($share->interval->low)->toBeLessThan($share->share)->and($share->interval->high)->toBeGreaterThan($share->share);
});
