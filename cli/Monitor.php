<?php

declare(strict_types=1);

namespace MintCarry\Cli;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\CoreException;
use MintCarry\Core\Impact\HiddenPlayers;
use MintCarry\Core\Impact\SetupEffect;
use MintCarry\Core\Impact\ShotMaker;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A simulated launch monitor: a process of its own that posts to a bay over HTTP as a real one would (docs/api.yaml). It keeps every shot until the server has
 * acknowledged it, on disk too (`Spool`), and sends again with the same id; so nothing is lost and nothing comes twice, even where it was killed and begun again. With faults it does what monitors do.
 */
final class Monitor
{
    public const FAULTS = ['drop', 'duplicate', 'reorder', 'no-club', 'nonsense'];

    private const PATIENCE = 120;

    /** @var array<string, array<string, mixed>> shots that were not acknowledged yet, by id */
    private array $waiting = [];

    private readonly Randomizer $random;

    private ?ShotMaker $maker = null;

    private string $holding = '';

    /** @param  list<string>  $faults */
    public function __construct(private readonly string $address, private readonly int $bay, private readonly string $token, private readonly string $player, int $seed, private readonly array $faults, private readonly string $spoolFolder)
    {
        HiddenPlayers::named($player, Hand::Right);
        foreach ($faults as $fault) {
            if (! in_array($fault, self::FAULTS, true)) {
                throw CoreException::invalid('faults', "There is no fault '{$fault}'; there are ".implode(', ', self::FAULTS).'.');
            }
        }
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /**
     * Hits and posts until `count` shots are acknowledged, and those that an earlier run left behind.
     *
     * @param  callable(string): void  $say
     * @return array{hit: int, stored: int, held: int}
     */
    public function run(int $count, float $paceS, callable $say): array
    {
        $done = ['hit' => 0, 'stored' => 0, 'held' => 0];
        $run = bin2hex(random_bytes(4));
        $failed = 0;
        $spool = new Spool($this->spoolFolder, "bay-{$this->bay}-".substr(hash('sha256', $this->token), 0, 12));
        $this->waiting = $spool->takeOver();
        $due = $count + count($this->waiting);
        if ($this->waiting !== []) {
            $say(count($this->waiting).' shots of a run that was cut off are sent again');
        }
        while ($due > $done['stored'] + $done['held']) {
            if ($done['hit'] < $count) {
                $shot = $this->hit($run, ++$done['hit']);
                $this->waiting[$shot['id']] = $shot;
                $spool->keep($this->waiting);
            }
            if ($this->chance('reorder') && $done['hit'] < $count) {
                continue; // kept back: goes out after the next one
            }
            $batch = array_values($this->waiting);
            if ($this->has('reorder')) {
                $batch = array_reverse($batch);
            }
            if ($this->chance('duplicate')) {
                $batch[] = $batch[0];
            }
            $answers = $this->post(array_slice($batch, 0, 50));
            if ($answers === null) {
                if (++$failed > self::PATIENCE) {
                    throw CoreException::invalid('address', "{$this->address} did not answer {$failed} times; ".count($this->waiting).' shots were not acknowledged.');
                }
                $say('no answer; '.count($this->waiting).' waiting');
                usleep(500_000);

                continue;
            }
            $failed = 0;
            foreach ($answers as $answer) {
                if (isset($this->waiting[$answer['id']])) {
                    unset($this->waiting[$answer['id']]);
                    $done[$answer['status'] === 'stored' ? 'stored' : 'held']++;
                    $say("{$answer['id']} {$answer['status']}".($answer['reason'] === null ? '' : ": {$answer['reason']}"));
                }
            }
            $spool->keep($this->waiting);
            usleep((int) (1e6 * $paceS));
        }

        return $done;
    }

    /** @return array{id: string, sequence: int, at: string, values: array<string, mixed>} */
    private function hit(string $run, int $number): array
    {
        $values = ShotMaker::seen($this->maker()->hit(HiddenPlayers::named($this->player, $this->hand())), ! $this->has('no-club'));
        if ($this->chance('nonsense')) {
            $values['spinRpm'] = 99999.0;
        }

        return ['id' => "{$run}-{$number}", 'sequence' => $number, 'at' => gmdate('c'), 'values' => $values];
    }

    private string $side = 'right';

    private function hand(): Hand
    {
        return Hand::from($this->side);
    }

    /** Hits with what is in the player's hand now. */
    private function maker(): ShotMaker
    {
        [$status, $now] = $this->send('GET', "/api/bays/{$this->bay}/hand", null);
        if ($status === 401) {
            throw CoreException::invalid('token', 'The token does not open this bay. Make a new one on the bay screen.');
        }
        $effect = $now['effect'] ?? null;
        if ($this->maker === null || (is_array($effect) && json_encode($effect) !== $this->holding)) {
            $this->holding = (string) json_encode($effect);
            $this->side = is_array($now) && is_string($now['hand'] ?? null) ? $now['hand'] : 'right';
            $setup = is_array($effect) ? new SetupEffect(
                new Head($effect['head']['loftDeg'], $effect['head']['massG'], $effect['head']['cgToeMm'], $effect['head']['cgBackMm'], $effect['head']['cgUpMm'], $effect['head']['inertiaGcm2']),
                (string) $effect['headKey'], $effect['squaredLoftDeg'], $effect['soledFaceOpenDeg'], $effect['cgBackMm'], $effect['cgToeMm'], (float) ($effect['swingWeightPoints'] ?? 0.0),
            ) : new SetupEffect;
            $this->maker = new ShotMaker($setup, $this->hand(), $this->random);
        }

        return $this->maker;
    }

    /**
     * @param  list<array<string, mixed>>  $shots
     * @return list<array{id: string, status: string, reason: string|null}>|null null when there was no answer to count on
     */
    private function post(array $shots): ?array
    {
        [$status, $body] = $this->send('POST', "/api/bays/{$this->bay}/shots", ['shots' => $shots]);
        if ($status === 401) {
            throw CoreException::invalid('token', 'The token does not open this bay. Make a new one on the bay screen.');
        }
        // A dropped connection: the server may have stored them, but its answer never came.
        if ($status !== 200 || $this->chance('drop')) {
            return null;
        }

        return is_array($body['results'] ?? null) ? array_values($body['results']) : null;
    }

    /**
     * @param  array<string, mixed>|null  $body
     * @return array{int, array<string, mixed>|null} status (0 = no answer) and JSON
     */
    private function send(string $method, string $path, ?array $body): array
    {
        $context = stream_context_create(['http' => ['method' => $method, 'timeout' => 5, 'ignore_errors' => true, 'header' => "Authorization: Bearer {$this->token}\r\nAccept: application/json\r\nContent-Type: application/json\r\n", 'content' => $body === null ? '' : (string) json_encode($body, JSON_PRESERVE_ZERO_FRACTION)]]);
        $text = @file_get_contents(rtrim($this->address, '/').$path, false, $context);
        $head = $http_response_header[0] ?? '';
        $json = json_decode((string) $text, true);

        return [$text === false || preg_match('/ (\d{3})/', $head, $m) !== 1 ? 0 : (int) $m[1], is_array($json) ? $json : null];
    }

    private function has(string $fault): bool
    {
        return in_array($fault, $this->faults, true);
    }

    /** One time in three, when that fault is on. */
    private function chance(string $fault): bool
    {
        return $this->has($fault) && $this->random->getInt(0, 2) === 0;
    }
}
