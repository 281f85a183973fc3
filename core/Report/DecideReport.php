<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Finder\ScoredDraws;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Fitting\Advice;
use MintCarry\Core\Fitting\DecisionRule;
use MintCarry\Core\Fitting\Option;
use MintCarry\Core\Fitting\Outlook;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\Wish;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Turf;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Record\FittingRecord;

use function array_filter;
use function array_map;
use function array_unique;
use function array_values;
use function count;
use function in_array;
use function max;

/**
 * All that a decision rests on: the advice, the pick under each school and screening policy, whether it is worth
 * buying, what breaks a tie, and what another day would make of it.
 */
final class DecideReport
{
    private const SCHOOLS = [
        Scoring::FewestStrokes, Scoring::Straightest, Scoring::Longest, Scoring::GuardedHeight, Scoring::Running, Scoring::FeelFirst,
    ];

    private const WIND_MPS = 5.0;

    private const SLOWER_MPS = 3 * 0.44704;

    /** Ten millimetres toward the heel and eight low: the miss that costs most (common practice, no source). */
    private const LOW_HEEL_MM = [-10.0, -8.0];

    /** @return array<string, mixed> lengths m, gains in the scoring's unit */
    public static function of(FittingRecord $record): array
    {
        $grounds = Grounds::of($record);

        return self::from($record, $grounds) + ['schools' => self::schools($record, $grounds)];
    }

    /**
     * All of it but the schools, which take as long as the rest.
     *
     * @return array<string, mixed> lengths m, gains in the scoring's unit
     */
    public static function withoutSchools(FittingRecord $record): array
    {
        return self::from($record, Grounds::of($record));
    }

    /**
     * The pick under each school and each screening policy alone.
     *
     * @return array{policies: list<array{name: string, label: string}>, rows: list<array<string, mixed>>, unanimous: bool,
     *   picks: array<string, int>}
     */
    public static function schoolsOf(FittingRecord $record): array
    {
        return self::schools($record, Grounds::of($record));
    }

    /** @return array<string, mixed> */
    private static function from(FittingRecord $record, Grounds $grounds): array
    {
        $advice = $grounds->advice();
        $search = $grounds->search;
        [$days, $failures] = $search === null ? [[], []] : self::days($record, $search, $advice);

        return AdviceReport::toArray($advice, $record, [...$grounds->failures, ...$failures]) + [
            'worth' => $search === null ? null : self::worth($record, $search, $advice),
            'days' => $days,
            ...$record->calibration?->toArray() ?? [],
            'otherSwings' => self::otherSwings($record),
        ];
    }

    /**
     * What is advised with each other swing: one setup for two swings is a compromise.
     *
     * @return list<array{swing: string, pick: string|null, carryGainM: float|null}> pick: null where the benchmark was not hit with it
     */
    private static function otherSwings(FittingRecord $record): array
    {
        $out = [];
        foreach ($record->toldSwings()['swings'] as ['name' => $name]) {
            if ($name === $record->swing) {
                continue;
            }
            $other = $record->atOneSwing($name);
            $advice = isset($other->sets()[$other->benchmark ?? '']) ? Grounds::of($other)->advice() : null;
            $out[] = [
                'swing' => $name, 'pick' => $advice?->pick,
                'carryGainM' => $advice === null ? null : $advice->judgement($advice->pick)->carryGainM,
            ];
        }

        return $out;
    }

