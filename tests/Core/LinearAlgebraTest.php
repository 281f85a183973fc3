<?php

declare(strict_types=1);

use Eris\Generator;
use Eris\TestTrait;
use MintCarry\Core\Club\Matrix3;
use MintCarry\Core\Flight\Landing;
use MintCarry\Core\Flight\Turf;
use MintCarry\Core\Statistics\Difference;
use MintCarry\Core\Statistics\Ellipse;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Summary;

uses(TestTrait::class);

// Laws that hold for all inputs, of the small mathematics the rest stands on.

$vector = fn () => Generator\vector(3, Generator\choose(-100, 100));

it('turns without stretching, and turns back', function () use ($vector): void {
    $this->forAll($vector(), $vector(), Generator\choose(-179, 179))
        ->when(fn (array $axis): bool => array_sum(array_map(abs(...), $axis)) > 0)
        ->then(function (array $axis, array $v, int $degrees): void {
            $size = sqrt(array_sum(array_map(fn ($x) => $x * $x, $axis)));
            $axis = array_map(fn ($x): float => $x / $size, $axis);
            $v = array_map(floatval(...), $v);
            $turned = Matrix3::apply(Matrix3::rotation($axis, deg2rad($degrees)), $v);
            $back = Matrix3::apply(Matrix3::rotation($axis, deg2rad(-$degrees)), $turned);
            $norm = fn (array $a): float => sqrt(array_sum(array_map(fn ($x) => $x * $x, $a)));
            expect($norm($turned))->toEqualWithDelta($norm($v), 1e-9);
            foreach ([0, 1, 2] as $i) {
                expect($back[$i])->toEqualWithDelta($v[$i], 1e-9);
            }
        });
});

it('inverts what can be inverted', function (): void {
    $this->forAll(Generator\vector(6, Generator\choose(-50, 50)), Generator\choose(120, 400))->then(function (array $off, int $size): void {
        // Symmetric and strictly dominant on the diagonal: always invertible, always positive definite.
        $m = [
            [(float) $size, $off[0] / 2, $off[1] / 2], [$off[0] / 2, (float) ($size + 10), $off[2] / 2],
            [$off[1] / 2, $off[2] / 2, (float) ($size + 20)],
        ];
        $inverse = Matrix3::inverse($m);
        expect(Matrix3::isPositiveDefinite($m))->toBeTrue();
        foreach ([[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0], [3.0, -2.0, 5.0]] as $v) {
            $same = Matrix3::apply($inverse, Matrix3::apply($m, $v));
            foreach ([0, 1, 2] as $i) {
                expect($same[$i])->toEqualWithDelta($v[$i], 1e-9);
            }
        }
    });
});

it('knows a tensor that no body can have', function (array $m): void {
    expect(Matrix3::isPositiveDefinite($m))->toBeFalse();
})->with([
    'negative' => [[[-1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]]],
    'flat' => [[[1.0, 0.0, 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 1.0]]],
    'too much off the diagonal' => [[[1.0, 2.0, 0.0], [2.0, 1.0, 0.0], [0.0, 0.0, 1.0]]],
    'not symmetric' => [[[1.0, 0.5, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]]],
]);

it('shifts and scales a summary with its numbers', function (): void {
    $this->forAll(Generator\vector(6, Generator\choose(-300, 300)), Generator\choose(-50, 50), Generator\choose(1, 9))->then(function (
        array $values, int $shift, int $scale,
    ): void {
        $values = array_map(floatval(...), $values);
        $one = Summary::of($values);
        $two = Summary::of(array_map(fn (float $v): float => $scale * $v + $shift, $values));
        expect($two->mean)->toEqualWithDelta($scale * $one->mean + $shift, 1e-9)
            ->and($two->sd)->toEqualWithDelta($scale * $one->sd, 1e-9)
            ->and($two->median)->toEqualWithDelta($scale * $one->median + $shift, 1e-9)
            ->and($two->meanInterval->high - $two->meanInterval->low)
            ->toEqualWithDelta($scale * ($one->meanInterval->high - $one->meanInterval->low), 1e-8);
    });
});

it('finds the same difference from either side, with its sign turned', function (): void {
    $this->forAll(Generator\vector(5, Generator\choose(150, 260)), Generator\vector(7, Generator\choose(150, 260)))
        ->when(fn (array $a, array $b): bool => count(array_unique($a)) > 1 && count(array_unique($b)) > 1)
        ->then(function (array $a, array $b): void {
            [$a, $b] = [Summary::of(array_map(floatval(...), $a)), Summary::of(array_map(floatval(...), $b))];
            $there = Difference::between($a, $b);
            $back = Difference::between($b, $a);
            expect($back->value)->toEqualWithDelta(-$there->value, 1e-9)
                ->and($back->interval->low)->toEqualWithDelta(-$there->interval->high, 1e-9)
                ->and($back->isClear())->toBe($there->isClear())
                ->and($there->isClear())->toBe(! $there->interval->contains(0.0));
        });
});

it('takes the middle 95 % of many draws', function (): void {
    $interval = Interval::middleOf(array_map(floatval(...), range(0, 1000)));
    expect($interval->low)->toEqualWithDelta(25, 1.5)->and($interval->high)->toEqualWithDelta(975, 1.5);
});

it('turns the ellipse with its cloud', function (): void {
    $cloud = [[-14.0, 192.0], [3.0, 204.0], [9.0, 199.0], [-4.0, 188.0], [12.0, 207.0], [1.0, 196.0]];
    $mirrored = array_map(fn (array $p): array => [-$p[0], $p[1]], $cloud);
    [$one, $two] = [Ellipse::around($cloud), Ellipse::around($mirrored)];
    expect($two->acrossM)->toEqualWithDelta(-$one->acrossM, 1e-9)
        ->and($two->alongM)->toEqualWithDelta($one->alongM, 1e-9)
        ->and($two->halfLongM)->toEqualWithDelta($one->halfLongM, 1e-9)
        ->and($two->halfShortM)->toEqualWithDelta($one->halfShortM, 1e-9)
        ->and($one->halfLongM)->toBeGreaterThan($one->halfShortM);
});

it('never rolls backward off a drive, nor farther on softer ground', function (): void {
    $this->forAll(Generator\choose(15, 32), Generator\choose(22, 52), Generator\choose(1200, 3600))->then(function (
        int $speed, int $descent, int $spin,
    ): void {
        $velocity = [$speed * cos(deg2rad($descent)), 0.0, -$speed * sin(deg2rad($descent))];
        $run = fn (Turf $turf): float => hypot(
            ...array_slice((new Landing($turf))->run($velocity, [0.0, (-$spin * 2 * M_PI) / 60, 0.0]), 0, 2),
        );
        expect($run(Turf::Firm))->toBeGreaterThan(0)
            ->and($run(Turf::Soft))->toBeLessThan($run(Turf::Firm) + 0.5);
    });
});
