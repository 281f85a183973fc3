<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\ClubBuild;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SetupParts;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;

use function array_intersect_key;
use function array_map;
use function array_push;
use function array_values;
use function implode;
use function in_array;
use function json_encode;
use function ksort;

/**
 * Every legal setup that the rack offers this player: heads of the hand, sleeve positions, weight arrangements, each with the
 * shaft, length, ball, tee and cue of the own club and with every other that was hit. The other lofts in which a head can be had stand
 * among them, to order.
 */
final readonly class RackCandidates
{
    /** All; what is in the studio; that and what can be ordered; or the head of the own club as it is built: no purchase. */
    public const WHICH = ['all', 'stock', 'order', 'own'];

    private const MOST_BUILDS = 8;

    /**
     * @param  list<SetupSpec>  $specs
     * @param  array<string, RackCandidate>  $about  by tag
     * @param  list<string>  $unreadable  what of the rack could not be used, and why
     * @param  array<string, ClubBuild>  $builds  that were hit, by key
     * @param  list<string>  $tooDear  heads that cost more than the brief has, in its currency; they are left out
     */
    private function __construct(
        public array $specs, public array $about, public array $unreadable, public ClubBuild $usual, public array $builds,
        public array $tooDear = [],
    ) {
    }

    /** Which setups a brief asks for before anybody chooses: who keeps the head is offered what it can be turned to. */
    public static function preset(FittingRecord $record): string
    {
        return $record->brief->purchase === 'keep the head' && $record->own()->racked !== null ? 'own' : 'all';
    }

    /** @param  string  $only  one of `WHICH` */
    public static function by(FittingRecord $record, string $only = 'all'): self
    {
        [$usual, $builds, $like] = self::builds($record);
        $hit = [];
        foreach ($record->setups as $setup) {
            if ($setup->racked !== null) {
                $hit[self::key($setup->racked->label, $setup->sleeveLabel, $setup->masses, $setup->build()->by($usual))] ??= $setup;
            }
        }
        $specs = $about = $unreadable = $names = $tooDear = [];
        foreach ($record->rack as $at => $head) {
            // Two heads of one name are told apart, as they lie on the rack.
            $names[$head->label] = ($names[$head->label] ?? 0) + 1;
            if (! self::isAsked($head, $record, $only)) {
                continue;
            }
            if (self::isTooDear($head, $record)) {
                $tooDear[] = $head->label;

                continue;
            }
            $isFirst = $names[$head->label] === 1;
            $name = $head->label.($isFirst ? '' : " ({$names[$head->label]})");
            $own = $only === 'own' ? [$usual->key() => $usual] : $builds;
            try {
                $offered = self::ofHead($head, $at, $name, $name, $own, $usual, $like, $isFirst ? $hit : [], $record);
                foreach (in_array($only, ['all', 'order'], true) ? $head->otherLofts() : [] as $loft) {
                    // Nobody has it: its weights are those that it comes with, and what it is built with is the usual.
                    array_push($offered, ...self::ofHead(
                        $head->inLoft($loft), $at, RackedHead::labelIn($name, $loft), $name, [$usual->key() => $usual], $usual, $like, [],
                        $record, true,
                    ));
                }
                foreach ($offered as [$spec, $candidate]) {
                    $specs[] = $spec;
                    $about[$spec->tag] = $candidate;
                }
            } catch (InvalidInput $e) {
                $unreadable[] = "{$head->label}: {$e->getMessage()}";
            }
        }

        return new self($specs, $about, $unreadable, $usual, $builds, $tooDear);
    }

    /** Prices of another currency than the budget's are not compared. */
    private static function isTooDear(RackedHead $head, FittingRecord $record): bool
    {
        [$price, $currency] = [$head->price(), $head->currency()];
        $brief = $record->brief;

        return $brief->money !== null && $price !== null && $head->label !== $record->own()->racked?->label
            && ($currency === '' || $brief->currency === '' || $currency === $brief->currency)
            && $price + ($brief->labour ?? 0.0) > $brief->money;
    }

    /**
     * The usual build, every build that was hit by its key, and for each the tag of a setup that is built so.
     *
     * @return array{ClubBuild, array<string, ClubBuild>, array<string, string>}
     */
    private static function builds(FittingRecord $record): array
    {
        $own = $record->own();
        $tried = array_intersect_key($record->setups, $record->sets());
        $usual = ClubBuild::usual($own->build(), array_values(array_map(static fn (SetupRecord $s): ClubBuild => $s->build(), $tried)));
        $builds = [$usual->key() => $usual];
        $like = [$usual->key() => $own->tag];
        $shots = [$usual->key() => PHP_INT_MAX];
        foreach ($tried as $setup) {
            $build = $setup->build()->by($usual);
            $key = $build->key();
            $builds[$key] ??= $build;
            $like[$key] ??= $setup->tag;
            $shots[$key] = min(PHP_INT_MAX - 1, ($shots[$key] ?? 0) + count($record->shots[$setup->tag] ?? []));
        }
        $shots[$usual->key()] = PHP_INT_MAX;
        // Of more builds than anybody would build on every head, those that were hit most; what was hit itself is judged all the same.
        arsort($shots);

        return [$usual, array_intersect_key($builds, array_slice($shots, 0, self::MOST_BUILDS, true)), $like];
    }

    private static function isAsked(RackedHead $head, FittingRecord $record, string $only): bool
    {
        return (! $head->retired || $head->label === $record->own()->racked?->label) && $head->hand === $record->hand && match ($only) {
            'own' => $head->label === $record->own()->racked?->label,
            'stock' => $head->isInStock(),
            'order' => self::isOrderable($head),
            default => true,
        };
    }

    private static function isOrderable(RackedHead $head): bool
    {
        return $head->isInStock() || isset($head->supply['leadDays']);
    }

    /**
     * Sleeve positions × arrangements × builds of one head.
     *
     * @param  string  $model  name of the head that it is, in whatever loft
     * @param  array<string, ClubBuild>  $builds
     * @param  array<string, string>  $like
     * @param  array<string, SetupRecord>  $hit  setups of the fitting, by what they are made of
     * @param  bool  $inOtherLoft  is it that head in a loft that would have to be ordered?
     * @return list<array{SetupSpec, RackCandidate}>
     *
     * @throws InvalidInput where the head cannot be computed with
     */
    private static function ofHead(
        RackedHead $head, int $at, string $name, string $model, array $builds, ClubBuild $usual, array $like, array $hit,
        FittingRecord $record, bool $inOtherLoft = false,
    ): array {
        $straight = $head->gauged()->straight();
        $arrangements = array_map(
            static fn (array $masses): array => [$masses, $head->bodyWith($masses), $head->sayWeights($masses)],
            $inOtherLoft ? [$head->standard] : $head->arrangements(),
        );
        // What was hit says more of its loft than the print.
        $wasHit = in_array($head->label, array_map(static fn (SetupRecord $s): string => $s->head, array_intersect_key($record->setups,
            $record->sets())), true);
        $printSd = $head->isLoftPrinted() && ! $wasHit ? PlayerPriors::PRINT_SD_DEG : 0.0;
        $assumed = $head->isCgAssumed();
        $out = [];
        foreach ($head->sleeve->positions as $position) {
            $squared = PlayingGeometry::present($straight, $position->tilts, 1.0);
            $soled = PlayingGeometry::present($straight, $position->tilts, 0.0);
            foreach ($arrangements as [$masses, $body, $weights]) {
                foreach ($builds as $key => $build) {
                    $same = $hit[self::key($head->label, $position->label, $masses, $build)] ?? null;
                    $with = $build->beside($usual);
                    $spreadDeg = $same === null ? $printSd : 0.0;
                    $tag = $same->tag ?? implode('/', [$name, $position->label, $weights, ...array_map(strval(...), array_values($with))]);
                    $out[] = [
                        new SetupSpec(
                            $tag, $name, $body, $squared->loftDeg, $soled->loftDeg, $soled->faceOpenDeg, $position->label, $weights,
                            $build->shaft, $build->lengthMm, $build->ball, $build->teeMm, $build->cue, null, false, $assumed, $record->hand,
                            $model, $spreadDeg,
                        ),
                        new RackCandidate(
                            new SetupParts($name, $position->label, $masses, $weights, $build),
                            $head->isInStock(), $inOtherLoft || self::isOrderable($head), $head->price(), $head->currency(), $same?->tag, $at, $with,
                            $like[$key],
                            $inOtherLoft ? $head->stated->loftDeg : null,
                            $head->leadDays(),
                        ),
                    ];
                }
            }
        }

        return $out;
    }

    /** What a setup is made of; a setup that is no longer on the rack has no masses. */
    public function parts(SetupSpec $spec): SetupParts
    {
        return new SetupParts($spec->head, $spec->sleeve, $this->about[$spec->tag]->parts->masses ?? [], $spec->weights, $spec->build());
    }

    /** What the rack offers that is made as this setup is; null where it offers none. */
    public function specLike(SetupRecord $setup): ?SetupSpec
    {
        $key = self::key($setup->head, $setup->sleeveLabel, $setup->masses, $setup->build()->by($this->usual));
        foreach ($this->specs as $spec) {
            $parts = $this->about[$spec->tag]->parts;
            if (self::key($parts->head, $parts->sleeve, $parts->masses, $parts->build) === $key) {
                return $spec;
            }
        }

        return null;
    }

    /** @param  array<string, float>  $masses */
    private static function key(string $head, string $sleeve, array $masses, ClubBuild $build): string
    {
        ksort($masses);

        return "{$head}/{$sleeve}/".json_encode(array_map(floatval(...), $masses))."/{$build->key()}";
    }
}
