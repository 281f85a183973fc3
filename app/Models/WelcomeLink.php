<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Secret;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A link that lets somebody in once: to choose a first password, a new one, or to open a guest screen. Only its hash is kept.
 *
 * @property int $id
 * @property int $user_id
 * @property int|null $made_by
 * @property string $kind
 * @property string $token_hash
 * @property Carbon $ends_at
 * @property Carbon|null $used_at
 * @property-read User $user
 */
final class WelcomeLink extends Model
{
    public const HOURS = ['invitation' => 72, 'reset' => 2, 'screen' => 24];

    protected $guarded = [];

    protected $hidden = ['token_hash'];

    protected function casts(): array
    {
        return ['ends_at' => 'datetime', 'used_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** The token of a new link for somebody; links that they had before open nothing any more. */
    public static function renew(User $for, ?User $by, string $kind): string
    {
        $token = Secret::make();
        self::query()->where('user_id', $for->id)->whereNull('used_at')->delete();
        self::query()->create([
            'user_id' => $for->id, 'made_by' => $by?->id, 'kind' => $kind, 'token_hash' => hash('sha256', $token),
            'ends_at' => now()->addHours(self::HOURS[$kind]),
        ]);

        return $token;
    }

    public static function open(string $token): ?self
    {
        return self::query()->with('user.studio')->where('token_hash', hash('sha256', $token))->whereNull('used_at')
            ->where('ends_at', '>', now())->whereRelation('user', 'removed_at', null)->first();
    }
}
