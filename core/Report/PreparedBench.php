<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\ChangeOver;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SetupParts;
use MintCarry\Core\Finder\ScoredDraws;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;

use function abs;
use function array_map;
use function count;
use function in_array;
use function max;
use function min;

/**
 * What to lay out before anybody hits: from the brief and the rack, a few setups that lie far apart, as fitters go
 * to the extremes first; each with why it is there, what of it was never read, whether it can be had, and the order
 * that takes the fewest turns of the wrench.
 */
final class PreparedBench
{
    /** Swings that warming up and the own club take, and a setup (common practice, no source). */
    private const FIRST_SWINGS = 16;

    private const SWINGS = 4;

    private const MOST = 6;

    /** What is read of a head before it is built or judged. */
    private const READINGS = ['loftDeg', 'lieDeg', 'faceOpenDeg', 'massG'];

    /**
     * @return array{items: list<array<string, mixed>>, wrenchChanges: int, swings: int, budget: float|null, own: array{missing: list<string>}|null,
     *   nothing: string} items in the order to hit them; rackAt: place of the head in the record's rack
     */
    public static function of(FittingRecord $record): array
    {
        $own = $record->setups === [] ? null : $record->own();
        $heads = array_filter($record->rack, static fn (RackedHead $h): bool => ! $h->retired && $h->hand === $record->hand);
        if ($heads === []) {
            return ['items' => [], 'wrenchChanges' => 0, 'swings' => self::FIRST_SWINGS, 'budget' => $record->brief->swings, 'own' => self::own($own),
                'nothing' => "No head of a {$record->hand->value}-hander stands on the rack."];
        }
        $most = $record->brief->swings === null ? self::MOST : (int) max(1, min(self::MOST, floor(($record->brief->swings - self::FIRST_SWINGS) / self::SWINGS)));
        $picked = array_slice(self::withoutForbidden($record, self::picked($record, $heads)), 0, $most);
        $build = $own?->build();
        $parts = array_map(static fn (array $p): SetupParts => new SetupParts(
            $p['head']->label, $p['position'], $p['masses'], $p['head']->sayWeights($p['masses']), ...($build === null ? [] : [$build]),
        ), $picked);
        $from = $own === null ? null : new SetupParts($own->head, $own->sleeveLabel, $own->masses, $own->weights, $own->build(), $own->grip, $own->swingWeightPoints);
        [$order, $wrench] = ChangeOver::order($from, $parts);
        $items = [];
        $last = $from;
        foreach ($order as $i) {
            $over = ChangeOver::between($last, $parts[$i]);
            $items[] = self::item($picked[$i], $over, $record);
            $last = $parts[$i];
        }

        return [
            'items' => $items, 'wrenchChanges' => $wrench, 'swings' => self::FIRST_SWINGS + self::SWINGS * count($items),
            'budget' => $record->brief->swings,
            'own' => self::own($own), 'nothing' => '',
        ];
    }

    /**
     * @param  array<int, RackedHead>  $heads  by their place on the rack
     * @return list<array{head: RackedHead, at: int, position: string, masses: array<string, float>, why: string}>
     */
    private static function picked(FittingRecord $record, array $heads): array
    {
        $ranked = $heads;
        // What lies there comes before what has to be ordered; a head that costs more than there is comes last.
        uasort($ranked, static fn (RackedHead $a, RackedHead $b): int => [! $a->isInStock(), self::isTooDear($a, $record)] <=> [! $b->isInStock(), self::isTooDear($b, $record)]);
        $out = [];
        $add = static function (?int $at, string $position, array $masses, string $why) use (&$out, $heads, $record): void {
            if ($at === null) {
                return;
            }
            $own = $record->setups === [] ? null : $record->own();
            if ($own?->racked?->label === $heads[$at]->label && $own->sleeveLabel === $position && $own->masses == $masses) {
                return;
            }
            foreach ($out as $one) {
                if ($one['at'] === $at && $one['position'] === $position && $one['masses'] == $masses) {
                    return;
                }
            }
            $out[] = ['head' => $heads[$at], 'at' => $at, 'position' => $position, 'masses' => $masses, 'why' => $why];
        };
        $home = static fn (int $at): array => [$at, $heads[$at]->sleeve->home, $heads[$at]->standard];
        // What lies there is laid out; what would have to be ordered is named at the end.
        $there = array_filter($ranked, static fn (RackedHead $h): bool => $h->isInStock());
        $fits = self::fitting($record, $there === [] ? $ranked : $there);
        if ($fits !== null) {
            $add(...[...$home($fits), 'its loft comes nearest to the flight that is wanted']);
        }
        // The extremes of the head that fits: the sleeve and the weights against the miss, or both ways where nobody knows it.
        foreach ($fits === null ? [] : self::against($record, $heads[$fits]) as [$position, $masses, $why]) {
            $add($fits, $position, $masses, $why);
        }
        foreach (['forgiving' => 'it forgives most off the centre', 'low-spin' => 'it spins least'] as $type => $why) {
            foreach ($ranked as $at => $head) {
                if ($head->type === $type && $head->isInStock()) {
                    $add(...[...$home($at), $why]);
                    break;
                }
            }
        }
        foreach ($there as $at => $head) {
            $add(...[...$home($at), 'another head, to know it']);
        }
        $nearer = self::fitting($record, $ranked);
        if ($nearer !== null && $nearer !== $fits && ! $heads[$nearer]->isInStock()) {
            $add(...[...$home($nearer), 'its loft would come nearer; it has to be ordered']);
        }

        return $out;
    }

