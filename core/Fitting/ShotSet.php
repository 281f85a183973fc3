<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use ArrayObject;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Ellipse;
use MintCarry\Core\Statistics\Robust;
use MintCarry\Core\Statistics\Summary;

/** The counted shots of one setup. Under a robust policy far values are pulled in wherever values are read. */
final readonly class ShotSet
{
    /** @var ArrayObject<string, list<float>> values that were asked for, by measure: the same set is asked many times */
    private ArrayObject $known;

    /** @var ArrayObject<string, Summary|null> by measure */
    private ArrayObject $summed;

    /** @var ArrayObject<string, array<int, self>> the visits, once they were asked for */
    private ArrayObject $parts;

    /**
     * @param  list<LaunchShot>  $shots
     * @param  list<int>  $visits  on which visit each was hit; empty: all on one
     */
    public function __construct(public string $tag, public array $shots, private bool $pullsIn = false, private array $visits = [])
    {
        /** @var ArrayObject<string, list<float>> $values */
        $values = new ArrayObject;
        /** @var ArrayObject<string, Summary|null> $summaries */
        $summaries = new ArrayObject;
        /** @var ArrayObject<string, array<int, self>> $parts */
        $parts = new ArrayObject;
        [$this->known, $this->summed, $this->parts] = [$values, $summaries, $parts];
    }

    /** @return array<int, self> the shots of each visit, by its number */
    public function byVisit(): array
    {
        $first = $this->visits[0] ?? null;
        if ($first !== null && count($this->visits) === count($this->shots) && $this->isAllOf($first)) {
            return [$first => $this];
        }

        return $this->parts['visits'] ??= $this->divided();
    }

    private function isAllOf(int $visit): bool
    {
        foreach ($this->visits as $one) {
            if ($one !== $visit) {
                return false;
            }
        }

        return true;
    }

    /** @return array<int, self> */
    private function divided(): array
    {
        $shots = [];
        foreach ($this->shots as $i => $shot) {
            $shots[$this->visits[$i] ?? 0][] = $shot;
        }
        ksort($shots);

        $out = [];
        foreach ($shots as $visit => $its) {
            $out[$visit] = new self($this->tag, $its, $this->pullsIn, array_fill(0, count($its), $visit));
        }

        return $out;
    }

    /** Did the monitor only fill this in? Then it is not compared. */
    public function isUnmeasured(Measure $measure): bool
    {
        foreach ($this->shots as $shot) {
            if (isset($shot->unmeasured[$measure->value])) {
                return true;
            }
        }

        return false;
    }

    public function count(): int
    {
        return count($this->shots);
    }

    /** Are far values pulled in (robust policy)? */
    public function isRobust(): bool
    {
        return $this->pullsIn;
    }

    /** @return list<float> */
    public function values(Measure $measure): array
    {
        if (! $this->pullsIn) {
            return $this->raw($measure);
        }

        return $this->known["{$measure->value} pulled in"] ??= Robust::pulledIn($this->raw($measure));
    }

    /** @return list<float> as they were, under any policy */
    public function raw(Measure $measure): array
    {
        $field = $measure->value;
        if (isset($this->known[$field])) {
            return $this->known[$field];
        }
        $values = [];
        foreach ($this->shots as $shot) {
            if (isset($shot->known[$field])) {
                $values[] = $shot->known[$field];
            }
        }

        return $this->known[$field] = $values;
    }

    public function summary(Measure $measure): ?Summary
    {
        if (! $this->summed->offsetExists($measure->value)) {
            $this->summed[$measure->value] = Summary::of($this->values($measure));
        }

        return $this->summed[$measure->value];
    }

    /** How many of this measure's values were computed by the flight model rather than measured. */
    public function computedCount(Measure $measure): int
    {
        $n = 0;
        $field = $measure->value;
        foreach ($this->shots as $shot) {
            $n += isset($shot->computed[$field]) ? 1 : 0;
        }

        return $n;
    }

    /** Side against carry, two standard deviations wide on the long and short way. */
    public function ellipse(): ?Ellipse
    {
        $points = [];
        foreach ($this->shots as $shot) {
            $side = $shot->value(Measure::Side);
            $carry = $shot->value(Measure::Carry);
            if ($side !== null && $carry !== null) {
                $points[] = [$side, $carry];
            }
        }

        if ($this->pullsIn) {
            $points = array_map(
                static fn (float $x, float $y): array => [$x, $y], Robust::pulledIn(array_column($points, 0)),
                Robust::pulledIn(array_column($points, 1)),
            );
        }

        return Ellipse::around($points, 1.5);
    }
}
