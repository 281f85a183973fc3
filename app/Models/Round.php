<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use MintCarry\Core\FollowUp\PlayedRound;

/**
 * A round that a player tells of.
 *
 * @property int $id
 * @property int $player_id
 * @property int $fitting_id
 * @property int|null $link_id null: the studio wrote it down
 * @property string $sent_key
 * @property string $played_on 2026-11-27
 * @property string $course
 * @property string $course_key
 * @property 'new'|'before' $club
 * @property int $holes
 * @property int $hit
 * @property int $missed_left
 * @property int $missed_right
 * @property int $lost
 * @property list<float> $drives_m
 * @property array<string, mixed> $typed
 * @property int|null $feel
 * @property string $words
 * @property Carbon $created_at
 * @property-read Fitting $fitting
 */
final class Round extends Model
{
    use BelongsToStudio, Journaled;

    protected $guarded = [];

    protected $attributes = ['words' => '', 'typed' => '[]'];

    protected function casts(): array
    {
        return ['drives_m' => 'array', 'typed' => 'array'];
    }

    /** @return BelongsTo<Fitting, $this> */
    public function fitting(): BelongsTo
    {
        return $this->belongsTo(Fitting::class);
    }

    public function played(): PlayedRound
    {
        return PlayedRound::of(
            $this->course, $this->club, $this->holes, $this->hit, $this->missed_left, $this->missed_right, $this->lost,
            array_map(floatval(...), $this->drives_m), $this->feel,
        );
    }
}
