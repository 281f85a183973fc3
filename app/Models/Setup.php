<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\SleeveChange;

/**
 * @property int $id
 * @property int $fitting_id
 * @property string $tag
 * @property int $position
 * @property bool $is_baseline
 * @property int|null $branched_from_id
 * @property string $head
 * @property float $stated_loft_deg
 * @property float|null $measured_loft_deg
 * @property float|null $measured_lie_deg
 * @property float|null $measured_face_open_deg
 * @property string $sleeve_label
 * @property float|null $sleeve_loft_deg
 * @property float|null $sleeve_face_open_deg
 * @property float|null $sleeve_lie_deg
 * @property string $weights
 * @property string $shaft
 * @property float|null $length_mm
 * @property string $ball
 * @property string $note
 * @property array<string, mixed> $typed
 * @property int|null $shots_count
 * @property int|null $counted_count
 * @property-read Fitting $fitting
 */
final class Setup extends Model
{
    use BelongsToStudio;

    public const USUAL_LIE_DEG = 58.0;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['typed' => 'array', 'is_baseline' => 'boolean', 'stated_loft_deg' => 'float', 'measured_loft_deg' => 'float', 'measured_lie_deg' => 'float', 'measured_face_open_deg' => 'float',
            'sleeve_loft_deg' => 'float', 'sleeve_face_open_deg' => 'float', 'sleeve_lie_deg' => 'float', 'length_mm' => 'float'];
    }

    /** @return BelongsTo<Fitting, $this> */
    public function fitting(): BelongsTo
    {
        return $this->belongsTo(Fitting::class);
    }

    /** @return HasMany<Shot, $this> */
    public function shots(): HasMany
    {
        return $this->hasMany(Shot::class)->orderBy('sequence');
    }

    /** What the head presents, from the gauge where it was read and from the print where not. */
    public function playing(AddressHabit $habit): PlayingGeometry
    {
        return PlayingGeometry::of(
            new HeadReading($this->measured_loft_deg ?? $this->stated_loft_deg, $this->measured_lie_deg ?? self::USUAL_LIE_DEG, $this->measured_face_open_deg ?? 0.0),
            new SleeveChange($this->sleeve_loft_deg, $this->sleeve_face_open_deg, $this->sleeve_lie_deg),
            $habit,
        );
    }
}
