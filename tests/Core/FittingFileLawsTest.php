<?php

declare(strict_types=1);

// What must hold of `bin/mint compare` and `bin/mint find` for any fitting file: laws, not figures.

/** @return array<string, mixed> what the command answers to the file */
function answered(string $command, array $file): array
{
    [$code, $out, $error] = mintRun([$command], (string) json_encode($file, JSON_PRESERVE_ZERO_FRACTION));
    expect($error)->toBe('')->and($code)->toBe(0, $out);

    return json_decode($out, true, flags: JSON_THROW_ON_ERROR);
}

/** The same fitting in a mirror: the other hand, and every left a right. */
function mirrored(array $file): array
{
    $file['player']['hand'] = 'left';
    $corridor = $file['brief']['corridor'];
    $file['brief']['corridor'] = [
        'widthM' => $corridor['widthM'], 'left' => $corridor['right'] ?? ['kind' => 'rough'], 'right' => $corridor['left'],
    ];
    $file['rack']['heads'][0]['hand'] = 'left';
    foreach ($file['shots'] as &$shot) {
        foreach (['directionDeg', 'spinAxisDeg', 'sideM', 'pathDeg', 'faceDeg'] as $field) {
            if (isset($shot['measured'][$field])) {
                $shot['measured'][$field] = -$shot['measured'][$field];
            }
        }
    }

    return $file;
}

/** All numbers of an answer, by the path to them. */
function numbersIn(mixed $answer, string $at = ''): array
{
    return is_array($answer)
        ? array_merge(
            [],
            ...array_values(array_map(fn (int|string $k, mixed $v): array => numbersIn($v, "{$at}.{$k}"), array_keys($answer), $answer)),
        )
        : (is_int($answer) || is_float($answer)
            ? [$at => (float) $answer]
            : []);
}

it('answers the same to the same file, whatever order its keys and its shots stand in', function (string $command): void {
    $file = fittingFile();
    $turned = array_reverse($file, true);
    $turned['shots'] = array_map(fn (array $s): array => array_reverse($s, true), $file['shots']);
    $turned['rack']['heads'][0] = array_reverse($file['rack']['heads'][0], true);
    expect(answered($command, $turned))->toBe(answered($command, $file));
    // Shots carry their own order.
    expect(answered($command, ['shots' => array_reverse($file['shots'])] + $file))->toBe(answered($command, $file));
})->with(['compare', 'find']);

it('does not let the player’s units touch a figure', function (string $command): void {
    $metric = fittingFile();
    $metric['player']['units'] = ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm'];
    expect(numbersIn(answered($command, $metric)))->toBe(numbersIn(answered($command, fittingFile())));
})->with(['compare', 'find']);

it('compares a left-handed twin with the same figures, the sides turned', function (): void {
    $right = answered('compare', fittingFile());
    $left = answered('compare', mirrored(fittingFile()));
    $told = fn (array $answer): array => array_column($answer['rows'], 'cells', 'measure');
    expect(array_keys($told($left)))->toBe(array_keys($told($right)))->toContain('carryM', 'sideM', 'spinRpm');
    foreach ($told($right) as $measure => $cells) {
        $turned = in_array($measure, ['sideM', 'totalSideM', 'curveM', 'spinAxisDeg', 'directionDeg'], true) ? -1 : 1;
        foreach ($cells as $tag => $cell) {
            expect($told($left)[$measure][$tag]['summary']['mean'])
                ->toEqualWithDelta($turned * $cell['summary']['mean'], 1e-9, "{$measure} of {$tag}")
                ->and($told($left)[$measure][$tag]['summary']['sd'])->toEqualWithDelta($cell['summary']['sd'], 1e-9);
        }
    }
});

it('finds for a left-handed twin the same setups in the same order, with the same gains', function (): void {
    $right = answered('find', fittingFile());
    $left = answered('find', mirrored(fittingFile()));
    expect(array_column($left['setups'], 'tag'))->toBe(array_column($right['setups'], 'tag'))
        ->and($left['pick'])->toBe($right['pick']);
    foreach ($right['setups'] as $i => $one) {
        expect($left['setups'][$i]['gain'])->toEqualWithDelta($one['gain'], 1e-6, $one['tag'] ?? "setup {$i}")
            ->and($left['setups'][$i]['carryM'])->toEqualWithDelta($one['carryM'], 1e-6)
            ->and($left['setups'][$i]['sideM'])->toEqualWithDelta(-$one['sideM'], 1e-6);
    }
});

it('leaves out what is left out: such a shot might as well not be there', function (string $command): void {
    $file = fittingFile();
    $without = ['shots' => array_values(array_filter($file['shots'], fn (array $s): bool => ! isset($s['leftOut'])))] + $file;
    $with = answered($command, $file);
    $bare = answered($command, $without);
    // How many were left out is told; nothing else differs.
    $strip = fn (array $numbers): array => array_filter(
        $numbers, fn (string $at): bool => ! preg_match('/leftOut|shots$|of$/i', $at), ARRAY_FILTER_USE_KEY,
    );
    expect($strip(numbersIn($bare)))->toBe($strip(numbersIn($with)));
})->with(['compare', 'find']);

it('offers no setup that the rack cannot build, and each only once', function (): void {
    $setups = answered('find', fittingFile())['setups'];
    $spec = array_map(fn (array $s): string => "{$s['head']}|{$s['sleeve']}|{$s['weights']}", $setups);
    expect($spec)->toBe(array_unique($spec))->and(count($setups))->toBe(1 + 2 * 3);
    foreach ($spec as $one) {
        // The sleeve has N and F; the slot takes 8, 10 or 12 g.
        expect($one)->toMatch('/^(Tern 460\|(N|F)\|(8|10|12) g back|Old one\|.*)$/');
    }
});

it('says why there is nothing to choose from', function (array $supply, string $only, string $says): void {
    $file = fittingFile();
    $file['rack']['heads'][0]['supply'] = $supply;
    [$code, $out] = mintRun(['find', '--only', $only], (string) json_encode($file, JSON_PRESERVE_ZERO_FRACTION));
    expect($code)->toBe(2)->and(json_decode($out, true)['error'])->toMatchArray(['code' => 'invalid', 'field' => 'rack'])
        ->and(json_decode($out, true)['error']['message'])->toContain($says);
})->with([
    'the own head is not on the rack' => [['price' => 300], 'own', 'only described'],
    'nothing is in the studio' => [['price' => 300, 'inStock' => false], 'stock', 'No head for this hand is in the studio'],
]);

it('is no surer of the best when half of the shots are gone', function (): void {
    $file = fittingFile();
    $half = ['shots' => array_values(array_filter($file['shots'], fn (array $s): bool => $s['sequence'] % 2 === 1))] + $file;
    $width = fn (array $answer): array => array_map(
        fn (array $s): float => $s['gainInterval']['high'] - $s['gainInterval']['low'],
        array_filter($answer['setups'], fn (array $s): bool => ($s['setupTag'] ?? null) === 'B'),
    );
    expect(array_sum($width(answered('find', $half))))->toBeGreaterThan(array_sum($width(answered('find', $file))) * 0.95);
});
