<?php

// Which reasons to look at a shot cry wolf? Four kinds of sender hit into trials that change every 7 to 12 s, while
// the network holds shots back and shuffles them, monitors restart and clocks are set:
//   php bin/parts/bench/feed.php [streams of each kind 400] [seed 1]

declare(strict_types=1);

namespace MintCarry\Bench;

use MintCarry\Core\Intake\Placement;
use MintCarry\Core\Intake\PostedShot;
use MintCarry\Core\Intake\RecentShot;
use MintCarry\Core\Intake\SenderClock;
use MintCarry\Core\Intake\Trial;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once __DIR__.'/../../../vendor/autoload.php';

/** One fitting of one bay, with its true course of time in seconds. */
final class FeedStream
{
    private const FITTING = 1;

    /** What is read of a sender before each shot (App\Intake\SenderRecord). */
    private const RECENT = 24;

    private const BEGIN = 1_780_000_000.0;

    private float $t = self::BEGIN;

    private float $ours = 0.0;

    private float $theirs;

    private int $count = 0;

    private int $session = 0;

    /** @var list<Trial> by our clock, newest last */
    private array $trials = [];

    /** @var list<array{session: string|null, shot: RecentShot}> newest first */
    private array $record = [];

    /** @var list<array{trial: int, hitS: float, body: array<string, mixed>}> hit and not sent */
    private array $queue = [];

    private float $downUntil = 0.0;

    /** @param  array<string, int>  $tally  late, right, flagged by reason … */
    public function __construct(
        private readonly Randomizer $random, private readonly bool $isNamed, private readonly bool $hasClock, private readonly bool $hasCount,
        private readonly bool $tellsSending, private array &$tally,
    ) {
        $this->theirs = (float) $random->getInt(-40_000, 40_000);
    }

    public function run(int $changes): void
    {
        for ($i = 0; $i < $changes; $i++) {
            $this->trials[] = new Trial($i + 1, $i + 1, self::FITTING, floor($this->t + $this->ours));
            $endS = $this->t + $this->random->getInt(7, 12);
            while ($this->t + 3 < $endS) {
                $this->t += 2 + $this->random->getInt(0, 200) / 100;
                $this->hit();
                $this->t += 0.4;
                $this->send();
            }
            $this->t = max($this->t, $endS);
            $this->happen();
        }
        $this->downUntil = 0.0;
        $this->send();
    }

    private function running(): Trial
    {
        return $this->trials[count($this->trials) - 1];
    }

    private function happen(): void
    {
        $what = $this->random->getInt(0, 99);
        match (true) {
            // The line is down for a while, with the next changes inside it.
            $what < 12 => $this->downUntil = $this->t - $this->random->getInt(0, 8) + $this->random->getInt(8, 60),
            $what < 17 => $this->restart(),
            $what < 20 => $this->theirs += ($this->random->getInt(0, 1) === 0 ? 1 : -1) * $this->random->getInt(60, 4000),
            $what < 22 => $this->ours += ($this->random->getInt(0, 1) === 0 ? 1 : -1) * $this->random->getInt(2, 120),
            // Somebody looks at the screen.
            $what < 30 => $this->t += $this->random->getInt(20, 400),
            default => null,
        };
    }

    private function restart(): void
    {
        $this->count = 0;
        $this->session++;
        $this->theirs += $this->random->getInt(0, 3) === 0 ? $this->random->getInt(-100_000, 100_000) : 0;
        $this->t += 20;
    }

    private function hit(): void
    {
        $this->count++;
        $this->queue[] = ['trial' => $this->running()->id, 'hitS' => $this->t, 'body' => [
            'id' => (string) $this->count, 'values' => ['ballSpeedMps' => 66, 'launchDeg' => 12, 'spinRpm' => $this->random->getInt(1500, 4000)],
        ] + ($this->isNamed ? ['session' => "run {$this->session}"] : []) + ($this->hasCount ? ['sequence' => $this->count] : [])
            + ($this->hasClock ? ['at' => gmdate('Y-m-d\TH:i:s\Z', (int) ($this->t + $this->theirs))] : [])];
    }

    private function send(): void
    {
        if ($this->t < $this->downUntil) {
            return;
        }
        $waiting = $this->queue;
        $this->queue = [];
        // What waited together may come in any order.
        if (count($waiting) > 1 && $this->random->getInt(0, 1) === 0) {
            $waiting = $this->random->shuffleArray($waiting);
        }
        foreach ($waiting as $shot) {
            $this->t += 0.05;
            $this->arrive($shot, count($waiting) > 1);
        }
    }

