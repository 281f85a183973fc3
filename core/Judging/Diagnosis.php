<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\LoftTrade;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Summary;

use function abs;
use function hypot;
use function sqrt;

/**
 * What is the matter with a setup's shots: the gear, or the delivery. Each finding carries its evidence and, where
 * it can be priced, what it costs. A finding is told only where the mean lies clear of chance (1.5 standard errors).
 * Limits are common practice, no source.
 */
final class Diagnosis
{
    /** Another loft is asked for from so much carry on that it would bring, m. */
    public const WORTH_LOFT_M = 2.0;

    private const CLEAR = 1.5;

    /** The question that the brief asks comes before what is dear. */
    private const FIRST = 1e6;

    /**
     * @param  Brief|null  $brief  whose usual miss is asked about first, of the benchmark; and whose attack is taken where none was seen
     * @return list<Finding> the usual miss first, then the dearest
     */
    public static function of(
        Evidence $e, CorridorShare $share, ?Evidence $benchmark = null, ?Brief $brief = null, ?float $wantedApexM = null,
    ): array {
        $out = [
            ...$brief !== null && ($benchmark === null || $benchmark === $e) ? self::usualMiss($e, $share, $brief, $wantedApexM) : [],
            ...self::strike($e), ...self::delivery($e), ...self::ball($e, $brief), ...self::directions($e, $share),
            ...$benchmark === null || $benchmark === $e ? [] : self::against($e, $benchmark),
        ];
        usort($out, static fn (Finding $a, Finding $b): int => $b->weight <=> $a->weight);

        return $out;
    }

    /** @return list<Finding> what the shots with the own club say of the miss that the player knows */
    private static function usualMiss(Evidence $e, CorridorShare $share, Brief $brief, ?float $wantedApexM): array
    {
        $apex = $e->set->summary(Measure::Apex)?->mean;
        $isStrikeSeen = $e->isMeasured(Swing::TOE);
        $figures = match ($brief->miss) {
            'left' => ['missShare' => $share->left],
            'right' => ['missShare' => $share->right],
            'two-way' => ['leftShare' => $share->left, 'rightShare' => $share->right],
            'low', 'high' => $apex === null || $wantedApexM === null ? null : ['apexM' => $apex, 'wantedM' => $wantedApexM],
            'heel', 'toe' => ['strike' => $isStrikeSeen ? 'seen' : 'none', 'toeMm' => $isStrikeSeen ? $e->state[Swing::TOE] : 0.0],
            default => null,
        };

        $asked = ['miss' => str_replace('-', '', $brief->miss), 'tag' => $e->spec->tag];

        return $figures === null ? [] : [new Finding($e->spec->tag, FindingKind::UsualMiss, $asked + $figures, self::FIRST)];
    }

    /** @return list<Finding> */
    private static function strike(Evidence $e): array
    {
        $out = [];
        [$lineToe, $lineHigh] = $e->spec->body->inLineWithCg();
        $tag = $e->spec->tag;
        if ($e->isMeasured(Swing::TOE) && $e->isMeasured(Swing::HIGH)) {
            [$toe, $high] = [$e->state[Swing::TOE] - $lineToe, $e->state[Swing::HIGH] - $lineHigh];
            if (
                (abs($toe) > 5 && abs($toe) > self::CLEAR * $e->error[Swing::TOE]) ||
                (abs($high) > 5 && abs($high) > self::CLEAR * $e->error[Swing::HIGH])
            ) {
                $there = $e->state;
                [$there[Swing::TOE], $there[Swing::HIGH]] = [$lineToe, $lineHigh];
                [$now, $best] = [Evidence::figures($e->launch($e->state), $e->flight), Evidence::figures($e->launch($there), $e->flight)];
                $cost = $now === null || $best === null ? 0.0 : $best['carryM'] - $now['carryM'];
                $out[] = new Finding(
                    $tag, FindingKind::OffCgLine,
                    [
                        'toeMm' => $toe, 'highMm' => $high, 'errorMm' => hypot($e->error[Swing::TOE], $e->error[Swing::HIGH]),
                        'costM' => $cost,
                    ],
                    abs($cost) + 1,
                );
            }
        }
        $smash = $e->set->summary(Measure::Smash);
        $model = $e->launch($e->state);
        if ($e->hasClub() && $smash !== null && $model !== null && $smash->n >= 3) {
            $expected = $model->ballSpeedMps / $e->state[Swing::CLUB_SPEED];
            if ($smash->mean < $expected - 0.03) {
                $out[] = new Finding(
                    $tag, FindingKind::SmashLow, ['smash' => $smash->mean, 'expectedSmash' => $expected],
                    PlayerPriors::CARRY_M_PER_BALL_MPS * $e->state[Swing::CLUB_SPEED] * ($expected - $smash->mean),
                );
            }
        }

        return $out;
    }

