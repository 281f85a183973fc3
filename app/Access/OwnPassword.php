<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;

/** Asks somebody who is signed in for their password again; guessing at it counts as at a sign-in. */
final readonly class OwnPassword
{
    public function __construct(private SignInThrottle $throttle)
    {
    }

    /** @throws ValidationException under the name of the field that it was typed in */
    public function require(Request $request, User $user, string $password, string $field): void
    {
        $identity = SignInThrottle::identity($user, $user->email);
        $device = SignIns::device($request, $user);
        $this->throttle->requireAllowance($request, $identity, $device);
        if (! Hash::check($password, $user->password)) {
            $this->throttle->failed($request, $identity, $device);
            throw ValidationException::withMessages([$field => 'This is not your password.']);
        }
        $this->throttle->succeeded($identity, $device);
    }
}
