<?php

declare(strict_types=1);

namespace MintCarry\Core\Gaps;

use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\FlightRange;
use MintCarry\Core\Flight\Launch;

use function array_column;
use function array_filter;
use function array_intersect;
use function round;

/**
 * The club that a hole between two clubs asks for: its loft lies between theirs, and so does its ball where both were measured. A wood
 * and a hybrid of that carry are held against each other by height, descent and run.
 */
final class GapFill
{
    /** From so much on a gap is a hole: 25 yards (common practice, no source). */
    public const HOLE_M = 22.86;

    /** So steep a ball holds a green, ° (common practice, no source: 45° and more hold, under 40° it runs on). */
    private const HOLDS_FROM_DEG = 42.0;

    /** Lofts that clubs of a kind are made in, ° (common practice, no source). */
    private const LOFTS = ['fairway wood' => [13.0, 25.0], 'hybrid' => [17.0, 31.0], 'iron' => [24.0, 40.0]];

    /**
     * Beside a wood of that carry: launch °, share of spin and of ball speed (assumptions; common practice has a wood fly higher, since
     * its CG lies farther back).
     */
    private const BALL = ['fairway wood' => [0.0, 1.0, 1.0], 'hybrid' => [-1.0, 1.0, 0.995], 'iron' => [-1.5, 1.1, 0.985]];

    /**
     * @param  array<string, mixed>  $long  kind, loftDeg and carryM of each neighbour
     * @param  array<string, mixed>  $short
     * @param  Launch|null  $longBall  mean ball of each, where it was measured
     * @return array{carryM: float, loftDeg: float, clubs: list<array{kind: string, launchDeg: float|null, spinRpm: float|null,
     *   descentDeg: float|null, apexM: float|null, runM: float|null, holds: bool|null}>, best: string}|null  null of a gap that is no
     *   hole, or where no club is made that would fill it
     */
    public static function of(array $long, array $short, ?Launch $longBall, ?Launch $shortBall, BallFlight $flight): ?array
    {
        if ($long['carryM'] - $short['carryM'] < self::HOLE_M) {
            return null;
        }
        $loft = round($long['loftDeg'] + $short['loftDeg']) / 2;
        $clubs = [];
        foreach (self::LOFTS as $kind => [$least, $most]) {
            if ($loft >= $least && $loft <= $most) {
                $clubs[] = self::club($kind, $longBall, $shortBall, $flight);
            }
        }
        if ($clubs === []) {
            return null;
        }
        // The first that holds a green; where none does, or nobody knows, what the player has on either side of the hole.
        $kinds = array_column($clubs, 'kind');
        $holding = array_column(array_filter($clubs, static fn (array $club): bool => $club['holds'] === true), 'kind');
        $best = [...$holding, ...array_intersect([$short['kind'], $long['kind']], $kinds), ...$kinds][0];

        return ['carryM' => ($long['carryM'] + $short['carryM']) / 2, 'loftDeg' => $loft, 'clubs' => $clubs, 'best' => $best];
    }

    /**
     * @return array{kind: string, launchDeg: float|null, spinRpm: float|null, descentDeg: float|null, apexM: float|null,
     *   runM: float|null, holds: bool|null}
     */
    private static function club(string $kind, ?Launch $a, ?Launch $b, BallFlight $flight): array
    {
        [$lower, $spin, $speed] = self::BALL[$kind];
        $ball = $a === null || $b === null ? null : new Launch(
            $speed * ($a->ballSpeedMps + $b->ballSpeedMps) / 2, ($a->launchDeg + $b->launchDeg) / 2 + $lower,
            $spin * ($a->spinRpm + $b->spinRpm) / 2,
        );
        $flown = $ball !== null && FlightRange::covers($ball) ? $flight->fly($ball) : null;

        return [
            'kind' => $kind, 'launchDeg' => $ball?->launchDeg, 'spinRpm' => $ball?->spinRpm, 'descentDeg' => $flown?->descentDeg,
            'apexM' => $flown?->apexM, 'runM' => $flown?->runM(),
            'holds' => $flown === null ? null : $flown->descentDeg >= self::HOLDS_FROM_DEG,
        ];
    }
}
