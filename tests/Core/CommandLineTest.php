<?php

declare(strict_types=1);

const BALL = '{"ballSpeedMps":74.65,"launchDeg":10.9,"spinRpm":2686}';

it('lists its commands and explains each', function (): void {
    [$code, $out] = mint('', '');
    expect($code)->toBe(0);
    foreach (['flight', 'impact', 'estimate', 'sleeve', 'weights', 'window', 'calibrate', 'make'] as $command) {
        expect($out)->toContain($command);
        [$code, $help] = mint("{$command} --help", '');
        expect($code)->toBe(0)->and($help)->toContain("bin/mint {$command}");
    }
});

it('flies one ball, an array of balls, and a stream of balls', function (): void {
    $one = minted('flight', BALL);
    expect($one)
        ->toHaveKeys([
            'carryM', 'totalM', 'runM', 'sideM', 'curveM', 'totalSideM', 'apexM', 'apexAtM', 'descentDeg', 'hangTimeS',
            'landingSpeedMps', 'landingSpinRpm',
        ])
        ->and($one['carryM'])->toEqualWithDelta(251.3, 0.1)
        ->and($one['runM'])->toEqualWithDelta($one['totalM'] - $one['carryM'], 1e-9);
    expect(minted('flight', '['.BALL.','.BALL.']'))->toBe([$one, $one]);
    [$code, $out] = mint('flight', BALL."\n\n".BALL."\n");
    expect($code)->toBe(0)->and(array_map(fn (string $l) => json_decode($l, true), explode("\n", trim($out))))->toBe([$one, $one]);
    expect(minted('flight', str_replace(',', ",\n  ", BALL)))->toBe($one);
});

it('takes air, turf, rise, slope and points', function (): void {
    $plain = minted('flight', BALL);
    expect(minted("flight --air '{\"altitudeM\":1500}'", BALL)['carryM'])->toBeGreaterThan($plain['carryM'] + 8)
        ->and(minted("flight --air '{\"windSpeedMps\":5,\"windFromDeg\":90}'", BALL)['sideM'])->toBeLessThan(-5)
        ->and(minted('flight --turf firm', BALL)['runM'])->toBeGreaterThan($plain['runM'] + 5)
        ->and(minted('flight --turf=soft', BALL)['runM'])->toBeLessThan($plain['runM'] - 3)
        ->and(minted('flight --rise-m -10', BALL)['carryM'])->toBeGreaterThan($plain['carryM'] + 5)
        ->and(minted('flight --slope-deg 4', BALL)['runM'])->toBeLessThan($plain['runM'])
        ->and(minted('flight --slope-deg -4', BALL)['runM'])->toBeGreaterThan($plain['runM']);
    $points = minted('flight --points 11', BALL)['points'];
    expect($points)->toHaveCount(11)->and($points[10][1])->toEqualWithDelta($plain['carryM'], 1e-6)->and($points[0])->toEqual([0, 0, 0, 0]);
});

it('names a bad item in an array and computes nothing', function (): void {
    [$code, $out, $error] = mint('flight', '['.BALL.',{"ballSpeedMps":-3,"launchDeg":10,"spinRpm":2500}]');
    expect($code)->toBe(2)
        ->and($out)->toBe('')
        ->and(json_decode($error, true)['error'])->toMatchArray(['code' => 'out_of_range', 'index' => 1, 'field' => 'ballSpeedMps']);
});

it('puts an error in the place of a bad line and goes on', function (): void {
    [$code, $out] = mint('flight', BALL."\nnot json\n".'{"ballSpeedMps":70,"launchDeg":11,"spinRpm":2500,"spinAxis":3}'."\n".BALL."\n");
    $lines = array_map(fn (string $l) => json_decode($l, true), explode("\n", trim($out)));
    expect($code)->toBe(2)
        ->and($lines)->toHaveCount(4)
        ->and($lines[0])->toHaveKey('carryM')
        ->and($lines[1]['index'])->toBe(1)
        ->and($lines[1]['error']['message'])->toContain('not JSON')
        ->and($lines[2]['error'])->toMatchArray(['field' => 'spinAxis'])
        ->and($lines[2]['error']['message'])->toContain("Unknown key 'spinAxis'")
        ->and($lines[3])->toBe($lines[0]);
});

