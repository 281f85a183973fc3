<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Role;
use App\Models\Bay;
use App\Models\Fitting;
use App\Models\User;
use Illuminate\Auth\Access\Response;
use Illuminate\Database\Eloquent\Model;

/** Every record belongs to a studio; only its own fitters may see or change it. Others are told that it is not there. */
final class StudioPolicy
{
    public function use(User $user, Model $record): Response
    {
        $isOurs = $record->getAttribute('studio_id') === $user->studio_id;
        // A guest screen sees the fitting that is in its bay now.
        $isSeen = $user->role !== Role::Guest
            || ($record instanceof Fitting && Bay::query()->whereKey($user->bay_id)->where('fitting_id', $record->id)->exists());

        // What belongs to a fitting that was thrown away is out of sight with it.
        $fittingId = $record->getAttributes()['fitting_id'] ?? null;
        $isThere = $record instanceof Bay || $fittingId === null || Fitting::query()->whereKey($fittingId)->exists();

        return $isOurs && $isSeen && $isThere ? Response::allow() : Response::denyAsNotFound();
    }
}
