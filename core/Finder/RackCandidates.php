<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\ClubBuild;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SetupParts;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;

use function array_intersect_key;
use function array_map;
use function array_values;
use function implode;
use function json_encode;
use function ksort;

/**
 * Every legal setup that the rack offers this player: heads of the hand, sleeve positions, weight arrangements, each with the
 * shaft, length, ball, tee and cue of the own club and with every other that was hit.
 */
final readonly class RackCandidates
{
    /** All; what is in the studio; that and what can be ordered; or the head of the own club as it is built: no purchase. */
    public const WHICH = ['all', 'stock', 'order', 'own'];

    /**
     * @param  list<SetupSpec>  $specs
     * @param  array<string, RackCandidate>  $about  by tag
     * @param  list<string>  $unreadable  what of the rack could not be used, and why
     * @param  array<string, ClubBuild>  $builds  that were hit, by key
     */
    private function __construct(
        public array $specs, public array $about, public array $unreadable, public ClubBuild $usual, public array $builds,
    ) {
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
        $specs = $about = $unreadable = $names = [];
        foreach ($record->rack as $at => $head) {
            // Two heads of one name are told apart, as they lie on the rack.
            $names[$head->label] = ($names[$head->label] ?? 0) + 1;
            if (! self::isAsked($head, $record, $only)) {
                continue;
            }
            $isFirst = $names[$head->label] === 1;
            $name = $head->label.($isFirst ? '' : " ({$names[$head->label]})");
            $own = $only === 'own' ? [$usual->key() => $usual] : $builds;
            try {
                foreach (self::ofHead($head, $at, $name, $own, $usual, $like, $isFirst ? $hit : [], $record) as [$spec, $candidate]) {
                    $specs[] = $spec;
                    $about[$spec->tag] = $candidate;
                }
            } catch (InvalidInput $e) {
                $unreadable[] = "{$head->label}: {$e->getMessage()}";
            }
        }

        return new self($specs, $about, $unreadable, $usual, $builds);
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
        foreach ($tried as $setup) {
            $build = $setup->build()->by($usual);
            $builds[$build->key()] ??= $build;
            $like[$build->key()] ??= $setup->tag;
        }

        return [$usual, $builds, $like];
    }

    private static function isAsked(RackedHead $head, FittingRecord $record, string $only): bool
    {
        return ! $head->retired && $head->hand === $record->hand && match ($only) {
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
     * @param  array<string, ClubBuild>  $builds
     * @param  array<string, string>  $like
     * @param  array<string, SetupRecord>  $hit  setups of the fitting, by what they are made of
     * @return list<array{SetupSpec, RackCandidate}>
     *
     * @throws InvalidInput where the head cannot be computed with
     */
    private static function ofHead(
        RackedHead $head, int $at, string $name, array $builds, ClubBuild $usual, array $like, array $hit, FittingRecord $record,
    ): array {
        $straight = $head->gauged()->straight();
        $arrangements = array_map(
            static fn (array $masses): array => [$masses, $head->bodyWith($masses), $head->sayWeights($masses)],
            $head->arrangements(),
        );
        $assumed = $head->isCgAssumed();
        $price = isset($head->supply['price']) ? (float) $head->supply['price'] : null;
        $currency = (string) ($head->supply['currency'] ?? '');
        $out = [];
        foreach ($head->sleeve->positions as $position) {
            $squared = PlayingGeometry::present($straight, $position->tilts, 1.0);
            $soled = PlayingGeometry::present($straight, $position->tilts, 0.0);
            foreach ($arrangements as [$masses, $body, $weights]) {
                foreach ($builds as $key => $build) {
                    $same = $hit[self::key($head->label, $position->label, $masses, $build)] ?? null;
                    $with = $build->beside($usual);
                    $tag = $same->tag ?? implode('/', [$name, $position->label, $weights, ...array_map(strval(...), array_values($with))]);
                    $out[] = [
                        new SetupSpec(
                            $tag, $name, $body, $squared->loftDeg, $soled->loftDeg, $soled->faceOpenDeg, $position->label, $weights,
                            $build->shaft, $build->lengthMm, $build->ball, $build->teeMm, $build->cue, null, false, $assumed, $record->hand,
                        ),
                        new RackCandidate(
                            new SetupParts($name, $position->label, $masses, $weights, $build),
                            $head->isInStock(), self::isOrderable($head), $price, $currency, $same?->tag, $at, $with, $like[$key],
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

    /** @param  array<string, float>  $masses */
    private static function key(string $head, string $sleeve, array $masses, ClubBuild $build): string
    {
        ksort($masses);

        return "{$head}/{$sleeve}/".json_encode(array_map(floatval(...), $masses))."/{$build->key()}";
    }
}
