<?php

declare(strict_types=1);

namespace MintCarry\Core\Errors;

use DomainException;

use function is_finite;
use function rtrim;
use function sprintf;
use function str_starts_with;
use function trim;

/**
 * A value or a request that cannot be taken as it was given. The message is plain enough to show to a fitter: it names what was
 * given and what would be taken.
 */
final class InvalidInput extends DomainException
{
    /**
     * @param  string  $reason  a stable code for programs: invalid or out_of_range
     * @param  string  $field  the input that cannot be taken, with its unit
     */
    private function __construct(string $message, public readonly string $reason, public readonly string $field)
    {
        parent::__construct($message);
    }

    public static function of(string $field, string $why): self
    {
        return new self($why, 'invalid', $field);
    }

    public static function outOfRange(string $field, float $value, float $low, float $high, string $unit = ''): self
    {
        $shown = is_finite($value) ? self::plain($value, 4) : 'not a finite number';
        $between = sprintf('; it must lie between %s and %s.', self::plain($low, 3), self::plain($high, 3));

        return new self(trim("{$field} is {$shown} {$unit}").$between, 'out_of_range', $field);
    }

    /** The same, said of the item it was found in, as `clubs[1]`; what names that item already stays as it is. */
    public function inside(string $path): self
    {
        return str_starts_with($this->field, $path)
            ? $this : new self("{$path}: {$this->getMessage()}", $this->reason, "{$path}.{$this->field}");
    }

    /** Throws unless `value` is finite and within [low, high]. */
    public static function requireWithin(string $field, float $value, float $low, float $high, string $unit = ''): void
    {
        if (! is_finite($value) || $value < $low || $value > $high) {
            throw self::outOfRange($field, $value, $low, $high, $unit);
        }
    }

    private static function plain(float $value, int $digits): string
    {
        return rtrim(rtrim(sprintf("%.{$digits}f", $value), '0'), '.');
    }
}
