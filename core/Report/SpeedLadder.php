<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Finder\PredictedDraws;
use MintCarry\Core\Finder\ScoredDraws;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Fitting\DecisionRule;
use MintCarry\Core\Fitting\LaunchWindow;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Line;

use function array_column;
use function array_filter;
use function array_key_first;
use function array_keys;
use function array_map;
use function array_slice;
use function array_sum;
use function array_values;
use function arsort;
use function count;
use function get_object_vars;
use function in_array;
use function intdiv;
use function max;
use function min;
use function sort;
use function usort;

/**
 * One setup over the range of this player's speeds: what the shots did at each, by intent or else by speed; the loft
 * that would be longest there; and which setup serves both the cruising and the full-out swing. Speeds are never
 * averaged into one.
 */
final class SpeedLadder
{
    private const MEASURES = [
        'carryM' => Measure::Carry, 'launchDeg' => Measure::LaunchAngle, 'spinRpm' => Measure::Spin, 'apexM' => Measure::Apex,
        'ballSpeedMps' => Measure::BallSpeed,
    ];

    /**
     * Speeds that lie nearer together than this are one swing and its scatter, m/s (about 7 mph), where nobody said
     * that they were not.
     */
    private const RANGE_MPS = 3.0;

    /**
     * @param  string|null  $tag  setup; null: the one that was hit over the widest range
     * @return array<string, mixed> speeds m/s, lengths m, angles °, spin rpm; intervals 95 %
     *
     * @throws InvalidInput where nothing was hit, or not that setup
     */
    public static function of(FittingRecord $record, ?string $tag = null): array
    {
        $record = $record->ofAllSwings();
        $tag ??= self::widest($record);
        $set = $record->sets()[$tag] ?? throw InvalidInput::of('setup', "{$tag} has no counted shot with a speed yet.");
        $shots = $record->speedsOf($tag);
        if ($shots === []) {
            throw InvalidInput::of('setup', "The shots with {$tag} have no speed.");
        }
        $mixed = $record->mixedSpeeds()[$tag] ?? null;
        $spec = $record->setups[$tag]->spec($record->hand);
        $groups = self::groups($shots);
        $rungs = array_map(static fn (array $g): array => self::rung($g, $spec, $record, $set), $groups);
        $speeds = array_column($shots, 'speedMps');
        $isRange = count($rungs) > 1 && ($mixed !== null || max($speeds) - min($speeds) >= self::RANGE_MPS);

        return [
            'tag' => $tag, 'n' => count($shots), 'clubSeen' => count($set->values(Measure::ClubSpeed)) * 2 > $set->count(),
            'by' => $mixed?->why === 'intent' ? 'intent' : 'speed', 'mixed' => $mixed === null ? null : get_object_vars($mixed),
            'isRange' => $isRange, 'rangeMps' => [min($speeds), max($speeds)],
            'rungs' => $rungs,
            'per' => self::per($shots), 'wanted' => self::wanted($record, $rungs, $speeds),
            'shots' => array_map(static fn (array $s): array => [
                'speedMps' => $s['speedMps'], 'intent' => $s['intent'], 'carryM' => $s['shot']->value(Measure::Carry),
                'launchDeg' => $s['shot']->value(Measure::LaunchAngle), 'spinRpm' => $s['shot']->value(Measure::Spin),
                'apexM' => $s['shot']->value(Measure::Apex),
            ], $shots),
            'both' => $isRange ? self::both($record, $tag, $groups) : null,
        ];
    }

    private static function widest(FittingRecord $record): string
    {
        $best = null;
        $most = -1.0;
        foreach (array_keys($record->sets()) as $tag) {
            $speeds = array_column($record->speedsOf((string) $tag), 'speedMps');
            $range = $speeds === [] ? -1.0 : max($speeds) - min($speeds);
            // What was hit at more than one speed on purpose is what the question is about.
            $range += isset($record->mixedSpeeds()[$tag]) ? 100.0 : 0.0;
            if ($range > $most) {
                [$best, $most] = [(string) $tag, $range];
            }
        }

        return $best ?? throw InvalidInput::of('setup', 'Nothing was hit yet: a speed ladder needs shots.');
    }

    /**
     * By intent where more than one was told; else the slower, middle and faster third, or half.
     *
     * @param  list<array{speedMps: float, intent: string, shot: LaunchShot, visit: int|null}>  $shots
     * @return list<array{name: string, speedMps: float, shots: list<LaunchShot>}> the slowest first
     */
    private static function groups(array $shots): array
    {
        $by = [];
        foreach ($shots as $s) {
            $by[$s['intent']][] = $s;
        }
        if (count($by) === 1) {
            usort($shots, static fn (array $a, array $b): int => $a['speedMps'] <=> $b['speedMps']);
            $n = count($shots);
            $names = $n >= 9 ? ['slower', 'middle', 'faster'] : ($n >= 4 ? ['slower', 'faster'] : ['all']);
            $by = [];
            foreach ($shots as $i => $s) {
                $by[$names[min(count($names) - 1, intdiv($i * count($names), $n))]][] = $s;
            }
        }
        $out = [];
        foreach ($by as $name => $its) {
            $out[] = [
                'name' => (string) $name, 'speedMps' => array_sum(array_column($its, 'speedMps')) / count($its),
                'shots' => array_column($its, 'shot'),
            ];
        }
        usort($out, static fn (array $a, array $b): int => $a['speedMps'] <=> $b['speedMps']);

        return $out;
    }

