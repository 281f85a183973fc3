<?php

declare(strict_types=1);

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Report\CompareReport;

// What reaches the core from outside, mangled value by value: an answer of plain numbers or a refusal that names the place, never
// a breakdown.

/** Numbers that JSON cannot hold, and texts where a number is told. */
function soundNumbers(mixed $answer): bool
{
    return is_array($answer)
        ? array_reduce($answer, fn (bool $sound, mixed $v): bool => $sound && soundNumbers($v), true)
        : ! is_float($answer) || is_finite($answer);
}

it('answers a stream of mangled items line by line, each with numbers or a reason', function (string $command, array $item): void {
    $lines = iterator_to_array(mangled($item));
    $sent = array_map(fn (array $i): string => (string) json_encode((object) $i, JSON_UNESCAPED_UNICODE), array_values([...$lines, $item]));
    [$code, $out, $error] = mintRun([$command], implode("\n", $sent)."\n");
    $answers = array_map(fn (string $l): mixed => json_decode($l, true), explode("\n", trim($out)));
    expect($error)->toBe('')->and($code)->toBe(2)->and($answers)->toHaveCount(count($sent));
    $refused = 0;
    foreach ($answers as $i => $answer) {
        $what = array_keys($lines)[$i] ?? 'the item as it should be';
        expect($answer)->toBeArray($what)->and(soundNumbers($answer))->toBeTrue($what);
        if (isset($answer['error'])) {
            $refused++;
            expect($answer['error']['message'])->toBeString($what)->not->toBe('', $what)
                ->and($answer['error'])->toHaveKey('code')
                ->and($answer['index'])->toBe($i, $what);
        }
    }
    expect($answers[count($lines)])->not->toHaveKey('error')->and($refused)->toBeGreaterThan(count($lines) / 2);
})->with([
    ['flight', ['ballSpeedMps' => 70, 'launchDeg' => 12, 'spinRpm' => 2500, 'directionDeg' => 1, 'spinAxisDeg' => -3]],
    [
        'impact',
        [
            'head' => ['preset' => 'middle', 'loftDeg' => 10],
            'delivery' => ['clubSpeedMps' => 45, 'attackDeg' => 0, 'pathDeg' => 0, 'dynamicLoftDeg' => 13, 'faceDeg' => 0],
            'strike' => ['toeMm' => 0, 'highMm' => 0], 'hand' => 'right',
        ],
    ],
    [
        'estimate',
        [
            'shot' => ['ballSpeedMps' => 66, 'launchDeg' => 12, 'spinRpm' => 2400, 'directionDeg' => 1, 'spinAxisDeg' => 2],
            'head' => ['preset' => 'middle'], 'hand' => 'left',
        ],
    ],
    [
        'sleeve',
        [
            'head' => ['loftDeg' => 10.5, 'lieDeg' => 58, 'faceOpenDeg' => 0],
            'tilts' => [['tiltDeg' => 1, 'clockDeg' => 90], ['tiltDeg' => 0.5, 'clockDeg' => 10]], 'habit' => 'squared',
            'readAtTilts' => [['tiltDeg' => 1, 'clockDeg' => 0]],
        ],
    ],
    [
        'weights',
        [
            'head' => [
                'massG' => 190, 'cgToeMm' => 0, 'cgBackMm' => 33, 'cgUpMm' => -4,
                'inertiaGcm2' => [[2800, 0, 0], [0, 3300, 0], [0, 0, 4900]],
            ],
            'slots' => [['name' => 'back', 'toeMm' => 0, 'backMm' => 100, 'upMm' => -10]], 'masses' => ['back' => 10],
            'build' => ['lengthMm' => 1143, 'shaftMassG' => 60, 'shaftBalanceFromButtMm' => 560, 'gripMassG' => 50],
        ],
    ],
    ['window', ['clubSpeedMps' => 45, 'attackDeg' => 2, 'for' => 'carry']],
    [
        'calibrate',
        [
            'shots' => [
                ['ballSpeedMps' => 70, 'launchDeg' => 12, 'spinRpm' => 2500, 'carryM' => 230],
                ['ballSpeedMps' => 68, 'launchDeg' => 13, 'spinRpm' => 2600, 'apexM' => 30],
            ],
        ],
    ],
]);

it('reads a mangled fitting file whole or names the place, and compares what it read', function (): void {
    $read = $refused = 0;
    foreach (mangled(fittingFile(['shots' => array_slice(fittingFile()['shots'], 0, 3)])) as $what => $file) {
        try {
            $record = FittingFile::read($file);
        } catch (InvalidInput $e) {
            $refused++;
            expect($e->getMessage())->not->toBe('', $what);

            continue;
        }
        $read++;
        expect(count($record->setups))->toBeLessThanOrEqual(2, $what);
        if ($read % 20 === 0) {
            expect(soundNumbers(CompareReport::of($record)))->toBeTrue($what);
        }
    }
    expect($refused)->toBeGreaterThan(1000)->and($read)->toBeGreaterThan(50);
});

it('refuses what is no item at all', function (string $input): void {
    [$code, $out, $error] = mintRun(['flight'], $input);
    expect($code)->toBe(2)
        ->and($out.$error)->toContain('"error"')->not->toContain('Stack trace');
})->with([
    'a number' => "5\n", 'a word' => "\"ball\"\n", 'nothing' => '', 'a list of numbers' => "[1,2]\n",
    'half an object' => '{"ballSpeedMps":', 'a zero byte' => "\0\n", 'letters that are none' => "{\"\xff\":1}\n",
    'a depth of six hundred' => str_repeat('[', 600).str_repeat(']', 600)."\n",
]);
