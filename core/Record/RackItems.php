<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use MintCarry\Core\Club\AddressHabit;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\ReadingSet;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Club\WeightSlot;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFactors;

use function array_filter;
use function array_map;
use function array_values;
use function is_array;
use function is_float;
use function is_int;

/** The heads of the rack that a fitting file carries, with their sleeves and readings. */
final class RackItems
{
    private const KEYS = [
        'label', 'maker', 'hand', 'type', 'sleeve', 'statedLoftDeg', 'statedLieDeg', 'statedFaceOpenDeg', 'volumeCm3', 'massG',
        'cgToeMm', 'cgBackMm', 'cgUpMm', 'bulgeMm', 'rollMm', 'inertiaGcm2', 'slots', 'stockG', 'standard', 'supply', 'note',
        'readings', 'retired',
    ];

    /** @return list<RackedHead> */
    public static function heads(?Item $rack): array
    {
        if ($rack === null) {
            return [];
        }
        $rack->only('format', 'sleeves', 'heads', 'parts');
        $sleeves = [];
        foreach ($rack->objects('sleeves') as $sleeve) {
            $sleeves[$sleeve->text('name')] = $sleeve->all();
        }

        return array_map(static fn (Item $head): RackedHead => self::head($head->only(...self::KEYS), $sleeves), $rack->objects('heads'));
    }

    /** @return array<string, array{price: float|null, currency: string}> what parts cost, by "kind/label" */
    public static function prices(?Item $rack): array
    {
        $out = [];
        foreach ($rack?->objects('parts') ?? [] as $part) {
            $supply = $part->object('supply');
            $out["{$part->text('kind')}/{$part->text('label')}"] = [
                'price' => $supply?->optional('price'),
                'currency' => $supply?->has('currency') === true ? $supply->text('currency') : '',
            ];
        }

        return $out;
    }

    /**
     * What is known of makes of ball.
     *
     * @return array<string, BallFactors> by label
     *
     * @throws InvalidInput where a factor cannot be
     */
    public static function balls(?Item $rack): array
    {
        $out = [];
        foreach ($rack?->objects('parts') ?? [] as $i => $part) {
            try {
                $out[$part->text('label')] = $part->text('kind') === 'ball' ? BallFactors::read($part->object('data')?->all() ?? []) : null;
            } catch (InvalidInput $e) {
                throw $e->inside("rack.parts[{$i}].data");
            }
        }

        return array_filter($out);
    }

    /** @param  array<string, array<string, mixed>>  $sleeves */
    private static function head(Item $item, array $sleeves): RackedHead
    {
        $label = $item->text('label');
        $stated = new HeadReading(
            $item->number('statedLoftDeg'), $item->number('statedLieDeg', SetupRecord::USUAL_LIE_DEG),
            $item->number('statedFaceOpenDeg', 0),
        );
        $sleeve = $item->has('sleeve') ? $item->text('sleeve') : null;
        if ($sleeve !== null && ! isset($sleeves[$sleeve])) {
            throw InvalidInput::of('rack', "Head '{$label}': the sleeve '{$sleeve}' is not in this file.");
        }
        try {
            $slots = array_map(
                static fn (Item $s): WeightSlot => new WeightSlot(
                    $s->text('name'), $s->number('toeMm'), $s->number('backMm'), $s->number('upMm'), $s->number('fromG', 0),
                    $s->number('toG', 40), $s->flag('mayBeEmpty', true),
                ),
                $item->objects('slots'),
            );
            $supply = $item->raw('supply');
            $head = new RackedHead(
                $label, Hand::from($item->choice('hand', ['right', 'left'])), $stated,
                $sleeve === null ? SleeveSystem::fixed() : SleeveSystem::fromArray($sleeves[$sleeve], $stated),
                $item->choice('type', Head::PRESETS, 'middle'), $item->optional('massG'),
                $item->optional('cgToeMm'), $item->optional('cgBackMm'), $item->optional('cgUpMm'), $item->optional('bulgeMm'),
                $item->optional('rollMm'), $item->tensor('inertiaGcm2'), $slots, self::stock($item), $item->numbers('standard'), self::readings($item),
                is_array($supply) ? $supply : [], $item->flag('retired', false),
            );
            $head->requireSound();

            return $head;
        } catch (InvalidInput $e) {
            throw InvalidInput::of('rack', "Head '{$label}': {$e->getMessage()}");
        }
    }

    /** @return list<float> masses in g of the pieces that lie with the head */
    private static function stock(Item $head): array
    {
        return array_map(
            static fn (mixed $g): float => is_int($g) || is_float($g)
                ? (float) $g
                : throw InvalidInput::of('stockG', 'stockG must be a list of masses in g.'),
            array_values((array) ($head->raw('stockG') ?? [])),
        );
    }

    /** @return list<ReadingSet> */
    private static function readings(Item $head): array
    {
        return array_map(static function (Item $r): ReadingSet {
            $values = [];
            foreach ((array) $r->raw('values') as $quantity => $list) {
                $values[(string) $quantity] = array_map(
                    static fn (mixed $v): float => is_int($v) || is_float($v)
                        ? (float) $v
                        : throw InvalidInput::of((string) $quantity, "A reading of {$quantity} is not a number."),
                    array_values((array) $list),
                );
            }

            return new ReadingSet(
                $values, $r->has('position') ? $r->text('position') : '',
                AddressHabit::from($r->choice('readAs', ['soled', 'squared'], 'soled')),
            );
        }, $head->objects('readings'));
    }
}
