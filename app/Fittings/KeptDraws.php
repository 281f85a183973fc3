<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Fitting;
use Illuminate\Support\Facades\Cache;

/** Draws of a fitting's rack that are kept for a while: one place for each fitting and filter, where newer ones take that of older ones. */
final readonly class KeptDraws
{
    public function __construct(private Fitting $fitting, private string $only)
    {
    }

    /** @param  callable(): string  $make */
    public function __invoke(string $key, callable $make): string
    {
        $store = Cache::store((string) config('mintcarry.draws_store'));
        $place = "draws:{$this->fitting->id}:{$this->only}";
        $kept = $store->get($place);
        if (is_array($kept) && ($kept[0] ?? '') === $key) {
            return (string) $kept[1];
        }
        $bytes = $make();
        // A store that cannot be written makes the next look slower, and takes nothing from this one.
        rescue(fn (): bool => $store->put($place, [$key, $bytes], now()->addDay()));

        return $bytes;
    }
}
