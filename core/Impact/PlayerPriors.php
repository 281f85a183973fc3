<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Club\Head;

use function max;
use function min;

/**
 * What is believed of any player before shots say more: every prior, spread and usual value that several rules
 * share, once. `_SD` is the width of a prior or of a scatter. All are common practice without a source, unless a
 * line says otherwise; how they were calibrated stands in docs/judging.md.
 */
final class PlayerPriors
{
    // --- how a change of the club reaches the ball -------------------------------------------------------------------

    /**
     * Share of a change of the club's loft that reaches the delivered loft: soled, and what squaring the face fully
     * adds.
     */
    public const LOFT_CARRY_SOLED = 0.2;

    public const LOFT_CARRY_OF_SQUARING = 0.7;

    public const LOFT_CARRY_SD = 0.33;

    /**
     * Share of what one head has more loft than another, both on their soles, that reaches the delivered loft: all
     * of it, however the club is put down. Four degrees more gave 4.3 (trade fact CP07, common practice, no source).
     */
    public const HEAD_LOFT_CARRY = 1.0;

    public const HEAD_LOFT_CARRY_SD = 0.2;

    /**
     * How far the loft of a head lies from its print, °: a degree off is common, two or three occur (trade fact
     * CP12, common practice, no source). It goes with a reading.
     */
    public const PRINT_SD_DEG = 1.0;

    /**
     * Share of a change of the club's face that reaches the delivered face: soled, and what squaring the face fully
     * adds.
     */
    public const FACE_CARRY_SOLED = 0.6;

    public const FACE_CARRY_OF_SQUARING = -0.45;

    public const FACE_CARRY_SD = 0.45;

    /** Width of the squaring share where somebody said how the player puts the club down, and where nobody did. */
    public const SQUARING_SD = 0.25;

    public const SQUARING_SD_UNSAID = 0.3;

    /**
     * Degrees of delivered loft for a mm of CG back within a head, and the share of it that holds between two
     * heads.
     */
    public const LOFT_PER_CG_BACK_MM = 0.35;

    public const LOFT_PER_CG_BACK_MM_SD = 0.15;

    public const BETWEEN_HEADS = 0.35;

    /** Degrees that the delivered face opens for a mm of CG toward the toe. */
    public const OPEN_PER_CG_TOE_MM = 0.10;

    public const OPEN_PER_CG_TOE_MM_SD = 0.045;

    /** Ranges of the two, as they are told before anything was learned of the player (assumptions, docs/physics.md). */
    private const LOFT_PER_CG_BACK_MM_RANGE = [0.2, 0.6];

    private const OPEN_PER_CG_TOE_MM_RANGE = [0.05, 0.15];

    /** Strike toward the toe in mm, and club speed in m/s, for a point of swing weight. */
    public const TOE_MM_PER_POINT = -0.3;

    public const TOE_MM_PER_POINT_SD = 0.5;

    public const SPEED_MPS_PER_POINT = -0.045;

    public const SPEED_MPS_PER_POINT_SD = 0.067;

    /**
     * Drift of club speed over 20 shots, m/s: little, for a difference between two setups is seldom tiredness; who
     * tires is warned of.
     */
    public const DRIFT_MPS_SD = 0.2;

    // --- the swing ---------------------------------------------------------------------------------------------------

    /** Delivered above the loft that the own club presents, °. */
    public const LOFT_ADDED_DEG = 2.5;

    /** Width of the mean swing, in the order of `Swing`: m/s, °, °, °, °, mm, mm, restitution, share of spin. */
    public const MEAN_SD = [2.2, 3.0, 4.0, 3.5, 4.0, 7.0, 6.0, 0.012, 0.08];

    /** Scatter from swing to swing, in the order of `Swing`: m/s, °, °, °, °, mm, mm. */
    public const SCATTER_SD = [0.56, 1.1, 1.5, 1.2, 2.2, 7.0, 5.5];

    /** So many shots is the usual scatter worth. */
    public const SCATTER_SHOTS = 10.0;

    /**
     * The usual scatter by level of play: at scratch, and for each stroke of handicap more; of a player of whom
     * nobody told it, that of a handicap of 15.
     */
    private const SCATTER_AT_SCRATCH = 0.8;

    private const SCATTER_PER_STROKE = 0.2 / 15;

    public static function scatterShare(?float $handicap): float
    {
        return max(0.7, min(1.3, self::SCATTER_AT_SCRATCH + self::SCATTER_PER_STROKE * ($handicap ?? 15.0)));
    }

    /** Correlation of face and path from swing to swing. */
    public const FACE_WITH_PATH = 0.3;

    /**
     * How far the mean swing of another day lies from that of today, in the order of `Swing` without restitution and
     * spin: m/s, °, °, °, °, mm, mm (assumptions; docs/judging.md, "Visits").
     */
    public const VISIT_SD = [1.0, 0.9, 1.3, 0.9, 1.2, 3.0, 2.5];

    // --- what a head or a setup does of its own ----------------------------------------------------------------------

    /**
     * Of a head, and of another shaft, length, ball, tee or cue: speed m/s, loft °, face °, toe mm, high mm,
     * restitution, share of spin (that as wide as a head's: assumption).
     */
    public const OWN_EFFECT_SD = [0.36, 0.64, 0.8, 2.4, 2.4, 0.0064, 0.056];