it('goes on after a bad first line', function (): void {
    [$code, $out] = mint('flight', "{broken\n".BALL."\n");
    expect($code)->toBe(2)->and(substr_count(trim($out), "\n"))->toBe(1)->and($out)->toContain('carryM');
});

it('refuses what it cannot work with, on standard error and with exit code 2', function (
    string $arguments, string $input, string $says,
): void {
    [$code, , $error] = mint($arguments, $input);
    expect($code)->toBe(2)->and(json_decode($error, true)['error']['message'])->toContain($says);
})->with([
    'nothing' => ['flight', '', 'Nothing came on standard input'],
    'no json' => ['flight', 'hello', 'not JSON'],
    'half an array' => ['flight', '[{"ballSpeedMps":1', 'not JSON'],
    'an unknown command' => ['fly', BALL, 'not a command'],
    'an unknown option' => ['flight --trf soft', BALL, "Unknown option '--trf'"],
    'a turf that is none' => ['flight --turf mud', BALL, 'soft, medium or firm'],
    'a misspelt air' => ["flight --air '{\"temperatur\":3}'", BALL, "Unknown key '--air.temperatur'"],
    'a wind that is none' => ["flight --air '{\"windSpeedMps\":80}'", BALL, 'windSpeedMps is 80'],
    'an option without a value' => ['flight --turf', BALL, 'needs a value'],
]);

it('says which shot is impossible', function (string $ball, string $field): void {
    [$code, $out] = mint('flight', $ball);
    expect($code)->toBe(2)->and(json_decode($out, true)['error']['field'])->toBe($field);
})->with([
    ['{"ballSpeedMps":0,"launchDeg":11,"spinRpm":2500}', 'ballSpeedMps'],
    ['{"ballSpeedMps":"70","launchDeg":11,"spinRpm":2500}', 'ballSpeedMps'],
    ['{"ballSpeedMps":70,"launchDeg":95,"spinRpm":2500}', 'launchDeg'],
    ['{"ballSpeedMps":70,"launchDeg":11,"spinRpm":-1}', 'spinRpm'],
    ['{"ballSpeedMps":70,"launchDeg":11}', 'spinRpm'],
    ['{"ballSpeedMps":70,"launchDeg":11,"spinRpm":2500,"spinAxisDeg":120}', 'spinAxisDeg'],
]);

it('flies what is legal but odd', function (string $ball): void {
    $flown = minted('flight', $ball);
    foreach (array_diff_key($flown, ['inRange' => 1, 'outOf' => 1]) as $name => $value) {
        expect(is_finite($value))->toBeTrue($name);
    }
    // It is flown, and said to be beyond what the law was held against.
    expect($flown['inRange'])->toBe($flown['outOf'] === null)->toBeFalse();
})->with([
    '{"ballSpeedMps":70,"launchDeg":11,"spinRpm":0}',
    '{"ballSpeedMps":70,"launchDeg":11,"spinRpm":12000}',
    '{"ballSpeedMps":70,"launchDeg":89,"spinRpm":2500}',
    '{"ballSpeedMps":70,"launchDeg":-10,"spinRpm":2500}',
]);

