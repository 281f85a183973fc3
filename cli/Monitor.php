<?php

declare(strict_types=1);

namespace MintCarry\Cli;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Impact\HiddenPlayers;
use MintCarry\Core\Impact\SetupEffect;
use MintCarry\Core\Impact\ShotMaker;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A simulated launch monitor: a process of its own that posts to a bay over HTTP as a real one would (docs/api.yaml). It keeps
 * every shot until the server has answered it, on disk too (`Spool`), and sends again with the same id; so nothing is lost and
 * nothing comes twice, even where it was killed and begun again. With faults it does what monitors do: lose answers, send twice,
 * send in another order, see no club, see nonsense, begin their count anew, use ids again, set their clock, name no session.
 */
final class Monitor
{
    public const FAULTS = ['drop', 'duplicate', 'reorder', 'no-club', 'nonsense', 'restart', 'reuse', 'step', 'nameless'];

    private const PATIENCE = 120;

    /** @var array<string, array<string, mixed>> shots that were not answered yet, by a name that no other shot has */
    private array $waiting = [];

    private string $session = '';

    private int $count = 0;

    /** How far the monitor's clock is off, s. */
    private int $clock = 0;

    private readonly Randomizer $random;

    private ?ShotMaker $maker = null;

    private string $holding = '';

