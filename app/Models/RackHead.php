<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\HeadReadings;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Club\WeightSlot;

/**
 * A physical head on the rack. Mass, CG and inertia are those of the head with its standard weights in; what nobody told is the
 * preset's and called assumed.
 *
 * @property int $id
 * @property string $label
 * @property string $maker
 * @property Hand $hand
 * @property string $type preset for what is unknown
 * @property int|null $sleeve_id
 * @property float $stated_loft_deg
 * @property float $stated_lie_deg
 * @property float $stated_face_open_deg
 * @property float|null $volume_cm3
 * @property float|null $mass_g
 * @property float|null $cg_toe_mm
 * @property float|null $cg_back_mm
 * @property float|null $cg_up_mm
 * @property float|null $bulge_mm
 * @property float|null $roll_mm
 * @property array{array{float, float, float}, array{float, float, float}, array{float, float, float}}|null $inertia_gcm2
 * @property list<array<string, mixed>> $slots
 * @property list<float> $stock_g
 * @property array<string, float> $standard masses by slot, as the head comes
 * @property array<string, mixed> $supply
 * @property string $note
 * @property Carbon|null $retired_at
 * @property-read Sleeve|null $sleeve
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Reading> $readings
 */
final class RackHead extends Model
{
    use BelongsToStudio;

    protected $table = 'heads';

    protected $guarded = [];

    protected function casts(): array
    {
        return [
            'hand' => Hand::class, 'inertia_gcm2' => 'array', 'slots' => 'array', 'stock_g' => 'array', 'standard' => 'array',
            'supply' => 'array', 'retired_at' => 'datetime', 'stated_loft_deg' => 'float', 'stated_lie_deg' => 'float',
            'stated_face_open_deg' => 'float', 'volume_cm3' => 'float', 'mass_g' => 'float', 'cg_toe_mm' => 'float',
            'cg_back_mm' => 'float', 'cg_up_mm' => 'float', 'bulge_mm' => 'float', 'roll_mm' => 'float',
        ];
    }

    /** @return BelongsTo<Sleeve, $this> */
    public function sleeve(): BelongsTo
    {
        return $this->belongsTo(Sleeve::class);
    }

    /** @return HasMany<Reading, $this> */
    public function readings(): HasMany
    {
        return $this->hasMany(Reading::class, 'head_id')->orderBy('id');
    }

    /** @return HasMany<Setup, $this> */
    public function setups(): HasMany
    {
        return $this->hasMany(Setup::class, 'head_id');
    }

    public function stated(): HeadReading
    {
        return new HeadReading($this->stated_loft_deg, $this->stated_lie_deg, $this->stated_face_open_deg);
    }

    public function system(): SleeveSystem
    {
        return $this->sleeve?->system($this->stated()) ?? SleeveSystem::fixed();
    }

    /**
     * Of each quantity, the reading that is in force.
     *
     * @return array<string, Reading>
     */
    public function readingsInForce(): array
    {
        $out = [];
        foreach ($this->readings as $reading) {
            foreach (array_filter($reading->values) as $quantity => $values) {
                $out[$quantity] = $reading;
            }
        }

        return $out;
    }

    /**
     * What the rack says of sleeve and print today: a setup that is built now keeps it.
     *
     * @return array{sleeve: array<string, mixed>|null, home: string, stated: array{loftDeg: float, lieDeg: float, faceOpenDeg: float}}
     */
    public function snapshot(): array
    {
        return [
            'sleeve' => $this->sleeve?->spec, 'home' => $this->system()->home,
            'stated' => [
                'loftDeg' => $this->stated_loft_deg, 'lieDeg' => $this->stated_lie_deg,
                'faceOpenDeg' => $this->stated_face_open_deg,
            ],
        ];
    }

    /** The head as the core takes it, with its readings. */
    public function racked(): RackedHead
    {
        return new RackedHead(
            $this->label, $this->hand, $this->stated(), $this->system(), $this->type, $this->mass_g, $this->cg_toe_mm,
            $this->cg_back_mm, $this->cg_up_mm, $this->bulge_mm, $this->roll_mm, $this->inertia_gcm2, $this->weightSlots(),
            array_map(floatval(...), $this->stock_g), array_map(floatval(...), $this->standard),
            array_values($this->readings->map(fn (Reading $r) => $r->set())->all()), $this->supply, $this->retired_at !== null,
        );
    }

    public function gauged(): HeadReadings
    {
        return $this->racked()->gauged();
    }

    /** @return list<WeightSlot> */
    public function weightSlots(): array
    {
        return array_map(
            static fn (array $s): WeightSlot => new WeightSlot(
                (string) $s['name'], (float) $s['toeMm'], (float) $s['backMm'], (float) $s['upMm'], (float) ($s['fromG'] ?? 0),
                (float) ($s['toG'] ?? 40), (bool) ($s['mayBeEmpty'] ?? true),
            ),
            $this->slots,
        );
    }

    /** The head as it comes, with its standard weights, at its measured loft and mass where there are readings. */
    public function body(): Head
    {
        return $this->racked()->body();
    }

    /**
     * A new head with what nobody told left at its defaults; refused when geometry, weights or a rigid body cannot be so.
     *
     * @param  array<string, mixed>  $columns
     */
    public static function begin(int $studioId, array $columns): self
    {
        $head = new self(
            $columns + [
                'studio_id' => $studioId, 'type' => 'middle', 'stated_lie_deg' => 58.0, 'stated_face_open_deg' => 0.0,
                'slots' => [], 'stock_g' => [], 'standard' => [], 'supply' => [],
            ],
        );
        $head->requireSound();

        return $head;
    }

    /** Refuses what geometry, weights or a rigid body cannot be, before it is kept. */
    public function requireSound(): void
    {
        $this->racked()->requireSound();
    }

    /**
     * The head with other weights in than those it comes with.
     *
     * @param  array<string, float>  $masses  by slot
     */
    public function bodyWith(array $masses): Head
    {
        return $this->racked()->bodyWith($masses);
    }

    /** @return list<string> what is taken from the preset because nobody told it */
    public function assumed(): array
    {
        return $this->racked()->assumed();
    }
}
