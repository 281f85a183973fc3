<?php

declare(strict_types=1);

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\SetupItem;
use MintCarry\Core\Report\AdviceReport;
use MintCarry\Core\Report\CompareReport;
use MintCarry\Core\Report\FinderReport;

// A fitting file: read strictly, and judged on the command line as on the screens.

it('reads what a fitting is: setups, readings, counted shots, confidence, and what was hit last', function (): void {
    $record = FittingFile::read(fittingFile());
    expect(array_keys($record->setups))->toBe(['A', 'B'])
        ->and($record->own()->loftFromPrint)->toBeFalse()
        ->and($record->setups['A']->playing(1.0)->loftDeg)->toEqualWithDelta(10.1, 1e-9)
        ->and($record->setups['B']->racked?->gauged()->straight()->loftDeg)->toBeGreaterThan(10.5)
        ->and($record->setups['B']->masses)->toBe(['back' => 10.0])
        ->and($record->setups['B']->weights)->toBe('10 g back')
        ->and($record->sets()['A']->count())->toBe(5)
        ->and($record->sets()['B']->count())->toBe(6)
        ->and($record->shots['B'])->toHaveCount(7)
        ->and($record->confidence)->toBe(['B' => 4.0])
        ->and($record->inHand)->toBe('B')
        ->and($record->seed)->toBe(41)
        ->and($record->brief->corridor->left->kind)->toBe('water');
});

it('answers compare and find as the core does, from a file or from standard input', function (): void {
    $json = json_encode(fittingFile(), JSON_THROW_ON_ERROR);
    $record = FittingFile::read(fittingFile());
    $plain = fn (mixed $v): mixed => json_decode((string) json_encode($v, JSON_PRESERVE_ZERO_FRACTION), true);
    $path = tempnam(sys_get_temp_dir(), 'fit');
    file_put_contents($path, json_encode(fittingFile(), JSON_PRETTY_PRINT));
    try {
        [$code, $out] = mintRun(['find', $path]);
        expect($code)->toBe(0)->and(json_decode($out, true))->toEqual($plain(FinderReport::of($record)))
            ->and(mintRun(['find'], $json))->toBe([$code, $out, '']);
        [, $stock] = mintRun(['find', $path, '--only', 'stock']);
        expect(json_decode($stock, true)['count'])->toBe(json_decode($out, true)['count']);
        [$code, $out] = mintRun(['compare', $path]);
        expect($code)->toBe(0)
            ->and(json_decode($out, true))->toEqual($plain(CompareReport::of($record) + ['advice' => AdviceReport::of($record)]));
    } finally {
        unlink($path);
    }
});

it('says in compare why there is no advice, and compares all the same', function (): void {
    $data = fittingFile(['benchmark' => null]);
    $answer = json_decode(mintRun(['compare'], json_encode($data))[1], true);
    expect($answer['advice']['error']['message'])->toContain('benchmark')->and($answer['rows'])->not->toBe([]);
});

it('names what is wrong with a file, and where', function (array $change, string $says, ?string $field = null): void {
    try {
        FittingFile::read(array_replace_recursive(fittingFile(), $change));
        $this->fail('It was taken.');
    } catch (InvalidInput $e) {
        expect($e->getMessage())->toContain($says);
        if ($field !== null) {
            expect($e->field)->toBe($field);
        }
    }
})->with([
    'a newer schema' => [['format' => 'mint-carry-fitting/3'], 'schema 3; this version of Mint Carry reads schemas 1 to 2', 'format'],
    'another format' => [['format' => 'mint-carry-rack/1'], 'not a fitting file', 'format'],
    'a misspelt key' => [['setpus' => []], "Unknown key 'setpus'"],
    'a misspelt key of a setup' => [['setups' => [0 => ['loft' => 9]]], "Unknown key 'setups[0].loft'"],
    'a shot of no setup' => [['shots' => [2 => ['setup' => 'Z']]], "there is no setup 'Z' in this file; it has A, B", 'shots[2].setup'],
    'a shot of no trial' => [['shots' => [2 => ['trial' => 9]]], 'shots[2]: there is no trial 9'],
    'a measure that is none' => [['shots' => [0 => ['measured' => ['speed' => 3]]]], "'speed' is not a measure", 'shots[0].measured.speed'],
    'a measure that is a text' => [['shots' => [0 => ['measured' => ['launchDeg' => 'high']]]], 'must be a number'],
    'a benchmark that is not there' => [['benchmark' => 'Q'], "no setup 'Q'", 'benchmark'],
    'two setups of one tag' => [['setups' => [1 => ['tag' => 'A']]], "Two setups have the tag 'A'"],
    'a head that is not on its rack' => [
        ['setups' => [1 => ['head' => 'Nowhere']]], "Setup B: the head 'Nowhere' is not on the rack of this file",
    ],
    'a position that the sleeve does not have' => [
        ['setups' => [1 => ['sleeveLabel' => 'X']]], "Setup B: The sleeve Turn has no position 'X'",
    ],
    'a sleeve that is not there' => [
        ['rack' => ['heads' => [0 => ['sleeve' => 'Twist']]]], "Head 'Tern 460': the sleeve 'Twist' is not in this file",
    ],
    'a standard weight that is not in stock' => [
        ['rack' => ['heads' => [0 => ['standard' => ['back' => 11]]]]], "Head 'Tern 460': There is no other 11 g weight",
    ],
    'a brief that cannot be' => [['brief' => ['windMps' => 99]], 'brief: windMps is 99', 'brief.windMps'],
    'a policy that is none' => [['screening' => 'kind'], "'kind' is not a screening policy"],
    'a tie broken by luck' => [['tieOrder' => ['luck']], "'luck' does not break a tie"],
    'six stars' => [['ratings' => [0 => ['stars' => 6]]], 'ratings[0].stars'],
    'no hand' => [['player' => ['hand' => 'both']], "'player.hand' must be one of"],
    'a seed that is none' => [['seed' => -1], "'seed' must be a whole number"],
    'two trials of one number' => [['trials' => [1 => ['number' => 1]]], 'Two trials have the number 1'],
]);

