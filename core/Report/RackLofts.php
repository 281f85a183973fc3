<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;

/** The lofts that a player can get: every head of their hand as it lies on the rack, and in each other loft in which it can be ordered. */
final readonly class RackLofts
{
    private function __construct(
        public RackedHead $head,
        /** Place in the record's rack. */
        public int $rackAt,
        /** Name of the head whatever its loft: what it does of its own is the same. */
        public string $model,
        public bool $inOtherLoft,
    ) {
    }

    /**
     * @param  string|null  $only  name of one head; null: all
     * @return list<self> in the order of the rack, each head's lofts from the least
     */
    public static function of(FittingRecord $record, ?string $only = null): array
    {
        $out = [];
        foreach ($record->rack as $at => $head) {
            if ($head->retired || $head->hand !== $record->hand || ($only !== null && $head->label !== $only)) {
                continue;
            }
            $lofts = [new self($head, $at, $head->label, false)];
            foreach ($head->otherLofts() as $loft) {
                $lofts[] = new self($head->inLoft($loft), $at, $head->label, true);
            }
            usort($lofts, static fn (self $a, self $b): int => $a->head->stated->loftDeg <=> $b->head->stated->loftDeg);
            array_push($out, ...$lofts);
        }

        return $out;
    }

    /** Would it have to be ordered? */
    public function isToOrder(): bool
    {
        return $this->inOtherLoft || ! $this->head->isInStock();
    }

    /**
     * The head at a position of its sleeve, otherwise built as another setup is.
     *
     * @param  array<string, float>|null  $masses  g by slot; null: the standard weights
     */
    public function at(string $position, ?SetupRecord $like = null, ?array $masses = null): SetupRecord
    {
        $masses ??= $this->head->standard;

        return new SetupRecord(
            "{$this->head->label} at {$position}", $this->head->label, $this->head, $this->head->sleeve, $position, $masses,
            $this->head->sayWeights($masses), shaft: $like->shaft ?? '', lengthMm: $like?->lengthMm, ball: $like->ball ?? '',
            teeMm: $like?->teeMm, cue: $like->cue ?? '', loftFromPrint: $this->head->isLoftPrinted(),
        );
    }

    /** As judging takes it: with how far a head that nobody read lies from its print. */
    public function spec(FittingRecord $record, SetupRecord $setup): SetupSpec
    {
        $wasHit = ! $this->inOtherLoft && isset($record->sets()[$this->tagOf($record) ?? '']);

        return new SetupSpec(...[
            'model' => $this->model, 'printSdDeg' => $this->head->isLoftPrinted() && ! $wasHit ? PlayerPriors::PRINT_SD_DEG : 0.0,
        ] + get_object_vars($setup->spec($record->hand)));
    }

    /** Tag of the first setup of the fitting that has this very head, and was hit where one was. */
    private function tagOf(FittingRecord $record): ?string
    {
        $found = null;
        foreach ($record->setups as $tag => $setup) {
            if ($setup->racked?->label === $this->head->label) {
                $found = isset($record->sets()[$tag]) ? (string) $tag : $found ?? (string) $tag;
            }
        }

        return $found;
    }

    /**
     * @return array{statedLoftDeg: float, readLoftDeg: float|null, inStock: bool, toOrder: bool, leadDays: int|null, price: float|null,
     * currency: string}
     */
    public function supply(): array
    {
        return [
            'statedLoftDeg' => $this->head->stated->loftDeg,
            'readLoftDeg' => $this->head->isLoftPrinted() ? null : $this->head->gauged()->straight()->loftDeg,
            'inStock' => ! $this->isToOrder(), 'toOrder' => $this->isToOrder(),
            'leadDays' => $this->head->leadDays(), 'price' => $this->head->price(), 'currency' => $this->head->currency(),
        ];
    }
}
