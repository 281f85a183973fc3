<?php

declare(strict_types=1);

use MintCarry\Core\Judging\FindingKind;
use MintCarry\Core\Report\AdviceReport;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\JudgingReport;
use Tests\MadeFitting;

// What a working fitter would say of these fittings (common practice, no source; figures invented). Each is told right-handed and mirrored
// for a left-hander; each with two sources of luck.

dataset('either hand', [['right', 1], ['right', 2], ['left', 1], ['left', 2]]);

/** @return array<string, mixed> */
function judgedOf(array $report, string $tag): array
{
    return array_column($report['setups'], null, 'tag')[$tag];
}

it('takes a free turn that carries 12 yd more and flies higher, for a slow player who wants carry, then height', function (string $hand, int $seed): void {
    $record = MadeFitting::of($hand, ['wants' => ['carry', 'height'], 'never' => ['low runner']], $seed)->head('Tern 460', 10.5)
        ->hit('A', 'Tern 460', 9, [102, 13.5, 1550, -1, 0])->hit('B', 'Tern 460', 9, [102, 15.5, 2050, -1, 0], ['sleeve' => '+1.5'])->record();
    $advice = AdviceReport::of($record);
    expect($advice['pick'])->toBe('B')->and(judgedOf($advice, 'B')['carryGainM'])->toBeGreaterThan(7.0)
        ->and(FinderReport::of($record)['step']->kind)->toBeIn(['stop', 'none']);
})->with('either hand');

it('asks a slow player with too little loft for more loft next, and the rack that has it is named', function (string $hand, int $seed): void {
    $record = MadeFitting::of($hand, ['wants' => ['carry', 'height']], $seed)->head('Tern 9', 9)->head('Tern 10', 10.5)->head('Tern 12', 12)
        ->hit('A', 'Tern 9', 10, [112, 9, 1900, 0, 0])->record();
    $found = FinderReport::of($record);
    expect($found['step']->kind)->toBe('hit')->and($found['next']['tag'])->toStartWith('Tern 12/')->and($found['next']['for'])->toBe('more loft');
    $gives = array_column(JudgingReport::of($record)['setups'][0]['diagnosis'], 'gives');
    expect(array_filter($gives)[0]['loftDeg'])->toBeGreaterThan(2.0);
})->with('either hand');

it('mends a miss of 22 yd with a head that is square, though left must never come: what is centred is no left miss', function (string $hand, int $seed): void {
    $record = MadeFitting::of($hand, ['never' => ['left']], $seed)->head('Old 10', 10.5)->head('Tern 460', 10.5)
        ->hit('A', 'Old 10', 6, [158, 13.5, 3400, 3, 6])->hit('B', 'Tern 460', 7, [159, 13, 2700, 0, 0])->record();
    $advice = AdviceReport::of($record);
    expect($advice['pick'])->toBe('B')->and(judgedOf($advice, 'B')['barredBy'])->toBe([])
        ->and(judgedOf($advice, 'B')['shareGain'])->toBeGreaterThan(0.15);
})->with('either hand');

it('keeps the own club where another letter is the same club', function (string $hand, int $seed): void {
    $record = MadeFitting::of($hand, [], $seed)->head('Old 10', 10.5)->hit('A', 'Old 10', 9, [147, 12.5, 2500, 0, 0])
        ->hit('B', 'Old 10', 9, [147, 12.5, 2500, 0, 0])->record();
    $advice = AdviceReport::of($record);
    expect($advice['pick'])->toBe('A')->and(judgedOf($advice, 'B')['gain'])->toEqualWithDelta(0.0, 1e-9)
        ->and(judgedOf($advice, 'B')['chanceBetter'])->toBe(0.5);
})->with('either hand');

it('gives less spin to who asked for it', function (string $hand, int $seed): void {
    $record = MadeFitting::of($hand, ['wants' => ['less spin']], $seed)->head('Old 10', 10.5)->hit('A', 'Old 10', 8, [160, 13, 3350, 0, 0])
        ->hit('B', 'Old 10', 8, [160.5, 12.2, 2750, 0, 0], ['masses' => ['front' => 12]])->record();
    expect(AdviceReport::of($record)['pick'])->toBe('B');
})->with('either hand');

