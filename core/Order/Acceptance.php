<?php

declare(strict_types=1);

namespace MintCarry\Core\Order;

use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Errors\InvalidInput;

use function abs;

/** The delivered club against the order, figure by figure. */
final readonly class Acceptance
{
    /**
     * @param  list<array{name: string, ordered: float|null, delivered: float|null, tolerance: float, off: float|null, isWithin: bool|null}>  $checks
     *   off: delivered less ordered; isWithin null: one of them is not known
     */
    private function __construct(public array $checks, public bool $isHandRight)
    {
    }

    /**
     * @param  array<string, float>  $tolerances  by figure; those not named are the usual ones
     *
     * @throws InvalidInput where a tolerance is none
     */
    public static function of(ClubFigures $ordered, ClubFigures $delivered, array $tolerances = []): self
    {
        $checks = [];
        foreach (ClubFigures::TOLERANCES as $name => $usual) {
            $tolerance = $tolerances[$name] ?? $usual;
            InvalidInput::requireWithin("tolerances.{$name}", $tolerance, 0, 20);
            [$wanted, $read] = [$ordered->{$name}, $delivered->{$name}];
            $off = $wanted === null || $read === null ? null : $read - $wanted;
            $checks[] = [
                'name' => $name, 'ordered' => $wanted, 'delivered' => $read, 'tolerance' => $tolerance, 'off' => $off,
                // As gauges read: a tenth of a degree that is only the machine's rounding is no fault.
                'isWithin' => $off === null ? null : abs($off) <= $tolerance + 1e-9,
            ];
        }

        return new self($checks, $ordered->hand === $delivered->hand);
    }

    /** @return list<string> figures that are out of tolerance */
    public function out(): array
    {
        return array_column(array_filter($this->checks, static fn (array $c): bool => $c['isWithin'] === false), 'name');
    }

    /** @return list<string> figures of the order that nobody read */
    public function unread(): array
    {
        return array_column(array_filter($this->checks, static fn (array $c): bool => $c['ordered'] !== null && $c['delivered'] === null), 'name');
    }

    public function isGood(): bool
    {
        return $this->isHandRight && $this->out() === [] && $this->unread() === [];
    }

    public function off(string $name): ?float
    {
        foreach ($this->checks as $check) {
            if ($check['name'] === $name) {
                return $check['off'];
            }
        }

        return null;
    }

    /**
     * Grams at the head that bring the swing weight back, + to add; null where it is not known. From the same balance about 14 in as everywhere
     * (`SwingWeight`).
     */
    public function gramsAtHead(?float $lengthMm): ?float
    {
        $off = $this->off('swingWeightPoints');

        return $off === null ? null : -$off / SwingWeight::pointsPerHeadG($lengthMm);
    }
}
