<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * Who did what when in a fitting or, without one, in the studio, with the rows that changed by it.
 *
 * @property int $id
 * @property int|null $fitting_id
 * @property int|null $user_id null: the player, by a link
 * @property string $words
 * @property list<array{table: string, id: int, before: array<string, mixed>|null, after: array<string, mixed>|null}> $changes
 * @property int|null $undo_of the entry that this one took back
 * @property Carbon|null $undone_at
 * @property Carbon $created_at
 * @property-read User|null $user
 */
final class LogEntry extends Model
{
    use BelongsToStudio;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['changes' => 'array', 'undone_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** Who did it, in words. */
    public function by(): string
    {
        return $this->user->name ?? 'the player, by link';
    }
}
