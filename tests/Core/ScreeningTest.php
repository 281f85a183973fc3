<?php

declare(strict_types=1);

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\BlindOrder;
use MintCarry\Core\Fitting\Mishits;
use MintCarry\Core\Fitting\Repeat;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Robust;
use Random\Engine\Mt19937;
use Random\Randomizer;

// Which shots an average is made of, what looks like a mishit, and the order of a blind trial.

/** @param  list<array<string, float>>  $values */
function shots(array $values): array
{
    $flight = new BallFlight;

    return array_map(
        fn (array $v): LaunchShot => LaunchShot::of($v + ['ballSpeedMps' => 66.0, 'launchDeg' => 13.0, 'spinRpm' => 2500.0], $flight),
        $values,
    );
}
/** @param  array<string|null>  $out */
function screened(string $policy, array $carries, array $out = []): ShotSet
{
    return Screening::named($policy)->of(
        'A',
        array_map(
            fn (LaunchShot $s, int $i): array => ['shot' => $s, 'leftOut' => $out[$i] ?? null],
            shots(array_map(fn (float $c): array => ['carryM' => $c], $carries)), array_keys($carries),
        ),
    );
}

it('takes the shots that the policy names', function (string $policy, array $expected): void {
    $set = screened($policy, [200.0, 210.0, 150.0, 205.0, 190.0, 220.0, 90.0, 207.0], [2 => 'mishit', 6 => 'monitor error']);
    expect($set->values(Measure::Carry))->toBe($expected);
})->with([
    'flagged out' => ['flagged', [200.0, 210.0, 205.0, 190.0, 220.0, 207.0]],
    'all, but never a monitor error' => ['all', [200.0, 210.0, 150.0, 205.0, 190.0, 220.0, 207.0]],
    'the best half, in their order' => ['best 1 of 2', [210.0, 220.0, 207.0]],
    'the best 6 of 8: five of six' => ['best 6 of 8', [200.0, 210.0, 205.0, 220.0, 207.0]],
]);

it('pulls a far value in and drops none under the robust policy', function (): void {
    $set = screened('robust', [200.0, 202.0, 198.0, 201.0, 199.0, 150.0]);
    $values = $set->values(Measure::Carry);
    expect($set->count())->toBe(6)
        ->and(min($values))->toBeGreaterThan(190.0)
        ->and(array_slice($values, 0, 5))->toBe([200.0, 202.0, 198.0, 201.0, 199.0])
        ->and(screened('robust', [200.0, 150.0, 201.0])->values(Measure::Carry))->toBe([200.0, 150.0, 201.0]);
});

it('warns of what keeping the best does, and refuses policies that nobody named', function (): void {
    expect(Screening::named('best 6 of 8')->warning())->toContain('30 %')
        ->and(Screening::named('flagged')->warning())->toBe('')
        ->and(Screening::named('best 6 of 8')->label())->toBe('best 6 of 8 by carry');
    foreach (['none', 'best 8 of 6', 'best 3 of 3', 'best 0 of 4', 'best 10 of 40', ''] as $wrong) {
        expect(fn () => Screening::named($wrong))->toThrow(InvalidInput::class);
    }
});

it('has the median and the median absolute deviation of the handbook example', function (): void {
    // NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.5.6 defines the MAD; the numbers here are counted by hand.
    expect(Robust::median([1.0, 9.0, 3.0, 4.0]))->toBe(3.5)
        ->and(Robust::sd([1.0, 1.0, 2.0, 2.0, 4.0, 6.0, 9.0]))->toEqualWithDelta(1.4826, 1e-12)
        ->and(Robust::pulledIn([5.0, 5.0, 5.0, 9.0]))->toBe([5.0, 5.0, 5.0, 9.0]);
});

