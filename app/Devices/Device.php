<?php

declare(strict_types=1);

namespace App\Devices;

use App\Models\Studio;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;
use MintCarry\Core\Errors\InvalidInput;

/** A gauge or balance at the address that the studio configured (docs/devices.md). Never at one that a request names. */
final readonly class Device
{
    public const NAMES = ['gauge', 'balance'];

    private const MOST_BYTES = 16_384;

    private string $address;

    /** @param  bool  $takesSimulated  did the studio ask for made-up readings? Without that a stand-in is no device. */
    public function __construct(public string $name, private bool $takesSimulated)
    {
        if (! in_array($name, self::NAMES, true)) {
            throw InvalidInput::of('device', "There is no device '{$name}'; there are gauge and balance.");
        }
        $this->address = rtrim((string) config("mintcarry.devices.{$name}"), '/');
        if ($this->address === '') {
            throw InvalidInput::of(
                'device', "No address is configured for the {$name}. Type what you read; everything else works without it.",
            );
        }
    }

    /** A device of a studio's: of several studios on one server, the one that it was connected for. */
    public static function of(Studio $studio, string $name): self
    {
        $of = config('mintcarry.devices_of');
        $isTheirs = is_string($of) ? $of === $studio->name : Studio::query()->count() === 1;
        if (! $isTheirs) {
            throw InvalidInput::of('device', 'No gauge or balance belongs to this studio. Type what you read; everything else works without it.');
        }

        return new self($name, $studio->takesSimulated());
    }

    /**
     * One reading of a piece. The stand-in is given the piece first; on a real device it lies there already.
     *
     * @param  array<string, mixed>  $piece  what the stand-in is to find
     * @return array{values: array<string, float>, source: string}
     */
    public function reading(array $piece): array
    {
        $source = $this->source();

        return ['values' => $this->read($piece, $source), 'source' => $source];
    }

    /**
     * Where its readings come from: measured, or simulated by a stand-in.
     *
     * @throws InvalidInput where a stand-in answers a studio that asked for none
     */
    public function source(): string
    {
        $isStandIn = ($this->send('GET', '')['standIn'] ?? false) === true;
        if ($isStandIn && ! $this->takesSimulated) {
            throw InvalidInput::of(
                'device',
                "No {$this->name} is connected: what answers is a stand-in that makes readings up. Read by eye and type "
                    .'it. To practise with made-up readings, switch them on in the bay.',
            );
        }

        return $isStandIn ? 'simulated' : 'measured';
    }

    /**
     * @param  array<string, mixed>  $piece
     * @return array<string, float>
     */
    private function read(array $piece, string $source): array
    {
        if ($source === 'simulated') {
            $this->send('PUT', '/piece', $piece);
        }
        $values = $this->send('GET', '/reading')['values'] ?? null;
        $numbers = array_filter(
            is_array($values) ? $values : [], fn (mixed $v, mixed $k): bool => (is_int($v) || is_float($v)) && is_string($k),
            ARRAY_FILTER_USE_BOTH,
        );
        if ($numbers === []) {
            throw $this->failed('answered without a reading');
        }

        return array_map(floatval(...), $numbers);
    }

    /**
     * Reads the check piece: what it is certified for, and how far the device is off.
     *
     * @return array{certified: array<string, float>, read: array<string, float>, off: array<string, float>, source: string}
     */
    public function check(): array
    {
        $source = $this->source();
        $certified = array_map(floatval(...), (array) ($this->send('GET', '')['checkPiece'] ?? []));
        $readings = array_map(fn (): array => $this->read(['checkPiece' => true], $source), range(1, 3));
        $read = [];
        foreach (array_keys($certified) as $quantity) {
            $values = array_column($readings, $quantity);
            if ($values !== []) {
                $read[$quantity] = array_sum($values) / count($values);
            }
        }
        $off = [];
        foreach ($read as $quantity => $value) {
            $off[$quantity] = $value - $certified[$quantity];
        }

        return ['certified' => $certified, 'read' => $read, 'off' => $off, 'source' => $source];
    }

    public function zero(): void
    {
        if ($this->source() === 'simulated') {
            $this->send('PUT', '/piece', ['checkPiece' => true]);
        }
        $this->send('POST', '/zero');
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<mixed>
     */
    private function send(string $method, string $path, array $body = []): array
    {
        try {
            /** @var PendingRequest $request */
            $request = Http::timeout(2)->connectTimeout(1)->withoutRedirecting()->acceptJson();
            /** @var Response $response */
            $response = $request->send($method, $this->address.$path, $method === 'GET' ? [] : ['json' => (object) $body]);
        } catch (ConnectionException) {
            throw $this->failed('does not answer');
        }
        $text = $response->body();
        if (strlen($text) > self::MOST_BYTES) {
            throw $this->failed('answered with more than a reading');
        }
        $json = json_decode($text, true);
        if (! $response->successful()) {
            throw $this->failed(
                'says: '.
                    mb_strimwidth(
                        is_array($json) && is_string($json['error'] ?? null) ? $json['error'] : 'error '.$response->status(), 0,
                        120, '…',
                    ),
            );
        }

        return is_array($json) ? $json : throw $this->failed('answered with something that is no reading');
    }

    private function failed(string $how): InvalidInput
    {
        return InvalidInput::of(
            'device',
            "The {$this->name} at {$this->address} {$how}. Nothing typed was lost: read by eye and type it, or try again.",
        );
    }
}
