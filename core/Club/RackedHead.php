<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

use function abs;
use function array_diff_key;
use function array_filter;
use function array_map;
use function array_sum;
use function array_unique;
use function array_values;
use function count;
use function floatval;
use function get_object_vars;
use function hypot;
use function in_array;
use function is_array;
use function sort;
use function sprintf;

/**
 * A physical head as the rack knows it: what is stamped on it, its sleeve, its readings, and its weights. Mass, CG and inertia
 * are those of the head with its standard weights in; what nobody told is the preset's and called assumed.
 */
final class RackedHead
{
    /** Arrangements offered of each head: the standard one, and those that move the CG furthest apart. */
    private const ARRANGEMENTS = 12;

    /** Another total mass is another swing weight: only what stays this close to the standard is offered, g. */
    private const SAME_MASS_G = 4.0;

    private ?HeadReadings $gauged = null;

    private ?Head $body = null;

    /**
     * @param  list<WeightSlot>  $slots
     * @param  list<float>  $stockG  weights that lie ready
     * @param  array<string, float>  $standard  g by slot, as the head comes
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}|null  $inertiaGcm2
     * @param  list<ReadingSet>  $readings  oldest first
     * @param  array<string, mixed>  $supply  inStock, leadDays, price, currency …
     */
    public function __construct(
        public readonly string $label,
        public readonly Hand $hand,
        public readonly HeadReading $stated,
        public readonly SleeveSystem $sleeve,
        public readonly string $type = 'middle',
        public readonly ?float $massG = null,
        public readonly ?float $cgToeMm = null,
        public readonly ?float $cgBackMm = null,
        public readonly ?float $cgUpMm = null,
        public readonly ?float $bulgeMm = null,
        public readonly ?float $rollMm = null,
        public readonly ?array $inertiaGcm2 = null,
        public readonly array $slots = [],
        public readonly array $stockG = [],
        public readonly array $standard = [],
        public readonly array $readings = [],
        public readonly array $supply = [],
        public readonly bool $retired = false,
    ) {
    }

    /** Readings taken of it, at its own sleeve. */
    public function gauged(): HeadReadings
    {
        return $this->gauged ??= new HeadReadings($this->stated, $this->sleeve, $this->readings);
    }

    /** The head as it comes, with its standard weights, at its measured loft and mass where there are readings. */
    public function body(): Head
    {
        if ($this->body === null) {
            $preset = Head::preset($this->type);
            $this->body = new Head(
                $this->gauged()->straight()->loftDeg,
                $this->gauged()->inForce('massG')?->mean('massG') ?? $this->massG ?? $preset->massG,
                $this->cgToeMm ?? $preset->cgToeMm,
                $this->cgBackMm ?? $preset->cgBackMm,
                $this->cgUpMm ?? $preset->cgUpMm,
                $this->inertiaGcm2 ?? $preset->inertiaGcm2,
                $this->bulgeMm ?? $preset->bulgeRadiusMm,
                $this->rollMm ?? $preset->rollRadiusMm,
                restitutionFall: $preset->restitutionFall,
            );
        }

        return $this->body;
    }

    /**
     * The head with other weights in than those it comes with.
     *
     * @param  array<string, float>  $masses  g by slot
     */
    public function bodyWith(array $masses): Head
    {
        return Weights::place(Weights::remove($this->body(), $this->slots, $this->standard), $this->slots, $masses);
    }

    /** @return list<string> what is taken from the preset because nobody told it */
    public function assumed(): array
    {
        $out = [];
        foreach (
            [
                'mass' => $this->gauged()->inForce('massG') === null ? $this->massG : 1.0,
                'CG' => $this->cgToeMm === null || $this->cgUpMm === null ? null : $this->cgBackMm, 'inertia' => $this->inertiaGcm2,
                'bulge' => $this->bulgeMm, 'roll' => $this->rollMm,
            ] as $what => $known
        ) {
            if ($known === null) {
                $out[] = $what;
            }
        }

        return $out;
    }

    public function isInStock(): bool
    {
        return (bool) ($this->supply['inStock'] ?? true);
    }

