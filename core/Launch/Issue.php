<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

/** Something about a value or a shot that a person must know: refused (impossible) or flagged (unlikely). */
final readonly class Issue
{
    public function __construct(public string $field, public bool $refused, public string $message)
    {
    }
}
