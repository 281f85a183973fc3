<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A secret address at which a calendar program finds a person's appointments. Only its hash is kept.
 *
 * @property int $id
 * @property int $user_id
 * @property string $token_hash
 * @property Carbon|null $revoked_at
 * @property Carbon $created_at
 * @property-read User $user
 */
final class CalendarFeed extends Model
{
    use BelongsToStudio;

    protected $guarded = [];

    protected $hidden = ['token_hash'];

    protected function casts(): array
    {
        return ['revoked_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public static function of(User $user): ?self
    {
        return self::query()->where('user_id', $user->id)->whereNull('revoked_at')->first();
    }

    public static function open(string $token): ?self
    {
        return self::query()->with('user.studio')->where('token_hash', hash('sha256', $token))->whereNull('revoked_at')
            ->whereRelation('user', 'removed_at', null)->first();
    }
}
