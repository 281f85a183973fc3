<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use App\Models\Studio;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $studio_id
 * @property-read Studio $studio
 */
trait BelongsToStudio
{
    /** @return BelongsTo<Studio, $this> */
    public function studio(): BelongsTo
    {
        return $this->belongsTo(Studio::class);
    }
}
