<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A place with a launch monitor. Its token lets that monitor post shots to this bay and nothing else; only its hash is kept.
 *
 * @property int $id
 * @property string $name
 * @property int|null $fitting_id the fitting that is in the bay now
 * @property string|null $token_hash
 * @property Carbon|null $token_made_at
 * @property-read Fitting|null $fitting
 */
final class Bay extends Model
{
    use BelongsToStudio;

    protected $guarded = [];

    protected $hidden = ['token_hash'];

    protected function casts(): array
    {
        return ['token_made_at' => 'datetime'];
    }

    /** @return BelongsTo<Fitting, $this> */
    public function fitting(): BelongsTo
    {
        return $this->belongsTo(Fitting::class);
    }

    /** A new token; the one before stops working. It is shown once and never again. */
    public function renewToken(): string
    {
        $token = 'mint-'.bin2hex(random_bytes(24));
        $this->update(['token_hash' => hash('sha256', $token), 'token_made_at' => now()]);

        return $token;
    }
}
