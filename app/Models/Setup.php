<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use MintCarry\Core\Club\ClubBuild;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\LengthPlan;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\SetupParts;
use MintCarry\Core\Club\SleeveChange;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Record\SetupRecord;

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
 * @property int|null $head_id head on the rack; null when it was only typed
 * @property array<string, mixed>|null $rack_snapshot what the rack said of head and sleeve when the setup was built
 * @property array<string, float>|null $masses weights by slot
 * @property int|null $shaft_id
 * @property int|null $grip_id
 * @property int|null $ball_id
 * @property float|null $tee_mm
 * @property float|null $swing_weight_points measured on the balance, points above A0
 * @property string $swing_weight_source measured, or simulated by a stand-in
 * @property string $cue
 * @property array<string, mixed> $typed
 * @property string $shelf empty, parked or dropped
 * @property string $shelf_reason
 * @property bool $starred
 * @property array<string, float>|null $length_plan how it is brought to another length, for the workshop (`LengthPlan`)
 * @property int|null $shots_count
 * @property int|null $counted_count
 * @property int|null $simulated_count
 * @property-read Fitting $fitting
 * @property-read RackHead|null $rackHead
 * @property-read Part|null $shaftPart
 * @property-read Part|null $gripPart
 */
final class Setup extends Model
{
    use BelongsToStudio, Journaled;

    public const USUAL_GRIP_G = 50.0;

    public const SHELVES = ['', 'parked', 'dropped'];

    /** What is loaded with a setup that is to be judged or hit with (`record`). */
    public const MADE_OF = ['rackHead.readings', 'rackHead.sleeve', 'shaftPart', 'gripPart'];

    protected $guarded = [];

    protected $attributes = ['starred' => false];

