<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\PlayingGeometry;
use MintCarry\Core\CoreException;
use MintCarry\Core\Judging\Built;
use MintCarry\Core\Record\FittingRecord;

/** Every legal setup that the rack offers this player: heads of the hand, sleeve positions, weight arrangements, with the shaft, length, ball, tee and cue of the own club. */
final readonly class Offered
{
    public const WHICH = ['all', 'stock', 'own'];

    /**
     * @param  list<Built>  $built
     * @param  array<string, array{head: string, sleeve: string, masses: array<string, float>, weights: string, inStock: bool, orderable: bool, price: float|null, currency: string, setupTag: string|null, rackAt: int}>  $about  by tag; rackAt: place of the head in the record's rack
     * @param  list<string>  $left  what of the rack could not be used, and why
     */
    private function __construct(public array $built, public array $about, public array $left)
    {
    }

    /** @param  string  $only  all, stock (what is in the studio), or own (the head of the own club: no purchase) */
    public static function by(FittingRecord $record, string $only = 'all'): self
    {
        $own = $record->own();
        $hit = [];
        foreach ($record->setups as $setup) {
            if ($setup->racked !== null) {
                $hit[self::key($setup->racked->label, $setup->sleeveLabel, $setup->masses)] ??= $setup;
            }
        }
        $built = $about = $left = $names = [];
        foreach ($record->rack as $at => $head) {
            // Two heads of one name are told apart, as they lie on the rack.
            $names[$head->label] = ($names[$head->label] ?? 0) + 1;
            $name = $head->label.($names[$head->label] > 1 ? " ({$names[$head->label]})" : '');
            if ($head->retired || $head->hand !== $record->hand || ($only === 'own' && $head->label !== $own->racked?->label) || ($only === 'stock' && ! $head->isInStock())) {
                continue;
            }
            try {
                $straight = $head->gauged()->straight();
                $arrangements = array_map(static fn (array $masses): array => [$masses, $head->bodyWith($masses), $head->sayWeights($masses)], $head->arrangements());
                $assumed = $head->isCgAssumed();
                foreach ($head->sleeve->positions as $position) {
                    [$squared, $soled] = [PlayingGeometry::present($straight, $position->tilts, 1.0), PlayingGeometry::present($straight, $position->tilts, 0.0)];
                    foreach ($arrangements as [$masses, $body, $weights]) {
                        $same = $names[$head->label] > 1 ? null : ($hit[self::key($head->label, $position->label, $masses)] ?? null);
                        $tag = $same->tag ?? "{$name}/{$position->label}/{$weights}";
                        $built[] = new Built($tag, $name, $body, $squared->loftDeg, $soled->loftDeg, $soled->faceOpenDeg, $position->label, $weights, $own->shaft, $own->lengthMm, $own->ball, $own->teeMm, $own->cue, null, false, $assumed, $record->hand);
                        $about[$tag] = ['head' => $head->label, 'sleeve' => $position->label, 'masses' => $masses, 'weights' => $weights, 'inStock' => $head->isInStock(), 'orderable' => isset($head->supply['leadDays']) || $head->isInStock(),
                            'price' => isset($head->supply['price']) ? (float) $head->supply['price'] : null, 'currency' => (string) ($head->supply['currency'] ?? ''), 'setupTag' => $same?->tag, 'rackAt' => $at];
                    }
                }
            } catch (CoreException $e) {
                $left[] = "{$head->label}: {$e->getMessage()}";
            }
        }

        return new self($built, $about, $left);
    }

    /** @return array{head: string, sleeve: string, masses: array<string, float>, weights: string, shaft: string, ball: string, teeMm: float|null, cue: string} as a change-over takes it */
    public function parts(Built $built): array
    {
        return ['head' => $built->head, 'sleeve' => $built->sleeve, 'masses' => $this->about[$built->tag]['masses'] ?? [], 'weights' => $built->weights, 'shaft' => $built->shaft, 'ball' => $built->ball, 'teeMm' => $built->teeMm, 'cue' => $built->cue];
    }

    /** @param  array<string, float>  $masses */
    private static function key(string $head, string $sleeve, array $masses): string
    {
        ksort($masses);

        return "{$head}/{$sleeve}/".json_encode(array_map(floatval(...), $masses));
    }
}
