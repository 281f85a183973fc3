<?php

declare(strict_types=1);

use MintCarry\Core\Judging\Withheld;

// When no word is said of a setup: the player was another when it was hit. Limits are common practice, no source.

/**
 * @param  list<array{0: string, 1: list<float>, 2?: int}>  $trials  tag, speeds in m/s, and the trial's number
 * @return array<string, string> why, by tag
 */
function withheldAfter(array $trials, string $benchmark = 'A'): array
{
    $shots = $tags = [];
    foreach ($trials as $i => [$tag, $speeds]) {
        $tags[$tag] = $tag;
        foreach ($speeds as $v) {
            $shots[] = ['tag' => $tag, 'sequence' => count($shots) + 1, 'speedMps' => $v, 'trial' => $trials[$i][2] ?? null];
        }
    }
    unset($tags[$benchmark]);

    return array_map(fn (Withheld $w): string => $w->why, Withheld::among($shots, $benchmark, array_values($tags)));
}

/** @return list<float> speeds about one, each in its place */
function about(float $mps, int $n = 6): array
{
    return array_map(fn (int $i): float => $mps + [0.2, -0.3, 0.1, -0.1, 0.3, -0.2][$i % 6], range(0, $n - 1));
}

it('says a word where the player is the same', function (): void {
    expect(withheldAfter([['A', about(45)], ['B', about(45.2)], ['C', about(44.9)]]))->toBe([]);
});

it('asks at the second shot of a trial that is 6 % off, whoever hit it', function (): void {
    expect(withheldAfter([['A', about(45)], ['B', [42.0]]]))->toBe([])
        ->and(withheldAfter([['A', about(45)], ['B', [42.0, 42.1]]]))->toBe(['B' => 'farOff'])
        ->and(withheldAfter([['A', about(45)], ['B', [48.2, 48.0]]]))->toBe(['B' => 'farOff'])
        ->and(withheldAfter([['A', about(45)], ['B', [43.0, 43.1]]]))->toBe([]); // 4 % with two shots is not enough yet
});

it('does not ask for one shot that the monitor misread', function (): void {
    expect(withheldAfter([['A', about(45)], ['B', [45.1, 60.0, 44.9, 45.0]]]))->toBe([]);
});

it('withholds every word where it was a trial of the benchmark, and none once its shots are left out', function (): void {
    $far = [['A', about(45), 1], ['B', about(45), 2], ['A', about(41.5, 3), 3]];
    expect(withheldAfter($far))->toBe(['A' => 'farOff', 'B' => 'farOff'])
        ->and(withheldAfter(array_slice($far, 0, 2)))->toBe([]);
    // Two trials in one go with the same club are two trials.
    expect(withheldAfter([['A', about(45), 1], ['A', about(41.5, 3), 2], ['B', about(45), 3]]))->toHaveKey('B', 'farOff');
});

it('does not take the first trial for odd because the second is', function (): void {
    expect(withheldAfter([['B', about(45)], ['A', about(41.9)]]))->not->toHaveKey('B', 'trend')
        ->and(withheldAfter([['A', about(45)], ['B', about(41.9)], ['C', about(45)]]))->toBe(['B' => 'farOff']);
});

it('withholds a word after drift until the benchmark is hit again', function (): void {
    $falling = fn (float $from, int $n): array => array_map(fn (float $v, int $i): float => $v - 0.06 * $i, about($from, $n), range(0, $n - 1));
    $drift = [['A', $falling(45.0, 8)], ['B', $falling(44.5, 8)]];
    expect(withheldAfter($drift))->toBe(['B' => 'trend'])
        ->and(withheldAfter([...$drift, ['A', $falling(44.0, 4)]]))->toBe([]);
});

it('withholds a word of a setup that is hit with another swing, and of all after a warm-up with the benchmark', function (): void {
    expect(withheldAfter([['A', about(45)], ['B', about(43.5)]]))->toBe(['B' => 'otherSwing'])
        ->and(withheldAfter([['A', [42.8, 43.4, 43.9, 44.5, 45.0, 45.4]], ['B', about(45.2)]]))->toBe(['B' => 'warmingUp']);
});