    /** @return list<Finding> */
    private static function delivery(Evidence $e): array
    {
        $out = [];
        $tag = $e->spec->tag;
        $now = Evidence::figures($e->launch($e->state), $e->flight);
        if (
            $e->isMeasured(Swing::ATTACK) &&
            $e->state[Swing::ATTACK] < -1.5 &&
            $e->state[Swing::ATTACK] < -self::CLEAR * $e->error[Swing::ATTACK]
        ) {
            $level = $e->state;
            $level[Swing::ATTACK] = 0.0;
            $there = Evidence::figures($e->launch($level), $e->flight);
            $cost = $now === null || $there === null ? 0.0 : $there['carryM'] - $now['carryM'];
            $out[] = new Finding(
                $tag, FindingKind::AttackDown,
                ['attackDeg' => $e->state[Swing::ATTACK], 'errorDeg' => $e->error[Swing::ATTACK], 'costM' => $cost], $cost,
                $e->state[Swing::ATTACK] < -3,
            );
        }
        $between = $e->state[Swing::FACE] - $e->state[Swing::PATH];
        $error = hypot($e->error[Swing::PATH], $e->error[Swing::FACE]);
        if ($e->isMeasured(Swing::PATH) && abs($between) > 2.5 && abs($between) > self::CLEAR * $error) {
            $square = $e->state;
            $square[Swing::FACE] = $e->state[Swing::PATH];
            $there = Evidence::figures($e->launch($square), $e->flight);
            $out[] = new Finding(
                $tag, FindingKind::FaceToPath,
                [
                    'faceToPathDeg' => $between, 'faceDeg' => $e->state[Swing::FACE], 'pathDeg' => $e->state[Swing::PATH],
                    'errorDeg' => $error, 'faceFrom' => $e->from[Swing::FACE],
                    'sideM' => $now === null || $there === null ? 0.0 : $now['sideM'] - $there['sideM'],
                ],
                2 * abs($between), abs($between) > 5 || abs($e->state[Swing::PATH]) > 6,
            );
        }

        return $out;
    }

    /** @return list<Finding> */
    private static function ball(Evidence $e, ?Brief $brief): array
    {
        $out = [];
        $tag = $e->spec->tag;
        $mean = static fn (Measure $m): ?Summary => $e->set->summary($m);
        [$speed, $launch, $spin] = [$mean(Measure::BallSpeed), $mean(Measure::LaunchAngle), $mean(Measure::Spin)];
        if ($speed !== null && $launch !== null && $spin !== null) {
            $trade = LoftTrade::of(
                new Launch($speed->mean, $launch->mean, $spin->mean), $e->flight, $mean(Measure::ClubSpeed)?->mean,
                $mean(Measure::Attack)->mean ?? $brief?->attackDeg,
            );
            if ($trade->costM > self::WORTH_LOFT_M) {
                $out[] = new Finding(
                    $tag, $trade->loftChangeDeg < 0 ? FindingKind::SpinTooHigh : FindingKind::SpinTooLow,
                    [
                        'spinRpm' => $spin->mean, 'launchDeg' => $launch->mean, 'bestSpinRpm' => $trade->bestSpinRpm,
                        'bestLaunchDeg' => $trade->bestLaunchDeg, 'loftChangeDeg' => $trade->loftChangeDeg,
                        'costM' => $trade->costM,
                    ],
                    $trade->costM,
                );
            }
        }
        $descent = $mean(Measure::Descent);
        if ($descent !== null && ($descent->mean > 46 || $descent->mean < 30)) {
            $out[] = new Finding(
                $tag, $descent->mean > 46 ? FindingKind::DescentTooSteep : FindingKind::DescentTooShallow,
                ['descentDeg' => $descent->mean], abs($descent->mean - 38) / 3,
            );
        }

        return $out;
    }

