<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use MintCarry\Core\Club\Hand;

/**
 * @property int $id
 * @property string $name
 * @property Hand $hand
 * @property array{speed: string, distance: string, height: string, length: string} $units
 */
final class Player extends Model
{
    use BelongsToStudio;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['hand' => Hand::class, 'units' => 'array'];
    }
}
