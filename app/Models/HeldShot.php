<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A shot that a monitor sent and that could not be stored: kept whole, with the reason, until a fitter takes it or sets it aside.
 *
 * @property int $id
 * @property int $bay_id
 * @property int|null $fitting_id
 * @property int|null $trial_id
 * @property string $sender_id
 * @property int|null $sender_sequence
 * @property array<string, mixed> $body
 * @property string $reason
 * @property Carbon|null $settled_at
 * @property Carbon $created_at
 */
final class HeldShot extends Model
{
    use BelongsToStudio;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['body' => 'array', 'settled_at' => 'datetime'];
    }
}
