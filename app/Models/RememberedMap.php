<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;

/**
 * How a studio reads files with a certain header.
 *
 * @property string $signature
 * @property array<string, mixed> $map
 */
final class RememberedMap extends Model
{
    use BelongsToStudio;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['map' => 'array'];
    }
}
