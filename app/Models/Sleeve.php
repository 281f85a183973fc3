<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\SleeveSystem;

/**
 * @property int $id
 * @property string $name
 * @property array<string, mixed> $spec as `SleeveSystem::fromArray` takes it
 * @property Carbon|null $retired_at
 * @property-read \Illuminate\Database\Eloquent\Collection<int, RackHead> $heads
 */
final class Sleeve extends Model
{
    use BelongsToStudio;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['spec' => 'array', 'retired_at' => 'datetime'];
    }

    /** @return HasMany<RackHead, $this> */
    public function heads(): HasMany
    {
        return $this->hasMany(RackHead::class);
    }

    public function system(HeadReading $at = new HeadReading(10.5)): SleeveSystem
    {
        return SleeveSystem::fromArray($this->spec, $at);
    }
}
