<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\DecisionRule;
use MintCarry\Core\Fitting\Effort;
use MintCarry\Core\Fitting\Option;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\TieBreak;
use MintCarry\Core\Fitting\Wish;

// Which setup is advised, in the order of the rule. Draws are written by hand: ten plausible truths of each setup. They are
// lengths, whose chances are told as they are drawn; 0.05 is 5 m, and 1.5 m is what the scoring resolves.

const OWN = [400.0, 400.0, 400.0, 400.0, 400.0, 400.0, 400.0, 400.0, 400.0, 400.0];

/** So much better than the own club in hundreds of metres, in so many of ten draws; else a metre worse. @return list<float> */
function betterBy(float $gain, int $of = 10): array
{
    return [...array_fill(0, $of, 400.0 - 100 * $gain), ...($of < 10 ? array_fill(0, 10 - $of, 401.0) : [])];
}

/**
 * @param  list<list<float>>  $scores  the own club first
 * @param  array<int, Option>  $options
 */
function decided(array $scores, array $options, array $wishes = [], ?callable $feel = null, ?float $sure = null): DecisionRule
{
    $barred = array_keys(array_filter($options, static fn (Option $o): bool => $o->isBarred));

    return DecisionRule::choose(Pick::among($scores, 0, Scoring::Longest, $barred), [new Option(effort: Effort::Nothing)] + $options, 0, $wishes, $feel, $sure);
}

/** @param  list<list<float>>  $values  by setup */
function wishing(string $want, string $figure, array $values, Hand $hand = Hand::Right): array
{
    $brief = in_array($want, ['draw', 'fade', 'straight'], true) ? new Brief(shape: $want) : new Brief(wants: [$want]);

    return Wish::of($brief, $hand, [$figure => array_map(static fn (array $v): array => array_pad($v, 10, $v[0]), $values)]);
}

it('turns the wrench for one resolution with a chance of 0.65, and not for less', function (array $turned, int $picked): void {
    expect(decided([OWN, $turned], [1 => new Option(effort: Effort::Turn)])->pick)->toBe($picked);
})->with([
    'seven of ten' => [betterBy(0.05, 7), 1],
    'six of ten' => [betterBy(0.05, 6), 0],
    'less than a resolution' => [betterBy(0.01), 0],
]);

it('has something bought from eight in ten on, or from where the fitter set it', function (array $bought, ?float $sure, int $picked): void {
    expect(decided([OWN, $bought], [1 => new Option(effort: Effort::InStock)], sure: $sure)->pick)->toBe($picked);
})->with([
    'eight of ten' => [betterBy(0.05, 8), null, 1],
    'seven of ten' => [betterBy(0.05, 7), null, 0],
    'seven of ten, for who asks no more' => [betterBy(0.05, 7), 0.65, 1],
    'surely, but by less than shows' => [betterBy(0.01), null, 0],
]);

it('holds a purchase against the best that the own head can be turned to', function (): void {
    $turn = new Option(effort: Effort::Turn);
    $buy = new Option(effort: Effort::InStock);
    expect(decided([OWN, betterBy(0.05), betterBy(0.055)], [1 => $turn, 2 => $buy])->pick)->toBe(1)
        ->and(decided([OWN, betterBy(0.05), betterBy(0.08)], [1 => $turn, 2 => $buy])->pick)->toBe(2);
});

it('tells chances of strokes as they came true, and gains no better', function (): void {
    $of = static fn (array $a, array $b): Pick => Pick::among([$a, $b], 0, Scoring::FewestStrokes);
    $own = array_fill(0, 100, 4.0);
    $better = static fn (int $n): array => [...array_fill(0, $n, 3.95), ...array_fill(0, 100 - $n, 4.05)];
    expect($of($own, $own)->chance(1, 0))->toBe(0.5)
        ->and($of($own, $better(50))->chance(1, 0))->toBeLessThan(0.45)
        ->and($of($own, $better(90))->chance(1, 0))->toBeGreaterThan(0.7)->toBeLessThan(0.85)
        ->and($of($own, $better(90))->chance(1, 0) + $of($own, $better(90))->chance(0, 1))->toEqualWithDelta(1.0, 1e-6)
        // All draws alike are over 99 in 100.
        ->and($of($own, array_map(static fn (int $k): float => 3.9 + 0.0001 * $k, range(1, 100)))->chance(1, 0))->toBeGreaterThan(0.99);
});

