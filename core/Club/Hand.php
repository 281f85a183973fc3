<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/** The player's hand. Words that depend on it are derived from signed numbers (+ = right for the viewer) here and nowhere else. */
enum Hand: string
{
    case Right = 'right';
    case Left = 'left';

    /**
     * +1 for a right-hander, −1 for a left-hander: multiplies a hand-relative value (open, toe, fade) into a viewer-relative one
     * (right).
     */
    public function sign(): int
    {
        return $this === self::Right ? 1 : -1;
    }
}
