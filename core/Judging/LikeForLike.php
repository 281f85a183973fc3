<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Evenly;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\StudentT;
use MintCarry\Core\Statistics\Summary;

use function array_map;
use function array_sum;
use function count;
use function max;
use function min;
use function sqrt;

/**
 * Setups compared as if each had been hit with this player's typical swing and strike: the luck of the draw taken out.
 *
 * Each shot is moved through the impact and flight models from the delivery and strike it had to the player's typical one; only
 * the models' *difference* is added to what was measured. What a setup itself moves is no luck: its own shift of speed, attack,
 * path and strike stays, shrunk by its evidence, shift × τ²/(τ² + s²/n), and is told as a line of its own. For carry, total, spin
 * and launch; for side and strokes it does not help (face makes four fifths of side, and face is what a setup is for). With ball
 * data alone only the luck of ball speed is taken out.
 */
final readonly class LikeForLike
{
    public const MEASURES = ['carryM', 'totalM', 'spinRpm', 'launchDeg'];

    /** State fields that are the swing's: speed, attack, path, toe, high. */
    private const LUCK = [Swing::CLUB_SPEED, Swing::ATTACK, Swing::PATH, Swing::TOE, Swing::HIGH];

    /** How far setups usually differ in ball speed for good, m/s. */
    private const OWN_BALL_MPS = 1.0;

    /**
     * @param  array<string, Summary>  $measured  by measure
     * @param  array<string, array{mean: float, error: float}>  $alike
     * @param  list<array{field: string, shift: float, carryM: float}>  $ownShifts  what this setup moves of the swing itself,
     *   shrunk, and what that is worth
     * @param  list<string>  $corrected  state fields whose luck was taken out; ball speed alone where the monitor sees no club
     */
    private function __construct(
        public string $tag, public int $n, public array $measured, public array $alike, public array $ownShifts,
        public array $corrected,
    ) {
    }

    /**
     * @param  list<Evidence>  $all
     * @return array<string, self> by tag
     */
    public static function of(array $all): array
    {
        $typical = Evidence::typical($all);
        $ballTypical =
            count($all) === 0
                ? 0.0
                : array_sum(array_map(static fn (Evidence $e): float => (float) $e->set->summary(Measure::BallSpeed)?->mean, $all)) /
                    count($all);
        $out = [];
        foreach ($all as $e) {
            $out[$e->spec->tag] = self::one($e, $typical, $ballTypical);
        }

        return $out;
    }

    /**
     * Like-for-like difference from the benchmark with its 95 % interval.
     *
     * @return array{value: float, interval: Interval}|null
     */
    public function against(self $benchmark, string $measure): ?array
    {
        [$a, $b] = [$benchmark->alike[$measure] ?? null, $this->alike[$measure] ?? null];
        if ($a === null || $b === null) {
            return null;
        }
        $value = $b['mean'] - $a['mean'];
        $half = StudentT::quantile(0.975, max(2, $this->n + $benchmark->n - 2)) * sqrt($a['error'] ** 2 + $b['error'] ** 2);

        return ['value' => $value, 'interval' => new Interval($value - $half, $value + $half)];
    }

    /** Of more shots with a setup so many are flown again, spread evenly over them; the error that is told is that of so many. */
    private const MOVED_SHOTS = 200;

    /** @param  list<float>  $typical */
    private static function one(Evidence $e, array $typical, float $ballTypical): self
    {
        $fields = array_values(array_filter(self::LUCK, static fn (int $i): bool => $e->isMeasured($i)));
        $target = $e->state;
        $left = [];
        foreach ($fields as $i) {
            $keep = PlayerPriors::SETUP_SHIFT_SD[$i] ** 2 / (PlayerPriors::SETUP_SHIFT_SD[$i] ** 2 + $e->error[$i] ** 2);
            $target[$i] = $typical[$i] + $keep * ($e->state[$i] - $typical[$i]);
            $left[$i] = sqrt($keep) * $e->error[$i];
        }
        [$ballTarget, $ballLeft] = $e->hasClub() ? [null, 0.0] : self::ball($e, $ballTypical);
        $values = [];
        foreach (Evenly::of($e->set->shots, self::MOVED_SHOTS) as $shot) {
            foreach (self::moved($e, $shot, $target, $fields, $ballTarget) as $measure => $value) {
                $values[$measure][] = $value;
            }
        }
        $unsure = self::unsure($e, $target, $left);
        $measured = $alike = [];
        foreach (self::MEASURES as $measure) {
            $summary = $e->set->summary(Measure::from($measure));
            $moved = Summary::of($values[$measure] ?? []);
            if ($summary === null || $moved === null) {
                continue;
            }
            $measured[$measure] = $summary;
            $usual = ['carryM' => 5.0, 'totalM' => 7.0, 'spinRpm' => 180.0, 'launchDeg' => 1.0][$measure];
            $variance = (8 * $usual ** 2 + ($moved->n - 1) * ($moved->sd ?? 0.0) ** 2) / (7 + $moved->n);
            $ballShare =
                $ballTarget === null
                    ? 0.0
                    : (['carryM' => PlayerPriors::CARRY_M_PER_BALL_MPS, 'totalM' => PlayerPriors::TOTAL_M_PER_BALL_MPS][$measure] ??
                            0.0) *
                        $ballLeft;
            $alike[$measure] = [
                'mean' => $moved->mean, 'error' => sqrt($variance / $moved->n + ($unsure[$measure] ?? 0.0) + $ballShare ** 2),
            ];
        }

        return new self(
            $e->spec->tag, $e->set->count(), $measured, $alike, self::shifts($e, $target, $typical, $fields),
            $ballTarget !== null ? ['ballSpeedMps'] : array_map(static fn (int $i): string => Evidence::FIELDS[$i]->value, $fields),
        );
    }

    /**
     * Ball speed as it would be without the luck in it, where the club was not seen.
     *
     * @return array{float|null, float} m/s, and what stays unsure of it
     */
    private static function ball(Evidence $e, float $ballTypical): array
    {
        $ball = $e->set->summary(Measure::BallSpeed);
        if ($ball === null) {
            return [null, 0.0];
        }
        $error =
            sqrt((10 * PlayerPriors::BALL_SPEED_SPREAD_MPS ** 2 + ($ball->n - 1) * ($ball->sd ?? 0.0) ** 2) / (9 + $ball->n)) /
            sqrt($ball->n);
        $keep = self::OWN_BALL_MPS ** 2 / (self::OWN_BALL_MPS ** 2 + $error ** 2);

        return [$ballTypical + $keep * ($ball->mean - $ballTypical), sqrt($keep) * $error];
    }

    /**
     * What stays unsure of the target itself.
     *
     * @param  array<int, float>  $target
     * @param  array<int, float>  $left  standard errors by field
     * @return array<string, float> variance by measure
     */
    private static function unsure(Evidence $e, array $target, array $left): array
    {
        $base = Evidence::figures($e->launch($target), $e->flight);
        $unsure = [];
        foreach ($left as $i => $sd) {
            $step = $target;
            $step[$i] += $sd;
            $there = Evidence::figures($e->launch($step), $e->flight);
            foreach (self::MEASURES as $measure) {
                $unsure[$measure] =
                    ($unsure[$measure] ?? 0.0) + ($base === null || $there === null ? 0.0 : ($there[$measure] - $base[$measure]) ** 2);
            }
        }

        return $unsure;
    }

    /**
     * What this setup moves of the swing itself, and what that is worth.
     *
     * @param  array<int, float>  $target
     * @param  list<float>  $typical
     * @param  list<int>  $fields
     * @return list<array{field: string, shift: float, carryM: float}>
     */
    private static function shifts(Evidence $e, array $target, array $typical, array $fields): array
    {
        $base = Evidence::figures($e->launch($target), $e->flight);
        $shifts = [];
        foreach ($fields as $i) {
            $without = $target;
            $without[$i] = $typical[$i];
            $there = Evidence::figures($e->launch($without), $e->flight);
            $shifts[] = [
                'field' => Evidence::FIELDS[$i]->value, 'shift' => $target[$i] - $typical[$i],
                'carryM' => $base === null || $there === null ? 0.0 : $base['carryM'] - $there['carryM'],
            ];
        }

        return $shifts;
    }

    /**
     * @param  array<int, float>  $target
     * @param  list<int>  $fields
     * @return array<string, float>
     */
    private static function moved(Evidence $e, LaunchShot $shot, array $target, array $fields, ?float $ballTarget): array
    {
        $launch = $shot->launch();
        if ($launch === null || $launch->launchDeg <= 0.5) {
            return [];
        }
        try {
            if ($ballTarget !== null) {
                $new = new Launch($ballTarget, $launch->launchDeg, $launch->spinRpm, $launch->directionDeg, $launch->spinAxisDeg);
            } else {
                $from = $e->stateOf($shot);
                $to = $from;
                foreach ($fields as $i) {
                    // The whole swing moves: loft and face of this shot stay what they were.
                    $to[$i] = $target[$i];
                }
                [$was, $is] = [$e->launch($from), $e->launch($to)];
                $new = $was === null || $is === null ? $launch : new Launch(
                    $launch->ballSpeedMps + $is->ballSpeedMps - $was->ballSpeedMps,
                    max(0.6, min(60.0, $launch->launchDeg + $is->launchDeg - $was->launchDeg)),
                    max(200.0, $launch->spinRpm + $is->spinRpm - $was->spinRpm),
                    $launch->directionDeg + $is->directionDeg - $was->directionDeg,
                    max(-80.0, min(80.0, $launch->spinAxisDeg + $is->spinAxisDeg - $was->spinAxisDeg)),
                );
            }
        } catch (InvalidInput) {
            $new = $launch;
        }
        [$before, $after] = [$e->flight->fly($launch), $e->flight->fly($new)];

        return [
            'carryM' => ($shot->value(Measure::Carry) ?? $before->carryM) + $after->carryM - $before->carryM,
            'totalM' => ($shot->value(Measure::Total) ?? $before->totalM) + $after->totalM - $before->totalM,
            'spinRpm' => $new->spinRpm,
            'launchDeg' => $new->launchDeg,
        ];
    }
}
