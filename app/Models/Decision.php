<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use App\Models\Concerns\Journaled;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use MintCarry\Core\FollowUp\Promise;

/**
 * A saved decision: what was chosen, what the tool advised then, and why.
 *
 * @property int $id
 * @property int $fitting_id
 * @property int $setup_id
 * @property int $advised_setup_id
 * @property string $reason
 * @property array<string, mixed> $advice
 * @property string|null $promise what `promised` told as it was made; null of a version before
 * @property int $number version: 1, 2, 3 …
 * @property array<string, mixed>|null $proof what it rested on, kept when it was locked
 * @property Carbon|null $locked_at
 * @property Carbon|null $reopened_at
 * @property string $reopen_why
 * @property int $decided_by
 * @property Carbon $created_at
 * @property-read Fitting $fitting
 * @property-read Setup $setup
 * @property-read Setup $advised
 * @property-read User $fitter
 */
final class Decision extends Model
{
    use BelongsToStudio, Journaled;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['advice' => 'array', 'proof' => 'array', 'locked_at' => 'datetime', 'reopened_at' => 'datetime'];
    }

    protected static function booted(): void
    {
        self::creating(static fn (self $decision): self => $decision->setAttribute('promise', $decision->promised()));
    }

    /** What it promised of the chosen setup against the own club, as JSON (`Promise`); null without an own club. */
    public function promised(): ?string
    {
        $own = Setup::query()->where('fitting_id', $this->fitting_id)->where('is_baseline', true)->value('tag');

        return $own === null ? null : json_encode(Promise::of($this->advice, $this->setup->tag, (string) $own)->toArray(),
            JSON_THROW_ON_ERROR);
    }

    public function isLocked(): bool
    {
        return $this->locked_at !== null && $this->reopened_at === null;
    }

    /** @return BelongsTo<Fitting, $this> */
    public function fitting(): BelongsTo
    {
        return $this->belongsTo(Fitting::class);
    }

    /** @return BelongsTo<Setup, $this> */
    public function setup(): BelongsTo
    {
        return $this->belongsTo(Setup::class);
    }

    /** @return BelongsTo<Setup, $this> */
    public function advised(): BelongsTo
    {
        return $this->belongsTo(Setup::class, 'advised_setup_id');
    }

    /** @return BelongsTo<User, $this> */
    public function fitter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'decided_by');
    }
}