    /**
     * The pick under each school and each screening policy.
     *
     * @return array{policies: list<array{name: string, label: string}>, rows: list<array<string, mixed>>, unanimous: bool,
     *   picks: array<string, int>}
     */
    private static function schools(FittingRecord $record, Grounds $now): array
    {
        $policies = array_values(array_unique([$record->screening->name, ...Screening::USUAL]));
        $rows = [];
        $picks = [];
        $columns = [];
        foreach ($policies as $name) {
            // Two policies that count the same shots the same way judge the same.
            foreach ($columns as $like => $column) {
                if (self::countAlike($record->sets(Screening::named($like)), $record->sets(Screening::named($name)))) {
                    $columns[$name] = $column;

                    continue 2;
                }
            }
            $grounds = $name === $record->screening->name ? $now : Grounds::of($record, Screening::named($name));
            $columns[$name] = [
                $grounds->sets, $grounds->draws,
                $grounds->draws === null ? null : ScoredDraws::of($grounds->draws, $record->brief, $record->limits()),
            ];
        }
        $limits = $record->limits();
        $terms = Cost::terms($record);
        foreach (self::SCHOOLS as $scoring) {
            if ($scoring === Scoring::FeelFirst && $record->confidence === []) {
                continue; // nobody was asked
            }
            $brief = $record->brief->scoredBy($scoring);
            $cells = [];
            foreach ($columns as [$sets, $draws, $priced]) {
                $tags = array_map(static fn ($s): string => $s->tag, $sets);
                $own = array_search($record->benchmark, $tags, true);
                if ($own === false || $sets === []) {
                    $cells[] = null;

                    continue;
                }
                $posterior = $draws === null || $priced === null ? null : Search::posteriorOf($draws, $priced->under($draws, $brief));
                $advice = Advice::of(
                    $sets, $tags[$own], $brief, $record->flight, $posterior, $record->hand, $limits, $record->confidence,
                    isWhole: false, terms: $terms,
                );
                // A school names the best of its own figure; feel names what the player trusts.
                $named = $scoring === Scoring::FeelFirst ? $advice->pick : $advice->best;
                $best = $advice->judgement($named);
                $cells[] = [
                    'pick' => $named, 'gain' => $best->gain, 'chance' => $best->chanceBetter, 'ownIsLevel' => $advice->isOwnLevel,
                    'ties' => $advice->ties,
                ];
                $picks[$named] = ($picks[$named] ?? 0) + 1;
            }
            $rows[] = [
                'scoring' => $scoring->value, 'unit' => $scoring->unit(), 'declared' => $scoring === $record->brief->scoring(),
                'cells' => $cells,
            ];
        }
        arsort($picks);

        return [
            'policies' => array_map(
                static fn (string $name): array => ['name' => $name, 'label' => Screening::named($name)->label()], $policies,
            ),
            'rows' => $rows, 'unanimous' => count($picks) === 1, 'picks' => $picks,
        ];
    }

    /**
     * @param  array<string, ShotSet>  $a
     * @param  array<string, ShotSet>  $b
     */
    private static function countAlike(array $a, array $b): bool
    {
        foreach ($a as $tag => $set) {
            if (! isset($b[$tag]) || $set->isRobust() !== $b[$tag]->isRobust() || $set->shots !== $b[$tag]->shots) {
                return false;
            }
        }

        return count($a) === count($b);
    }

    /**
     * What the pick gains over the best that the own club can be adjusted to, beside what it costs. Null where
     * nothing has to be bought.
     *
     * @return array<string, mixed>|null
     */
    private static function worth(FittingRecord $record, Search $search, Advice $advice): ?array
    {
        $own = $record->own();
        $chosen = $record->setups[$advice->pick === $record->benchmark ? $advice->runnerUp ?? $advice->best : $advice->pick];
        $cost = Cost::of($record, $chosen);
        if ($cost->lines === []) {
            return null;
        }
        // Turned and weighted, nothing bought: another shaft is a purchase too.
        $usual = $search->candidates->usual;
        $adjustable = array_values(
            array_filter(
                $search->all(),
                static fn (SetupSpec $b): bool => $b->tag === $chosen->tag ||
                    ($b->head === $own->head && $b->build()->by($usual)->key() === $usual->key()),
            ),
        );
        $draws = $search->drawsOf($adjustable);
        $scores = ScoredDraws::of($draws, $record->brief, $record->limits())->scores;
        $at = $draws->index($chosen->tag);
        if ($at === null) {
            return null;
        }
        $pick = Pick::among($scores, 0, $record->brief->scoring());
        $best = array_values(array_filter($pick->order(), static fn (int $i): bool => $i !== $at))[0];
        $adjusted = $draws->specs[$best];
        $isStrokes = $record->brief->scoring() === Scoring::FewestStrokes;
        [$gain, $interval] = [$pick->gain($at, $best), $pick->gainInterval($at, $best)];

        return [
            'tag' => $chosen->tag,
            'head' => $chosen->head,
            'adjusted' => [
                'tag' => isset($record->setups[$adjusted->tag]) ? $adjusted->tag : null, 'sleeve' => $adjusted->sleeve,
                'weights' => $adjusted->weights, 'isOwn' => $best === 0, 'tested' => $draws->tested[$best],
                'gainOverOwn' => $pick->gain($best, 0),
            ],
            'adjustable' => count($adjustable) > 2,
            'gain' => $gain,
            'interval' => $interval,
            'chance' => $pick->chance($at, $best),
            'perRound' => $isStrokes ? Outlook::DRIVES * $gain : null,
            'perRoundInterval' => $isStrokes ? ['low' => Outlook::DRIVES * $interval->low, 'high' => Outlook::DRIVES * $interval->high] : null,
            'cost' => $cost->lines,
            'price' => $cost->isMixed ? null : $cost->total,
            'currency' => $cost->currency,
            'isPriceKnown' => $cost->isKnown,
            'isPriceMixed' => $cost->isMixed,
            'money' => $record->brief->money,
            'moneyCurrency' => $record->brief->currency,
            'verdict' => match (true) {
                $interval->low > 0 => WorthVerdict::More, $interval->high < 0 => WorthVerdict::Less, default => WorthVerdict::Open,
            },
        ];
    }

