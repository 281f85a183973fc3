<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

/** What it takes to play a setup instead of the own club, the least first. */
enum Effort: string
{
    case Nothing = 'nothing changed';
    case Turn = 'a turn of the wrench';
    case InStock = 'a part in stock';
    case ToOrder = 'a part to order';

    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }

    /** Does it cost nothing but the turning? */
    public function isFree(): bool
    {
        return $this === self::Nothing || $this === self::Turn;
    }
}
