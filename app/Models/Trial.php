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
 * A set of shots hit with one setup in one go. It keeps the air, ground and ball it was hit with.
 *
 * @property int $id
 * @property int $fitting_id
 * @property int $setup_id
 * @property int $number
 * @property string $kind trial or warm-up
 * @property array<string, mixed> $conditions
 * @property int|null $visit_id
 * @property int|null $blind_id
 * @property int|null $confirm_id
 * @property bool $rating_skipped
 * @property int|null $guess_setup_id which blind setting the player thinks it was
 * @property bool $guess_asked
 * @property string $note
 * @property int $begun_by
 * @property Carbon|null $ended_at
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property int|null $shots_count
 * @property-read Setup $setup
 * @property-read Visit|null $visit
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Shot> $shots
 */
final class Trial extends Model
{
    use BelongsToStudio, Journaled;

    public const KINDS = ['trial', 'warm-up'];

    protected $guarded = [];

    protected function casts(): array
    {
        return ['conditions' => 'array', 'rating_skipped' => 'boolean', 'guess_asked' => 'boolean', 'ended_at' => 'datetime'];
    }

    /**
     * Those of a blind trial that is not revealed yet.
     */
    public static function hidden(): \Illuminate\Contracts\Database\Query\Builder
    {
        return self::query()->whereIn('blind_id', Blind::query()->whereNull('revealed_at')->select('id'))->select('id');
    }

    /** @return Collection<int, self> trials of a fitting that may be told: none of a blind one that goes on */
    public static function toldOf(Fitting $fitting): Collection
    {
        return self::query()->with(['setup', 'visit'])->where('fitting_id', $fitting->id)->orderBy('number')->whereNotIn('id', self::hidden())->get();
    }

    /** @return BelongsTo<Setup, $this> */
    public function setup(): BelongsTo
    {
        return $this->belongsTo(Setup::class);
    }

    /** @return BelongsTo<Visit, $this> */
    public function visit(): BelongsTo
    {
        return $this->belongsTo(Visit::class);
    }

    /** @return HasMany<Shot, $this> */
    public function shots(): HasMany
    {
        return $this->hasMany(Shot::class)->orderBy('sequence');
    }
}