    public function price(): ?float
    {
        return is_numeric($this->supply['price'] ?? null) ? (float) $this->supply['price'] : null;
    }

    public function currency(): string
    {
        return (string) ($this->supply['currency'] ?? '');
    }

    /** Days until an ordered one is here; null where nobody said. */
    public function leadDays(): ?int
    {
        return is_numeric($this->supply['leadDays'] ?? null) ? (int) $this->supply['leadDays'] : null;
    }

    /**
     * The other lofts in which it can be had, °, the least first; its own is none of them.
     *
     * @return list<float>
     */
    public function otherLofts(): array
    {
        $lofts = $this->supply['lofts'] ?? null;
        $others = array_filter(
            array_map(floatval(...), array_filter(is_array($lofts) ? $lofts : [], is_numeric(...))),
            fn (float $loft): bool => $loft >= 4.0 && $loft <= 20.0 && abs($loft - $this->stated->loftDeg) > 0.01,
        );
        sort($others);

        return array_values(array_unique($others));
    }

    /** The same head as it would be ordered in another loft: nobody has it, so nobody has read it. */
    public function inLoft(float $statedDeg): self
    {
        return new self(...[
            'label' => self::labelIn($this->label, $statedDeg),
            'stated' => new HeadReading($statedDeg, $this->stated->lieDeg, $this->stated->faceOpenDeg), 'readings' => [],
            'supply' => ['inStock' => false, 'lofts' => []] + $this->supply,
        ] + array_diff_key(get_object_vars($this), ['gauged' => 1, 'body' => 1]));
    }

    /** What a head is called in another loft than the one that lies there. */
    public static function labelIn(string $label, float $statedDeg): string
    {
        return sprintf('%s in %g°', $label, $statedDeg);
    }

    /** Did nobody put it on the gauge, so that its loft is the printed one? */
    public function isLoftPrinted(): bool
    {
        return $this->gauged()->inForce('loftDeg') === null;
    }

    /** Refuses what geometry, weights or a rigid body cannot be. */
    public function requireSound(): void
    {
        Weights::requireLegal($this->slots, $this->stockG, $this->standard);
        $this->bodyWith([]);
    }

    /**
     * @return list<array<string, float>> legal arrangements worth trying, g by slot: the standard one first, then those whose CG
     *   lies furthest from all before
     */
    public function arrangements(): array
    {
        $standard = $this->standard;
        ksort($standard);
        if ($this->slots === []) {
            return [[]];
        }
        $mass = array_sum($standard);
        $rest = [];
        foreach (Weights::arrangements($this->slots, $this->stockG, 400) as $masses) {
            $masses = array_map(floatval(...), $masses);
            ksort($masses);
            if ($masses != $standard && abs(array_sum($masses) - $mass) <= self::SAME_MASS_G) {
                $body = $this->bodyWith($masses);
                $rest[] = [$masses, $body->cgToeMm, $body->cgBackMm];
            }
        }
        $chosen = [$standard];
        $body = $this->body();
        $at = [[$body->cgToeMm, $body->cgBackMm]];
        while ($rest !== [] && count($chosen) < self::ARRANGEMENTS) {
            $far = array_map(
                static fn (array $r): float => min(array_map(static fn (array $a): float => hypot($a[0] - $r[1], $a[1] - $r[2]), $at)),
                $rest,
            );
            $i = (int) array_search(max($far), $far, true);
            $chosen[] = $rest[$i][0];
            $at[] = [$rest[$i][1], $rest[$i][2]];
            array_splice($rest, $i, 1);
        }

        return $chosen;
    }

    /**
     * Weights in plain words, in the order of the slots: "12 g back, 4 g toe".
     *
     * @param  array<string, float>  $masses  g by slot
     */
    public function sayWeights(array $masses): string
    {
        $out = [];
        foreach ($this->slots as $slot) {
            if (isset($masses[$slot->name])) {
                $out[] = sprintf('%g g %s', $masses[$slot->name], $slot->name);
            }
        }

        return $this->slots !== [] && $out === [] ? 'no weights' : implode(', ', $out);
    }

    public function isCgAssumed(): bool
    {
        return in_array('CG', $this->assumed(), true);
    }
}
