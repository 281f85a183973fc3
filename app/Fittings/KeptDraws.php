<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Fitting;

/** Draws of a fitting's rack that are kept for a while: one place for each fitting and filter, where newer ones take that of older ones. */
final readonly class KeptDraws
{
    public function __construct(private Fitting $fitting, private string $only)
    {
    }

    /** @param  callable(): string  $make */
    public function __invoke(string $key, callable $make): string
    {
        $place = new KeptPlace("draws:{$this->fitting->id}:{$this->only}");
        $kept = $place->get($key);
        if (is_string($kept)) {
            return $kept;
        }
        $bytes = $make();
        $place->put($key, $bytes);

        return $bytes;
    }
}
