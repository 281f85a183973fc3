<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A delivered club on gauge and balance.
 *
 * @property int $id
 * @property int $order_id
 * @property array<string, mixed> $figures
 * @property array<string, mixed> $typed
 * @property string $source measured, or simulated by a stand-in
 * @property array<string, mixed> $report
 * @property int $read_by
 * @property Carbon|null $accepted_at
 * @property string $why taken although it is out of tolerance
 * @property Carbon $created_at
 * @property-read User $fitter
 */
final class Acceptance extends Model
{
    use BelongsToStudio, Journaled;

    protected $guarded = [];

    protected $attributes = ['why' => '', 'source' => 'measured'];

    protected function casts(): array
    {
        return ['figures' => 'array', 'typed' => 'array', 'report' => 'array', 'accepted_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function fitter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'read_by');
    }
}
