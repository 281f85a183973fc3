<?php

declare(strict_types=1);

// bin/mint, run as a process, against the outside values of tests/reference (scipy, numpy): what a stranger's script would check.

/** @return list<array<string, mixed>> */
function outside(string $name): array
{
    return json_decode((string) file_get_contents(dirname(__DIR__)."/reference/{$name}.json"), true, flags: JSON_THROW_ON_ERROR);
}

it('presents heads as scipy does, squared and soled, from the command line', function (string $habit, string $loft, string $face): void {
    $cases = array_slice(outside('sleeve'), 0, 20);
    $items = array_map(
        fn (array $c): array => [
            'head' => ['loftDeg' => $c['loftDeg'], 'lieDeg' => $c['lieDeg'], 'faceOpenDeg' => $c['faceOpenDeg']],
            'tilts' => array_map(fn (array $t): array => ['tiltDeg' => $t[0], 'clockDeg' => $t[1]], $c['tilts']), 'habit' => $habit,
        ],
        $cases,
    );
    foreach (minted('sleeve', (string) json_encode($items)) as $i => $out) {
        expect($out['lieDeg'])->toEqualWithDelta($cases[$i]['lie'], 1e-6)
            ->and($out['loftDeg'])->toEqualWithDelta($cases[$i][$loft], 1e-6)
            ->and($out['faceOpenDeg'])->toEqualWithDelta($face === 'square' ? 0.0 : $cases[$i][$face], 1e-6);
    }
})->with([['squared', 'squaredLoftDeg', 'square'], ['soled', 'loftDeg', 'soledFaceOpenDeg']]);

it('weighs heads as numpy does, from the command line', function (): void {
    $cases = outside('weights');
    $items = array_map(function (array $c): array {
        $slots = $masses = [];
        foreach ($c['weights'] as $i => [$grams, [$toe, $back, $up]]) {
            $slots[] = ['name' => "s{$i}", 'toeMm' => $toe, 'backMm' => $back, 'upMm' => $up];
            $masses["s{$i}"] = $grams;
        }

        return [
            'head' => [
                'massG' => $c['massG'], 'cgToeMm' => $c['cg'][0], 'cgBackMm' => $c['cg'][1], 'cgUpMm' => $c['cg'][2],
                'inertiaGcm2' => $c['inertia'],
            ],
            'slots' => $slots, 'masses' => $masses,
        ];
    }, $cases);
    foreach (minted('weights', (string) json_encode($items)) as $i => $out) {
        expect($out['massG'])->toEqualWithDelta($cases[$i]['totalG'], 1e-6)
            ->and($out['cgToeMm'])->toEqualWithDelta($cases[$i]['centre'][0], 1e-6)
            ->and($out['cgBackMm'])->toEqualWithDelta($cases[$i]['centre'][1], 1e-6)
            ->and($out['inertiaGcm2'][2][2])->toEqualWithDelta($cases[$i]['tensor'][2][2], 1e-4);
    }
});

it('streams the same answers line by line as it gives for an array', function (): void {
    $items = array_map(
        fn (array $c): array => [
            'head' => ['loftDeg' => $c['loftDeg'], 'lieDeg' => $c['lieDeg'], 'faceOpenDeg' => $c['faceOpenDeg']],
            'tilts' => array_map(fn (array $t): array => ['tiltDeg' => $t[0], 'clockDeg' => $t[1]], $c['tilts']), 'squares' => 0.4,
        ],
        array_slice(outside('sleeve'), 0, 8),
    );
    $array = minted('sleeve', (string) json_encode($items));
    [$code, $out] = mint('sleeve', implode("\n", array_map(json_encode(...), $items))."\n");
    $lines = array_map(fn (string $l): array => json_decode($l, true), explode("\n", trim($out)));
    expect($code)->toBe(0)->and($lines)->toBe($array);
});
