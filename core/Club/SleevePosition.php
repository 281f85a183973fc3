<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/**
 * One way a sleeve can be turned: its printed label, the tilts it makes, and the changes from the home position that are printed
 * for it, if any.
 */
final readonly class SleevePosition
{
    /** @param  list<SleeveTilt>  $tilts */
    public function __construct(public string $label, public array $tilts, public SleeveChange $printed = new SleeveChange)
    {
    }
}
