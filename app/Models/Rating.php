<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;

/**
 * What the player said of a setup before seeing its numbers, 1 to 5.
 *
 * @property int $id
 * @property int $setup_id
 * @property int $trial_id
 * @property string $kind
 * @property int $stars
 */
final class Rating extends Model
{
    use BelongsToStudio, Journaled;

    public const KINDS = ['looks', 'feel', 'sound', 'confidence'];

    protected $guarded = [];
}
