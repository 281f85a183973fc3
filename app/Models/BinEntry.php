<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * Something that was thrown away, and can come back for a day.
 *
 * @property int $id
 * @property int $studio_id
 * @property int $user_id
 * @property string $words
 * @property array<string, list<int>> $items ids by table
 * @property Carbon $until
 * @property Carbon|null $restored_at
 * @property Carbon|null $emptied_at
 * @property Carbon $created_at
 * @property-read User $user
 */
final class BinEntry extends Model
{
    use BelongsToStudio;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['items' => 'array', 'until' => 'datetime', 'restored_at' => 'datetime', 'emptied_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