    /** @param  list<string>  $faults */
    public function __construct(
        private readonly string $address, private readonly int $bay, private readonly string $token,
        private readonly string $player, int $seed, private readonly array $faults, private readonly string $spoolFolder,
    ) {
        HiddenPlayers::named($player, Hand::Right);
        foreach ($faults as $fault) {
            if (! in_array($fault, self::FAULTS, true)) {
                throw InvalidInput::of('faults', "There is no fault '{$fault}'; there are ".implode(', ', self::FAULTS).'.');
            }
        }
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /**
     * Hits and posts until `count` shots are answered, and those that an earlier run left behind.
     *
     * @param  callable(string): void  $say
     * @return array{hit: int, stored: int, held: int, refused: int}
     */
    public function run(int $count, float $paceS, callable $say): array
    {
        $done = ['hit' => 0, 'stored' => 0, 'held' => 0, 'refused' => 0];
        $failed = 0;
        $spool = new Spool($this->spoolFolder, "bay-{$this->bay}-".substr(hash('sha256', $this->token), 0, 12));
        $this->waiting = $spool->takeOver();
        $due = $count + count($this->waiting);
        if ($this->waiting !== []) {
            $say(count($this->waiting).' shots of a run that was cut off are sent again');
        }
        $this->restart();
        while ($due > $done['stored'] + $done['held'] + $done['refused']) {
            if ($done['hit'] < $count) {
                $this->misbehave($say);
                $done['hit']++;
                $this->waiting['shot '.bin2hex(random_bytes(8))] = $this->hit();
                $spool->keep($this->waiting);
            }
            if ($this->chance('reorder') && $done['hit'] < $count) {
                continue; // kept back: goes out after the next one
            }
            $names = array_slice(array_keys($this->has('reorder') ? array_reverse($this->waiting) : $this->waiting), 0, 50);
            if ($this->chance('duplicate') && count($names) < 50) {
                $names[] = $names[0];
            }
            $answers = $this->post(array_map(fn (string $name): array => $this->waiting[$name], $names));
            if ($answers === null) {
                if (++$failed > self::PATIENCE) {
                    throw InvalidInput::of(
                        'address',
                        "{$this->address} did not answer {$failed} times; ".count($this->waiting).' shots were not acknowledged.',
                    );
                }
                $say('no answer; '.count($this->waiting).' waiting');
                usleep(500_000);

                continue;
            }
            $failed = 0;
            foreach ($answers as $i => $answer) {
                if (isset($this->waiting[$names[$i] ?? ''])) {
                    unset($this->waiting[$names[$i]]);
                    $done[in_array($answer['status'], ['stored', 'held'], true) ? $answer['status'] : 'refused']++;
                    $say("{$answer['id']} {$answer['status']}".($answer['reason'] === null ? '' : ": {$answer['reason']}"));
                }
            }
            $spool->keep($this->waiting);
            usleep((int) (1e6 * $paceS));
        }

        return $done;
    }

    /** Switched on: another session, and a count that begins at 1. */
    private function restart(): void
    {
        $this->session = bin2hex(random_bytes(4));
        $this->count = 0;
    }

    /** @param  callable(string): void  $say */
    private function misbehave(callable $say): void
    {
        if ($this->count > 0 && $this->chance('restart')) {
            $this->restart();
            $say('restarted: counts from 1');
        }
        if ($this->chance('step')) {
            $this->clock = $this->random->getInt(-36, 36) * 600;
            $say("set its clock: off by {$this->clock} s");
        }
    }

    /** @return array<string, mixed> */
    private function hit(): array
    {
        $values = ShotMaker::seen($this->maker()->hit(HiddenPlayers::named($this->player, $this->hand())), ! $this->has('no-club'));
        if ($this->chance('nonsense')) {
            $values['spinRpm'] = 99999.0;
        }
        $this->count++;

        return [
            'id' => $this->has('reuse') ? (string) $this->count : "{$this->session}-{$this->count}", 'source' => 'simulated',
            'sequence' => $this->count, 'at' => gmdate('c', time() + $this->clock), 'values' => $values,
        ] + ($this->has('nameless') ? [] : ['session' => $this->session]);
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
        self::requireWelcome($status, $now);
        $effect = $now['effect'] ?? null;
        if ($this->maker === null || (is_array($effect) && json_encode($effect) !== $this->holding)) {
            $this->holding = (string) json_encode($effect);
            $this->side = is_array($now) && is_string($now['hand'] ?? null) ? $now['hand'] : 'right';
            $setup = is_array($effect)
                ? new SetupEffect(
                    new Head(
                        $effect['head']['loftDeg'], $effect['head']['massG'], $effect['head']['cgToeMm'],
                        $effect['head']['cgBackMm'], $effect['head']['cgUpMm'], $effect['head']['inertiaGcm2'],
                    ),
                    (string) $effect['headKey'], $effect['squaredLoftDeg'], $effect['soledFaceOpenDeg'], $effect['cgBackMm'],
                    $effect['cgToeMm'], (float) ($effect['swingWeightPoints'] ?? 0.0), (float) ($effect['soledLoftDeg'] ?? 0.0),
                )
                : new SetupEffect;
            $this->maker = new ShotMaker($setup, $this->hand(), $this->random);
        }

        return $this->maker;
    }

    /**
     * @param  list<array<string, mixed>>  $shots
     * @return list<array{id: string|null, status: string, reason: string|null}>|null in the order of the shots; null when there
     *   was no answer to count on
     */
    private function post(array $shots): ?array
    {
        $sending = ['sentAt' => gmdate('c', time() + $this->clock)] + ($this->has('nameless') ? [] : ['session' => $this->session]);
        [$status, $body] = $this->send('POST', "/api/bays/{$this->bay}/shots", $sending + ['shots' => $shots]);
        self::requireWelcome($status, $body);
        // A dropped connection: the server may have stored them, but its answer never came. 422: none of them can ever be read,
        // and each answer says so.
        if (! in_array($status, [200, 422], true) || $this->chance('drop')) {
            return null;
        }

        return is_array($body['results'] ?? null) ? array_values($body['results']) : null;
    }

    /** @param  array<string, mixed>|null  $answer */
    private static function requireWelcome(int $status, ?array $answer): void
    {
        if ($status === 401) {
            throw InvalidInput::of('token', 'The token does not open this bay. Make a new one on the bay screen.');
        }
        if ($status === 403) {
            throw InvalidInput::of(
                'bay', is_string($answer['message'] ?? null) ? $answer['message'] : 'This studio takes no simulated shots.',
            );
        }
    }

    /**
     * @param  array<string, mixed>|null  $body
     * @return array{int, array<string, mixed>|null} status (0 = no answer) and JSON
     */
    private function send(string $method, string $path, ?array $body): array
    {
        $context = stream_context_create([
            'http' => [
                'method' => $method, 'timeout' => 5, 'ignore_errors' => true,
                'header' => "Authorization: Bearer {$this->token}\r\nAccept: application/json\r\nContent-Type: application/json\r\n",
                'content' => $body === null ? '' : (string) json_encode($body, JSON_PRESERVE_ZERO_FRACTION),
            ],
        ]);
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
