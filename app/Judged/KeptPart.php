<?php

declare(strict_types=1);

namespace App\Judged;

/** A part of a judgement as it is kept: JSON, and the state that it is of. */
final readonly class KeptPart
{
    /**
     * @param  string  $json  an object: the figures, or `field` and `message` where the part is refused
     * @param  int  $shots  that counted in that state
     */
    public function __construct(
        public string $json, public bool $isRefusal, public string $state, public int $shots, public string $madeAt,
    ) {
    }
}
