<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Normal;
use MintCarry\Core\Statistics\Summary;
use Random\Randomizer;

use function max;
use function min;
use function sqrt;

/**
 * Truths of several setups that the shots allow, priced: by tag and draw the score under the brief (lower = better), the strokes under its
 * aim, the strokes with the aim fixed on the middle, and the best aim in degrees.
 */
final readonly class PosteriorDraws
{
    public const DRAWS = 400;

    private const TYPICAL_CARRY_SPREAD = 0.06;

    /**
     * @param  array<string, array<int, float>>  $scores
     * @param  array<string, array<int, float>>  $strokes
     * @param  array<string, array<int, float>>  $aimFixed
     * @param  array<string, array<int, float>>  $aims
     */
    public function __construct(public array $scores, public array $strokes, public array $aimFixed, public array $aims)
    {
    }

    /**
     * From the shots alone: mean and spread of side, means of carry and total, as far as the shots of each setup know them.
     *
     * @param  list<ShotSet>  $sets
     */
    public static function ofShots(array $sets, Brief $brief, Randomizer $random): self
    {
        $pooled = SideEstimate::pooledSpread($sets);
        $scoring = $brief->scoring();
        $price = new Strokes($brief, 0.0);
        $scores = $strokes = $aimFixed = $aims = [];
        $ground = array_map(static fn (): float => Run::share(Normal::draw($random)), range(1, self::DRAWS)); // of one course for all
        foreach ($sets as $set) {
            $side = SideEstimate::of($set, $pooled);
            [$carryM, $carrySdM, $carryErrorM] = self::length($set->summary(Measure::Carry));
            [$totalM, , $totalErrorM] = self::length($set->summary(Measure::Total));
            $turn = self::turn($set);
            $apexM = $set->summary(Measure::Apex)->mean ?? 0.0;
            $tag = $set->tag;
            $scores[$tag] = $strokes[$tag] = $aimFixed[$tag] = $aims[$tag] = [];
            for ($d = 0; $d < self::DRAWS; $d++) {
                [$meanM, $sdM] = $side->draw($random);
                $luck = Normal::draw($random); // carry and total go together
                $total = $totalM + $totalErrorM * $luck + ($ground[$d] - 1) * ($totalM - $carryM);
                $meanM += ($ground[$d] - 1) * $turn;
                [$aimFixed[$tag][$d], $best, $aims[$tag][$d], $middle] = $price->drive($meanM, $sdM, $total, $brief->aimFree);
                $strokes[$tag][$d] = $best = min($best, $aimFixed[$tag][$d]);
                $scores[$tag][$d] = $scoring->of(
                    [
                        'strokes' => $best, 'share' => $price->share($middle, $sdM), 'carryM' => $carryM + $carryErrorM * $luck,
                        'carrySdM' => $carrySdM, 'totalM' => $total, 'apexM' => $apexM,
                    ],
                    $brief->weights,
                );
            }
        }

        return new self($scores, $strokes, $aimFixed, $aims);
    }

    /** How much farther across than it landed the mean drive comes to rest, m. */
    private static function turn(ShotSet $set): float
    {
        return ($set->summary(Measure::TotalSide)->mean ?? 0.0) - ($set->summary(Measure::Side)->mean ?? 0.0);
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
