<?php

declare(strict_types=1);

use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\FourteenDrives;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Report\Judgement;

/** @return array<string, mixed> the answer of a fitting that the figures are held against, with what is changed in its file */
function answerOf(string $name, array $change = []): array
{
    $file = FittingFile::parse((string) file_get_contents(__DIR__."/../fixtures/figures/{$name}.json"));

    return Judgement::of(FittingFile::read(array_replace_recursive($file, $change)))->answer->figures ?? [];
}

it('draws fourteen drives whose ends are their counts, wherever the shares lie', function (float $left, float $right): void {
    $corridor = new Corridor(30);
    foreach ([false, true] as $rightIsTold) {
        $drives = FourteenDrives::of($left, $right, $corridor, 210, 11, $rightIsTold);
        expect($drives->left + $drives->fairway + $drives->right)->toBe(14)->and($drives->drives)->toHaveCount(14)
            ->and($drives->fairway)->toBe((int) round(14 * (1 - $left - $right)))
            ->and(abs(($rightIsTold ? $drives->right - 14 * $right : $drives->left - 14 * $left)))->toBeLessThanOrEqual(0.5 + 1e-9);
        $told = ['left' => 0, 'fairway' => 0, 'right' => 0];
        foreach ($drives->drives as $d) {
            $told[$d['end']]++;
            expect(match (true) {
                $d['sideM'] < -15 => 'left', $d['sideM'] > 15 => 'right', default => 'fairway',
            })->toBe($d['end']);
        }
        expect($told)->toBe(['left' => $drives->left, 'fairway' => $drives->fairway, 'right' => $drives->right]);
        // Along the line they are as far and as wide as they are told to be.
        $along = array_column($drives->drives, 'totalM');
        $mean = array_sum($along) / 14;
        expect($mean)->toEqualWithDelta(210, 2.5)
            ->and(sqrt(array_sum(array_map(fn (float $m): float => ($m - $mean) ** 2, $along)) / 13))->toEqualWithDelta(11, 2.5);
    }
})->with([[0.3, 0.2], [0.0, 0.0], [0.9, 0.05], [0.0, 1.0], [1.0, 0.0], [0.5, 0.5], [0.001, 0.6], [0.1, 0.1]]);

it('mirrors a player: left is right, and nothing else changes', function (): void {
    [$one, $other] = [FourteenDrives::of(0.31, 0.12, new Corridor(30), 200, 10), FourteenDrives::of(0.12, 0.31, new Corridor(30), 200, 10, true)];
    expect([$other->right, $other->fairway, $other->left])->toBe([$one->left, $one->fairway, $one->right]);
});

it('answers the brief first: the first wish, what must never come, then the other wishes', function (): void {
    $answer = answerOf('left-handed-ball-alone');
    expect(array_column($answer['rows'], 'what'))->toHaveCount(3)->and(array_column($answer['rows'], 'asked'))->toContain('never')
        ->and($answer['kind'])->toBe('take');
    $asked = answerOf('left-handed-ball-alone', ['brief' => ['wants' => ['less spin', 'fairways'], 'never' => ['left', 'balloon']]]);
    expect(array_column($asked['rows'], 'what'))->toBe(['spinRpm', 'left', 'balloon']);
    $plain = answerOf('carry-and-side-measured');
    expect(array_column($plain['rows'], 'what'))->toBe(['share', 'carryM']);
});

it('tells the same figures as the advice, and counts in whole drives', function (string $name): void {
    $answer = answerOf($name);
    $judge = $answer['judge'];
    $by = array_column($judge['setups'], null, 'tag');
    foreach ($answer['rows'] as $row) {
        foreach (['before', 'after'] as $when) {
            $s = $by[$answer[$when]];
            $drives = ((array) $answer['drives'])[$answer[$when]];
            match ($row['what']) {
                'share' => expect([$row[$when]['value'], $row[$when]['drives']])->toBe([$s['share'], $drives->fairway]),
                'left', 'right' => expect($row[$when]['drives'])->toBe($drives->{$row['what']}),
                'carryM' => expect($row[$when]['value'])->toBe($s['expectedCarryM']),
                default => expect($row[$when]['value'])->toBeFloat(),
            };
        }
    }
    foreach ($answer['field'] as $card) {
        expect($card['carryGainM'])->toBe($by[$card['tag']]['carryGainM'])
            ->and($card['fairway'])->toBe((int) round(14 * $by[$card['tag']]['share']))
            ->and($card['standing'] === 'pick')->toBe($card['tag'] === $judge['pick']);
    }
    expect(array_column($answer['field'], 'tag'))->toBe(array_column($judge['setups'], 'tag'));
})->with(['carry-and-side-measured', 'left-handed-ball-alone', 'right-handed-club-seen']);

it('says what to hit first where nothing can be said, and still names what the rack offers', function (): void {
    $file = FittingFile::parse((string) file_get_contents(__DIR__.'/../fixtures/figures/right-handed-club-seen.json'));
    $answer = Judgement::of(FittingFile::read(['shots' => []] + $file))->answer->figures ?? [];
    expect($answer['kind'])->toBe('hit')->and($answer['step']->kind)->toBe('baseline')->and($answer['judge'])->toBeNull()
        ->and($answer['why'])->toBeString()->and($answer['rows'])->toBe([]);
});

it('proposes of what nobody hit a turn of the own head, and something else beside it', function (): void {
    $file = FittingFile::parse((string) file_get_contents(__DIR__.'/../fixtures/figures/right-handed-club-seen.json'));
    $judgement = Judgement::of(FittingFile::read($file));
    ['turn' => $turn, 'best' => $best] = $judgement->answer->figures['unhit'];
    $by = array_column($judgement->finder->figures['setups'], null, 'tag');
    $own = $by[$judgement->finder->figures['own']]['head'];
    expect($by[$turn]['head'])->toBe($own)->and($by[$turn]['tested'])->toBeFalse()->and($by[$best]['tested'])->toBeFalse()
        ->and($best)->not->toBe($turn);
});

it('tells what became the benchmark beside the own club, with the same figures as before it did', function (): void {
    $before = answerOf('left-handed-ball-alone');
    $promoted = answerOf('left-handed-ball-alone', ['benchmark' => $before['judge']['pick']]);
    expect($promoted['judge']['pick'])->toBe($promoted['judge']['benchmark'])->and([$promoted['before'], $promoted['after']])->toBe(['A', 'B'])
        ->and($promoted['kind'])->toBe('take');
    $carry = static fn (array $answer): array => array_column($answer['rows'], null, 'what')['carryM'] ?? [];
    $asked = ['brief' => ['wants' => ['carry']]];
    [$was, $is] = [answerOf('left-handed-ball-alone', $asked), answerOf('left-handed-ball-alone', $asked + ['benchmark' => 'B'])];
    expect($is['chance'])->toEqualWithDelta($was['chance'], 0.06)
        ->and($carry($is)['gain'])->toEqualWithDelta($carry($was)['gain'], 0.5)
        ->and($carry($is)['gainInterval']->low)->toEqualWithDelta($carry($was)['gainInterval']->low, 0.5);
});
