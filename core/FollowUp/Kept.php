<?php

declare(strict_types=1);

namespace MintCarry\Core\FollowUp;

/** Was what was promised kept? */
enum Kept: string
{
    case Kept = 'kept';
    case Broken = 'broken';
    case NotYet = 'not yet';
}
