<?php

declare(strict_types=1);

namespace MintCarry\Core\Errors;

use RuntimeException;

use function array_map;
use function hash;
use function substr;

/**
 * The models gave no figure, or one that cannot be, for input that was in order: a fault of ours. It is never shown as the
 * user's, and never made good by another way of computing without saying so. `computing` says what was worked out; `reference` is
 * what a person can quote, and stands in the log beside it.
 */
final class ModelFailure extends RuntimeException
{
    private function __construct(public readonly string $computing, public readonly string $why)
    {
        parent::__construct("{$computing}: {$why}");
    }

    /**
     * @param  string  $computing  what was being worked out, such as "the flight of a ball of 70 m/s"
     * @param  string  $why  what went wrong
     */
    public static function while(string $computing, string $why): self
    {
        return new self($computing, $why);
    }

    /** The same failure of something larger that could not do without it. */
    public function within(string $computing): self
    {
        return new self($computing, $this->getMessage());
    }

    /** Eight letters; the same for the same failure. */
    public function reference(): string
    {
        return substr(hash('sha256', $this->getMessage()), 0, 8);
    }

    /**
     * As a report carries failures: a line for each, with what to quote.
     *
     * @param  list<self>  $failures
     * @return list<array{computing: string, reference: string, line: string}>
     */
    public static function toArrays(array $failures): array
    {
        return array_map(
            static fn (self $f): array => ['computing' => $f->computing, 'reference' => $f->reference(), 'line' => $f->line()],
            $failures,
        );
    }

    /** A line for the screen: what is missing, whose fault it is, and what to quote. */
    public function line(): string
    {
        return "{$this->computing} could not be worked out. That is a fault of ours, not of the input; quote {$this->reference()}.";
    }
}
