<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Turf;

/**
 * @property int $id
 * @property int $player_id
 * @property int|null $benchmark_setup_id
 * @property float $corridor_width_m
 * @property string $trouble_side
 * @property string $trouble_kind
 * @property float|null $trouble_at_m
 * @property float $hole_length_m
 * @property float $temperature_c
 * @property float $altitude_m
 * @property string $turf
 * @property string $wants
 * @property array<string, mixed> $typed
 * @property int $version
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property-read Player $player
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Setup> $setups
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Decision> $decisions
 */
final class Fitting extends Model
{
    use BelongsToStudio;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['typed' => 'array', 'corridor_width_m' => 'float', 'trouble_at_m' => 'float', 'hole_length_m' => 'float', 'temperature_c' => 'float', 'altitude_m' => 'float'];
    }

    /** @return BelongsTo<Player, $this> */
    public function player(): BelongsTo
    {
        return $this->belongsTo(Player::class);
    }

    /** @return HasMany<Setup, $this> */
    public function setups(): HasMany
    {
        return $this->hasMany(Setup::class)->orderBy('position');
    }

    /** @return HasMany<Shot, $this> */
    public function shots(): HasMany
    {
        return $this->hasMany(Shot::class)->orderBy('sequence');
    }

    /** @return HasMany<Decision, $this> */
    public function decisions(): HasMany
    {
        return $this->hasMany(Decision::class)->orderByDesc('id');
    }

    /** @return HasMany<ImportFile, $this> */
    public function files(): HasMany
    {
        return $this->hasMany(ImportFile::class)->orderByDesc('id');
    }

    public function flight(): BallFlight
    {
        return new BallFlight(new Atmosphere($this->temperature_c, $this->altitude_m), turf: Turf::from($this->turf));
    }

    public function corridor(): Corridor
    {
        return new Corridor($this->corridor_width_m, $this->trouble_side, $this->trouble_kind, $this->trouble_at_m);
    }
}
