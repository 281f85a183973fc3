<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A blind trial: settings in a drawn order that the screen keeps to itself until it is revealed.
 *
 * @property int $id
 * @property int $fitting_id
 * @property list<int> $setups setup ids in the order they are hit
 * @property int $shots_each
 * @property int $ordinal which of them is in the hand, from 0
 * @property int $set_ordinal the latest that the fitter has set, from 0; −1: none yet
 * @property Carbon|null $revealed_at
 */
final class Blind extends Model
{
    use BelongsToStudio, Journaled;

    protected $guarded = [];

    protected $attributes = ['set_ordinal' => -1];

    protected function casts(): array
    {
        return ['setups' => 'array', 'revealed_at' => 'datetime'];
    }

    /** Has the fitter set what is in the hand? Then nobody is told what it is before the reveal. */
    public function isSet(): bool
    {
        return $this->set_ordinal >= $this->ordinal;
    }

    public static function open(Fitting $fitting): ?self
    {
        return self::query()->where('fitting_id', $fitting->id)->whereNull('revealed_at')->latest('id')->first();
    }
}
