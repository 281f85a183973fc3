<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A brief that was changed after it had been agreed: what stood before, what after, and why.
 *
 * @property int $id
 * @property int $fitting_id
 * @property array<string, mixed> $before
 * @property array<string, mixed> $after
 * @property string $why
 * @property int $changed_by
 * @property Carbon $created_at
 * @property-read User $fitter
 */
final class BriefChange extends Model
{
    use BelongsToStudio, Journaled;

    public const UPDATED_AT = null;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['before' => 'array', 'after' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function fitter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'changed_by');
    }
}
