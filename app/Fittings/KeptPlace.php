<?php

declare(strict_types=1);

namespace App\Fittings;

use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\Cache;

/**
 * One place in the store of what is worked out of a fitting, where what is newer takes that of what is older. A store that cannot be read or
 * written costs time, never a screen.
 */
final readonly class KeptPlace
{
    private const KEPT_S = 86_400;

    public function __construct(private string $place)
    {
    }

    /** What is kept there under this key; null where it is of another. */
    public function get(string $key): mixed
    {
        $kept = rescue(fn (): mixed => self::store()->get($this->place));

        return is_array($kept) && ($kept[0] ?? '') === $key ? ($kept[1] ?? null) : null;
    }

    public function put(string $key, mixed $value): void
    {
        rescue(fn (): bool => self::store()->put($this->place, [$key, $value], self::KEPT_S));
    }

    private static function store(): Repository
    {
        return Cache::store((string) config('mintcarry.draws_store'));
    }
}
