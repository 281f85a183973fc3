<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A confirm run: the benchmark, the chosen setup, and the benchmark again, after a pause. Its legs are trials, so its shots count
 * like any others.
 *
 * @property int $id
 * @property int $fitting_id
 * @property int $benchmark_setup_id
 * @property int $setup_id
 * @property int $shots_each
 * @property bool $rested
 * @property Carbon|null $ended_at
 * @property Carbon $created_at
 * @property-read Setup $benchmark
 * @property-read Setup $chosen
 * @property-read Collection<int, Trial> $legs
 */
final class Confirm extends Model
{
    use BelongsToStudio, Journaled;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['rested' => 'boolean', 'ended_at' => 'datetime'];
    }

    /** @return BelongsTo<Setup, $this> */
    public function benchmark(): BelongsTo
    {
        return $this->belongsTo(Setup::class, 'benchmark_setup_id');
    }

    /** @return BelongsTo<Setup, $this> */
    public function chosen(): BelongsTo
    {
        return $this->belongsTo(Setup::class, 'setup_id');
    }

    /** @return HasMany<Trial, $this> */
    public function legs(): HasMany
    {
        return $this->hasMany(Trial::class)->orderBy('number');
    }

    public static function open(Fitting $fitting): ?self
    {
        return self::query()->where('fitting_id', $fitting->id)->whereNull('ended_at')->orderByDesc('id')->first();
    }

    public static function last(Fitting $fitting): ?self
    {
        return self::query()->where('fitting_id', $fitting->id)->orderByDesc('id')->first();
    }

    /** Setup of a leg: 0 and 2 the benchmark, 1 the choice. */
    public function setupOfLeg(int $leg): int
    {
        return $leg === 1 ? $this->setup_id : $this->benchmark_setup_id;
    }
}