    /**
     * The pick in other wind, on other ground, on a slower day, and with the low heel miss.
     *
     * @return array{list<array<string, mixed>>, list<ModelFailure>} the days, and those that the models failed on
     */
    private static function days(FittingRecord $record, Search $search, Advice $advice): array
    {
        $brief = $record->brief;
        $air = new Atmosphere($brief->temperatureC, $brief->altitudeM);
        $flight = static fn (Wind $wind, ?Turf $turf = null): BallFlight => $record->flight->elsewhere($air, $wind, $turf ?? $brief->turf());
        // The models fly a right-hander; a left-hander's wind is mirrored with the swing.
        $from = static fn (float $deg): Wind => new Wind(self::WIND_MPS, $record->hand === Hand::Left ? 360 - $deg : $deg);
        $days = [
            'as it is' => [null, []],
            'into the wind' => [$flight($from(0)), []],
            'wind from behind' => [$flight($from(180)), []],
            'wind from the left' => [$flight($from(270)), []],
            'wind from the right' => [$flight($from(90)), []],
            'soft ground' => [$flight(new Wind, Turf::Soft), []],
            'firm ground' => [$flight(new Wind, Turf::Firm), []],
            'slower by 3 mph' => [null, [Swing::CLUB_SPEED => -self::SLOWER_MPS]],
            'low heel miss' => [null, [Swing::TOE => self::LOW_HEEL_MM[0], Swing::HIGH => self::LOW_HEEL_MM[1]]],
        ];
        $out = $failures = [];
        $picked = $advice->pick === $advice->benchmark ? $advice->runnerUp ?? $advice->pick : $advice->pick;
        $limits = $record->limits();
        $terms = Cost::terms($record);
        foreach ($days as $name => [$on, $day]) {
            try {
                $draws = $day === [] ? $search->drawsOfHit() : $search->drawsOf($search->hit(), $day);
                $draws = $on === null ? $draws : $draws->elsewhere($record->flight, $on);
            } catch (ModelFailure $e) {
                $failures[] = $e->within("The day “{$name}”");

                continue;
            }
            $own = $draws->index($advice->benchmark);
            $at = $draws->index($picked);
            if ($own === null || $at === null) {
                continue;
            }
            $scored = ScoredDraws::of($draws, $brief, $limits);
            // What is barred on the day as it is stays barred on every other.
            $barred = array_keys(array_filter($draws->specs, static fn (SetupSpec $s): bool => in_array($s->tag, $advice->barred, true)));
            $pick = Pick::among($scored->scores, $own, $brief->scoring(), $barred);
            $options = array_map(
                static fn (SetupSpec $s): Option => $terms->of($s->tag, in_array($s->tag, $advice->barred, true)), $draws->specs,
            );
            $rule = DecisionRule::choose(
                $pick, $options, $draws->index($record->own()->tag) ?? $own, Wish::of($brief, $record->hand, $scored->figures($draws)),
                sureToBuy: $brief->sureToBuy,
            );
            $tag = $draws->specs[$rule->pick]->tag;
            $out[] = [
                'day' => $name, 'pick' => $tag, 'best' => $draws->specs[$pick->best]->tag, 'of' => $picked,
                'gain' => $pick->gain($at, $own), 'interval' => $pick->gainInterval($at, $own),
                'chance' => $pick->chance($at, $own), 'turns' => $tag !== $advice->pick,
                // Two schools: play what is best in this, or keep the window and pay so much for it here.
                'keepCost' => max(0.0, $pick->gain($rule->pick, $own) - $pick->gain($draws->index($advice->pick) ?? $own, $own)),
                'carryM' => array_sum($draws->figures[$at][0]) / count($draws->figures[$at][0]),
            ];
        }

        return [$out, $failures];
    }
}