it('strikes, mirrored for the other hand, and lists what it assumed', function (): void {
    $in = fn (
        string $hand, string $more = '',
    ): string => '{"delivery":{"clubSpeedMps":44.7,"attackDeg":0,"pathDeg":0,"dynamicLoftDeg":13,"faceDeg":0},"strike":{"toeMm":10},"hand":"'.
        $hand.
        '"'.
        $more.
        '}';
    $right = minted('impact', $in('right'));
    $left = minted('impact', $in('left'));
    expect($right)
        ->toHaveKeys(['ballSpeedMps', 'launchDeg', 'directionDeg', 'spinRpm', 'spinAxisDeg', 'smash', 'spinLoftDeg', 'assumed'])
        ->and($left['directionDeg'])->toEqualWithDelta(-$right['directionDeg'], 1e-9)
        ->and($left['spinAxisDeg'])->toEqualWithDelta(-$right['spinAxisDeg'], 1e-9)
        ->and($right['spinLoftDeg'])->toEqualWithDelta(13, 1e-9)
        ->and($right['assumed'])->toContain('head')
        ->and(minted('impact', $in('right', ',"head":{"preset":"low-spin"}'))['spinRpm'])->not->toBe($right['spinRpm'])
        ->and(minted('impact', $in('right', ',"head":{"massG":198,"cgBackMm":35}'))['assumed'])->toContain('head.inertiaGcm2')->not
        ->toContain('head.massG');
    [$code, $out] = mint('impact', $in('right', ',"head":{"inertiaGcm2":[[1,5,0],[5,1,0],[0,0,1]]}'));
    expect($code)->toBe(2)->and($out)->toContain('positive definite');
    [$code, $out] = mint('impact', $in('middle'));
    expect($code)->toBe(2)->and($out)->toContain('must be one of right, left');
});

it('works back to the delivery with ball data alone', function (): void {
    $e = minted('estimate', '{"shot":{"ballSpeedMps":66,"launchDeg":12,"spinRpm":2400,"directionDeg":1,"spinAxisDeg":4}}');
    expect($e['delivery'])->toHaveKeys(['clubSpeedMps', 'attackDeg', 'pathDeg', 'dynamicLoftDeg', 'faceDeg'])
        ->and($e['strike'])->toHaveKeys(['toeMm', 'highMm'])
        ->and($e['delivery']['dynamicLoftDeg'])->toHaveKeys(['value', 'sd', 'from'])
        ->and($e['delivery']['dynamicLoftDeg']['from'])->toBe('estimated');
    $told = minted(
        'estimate',
        '{"shot":{"ballSpeedMps":66,"launchDeg":12,"spinRpm":2400,"directionDeg":1,"spinAxisDeg":4,"attackDeg":2,"pathDeg":-1},"hand":"left"}',
    );
    expect($told['delivery']['attackDeg'])->toMatchArray(['value' => 2.0, 'from' => 'measured'])
        ->and($told['delivery']['dynamicLoftDeg']['sd'])->toBeLessThan($e['delivery']['dynamicLoftDeg']['sd']);
});

it('presents a head at a sleeve position, by tilts and by card', function (): void {
    $tilt = minted('sleeve', '{"head":{"loftDeg":10.5,"lieDeg":58},"tilts":[{"tiltDeg":1.5,"clockDeg":90}],"habit":"soled"}');
    expect($tilt['loftDeg'])->toBe(10.5)
        ->and($tilt['faceOpenDeg'])->toEqualWithDelta(-2.83, 0.006)
        ->and($tilt['lieDeg'])->toEqualWithDelta(57.97, 0.006);
    $card = minted('sleeve', '{"head":{"loftDeg":7.5,"lieDeg":58},"card":{"loftDeg":1.5,"printedFor":"squared"},"habit":"squared"}');
    expect($card['loftDeg'])->toEqualWithDelta(9.0, 1e-3)
        ->and($card)->toHaveKeys(['tiltDeg', 'clockDeg', 'residualDeg'])->not->toHaveKey('warning');
    expect(
        minted(
            'sleeve',
            '{"head":{"loftDeg":9,"lieDeg":58},"card":{"loftDeg":1.5,"faceOpenDeg":2,"printedFor":"squared"},"squares":0.4}',
        )['warning'],
    )->toContain('No sleeve can make');
    $open = minted('sleeve', '{"head":{"loftDeg":10,"lieDeg":58,"faceOpenDeg":1},"tilts":[],"habit":"squared"}');
    expect($open['faceOpenDeg'])->toEqualWithDelta(0, 1e-12)->and($open['loftDeg'])->toEqualWithDelta(9.375, 0.01);
    $here = minted(
        'sleeve',
        '{"head":{"loftDeg":10,"lieDeg":59,"faceOpenDeg":-1},"tilts":[{"tiltDeg":1,"clockDeg":40}],"readAtTilts":[{"tiltDeg":1,"clockDeg":40}],"habit":"soled"}',
    );
    expect($here['faceOpenDeg'])->toEqualWithDelta(-1, 1e-6)
        ->and($here['lieDeg'])->toEqualWithDelta(59, 1e-6);
    foreach (
        [
            '{"head":{"loftDeg":10,"lieDeg":58},"habit":"soled"}', '{"head":{"loftDeg":10,"lieDeg":58},"tilts":[]}',
            '{"head":{"loftDeg":105,"lieDeg":58},"tilts":[],"habit":"soled"}',
        ] as $bad
    ) {
        expect(mint('sleeve', $bad)[0])->toBe(2);
    }
});

