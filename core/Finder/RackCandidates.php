<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\ClubBuild;
use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\CoreException;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;

/** Every legal setup that the rack offers this player: heads of the hand, sleeve positions, weight arrangements, each with the shaft, length, ball, tee and cue of the own club and with every other that was hit. */
final readonly class RackCandidates
{
    /** All; what is in the studio; that and what can be ordered; or the head of the own club as it is built: no purchase. */
    public const WHICH = ['all', 'stock', 'order', 'own'];

    /**
     * @param  list<SetupSpec>  $specs
     * @param  array<string, array{head: string, sleeve: string, masses: array<string, float>, weights: string, inStock: bool, orderable: bool, price: float|null, currency: string, setupTag: string|null, rackAt: int, with: array<string, string|float|null>, like: string}>  $about  by tag; rackAt: place of the head in the record's rack; with: what differs from the usual build; like: a setup that is built so
     * @param  list<string>  $unreadable  what of the rack could not be used, and why
     * @param  array<string, ClubBuild>  $builds  that were hit, by key
     */
    private function __construct(public array $specs, public array $about, public array $unreadable, public ClubBuild $usual, public array $builds)
    {
    }

    /** @param  string  $only  one of `WHICH` */
    public static function by(FittingRecord $record, string $only = 'all'): self
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
            $name = $head->label.($names[$head->label] > 1 ? " ({$names[$head->label]})" : '');
            $orderable = $head->isInStock() || isset($head->supply['leadDays']);
            if ($head->retired || $head->hand !== $record->hand || ($only === 'own' && $head->label !== $own->racked?->label) || ($only === 'stock' && ! $head->isInStock()) || ($only === 'order' && ! $orderable)) {
                continue;
            }
            try {
                $straight = $head->gauged()->straight();
                $arrangements = array_map(static fn (array $masses): array => [$masses, $head->bodyWith($masses), $head->sayWeights($masses)], $head->arrangements());
                $assumed = $head->isCgAssumed();
                foreach ($head->sleeve->positions as $position) {
                    [$squared, $soled] = [PlayingGeometry::present($straight, $position->tilts, 1.0), PlayingGeometry::present($straight, $position->tilts, 0.0)];
                    foreach ($arrangements as [$masses, $body, $weights]) {
                        foreach ($only === 'own' ? [$usual->key() => $usual] : $builds as $key => $build) {
                            $same = $names[$head->label] > 1 ? null : ($hit[self::key($head->label, $position->label, $masses, $build)] ?? null);
                            $with = $build->beside($usual);
                            $tag = $same->tag ?? implode('/', [$name, $position->label, $weights, ...array_map(strval(...), array_values($with))]);
                            $specs[] = new SetupSpec($tag, $name, $body, $squared->loftDeg, $soled->loftDeg, $soled->faceOpenDeg, $position->label, $weights, $build->shaft, $build->lengthMm, $build->ball, $build->teeMm, $build->cue, null, false, $assumed, $record->hand);
                            $about[$tag] = ['head' => $head->label, 'sleeve' => $position->label, 'masses' => $masses, 'weights' => $weights, 'inStock' => $head->isInStock(), 'orderable' => $orderable,
                                'price' => isset($head->supply['price']) ? (float) $head->supply['price'] : null, 'currency' => (string) ($head->supply['currency'] ?? ''), 'setupTag' => $same?->tag, 'rackAt' => $at, 'with' => $with, 'like' => $like[$key]];
                        }
                    }
                }
            } catch (CoreException $e) {
                $unreadable[] = "{$head->label}: {$e->getMessage()}";
            }
        }

        return new self($specs, $about, $unreadable, $usual, $builds);
    }

    /** @return array{head: string, sleeve: string, masses: array<string, float>, weights: string, shaft: string, ball: string, teeMm: float|null, cue: string} as a change-over takes it */
    public function parts(SetupSpec $spec): array
    {
        return ['head' => $spec->head, 'sleeve' => $spec->sleeve, 'masses' => $this->about[$spec->tag]['masses'] ?? [], 'weights' => $spec->weights, 'shaft' => $spec->shaft, 'ball' => $spec->ball, 'teeMm' => $spec->teeMm, 'cue' => $spec->cue];
    }

    /** @param  array<string, float>  $masses */
    private static function key(string $head, string $sleeve, array $masses, ClubBuild $build): string
    {
        ksort($masses);

        return "{$head}/{$sleeve}/".json_encode(array_map(floatval(...), $masses))."/{$build->key()}";
    }
}
