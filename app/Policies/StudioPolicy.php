<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;
use Illuminate\Auth\Access\Response;
use Illuminate\Database\Eloquent\Model;

/** Every record belongs to a studio; only its own fitters may see or change it. Others are told that it is not there. */
final class StudioPolicy
{
    public function use(User $user, Model $record): Response
    {
        return $record->getAttribute('studio_id') === $user->studio_id ? Response::allow() : Response::denyAsNotFound();
    }
}