    /**
     * @param  array{name: string, speedMps: float, shots: list<LaunchShot>}  $group
     * @return array<string, mixed>
     */
    private static function rung(array $group, SetupSpec $spec, FittingRecord $record, ShotSet $whole): array
    {
        $set = new ShotSet($spec->tag, $group['shots']);
        $figures = [];
        foreach (self::MEASURES as $name => $measure) {
            $s = $set->summary($measure);
            $figures[$name] = $s === null ? null : ['mean' => $s->mean, 'sd' => $s->sd, 'interval' => $s->meanInterval, 'n' => $s->n];
        }
        // What the monitor does not give is worked back from the ball, by the whole set where a group is small.
        $evidence = Evidence::of($spec, $set, $record->flight) ?? Evidence::of($spec, $whole, $record->flight);
        $attack = $evidence === null ? 0.0 : max(-10.0, min(10.0, $evidence->state[Swing::ATTACK]));
        $window = LaunchWindow::forSwing(max(20.0, min(70.0, $group['speedMps'])), $attack, $record->flight, self::measure($record),
            $spec->body);
        $delivered = $evidence?->state[Swing::LOFT];

        return [
            'name' => $group['name'], 'n' => count($group['shots']), 'speedMps' => $group['speedMps'], 'figures' => $figures,
            'attackDeg' => $attack, 'deliveredLoftDeg' => $delivered, 'deliveredFrom' => $evidence?->from[Swing::LOFT],
            'wantedLoftDeg' => $window->dynamicLoftDeg, 'wantedBandDeg' => $window->loftBandDeg,
            'wantedLaunchDeg' => $window->launch->launchDeg,
            'wantedSpinRpm' => $window->launch->spinRpm,
            'loftChangeDeg' => $delivered === null ? null : match (true) {
                $delivered < $window->loftBandDeg[0] => $window->loftBandDeg[0] - $delivered,
                $delivered > $window->loftBandDeg[1] => $window->loftBandDeg[1] - $delivered,
                default => 0.0,
            },
        ];
    }

    /** Longest carry, unless the brief plays for a flat ball that runs. */
    private static function measure(FittingRecord $record): string
    {
        return $record->brief->school === 'flat and running' ? 'total' : 'carry';
    }

    /**
     * What a m/s of speed brings this player, by least squares over the shots.
     *
     * @param  list<array{speedMps: float, intent: string, shot: LaunchShot, visit: int|null}>  $shots
     * @return array<string, array{slope: float, interval: Interval, n: int}|null>
     */
    private static function per(array $shots): array
    {
        $out = [];
        foreach (self::MEASURES as $name => $measure) {
            $points = [];
            foreach ($shots as $s) {
                $value = $s['shot']->value($measure);
                if ($value !== null) {
                    $points[] = [$s['speedMps'], $value];
                }
            }
            $line = Line::through($points);
            $out[$name] = $line === null ? null : ['slope' => $line->slope, 'interval' => $line->slopeInterval, 'n' => $line->n];
        }

        return $out;
    }

    /**
     * The loft to deliver and what it gives, over the range of speeds and a little beyond.
     *
     * @param  list<array<string, mixed>>  $rungs
     * @param  list<float>  $speeds
     * @return list<array{speedMps: float, loftDeg: float, launchDeg: float, spinRpm: float, carryM: float, apexM: float}>
     */
    private static function wanted(FittingRecord $record, array $rungs, array $speeds): array
    {
        $attack = array_sum(array_column($rungs, 'attackDeg')) / count($rungs);
        sort($speeds);
        [$low, $high] = [max(20.0, ($speeds[0] ?? 45.0) - 1.0), min(70.0, ($speeds[count($speeds) - 1] ?? 45.0) + 1.0)];
        $out = [];
        for ($i = 0; $i <= 6; $i++) {
            $speed = $low + ($high - $low) * $i / 6;
            $w = LaunchWindow::forSwing($speed, $attack, $record->flight, self::measure($record));
            $out[] = [
                'speedMps' => $speed, 'loftDeg' => $w->dynamicLoftDeg, 'launchDeg' => $w->launch->launchDeg,
                'spinRpm' => $w->launch->spinRpm,
                'carryM' => $w->flight->carryM, 'apexM' => $w->flight->apexM,
            ];
        }

        return $out;
    }

