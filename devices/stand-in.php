<?php

declare(strict_types=1);

/*
 * A simulated loft/lie gauge and a simulated balance, served over HTTP on loopback (docs/devices.md). They know nothing of Mint
 * Carry: a piece is laid on, a reading is asked for. Each reading has repeatability noise; each device can have a zero mistake,
 * which the check piece reveals and zeroing takes away.
 *
 *     php -S 127.0.0.1:PORT devices/stand-in.php        state in the file named by MINT_DEVICE_STATE
 */

const DEVICES = [
    'gauge' => [
        'noise' => ['loftDeg' => 0.08, 'lieDeg' => 0.12, 'faceOpenDeg' => 0.12],
        'zero' => ['loftDeg' => 0.6, 'lieDeg' => 0.4, 'faceOpenDeg' => 0.5],
        'check' => ['loftDeg' => 10.0, 'lieDeg' => 58.0, 'faceOpenDeg' => 0.0],
    ],
    'balance' => [
        'noise' => ['massG' => 0.15, 'swingWeightPoints' => 0.15], 'zero' => ['massG' => 2.0, 'swingWeightPoints' => 0.0],
        'check' => ['massG' => 200.0],
    ],
];

/** @param  array<string, mixed>  $body */
function answer(int $status, array $body): never
{
    http_response_code($status);
    header('Content-Type: application/json');
    echo json_encode($body, JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE);
    exit;
}

$parts = explode('/', trim((string) parse_url($_SERVER['REQUEST_URI'] ?? '', PHP_URL_PATH), '/'));
[$name, $what, $method] = [$parts[0], $parts[1] ?? '', $_SERVER['REQUEST_METHOD'] ?? 'GET'];
$device = DEVICES[$name] ?? answer(404, ['error' => 'There is a gauge and a balance here.']);
$file = getenv('MINT_DEVICE_STATE') ?: sys_get_temp_dir().'/mintcarry-devices-'.getmypid().'.json';
$lock = fopen($file, 'c+') ?: answer(500, ['error' => 'The device cannot keep its state.']);
flock($lock, LOCK_EX);
$state = json_decode((string) stream_get_contents($lock), true) ?: [];
// Switched on: now and then with a zero that is off.
$state[$name] ??= [
    'zero' => array_map(fn (float $most): float => random_int(0, 2) === 0 ? (random_int(0, 1) * 2 - 1) * $most : 0.0, $device['zero']),
    'piece' => null, 'count' => 0,
];
$save = function () use (&$state, $lock): void {
    rewind($lock);
    ftruncate($lock, 0);
    fwrite($lock, (string) json_encode($state));
    fflush($lock);
};
$save();
$body = json_decode((string) file_get_contents('php://input'), true);
$body = is_array($body) ? $body : [];

if ($method === 'GET' && $what === '') {
    answer(200, ['device' => $name, 'standIn' => true, 'reads' => array_keys($device['noise']), 'checkPiece' => $device['check']]);
}
if ($method === 'PUT' && $what === 'piece') {
    $state[$name]['piece'] =
        ($body['checkPiece'] ?? false) === true
            ? $device['check']
            : array_intersect_key(array_map(floatval(...), array_filter($body, is_numeric(...))), $device['noise']);
    $save();
    answer(200, ['on' => $state[$name]['piece'] === [] ? 'nothing' : 'a piece']);
}
if ($method === 'POST' && $what === 'zero') {
    $state[$name]['zero'] = array_fill_keys(array_keys($device['zero']), 0.0);
    $save();
    answer(200, ['zeroed' => true]);
}
if ($method === 'POST' && $what === 'mistake') { // a knock on the bench: for showing and testing what the check piece is for
    $state[$name]['zero'] = $device['zero'];
    $save();
    answer(200, ['knocked' => true]);
}
if ($method === 'GET' && $what === 'reading') {
    $piece = $state[$name]['piece'] ?: answer(409, ['error' => 'Nothing lies on the '.$name.'.']);
    $values = [];
    foreach ($piece as $quantity => $true) {
        $u = max(1e-12, random_int(1, PHP_INT_MAX - 1) / PHP_INT_MAX);
        $noise = sqrt(-2 * log($u)) * cos((2 * M_PI * random_int(0, PHP_INT_MAX)) / PHP_INT_MAX);
        $values[$quantity] = round(
            $true + $state[$name]['zero'][$quantity] + $device['noise'][$quantity] * $noise, $quantity === 'massG' ? 1 : 2,
        );
    }
    $state[$name]['count']++;
    $save();
    answer(200, ['device' => $name, 'reading' => $state[$name]['count'], 'at' => gmdate('c'), 'values' => $values]);
}
answer(405, ['error' => 'The '.$name.' answers GET /'.$name.', GET /'.$name.'/reading, PUT /'.$name.'/piece and POST /'.$name.'/zero.']);
