<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;
use Throwable;

/** Others were writing the same rows at every try. Nothing was changed; the same request may be sent again. */
final class Conflicted extends RuntimeException
{
    public const SAYS = 'Somebody else was changing the same thing at this moment. Nothing was changed; send it again.';

    public function __construct(Throwable $refusal, public readonly int $tries)
    {
        parent::__construct(self::SAYS, 0, $refusal);
    }
}
