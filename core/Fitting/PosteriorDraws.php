<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\KeyedDraws;
use MintCarry\Core\Statistics\Summary;

use function max;
use function min;
use function sqrt;

/**
 * Truths of several setups that the shots allow, priced: by tag and draw the score under the brief (lower = better),
 * the strokes under its aim, the strokes with the aim fixed on the middle, the best aim in degrees, the shares left
 * and right of the corridor with the aim fixed, carry and total in m, and the chances of what must never be seen.
 */
final readonly class PosteriorDraws
{
    public const DRAWS = 256;

    private const FIRST = 64;

    private const TYPICAL_CARRY_SPREAD = 0.06;

    /** Of the descent angle from shot to shot, °, where only means are known (common practice, no source). */
    private const DESCENT_SPREAD_DEG = 4.0;

    /** Figures of the ball that a wish may be about, with their usual spread from shot to shot. */
    private const SEEN = [
        'apexM' => PlayerPriors::APEX_SPREAD_M, 'launchDeg' => 1.8, 'spinRpm' => PlayerPriors::SPIN_SPREAD_RPM, 'curveM' => 8.0,
        'directionDeg' => 1.4, 'descentDeg' => self::DESCENT_SPREAD_DEG,
    ];

    /**
     * @param  array<string, array<int, float>>  $scores
     * @param  array<string, array<int, float>>  $strokes
     * @param  array<string, array<int, float>>  $aimFixed
     * @param  array<string, array<int, float>>  $aims
     * @param  array<string, array<int, float>>  $lefts
     * @param  array<string, array<int, float>>  $rights
     * @param  array<string, array<int, float>>  $carries
     * @param  array<string, array<int, float>>  $totals
     * @param  array<string, array<string, array<int, float>>>  $nevers  by tag, kind and draw
     * @param  array<string, array<int, float>>  $troubles  shares that end in water, trees or out of bounds
     * @param  array<string, array<string, array<int, float>>>  $flights  by figure, tag and draw: apexM, launchDeg, spinRpm, curveM,
     *   directionDeg, descentDeg; what is not known of every setup is missing
     */
    public function __construct(
        public array $scores, public array $strokes, public array $aimFixed, public array $aims, public array $lefts, public array $rights,
        public array $carries, public array $totals, public array $nevers, public array $troubles, public array $flights = [],
    ) {
    }

    /**
     * What a wish may be about, by figure, setup and draw.
     *
     * @param  list<string>  $tags
     * @return array<string, array<int, array<int, float>>>
     */
    public function figures(array $tags): array
    {
        $out = [];
        $by = ['carryM' => $this->carries, 'totalM' => $this->totals] + $this->flights;
        foreach ($tags as $s => $tag) {
            $out['share'][$s] = $this->sharesOf($tag);
            foreach ($by as $figure => $draws) {
                if (isset($draws[$tag])) {
                    $out[$figure][$s] = $draws[$tag];
                }
            }
        }

        return array_filter($out, static fn (array $of): bool => count($of) === count($tags));
    }

    /**
     * From the shots alone: mean and spread of side, means of carry and total, as far as the shots of each setup
     * know them. A left-hander is drawn as the mirrored right-hander.
     *
     * @param  list<ShotSet>  $sets
     */
    public static function ofShots(array $sets, Brief $brief, Hand $hand = Hand::Right, ?FlightLimits $limits = null): self
    {
        $pooled = SideEstimate::pooledSpread($sets);
        $scoring = $brief->scoring();
        $price = new Strokes($brief, 0.0);
        $scores = $strokes = $aimFixed = $aims = $lefts = $rights = $carries = $totals = $nevers = $troubles = $flights = [];
        $drawn = static fn (string $of): array => KeyedDraws::normals("shots, {$of}", self::DRAWS, self::FIRST);
        $ground = array_map(Run::share(...), $drawn('ground')); // of one course for all
        foreach ($sets as $set) {
            $side = SideEstimate::of($set, $pooled);
            [$carryM, $carrySdM, $carryErrorM] = self::length($set->summary(Measure::Carry));
            [$totalM, , $totalErrorM] = self::length($set->summary(Measure::Total));
            $turn = self::turn($set);
            $apex = [$set->summary(Measure::Apex)->mean ?? 0.0, PlayerPriors::APEX_SPREAD_M];
            $descent = [$set->summary(Measure::Descent)->mean ?? 38.0, self::DESCENT_SPREAD_DEG];
            $tag = $set->tag;
            [$where, $width, $luck] = [$drawn("{$tag}, side"), $drawn("{$tag}, spread"), $drawn("{$tag}, length")];
            foreach (self::SEEN as $field => $usual) {
                $of = $set->summary(Measure::from($field));
                if ($of !== null) {
                    $error = self::pooled($of, $usual) / sqrt($of->n);
                    $flights[$field][$tag] = array_map(static fn (float $z): float => $of->mean + $error * $z, $drawn("{$tag}, {$field}"));
                }
            }
            for ($d = 0; $d < self::DRAWS; $d++) {
                [$meanM, $sdM] = $side->at($hand->sign() * $where[$d], $width[$d]);
                $total = $totalM + $totalErrorM * $luck[$d] + ($ground[$d] - 1) * ($totalM - $carryM); // carry and total go together
                $carry = $carryM + $carryErrorM * $luck[$d];
                $meanM += ($ground[$d] - 1) * $turn;
                [$aimFixed[$tag][$d], $best, $aims[$tag][$d], , $left, $right] = $price->drive($meanM, $sdM, $total, $brief->aimFree);
                $troubles[$tag][$d] = $price->inTrouble($meanM, $sdM);
                $strokes[$tag][$d] = $best = min($best, $aimFixed[$tag][$d]);
                [$lefts[$tag][$d], $rights[$tag][$d], $carries[$tag][$d], $totals[$tag][$d]] = [$left, $right, $carry, $total];
                $scores[$tag][$d] = $scoring->of(
                    [
                        'strokes' => $best, 'share' => 1 - $left - $right, 'carryM' => $carry, 'carrySdM' => $carrySdM,
                        'totalM' => $total, 'apexM' => $apex[0],
                    ],
                    $brief->weights,
                );
                foreach (NeverSeen::chances($brief, $limits, $left, $right, $apex, $descent, $price->beside(0.0, $sdM)) as $kind => $chance) {
                    $nevers[$tag][$kind][$d] = $chance;
                }
            }
        }

        return new self($scores, $strokes, $aimFixed, $aims, $lefts, $rights, $carries, $totals, $nevers, $troubles, $flights);
    }

    /** @return list<float> share in the corridor by draw */
    public function sharesOf(string $tag): array
    {
        return array_map(
            static fn (float $l, float $r): float => 1 - $l - $r, array_values($this->lefts[$tag]), array_values($this->rights[$tag]),
        );
    }

    /** How much farther across than it landed the mean drive comes to rest, m. */
    private static function turn(ShotSet $set): float
    {
        return ($set->summary(Measure::TotalSide)->mean ?? 0.0) - ($set->summary(Measure::Side)->mean ?? 0.0);
    }

    /** A spread shrunk to the usual, eight shots' worth of it. */
    private static function pooled(Summary $of, float $usual): float
    {
        return sqrt((8 * $usual ** 2 + ($of->n - 1) * ($of->sd ?? 0.0) ** 2) / (8 + $of->n - 1));
    }

    /**
     * Mean of a length, its spread shrunk to what is typical, and the error of the mean, m.
     *
     * @return array{float, float, float}
     */
    private static function length(?Summary $summary): array
    {
        $mean = $summary->mean ?? 200.0;
        $spread = sqrt(
            (8 * (self::TYPICAL_CARRY_SPREAD * $mean) ** 2 + ($summary?->sd === null ? 0 : ($summary->n - 1) * $summary->sd ** 2)) /
                (8 + max(0, ($summary->n ?? 0) - 1)),
        );

        return [$mean, $spread, $spread / sqrt(max(1, $summary->n ?? 1))];
    }

    /** @param  list<string>  $tags */
    public function has(array $tags): bool
    {
        return array_diff($tags, array_map(strval(...), array_keys($this->scores))) === [];
    }
}
