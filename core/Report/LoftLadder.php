<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Judging\CarryThrough;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Statistics\Interval;

use function array_keys;
use function array_map;
use function array_sum;
use function array_unique;
use function array_values;
use function count;
use function max;
use function min;

/**
 * This player's swing with one head in each of its lofts, left on its sole and squared: what leaves the face and how far it carries, with
 * the spread that heads have about their print where nobody read them. From the shots where the models have some to work from, else from
 * what the brief tells and what is usual.
 */
final class LoftLadder
{
    private const HABITS = ['soled' => 0.0, 'squared' => 1.0];

    /**
     * @param  string|null  $head  on the rack; null: that of the benchmark, else the first that fits the hand
     * @return array<string, mixed> lofts °, lengths m, spin rpm; intervals 95 %; gains against the own club, or against the head as it lies
     *
     * @throws InvalidInput where no such head lies there
     */
    public static function of(FittingRecord $record, ?string $head = null): array
    {
        $named = $head ?? self::usual($record);
        $rungs = RackLofts::of($record, $named);
        if ($rungs === []) {
            throw InvalidInput::of('head', $head === null
                ? "No head of a {$record->hand->value}-hander stands on the rack, so there is no other loft to tell of."
                : "No head '{$head}' for a {$record->hand->value}-hander stands on the rack.");
        }
        // Two heads of one name are one model; the first as it lies and its other lofts tell of it.
        $rungs = array_values(array_filter($rungs, static fn (RackLofts $r): bool => $r->rackAt === $rungs[0]->rackAt));
        $like = $record->setups === [] ? null : $record->own();
        $specs = array_map(
            static fn (RackLofts $r): SetupSpec => $r->spec($record, $r->at($r->head->sleeve->home, $like)), $rungs,
        );
        $search = Search::modelled($record);
        $ways = $search === null ? self::usualSwing($record, $specs) : self::ofShots($search, $specs);
        $target = $record->target();

        return [
            'head' => $rungs[0]->model, 'heads' => self::heads($record), 'from' => $search === null ? 'brief' : 'shots', 'own' => $like?->tag,
            'clubSpeedMps' => $search === null ? $target->clubSpeedMps : $search->belief()->swing($search->belief()->own)[Swing::CLUB_SPEED], 'squaringShare' => $record->brief->squaringShare(),
            'wantedLoftDeg' => $target->ridge[$target->at]['loftDeg'], 'wantedBandDeg' => $target->bandDeg,
            'rungs' => array_map(static fn (RackLofts $r, int $i): array => $r->supply() + [
                'name' => $r->head->label, 'position' => $r->head->sleeve->home, 'printSdDeg' => $specs[$i]->printSdDeg,
                'reachDeg' => self::reach($r), 'soled' => $ways[$i]['soled'] ?? null, 'squared' => $ways[$i]['squared'] ?? null,
            ], $rungs, array_keys($rungs)),
        ];
    }

    /** @return list<string> heads of the hand that the question can be asked of */
    private static function heads(FittingRecord $record): array
    {
        return array_values(array_unique(array_map(static fn (RackLofts $r): string => $r->model, RackLofts::of($record))));
    }

    /** The head that the question is about before anybody says which. */
    private static function usual(FittingRecord $record): ?string
    {
        foreach ([$record->benchmark, ...array_keys($record->setups)] as $tag) {
            $label = ($record->setups[$tag ?? ''] ?? null)?->racked?->label;
            if ($label !== null && RackLofts::of($record, $label) !== []) {
                return $label;
            }
        }

        return (RackLofts::of($record)[0] ?? null)?->model;
    }