it('never advises what is barred, however good', function (): void {
    $rule = decided([OWN, betterBy(0.3)], [1 => new Option(true, Effort::Turn)]);
    expect($rule->pick)->toBe(0)->and($rule->by)->toBe('own');
});

it('calls nobody level for being unsure', function (): void {
    // As good on average, and in three of ten 20 m worse.
    $unsure = [390.0, 390.0, 390.0, 390.0, 390.0, 390.0, 390.0, 420.0, 420.0, 420.0];
    $pick = Pick::among([OWN, $unsure], 0, Scoring::Longest);
    expect(DecisionRule::isLevel($pick, 1, 0))->toBeFalse()
        ->and(DecisionRule::isLevel(Pick::among([OWN, betterBy(-0.01)], 0, Scoring::Longest), 1, 0))->toBeTrue()
        ->and(DecisionRule::isLevel(Pick::among([OWN, betterBy(-0.02)], 0, Scoring::Longest), 1, 0))->toBeFalse();
});

it('answers the first want that is gained among those that are level, the own club one of them', function (): void {
    $scores = [OWN, betterBy(-0.005)];
    $turn = [1 => new Option(effort: Effort::Turn)];
    $longer = decided($scores, $turn, wishing('carry', 'carryM', [[200.0], [205.0]]));
    expect([$longer->pick, $longer->by, $longer->wish])->toBe([1, 'wish', 'carry'])
        ->and(decided($scores, $turn, wishing('carry', 'carryM', [[200.0], [202.0]]))->pick)->toBe(0)
        // By enough on average, and in only six of ten at all.
        ->and(decided($scores, $turn, wishing('carry', 'carryM', [[200.0], [212.0, 212.0, 212.0, 212.0, 212.0, 212.0, 199.0, 199.0, 199.0, 199.0]]))->pick)->toBe(0)
        // Not level: the wish buys no strokes.
        ->and(decided([OWN, betterBy(-0.05)], $turn, wishing('carry', 'carryM', [[200.0], [215.0]]))->pick)->toBe(0)
        ->and(decided($scores, $turn, wishing('less spin', 'spinRpm', [[3300.0], [2700.0]]))->wish)->toBe('less spin');
});

it('loses a setup whose curve leaves the shape that is played, mirrored for a left-hander', function (Hand $hand): void {
    $curves = [[-6.0 * $hand->sign()], [9.0 * $hand->sign()]];
    $scores = [OWN, betterBy(0.016)];
    $turn = [1 => new Option(effort: Effort::Turn)];
    expect(decided($scores, $turn)->pick)->toBe(1);
    $options = [1 => new Option(effort: Effort::Turn), 2 => new Option(effort: Effort::Turn)];
    $three = [OWN, betterBy(0.016), betterBy(0.02)];
    $of = [...$curves, [-7.0 * $hand->sign()]];
    expect(decided($three, $options, wishing('draw', 'curveM', $of, $hand))->pick)->toBe(2)
        ->and(decided($three, $options, wishing('fade', 'curveM', $of, $hand))->pick)->toBe(1);
})->with([Hand::Right, Hand::Left]);

it('asks feel among those that are level, then what takes least', function (): void {
    $scores = [OWN, betterBy(0.03), betterBy(0.032), betterBy(0.034)];
    $options = [1 => new Option(effort: Effort::InStock, price: 500.0), 2 => new Option(effort: Effort::Turn), 3 => new Option(effort: Effort::InStock, price: 300.0)];
    $feel = static fn (array $among): array => [
        TieBreak::among(['one' => ['confidence' => 5.0], 'two' => ['confidence' => 2.0]], ['confidence']),
        in_array(1, $among, true) ? [1] : $among,
    ];
    expect(decided($scores, $options)->pick)->toBe(2)
        ->and(decided([OWN, betterBy(0.06), betterBy(0.03), betterBy(0.07)], $options)->pick)->toBe(3)
        ->and(decided([OWN, betterBy(0.06), betterBy(0.03), betterBy(0.07)], $options, feel: $feel)->pick)->toBe(1);
});
