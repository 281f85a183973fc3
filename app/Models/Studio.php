<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $name
 * @property bool $is_demo
 */
final class Studio extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return ['is_demo' => 'boolean'];
    }
}
