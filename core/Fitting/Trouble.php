<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Errors\InvalidInput;

/** What waits on one side of the corridor, and how far from the target line it begins. */
final readonly class Trouble
{
    public const KINDS = ['rough', 'trees', 'water', 'out of bounds'];

    /** Where trouble begins when nobody said: this far beyond the corridor's edge. */
    public const USUAL_GAP_M = 8.0;

    public function __construct(public string $kind, public ?float $atM = null)
    {
        if (! in_array($kind, self::KINDS, true)) {
            throw InvalidInput::of('trouble', "'{$kind}' is not a kind of trouble; use rough, trees, water or out of bounds.");
        }
        if ($atM !== null) {
            InvalidInput::requireWithin('troubleAtM', $atM, 1, 150, 'm');
        }
    }

    /** Rough costs no more than missing the corridor does: it is no trouble of its own. */
    public function isReal(): bool
    {
        return $this->kind !== 'rough';
    }
}