it('suggests a mishit by ball speed against the usual of its setup', function (): void {
    $sets = [
        new ShotSet(
            'A',
            shots(array_map(fn (float $v): array => ['ballSpeedMps' => $v, 'clubSpeedMps' => 45.0], [66.0, 66.4, 65.7, 61.0, 66.2])),
        ),
        new ShotSet(
            'B',
            shots(
                array_map(fn (float $v): array => ['ballSpeedMps' => $v, 'clubSpeedMps' => $v / 1.47], [70.0, 70.3, 69.8, 65.0, 70.1]),
            ),
        ),
    ];
    $found = Mishits::among($sets);
    expect($found)->toHaveKeys(['A', 'B'])
        ->and(array_keys($found['A']))->toBe([3])
        ->and($found['A'][3][0]['why'])->toBe('speed')
        ->and($found['A'][3][0]['usual'])->toBe(66.0)
        // The club was slow too: that is the swing, not the strike.
        ->and($found['B'][3][0]['why'])->toBe('swing');
});

it('suggests a mishit by a strike far from this player’s usual place, and says which way', function (): void {
    $toe = [2.0, 3.0, -4.0, 1.0, 5.0, 32.0];
    $found = Mishits::among([new ShotSet('A', shots(array_map(fn (float $t): array => ['strikeToeMm' => $t], $toe)))]);
    expect(array_keys($found['A']))->toBe([5])
        ->and($found['A'][5][0]['measure'])->toBe(Measure::StrikeToe)
        ->and($found['A'][5][0]['usual'])->toBe(2.5);
});

it('suggests nothing from three shots, nor among shots that are alike', function (): void {
    expect(Mishits::among([new ShotSet('A', shots([['ballSpeedMps' => 66.0], ['ballSpeedMps' => 50.0], ['ballSpeedMps' => 66.0]]))]))
        ->toBe([])
        ->and(Mishits::among([new ShotSet('A', shots(array_fill(0, 8, ['ballSpeedMps' => 66.0])))]))->toBe([])
        ->and(Mishits::among([]))->toBe([]);
});

it('gives every setting the same number of turns in every round of a blind trial', function (int $seed): void {
    $order = BlindOrder::of([7, 9, 4], 3, new Randomizer(new Mt19937($seed)));
    expect($order)->toHaveCount(9);
    foreach (array_chunk($order, 3) as $round) {
        sort($round);
        expect($round)->toBe([4, 7, 9]);
    }
})->with([1, 2, 3, 4]);

it('draws blind orders that differ', function (): void {
    $seen = [];
    for ($seed = 0; $seed < 40; $seed++) {
        $seen[implode(',', BlindOrder::of([1, 2], 2, new Randomizer(new Mt19937($seed))))] = true;
    }
    expect(count($seen))->toBe(4);
});

it('refuses a blind trial of one, four or twice the same setting', function (array $setups, int $rounds): void {
    expect(fn () => BlindOrder::of($setups, $rounds, new Randomizer))->toThrow(InvalidInput::class);
})->with([[[1], 2], [[1, 2, 3, 4], 2], [[1, 1], 2], [[1, 2], 0], [[1, 2], 5]]);

it('says what moved when a setup is hit again, and that nothing did', function (): void {
    $at = fn (float $club, float $carry): ShotSet => new ShotSet(
        'A',
        shots(
            array_map(
                fn (float $d): array => ['clubSpeedMps' => $club + $d, 'carryM' => $carry + 5 * $d, 'ballSpeedMps' => 1.46 * $club + $d],
                [-0.6, 0.2, 0.5, -0.3, 0.2],
            ),
        ),
    );
    $same = Repeat::of($at(45, 220), $at(45.1, 221));
    $tired = Repeat::of($at(45, 220), $at(42.5, 205));
    $moved = fn (array $r): array => array_values(
        array_map(fn (Repeat $x): string => $x->measure->value, array_filter($r, fn (Repeat $x): bool => $x->moved)),
    );
    expect($moved($same))->toBe([])
        ->and($moved($tired))->toContain('clubSpeedMps')
        ->and($moved($tired))->toContain('ballSpeedMps')
        ->and(Repeat::of($at(45, 220), new ShotSet('A', [])))->toBe([]);
});
