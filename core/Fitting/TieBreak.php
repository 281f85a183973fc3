<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Errors\InvalidInput;

use function array_filter;
use function array_keys;
use function count;
use function max;
use function min;

/**
 * Which of several setups that cannot be told apart: criterion by criterion in the fitter's order, those that are clearly behind
 * the best drop out, until one is left. A criterion that is not known of every one left is passed over and named.
 */
final readonly class TieBreak
{
    public const CRITERIA = ['confidence', 'apex', 'start side', 'price'];

    /** Nearer than this to the best counts as level: half a star, 2 m from the wanted apex, 1° off the wanted start side, any money. */
    private const MARGIN = ['confidence' => 0.5, 'apex' => 2.0, 'start side' => 1.0, 'price' => 0.0];

    /**
     * @param  string|null  $choice  null while more than one is left
     * @param  list<string>  $remaining  who remains at the end
     * @param  list<array{criterion: string, known: bool, values: array<string, float|null>, remaining: list<string>}>  $steps
     */
    private function __construct(public ?string $choice, public ?string $by, public array $remaining, public array $steps)
    {
    }

    /**
     * @param  array<string, array<string, float|null>>  $candidates  by tag and criterion: confidence in stars, distance from the
     *   wanted apex in m, degrees off the wanted start side, price; null = nobody knows
     * @param  list<string>  $order
     *
     * @throws InvalidInput for a criterion that there is not
     */
    public static function among(array $candidates, array $order): self
    {
        self::requireOrder($order);
        $remaining = array_map(strval(...), array_keys($candidates));
        $steps = [];
        $by = null;
        foreach ($order as $criterion) {
            if (count($remaining) < 2) {
                break;
            }
            $values = [];
            foreach ($remaining as $tag) {
                $values[$tag] = $candidates[$tag][$criterion] ?? null;
            }
            $told = array_filter($values, static fn (?float $v): bool => $v !== null);
            $known = count($told) === count($remaining);
            if ($known) {
                $best = $criterion === 'confidence' ? max($told) : min($told);
                $remaining = array_map(
                    strval(...),
                    array_keys(array_filter($told, static fn (float $v): bool => abs($v - $best) <= self::MARGIN[$criterion] + 1e-9)),
                );
                $by = count($remaining) === 1 ? $criterion : null;
            }
            $steps[] = ['criterion' => $criterion, 'known' => $known, 'values' => $values, 'remaining' => $remaining];
        }

        return new self(count($remaining) === 1 ? $remaining[0] : null, $by, $remaining, $steps);
    }

    /**
     * @param  list<string>  $order
     *
     * @throws InvalidInput
     */
    public static function requireOrder(array $order): void
    {
        foreach ($order as $criterion) {
            if (! in_array($criterion, self::CRITERIA, true)) {
                throw InvalidInput::of('tieOrder', "'{$criterion}' does not break a tie; use ".implode(', ', self::CRITERIA).'.');
            }
        }
        if (count(array_unique($order)) !== count($order)) {
            throw InvalidInput::of('tieOrder', 'Each tie-breaker may stand only once in the order.');
        }
    }
}
