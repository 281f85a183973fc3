<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Finder\PredictedDraws;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Fitting\Advice;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Record\FittingRecord;

use function array_filter;
use function array_values;

/**
 * What a decision stands on: the shots that count, and what the models draw from them where they have something to
 * work from. A setup that the models fail on is left out and named; where they fail on all, the shots speak alone,
 * and that is named too.
 */
final readonly class Grounds
{
    /**
     * @param  Search|null  $search  null: by the shots alone
     * @param  PredictedDraws|null  $draws  of what was hit; null: by the shots alone
     * @param  list<ShotSet>  $sets  setups that are judged
     * @param  list<ModelFailure>  $failures
     */
    private function __construct(
        private FittingRecord $record, public ?Search $search, public ?PredictedDraws $draws, public array $sets, public array $failures,
    ) {
    }

    public static function of(FittingRecord $record, ?Screening $screening = null): self
    {
        $sets = array_values($record->sets($screening));
        $failures = $record->failures();
        try {
            $search = Search::modelled($record, $screening);
            $draws = $search?->drawsOfHit();
        } catch (ModelFailure $e) {
            return new self($record, null, null, $sets, [
                ...$failures, $e->within('The judgement by the models (what stands here is by the shots alone)'),
            ]);
        }
        if ($draws === null) {
            return new self($record, null, null, $sets, $failures);
        }
        $drawn = array_values(array_filter($sets, static fn (ShotSet $s): bool => $draws->index($s->tag) !== null));

        return new self($record, $search, $draws, $drawn, [...$failures, ...$draws->failures]);
    }

    /** By the models where they have something to work from, else by the shots alone. */
    public function advice(): Advice
    {
        $record = $this->record;
        $limits = $record->limits();
        $posterior = $this->draws === null ? null : Search::posterior($this->draws, $record->brief, $limits);

        return Advice::of(
            $this->sets, $record->benchmark ?? '', $record->brief, $record->flight, $posterior, $record->hand, $limits,
            $record->confidence, TieValues::breaking($record), terms: $record->setups === [] ? null : Cost::terms($record),
        );
    }
}
