<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Illuminate\Validation\Rule;
use MintCarry\Core\Club\Hand;

/**
 * @property int $id
 * @property string $name
 * @property Hand $hand
 * @property string|null $language of what they read; null: nobody said
 * @property Carbon|null $erased_at its name and words were taken out
 * @property array{speed: string, distance: string, height: string, length: string} $units
 */
final class Player extends Model
{
    use BelongsToStudio, Journaled, SoftDeletes;

    /** Thrown away, and out of sight; `Data\Bin` brings it back. */
    public const DELETED_AT = 'binned_at';

    /** Units that a player can read in. */
    public const UNITS = ['speed' => ['mph', 'm/s', 'km/h'], 'distance' => ['yd', 'm'], 'height' => ['ft', 'm'], 'length' => ['in', 'mm']];

    public const USUAL_UNITS = ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'];

    /** @return array<string, list<mixed>> how a choice of units is checked */
    public static function unitRules(): array
    {
        $rules = ['units' => ['sometimes', 'array']];
        foreach (self::UNITS as $kind => $names) {
            $rules["units.{$kind}"] = ['required_with:units', Rule::in($names)];
        }

        return $rules;
    }

    protected $guarded = [];

    protected function casts(): array
    {
        return ['hand' => Hand::class, 'units' => 'array', 'erased_at' => 'datetime'];
    }
}
