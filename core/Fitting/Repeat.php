<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Launch\Measure;

/**
 * A setup hit again against the first time it was hit: what moved though the club did not. The rule of `LiveVerdict` with its
 * limit for a measure that nobody declared.
 */
final readonly class Repeat
{
    /** Usual spread from shot to shot, kept units. */
    private const USUAL = [
        ['carryM', PlayerPriors::CARRY_SPREAD_M], ['clubSpeedMps', PlayerPriors::CLUB_SPEED_SPREAD_MPS],
        ['ballSpeedMps', PlayerPriors::BALL_SPEED_SPREAD_MPS], ['spinRpm', PlayerPriors::SPIN_SPREAD_RPM],
        ['sideM', PlayerPriors::SIDE_SPREAD_M],
    ];

    /**
     * @param  bool  $moved  beyond what scatter explains
     * @param  float  $value  now minus then, kept unit
     */
    private function __construct(public Measure $measure, public float $value, public bool $moved)
    {
    }

    /** @return list<self> measures that both have at least three values of */
    public static function of(ShotSet $first, ShotSet $again): array
    {
        $out = [];
        foreach (self::USUAL as [$field, $usual]) {
            $measure = Measure::from($field);
            $verdict = LiveVerdict::between(
                $field, $measure, $first->values($measure), $again->values($measure), 1, $usual, LiveVerdict::OTHER_Z,
            );
            if ($verdict !== null) {
                $out[] = new self($measure, $verdict->value, $verdict->verdict !== Verdict::Open);
            }
        }

        return $out;
    }
}
