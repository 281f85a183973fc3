<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use MintCarry\Core\Club\Shaft;

/**
 * A shaft, grip or ball on the rack.
 *
 * @property int $id
 * @property string $kind shaft, grip or ball
 * @property string $label
 * @property array<string, mixed> $data shaft: rawMassG, cutMassG, balanceFromButtMm, torqueDeg, lengthMm, and as its
 *   maker states them flex, tip, launch; grip: massG; ball: build, dragFactor, liftFactor, factorsFrom
 * @property array<string, mixed> $supply
 * @property Carbon|null $retired_at
 */
final class Part extends Model
{
    use BelongsToStudio;

    public const KINDS = ['shaft', 'grip', 'ball'];

    protected $guarded = [];

    protected function casts(): array
    {
        return ['data' => 'array', 'supply' => 'array', 'retired_at' => 'datetime'];
    }

    public function number(string $key): ?float
    {
        return isset($this->data[$key]) ? (float) $this->data[$key] : null;
    }

    /** A shaft of the rack as it sits in a club of this length; with none, a usual one. */
    public static function shaftInClub(?self $shaft, float $playingLengthMm): Shaft
    {
        return Shaft::inClub(
            $playingLengthMm, $shaft?->number('cutMassG'), $shaft?->number('rawMassG'), $shaft?->number('balanceFromButtMm'),
            $shaft?->number('lengthMm'),
        );
    }
}