    protected function casts(): array
    {
        return [
            'typed' => 'array', 'is_baseline' => 'boolean', 'starred' => 'boolean', 'stated_loft_deg' => 'float',
            'measured_loft_deg' => 'float', 'measured_lie_deg' => 'float', 'measured_face_open_deg' => 'float',
            'rack_snapshot' => 'array', 'masses' => 'array', 'length_plan' => 'array', 'tee_mm' => 'float',
            'swing_weight_points' => 'float',
            'sleeve_loft_deg' => 'float', 'sleeve_face_open_deg' => 'float', 'sleeve_lie_deg' => 'float', 'length_mm' => 'float',
        ];
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

    /** @return BelongsTo<RackHead, $this> */
    public function rackHead(): BelongsTo
    {
        return $this->belongsTo(RackHead::class, 'head_id');
    }

    /** @return BelongsTo<Part, $this> */
    public function shaftPart(): BelongsTo
    {
        return $this->belongsTo(Part::class, 'shaft_id');
    }

    /** @return BelongsTo<Part, $this> */
    public function gripPart(): BelongsTo
    {
        return $this->belongsTo(Part::class, 'grip_id');
    }

    /** The setup as the core takes it. Its relations to the rack are to be loaded. */
    public function record(bool $weighed = true): SetupRecord
    {
        $racked = $this->head_id === null ? null : $this->rackHead?->racked();
        // A setup that is not saved yet has no texts.
        [$tag, $head, $sleeve, $weights, $shaft, $ball, $cue] = array_map(
            fn (string $column): string => (string) $this->getAttribute($column),
            ['tag', 'head', 'sleeve_label', 'weights', 'shaft', 'ball', 'cue'],
        );

        return new SetupRecord(
            $tag, $head, $racked, $racked === null ? null : $this->sleeveSystem(), $sleeve,
            array_map(floatval(...), $this->masses ?? ($racked->standard ?? [])), $weights,
            $racked !== null
                ? null
                : new HeadReading(
                    $this->measured_loft_deg ?? $this->stated_loft_deg, $this->measured_lie_deg ?? SetupRecord::USUAL_LIE_DEG,
                    $this->measured_face_open_deg ?? 0.0,
                ),
            $racked !== null ? null : new SleeveChange($this->sleeve_loft_deg, $this->sleeve_face_open_deg, $this->sleeve_lie_deg),
            $shaft, $this->length_mm, $ball, $this->tee_mm, $cue,
            $this->swing_weight_points ?? ($weighed ? $this->swingWeight()?->points() : null), $this->isLoftFromPrint(), null,
            $this->grip_id === null || ! $this->relationLoaded('gripPart') ? '' : $this->gripPart->label ?? '', $this->boughtParts(),
        );
    }

    /** @return list<array{what: string, label: string, price: float|null, currency: string}> shaft and grip, as the rack has them */
    private function boughtParts(): array
    {
        $out = [];
        foreach (['shaft' => [$this->shaft_id, 'shaftPart'], 'grip' => [$this->grip_id, 'gripPart']] as $what => [$id, $relation]) {
            $part = $id === null || ! $this->relationLoaded($relation) ? null : $this->getRelation($relation);
            if ($part instanceof Part) {
                $out[] = [
                    'what' => $what, 'label' => $part->label,
                    'price' => isset($part->supply['price']) ? (float) $part->supply['price'] : null,
                    'currency' => (string) ($part->supply['currency'] ?? ''),
                ];
            }
        }

        return $out;
    }

    /** What the head presents for a player who squares this much. */
    public function playing(float $squaringShare): PlayingGeometry
    {
        return $this->record(false)->playing($squaringShare);
    }

    /** Stated minus measured loft, null while it was not read. */
    public function loftOffDeg(): ?float
    {
        return $this->rackHead !== null
            ? $this->rackHead->gauged()->loftOffDeg()
            : ($this->measured_loft_deg === null
                ? null
                : $this->stated_loft_deg - $this->measured_loft_deg);
    }

    public function isLoftFromPrint(): bool
    {
        return $this->rackHead !== null
            ? ! $this->rackHead->readings->contains(fn (Reading $r): bool => ($r->values['loftDeg'] ?? []) !== [])
            : $this->measured_loft_deg === null;
    }

    public function isLieAssumed(): bool
    {
        return $this->rackHead !== null ? $this->rackHead->gauged()->inForce('lieDeg') === null : $this->measured_lie_deg === null;
    }

    /** Does what is known of it come from a stand-in? */
    public function isReadByStandIn(): bool
    {
        return ($this->swing_weight_points !== null && $this->swing_weight_source === 'simulated') ||
            ($this->rackHead !== null &&
                array_filter($this->rackHead->readingsInForce(), static fn (Reading $r): bool => $r->source === 'simulated') !== []);
    }

    /** A head from the rack at its home position with its standard weights: what a change of head brings with it. */
    public function isAsItComes(): bool
    {
        return $this->rackHead !== null &&
            $this->sleeve_label === ($this->rack_snapshot['home'] ?? '') &&
            $this->masses == $this->rackHead->standard;
    }

    /** The head with this setup's weights in it; null when it is not on the rack. */
    public function body(): ?Head
    {
        return $this->rackHead?->bodyWith(array_map(floatval(...), $this->masses ?? $this->rackHead->standard));
    }

    /** All that it is made of, as a change-over takes it. */
    public function parts(): SetupParts
    {
        // Grip and balance are the rack's to tell, where it was asked (`MADE_OF`).
        $isMade = array_diff(['rackHead', 'shaftPart', 'gripPart'], array_keys($this->relations)) === [];

        return new SetupParts(
            $this->head, $this->sleeve_label, array_map(floatval(...), $this->masses ?? []), $this->weights,
            new ClubBuild($this->shaft, $this->length_mm, $this->ball, $this->tee_mm, $this->cue),
            $this->grip_id === null || ! $isMade ? '' : $this->gripPart->label ?? '',
            $this->swing_weight_points ?? ($isMade ? $this->swingWeight()?->points() : null),
        );
    }

    /** How the workshop brings it to another length, where somebody planned that. */
    public function plan(): ?LengthPlan
    {
        return $this->length_plan === null ? null : LengthPlan::fromArray($this->length_plan);
    }

    /** Swing weight from the parts, where all of them are known. */
    public function swingWeight(): ?SwingWeight
    {
        $shaft = $this->shaft_id === null ? null : $this->shaftPart;
        $body = $this->body();
        $known = $shaft?->number('cutMassG') ?? $shaft?->number('rawMassG');

        return $body === null || $known === null || $this->length_mm === null
            ? null
            : SwingWeight::with(
                $body->massG,
                $this->length_mm,
                Part::shaftInClub($shaft, $this->length_mm),
                ($this->grip_id === null ? null : $this->gripPart?->number('massG')) ?? self::USUAL_GRIP_G,
            );
    }

    public function sleeveSystem(): SleeveSystem
    {
        $stated = $this->rack_snapshot['stated'] ?? [];

        return isset($this->rack_snapshot['sleeve'])
            ? SleeveSystem::fromArray(
                $this->rack_snapshot['sleeve'],
                new HeadReading(
                    (float) ($stated['loftDeg'] ?? $this->stated_loft_deg),
                    (float) ($stated['lieDeg'] ?? SetupRecord::USUAL_LIE_DEG), (float) ($stated['faceOpenDeg'] ?? 0),
                ),
            )
            : SleeveSystem::fixed();
    }
}
