<?php

declare(strict_types=1);

namespace App\Judged;

use App\Live\ChangeSignal;
use App\Models\Fitting;
use App\Support\Slots;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Sleep;

/**
 * Judges a fitting as it stands when the worker comes to it: one that waits serves every change until then. Of one fitting only one judgement
 * is in flight, held by a lock on a file, which ends with the worker.
 */
final class JudgeFitting implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    /** A shot seldom comes alone in the same moment: the worker waits until nothing came for so long. */
    private const QUIET_S = 0.2;

    private const MOST_QUIET_S = 1.0;

    public int $tries = 3;

    public int $timeout = 50;

    /** A worker that was killed frees its place by this time. */
    public int $uniqueFor = 30;

    public function __construct(public readonly int $fittingId, public readonly bool $isFurther = false)
    {
    }

    public function uniqueId(): string
    {
        return JudgingAhead::place()."-{$this->fittingId}-{$this->queue}";
    }

    /** The place that whoever judges a fitting holds. */
    public static function placeOf(Fitting $fitting): string
    {
        return 'judging-'.JudgingAhead::place()."-{$fitting->id}";
    }

    /** Files end with no connection, and cost a shot no write to the database. */
    public function uniqueVia(): Repository
    {
        return Cache::store((string) config('mintcarry.draws_store'));
    }

    public function handle(FittingJudge $judge, JudgementStore $store, Slots $slots, JudgingAhead $ahead): void
    {
        $fitting = Fitting::query()->find($this->fittingId);
        if ($fitting === null) {
            return;
        }
        $place = $slots->take(self::placeOf($fitting), 1);
        if ($place === null) {
            $this->release(1);

            return;
        }
        try {
            for ($waited = 0.0; $waited < self::MOST_QUIET_S && ChangeSignal::age($fitting) < self::QUIET_S; $waited += 0.05) {
                Sleep::usleep(50_000);
            }
            if (! $store->has($fitting, FittingState::of($fitting)->key, ...JudgedPart::allOf($this->isFurther))) {
                $judge->judge($fitting, $this->isFurther);
            }
        } finally {
            $slots->free($place);
        }
        ChangeSignal::judged($fitting);
        if (! $this->isFurther && $ahead->isLookedAt($fitting)) {
            $ahead->ask($fitting, isFurther: true);
        }
    }
}
