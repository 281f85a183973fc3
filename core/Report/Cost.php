<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;

use function array_column;
use function array_filter;
use function array_sum;
use function array_unique;
use function array_values;
use function count;

/**
 * What a setup costs beyond the own club: another head, another shaft, another grip, and the work. Currencies are never added to one
 * another: where they differ there is no total.
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
}
