<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;

use function abs;
use function max;
use function min;

/**
 * What an off-centre strike costs with a head: seen, by zone of the face with n in each; and by the impact model at this player's
 * delivery, corrected by what was seen.
 *
 * The correction is the slope of seen loss of ball speed on the model's loss, shrunk toward 1 by as much evidence as eight shots
 * 10 mm off would give (ridge; Hoerl & Kennard 1970, from memory).
 */
final readonly class Forgiveness
{
    private const HEEL_TOE_MM = 8.0;

    private const HIGH_LOW_MM = 6.0;

    /** Loss of ball speed, m/s, that counts as much as the prior. */
    private const PRIOR_LOSS_MPS = 1.4;

    /** Worst usual strikes: this many SD from the mean one. */
    private const WORST_SD = 1.64;

    /**
     * @param  list<array{zone: string, n: int, ballSpeedMps: float|null, spinRpm: float|null, carryM: float|null}>  $zones
     * @param  array<string, array{ballSpeedMps: float, carryM: float, spinRpm: float, sideM: float}>  $costs  change against the
     *   strike in line with the CG: heel, toe 10 mm, low, high 8 mm
     */
    private function __construct(
        public string $tag, public int $seen, public array $zones, public array $costs, public float $correction,
        public float $worstCarryM, public string $worstAt, public bool $assumed,
    ) {
    }

    public static function of(Evidence $e): self
    {
        $shots = [];
        foreach ($e->set->shots as $shot) {
            $toe = $shot->value(Measure::StrikeToe);
            $high = $shot->value(Measure::StrikeHigh);
            if ($toe !== null && $high !== null) {
                $shots[] = [$toe, $high, $shot];
            }
        }
        [$lineToe, $lineHigh] = $e->spec->body->inLineWithCg();
        $at = static function (float $toe, float $high) use ($e): ?array {
            $state = $e->state;
            [$state[Swing::TOE], $state[Swing::HIGH]] = [max(-45.0, min(45.0, $toe)), max(-28.0, min(28.0, $high))];

            return Evidence::figures($e->launch($state), $e->flight);
        };
        $best = $at($lineToe, $lineHigh);
        $correction = self::correction($e, $shots, $at, $best);
        [$worst, $where] = self::worst($e, $at, $correction);

        return new self(
            $e->spec->tag, count($shots), self::zones($shots), self::costs($at, [$lineToe, $lineHigh], $best, $correction), $correction,
            is_infinite($worst) ? 0.0 : $worst, $where, $e->spec->bodyAssumed,
        );
    }

    /**
     * @param  list<array{float, float, LaunchShot}>  $shots  toe, high, shot
     * @return list<array{zone: string, n: int, ballSpeedMps: float|null, spinRpm: float|null, carryM: float|null}>
     */
    private static function zones(array $shots): array
    {
        $zones = [];
        foreach (['high', 'middle', 'low'] as $row) {
            foreach (['heel', 'centre', 'toe'] as $column) {
                $in = array_column(
                    array_filter($shots, static fn (array $s): bool => self::column($s[0]) === $column && self::row($s[1]) === $row),
                    2,
                );
                $mean = static function (Measure $m) use ($in): ?float {
                    $values = array_filter(
                        array_map(static fn ($s): ?float => $s->value($m), $in), static fn (?float $v): bool => $v !== null,
                    );

                    return $values === [] ? null : array_sum($values) / count($values);
                };
                $zones[] = [
                    'zone' => "{$row} {$column}", 'n' => count($in), 'ballSpeedMps' => $mean(Measure::BallSpeed),
                    'spinRpm' => $mean(Measure::Spin), 'carryM' => $mean(Measure::Carry),
                ];
            }
        }

        return $zones;
    }

    /**
     * How much of the modelled loss of ball speed was seen: the slope of one on the other, both about their means, as the level of
     * ball speed is the swing's; 1 from fewer than three strikes.
     *
     * @param  list<array{float, float, LaunchShot}>  $shots
     * @param  callable(float, float): (array<string, float>|null)  $at  figures of a strike
     * @param  array<string, float>|null  $best  of the strike in line with the CG
     */
    private static function correction(Evidence $e, array $shots, callable $at, ?array $best): float
    {
        $pairs = [];
        foreach ($shots as [$toe, $high, $shot]) {
            $model = $at($toe, $high);
            $speed = $shot->value(Measure::BallSpeed);
            $club = $shot->value(Measure::ClubSpeed);
            if ($model !== null && $best !== null && $speed !== null) {
                $pairs[] = [
                    $best['ballSpeedMps'] - $model['ballSpeedMps'],
                    -($club === null ? $speed : ($speed * $e->state[Swing::CLUB_SPEED]) / $club),
                ];
            }
        }
        $n = count($pairs);
        $correction = 1.0;
        if ($n >= 3) {
            [$mx, $my] = [array_sum(array_column($pairs, 0)) / $n, array_sum(array_column($pairs, 1)) / $n];
            $xx = $xy = 0.0;
            foreach ($pairs as [$x, $y]) {
                $xx += ($x - $mx) ** 2;
                $xy += ($x - $mx) * ($y - $my);
            }
            $prior = 8 * self::PRIOR_LOSS_MPS ** 2;
            $correction = max(0.2, min(2.5, ($prior + $xy) / ($prior + $xx)));
        }

        return $correction;
    }

    /**
     * @param  callable(float, float): (array<string, float>|null)  $at
     * @param  array{float, float}  $line  the strike in line with the CG
     * @param  array<string, float>|null  $best  its figures
     * @return array<string, array{ballSpeedMps: float, carryM: float, spinRpm: float, sideM: float}>
     */
    private static function costs(callable $at, array $line, ?array $best, float $correction): array
    {
        [$lineToe, $lineHigh] = $line;
        $costs = [];
        foreach (['heel' => [-10.0, 0.0], 'toe' => [10.0, 0.0], 'low' => [0.0, -8.0], 'high' => [0.0, 8.0]] as $name => [$dx, $dy]) {
            $there = $at($lineToe + $dx, $lineHigh + $dy);
            $costs[$name] =
                $best === null || $there === null
                    ? ['ballSpeedMps' => 0.0, 'carryM' => 0.0, 'spinRpm' => 0.0, 'sideM' => 0.0]
                    : [
                        'ballSpeedMps' => $correction * ($there['ballSpeedMps'] - $best['ballSpeedMps']),
                        'carryM' => $correction * ($there['carryM'] - $best['carryM']),
                        'spinRpm' => $there['spinRpm'] - $best['spinRpm'], 'sideM' => $there['sideM'] - $best['sideM'],
                    ];
        }

        return $costs;
    }

    /**
     * @param  callable(float, float): (array<string, float>|null)  $at
     * @return array{float, string} carry of the worst usual strike, m, and where it lies; endless where none flies
     */
    private static function worst(Evidence $e, callable $at, float $correction): array
    {
        $here = $at($e->state[Swing::TOE], $e->state[Swing::HIGH]);
        $worst = INF;
        $where = '';
        $sd = [PlayerPriors::SCATTER_SD[Swing::TOE], PlayerPriors::SCATTER_SD[Swing::HIGH]];
        foreach (['heel' => [-1, 0], 'toe' => [1, 0], 'low' => [0, -1], 'high' => [0, 1]] as $name => [$x, $y]) {
            $there = $at($e->state[Swing::TOE] + $x * self::WORST_SD * $sd[0], $e->state[Swing::HIGH] + $y * self::WORST_SD * $sd[1]);
            $carry =
                $here === null || $there === null
                    ? INF
                    : ($e->set->summary(Measure::Carry)->mean ?? $here['carryM']) + $correction * ($there['carryM'] - $here['carryM']);
            if ($carry < $worst) {
                [$worst, $where] = [$carry, $name];
            }
        }

        return [$worst, $where];
    }

    private static function column(float $toe): string
    {
        return abs($toe) <= self::HEEL_TOE_MM ? 'centre' : ($toe > 0 ? 'toe' : 'heel');
    }

    private static function row(float $high): string
    {
        return abs($high) <= self::HIGH_LOW_MM ? 'middle' : ($high > 0 ? 'high' : 'low');
    }
}
