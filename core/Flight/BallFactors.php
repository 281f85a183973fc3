<?php

declare(strict_types=1);

namespace MintCarry\Core\Flight;

use MintCarry\Core\Errors\InvalidInput;

/** How one make of ball flies beside a usual one: factors of all its drag and of its lift, and who says so. */
final readonly class BallFactors
{
    /** Golf balls differ less than this (assumption): what lies beyond it is a reading mistake. */
    public const BOUNDS = [0.8, 1.25];

    /**
     * @param  string  $from  where the factors come from, in the words of who keeps the rack; empty: nobody said
     *
     * @throws InvalidInput where a factor cannot be
     */
    public function __construct(public float $drag = 1.0, public float $lift = 1.0, public string $from = '')
    {
        InvalidInput::requireWithin('dragFactor', $drag, ...self::BOUNDS);
        InvalidInput::requireWithin('liftFactor', $lift, ...self::BOUNDS);
    }

    /**
     * As a ball of the rack carries them.
     *
     * @param  array<mixed>  $data
     * @return self|null null where it carries none
     *
     * @throws InvalidInput where a factor cannot be
     */
    public static function read(array $data): ?self
    {
        [$drag, $lift, $from] = [$data['dragFactor'] ?? null, $data['liftFactor'] ?? null, $data['factorsFrom'] ?? ''];
        foreach (['dragFactor' => $drag, 'liftFactor' => $lift] as $field => $value) {
            if ($value !== null && ! is_numeric($value)) {
                throw InvalidInput::of($field, "'{$field}' must be a number.");
            }
        }

        return $drag === null && $lift === null
            ? null
            : new self((float) ($drag ?? 1), (float) ($lift ?? 1), is_string($from) ? $from : '');
    }

    /** The same ball after shots asked for so much more of each; they do not push it past what a ball can be. */
    public function times(float $drag, float $lift): self
    {
        $within = static fn (float $factor): float => max(self::BOUNDS[0], min(self::BOUNDS[1], $factor));

        return new self($within($this->drag * $drag), $within($this->lift * $lift), $this->from);
    }
}