    /**
     * Without what is expected to bring more of what must never come: by the shots where there are some, else by
     * where the face points.
     *
     * @param  list<array{head: RackedHead, at: int, position: string, masses: array<string, float>, why: string}>  $picked
     * @return list<array{head: RackedHead, at: int, position: string, masses: array<string, float>, why: string}>
     */
    private static function withoutForbidden(FittingRecord $record, array $picked): array
    {
        $search = $record->brief->never === [] ? null : Search::modelled($record);
        if ($search === null) {
            return $picked;
        }
        $specs = [];
        foreach ($picked as $i => $p) {
            $setup = new SetupRecord('x', $p['head']->label, $p['head'], $p['head']->sleeve, $p['position'], $p['masses'],
                shaft: $record->own()->shaft, lengthMm: $record->own()->lengthMm, ball: $record->own()->ball, teeMm: $record->own()->teeMm);
            $spec = $search->candidates->specLike($setup);
            if ($spec !== null) {
                $specs[$i] = $spec;
            }
        }
        $draws = $search->drawsOf(array_values($specs));
        $own = $draws->index($record->own()->tag) ?? 0;
        $barred = array_map(
            static fn (int $s): string => $draws->specs[$s]->tag,
            ScoredDraws::of($draws, $record->brief, $record->limits())->barred($own, $record->brief, $record->limits()),
        );

        return array_values(array_filter($picked, static fn (int $i): bool => ! in_array($specs[$i]->tag ?? '', $barred, true), ARRAY_FILTER_USE_KEY));
    }

    /** @param  array<int, RackedHead>  $ranked */
    private static function fitting(FittingRecord $record, array $ranked): ?int
    {
        $loft = HeadLoft::of(new FittingRecord(...['rack' => array_values($ranked)] + get_object_vars($record)), $record->target());
        foreach ($ranked as $at => $head) {
            if ($head->label === $loft?->head) {
                return $at;
            }
        }

        return array_key_first($ranked);
    }

    /** @return list<array{string, array<string, float>, string}> position, masses, why */
    private static function against(FittingRecord $record, RackedHead $head): array
    {
        $right = $record->hand === Hand::Right;
        $isKnown = in_array($record->brief->miss, ['left', 'right'], true);
        // Whose miss goes right is helped by a face that points more left: closed for a right-hander, open for a left-hander.
        $ways = $isKnown ? [($record->brief->miss === 'right') === $right ? -1 : 1] : [-1, 1];
        // Nothing is laid out that points to the side that must never come.
        $ways = array_values(array_filter(
            $ways, static fn (int $way): bool => ! in_array(($way < 0) === $right ? 'left' : 'right', $record->brief->never, true),
        ));
        $setup = new SetupRecord('x', $head->label, $head, $head->sleeve, $head->sleeve->home, $head->standard);
        $straight = $setup->playing(0.0)->faceOpenDeg;
        $standard = $head->bodyWith($head->standard);
        $out = [];
        foreach ($ways as $way) {
            [$best, $far] = [null, 0.2];
            foreach ($head->sleeve->positions as $position) {
                $face = $way * ($setup->at((string) $position->label)->playing(0.0)->faceOpenDeg - $straight);
                if ($face > $far) {
                    [$best, $far] = [(string) $position->label, $face];
                }
            }
            $word = $way < 0 ? 'closed' : 'open';
            if ($best !== null) {
                $out[] = [$best, $head->standard, $isKnown ? "the sleeve’s far end against the miss to the {$record->brief->miss}" : "the sleeve’s far end, {$word}"];
            }
            [$best, $far] = [null, 0.8];
            foreach ($head->arrangements() as $masses) {
                $move = $way * ($head->bodyWith($masses)->cgToeMm - $standard->cgToeMm);
                if ($move > $far && abs($head->bodyWith($masses)->massG - $standard->massG) < 0.5) {
                    [$best, $far] = [$masses, $move];
                }
            }
            if ($best !== null) {
                $out[] = [$head->sleeve->home, $best, 'the weights’ far end, toward the '.($way < 0 ? 'heel' : 'toe')];
            }
        }

        return $out;
    }

    /**
     * @param  array{head: RackedHead, at: int, position: string, masses: array<string, float>, why: string}  $picked
     * @return array<string, mixed>
     */
    private static function item(array $picked, ChangeOver $over, FittingRecord $record): array
    {
        $head = $picked['head'];

        return [
            'head' => $head->label, 'rackAt' => $picked['at'], 'sleeve' => $picked['position'], 'masses' => $picked['masses'],
            'weights' => $head->sayWeights($picked['masses']), 'why' => $picked['why'], 'missing' => self::missing($head),
            'inStock' => $head->isInStock(),
            'leadDays' => $head->leadDays(), 'price' => $head->price(), 'currency' => $head->currency(),
            'isTooDear' => self::isTooDear($head, $record), 'steps' => $over->steps, 'wrenchChanges' => $over->wrenchChanges,
        ];
    }

    /** @return list<string> */
    private static function missing(RackedHead $head): array
    {
        return array_values(array_filter(self::READINGS, static fn (string $q): bool => $head->gauged()->inForce($q) === null));
    }

    private static function isTooDear(RackedHead $head, FittingRecord $record): bool
    {
        $price = $head->price();

        return $record->brief->money !== null && $price !== null && $price + ($record->brief->labour ?? 0.0) > $record->brief->money;
    }

    /** @return array{missing: list<string>}|null of the player's own club */
    private static function own(?SetupRecord $own): ?array
    {
        if ($own === null) {
            return null;
        }
        $missing = $own->racked !== null ? self::missing($own->racked) : ($own->loftFromPrint ? ['loftDeg'] : []);

        return ['missing' => [...$missing, ...($own->lengthMm === null ? ['length'] : []), ...($own->swingWeightPoints === null ? ['swing weight'] : [])]];
    }
}
