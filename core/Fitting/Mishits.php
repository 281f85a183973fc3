<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Robust;

/**
 * Shots that look like mishits, each with its reason. A suggestion: nothing is removed by it.
 *
 * Ball speed more than 3 robust SD below the usual of its setup (SD over all setups of this player as a share of the setup's
 * median, by the median absolute deviation, never under 1.5 %); where the club was seen, smash likewise (never under 1 %); or a
 * strike more than 3 robust SD from this player's usual place (never under 5 mm). Rules and figures: docs/judging.md, "Mishits".
 */
final class Mishits
{
    private const BEYOND = 3.0;

    private const SPEED_FLOOR = 0.015;

    private const SMASH_FLOOR = 0.010;

    private const STRIKE_FLOOR_MM = 5.0;

    private const FROM_SHOTS = 4;

    /**
     * @param  list<ShotSet>  $sets  all shots of a setup that are not left out, warm-up and errors apart
     * @return array<string, array<int, list<array{measure: Measure, value: float, usual: float, sd: float, why: string}>>> by tag
     *   and place of the shot in its set; `why` is speed, swing, smash or strike
     */
    public static function among(array $sets): array
    {
        $ball = self::shares($sets, Measure::BallSpeed, self::SPEED_FLOOR);
        $club = self::shares($sets, Measure::ClubSpeed, self::SPEED_FLOOR);
        $smash = self::shares($sets, Measure::Smash, self::SMASH_FLOOR);
        $strikes = [];
        foreach ([Measure::StrikeToe, Measure::StrikeHigh] as $measure) {
            $all = array_merge([], ...array_map(static fn (ShotSet $s): array => $s->values($measure), $sets));
            if (count($all) >= self::FROM_SHOTS) {
                $strikes[] = [$measure, Robust::median($all), max(self::STRIKE_FLOOR_MM, Robust::sd($all))];
            }
        }
        $out = [];
        foreach ($sets as $set) {
            $found = [];
            foreach ($set->shots as $i => $shot) {
                $reasons = [];
                $speed = $shot->value(Measure::BallSpeed);
                $usual = $ball['usual'][$set->tag] ?? null;
                if ($speed !== null && $usual !== null && ($speed / $usual - 1) / $ball['sd'] < -self::BEYOND) {
                    $swing = $shot->value(Measure::ClubSpeed);
                    $slow =
                        $swing !== null &&
                        isset($club['usual'][$set->tag]) &&
                        ($swing / $club['usual'][$set->tag] - 1) / $club['sd'] < -self::BEYOND;
                    $reasons[] = [
                        'measure' => Measure::BallSpeed, 'value' => $speed, 'usual' => $usual, 'sd' => $usual * $ball['sd'],
                        'why' => $slow ? 'swing' : 'speed',
                    ];
                }
                $ratio = $shot->value(Measure::Smash);
                $usual = $smash['usual'][$set->tag] ?? null;
                if ($reasons === [] && $ratio !== null && $usual !== null && ($ratio / $usual - 1) / $smash['sd'] < -self::BEYOND) {
                    $reasons[] = [
                        'measure' => Measure::Smash, 'value' => $ratio, 'usual' => $usual, 'sd' => $usual * $smash['sd'],
                        'why' => 'smash',
                    ];
                }
                foreach ($strikes as [$measure, $at, $sd]) {
                    $value = $shot->value($measure);
                    if ($value !== null && abs($value - $at) > self::BEYOND * $sd) {
                        $reasons[] = ['measure' => $measure, 'value' => $value, 'usual' => $at, 'sd' => $sd, 'why' => 'strike'];
                    }
                }
                if ($reasons !== []) {
                    $found[$i] = $reasons;
                }
            }
            // Where a third of the shots stand out, none does: that is another swing, or another player.
            if ($found !== [] && 3 * count($found) <= $set->count()) {
                $out[$set->tag] = $found;
            }
        }

        return $out;
    }

    /**
     * The usual value of each setup and the robust spread about it as a share. A setup with few shots of its own takes the usual of all.
     *
     * @param  list<ShotSet>  $sets
     * @return array{usual: array<string, float>, sd: float}
     */
    private static function shares(array $sets, Measure $measure, float $floor): array
    {
        $all = array_merge([], ...array_map(static fn (ShotSet $s): array => $s->values($measure), $sets));
        if (count($all) < self::FROM_SHOTS) {
            return ['usual' => [], 'sd' => $floor];
        }
        $usual = [];
        $shares = [];
        foreach ($sets as $set) {
            $values = $set->values($measure);
            $usual[$set->tag] = Robust::median(count($values) >= self::FROM_SHOTS ? $values : $all);
            foreach ($values as $value) {
                $shares[] = $value / $usual[$set->tag];
            }
        }

        return ['usual' => $usual, 'sd' => $shares === [] ? $floor : max($floor, Robust::sd($shares))];
    }
}