it('refuses what is not JSON, what is nothing, and a file that is not there', function (): void {
    expect(fn () => FittingFile::parse('{"format":'))->toThrow(UnreadableFile::class, 'not JSON')
        ->and(fn () => FittingFile::parse('[]'))->toThrow(InvalidInput::class, 'not a fitting file');
    expect(mintRun(['find', '/nowhere/x.json']))->toMatchArray([0 => 2, 1 => ''])
        ->and(json_decode(mintRun(['find', '/nowhere/x.json'])[2], true)['error']['code'])->toBe('unreadable')
        ->and(mintRun(['find'], '')[0])->toBe(2)
        ->and(mintRun(['find', '--only', 'cheap'], '{}')[2])->toContain('--only must be all, stock or own');
    [$code, $out] = mintRun(['find'], '{"format":"mint-carry-fitting/9"}');
    expect($code)->toBe(2)->and($out)->toContain('schema 9')->and($out)->toContain('untouched');
});

it('says plainly what the finder lacks', function (array $change, string $says): void {
    [$code, $out] = mintRun(['find'], (string) json_encode(array_replace(fittingFile(), $change)));
    expect($code)->toBe(2)->and(json_decode($out, true)['error']['message'])->toContain($says);
})->with([
    'no setup' => [['setups' => [], 'shots' => [], 'trials' => [], 'ratings' => [], 'benchmark' => null], 'own club'],
    'the own club was not hit' => [['shots' => []], 'hit it first'],
    'no rack' => [
        [
            'rack' => [], 'setups' => [['tag' => 'A', 'head' => 'Old one', 'statedLoftDeg' => 9.5]], 'trials' => [],
            'ratings' => [],
            'shots' => [
                ['setup' => 'A', 'measured' => ['ballSpeedMps' => 64, 'launchDeg' => 12, 'spinRpm' => 2400, 'directionDeg' => 0]],
            ],
        ],
        'No legal setup',
    ],
]);

it('judges a setup that was hit and is gone from the rack, but does not offer its head', function (): void {
    $gone = array_replace_recursive(fittingFile(), [
        'rack' => ['heads' => [0 => ['retired' => true], 1 => ['label' => 'Plover 445', 'hand' => 'right', 'statedLoftDeg' => 10]]],
    ]);
    $found = FinderReport::of(FittingFile::read($gone));
    $heads = array_count_values(array_column($found['setups'], 'head'));
    expect($heads)->toMatchArray(['Old one' => 1, 'Tern 460' => 1, 'Plover 445' => 1])
        ->and(array_values(array_filter($found['setups'], fn (array $s): bool => $s['tag'] === 'B'))[0]['tested'])->toBeTrue();
});

it('judges from one shot, with little said', function (): void {
    $one = fittingFile();
    $one['shots'] = [$one['shots'][0]];
    $one['trials'] = [$one['trials'][0]];
    $one['ratings'] = [];
    $found = FinderReport::of(FittingFile::read($one));
    $many = FinderReport::of(FittingFile::read(fittingFile()));
    expect($found['pick'])->toBe('A')->and($found['mayStop'])->toBeFalse()
        ->and($found['learned']['loftCarryThrough']['sd'])->toBeGreaterThanOrEqual($many['learned']['loftCarryThrough']['sd']);
});

it('is described by its published schema, key by key', function (): void {
    $schema = json_decode(
        (string) file_get_contents(dirname(__DIR__, 2).'/docs/schemas/fitting.schema.json'), true, flags: JSON_THROW_ON_ERROR,
    );
    $constant = fn (string $class, string $name): array => (new ReflectionClassConstant($class, $name))->getValue();
    $keys = fn (array $node): array => array_keys($node['properties']);
    expect($keys($schema))->toEqualCanonicalizing($constant(FittingFile::class, 'TOP'))
        ->and($keys($schema['$defs']['setup']))->toEqualCanonicalizing($constant(SetupItem::class, 'KEYS'))
        ->and($keys($schema['$defs']['shot']))->toEqualCanonicalizing($constant(FittingFile::class, 'SHOT'))
        ->and($schema['properties']['format']['enum'])->toBe(['mint-carry-fitting/1', FittingFile::FORMAT]);
});
