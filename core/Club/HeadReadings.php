<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/**
 * All readings of a head in the order they were taken. For each value the latest set that has it is in force; earlier ones stay
 * as history. A value that was never read falls back to what is stated.
 */
final readonly class HeadReadings
{
    /** Stated and measured loft farther apart than this are worth a warning (common practice: one degree off is common). */
    public const WARN_BEYOND_DEG = 1.0;

    /** @param  list<ReadingSet>  $sets  oldest first */
    public function __construct(public HeadReading $stated, public SleeveSystem $sleeve, public array $sets)
    {
    }

    public function inForce(string $quantity): ?ReadingSet
    {
        foreach (array_reverse($this->sets) as $set) {
            if ($set->has($quantity)) {
                return $set;
            }
        }

        return null;
    }

    /**
     * The head with a straight shaft, on its sole: each value from its own set, referred from the position and the way it was
     * read. What is stated holds at home.
     */
    public function straight(): HeadReading
    {
        $home = PlayingGeometry::straighten($this->stated, $this->sleeve->home()->tilts, AddressHabit::Soled);
        [$loft, $lie, $face] = [$home->loftDeg, $home->lieDeg, $home->faceOpenDeg];
        // Lie and face first: a loft that was read with the face held square needs them.
        $lieSet = $this->inForce('lieDeg');
        if ($lieSet !== null) {
            $lie = $this->refer($lieSet, $loft, $lieSet->mean('lieDeg'), 0.0)->lieDeg;
        }
        $faceSet = $this->inForce('faceOpenDeg');
        if ($faceSet !== null) {
            $face = $this->refer($faceSet, $loft, $this->lieAt($faceSet, $lie), $faceSet->mean('faceOpenDeg'))->faceOpenDeg;
        }
        $loftSet = $this->inForce('loftDeg');
        if ($loftSet !== null) {
            $loft = $loftSet->mean('loftDeg');
            if ($loftSet->readAs === AddressHabit::Squared) {
                $at = PlayingGeometry::present(
                    new HeadReading($loft, $lie, $face), $this->sleeve->position($loftSet->position)->tilts, 0.0,
                );
                $loft = PlayingGeometry::straighten(
                    new HeadReading($loft, $at->lieDeg, $at->faceOpenDeg), $this->sleeve->position($loftSet->position)->tilts,
                    AddressHabit::Squared,
                )->loftDeg;
            }
        }

        return new HeadReading($loft, $lie, $face);
    }

    /** Stated minus measured loft; null while the loft has not been read. */
    public function loftOffDeg(): ?float
    {
        return $this->inForce('loftDeg') === null ? null : $this->stated->loftDeg - $this->straight()->loftDeg;
    }

    private function refer(ReadingSet $set, float $loftDeg, float $lieDeg, float $faceOpenDeg): HeadReading
    {
        return PlayingGeometry::straighten(
            new HeadReading($loftDeg, $lieDeg, $faceOpenDeg), $this->sleeve->position($set->position)->tilts, AddressHabit::Soled,
        );
    }

    /** The lie that the head shows at the position of a set, from its straight lie. */
    private function lieAt(ReadingSet $set, float $straightLieDeg): float
    {
        return PlayingGeometry::present(
            new HeadReading($this->stated->loftDeg, $straightLieDeg, 0.0), $this->sleeve->position($set->position)->tilts, 0.0,
        )->lieDeg;
    }
}