    /** @return list<Finding> */
    private static function directions(Evidence $e, CorridorShare $share): array
    {
        $out = [];
        $tag = $e->spec->tag;
        if ($share->n >= 4 && $share->left > 0.12 && $share->right > 0.12) {
            $spread = $e->set->summary(Measure::Side)->sd ?? 0.0;
            $out[] = new Finding(
                $tag, FindingKind::TwoWayMiss, ['leftShare' => $share->left, 'rightShare' => $share->right, 'spreadM' => $spread],
                40 * min($share->left, $share->right), $spread > 22,
            );
        }
        $side = $e->set->summary(Measure::Side);
        $curve = $e->set->summary(Measure::Curve);
        $direction = $e->set->summary(Measure::Direction);
        $carry = $e->set->summary(Measure::Carry);
        if ($side === null || $curve === null || $direction === null || $carry === null || $curve->n < 3) {
            return $out;
        }
        $start = $side->mean - $curve->mean;
        $clear = abs($curve->mean) > self::CLEAR * ($curve->sd ?? INF) / sqrt($curve->n);
        $startClear = abs($start) > self::CLEAR * ($direction->sd ?? INF) / sqrt($direction->n) * $carry->mean * M_PI / 180;
        $shape = ['curveM' => $curve->mean, 'startM' => $start, 'sideM' => $side->mean] + self::shape($start, $curve->mean, $e->spec->hand);
        if ($clear && abs($curve->mean) > 8 && abs($side->mean) < 0.4 * abs($curve->mean)) {
            $out[] = new Finding($tag, FindingKind::HiddenCurve, $shape, 0.5 * abs($curve->mean));
        } elseif (abs($side->mean) > 6 && ($clear || $startClear)) {
            $out[] = new Finding(
                $tag, abs($start) > abs($curve->mean) ? FindingKind::StartsThere : FindingKind::CurvesThere, $shape,
                0.5 * abs($side->mean),
            );
        }

        return $out;
    }

    /** @return list<Finding> what this setup does to the strike that the benchmark does not */
    private static function against(Evidence $e, Evidence $benchmark): array
    {
        $out = [];
        if ($e->isMeasured(Swing::TOE) && $benchmark->isMeasured(Swing::TOE)) {
            $shift = $e->state[Swing::TOE] - $benchmark->state[Swing::TOE];
            $error = hypot($e->error[Swing::TOE], $benchmark->error[Swing::TOE]);
            if (abs($shift) > 4 && abs($shift) > 2 * $error) {
                $heavier =
                    $e->spec->swingWeightPoints !== null && $benchmark->spec->swingWeightPoints !== null
                        ? $e->spec->swingWeightPoints - $benchmark->spec->swingWeightPoints
                        : 0.0;
                $out[] = new Finding(
                    $e->spec->tag, $shift < 0 ? FindingKind::DrawsToHeel : FindingKind::DrawsToToe,
                    ['shiftMm' => $shift, 'errorMm' => $error, 'heavierPoints' => $heavier, 'head' => $e->spec->head],
                    abs($shift) / 2,
                );
            }
        }

        return $out;
    }

    /**
     * What a ball that starts and curves this way is called for this hand; under 3 m it has no name.
     *
     * @return array{start: string, curve: string}
     */
    private static function shape(float $startM, float $curveM, Hand $hand): array
    {
        $away = static fn (float $m): bool => $m * $hand->sign() > 0;

        return [
            'start' => match (true) {
                abs($startM) < 3 => 'straight', $away($startM) => 'push', default => 'pull',
            },
            'curve' => match (true) {
                abs($curveM) < 3 => 'straight',
                abs($curveM) > 18 => $away($curveM) ? 'slice' : 'hook',
                default => $away($curveM) ? 'fade' : 'draw',
            },
        ];
    }
}
