<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/** Ends a transaction that was a look: what was found out is carried out of it, and nothing is kept. */
final class OnlyALook extends RuntimeException
{
    public function __construct(public readonly mixed $found)
    {
        parent::__construct('A look, not a change.');
    }
}
