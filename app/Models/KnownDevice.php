<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A device that signed in to an account before; only the hash of what it carries is kept.
 *
 * @property int $id
 * @property int $user_id
 * @property string $token_hash
 * @property Carbon $seen_at
 */
final class KnownDevice extends Model
{
    protected $guarded = [];

    protected $hidden = ['token_hash'];

    protected function casts(): array
    {
        return ['seen_at' => 'datetime'];
    }
}
