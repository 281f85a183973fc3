<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Contracts\Events\Dispatcher;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Sleep;
use PDOException;
use Throwable;

/**
 * All of it or nothing, and again where the database refused because somebody else was writing the same rows.
 * Nothing in `app` opens a transaction in another way.
 */
final class Transaction
{
    public const TRIES = 6;

    /** Error numbers of MariaDB: lock wait timeout, deadlock, row changed since it was read. */
    private const CONFLICTS = [1205, 1213, 1020];

    /**
     * Records that were written at this try, as they were before: a record that thinks its change is kept would not
     * write it again.
     *
     * @var array<int, array{Model, bool, array<string, mixed>}>
     */
    private static array $before = [];

    /** What the database says at the first try of each transaction, after everything was done: tests set it. */
    public static ?PDOException $rehearsal = null;

    /**
     * Inside another transaction it is part of that one: only the outermost is tried again, for a deadlock has
     * rolled all of it back.
     *
     * @template T
     *
     * @param  Closure(): T  $do  may run several times, and must change nothing but the database
     * @return T
     *
     * @throws Throwable whatever `$do` throws; Conflicted where others were quicker at every try: nothing was changed
     */
    public static function run(Closure $do): mixed
    {
        if (self::isOpen()) {
            return DB::transaction($do);
        }
        $began = microtime(true);
        // Whoever waits for an answer is told of the conflict after this time; a long write has a second try all the same.
        $patienceS = (float) config('mintcarry.patience_s');
        for ($try = 1; ; $try++) {
            self::$before = [];
            try {
                return DB::transaction($try === 1 && self::$rehearsal !== null ? self::refusedOnce($do, self::$rehearsal) : $do);
            } catch (Throwable $e) {
                self::forgetWhatWasUndone();
                if (! self::isConflict($e)) {
                    throw $e;
                }
                if ($try === self::TRIES || ($try > 1 && microtime(true) - $began > $patienceS)) {
                    throw new Conflicted($e, $try);
                }
                // Two that met once must not meet again: the wait doubles, and half of it is chance.
                $waitMs = 4 * 2 ** $try;
                Sleep::for(random_int(intdiv($waitMs, 2), $waitMs))->milliseconds();
            }
        }
    }

    /**
     * Does something in full and keeps it, or keeps nothing of it: what it would come to is known either way.
     *
     * @template T
     *
     * @param  Closure(): T  $do
     * @return T
     */
    public static function lookOrKeep(Closure $do, bool $keep): mixed
    {
        if ($keep) {
            return self::run($do);
        }
        try {
            return self::run(fn () => throw new OnlyALook($do()));
        } catch (OnlyALook $look) {
            return $look->found;
        }
    }

    /** Whether the database refused because of what others were writing at the same moment. */
    public static function isConflict(Throwable $e): bool
    {
        for ($cause = $e; $cause !== null; $cause = $cause->getPrevious()) {
            if ($cause instanceof Conflicted) {
                return true;
            }
        }
        if (DatabaseSays::oneOf($e, self::CONFLICTS)) {
            return true;
        }

        return $e instanceof QueryException && preg_match('/\b(1205|1213)\b/', $e->getMessage()) === 1;
    }

    /** Once for each application that is made: from then on, what is written in a transaction is known. */
    public static function watch(Dispatcher $events): void
    {
        $events->listen(['eloquent.saving: *', 'eloquent.deleting: *'], static function (string $event, array $of): void {
            $model = $of[0];
            if ($model instanceof Model && self::isOpen()) {
                self::$before[spl_object_id($model)] ??= [
                    $model, $model->exists, $model->exists ? $model->getRawOriginal() : $model->getAttributes(),
                ];
            }
        });
    }

    private static function forgetWhatWasUndone(): void
    {
        foreach (self::$before as [$model, $existed, $values]) {
            $model->exists = $existed;
            $model->setRawAttributes($values, $existed);
        }
    }

    /**
     * @template T
     *
     * @param  Closure(): T  $do
     * @return Closure(): T
     */
    private static function refusedOnce(Closure $do, PDOException $refusal): Closure
    {
        return function () use ($do, $refusal): never {
            $do();
            throw $refusal;
        };
    }

    /** A test keeps one transaction open around all: that one is not ours. */
    private static function isOpen(): bool
    {
        return DB::transactionLevel() > (int) config('mintcarry.transactions_around', 0);
    }
}
