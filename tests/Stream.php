<?php

declare(strict_types=1);

use App\Actions\TakeShots;
use App\Models\Bay;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Intake\Post;

/**
 * A monitor, a network and two clocks that do what they do in life, beside a plain model of what must be on record afterwards.
 * Time is counted in true seconds; each clock is off by something that can change. Every shot has a spin of its own, so that it
 * is known again on record whatever its id.
 */
final class Stream
{
    private float $t = 1_780_000_000.0;

    private float $ours = 0.0;

    private float $theirs;

    private int $count = 0;

    private int $hits = 0;

    private int $starts = 0;

    /** @var list<array{spin: int, trial: int, prompt: bool, body: array<string, mixed>}> hit and not acknowledged */
    private array $queue = [];

    /** @var list<array{spin: int, trial: int, prompt: bool, body: array<string, mixed>}> acknowledged, and perhaps sent again */
    private array $sent = [];

    /**
     * @var list<array{id: string, session: string|null, spin: int, cameS: float, answer: array<string, mixed>}> what the plain
     *   model holds
     */
    private array $model = [];

    private bool $isDown = false;

    private bool $losesAnswer = false;

    private int $promptInRun = 0;

    private int $promptSinceSet = 3;

    private ?int $trial = null;

    /** @var array<int, array{trial: int, prompt: bool}> by spin: the truth */
    public array $truth = [];

    public int $acknowledged = 0;

    public function __construct(
        private readonly Bay $bay, private readonly int $fitting, private readonly int $user, private readonly int $studio,
        private readonly array $setups, private readonly bool $isNamed, private readonly bool $hasClock,
        private readonly bool $hasCount, private readonly bool $tellsSending, int $off,
    ) {
        $this->theirs = (float) ($off * 731 - 30_000);
        $this->now();
        $this->begin(0);
    }

    public function step(int $what, int $n): void
    {
        match (true) {
            $what <= 3 => $this->hit($n),
            $what === 4 => $this->begin($n),
            $what === 5 => $this->restart($n),
            $what === 6 => $this->set($this->theirs, $n),
            $what === 7 => $this->set($this->ours, $n),
            $what === 8 => $this->again($n),
            $what === 9 => $this->losesAnswer = true,
            $what === 10 => $this->toggleNetwork(),
            $what >= 12 => $this->cutOff($n),
            default => $this->pass($n % 3 === 0 ? 90_000 : 60 + $n),
        };
        $this->now();
    }

    /** A clock is set, by ten minutes or more; not again before its lag could be learned anew, for two steps could take each other back. */
    private function set(float &$clock, int $n): void
    {
        if ($this->promptSinceSet < 3) {
            return;
        }
        $clock += ($n % 2 ? 1 : -1) * (600 + 97 * $n);
        $this->promptSinceSet = 0;
        // Nobody can tell what comes late before two shots agree.
        $this->promptInRun = $this->promptInRun < 2 ? 0 : $this->promptInRun;
    }

    /** Everything that waits arrives at last. */
    public function finish(): void
    {
        [$this->isDown, $this->losesAnswer] = [false, false];
        $this->flush(false);
    }

    private function now(): void
    {
        Carbon::setTestNow(Carbon::createFromTimestampUTC((int) ($this->t + $this->ours)));
    }

    private function pass(float $seconds): void
    {
        // Nobody fits for longer than four minutes while the line is down; a break begins with the line up.
        if ($this->isDown) {
            $this->toggleNetwork();
        }
        $this->t += $seconds;
        // After a night a sender without a name is another session.
        $this->promptInRun = $seconds > 20_000 ? 0 : $this->promptInRun;
        $this->now();
    }

    private function begin(int $n): void
    {
        $this->t += 45 + $n % 37;
        $this->now();
        DB::table('trials')->where('fitting_id', $this->fitting)->whereNull('ended_at')->update(['ended_at' => now()]);
        $number = (int) DB::table('trials')->where('fitting_id', $this->fitting)->max('number') + 1;
        $this->trial = DB::table('trials')->insertGetId([
            'studio_id' => $this->studio, 'fitting_id' => $this->fitting, 'setup_id' => $this->setups[$n % count($this->setups)],
            'number' => $number, 'conditions' => '{}', 'begun_by' => $this->user, 'created_at' => now(), 'updated_at' => now(),
        ]);
        DB::table('fittings')
            ->where('id', $this->fitting)->update(['running_trial_id' => $this->trial]);
        if ($this->isDown) {
            $this->toggleAfter(200);
        }
    }