    /** Of one setup of a head: speed m/s, loft °, face °, toe mm, high mm, restitution, share of spin. */
    public const QUIRK_SD = [0.107, 0.36, 0.42, 1.2, 1.2, 0.005, 0.024];

    /**
     * Of how many effects the usual widths of heads and of quirks are worth, when this player's own say how wide
     * they are; and the degrees of freedom of one effect's own width: a head far from all others is believed once
     * shots show it.
     */
    public const WIDTHS_WORTH = 12.0;

    public const EFFECT_DOF = 4.0;

    /** What the models miss of one setup's mean, SD: m, °, rpm. Shots of that setup show it (`Discrepancy`). */
    public const MISSED_SD = [
        'carryM' => 1.8, 'sideM' => 2.5, 'totalSideM' => 2.5, 'apexM' => 1.0, 'descentDeg' => 0.7, 'launchDeg' => 0.15, 'spinRpm' => 40.0,
        'directionDeg' => 0.2,
    ];

    /** From about so many shots on they tell it from luck. */
    public const MISSED_TOLD_BY = 18.0;

    /**
     * So many shots of its own is the spread worth that the models say of a setup; and from about so many shots on
     * its own spread says something of it (assumptions).
     */
    public const SPREAD_SHOTS = 8.0;

    public const SPREAD_TOLD_BY = 14.0;

    /**
     * How far a setup usually moves the swing for good, head and quirk together, in the order of `Swing`. Loft and
     * face are what setups are for.
     */
    public const SETUP_SHIFT_SD = [0.37, 0.5, 0.7, 0.73, 0.9, 2.7, 2.7];

    // --- what a monitor shows ----------------------------------------------------------------------------------------

    /** Noise of a monitor's figures: shares of ball speed, spin and club speed, else degrees and mm. */
    public const MONITOR_NOISE = [
        'ballSpeedMps' => 0.004, 'launchDeg' => 0.3, 'spinRpm' => 0.025, 'directionDeg' => 0.3, 'spinAxisDeg' => 1.2,
        'clubSpeedMps' => 0.008, 'attackDeg' => 0.6, 'pathDeg' => 0.6, 'dynamicLoftDeg' => 0.8, 'faceDeg' => 0.8,
        'strikeToeMm' => 1.5, 'strikeHighMm' => 1.5,
    ];

    // --- usual values and spreads of shots ---------------------------------------------------------------------------

    /** Ball speed over club speed with a driver, where the club was not seen. */
    public const SMASH = 1.46;

    /** The same of a mean shot, as the price of loft takes it. */
    public const SMASH_OF_MEAN = 1.47;

    public const BALL_SPEED_MPS = 65.0;

    /** Spread from shot to shot. */
    public const CARRY_SPREAD_M = 12.0;

    public const SIDE_SPREAD_M = 16.0;

    /** Of the distance from the target line, on either side. */
    public const OFF_LINE_SPREAD_M = 9.0;

    public const BALL_SPEED_SPREAD_MPS = 1.1;

    public const CLUB_SPEED_SPREAD_MPS = 0.7;

    public const SPIN_SPREAD_RPM = 320.0;

    public const APEX_SPREAD_M = 4.5;

    /** Carry in m for a m/s of ball speed: about 2 yd per mph. Total runs a little further. */
    public const CARRY_M_PER_BALL_MPS = 3.6;

    public const TOTAL_M_PER_BALL_MPS = 3.9;

    /**
     * What of a change of loft reaches the ball: what the head itself has more comes in full, what the sleeve or the
     * face turns into loft by how far the player squares it.
     *
     * @param  array{head: float, turned: float}  $change  of `SetupSpec::loftOver`, °
     */
    public static function deliveredLoft(array $change, float $squaringShare): float
    {
        return self::HEAD_LOFT_CARRY * $change['head'] + self::loftCarryThrough($squaringShare) * $change['turned'];
    }

    /** The share of the club's loft that reaches the ball, by how far the player squares the face (0 … 1). */
    public static function loftCarryThrough(float $squaringShare): float
    {
        return self::LOFT_CARRY_SOLED + self::LOFT_CARRY_OF_SQUARING * $squaringShare;
    }

    /** The share of the club's face that reaches the ball, by how far the player squares the face (0 … 1). */
    public static function faceCarryThrough(float $squaringShare): float
    {
        return self::FACE_CARRY_SOLED + self::FACE_CARRY_OF_SQUARING * $squaringShare;
    }

    /**
     * What a move of the CG within a head does to the delivered loft and face before anything was learned of the
     * player: middle, low, high, in degrees.
     *
     * @return array{loftDeg: array{float, float, float}, openDeg: array{float, float, float}}
     */
    public static function delivered(Head $from, Head $to): array
    {
        $times = static function (float $per, array $range, float $mm): array {
            $ends = [$range[0] * $mm, $range[1] * $mm];

            return [$per * $mm, min($ends), max($ends)];
        };

        return [
            'loftDeg' => $times(self::LOFT_PER_CG_BACK_MM, self::LOFT_PER_CG_BACK_MM_RANGE, $to->cgBackMm - $from->cgBackMm),
            'openDeg' => $times(self::OPEN_PER_CG_TOE_MM, self::OPEN_PER_CG_TOE_MM_RANGE, $to->cgToeMm - $from->cgToeMm),
        ];
    }
}
