<?php

declare(strict_types=1);

namespace App\Models;

use App\Access\Role;
use App\Models\Concerns\BelongsToStudio;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Carbon;

/**
 * Somebody who signs in, or a screen that is signed in. One that was removed keeps its name on what it did.
 *
 * @property int $id
 * @property int $studio_id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property Role $role
 * @property int|null $bay_id of a guest screen
 * @property string|null $totp_secret base 32; in force from `totp_at`
 * @property Carbon|null $totp_at
 * @property int $totp_step the newest step of which a code was taken
 * @property list<string>|null $recovery_codes hashes
 * @property Carbon|null $password_at null: none chosen yet
 * @property Carbon|null $removed_at
 * @property-read Studio $studio
 */
final class User extends Authenticatable
{
    use BelongsToStudio;

    protected $guarded = [];

    protected $attributes = ['role' => 'fitter', 'totp_step' => 0];

    protected $hidden = ['password', 'remember_token', 'totp_secret', 'recovery_codes'];

    protected function casts(): array
    {
        return [
            'password' => 'hashed', 'role' => Role::class, 'totp_secret' => 'encrypted', 'totp_at' => 'datetime', 'totp_step' => 'integer',
            'recovery_codes' => 'array', 'password_at' => 'datetime', 'removed_at' => 'datetime',
        ];
    }
}
