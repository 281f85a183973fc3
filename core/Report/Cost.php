<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Finder\RackCandidates;
use MintCarry\Core\Fitting\Effort;
use MintCarry\Core\Fitting\Option;
use MintCarry\Core\Fitting\Terms;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;

use function array_column;
use function array_filter;
use function array_sum;
use function array_unique;
use function array_values;
use function count;

/**
 * What a setup costs beyond the own club: another head, another shaft, another grip, and the work. Currencies are
 * never added to one another: where they differ there is no total.
 */
final readonly class Cost
{
    /**
     * @param  list<array{what: string, label: string, price: float|null, currency: string}>  $lines  what has to be bought; a null price
     *   is one that nobody told
     * @param  bool  $isKnown  is every price told?
     * @param  bool  $isMixed  are there several currencies among them?
     */
    private function __construct(public array $lines, public float $total, public string $currency, public bool $isKnown, public bool $isMixed)
    {
    }

    public static function of(FittingRecord $record, SetupRecord $setup): self
    {
        $own = $record->own();
        $home = $record->brief->currency;
        $lines = [];
        if ($setup->head !== $own->head) {
            $supply = $setup->racked->supply ?? [];
            $lines[] = [
                'what' => 'head', 'label' => $setup->head, 'price' => isset($supply['price']) ? (float) $supply['price'] : null,
                'currency' => (string) ($supply['currency'] ?? $home),
            ];
        }
        $owns = array_column($own->parts, 'label', 'what');
        foreach ($setup->parts as $part) {
            if (($owns[$part['what']] ?? null) !== $part['label'] && ! ($part['what'] === 'shaft' && $part['label'] === $own->shaft)) {
                $lines[] = ['currency' => $part['currency'] === '' ? $home : $part['currency']] + $part;
            }
        }
        if ($lines !== [] && $record->brief->labour !== null) {
            $lines[] = ['what' => 'labour', 'label' => '', 'price' => $record->brief->labour, 'currency' => $home];
        }
        $told = array_values(array_filter($lines, static fn (array $l): bool => $l['price'] !== null));
        $currencies = array_values(array_unique(array_column($told, 'currency')));

        return new self(
            $lines, array_sum(array_column($told, 'price')), $currencies[0] ?? $home, count($told) === count($lines), count($currencies) > 1,
        );
    }

    /** What each setup of a fitting takes to be played instead of the own club. */
    public static function terms(FittingRecord $record): Terms
    {
        $own = $record->own();
        $ownKind = $own->spec($record->hand)->kind();
        $options = [];
        foreach ($record->setups as $tag => $setup) {
            $cost = self::of($record, $setup);
            $options[(string) $tag] = new Option(
                effort: match (true) {
                    $setup->spec($record->hand)->kind() === $ownKind => Effort::Nothing,
                    $cost->lines === [] => Effort::Turn,
                    $setup->racked?->isInStock() === false => Effort::ToOrder,
                    default => Effort::InStock,
                },
                price: $cost->isKnown && ! $cost->isMixed ? $cost->total : null,
            );
        }

        return new Terms($own->tag, $options);
    }

    /**
     * The same for every setup of the rack.
     *
     * @return callable(SetupSpec): Option
     */
    public static function offers(FittingRecord $record, RackCandidates $candidates): callable
    {
        $terms = self::terms($record);
        $own = $record->own();

        return static function (SetupSpec $spec) use ($terms, $candidates, $own, $record): Option {
            $about = $candidates->about[$spec->tag] ?? null;
            if ($about === null || isset($record->setups[$spec->tag])) {
                return $terms->of($spec->tag, false);
            }
            $isOwn = $spec->head === $own->head && $spec->build()->by($candidates->usual)->key() === $candidates->usual->key();

            return new Option(
                effort: $isOwn ? Effort::Turn : ($about->inStock ? Effort::InStock : Effort::ToOrder), price: $isOwn ? 0.0 : $about->price,
            );
        };
    }
}
