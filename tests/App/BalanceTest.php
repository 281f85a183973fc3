<?php

declare(strict_types=1);

use App\Models\Setup;

// The swing weight from the balance, by the stand-in as it ships.

beforeEach(function (): void {
    $socket = stream_socket_server('tcp://127.0.0.1:0');
    $this->port = (int) explode(':', (string) stream_socket_get_name($socket, false))[1];
    fclose($socket);
    $this->state = (string) tempnam(sys_get_temp_dir(), 'mint');
    unlink($this->state);
    $quiet = ['file', '/dev/null', 'w'];
    $this->process = proc_open(
        ['php', '-S', "127.0.0.1:{$this->port}", dirname(__DIR__, 2).'/devices/stand-in.php'],
        [['file', '/dev/null', 'r'], $quiet, $quiet], $pipes, null, ['MINT_DEVICE_STATE' => $this->state] + getenv(),
    );
    for ($i = 0; $i < 100 && @fsockopen('127.0.0.1', $this->port) === false; $i++) {
        usleep(50_000);
    }
    config(['mintcarry.devices.balance' => "http://127.0.0.1:{$this->port}/balance"]);
    $this->user = $this->practising();
    $this->head = $this->rackHead($this->user);
    $this->case = $this->fitting($this->user);
    $this->actingAs($this->user);
});

afterEach(function (): void {
    proc_terminate($this->process);
    proc_close($this->process);
    @unlink($this->state);
});

it('weighs the club as it is put together, close to what is computed', function (): void {
    $shaft = $this->postJson('api/parts', [
        'kind' => 'shaft', 'label' => 'S', 'data' => ['cutMassG' => 60, 'balanceFromButtMm' => 550],
    ])->json('id');
    $body = ['headId' => $this->head['id'], 'shaftId' => $shaft, 'length' => ['value' => '45', 'unit' => 'in']];
    $computed = $this->postJson("api/fittings/{$this->case->id}/setups/preview", $body)
        ->assertOk()->json('swingWeight.points');
    $read = $this->postJson("api/fittings/{$this->case->id}/setups/balance", $body)
        ->assertOk()->json('swingWeight');
    expect(MintCarry\Core\Club\SwingWeight::pointsOf($read))->toEqualWithDelta($computed, 1.0)
        ->and(Setup::query()->count())->toBe(0);
    $this->postJson("api/fittings/{$this->case->id}/setups", $body + ['swingWeight' => $read])
        ->assertCreated()->assertJsonPath('swingWeight.measured', true)->assertJsonPath('swingWeight.label', $read);
});

it('answers to the documented format, and to nothing else', function (): void {
    $ask = function (string $method, string $path, array $body = []): array {
        $answer = file_get_contents(
            "http://127.0.0.1:{$this->port}{$path}",
            false,
            stream_context_create([
                'http' => [
                    'method' => $method, 'header' => 'Content-Type: application/json', 'content' => (string) json_encode($body),
                    'ignore_errors' => true,
                ],
            ]),
        );

        return [(int) explode(' ', $http_response_header[0])[1], json_decode((string) $answer, true)];
    };
    expect($ask('GET', '/balance')[1])
        ->toMatchArray(['device' => 'balance', 'reads' => ['massG', 'swingWeightPoints'], 'checkPiece' => ['massG' => 200.0]])
        ->and($ask('GET', '/balance/reading'))->toBe([409, ['error' => 'Nothing lies on the balance.']])
        ->and($ask('PUT', '/balance/piece', ['massG' => 203.4, 'colour' => 7])[0])->toBe(200)
        ->and($ask('GET', '/balance/reading')[1]['values'])->toHaveKeys(['massG'])->not->toHaveKey('colour')
        ->and($ask('DELETE', '/balance/reading')[0])->toBe(405)
        ->and($ask('GET', '/toaster')[0])->toBe(404)
        ->and($ask('GET', '/gauge')[1]['reads'])->toBe(['loftDeg', 'lieDeg', 'faceOpenDeg']);
});