it('hears two swings in one set', function (string $hand, int $seed): void {
    $record = MadeFitting::of($hand, [], $seed)->head('Old 10', 10.5)->hit('A', 'Old 10', 5, [124, 12, 2600, 0, 0])
        ->hit('A', 'Old 10', 5, [153, 11.5, 2500, 0, 0])->record();
    expect($record->mixedSpeeds())->toHaveKey('A');
})->with('either hand');

it('neither advises, nor lays out, nor picks for another day a setup that brings the side that must never come', function (string $hand, int $seed): void {
    $brief = ['never' => ['left'], 'corridor' => ['widthM' => 32, 'left' => ['kind' => 'water', 'atM' => 28], 'right' => ['kind' => 'rough', 'atM' => null]]];
    $record = MadeFitting::of($hand, $brief, $seed)->head('Old 10', 10.5)->head('Tern 460', 10.5)
        ->hit('A', 'Old 10', 10, [150, 13, 2700, 0, 1])->hit('E', 'Tern 460', 10, [157, 13, 2500, -2.2, -5])->record();
    $decide = DecideReport::of($record);
    expect($decide['pick'])->toBe('A')->and(judgedOf($decide, 'E')['barredBy'])->toBe([$hand === 'left' ? 'right' : 'left'])
        ->and(judgedOf($decide, 'E')['carryGainM'])->toBeGreaterThan(5.0)
        ->and(array_unique(array_column($decide['days'], 'pick')))->not->toContain('E');
    foreach ($decide['schools']['rows'] as $row) {
        expect(array_column(array_filter($row['cells']), 'pick'))->not->toContain('E');
    }
})->with('either hand');

it('moves the strike before it buys a head, where every ball is struck off the heel', function (string $hand, int $seed): void {
    $record = MadeFitting::of($hand, [], $seed)->head('Old 10', 10.5)
        ->hit('A', 'Old 10', 8, [141, 12, 2900, 1, 6], ['clubMph' => 100, 'toeMm' => -15])->record();
    $first = JudgingReport::of($record)['setups'][0]['diagnosis'][0];
    expect($first['kind'])->toBe(FindingKind::OffCgLine);
})->with('either hand');

it('buys nothing for 3 yd that may be none', function (string $hand, int $seed): void {
    $record = MadeFitting::of($hand, [], $seed)->head('Old 10', 10.5)->head('Tern 460', 10.5, 600)
        ->hit('A', 'Old 10', 10, [147, 12.5, 2500, 0, 0])->hit('B', 'Tern 460', 10, [148.5, 12.5, 2500, 0, 0])->record();
    $decide = DecideReport::of($record);
    expect($decide['pick'])->toBe('A')->and($decide['worth']['price'])->toBe(600.0)->and($decide['worth']['adjustable'])->toBeTrue();
})->with('either hand');

it('sends to a coach whom no club narrows', function (string $hand, int $seed): void {
    $wide = ['scatter' => 3.2];
    $made = MadeFitting::of($hand, ['corridor' => ['widthM' => 35, 'left' => ['kind' => 'trees', 'atM' => 40], 'right' => ['kind' => 'trees', 'atM' => 40]]], $seed);
    foreach (['A', 'B', 'C', 'D', 'E'] as $k => $tag) {
        $made->head("Head {$tag}", 9.5)->hit($tag, "Head {$tag}", 6, [182 - $k, 11.5, 2500, 0, 0], $wide);
    }
    $diagnosis = JudgingReport::of($made->record())['setups'][0]['diagnosis'];
    $coach = array_filter($diagnosis, static fn (array $d): bool => $d['kind'] === FindingKind::TwoWayMiss && $d['forCoach']);
    expect($coach)->not->toBe([])->and(AdviceReport::of($made->record())['pick'])->toBe('A');
})->with('either hand');
