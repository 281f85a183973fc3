<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;

/** Who is signed in, as every screen needs to know it. */
final class SignedInResource
{
    /** @return array<string, mixed> */
    public static function of(User $user, bool $wantsSecondFactor): array
    {
        return [
            'id' => $user->id, 'name' => $user->name, 'studio' => $user->studio->name, 'zone' => $user->studio->time_zone, 'isDemo' => $user->studio->is_demo,
            'takesSimulated' => $user->studio->takesSimulated(), 'role' => $user->role->value,
            'lockMinutes' => $user->studio->lock_minutes, 'wantsSecondFactor' => $wantsSecondFactor,
        ];
    }
}
