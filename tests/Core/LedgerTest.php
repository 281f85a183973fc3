<?php

declare(strict_types=1);

use MintCarry\Core\FollowUp\HandOver;
use MintCarry\Core\FollowUp\Kept;
use MintCarry\Core\FollowUp\Ledger;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

// What was promised against what came, over the hand-overs of a season.

/**
 * A season: each club promises a gain that is true but for the luck of the fitting, and three rounds before and after are counted.
 *
 * @return list<HandOver>
 */
function season(Randomizer $random, int $n, float $bias, float $unsure = 0.08, string $biasedHead = ''): array
{
    $count = static function (float $p) use ($random): int {
        $hit = 0;
        for ($i = 0; $i < 42; $i++) {
            $hit += Normal::uniform($random) < $p ? 1 : 0;
        }

        return $hit;
    };
    $out = [];
    for ($i = 0; $i < $n; $i++) {
        $head = ['Tern', 'Plover', 'Curlew'][$i % 3];
        $before = 0.3 + 0.25 * Normal::uniform($random);
        $true = 0.02 + 0.2 * Normal::uniform($random);
        $promised = $true + $unsure * Normal::draw($random);
        $told = $promised + ($biasedHead === '' || $biasedHead === $head ? $bias : 0.0);
        [$was, $is] = [$count($before) / 42, $count(min(0.98, $before + $true)) / 42];
        $half = 1.959964 * sqrt(2 * (($was + $is) / 2 * (1 - ($was + $is) / 2)) / 42);
        $came = new Interval($is - $was - $half, $is - $was + $half);
        $out[] = new HandOver($head, $told, Normal::cdf($promised / $unsure), $i % 4 === 3, $came, difference: $is - $was);
    }

    return $out;
}

it('finds a bias of 0.1 in nearly every season, and none where there is none', function (): void {
    $random = new Randomizer(new Mt19937(2026));
    [$found, $false, $trusted] = [0, 0, 0];
    for ($i = 0; $i < 200; $i++) {
        $found += Ledger::of(season($random, 40, 0.1))->verdict === 'too high' ? 1 : 0;
        $fair = Ledger::of(season($random, 40, 0.0))->verdict;
        $false += $fair === 'trust it' ? 0 : 1;
        $trusted += $fair === 'trust it' ? 1 : 0;
    }
    expect($found / 200)->toBeGreaterThan(0.95)->and($false / 200)->toBeLessThan(0.05)->and($found + $trusted)->toBeGreaterThan(370);
});

it('covers the bias with its interval, and finds the head that is promised too much', function (): void {
    $random = new Randomizer(new Mt19937(77));
    [$covered, $right, $wrong] = [0, 0, 0];
    for ($i = 0; $i < 100; $i++) {
        $bias = Ledger::of(season($random, 60, 0.05))->bias;
        $covered += $bias['interval']->low < -0.05 && $bias['interval']->high > -0.05 ? 1 : 0;
        foreach (Ledger::of(season($random, 90, 0.15, 0.08, 'Plover'))->heads as $head) {
            $isTold = $head['interval']->high < 0 || $head['interval']->low > 0;
            $right += $head['head'] === 'Plover' && $isTold ? 1 : 0;
            $wrong += $head['head'] !== 'Plover' && $isTold ? 1 : 0;
        }
    }
    expect($covered)->toBeGreaterThan(88)->and($right)->toBeGreaterThan(95)->and($wrong)->toBeLessThan(10);
});

it('tells only counts below thirty hand-overs of which both is known', function (): void {
    $random = new Randomizer(new Mt19937(3));
    $few = Ledger::of([...season($random, 29, 0.3), new HandOver('Tern', null, null, false, null), new HandOver('Tern', 0.1, 0.8, true, null, Kept::Broken)]);
    expect($few->verdict)->toBe('counts only')->and($few->bias)->toBeNull()->and($few->chances)->toBe([])->and($few->heads)->toBe([])
        ->and($few->counts)->toMatchArray(['handedOver' => 31, 'known' => 29, 'broken' => 1])
        ->and(Ledger::of([])->counts['handedOver'])->toBe(0);
});

it('tells how often a chance would show on so few drives, and finds chances that were told too high', function (): void {
    $random = new Randomizer(new Mt19937(9));
    $sum = [0.0, 0.0, 0];
    for ($i = 0; $i < 40; $i++) {
        foreach (Ledger::of(season($random, 60, 0.0))->chances as $band) {
            expect($band['told'])->toBeGreaterThanOrEqual($band['from'])->toBeLessThanOrEqual($band['to']);
            $sum = [$sum[0] + $band['n'] * $band['shows'], $sum[1] + $band['n'] * $band['came'], $sum[2] + $band['n']];
        }
    }
    // Told as it is, it shows as often as it is said to, or a little oftener: nobody here promises a loss that comes true.
    expect($sum[0] / $sum[2])->toEqualWithDelta($sum[1] / $sum[2], 0.06);
    $empty = array_map(fn (HandOver $h): HandOver => new HandOver($h->head, $h->promised, 0.95, false, new Interval(-0.25, 0.15)), season($random, 40, 0.0));
    $band = Ledger::of($empty)->chances[0];
    expect($band['came'])->toEqual(0)->and($band['interval']->high)->toBeLessThan($band['shows']);
});

it('holds overrulings against what was advised', function (): void {
    $one = fn (bool $overruled, float $came): HandOver => new HandOver('Tern', 0.1, 0.8, $overruled, new Interval($came - 0.15, $came + 0.15));
    $ledger = Ledger::of([...array_fill(0, 25, $one(false, 0.12)), ...array_fill(0, 10, $one(true, -0.1))]);
    expect($ledger->overruled['n'])->toBe(10)->and($ledger->overruled['value'])->toEqualWithDelta(-0.22, 1e-9)
        ->and($ledger->overruled['interval']->high)->toBeLessThan(0.0)->and($ledger->counts['overruled'])->toBe(10);
});
