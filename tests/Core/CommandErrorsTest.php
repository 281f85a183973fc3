<?php

declare(strict_types=1);

// Each command of bin/mint with keys misspelt, missing or out of range: the item is refused by name, and nothing takes a default silently.

const SOUND = [
    'flight' => ['ballSpeedMps' => 70, 'launchDeg' => 12, 'spinRpm' => 2500],
    'impact' => [
        'head' => ['preset' => 'middle'],
        'delivery' => ['clubSpeedMps' => 45, 'attackDeg' => 0, 'pathDeg' => 0, 'dynamicLoftDeg' => 13, 'faceDeg' => 0],
        'strike' => ['toeMm' => 0, 'highMm' => 0], 'hand' => 'right',
    ],
    'estimate' => [
        'shot' => ['ballSpeedMps' => 66, 'launchDeg' => 12, 'spinRpm' => 2400], 'head' => ['preset' => 'middle'], 'hand' => 'right',
    ],
    'sleeve' => [
        'head' => ['loftDeg' => 10.5, 'lieDeg' => 58, 'faceOpenDeg' => 0], 'tilts' => [['tiltDeg' => 1, 'clockDeg' => 90]],
        'habit' => 'squared',
    ],
    'weights' => [
        'head' => [
            'massG' => 190, 'cgToeMm' => 0, 'cgBackMm' => 33, 'cgUpMm' => -4,
            'inertiaGcm2' => [[2800, 0, 0], [0, 3300, 0], [0, 0, 4900]],
        ],
        'slots' => [['name' => 'back', 'toeMm' => 0, 'backMm' => 100, 'upMm' => -10]], 'masses' => ['back' => 10],
    ],
    'window' => ['clubSpeedMps' => 45, 'for' => 'carry'],
    'calibrate' => ['shots' => [['ballSpeedMps' => 70, 'launchDeg' => 12, 'spinRpm' => 2500, 'carryM' => 230]]],
];

it('takes its sound item', function (string $command): void {
    [$code, $out, $error] = mint($command, (string) json_encode(SOUND[$command]));
    expect([$code, $error])->toBe([0, ''])->and(json_decode($out, true))->toBeArray()->not->toHaveKey('error');
})->with(array_keys(SOUND));

it('refuses a misspelt key at the top of the item', function (string $command): void {
    [$code, $out] = mint($command, (string) json_encode(SOUND[$command] + ['clubSpedMps' => 1]));
    expect($code)->toBe(2)->and(json_decode($out, true)['error']['message'])->toContain('clubSpedMps');
})->with(array_keys(SOUND));

it('refuses what is misspelt, missing or impossible inside', function (string $command, string $path, mixed $value, string $says): void {
    $item = SOUND[$command];
    $at = &$item;
    $keys = explode('.', $path);
    $last = array_pop($keys);
    foreach ($keys as $key) {
        $at = &$at[$key];
    }
    if ($value === 'nothing') {
        unset($at[$last]);
    } else {
        $at[$last] = $value;
    }
    [$code, $out] = mint($command, (string) json_encode($item));
    expect($code)->toBe(2)->and(json_decode($out, true)['error'])->toHaveKeys(['code', 'message', 'field'])
        ->and(json_encode(json_decode($out, true)['error'], JSON_UNESCAPED_SLASHES))->toContain($says);
})->with([
    ['flight', 'launchDeg', 'nothing', 'launchDeg'],
    ['flight', 'directionDeg', true, 'directionDeg'],
    ['flight', 'spinRpm', [], 'spinRpm'],
    ['impact', 'head.preset', 'huge', 'preset'],
    ['impact', 'head.loftDegrees', 10, 'loftDegrees'],
    ['impact', 'delivery.clubSpeedMps', 'nothing', 'clubSpeedMps'],
    ['impact', 'delivery.clubSpeedMps', 450, 'clubSpeedMps'],
    ['impact', 'strike.toeMm', 90, 'strikeToeMm is 90'],
    ['impact', 'hand', 'both', 'hand'],
    ['estimate', 'shot.launchDeg', 'nothing', 'launchDeg'],
    ['estimate', 'shot.strikeToe', 4, 'strikeToe'],
    ['sleeve', 'head.loftDeg', 105, 'loftDeg'],
    ['sleeve', 'head.lieDeg', 'flat', 'lieDeg'],
    ['sleeve', 'habit', 'floating', 'habit'],
    ['weights', 'masses.front', 4, 'front'],
    ['weights', 'masses.back', -4, 'back'],
    ['weights', 'head.massG', 20, 'massG'],
    ['window', 'for', 'height', 'for'],
    ['window', 'clubSpeedMps', 'nothing', 'SpeedMps'],
    ['calibrate', 'shots', [], 'shots'],
]);

it('names the item of an array that is wrong, and computes none', function (string $command): void {
    [$code, $out, $error] = mint($command, (string) json_encode([SOUND[$command], SOUND[$command] + ['wrong' => 1]]));
    expect($code)->toBe(2)->and($out)->toBe('')->and(json_decode($error, true)['error']['index'])->toBe(1);
})->with(['flight', 'impact', 'estimate', 'sleeve', 'weights', 'window']);

it('ends at once and quietly when its reader closes the pipe', function (): void {
    $file = (string) tempnam(sys_get_temp_dir(), 'mint');
    file_put_contents($file, str_repeat("{\"ballSpeedMps\":60,\"launchDeg\":11,\"spinRpm\":2500}\n", 4000));
    $bin = escapeshellarg(dirname(__DIR__, 2).'/bin/mint');
    foreach (["{$bin} flight < {$file}", $bin] as $command) {
        // Of both: what the reader got, what came on standard error, and the code of bin/mint.
        $told = (string) shell_exec("bash -c '{$command} 2> {$file}.err | head -c 20; echo \" \${PIPESTATUS[0]}\"'");
        expect($told)->toEndWith(" 0\n")->and((string) file_get_contents("{$file}.err"))->toBe('');
    }
    unlink($file);
    unlink("{$file}.err");
});
