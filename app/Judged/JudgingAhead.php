<?php

declare(strict_types=1);

namespace App\Judged;

use App\Models\Fitting;

/**
 * Has fittings judged before anybody asks, by the worker that bin/start runs. What is looked at goes before what is not. One for each
 * request.
 */
final class JudgingAhead
{
    /** In the order in which the worker takes them. */
    public const QUEUES = ['looked', 'hit', 'further'];

    /** A worker that was not heard of for so long is missing. It says nothing while it judges. */
    private const MISSING_AFTER_S = 60;

    private const LOOKED_FOR_S = 60;

    /** @var array<int, Fitting> by id: what changed in this request */
    private array $changed = [];

    public function ask(Fitting $fitting, bool $isFurther = false): void
    {
        $queue = match (true) {
            $isFurther => 'further', $this->isLookedAt($fitting) => 'looked', default => 'hit',
        };
        JudgeFitting::dispatch($fitting->id, $isFurther)->onQueue($queue);
    }

    /**
     * After a change: asked for once the answer to it was sent. Where somebody looks, their screen asks a moment later; then a posted shot
     * does not wait for the queue's locks.
     */
    public function changed(Fitting $fitting): void
    {
        if ($this->isWorked() && ! $this->isLookedAt($fitting)) {
            $this->changed[$fitting->id] = $fitting;
        }
    }

    /** The answer was sent. */
    public function sent(): void
    {
        [$changed, $this->changed] = [$this->changed, []];
        foreach ($changed as $fitting) {
            rescue(fn () => $this->ask($fitting));
        }
    }

    /** Somebody looks at its judgement now. */
    public function look(Fitting $fitting): void
    {
        @touch(self::lookedAt($fitting));
    }

    /** Whether somebody did within the last minute. */
    public function isLookedAt(Fitting $fitting): bool
    {
        return self::isRecent(self::lookedAt($fitting), self::LOOKED_FOR_S);
    }

    /** Whether a worker is there. */
    public function isWorked(): bool
    {
        return self::isRecent(self::pulse(), self::MISSING_AFTER_S);
    }

    /** The worker is there: said at every turn of its loop. */
    public static function beat(): void
    {
        @touch(self::pulse());
    }

    private static function lookedAt(Fitting $fitting): string
    {
        return storage_path('framework/cache/looked-'.self::place()."-{$fitting->id}");
    }

    /** Several databases may be served from one folder. */
    public static function place(): string
    {
        return (string) config('database.connections.mariadb.database');
    }

    private static function isRecent(string $file, int $withinS): bool
    {
        clearstatcache(true, $file);

        return is_file($file) && abs(time() - (int) filemtime($file)) < $withinS;
    }

    private static function pulse(): string
    {
        return storage_path('framework/judging-'.self::place());
    }
}