    /**
     * From the shots: the same draws as the finder's.
     *
     * @param  list<SetupSpec>  $specs
     * @return array<int, array<string, array<string, mixed>|null>> by rung and habit; null where the models give no ball
     */
    private static function ofShots(Search $search, array $specs): array
    {
        $belief = $search->belief();
        $mean = static fn (array $v): float => array_sum($v) / max(1, count($v));
        $out = [];
        foreach (self::HABITS as $habit => $squaring) {
            $draws = $search->drawsOf($specs, squaring: $squaring);
            foreach ($specs as $i => $spec) {
                $at = $draws->index($spec->tag);
                $swing = $belief->swing($spec, $squaring);
                $ball = Swing::of($swing)->launch(new Impact($spec->body));
                if ($at === null || $ball === null) {
                    $out[$i][$habit] = null;

                    continue;
                }
                [$carries, $totals, $sides, $apexes] = $draws->figures[$at];
                $gains = Pick::gaps($draws->figures[0][0], $carries);
                $out[$i][$habit] = self::presented($spec, $squaring) + [
                    'deliveredLoftDeg' => $swing[Swing::LOFT], 'launchDeg' => $ball->launchDeg, 'spinRpm' => $ball->spinRpm,
                    'carryM' => $mean($carries), 'carryInterval' => Interval::middleOf($carries), 'totalM' => $mean($totals),
                    'sideM' => $mean($sides), 'apexM' => $mean($apexes), 'carryGainM' => $mean($gains),
                    'carryGainInterval' => Interval::middleOf($gains),
                ];
            }
        }

        return $out;
    }

    /**
     * Before any shot: a usual swing at the speed and attack that the brief tells, square and in the middle of the face. The intervals are
     * those of the loft that reaches the ball alone.
     *
     * @param  list<SetupSpec>  $specs
     * @return array<int, array<string, array<string, mixed>|null>> by rung and habit; null where the models give no ball
     */
    private static function usualSwing(FittingRecord $record, array $specs): array
    {
        $target = $record->target();
        $own = $record->setups === [] ? $specs[0] : $record->own()->spec($record->hand);
        $usual = $own->soledLoftDeg + PlayerPriors::LOFT_ADDED_DEG;
        $fly = static function (SetupSpec $spec, float $loft) use ($target, $record): ?array {
            $ball = Swing::of([$target->clubSpeedMps, $target->attackDeg, 0.0, $loft, 0.0, 0.0, 0.0])->launch(new Impact($spec->body));

            return $ball === null || $ball->launchDeg <= 0.5 ? null : [$ball, $record->flight->ofBall($spec->ball)->fly($ball)];
        };
        $base = $fly($own, $usual);
        $out = [];
        foreach ($specs as $i => $spec) {
            foreach (self::HABITS as $habit => $squaring) {
                $through = CarryThrough::predict($own, $spec, $squaring);
                $loft = $usual + $through->loftDeg;
                $flown = $fly($spec, $loft);
                if ($flown === null || $base === null) {
                    $out[$i][$habit] = null;

                    continue;
                }
                $carry = $flown[1]->carryM;
                $reached = [$carry];
                foreach ([-2, -1, 1, 2] as $sds) {
                    $reached[] = ($fly($spec, $loft + 0.98 * $sds * $through->loftSdDeg)[1] ?? null)->carryM ?? 0.0;
                }
                $interval = new Interval(min($reached), max($reached));
                $out[$i][$habit] = self::presented($spec, $squaring) + [
                    'deliveredLoftDeg' => $loft, 'launchDeg' => $flown[0]->launchDeg, 'spinRpm' => $flown[0]->spinRpm, 'carryM' => $carry,
                    'carryInterval' => $interval, 'totalM' => $flown[1]->totalM, 'sideM' => $flown[1]->sideM, 'apexM' => $flown[1]->apexM,
                    'carryGainM' => $carry - $base[1]->carryM,
                    'carryGainInterval' => new Interval($interval->low - $base[1]->carryM, $interval->high - $base[1]->carryM),
                ];
            }
        }

        return $out;
    }

    /** @return array{loftDeg: float, faceOpenDeg: float} what the head presents */
    private static function presented(SetupSpec $spec, float $squaring): array
    {
        return [
            'loftDeg' => $squaring === 1.0 ? $spec->squaredLoftDeg : $spec->soledLoftDeg,
            'faceOpenDeg' => $squaring === 1.0 ? 0.0 : $spec->soledFaceOpenDeg,
        ];
    }

    /** @return array{float, float} least and most loft that the sleeve gives it, squared, ° */
    private static function reach(RackLofts $rung): array
    {
        [$low, $high] = [INF, -INF];
        foreach ($rung->head->sleeve->positions as $position) {
            $loft = $rung->at((string) $position->label)->playing(1.0)->loftDeg;
            [$low, $high] = [min($low, $loft), max($high, $loft)];
        }

        return [$low, $high];
    }
}
