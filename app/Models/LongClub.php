<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Gaps\LongClub as Club;
use MintCarry\Core\Launch\LaunchShot;

/**
 * A fairway wood, hybrid or long iron of a fitting's player, with what was measured of it.
 *
 * @property int $id
 * @property int $fitting_id
 * @property string $name
 * @property string $kind
 * @property float $loft_deg
 * @property float $lie_deg
 * @property float $face_open_deg
 * @property array<string, mixed>|null $sleeve
 * @property string $sleeve_label
 * @property list<array{values: array<string, float>, typed: array<string, string>, from?: string}> $shots from: file and line, where a file told it
 * @property-read Fitting $fitting
 */
final class LongClub extends Model
{
    use BelongsToStudio, Journaled;

    protected $guarded = [];

    protected $attributes = ['sleeve_label' => '', 'shots' => '[]', 'face_open_deg' => 0];

    protected function casts(): array
    {
        return ['sleeve' => 'array', 'shots' => 'array', 'loft_deg' => 'float', 'lie_deg' => 'float', 'face_open_deg' => 'float'];
    }

    /** @return BelongsTo<Fitting, $this> */
    public function fitting(): BelongsTo
    {
        return $this->belongsTo(Fitting::class);
    }

    /** Changes with whatever is written down of the club: whoever changes it says what was seen. */
    public function version(): string
    {
        return substr(hash('sha256', (string) json_encode(array_diff_key($this->attributesToArray(), ['created_at' => 1, 'updated_at' => 1]))), 0, 16);
    }

    /** As the core takes it. */
    public function club(BallFlight $flight): Club
    {
        $reading = new HeadReading($this->loft_deg, $this->lie_deg, $this->face_open_deg);

        return new Club(
            $this->name, $this->kind, $reading, $this->sleeve === null ? null : SleeveSystem::fromArray($this->sleeve, $reading),
            $this->sleeve_label,
            array_map(static fn (array $s): LaunchShot => LaunchShot::of(array_map(floatval(...), $s['values']), $flight), $this->shots),
        );
    }
}
