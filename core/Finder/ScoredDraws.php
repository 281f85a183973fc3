<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\FlightLimits;
use MintCarry\Core\Fitting\FlightTarget;
use MintCarry\Core\Fitting\NeverSeen;
use MintCarry\Core\Fitting\Run;
use MintCarry\Core\Fitting\Strokes;
use MintCarry\Core\Statistics\Normal;

/**
 * PredictedDraws priced by a brief: for each setup and draw the score (lower = better), the strokes under the
 * brief's aim and with the aim fixed, the share in the corridor with the aim fixed, and the best aim in degrees.
 *
 * Shots are hit in a bay; the course has wind. Each draw is priced in a crosswind of its own, the same for every
 * setup: it moves nothing between them, but a setup that already leans far to one side has less room left. The
 * ground is known no better: each draw has its own share of run, again the same for every setup (`Run`). What counts
 * is where the ball comes to rest.
 */
final readonly class ScoredDraws
{
    /**
     * Crosswind of a course that nobody told of, SD in m/s (assumption); of a told wind, its share across where it
     * may come from anywhere is 1/√2.
     */
    private const CROSSWIND_MPS = 2.0;

    /**
     * Drift for each m/s of crosswind as a share of carry: 0.012 at 55, 65 and 74 m/s of ball speed (our flight
     * model).
     */
    private const DRIFT_PER_MPS = 0.012;

    /** The ratios that spread wind and run over the draws without an order that the other draws could share. */
    private const GOLDEN_RATIO = 0.6180339887;

    private const ROOT_OF_TWO = 0.4142135624;

    /**
     * By setup and draw; shares with the aim fixed, so that in the corridor, left and right of it are one.
     *
     * @param  array<int, array<int, float>>  $scores
     * @param  array<int, array<int, float>>  $strokes
     * @param  array<int, array<int, float>>  $aimFixed
     * @param  array<int, array<int, float>>  $lefts
     * @param  array<int, array<int, float>>  $rights
     * @param  array<int, array<int, float>>  $aims
     * @param  array<int, array<string, array<int, float>>>  $nevers  chances of what must never be seen, by kind (`NeverSeen`)
     * @param  array<int, array<int, float>>  $totals  m
     * @param  array<int, array<int, float>>  $troubles  shares that end in water, trees or out of bounds, with the aim fixed
     */
    private function __construct(
        public array $scores, public array $strokes, public array $aimFixed, public array $lefts, public array $rights,
        public array $aims, public array $nevers, private array $totals, public array $troubles,
    ) {
    }

    /** The same drives under another scoring: nothing else of the brief may differ. */
    public function under(PredictedDraws $draws, Brief $brief): self
    {
        $scoring = $brief->scoring();
        $scores = [];
        foreach ($this->strokes as $s => $strokes) {
            $scores[$s] = $strokes;
            foreach ($scoring->unit() === 'strokes' ? [] : $strokes as $d => $cost) {
                $scores[$s][$d] = $scoring->of(
                    [
                        'strokes' => $cost, 'share' => 1 - $this->lefts[$s][$d] - $this->rights[$s][$d],
                        'carryM' => $draws->figures[$s][0][$d], 'carrySdM' => $draws->figures[$s][5][$d],
                        'totalM' => $this->totals[$s][$d], 'apexM' => $draws->figures[$s][3][$d],
                    ],
                    $brief->weights,
                );
            }
        }

        return new self(
            $scores, $this->strokes, $this->aimFixed, $this->lefts, $this->rights, $this->aims, $this->nevers, $this->totals, $this->troubles,
        );
    }

    /** @param  FlightLimits|null  $limits  what is too low or too high for this player; null: by what the brief alone says */
    public static function of(PredictedDraws $draws, Brief $brief, ?FlightLimits $limits = null): self
    {
        $price = new Strokes($brief);
        $sign = ($draws->specs[0] ?? null)?->hand->sign() ?? 1;
        $gust = array_map(
            static fn (float $z): float => $sign * $z * max(self::CROSSWIND_MPS, $brief->windMps / M_SQRT2) * self::DRIFT_PER_MPS,
            self::spread(PredictedDraws::DRAWS_OF_HIT, self::GOLDEN_RATIO),
        );
        $run = array_map(Run::share(...), self::spread(PredictedDraws::DRAWS_OF_HIT, self::ROOT_OF_TWO));
        $strokes = $aimFixed = $lefts = $rights = $aims = $nevers = $lengths = $troubles = [];
        $limits ??= array_intersect($brief->never, ['low runner', 'balloon']) === [] ? null : FlightLimits::of(FlightTarget::of($brief));
        foreach ($draws->figures as $s => $figures) {
            [$carries, $totals, $sides, $apexes, , , $rests, $restSds, $apexSds, $descents, $descentSds] = $figures;
            $aimFixed[$s] = $strokes[$s] = $aims[$s] = $lefts[$s] = $rights[$s] = $lengths[$s] = $troubles[$s] = $nevers[$s] = [];
            foreach ($carries as $d => $carry) {
                $total = $carry + $run[$d] * ($totals[$d] - $carry);
                $sd = Run::spread($restSds[$d], $totals[$d] - $carry);
                $rest = $sides[$d] + $run[$d] * ($rests[$d] - $sides[$d]) + $gust[$d] * $carry;
                [$aimFixed[$s][$d], $cost, $aim, , $left, $right] = $price->drive($rest, $sd, $total, $brief->aimFree);
                $troubles[$s][$d] = $price->inTrouble($rest, $sd);
                $strokes[$s][$d] = $cost;
                $aims[$s][$d] = $aim;
                [$lefts[$s][$d], $rights[$s][$d]] = [$left, $right];
                $lengths[$s][$d] = $total;
                if ($brief->never !== []) {
                    $chances = NeverSeen::chances(
                        $brief, $limits, $left, $right, [$apexes[$d], $apexSds[$d]], [$descents[$d], $descentSds[$d]],
                        $price->beside($gust[$d] * $carry, $sd),
                    );
                    foreach ($chances as $kind => $chance) {
                        $nevers[$s][$kind][$d] = $chance;
                    }
                }
            }
        }

        return (new self($strokes, $strokes, $aimFixed, $lefts, $rights, $aims, $nevers, $lengths, $troubles))->under($draws, $brief);
    }

    /**
     * Setups that likely bring more of what must never be seen than another: they are not advised.
     *
     * @return list<int>
     */
    public function barred(int $own, Brief $brief, ?FlightLimits $limits = null): array
    {
        if ($brief->never === []) {
            return [];
        }
        $price = ['tenMetres' => 0.0, 'rough' => 0.0, 'left' => 0.0, 'right' => 0.0];
        $out = [];
        foreach ($this->nevers as $s => $chances) {
            $isBarred = static fn (NeverSeen $n): bool => $n->isBarred;
            if ($s !== $own && array_filter(NeverSeen::of($chances, $this->nevers[$own], $brief, $price, $limits), $isBarred) !== []) {
                $out[] = $s;
            }
        }

        return $out;
    }

    /**
     * What a wish may be about, by figure, setup and draw.
     *
     * @return array<string, array<int, array<int, float>>>
     */
    public function figures(PredictedDraws $draws): array
    {
        $out = Search::flights($draws);
        foreach ($draws->figures as $s => $figures) {
            [$out['carryM'][$s], $out['totalM'][$s], $out['share'][$s]] = [$figures[0], $this->totals[$s], $this->sharesOf($s)];
        }

        return $out;
    }

    /** @return list<float> share in the corridor of a setup, by draw */
    public function sharesOf(int $setup): array
    {
        return array_map(
            static fn (float $l, float $r): float => 1 - $l - $r, array_values($this->lefts[$setup]), array_values($this->rights[$setup]),
        );
    }

    /**
     * Standard normal numbers spread evenly over the draws, in opposite pairs as the draws are: the same for every
     * fitting.
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
