<?php

declare(strict_types=1);

namespace MintCarry\Core;

use function is_finite;

/**
 * A value or a request the core cannot take. The message is plain enough to show to a fitter;
 * `field` names the offending input (with its unit) and `reason` is a stable code for programs.
 */
final class CoreException extends \DomainException
{
    private function __construct(string $message, public readonly string $reason, public readonly ?string $field)
    {
        parent::__construct($message);
    }

    public static function outOfRange(string $field, float $value, float $low, float $high, string $unit = ''): self
    {
        $shown = is_finite($value) ? rtrim(rtrim(sprintf('%.4f', $value), '0'), '.') : 'not a finite number';

        return new self(trim("{$field} is {$shown} {$unit}").sprintf('; it must lie between %s and %s.', self::plain($low), self::plain($high)), 'out_of_range', $field);
    }

    public static function invalid(string $field, string $why): self
    {
        return new self($why, 'invalid', $field);
    }

    public static function unreadable(string $why): self
    {
        return new self($why, 'unreadable', null);
    }

    /** Throws unless `value` is finite and within [low, high]. */
    public static function requireWithin(string $field, float $value, float $low, float $high, string $unit = ''): void
    {
        if (! is_finite($value) || $value < $low || $value > $high) {
            throw self::outOfRange($field, $value, $low, $high, $unit);
        }
    }

    private static function plain(float $value): string
    {
        return rtrim(rtrim(sprintf('%.3f', $value), '0'), '.');
    }
}