    private float $downSince = 0.0;

    private function toggleNetwork(): void
    {
        if ($this->isDown) {
            $this->isDown = false;
            $this->flush();
        } elseif ($this->hasClock && $this->promptInRun >= 2) {
            // Only a clock can tell what came late, and only once its lag is known.
            [$this->isDown, $this->downSince] = [true, $this->t];
        }
    }

    /** The line breaks, one more is hit, the club is changed, the line is back. */
    private function cutOff(int $n): void
    {
        if (! $this->isDown) {
            $this->toggleNetwork();
            $this->hit($n);
            $this->begin($n);
        }
        if ($this->isDown) {
            $this->toggleNetwork();
        }
    }

    private function toggleAfter(float $seconds): void
    {
        if ($this->t - $this->downSince > $seconds) {
            $this->toggleNetwork();
        }
    }

    private function restart(int $n): void
    {
        if ($this->isDown) {
            $this->toggleNetwork();
        }
        $this->count = 0;
        $this->starts++;
        $this->promptInRun = 0;
        $this->theirs += $n % 4 === 0 ? 0 : ($n - 50) * 5000;
        $this->t += 20;
    }

    private function hit(int $n): void
    {
        $this->t += 20 + $n % 20;
        $this->now();
        $this->count++;
        $this->hits++;
        $spin = 1500 + $this->hits;
        // Ids of one count, in other letters now and then.
        $id = [(string) $this->count, "s{$this->count}", "S{$this->count}", "ś{$this->count}", (string) $this->count][$n % 5];
        $body = ['id' => $id, 'values' => ['ballSpeedMps' => 66, 'launchDeg' => 12, 'spinRpm' => $spin]]
            + ($this->isNamed ? ['session' => "run {$this->starts}"] : [])
            + ($this->hasClock ? ['at' => gmdate('Y-m-d\TH:i:s\Z', (int) ($this->t + $this->theirs))] : [])
            + ($this->hasCount ? ['sequence' => $this->count] : []);
        $this->truth[$spin] = ['trial' => (int) $this->trial, 'prompt' => ! $this->isDown];
        $this->queue[] = ['spin' => $spin, 'trial' => (int) $this->trial, 'prompt' => ! $this->isDown, 'body' => $body];
        if ($this->isDown) {
            $this->toggleAfter(200);

            return;
        }
        $this->t += 1;
        $this->now();
        $this->promptInRun++;
        $this->promptSinceSet++;
        $this->flush();
    }

    private function flush(bool $mayLose = true): void
    {
        for ($i = 0; $this->queue !== [] && $i < 3; $i++) {
            $batch = array_slice($this->queue, 0, 50);
            $answers = $this->post($batch);
            if ($this->losesAnswer && $mayLose) {
                $this->losesAnswer = false;
                $this->t += 2;
                $this->now();

                continue;
            }
            $this->acknowledged += count($answers);
            foreach ($batch as $shot) {
                $this->sent[] = $shot;
            }
            $this->queue = array_slice($this->queue, count($batch));
        }
    }

    /** Something that was acknowledged is sent again all the same, alone or twice in one post. */
    private function again(int $n): void
    {
        if ($this->sent !== [] && ! $this->isDown) {
            $shot = $this->sent[$n % count($this->sent)];
            $this->post($n % 3 === 0 ? [$shot, $shot] : [$shot]);
        }
    }

    /**
     * @param  list<array{spin: int, trial: int, prompt: bool, body: array<string, mixed>}>  $shots
     * @return list<array<string, mixed>>
     */
    private function post(array $shots): array
    {
        $oursNow = floor($this->t + $this->ours);
        $sending =
            $this->tellsSending && $this->hasClock ? ['sentAt' => gmdate('Y-m-d\TH:i:s\Z', (int) ($this->t + $this->theirs))] : [];
        $answers = app(TakeShots::class)(
            $this->bay, Post::read((string) json_encode($sending + ['shots' => array_column($shots, 'body')])),
        );
        foreach ($answers as $i => $answer) {
            $this->check($shots[$i], $answer, $oursNow);
        }

        return $answers;
    }