    /** @param  array{trial: int, hitS: float, body: array<string, mixed>}  $shot */
    private function arrive(array $shot, bool $isOneOfMany): void
    {
        $nowS = floor($this->t + $this->ours);
        $body = $shot['body'] + ($this->tellsSending && $this->hasClock ? ['sentAt' => gmdate('Y-m-d\TH:i:s\Z',
            (int) ($this->t + $this->theirs))] : []);
        $posted = PostedShot::read((string) json_encode($body));
        $running = $this->running();
        $place = Placement::of($posted, $this->recent($posted->session, $nowS), $nowS, $running,
            fn (float $hitS): ?Trial => $this->trialAt($hitS, $running->id), $isOneOfMany);
        $laid = $place->earlier->id ?? $running->id;
        array_unshift($this->record, ['session' => $posted->session, 'shot' => new RecentShot(
            $place->run, $posted->sequence, SenderClock::seconds($posted->at), $nowS, $laid,
        )]);
        $isLate = $this->t - $shot['hitS'] > 3;
        $isRight = $laid === $shot['trial'];
        // That it was moved says what was done, and asks for nothing.
        $reason = $place->earlier === null ? $place->remark : null;
        $kind = ($isLate ? 'late' : 'at once').($isRight ? ' right' : ' wrong')
            .($place->earlier !== null && ! $isRight ? ' moved' : ($reason === null ? ' silent' : ' flagged'));
        $this->tally[$kind] = ($this->tally[$kind] ?? 0) + 1;
        if ($reason !== null) {
            $why = $kind.': '.preg_replace('/\d+( s| min| h| days)?( \d+ min)?/', 'N', $reason);
            $this->tally[$why] = ($this->tally[$why] ?? 0) + 1;
        }
    }

    /** @return list<RecentShot> as App\Intake\SenderRecord reads them */
    private function recent(?string $session, float $nowS): array
    {
        $out = [];
        $before = $nowS;
        foreach (array_slice($this->record, 0, self::RECENT) as $one) {
            if ($one['session'] !== $session) {
                continue;
            }
            if ($session === null && abs($before - $one['shot']->cameS) > Placement::SILENCE_S) {
                break;
            }
            $before = $one['shot']->cameS;
            $out[] = $one['shot'];
        }

        return $out;
    }

    private function trialAt(float $hitS, int $running): ?Trial
    {
        foreach (array_reverse($this->trials) as $i => $trial) {
            $ended = $this->trials[count($this->trials) - $i]->beganS ?? INF;
            if ($trial->id !== $running && $trial->beganS <= ceil($hitS) && $ended >= $hitS - SenderClock::SLACK_S) {
                return $trial;
            }
        }

        return null;
    }
}

[$streams, $seed] = [(int) ($argv[1] ?? 400), (int) ($argv[2] ?? 1)];
$kinds = [
    'session, count, clock, sentAt' => [true, true, true, true], 'session, count, clock' => [true, true, true, false],
    'count and clock alone' => [false, true, true, false], 'neither count nor clock' => [false, false, false, false],
];
foreach ($kinds as $name => [$named, $clock, $count, $sending]) {
    $tally = [];
    $random = new Randomizer(new Mt19937($seed));
    for ($i = 0; $i < $streams; $i++) {
        (new FeedStream($random, $named, $clock, $count, $sending, $tally))->run(25);
    }
    ksort($tally);
    $of = static fn (string $kind): int => $tally[$kind] ?? 0;
    printf("\n%s\n", $name);
    foreach (['late', 'at once'] as $when) {
        printf("  %-8s %6d: right %d, right and flagged all the same %d; wrong and flagged %d, moved wrongly and said so %d, WRONG IN SILENCE %d\n", $when,
            array_sum(array_filter($tally, static fn (string $k): bool => str_starts_with($k, $when) && ! str_contains($k,
                ':'), ARRAY_FILTER_USE_KEY)),
            $of("{$when} right silent"), $of("{$when} right flagged"), $of("{$when} wrong flagged"), $of("{$when} wrong moved"), $of("{$when} wrong silent"));
    }
    foreach ($tally as $why => $n) {
        if (str_contains($why, ':')) {
            printf("    %5d  %s\n", $n, $why);
        }
    }
}
