<?php

declare(strict_types=1);

namespace App\Actions;

use App\Journal\Journal;
use App\Models\Bay;
use App\Models\Fitting;
use App\Models\HeldShot;
use App\Models\User;
use App\Support\Transaction;
use Closure;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use stdClass;

/**
 * Settles a held shot, once: takes it into the fitting and the trial that it came in, or discards it. Either way what the monitor sent
 * stays on record.
 */
final readonly class SettleHeldShot
{
    private const STAYS = 'The shot stays in the tray.';

    public function __construct(private TakeShots $take, private Journal $journal)
    {
    }

    /**
     * What it became is a shot like any other: it can be left out, not taken back.
     *
     * @param  array<mixed>  $values  put right
     * @return int its number
     */
    public function take(HeldShot $held, User $user, array $values): int
    {
        return $this->locked($held, function (HeldShot $held, Fitting $fitting) use ($user, $values): int {
            [$of, $row] = TakeShots::inTrial($fitting->id, $held->fitting_id === null ? null : $held->trial_id);
            if ($row->trial === null) {
                $says = 'No trial is running: say which setup is in the hand first. '.self::STAYS;
                throw ValidationException::withMessages(['held' => $says]);
            }
            $sequence = fn (int $shot): int => (int) DB::table('shots')->where('id', $shot)->value('sequence');

            return $this->journal->record($fitting, $user, fn (int $shot): string => "took a held shot as shot {$sequence($shot)}",
                fn (): int => $this->become($held, $of, $row, $user, $values));
        });
    }

    /** @param  array<mixed>  $values */
    private function become(HeldShot $held, Fitting $of, stdClass $row, User $user, array $values): int
    {
        [$shot, $why] = $this->take->putRight($held, $of, $row, $values);
        if ($shot === null) {
            throw ValidationException::withMessages(['values' => "{$why}. ".self::STAYS]);
        }
        // Not written down as a change: to take it back would leave a shot on record and the same one in the tray.
        $settled = ['settled_at' => now(), 'settled_how' => 'taken', 'settled_by' => $user->id, 'shot_id' => $shot, 'updated_at' => now()];
        DB::table('held_shots')->where('id', $held->id)->update($settled);

        return $shot;
    }

    /** The log can take it back. */
    public function discard(HeldShot $held, User $user): void
    {
        $settled = ['settled_at' => now(), 'settled_how' => 'discarded', 'settled_by' => $user->id];
        $this->locked($held, fn (HeldShot $held, Fitting $fitting): bool => $this->journal->record($fitting, $user,
            "discarded a held shot: {$held->reason}", fn (): bool => $held->update($settled)));
    }

    /**
     * Locks in the order in which a monitor's post locks: the bay, then the rest. Where nobody was in the bay when it came, its fitting
     * is the one that is there now.
     *
     * @template T
     *
     * @param  Closure(HeldShot, Fitting): T  $settle
     * @return T
     */
    private function locked(HeldShot $held, Closure $settle): mixed
    {
        return Transaction::run(function () use ($held, $settle): mixed {
            $bay = Bay::query()->lockForUpdate()->findOrFail($held->bay_id);
            $now = HeldShot::query()->lockForUpdate()->findOrFail($held->id);
            if ($now->settled_at !== null) {
                throw ValidationException::withMessages(['held' => "This shot has been {$now->settled_how} already."]);
            }
            $fitting = Fitting::query()->whereKey($now->fitting_id ?? $bay->fitting_id)->first();
            if ($fitting === null) {
                $says = 'No fitting is in this bay: bring one in first. '.self::STAYS;
                throw ValidationException::withMessages(['held' => $says]);
            }

            return $settle($now, $fitting);
        });
    }
}
