<?php

declare(strict_types=1);

namespace MintCarry\Core\Memory;

use function array_is_list;
use function array_key_exists;
use function count;
use function is_array;
use function is_string;

/**
 * What one fitting says of heads and of changes of a club, with what was believed before taken out: nobody's swing, no name.
 * Effects in the order of `PlayerPriors::OWN_EFFECT_SD` and in its units, of a right-hander (a left-hander is mirrored).
 */
final readonly class LearnedFitting
{
    /**
     * @param  string|null  $own  the own club's head, where it stands on the rack
     * @param  list<string>  $heads  that were hit beside it
     * @param  list<list<float>>  $effects  by effect: what each head did beyond geometry, against the own club
     * @param  list<list<list<float>>>  $errors  by effect: covariance of that over the heads
     * @param  array<string, array{value: float, variance: float}>  $factors  how far a change reached the ball, by name
     */
    public function __construct(public ?string $own, public array $heads, public array $effects, public array $errors, public array $factors)
    {
    }

    /** @return array<string, mixed> as it is kept; `from` reads it */
    public function toArray(): array
    {
        return ['own' => $this->own, 'heads' => $this->heads, 'effects' => $this->effects, 'errors' => $this->errors, 'factors' => $this->factors];
    }

    /**
     * @param  array<string, mixed>  $kept
     * @return self|null null for what is of another shape, such as a version before
     */
    public static function from(array $kept): ?self
    {
        foreach (['heads', 'effects', 'errors', 'factors'] as $key) {
            if (! is_array($kept[$key] ?? null)) {
                return null;
            }
        }
        if (! array_key_exists('own', $kept) || ! array_is_list($kept['heads']) || count($kept['effects']) !== count($kept['errors'])) {
            return null;
        }

        $row = static fn (array $values): array => array_map(floatval(...), array_values($values));

        return new self(
            is_string($kept['own']) ? $kept['own'] : null, array_map(strval(...), $kept['heads']), array_map($row, array_values($kept['effects'])),
            array_map(static fn (array $rows): array => array_map($row, array_values($rows)), array_values($kept['errors'])),
            array_map(static fn (array $f): array => ['value' => (float) $f['value'], 'variance' => (float) $f['variance']], $kept['factors']),
        );
    }
}
