<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * One sign-in: from where, with what, and whether it still stands.
 *
 * @property int $id
 * @property int $user_id
 * @property string $from
 * @property string $device
 * @property Carbon $seen_at
 * @property Carbon $ends_at
 * @property Carbon|null $locked_at
 * @property Carbon|null $ended_at
 * @property string|null $ended_why
 * @property Carbon $created_at
 * @property-read User $user
 */
final class SignIn extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return ['seen_at' => 'datetime', 'ends_at' => 'datetime', 'locked_at' => 'datetime', 'ended_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function stands(): bool
    {
        return $this->ended_at === null && $this->ends_at->isFuture();
    }
}
