<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Fitting\DecisionRule;
use MintCarry\Core\Fitting\LiveVerdict;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\Wanted;
use MintCarry\Core\Launch\Measure;

use function abs;

/**
 * A confirm run: after a pause the benchmark, the chosen setup, and the benchmark again. The rule, fixed before the
 * first shot:
 *
 * 1. It counts when the two legs of the benchmark agree: |z| ≤ 2.5 on club speed (ball speed where the club was not
 * seen) and on side. Else the player drifted, and nothing is said. 2. Overturned when the run alone speaks against
 * the choice on the brief's declared measure (|z| > 2.5), or when with its shots the chance that the choice is
 * better falls under one half. 3. Confirmed when with its shots that chance is at least 0.8. Else open.
 *
 * The pause is five minutes or another visit: what was learned by the hands in the last trial is part of what is to be tested
 * (common practice, no source).
 */
final readonly class Confirm
{
    public const PAUSE_MINUTES = 5;

    public const LEGS = 3;

    public const LIMIT_Z = 2.5;

    /**
     * @param  array<string, float>  $drift  z between the two legs of the benchmark by measure
     * @param  float|null  $z  of the choice against both legs on the declared measure, + = better
     */
    private function __construct(public ConfirmVerdict $verdict, public array $drift, public ?float $z, public float $chance)
    {
    }

    /**
     * @param  list<ShotSet>  $legs  counted shots of the legs so far: benchmark, choice, benchmark
     * @param  int  $shotsEach  counted shots that a leg needs
     * @param  float  $chance  that the choice is better than the benchmark, by every shot there is, those of the run among them
     */
    public static function of(array $legs, int $shotsEach, float $chance, Wanted $wanted): self
    {
        $done = array_filter($legs, static fn (ShotSet $s): bool => $s->count() >= $shotsEach);
        if (count($done) < self::LEGS) {
            return new self(ConfirmVerdict::Running, [], null, $chance);
        }
        [$before, $choice, $after] = $legs;
        $drift = [];
        foreach ([[Measure::ClubSpeed, 0.6], [Measure::Side, 14.0]] as [$measure, $usual]) {
            $measure = $measure === Measure::ClubSpeed && $before->values($measure) === [] ? Measure::BallSpeed : $measure;
            $between = LiveVerdict::between('', $measure, $before->values($measure), $after->values($measure), 1, $usual, self::LIMIT_Z);
            if ($between !== null) {
                $drift[$measure->value] = $between->z;
            }
        }
        $z = null;
        foreach (LiveVerdict::of(new ShotSet('', [...$before->shots, ...$after->shots]), new ShotSet('', $choice->shots), $wanted) as $live) {
            if ($live->declared) {
                $z = Wanted::measure($live->name)[1] * $live->z;
            }
        }
        $verdict = match (true) {
            array_filter($drift, static fn (float $d): bool => abs($d) > self::LIMIT_Z) !== [] => ConfirmVerdict::Drifted,
            $z !== null && $z < -self::LIMIT_Z, $chance < 0.5 => ConfirmVerdict::Overturned,
            $chance >= DecisionRule::SURE_TO_BUY => ConfirmVerdict::Confirmed,
            default => ConfirmVerdict::Open,
        };

        return new self($verdict, $drift, $z, $chance);
    }
}
