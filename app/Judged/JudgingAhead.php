<?php

declare(strict_types=1);

namespace App\Judged;

use App\Models\Fitting;
use Illuminate\Support\Facades\Cache;

/** Has fittings judged before anybody asks, by the worker that bin/start runs. What is looked at goes before what is not. */
final class JudgingAhead
{
    /** In the order in which the worker takes them. */
    public const QUEUES = ['looked', 'hit', 'further'];

    /** A worker that was not heard of for so long is missing. It says nothing while it judges. */
    private const MISSING_AFTER_S = 60;

    private const LOOKED_FOR_S = 180;

    public function ask(Fitting $fitting, bool $isFurther = false): void
    {
        $queue = match (true) {
            $isFurther => 'further', $this->isLookedAt($fitting) => 'looked', default => 'hit',
        };
        JudgeFitting::dispatch($fitting->id, $isFurther)->onQueue($queue);
    }

    /** After a change, once the answer to it was sent. */
    public function changed(Fitting $fitting): void
    {
        if ($this->isWorked()) {
            app()->terminating(function () use ($fitting): void {
                rescue(fn () => $this->ask($fitting));
            });
        }
    }

    /** Somebody looks at its judgement now. */
    public function look(Fitting $fitting): void
    {
        Cache::put("looked:{$fitting->id}", true, self::LOOKED_FOR_S);
    }

    /** Whether somebody did within the last minutes. */
    public function isLookedAt(Fitting $fitting): bool
    {
        return Cache::has("looked:{$fitting->id}");
    }

    /** Whether a worker is there. */
    public function isWorked(): bool
    {
        clearstatcache(true, self::pulse());

        return is_file(self::pulse()) && abs(time() - (int) filemtime(self::pulse())) < self::MISSING_AFTER_S;
    }

    /** The worker is there: said at every turn of its loop. */
    public static function beat(): void
    {
        @touch(self::pulse());
    }

    private static function pulse(): string
    {
        return storage_path('framework/judging-worker');
    }
}
