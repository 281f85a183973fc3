<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Finder\PredictedDraws;
use MintCarry\Core\Finder\ScoredDraws;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Statistics\Interval;

use function abs;
use function array_map;
use function array_search;
use function array_slice;
use function array_sum;
use function array_values;
use function count;
use function max;

/**
 * Two things that fitters argue about, answered for this player: is more loft straighter, and in wind, flight it down or keep the
 * window? Both by this player's own scatter through the models: the delivered loft moved and all else the same, so that what shows is
 * what loft does.
 */
final class LoftAndWind
{
    /** Delivered loft that is added and taken away, °. */
    private const LOFTS = [-2.0, -1.0, 0.0, 1.0, 2.0];

    /** A clear wind, and how much lower a ball is flighted, m/s and °. */
    private const WIND_MPS = 5.0;

    private const DOWN_DEG = 3.0;

    private const WINDS = ['head' => 0.0, 'tail' => 180.0, 'fromLeft' => 270.0, 'fromRight' => 90.0];

    /** Beyond this chance it is said, as everywhere. */
    private const SURE = 0.8;

    /**
     * Both answers.
     *
     * @return array{loft: array<string, mixed>, wind: array<string, mixed>}
     *
     * @throws InvalidInput where the models have nothing to work from
     */
    public static function of(FittingRecord $record): array
    {
        return ['loft' => self::loft($record), 'wind' => self::wind($record)];
    }

    /**
     * @return array{tag: string, lofts: list<array<string, mixed>>, answer: string, chance: float, sideShare: float, angleShare: float}
     *   answer: straighter, wider, same or open
     *
     * @throws InvalidInput where the models have nothing to work from
     */
    public static function loft(FittingRecord $record): array
    {
        [$search, $spec] = self::asked($record);
        $rows = array_map(static fn (float $more): array => self::drives($search, $spec, $record, $more), self::LOFTS);
        $base = $rows[(int) array_search(0.0, self::LOFTS, true)];
        $most = $rows[count($rows) - 1];
        $lofts = array_map(static fn (array $r): array => [
            'loftDeg' => $r['loftDeg'], 'launchDeg' => $r['ball'][0], 'spinRpm' => $r['ball'][1], 'axisDeg' => $r['ball'][2],
        ] + self::told('carryM', $r['figures'][0], $base['figures'][0]) + self::told('sideSpreadM', $r['figures'][4], $base['figures'][4])
          + self::told('share', $r['shares'], $base['shares']) + self::told('strokes', $r['strokes'], $base['strokes']), $rows);
        // Straighter is a narrower spread at the same share of carry too: a ball that carries shorter is nearer the line already.
        $narrower = Pick::share($most['figures'][4], $base['figures'][4]);
        $angle = static fn (array $r): array => array_map(static fn (float $sd, float $c): float => $sd / max(1.0, $c), $r['figures'][4],
            $r['figures'][0]);

        return [
            'tag' => $spec->tag, 'lofts' => $lofts,
            'answer' => match (true) {
                abs(self::mean($most['figures'][4]) / self::mean($base['figures'][4]) - 1) < 0.01 => 'same',
                $narrower >= self::SURE => 'straighter', $narrower <= 1 - self::SURE => 'wider', default => 'open',
            },
            'chance' => $narrower, 'sideShare' => self::mean($most['figures'][4]) / self::mean($base['figures'][4]) - 1,
            'angleShare' => self::mean($angle($most)) / self::mean($angle($base)) - 1,
        ];
    }