    /**
     * Which setup serves both swings: fewest strokes on the mean of the cruising and the full-out swing, each as
     * often, against the own club.
     *
     * @param  list<array{name: string, speedMps: float, shots: list<LaunchShot>}>  $groups
     * @return array<string, mixed>|null null where the models have nothing to work from
     */
    private static function both(FittingRecord $record, string $tag, array $groups): ?array
    {
        $search = Search::modelled($record);
        if ($search === null) {
            return null;
        }
        $ends = [$groups[0], $groups[count($groups) - 1]];
        $specs = self::candidates($search);
        $strokes = $carries = [[], []];
        foreach ($ends as $i => $end) {
            $draws = $search->drawsOf($specs, day: self::day($record, $tag, $end, $search));
            $scored = ScoredDraws::of($draws, $record->brief, $record->limits());
            foreach ($draws->specs as $s => $spec) {
                $strokes[$i][$spec->tag] = array_slice($scored->strokes[$s], 0, PredictedDraws::DRAWS);
                $carries[$i][$spec->tag] = array_slice($draws->figures[$s][0], 0, PredictedDraws::DRAWS);
            }
        }
        $own = $record->own()->tag;
        $mean = static fn (array $v): float => array_sum($v) / max(1, count($v));
        $told = [];
        $gainOf = ['cruising' => [], 'fullOut' => [], 'both' => []];
        foreach ($specs as $spec) {
            if (! isset($strokes[0][$spec->tag], $strokes[1][$spec->tag])) {
                continue;
            }
            $gains = [
                'cruising' => Pick::gaps($strokes[0][$spec->tag], $strokes[0][$own]), 'fullOut' => Pick::gaps($strokes[1][$spec->tag],
                    $strokes[1][$own]),
            ];
            $gains['both'] = array_map(static fn (float $a, float $b): float => ($a + $b) / 2, $gains['cruising'], $gains['fullOut']);
            $summed = array_map(static fn (array $g): array => [
                'gain' => $mean($g), 'interval' => Interval::middleOf($g), 'chance' => count(array_filter($g,
                    static fn (float $v): bool => $v > 0)) / max(1, count($g)),
            ], $gains);
            foreach ($gains as $of => $g) {
                $gainOf[$of][$spec->tag] = $mean($g);
            }
            $told[$spec->tag] = [
                'tag' => $spec->tag, 'head' => $spec->head, 'sleeve' => $spec->sleeve, 'weights' => $spec->weights,
                'carryM' => ['cruising' => $mean($carries[0][$spec->tag]), 'fullOut' => $mean($carries[1][$spec->tag])],
                'cruising' => $summed['cruising'], 'fullOut' => $summed['fullOut'], 'both' => $summed['both'],
            ];
        }
        $best = static function (string $of) use ($gainOf): string {
            arsort($gainOf[$of]);

            return (string) array_key_first($gainOf[$of]);
        };
        $winner = $best('both');

        return [
            'own' => $own, 'speedsMps' => ['cruising' => $ends[0]['speedMps'], 'fullOut' => $ends[1]['speedMps']],
            'names' => [$ends[0]['name'], $ends[1]['name']],
            'best' => ['cruising' => $told[$best('cruising')], 'fullOut' => $told[$best('fullOut')], 'both' => $told[$winner]],
            'pick' => $winner !== $own && $told[$winner]['both']['chance'] >= DecisionRule::SURE_TO_BUY ? $winner : $own,
        ];
    }

    /**
     * What was hit, and every position and loft with the usual build: the weights stay as they come, since they do
     * little to speed.
     *
     * @return list<SetupSpec>
     */
    private static function candidates(Search $search): array
    {
        $hit = array_map(static fn (SetupSpec $s): string => $s->tag, $search->hit());
        $seen = [];

        return array_values(array_filter($search->all(), static function (SetupSpec $s) use ($hit, &$seen): bool {
            $key = "{$s->head}/{$s->sleeve}";
            $isFirst = ! isset($seen[$key]);
            $seen[$key] = true;

            return $isFirst || in_array($s->tag, $hit, true);
        }));
    }

    /**
     * How a group's swing differs from the player's mean swing: speed as it was seen, the rest as far as it can be
     * told from chance (shrunk to nothing by how far another swing of a player usually lies).
     *
     * @param  array{name: string, speedMps: float, shots: list<LaunchShot>}  $group
     * @return array<int, float> added to the nine values of the swing, by place
     */
    private static function day(FittingRecord $record, string $tag, array $group, Search $search): array
    {
        $spec = $record->setups[$tag]->spec($record->hand);
        $belief = $search->belief();
        $mean = $belief->swing($spec);
        $day = [Swing::CLUB_SPEED => $group['speedMps'] - $mean[Swing::CLUB_SPEED]];
        $whole = Evidence::of($spec, $record->sets()[$tag], $record->flight);
        $part = Evidence::of($spec, new ShotSet($tag, $group['shots']), $record->flight);
        if ($whole === null || $part === null) {
            return $day;
        }
        $sign = $record->hand->sign();
        for ($i = 1; $i < Swing::SCATTERING; $i++) {
            $width = PlayerPriors::VISIT_SD[$i] ** 2;
            $by = ($part->state[$i] - $whole->state[$i]) * $width / ($width + $part->error[$i] ** 2);
            // The belief is that of a right-hander.
            $day[$i] = in_array($i, [Swing::PATH, Swing::FACE], true) ? $sign * $by : $by;
        }

        return $day;
    }
}
