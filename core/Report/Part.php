<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use Closure;
use MintCarry\Core\Errors\InvalidInput;

/** One part of a judgement: its figures, or why there are none yet. */
final readonly class Part
{
    /** @param  array<string, mixed>|null  $figures  null where the part is refused */
    private function __construct(public ?array $figures, public ?InvalidInput $refusal)
    {
    }

    /** @param  Closure(): array<string, mixed>  $make */
    public static function by(Closure $make): self
    {
        try {
            return new self($make(), null);
        } catch (InvalidInput $e) {
            return new self(null, $e);
        }
    }
}
