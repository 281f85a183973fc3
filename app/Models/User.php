<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * A fitter.
 *
 * @property int $id
 * @property int $studio_id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property-read Studio $studio
 */
final class User extends Authenticatable
{
    use BelongsToStudio;

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token'];

    protected function casts(): array
    {
        return ['password' => 'hashed'];
    }
}
