<?php

declare(strict_types=1);

namespace MintCarry\Core\Errors;

use DomainException;

/** Bytes that are not the kind of file that was asked for. The message says what they are instead, plainly enough for a fitter. */
final class UnreadableFile extends DomainException
{
    /** A stable code for programs. */
    public readonly string $reason;

    private function __construct(string $message)
    {
        $this->reason = 'unreadable';
        parent::__construct($message);
    }

    public static function because(string $why): self
    {
        return new self($why);
    }
}
