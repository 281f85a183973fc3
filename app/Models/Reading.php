<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\ReadingSet;

/**
 * Readings of a head taken in one go. Never changed: the latest is in force, the others are history.
 *
 * @property int $id
 * @property int $head_id
 * @property array<string, list<float>> $values by quantity
 * @property string $position
 * @property AddressHabit $read_as
 * @property string $way hand, gauge or balance
 * @property string $source measured, or simulated by a stand-in
 * @property array<string, mixed> $typed
 * @property string $note
 * @property int $read_by
 * @property Carbon $created_at
 * @property-read User $fitter
 */
final class Reading extends Model
{
    use BelongsToStudio;

    public const SOURCES = ['measured', 'simulated'];

    protected $guarded = [];

    protected function casts(): array
    {
        return ['values' => 'array', 'typed' => 'array', 'read_as' => AddressHabit::class];
    }

    /** @return BelongsTo<User, $this> */
    public function fitter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'read_by');
    }

    public function set(): ReadingSet
    {
        return new ReadingSet(
            array_map(static fn (array $v): array => array_map(floatval(...), $v), $this->values), $this->position, $this->read_as,
        );
    }
}