it('weighs a head with weights in it', function (): void {
    $head = '"head":{"massG":190,"cgToeMm":0,"cgBackMm":35,"cgUpMm":-4,"inertiaGcm2":[[2800,0,0],[0,3300,0],[0,0,4900]]}';
    $in = "{{$head},\"slots\":[{\"name\":\"toe\",\"toeMm\":35,\"backMm\":35,\"upMm\":-4}],\"masses\":{\"toe\":12},\"build\":{\"lengthMm\":1155,\"shaftMassG\":58,\"shaftBalanceFromButtMm\":600,\"gripMassG\":50}}";
    $out = minted('weights', $in);
    expect($out['massG'])->toEqual(202)
        ->and($out['cgToeMm'])->toEqualWithDelta(35 * 12 / 202, 1e-9)
        ->and($out['inertiaGcm2'][2][2])->toEqualWithDelta(4900 + 190 * 12 / 202 * 3.5 ** 2, 1e-9)
        ->and($out['swingWeight'])->toMatch('/^[C-D]\d/');
    [$code, $error] = mint('weights', str_replace('"masses":{"toe":12}', '"masses":{"heel":12}', $in));
    expect($code)->toBe(2)->and($error)->toContain("no slot 'heel'");
});

it('finds windows, calibrates and makes shots', function (): void {
    $w = minted('window', '{"clubSpeedMps":44.704,"attackDeg":0,"for":"carry"}');
    expect($w['launchDeg'])->toEqualWithDelta(12.5, 0.3)
        ->and($w['within1Pct']['launchDeg'][0])->toBeLessThan($w['launchDeg'])
        ->and($w['within1Pct']['spinRpm'][1])->toBeGreaterThan($w['spinRpm'])
        ->and(minted('window --turf firm', '{"clubSpeedMps":44.704,"for":"total"}')['dynamicLoftDeg'])
        ->toBeLessThan($w['dynamicLoftDeg'])
        ->and(minted('window', '{"ballSpeedMps":66,"spinLoftDeg":12}'))->toHaveKey('carryM')
        ->and(mint('window', '{"attackDeg":2}')[0])->toBe(2);
    $shots = implode(
        ',',
        array_map(
            fn (int $i): string => json_encode([
                'ballSpeedMps' => 60 + $i, 'launchDeg' => 11, 'spinRpm' => 2500, 'carryM' => 190 + 4.0 * $i,
            ]),
            range(0, 9),
        ),
    );
    expect(minted('calibrate', "{\"shots\":[{$shots}]}"))->toHaveKeys([
        'dragOffset', 'liftOffset', 'sd', 'residualBefore', 'residualAfter', 'n',
    ]);
    $made = minted('make --seed 7', '{"player":{"clubSpeedMps":42,"hand":"left"},"setup":{},"count":5}');
    expect($made['shots'])->toHaveCount(5)
        ->and($made['shots'][0])->toHaveKeys(['ballSpeedMps', 'delivery', 'strike'])
        ->and(minted('make --seed 7', '{"player":{"clubSpeedMps":42,"hand":"left"},"setup":{},"count":5}'))->toBe($made)
        ->and(minted('make --seed 8', '{"player":{"clubSpeedMps":42,"hand":"left"},"setup":{},"count":5}'))->not->toBe($made)
        ->and(mint('make', '{"player":{"clubspeed":42},"count":1}')[0])->toBe(2);
});

it('streams in constant memory', function (): void {
    [$code, $out] = mint('flight', str_repeat(BALL."\n", 3000));
    expect($code)->toBe(0)->and(substr_count($out, "\n"))->toBe(3000);
});