    /** The answer is the one that the plain model gives. */
    private function check(array $shot, array $answer, float $oursNow): void
    {
        $session = $shot['body']['session'] ?? null;
        $before = array_values(array_filter($this->model, fn (array $m): bool => $m['spin'] === $shot['spin']));
        $last = end($before);
        $isAgain = $last !== false && ($session !== null || $oursNow - $last['cameS'] < 3600);
        if ($isAgain) {
            expect(array_slice($answer, 0, 4))->toBe(array_slice($last['answer'], 0, 4));
        } elseif ($last !== false) {
            expect($answer['status'])->toBe('held')->and($answer['reason'])->toContain('It equals');
        } else {
            expect($answer['status'])->toBe('stored');
        }
        if ($answer['status'] === 'stored') {
            expect(
                (int) json_decode((string) DB::table('shots')->where('id', $answer['shot'])->value('measured'), true)['spinRpm'],
            )->toBe($shot['spin']);
        }
        if (! $isAgain) {
            $this->model[] = [
                'id' => $shot['body']['id'], 'session' => $session, 'spin' => $shot['spin'], 'cameS' => $oursNow,
                'answer' => $answer,
            ];
        }
    }

    /** @return array<int, list<array{trial: int, flags: list<string>}>> what is on record, by spin */
    public function onRecord(): array
    {
        $found = [];
        foreach (DB::table('shots')->where('fitting_id', $this->fitting)->get(['measured', 'trial_id', 'setup_id', 'flags']) as $row) {
            expect((int) $row->setup_id)->toBe((int) DB::table('trials')->where('id', $row->trial_id)->value('setup_id'));
            $found[(int) json_decode($row->measured, true)['spinRpm']][] = [
                'trial' => (int) $row->trial_id, 'flags' => json_decode($row->flags, true),
            ];
        }
        ksort($found);

        return $found;
    }

    /**
     * Holds what is on record against what was really hit.
     *
     * @param  string  $of  how the stream came about, for whoever reads a failure
     * @return array{int, int, int} shots that came late, were moved to their trial, and are flagged
     */
    public function judged(string $of): array
    {
        $late = $moved = $flagged = 0;
        $record = $this->onRecord();
        $wrong = fn (string $why, int $spin): string => "{$why}: spin {$spin}{$of}";
        expect(array_keys($record))->toBe(array_keys($this->truth))
            ->and($this->acknowledged)->toBe(count($this->truth));
        foreach ($this->truth as $spin => $truth) {
            expect($record[$spin])->toHaveCount(1, $wrong('on record twice', $spin));
            $isRight = $record[$spin][0]['trial'] === $truth['trial'];
            // What came at once is where it was hit, whatever the clocks say; what came late is, or is flagged.
            $truth['prompt']
                ? expect($isRight)->toBeTrue($wrong('moved', $spin))
                : expect($isRight || $record[$spin][0]['flags'] !== [])->toBeTrue($wrong('misplaced in silence', $spin));
            $late += (int) ! $truth['prompt'];
            $moved += (int) ($isRight && str_starts_with($record[$spin][0]['flags'][0] ?? '', 'Came late'));
            $flagged += (int) ($record[$spin][0]['flags'] !== []);
        }
        expect(
            DB::table('held_shots')
                ->where('fitting_id', $this->fitting)->orderBy('id')->get()
                ->map(fn (stdClass $h): string => "{$h->sender_id} ".json_decode($h->body, true)['values']['spinRpm'])
                ->all(),
        )->toBe($this->modelHolds());

        return [$late, $moved, $flagged];
    }

    /** @return list<string> */
    public function modelHolds(): array
    {
        return array_values(
            array_map(
                fn (array $m): string => "{$m['id']} {$m['spin']}",
                array_filter($this->model, fn (array $m): bool => $m['answer']['status'] === 'held'),
            ),
        );
    }
}
