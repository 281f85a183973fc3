<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use MintCarry\Core\Club\ClubBuild;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SetupParts;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Club\SleeveChange;
use MintCarry\Core\Club\SleeveSystem;

/**
 * A setup of a fitting: built from a head of the rack, or only described by what is printed and what was read of it. Angles in
 * degrees, face + = open; lengths mm.
 */
final readonly class SetupRecord
{
    public const USUAL_LIE_DEG = 58.0;

    /**
     * @param  RackedHead|null  $racked  null for a setup that is only described
     * @param  SleeveSystem|null  $sleeve  the sleeve as it was when the setup was built
     * @param  array<string, float>  $masses  g by slot
     * @param  HeadReading|null  $described  of a described setup: loft, lie and face as read, or as printed
     * @param  bool  $loftFromPrint  was the loft never read?
     * @param  list<array{what: string, label: string, price: float|null, currency: string}>  $parts  of the rack that it is built with
     */
    public function __construct(
        public string $tag,
        public string $head,
        public ?RackedHead $racked = null,
        public ?SleeveSystem $sleeve = null,
        public string $sleeveLabel = '',
        public array $masses = [],
        public string $weights = '',
        public ?HeadReading $described = null,
        public ?SleeveChange $change = null,
        public string $shaft = '',
        public ?float $lengthMm = null,
        public string $ball = '',
        public ?float $teeMm = null,
        public string $cue = '',
        public ?float $swingWeightPoints = null,
        public bool $loftFromPrint = false,
        public ?string $branchedFrom = null,
        public string $grip = '',
        public array $parts = [],
    ) {
    }

    /**
     * What the head presents for a player who squares this much: from the gauge where it was read and from the print where not.
     * The sleeve is the one that the setup was built with, whatever the rack says of it today; readings are always the latest.
     *
     * @param  float  $squaringShare  0 … 1
     */
    public function playing(float $squaringShare): PlayingGeometry
    {
        if ($this->racked !== null) {
            return PlayingGeometry::present(
                $this->racked->gauged()->straight(), $this->sleeveSystem()->position($this->sleeveLabel)->tilts, $squaringShare,
            );
        }

        return PlayingGeometry::of(
            $this->described ?? new HeadReading(10.5, self::USUAL_LIE_DEG), $this->change ?? new SleeveChange, $squaringShare,
        );
    }

    /** The sleeve as it was when the setup was built. */
    public function sleeveSystem(): SleeveSystem
    {
        return $this->sleeve ?? SleeveSystem::fixed();
    }

    /** The same setup at another position of its sleeve, named by it. */
    public function at(string $sleeveLabel): self
    {
        return new self(...['tag' => $sleeveLabel, 'sleeveLabel' => $sleeveLabel] + get_object_vars($this));
    }

    /** The head with this setup's weights in it; null when it is only described. */
    public function body(): ?Head
    {
        return $this->racked?->bodyWith($this->masses);
    }

    /** As judging takes it. A head that is only described is of the middle kind. */
    public function spec(Hand $hand): SetupSpec
    {
        [$squared, $soled] = [$this->playing(1.0), $this->playing(0.0)];
        $body = $this->body();

        return new SetupSpec(
            $this->tag, $this->head, $body ?? Head::preset('middle', max(5.0, min(19.0, $squared->loftDeg))), $squared->loftDeg,
            $soled->loftDeg, $soled->faceOpenDeg, $this->sleeveLabel, $this->weights, $this->shaft, $this->lengthMm, $this->ball,
            $this->teeMm, $this->cue, $this->swingWeightPoints, $this->loftFromPrint,
            $body === null || $this->racked?->isCgAssumed() === true, $hand,
        );
    }

    /** What it is made of beside head, sleeve and weights. */
    public function build(): ClubBuild
    {
        return new ClubBuild($this->shaft, $this->lengthMm, $this->ball, $this->teeMm, $this->cue);
    }

    /** All that it is made of, as a change-over takes it. */
    public function parts(): SetupParts
    {
        return new SetupParts(
            $this->head, $this->sleeveLabel, $this->masses, $this->weights, $this->build(), $this->grip, $this->swingWeightPoints,
        );
    }
}
