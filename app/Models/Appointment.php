<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use MintCarry\Core\Booking\Booking;

/**
 * Somebody comes, to a bay and a fitter; or, without a player, time that is taken.
 *
 * @property int $id
 * @property int|null $bay_id
 * @property int|null $fitter_id
 * @property int|null $player_id
 * @property int|null $fitting_id begun from it
 * @property string $kind
 * @property Carbon $starts_at UTC
 * @property Carbon $ends_at UTC
 * @property int $swings the budget
 * @property string $note
 * @property string $state one of `STATES`
 * @property int $revision
 * @property int $version
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property-read Bay|null $bay
 * @property-read User|null $fitter
 * @property-read Player|null $player
 */
final class Appointment extends Model
{
    use BelongsToStudio, Journaled;

    public const STATES = ['booked', 'came', 'missed', 'cancelled'];

    protected $guarded = [];

    protected $attributes = ['note' => '', 'state' => 'booked', 'revision' => 0, 'version' => 1];

    protected function casts(): array
    {
        return ['starts_at' => 'datetime', 'ends_at' => 'datetime'];
    }

    public function booking(): Booking
    {
        return Booking::of(
            $this->starts_at->toDateTimeImmutable(), (int) round($this->starts_at->diffInMinutes($this->ends_at)), $this->bay_id,
            $this->fitter_id,
            $this->player_id,
        );
    }

    /** @return BelongsTo<Bay, $this> */
    public function bay(): BelongsTo
    {
        return $this->belongsTo(Bay::class);
    }

    /** @return BelongsTo<User, $this> */
    public function fitter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'fitter_id');
    }

    /** @return BelongsTo<Player, $this> */
    public function player(): BelongsTo
    {
        return $this->belongsTo(Player::class)->withTrashed();
    }
}
