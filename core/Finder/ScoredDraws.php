<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Run;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\Strokes;
use MintCarry\Core\Statistics\Normal;

/**
 * PredictedDraws priced by a brief: for each setup and draw the score (lower = better), the strokes under the brief's aim and
 * with the aim fixed, the share in the corridor with the aim fixed, and the best aim in degrees.
 *
 * Shots are hit in a bay; the course has wind. Each draw is priced in a crosswind of its own, the same for every setup: it moves
 * nothing between them, but a setup that already leans far to one side has less room left. The ground is known no better:
 * each draw has its own share of run, again the same for every setup (`Run`). What counts is where the ball comes to rest.
 */
final readonly class ScoredDraws
{
    /**
     * Crosswind of a course that nobody told of, SD in m/s (assumption); of a told wind, its share across where it may come from
     * anywhere is 1/√2.
     */
    private const CROSSWIND_MPS = 2.0;

    /** Drift for each m/s of crosswind as a share of carry: 0.012 at 55, 65 and 74 m/s of ball speed (our flight model). */
    private const DRIFT_PER_MPS = 0.012;

    /** The ratios that spread wind and run over the draws without an order that the other draws could share. */
    private const GOLDEN_RATIO = 0.6180339887;

    private const ROOT_OF_TWO = 0.4142135624;

    /**
     * @param  array<int, array<int, float>>  $scores
     * @param  array<int, array<int, float>>  $strokes
     * @param  array<int, array<int, float>>  $aimFixed
     * @param  array<int, array<int, float>>  $shares
     * @param  array<int, array<int, float>>  $aims
     */
    private function __construct(
        public array $scores, public array $strokes, public array $aimFixed, public array $shares, public array $aims,
    ) {
    }

    public static function of(PredictedDraws $draws, Brief $brief): self
    {
        $scoring = $brief->scoring();
        $price = new Strokes($brief);
        $sign = ($draws->specs[0] ?? null)?->hand->sign() ?? 1;
        $gust = array_map(
            static fn (float $z): float => $sign * $z * max(self::CROSSWIND_MPS, $brief->windMps / M_SQRT2) * self::DRIFT_PER_MPS,
            self::spread(PredictedDraws::DRAWS_OF_HIT, self::GOLDEN_RATIO),
        );
        $run = array_map(Run::share(...), self::spread(PredictedDraws::DRAWS_OF_HIT, self::ROOT_OF_TWO));
        $scores = $strokes = $aimFixed = $shares = $aims = [];
        $isStrokes = $scoring === Scoring::FewestStrokes;
        foreach ($draws->figures as $s => [$carries, $totals, $sides, $apexes, , $carrySds, $rests, $restSds]) {
            $aimFixed[$s] = $strokes[$s] = $aims[$s] = $shares[$s] = $scores[$s] = [];
            foreach ($carries as $d => $carry) {
                $total = $carry + $run[$d] * ($totals[$d] - $carry);
                $sd = Run::spread($restSds[$d], $totals[$d] - $carry);
                [$aimFixed[$s][$d], $cost, $aim, $middle, $shares[$s][$d]] = $price->drive(
                    $sides[$d] + $run[$d] * ($rests[$d] - $sides[$d]) + $gust[$d] * $carry, $sd, $total, $brief->aimFree,
                );
                $strokes[$s][$d] = $cost;
                $aims[$s][$d] = $aim;
                $scores[$s][$d] = $isStrokes
                    ? $cost
                    : $scoring->of(
                        [
                            'strokes' => $cost, 'share' => $price->share($middle, $sd), 'carryM' => $carry,
                            'carrySdM' => $carrySds[$d], 'totalM' => $total, 'apexM' => $apexes[$d],
                        ],
                        $brief->weights,
                    );
            }
        }

        return new self($scores, $strokes, $aimFixed, $shares, $aims);
    }

    /**
     * Standard normal numbers spread evenly over the draws, in opposite pairs as the draws are: the same for every fitting.
     *
     * @return list<float>
     */
    private static function spread(int $draws, float $ratio): array
    {
        $out = [];
        $pairs = max(1, intdiv($draws, 2));
        for ($k = 0; 2 * $k < $draws; $k++) {
            // Multiples of an irrational number spread the pairs over the upper half (Weyl 1916; from memory).
            $z = Normal::quantile(0.5 + 0.5 * (fmod(($k + 1) * $ratio, 1.0) * ($pairs - 1) + 0.5) / $pairs);
            $way = $k % 2 === 0 ? 1 : -1;
            array_push($out, $way * $z, -$way * $z);
        }

        return array_slice($out, 0, $draws);
    }
}