    /**
     * @return array{tag: string, windMps: float, downDeg: float, winds: list<array<string, mixed>>}
     *
     * @throws InvalidInput where the models have nothing to work from
     */
    public static function wind(FittingRecord $record): array
    {
        [$search, $spec] = self::asked($record);
        $brief = $record->brief;
        $speed = $brief->windMps > 0.5 ? $brief->windMps : self::WIND_MPS;
        $winds = self::WINDS + ($brief->windMps > 0.5 ? ['told' => $brief->windFromDeg] : []);
        $out = [];
        foreach ($winds as $name => $from) {
            // The draws are those of a right-hander: a left-hander's wind is mirrored with the ball.
            $flight = $record->flight->elsewhere(
                new Atmosphere($brief->temperatureC, $brief->altitudeM), new Wind($speed, $record->hand->sign() * $from), $brief->turf(),
            );
            $keep = self::drives($search, $spec, $record, 0.0, $flight);
            $down = self::drives($search, $spec, $record, -self::DOWN_DEG, $flight);
            $longer = Pick::share($keep['figures'][1], $down['figures'][1]);
            $out[] = [
                'wind' => $name, 'fromDeg' => $from,
                'keep' => ['carryM' => self::mean($keep['figures'][0]), 'totalM' => self::mean($keep['figures'][1]),
                    'sideM' => self::mean($keep['figures'][2]), 'apexM' => self::mean($keep['figures'][3])],
            ] + self::told('carryM', $down['figures'][0], $keep['figures'][0]) + self::told('totalM', $down['figures'][1],
                $keep['figures'][1])
              + self::told('sideM', $down['figures'][2], $keep['figures'][2]) + self::told('strokes', $down['strokes'],
                  $keep['strokes']) + [
                      'chanceLonger' => $longer,
                      'answer' => $longer >= self::SURE ? 'down' : ($longer <= 1 - self::SURE ? 'keep' : 'open'),
                  ];
        }

        return ['tag' => $spec->tag, 'windMps' => $speed, 'downDeg' => self::DOWN_DEG, 'winds' => $out];
    }

    /** @return array{Search, SetupSpec} and the benchmark, or the own club where that was not hit */
    private static function asked(FittingRecord $record): array
    {
        $search = Search::modelled($record) ?? throw InvalidInput::of(
            'shots', 'These questions are answered from this player’s own shots: hit the own club with ball speed, launch, spin and direction seen.',
        );
        $tag = isset($record->sets()[$record->benchmark ?? '']) ? (string) $record->benchmark : $record->own()->tag;
        foreach ($search->hit() as $spec) {
            if ($spec->tag === $tag) {
                return [$search, $spec];
            }
        }
        throw InvalidInput::of('setup', "{$tag} was not hit.");
    }

    /**
     * This player's drives with so much more delivered loft.
     *
     * @param  BallFlight|null  $flight  another air than the brief's
     * @return array{loftDeg: float, ball: array{float, float, float}, figures: array<int, list<float>>, shares: list<float>,
     *   strokes: list<float>} figures as `PredictedDraws` has them
     */
    private static function drives(Search $search, SetupSpec $spec, FittingRecord $record, float $more, ?BallFlight $flight = null): array
    {
        $draws = $search->drawsOf([$spec], [Swing::LOFT => $more]);
        $draws = $flight === null ? $draws : $draws->elsewhere($record->flight, $flight);
        $scored = ScoredDraws::of($draws, $record->brief, $record->limits());
        $s = $draws->index($spec->tag) ?? throw InvalidInput::of('setup', "The models give no ball for {$spec->tag}.");

        return [
            'loftDeg' => $more, 'ball' => self::ball($search, $spec, $more), 'figures' => array_map(self::first(...), $draws->figures[$s]),
            'shares' => array_slice($scored->sharesOf($s), 0, PredictedDraws::DRAWS), 'strokes' => self::first($scored->strokes[$s]),
        ];
    }

    /** @return array{float, float, float} launch °, spin rpm, axis ° (+ right) of the mean swing with so much more loft */
    private static function ball(Search $search, SetupSpec $spec, float $more): array
    {
        $swing = $search->belief()->swing($spec);
        $swing[Swing::LOFT] += $more;
        $ball = Swing::of($swing)->launch(new Impact($spec->body)) ?? throw InvalidInput::of('setup',
            "The models give no ball for {$spec->tag}.");

        return [$ball->launchDeg, $ball->spinRpm, $spec->hand->sign() * $ball->spinAxisDeg];
    }

    /**
     * @param  array<int, float>  $of
     * @return list<float> in the draws that all setups have
     */
    private static function first(array $of): array
    {
        return array_slice(array_values($of), 0, PredictedDraws::DRAWS);
    }

    /**
     * @param  list<float>  $now
     * @param  list<float>  $base
     * @return array<string, array{value: float, change: float, interval: Interval}>
     */
    private static function told(string $name, array $now, array $base): array
    {
        $by = Pick::gaps($base, $now);

        return [$name => ['value' => self::mean($now), 'change' => self::mean($by), 'interval' => Interval::middleOf($by)]];
    }

    /** @param  list<float>  $of */
    private static function mean(array $of): float
    {
        return array_sum($of) / max(1, count($of));
    }
}
