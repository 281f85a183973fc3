<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Memory\StudioMemory;

/**
 * @property int $id
 * @property int $player_id
 * @property int|null $benchmark_setup_id
 * @property int|null $running_trial_id the trial that is being hit now
 * @property string $wants
 * @property array<string, mixed> $typed the brief as it was typed
 * @property array<string, mixed>|null $brief
 * @property Carbon|null $brief_agreed_at
 * @property string $screening which shots an average is made of
 * @property bool $asks_ratings
 * @property string|null $practice which made-up player hits (`HiddenPlayers`); null: a fitting like any other
 * @property int|null $seed what its draws begin from; its own number where none came with it
 * @property list<string>|null $tie_order what breaks a tie, first first
 * @property int|null $memory_id what the studio knew of its heads when it began
 * @property int $version
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property-read Player $player
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Setup> $setups
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Decision> $decisions
 */
final class Fitting extends Model
{
    use BelongsToStudio, Journaled, SoftDeletes;

    /** Thrown away, and out of sight; `Data\Bin` brings it back. */
    public const DELETED_AT = 'binned_at';

    protected $guarded = [];

    /** @var array{string, BallFlight}|null for the brief as it stood */
    private ?array $flight = null;

    protected function casts(): array
    {
        return [
            'typed' => 'array', 'brief' => 'array', 'brief_agreed_at' => 'datetime', 'asks_ratings' => 'boolean',
            'tie_order' => 'array',
        ];
    }

    protected static function booted(): void
    {
        // One that comes as a file brings what it rested on, or nothing.
        self::creating(static function (self $fitting): void {
            if (! array_key_exists('memory_id', $fitting->getAttributes())) {
                $fitting->memory_id = Memory::latest(Studio::query()->findOrFail($fitting->studio_id))?->id;
            }
        });
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

    /** @return HasOne<Intake, $this> what the player said before they came, that became the draft of the brief */
    public function intake(): HasOne
    {
        return $this->hasOne(Intake::class)->latestOfMany();
    }

    /** @return HasOne<Order, $this> the club that was ordered after it; cancelled ones are no order any more */
    public function order(): HasOne
    {
        return $this->hasOne(Order::class)->where('state', '!=', 'cancelled')->latestOfMany();
    }

    /** What the studio knew of its heads when the fitting began; null where it knew nothing. */
    public function memory(): ?StudioMemory
    {
        return $this->memory_id === null ? null : Memory::query()->find($this->memory_id)?->learned();
    }

    public function brief(): Brief
    {
        return Brief::fromArray($this->brief ?? []);
    }

    public function setBrief(Brief $brief): void
    {
        $this->brief = $brief->toArray();
        $this->wants = $brief->wish; // the day book searches it
    }

    public function policy(): Screening
    {
        return Screening::named($this->screening);
    }

    /** The air and ground of the brief, without its wind: shots are hit in a bay. */
    public function flight(): BallFlight
    {
        $raw = (string) ($this->attributes['brief'] ?? '');
        if ($this->flight === null || $this->flight[0] !== $raw) {
            $brief = $this->brief();
            $this->flight = [$raw, new BallFlight(new Atmosphere($brief->temperatureC, $brief->altitudeM), turf: $brief->turf())];
        }

        return $this->flight[1];
    }
}
