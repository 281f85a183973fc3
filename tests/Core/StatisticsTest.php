<?php

declare(strict_types=1);

use MintCarry\Core\Statistics\Difference;
use MintCarry\Core\Statistics\Ellipse;
use MintCarry\Core\Statistics\Evenly;
use MintCarry\Core\Statistics\Holm;
use MintCarry\Core\Statistics\Normal;
use MintCarry\Core\Statistics\Robust;
use MintCarry\Core\Statistics\RunningMedian;
use MintCarry\Core\Statistics\StudentT;
use MintCarry\Core\Statistics\Summary;
use Random\Engine\Mt19937;
use Random\Randomizer;

// Source: R 4.2, made by tests/reference/statistics.R.
$r = json_decode((string) file_get_contents(__DIR__.'/../reference/statistics.json'), true, flags: JSON_THROW_ON_ERROR);

it('has R’s t quantiles', function () use ($r): void {
    foreach ($r['t'] as $i => $t) {
        expect(abs(StudentT::quantile($r['p'][$i], $r['dof'][$i]) / $t - 1))->toBeLessThan(1e-8);
        expect(StudentT::cdf($t, $r['dof'][$i]))->toEqualWithDelta($r['p'][$i], 1e-9);
    }
});

it('summarises as R does', function () use ($r): void {
    $s = Summary::of($r['a']);
    [$mean, $sd, $median, $low, $high] = $r['one'];
    expect($s->mean)->toEqualWithDelta($mean, 1e-9)
        ->and($s->sd)->toEqualWithDelta($sd, 1e-9)
        ->and($s->median)->toEqualWithDelta($median, 1e-9)
        ->and($s->meanInterval->low)->toEqualWithDelta($low, 1e-8)
        ->and($s->meanInterval->high)->toEqualWithDelta($high, 1e-8);
});

it('has R’s Welch interval', function () use ($r): void {
    $d = Difference::between(Summary::of($r['a']), Summary::of($r['b']));
    expect($d->value)->toEqualWithDelta($r['welch'][0], 1e-9)
        ->and($d->interval->low)->toEqualWithDelta($r['welch'][1], 1e-7)
        ->and($d->interval->high)->toEqualWithDelta($r['welch'][2], 1e-7)
        ->and($d->dof)->toEqualWithDelta($r['welch'][3], 1e-9)
        ->and($d->isClear())->toBeTrue();
});

it('has R’s p of a Welch test, and R’s p-values of many questions at once (Holm)', function () use ($r): void {
    expect(Difference::between(Summary::of($r['a']), Summary::of($r['b']))->p)->toEqualWithDelta($r['welch_p'][0], 1e-9);
    $adjusted = Holm::adjusted(array_combine(['d', 'a', 'c', 'b', 'h', 'g', 'f', 'e'], $r['many']));
    expect(array_keys($adjusted))->toBe(['d', 'a', 'c', 'b', 'h', 'g', 'f', 'e']);
    foreach (array_values($adjusted) as $i => $p) {
        expect($p)->toEqualWithDelta($r['holm'][$i], 1e-12);
    }
    expect(Holm::adjusted([]))->toBe([]);
});

it('weighs the differences of two days by their evidence, as R does', function () use ($r): void {
    $second = array_map(fn (float $v, float $d): float => $v + $d, $r['b'], [1, -2, 0.5, 1, 3]);
    $days = [
        Difference::between(Summary::of($r['a']), Summary::of($r['b'])),
        Difference::between(Summary::of(array_map(fn (float $v): float => $v + 2, $r['a'])), Summary::of($second)),
    ];
    $over = Difference::over($days);
    expect($over->value)->toEqualWithDelta($r['two_days'][0], 1e-9)
        ->and($over->interval->low)->toEqualWithDelta($r['two_days'][1], 1e-7)
        ->and($over->interval->high)->toEqualWithDelta($r['two_days'][2], 1e-7)
        ->and($over->dof)->toEqualWithDelta($r['two_days'][3], 1e-7)
        ->and(Difference::over([$days[0]]))->toBe($days[0])->and(Difference::over([]))->toBeNull();
});

it('has R’s normal distribution', function () use ($r): void {
    foreach ([-3, -1.5, -0.2, 0, 0.7, 1.96, 4] as $i => $z) {
        expect(Normal::cdf($z))->toEqualWithDelta($r['normal'][$i], 2e-7);
    }
});

it('has R’s principal axes', function () use ($r): void {
    $e = Ellipse::around([[-4, 190], [2, 202], [9, 199], [-11, 185], [3, 204], [6, 196]]);
    expect($e->halfLongM)->toEqualWithDelta($r['ellipse'][0], 1e-9)
        ->and($e->halfShortM)->toEqualWithDelta($r['ellipse'][1], 1e-9);
});

it('claims no spread from one number, no interval from one side, no ellipse from two points', function (): void {
    expect(Summary::of([]))->toBeNull()
        ->and(Summary::of([200.0])->sd)->toBeNull()
        ->and(Summary::of([200.0])->meanInterval)->toBeNull()
        ->and(Difference::between(Summary::of([200.0]), Summary::of([201.0, 203.0]))->interval)->toBeNull()
        ->and(Ellipse::around([[0, 1], [2, 3]]))->toBeNull();
});

it('draws what it says', function (): void {
    $random = new Randomizer(new Mt19937(3));
    $z = array_map(fn () => Normal::draw($random), range(1, 8000));
    $c = array_map(fn () => Normal::chiSquare($random, 5), range(1, 8000));
    expect(Summary::of($z)->mean)->toEqualWithDelta(0, 0.05)
        ->and(Summary::of($z)->sd)->toEqualWithDelta(1, 0.04)
        ->and(Summary::of($c)->mean)->toEqualWithDelta(5, 0.15)
        ->and(Summary::of($c)->sd)->toEqualWithDelta(sqrt(10), 0.15);
});

it('knows the median of what came so far, as sorting all of it would', function (): void {
    $random = new Random\Randomizer(new Random\Engine\Mt19937(7));
    $running = new RunningMedian;
    expect($running->value())->toBeNull();
    $all = [];
    for ($i = 1; $i <= 300; $i++) {
        $all[] = $value = $random->getInt(0, 40) / 4;
        $running->add($value);
        expect($running->value())->toBe((float) Robust::median($all))->and($running->count())->toBe($i);
    }
});

it('takes a long list by some that are spread over it, and a short one whole', function (): void {
    expect(Evenly::of([1, 2, 3], 3))->toBe([1, 2, 3])->and(Evenly::of([], 4))->toBe([]);
    $some = Evenly::of(range(0, 20_000), 401);
    expect($some)->toHaveCount(401)->and($some[0])->toBe(0)->and(end($some))->toBe(20_000)
        ->and(max(array_map(fn (int $i): int => $some[$i + 1] - $some[$i], range(0, 399))))->toBe(50);
});
