<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\SignIn;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A session is ended by whose it is. */
final class SignInPolicy
{
    public function end(User $user, SignIn $signIn): Response
    {
        return $signIn->user_id === $user->id ? Response::allow() : Response::denyAsNotFound();
    }
}
