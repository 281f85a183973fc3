<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/** How the head is put behind the ball: left on its sole, or with the grip turned until the face looks square. */
enum AddressHabit: string
{
    case Soled = 'soled';
    case Squared = 'squared';
}
