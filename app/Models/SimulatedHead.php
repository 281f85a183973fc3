<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What the stand-in devices find on a made-up head. Apart from the heads, and never sent to a screen.
 *
 * @property int $head_id
 * @property array{loftDeg: float, lieDeg: float, faceOpenDeg: float, massG: float} $truth
 */
final class SimulatedHead extends Model
{
    protected $primaryKey = 'head_id';

    public $incrementing = false;

    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['truth' => 'array'];
    }
}
