<?php

declare(strict_types=1);

use App\Models\Reading;
use App\Models\SimulatedHead;

// The stand-ins as they ship, in a process of their own, read over HTTP.

beforeEach(function (): void {
    $socket = stream_socket_server('tcp://127.0.0.1:0');
    $this->port = (int) explode(':', (string) stream_socket_get_name($socket, false))[1];
    fclose($socket);
    $this->state = tempnam(sys_get_temp_dir(), 'mint');
    unlink($this->state);
    $this->process = proc_open(
        ['php', '-S', "127.0.0.1:{$this->port}", dirname(__DIR__, 2).'/devices/stand-in.php'],
        [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes, null,
        ['MINT_DEVICE_STATE' => $this->state] + getenv(),
    );
    for ($i = 0; $i < 100 && @fsockopen('127.0.0.1', $this->port) === false; $i++) {
        usleep(50_000);
    }
    config([
        'mintcarry.devices' => [
            'gauge' => "http://127.0.0.1:{$this->port}/gauge",
            'balance' => "http://127.0.0.1:{$this->port}/balance",
        ],
    ]);
    $this->user = $this->practising();
    $this->head = $this->rackHead($this->user);
    SimulatedHead::query()->create([
        'head_id' => $this->head['id'], 'truth' => ['loftDeg' => 9.2, 'lieDeg' => 58.6, 'faceOpenDeg' => 0.7, 'massG' => 201.4],
    ]);
    $this->press = fn (string $device, array $body = []) => $this->postJson("api/heads/{$this->head['id']}/read/{$device}", $body);
});

afterEach(function (): void {
    proc_terminate($this->process);
    proc_close($this->process);
    @unlink($this->state);
});

it('reads a head on the gauge and the balance, a little different each time, and stores nothing', function (): void {
    $this->postJson('api/devices/gauge/zero')->assertOk();
    $this->postJson('api/devices/balance/zero')->assertOk();
    $lofts = array_map(fn (): float => ($this->press)('gauge')->assertOk()->json('values.loftDeg'), range(1, 8));
    expect(array_sum($lofts) / 8)->toEqualWithDelta(9.2, 0.15)
        ->and(max($lofts) - min($lofts))->toBeGreaterThan(0)->toBeLessThan(0.7)
        ->and(($this->press)('balance')->json('values.massG'))->toEqualWithDelta(201.4, 1)
        ->and(Reading::query()->count())->toBe(0);
});

it('shows on the gauge what the sleeve position shows', function (): void {
    $this->postJson('api/devices/gauge/zero')->assertOk();
    $face = fn (string $position): float => array_sum(
        array_map(fn (): float => (float) ($this->press)('gauge', ['position' => $position])->json('values.faceOpenDeg'), range(1, 4)),
    ) / 4;
    // Two rings of 0.6° toward the target close the face by 1.2 / cos 58° = 2.26° on the sole.
    expect($face('N') - $face('+1.4'))->toEqualWithDelta(2.26, 0.4);
});

it('reveals a zero mistake on the check piece, and zeroing takes it away', function (): void {
    file_get_contents("http://127.0.0.1:{$this->port}/gauge/mistake", false, stream_context_create(['http' => ['method' => 'POST']]));
    $off = $this->postJson('api/devices/gauge/check')->assertOk()->json('off');
    expect($off['loftDeg'])->toEqualWithDelta(0.6, 0.2);
    expect(($this->press)('gauge')->json('values.loftDeg'))->toEqualWithDelta(9.8, 0.4);
    $this->postJson('api/devices/gauge/zero')->assertOk();
    expect($this->postJson('api/devices/gauge/check')->json('off.loftDeg'))->toEqualWithDelta(0, 0.2);
});

it('says plainly when a device does not answer, is not there, or talks nonsense', function (): void {
    proc_terminate($this->process);
    proc_close($this->process);
    $this->process = proc_open(['sleep', '60'], [], $pipes);
    $answer = ($this->press)('gauge')->assertUnprocessable()->json('message');
    expect($answer)->toContain('does not answer')->toContain('Nothing typed was lost');
    config(['mintcarry.devices.balance' => '']);
    expect(($this->press)('balance')->assertUnprocessable()->json('message'))->toContain('No address is configured for the balance');
    expect(($this->press)('toaster')->assertUnprocessable()->json('message'))->toContain("no device 'toaster'");
});

it('asks only the address that is configured, whatever a request says', function (): void {
    ($this->press)('gauge', ['address' => 'http://192.0.2.1/'])->assertUnprocessable()->assertJsonValidationErrors('address');
    config(['mintcarry.devices.gauge' => "http://127.0.0.1:{$this->port}/nothing"]);
    expect(($this->press)('gauge')->assertUnprocessable()->json('message'))->toContain('There is a gauge and a balance here');
});

it('finds the same head off by the same amount every time, when nobody said what is true', function (): void {
    SimulatedHead::query()->delete();
    $this->postJson('api/devices/gauge/zero')->assertOk();
    $means = array_map(
        fn (): float => array_sum(array_map(fn (): float => (float) ($this->press)('gauge')->json('values.loftDeg'), range(1, 4))) / 4,
        range(1, 2),
    );
    expect($means[0])->toEqualWithDelta($means[1], 0.25)->and(abs($means[0] - 10.5))->toBeLessThan(1.5);
});
