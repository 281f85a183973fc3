<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use MintCarry\Core\Intake\PostedShot;

/**
 * A shot that a monitor sent and that could not be stored: kept to the letter, with the reason, until a fitter takes or discards it, once.
 *
 * @property int $id
 * @property int $bay_id
 * @property int|null $fitting_id
 * @property int|null $trial_id
 * @property string $sender_id
 * @property string|null $sender_session
 * @property int|null $sender_sequence
 * @property string $source
 * @property array<mixed> $body the shot as it was sent, read without changing a value; written as the text that was sent
 * @property string $reason
 * @property Carbon|null $settled_at
 * @property string|null $settled_how taken or discarded
 * @property int|null $settled_by
 * @property int|null $shot_id what it became
 * @property-read Bay $bay
 * @property Carbon $created_at
 */
final class HeldShot extends Model
{
    use BelongsToStudio, Journaled;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['settled_at' => 'datetime'];
    }

    /** @return Attribute<array<mixed>, array<mixed>|string> */
    protected function body(): Attribute
    {
        return Attribute::make(
            static fn (string $sent): array => (array) PostedShot::decode($sent)[0],
            static fn (string|array $sent): string => is_string($sent) ? $sent : json_encode($sent, JSON_THROW_ON_ERROR),
        )->withoutObjectCaching();
    }

    /** The text that was sent. */
    public function sent(): string
    {
        return (string) $this->getRawOriginal('body');
    }

    /** @return BelongsTo<Bay, $this> */
    public function bay(): BelongsTo
    {
        return $this->belongsTo(Bay::class);
    }

    /** As it was sent. */
    public function posted(): PostedShot
    {
        return PostedShot::read($this->sent());
    }

    /**
     * The tray of a fitting: what was held for it, and what came into its bay while nobody was there.
     *
     * @return Builder<self>
     */
    public static function waiting(Fitting $fitting): Builder
    {
        $itsBays = Bay::query()->where('fitting_id', $fitting->id)->select('id');

        return self::query()->whereNull('settled_at')->orderBy('id')->where(fn ($any) => $any
            ->where('fitting_id', $fitting->id)
            ->orWhere(fn ($nobody) => $nobody->whereNull('fitting_id')->whereIn('bay_id', $itsBays)));
    }
}
