<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\Strokes;
use MintCarry\Core\Statistics\Normal;

/**
 * Clouds priced by a brief: for each setup and draw the score (lower = better), the strokes under the brief's aim and with the aim held, the share in the corridor with the aim held, and the best aim in degrees.
 *
 * Shots are hit in a bay; the course has wind. Each draw is priced in a crosswind of its own, the same for every setup: it moves nothing between them, but a setup that already leans far to one side has less room left.
 */
final readonly class Priced
{
    /** Crosswind of a course that nobody told of, SD in m/s (assumption); of a told wind, its share across where it may come from anywhere is 1/√2. */
    private const CROSSWIND_MPS = 2.0;

    /** Drift for each m/s of crosswind as a share of carry: 0.012 at 55, 65 and 74 m/s of ball speed (our flight model). */
    private const DRIFT_PER_MPS = 0.012;

    /**
     * @param  list<list<float>>  $scores
     * @param  list<list<float>>  $strokes
     * @param  list<list<float>>  $held
     * @param  list<list<float>>  $shares
     * @param  list<list<float>>  $aims
     */
    private function __construct(public array $scores, public array $strokes, public array $held, public array $shares, public array $aims)
    {
    }

    public static function of(Clouds $clouds, Brief $brief): self
    {
        $scoring = $brief->scoring();
        $price = new Strokes($brief);
        $sign = ($clouds->built[0] ?? null)?->hand->sign() ?? 1;
        $gust = array_map(static fn (float $z): float => $sign * $z * max(self::CROSSWIND_MPS, $brief->windMps / M_SQRT2) * self::DRIFT_PER_MPS, self::spread(count($clouds->figures[0] ?? [])));
        $scores = $strokes = $held = $shares = $aims = [];
        foreach ($clouds->figures as $s => $draws) {
            $scores[$s] = $strokes[$s] = $held[$s] = $shares[$s] = $aims[$s] = [];
            foreach ($draws as $d => [$carry, $total, $side, $apex, $sideSd, $carrySd]) {
                $side += $gust[$d] * $carry;
                $held[$s][$d] = $price->held($side, $sideSd, $total);
                [$cost, $aim, $middle] = $brief->aimFree ? $price->free($side, $sideSd, $total) : [$held[$s][$d], 0.0, $side];
                $strokes[$s][$d] = $cost;
                $aims[$s][$d] = $aim;
                $shares[$s][$d] = $price->share($side, $sideSd);
                $scores[$s][$d] = $scoring === Scoring::FewestStrokes ? $cost
                    : $scoring->of(['strokes' => $cost, 'share' => $price->share($middle, $sideSd), 'carryM' => $carry, 'carrySdM' => $carrySd, 'totalM' => $total, 'apexM' => $apex], $brief->weights);
            }
        }

        return new self($scores, $strokes, $held, $shares, $aims);
    }

    /**
     * Standard normal numbers spread evenly over the draws, in opposite pairs as the draws are: the same for every fitting.
     *
     * @return list<float>
     */
    private static function spread(int $draws): array
    {
        $out = [];
        $pairs = max(1, intdiv($draws, 2));
        for ($k = 0; 2 * $k < $draws; $k++) {
            // The golden ratio spreads the pairs over the upper half without an order that the other draws could share (Weyl 1916; from memory).
            $z = Normal::quantile(0.5 + 0.5 * (fmod(($k + 1) * 0.6180339887, 1.0) * ($pairs - 1) + 0.5) / $pairs);
            $way = $k % 2 === 0 ? 1 : -1;
            array_push($out, $way * $z, -$way * $z);
        }

        return array_slice($out, 0, $draws);
    }
}
