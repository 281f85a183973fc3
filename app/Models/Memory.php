<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToStudio;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use MintCarry\Core\Memory\StudioMemory;

/**
 * One version of what a studio knows of its heads. It never changes: a fitting keeps the version that it began with.
 *
 * @property int $id
 * @property int $studio_id
 * @property int|null $version null: it came with the file of a fitting
 * @property array<string, mixed> $content
 * @property Carbon|null $forgotten_at no fitting begins with it any more
 * @property Carbon $created_at
 */
final class Memory extends Model
{
    use BelongsToStudio;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['content' => 'array', 'forgotten_at' => 'datetime'];
    }

    /** What a fitting of this studio would begin with now; null where it remembers nothing. */
    public static function latest(Studio $studio): ?self
    {
        return $studio->remembers
            ? self::query()->where('studio_id', $studio->id)->whereNotNull('version')->whereNull('forgotten_at')->orderByDesc('version')->first()
            : null;
    }

    public function learned(): ?StudioMemory
    {
        return StudioMemory::from($this->content);
    }
}
