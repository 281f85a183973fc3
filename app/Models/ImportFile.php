<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;

/**
 * A launch file as it came, kept whole. `state`: draft (nothing stored yet), stored, set aside.
 *
 * @property int $id
 * @property int $fitting_id
 * @property string $name
 * @property string $sha256
 * @property string $raw
 * @property string $state
 * @property string|null $signature
 * @property array<string, mixed>|null $map
 * @property int $stored_shots
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property-read Fitting $fitting
 */
final class ImportFile extends Model
{
    use BelongsToStudio, SoftDeletes;

    /** Thrown away, and out of sight; `Data\Bin` brings it back. */
    public const DELETED_AT = 'binned_at';

    protected $guarded = [];

    protected $hidden = ['raw'];

    protected function casts(): array
    {
        return ['map' => 'array'];
    }

    /** @return BelongsTo<Fitting, $this> */
    public function fitting(): BelongsTo
    {
        return $this->belongsTo(Fitting::class);
    }
}
