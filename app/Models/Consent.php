<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What a player agreed to, in the words that they agreed to, and when; for a minor by whom.
 *
 * @property int $id
 * @property int $studio_id
 * @property int $player_id
 * @property string $text
 * @property string|null $guardian
 * @property int|null $taken_by null: the player, by a link
 * @property Carbon $given_at
 * @property Carbon|null $withdrawn_at
 */
final class Consent extends Model
{
    use BelongsToStudio;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['given_at' => 'datetime', 'withdrawn_at' => 'datetime'];
    }
}
