<?php

declare(strict_types=1);

namespace App\Live;

use App\Models\Fitting;

/** A shot came, or somebody changed something of a fitting. */
final readonly class FittingChanged
{
    public function __construct(public Fitting $fitting)
    {
    }
}
