<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One visit of the player (a session); trials belong to it.
 *
 * @property int $id
 * @property int $fitting_id
 * @property int $number
 * @property Carbon $created_at
 */
final class Visit extends Model
{
    use BelongsToStudio, Journaled;

    /** A trial begun this long after the one before is another visit. */
    public const NEW_AFTER_HOURS = 6;

    protected $guarded = [];

    /** The visit that a trial begun now belongs to: the latest, or a new one when the latest is over. */
    public static function now(Fitting $fitting, User $user, bool $another = false): self
    {
        $latest = self::query()->where('fitting_id', $fitting->id)->orderByDesc('number')->first();
        $touched = Trial::query()->where('visit_id', $latest->id ?? 0)->latest('updated_at')->first()?->updated_at;
        if ($latest !== null && ! $another && ($touched ?? $latest->created_at)->gt(now()->subHours(self::NEW_AFTER_HOURS))) {
            return $latest;
        }

        // A fitting begins with what its studio knows of the heads then, and keeps that.
        if ($latest === null && ! $fitting->shots()->exists()) {
            Fitting::query()->whereKey($fitting->id)->update(['memory_id' => Memory::latest($fitting->studio)?->id]);
            $fitting->memory_id = Fitting::query()->whereKey($fitting->id)->value('memory_id');
            $fitting->syncOriginalAttribute('memory_id');
        }

        return self::query()->create([
            'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'number' => ($latest->number ?? 0) + 1,
            'begun_by' => $user->id,
        ]);
    }
}
