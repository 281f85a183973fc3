<?php

declare(strict_types=1);

namespace MintCarry\Core\Gaps;

use MintCarry\Core\Club\Head;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\FlightRange;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Robust;
use MintCarry\Core\Statistics\StudentT;
use MintCarry\Core\Statistics\Summary;

use function abs;
use function array_filter;
use function array_map;
use function array_slice;
use function array_sum;
use function array_values;
use function count;
use function hypot;
use function max;
use function min;
use function sqrt;
use function usort;

/**
 * The gaps between long clubs: carry of each as it was measured, the distance to the next, and which position of which sleeve brings a
 * gap nearer to what is wanted.
 *
 * Few shots of many clubs: the spread is one share of the carry for all of them, pooled with what is usual. What a turned sleeve does to
 * carry comes from the flight model where the club's own launch lies in its range (`FlightRange`), by differences to what was measured;
 * else from what a degree brings over this player's own clubs; else nothing is predicted. No spin is predicted outside that range.
 */
final class ClubGaps
{
    /** Spread of carry from shot to shot, as a share of it, and how many shots that is worth (assumption: as with drivers). */
    private const SPREAD_SHARE = 0.05;

    private const SPREAD_SHOTS = 8.0;

    /** Nearer than this to what is wanted is even, m. */
    private const EVEN_M = 4.0;

    /** A model of another club's impact is good to so much of what it predicts (assumption). */
    private const MODEL_SHARE = 0.25;

    /** Down, as woods from the ground are hit, where nobody saw it, ° (assumption). */
    private const ATTACK_DEG = -2.0;

    /**
     * A shot that carried so much more or less than the middle of its club's shots is a mishit or a slip of the pen (assumption: four
     * spreads); told, not counted. Which of a driver's shots count its own fitting says.
     */
    private const FAR_SHARE = 0.2;

    /** In a bag, the driver too. */
    public const MOST_CLUBS = 14;

    /**
     * @param  list<LongClub>  $clubs  in any order
     * @param  float|null  $wantedM  gap that is wanted; null: even ones over the clubs there are
     * @param  float  $squaringShare  0 … 1
     * @return array<string, mixed> lengths m, angles °; intervals 95 %
     *
     * @throws InvalidInput
     */
    public static function of(array $clubs, BallFlight $flight, float $squaringShare = 0.5, ?float $wantedM = null): array
    {
        if (count($clubs) > self::MOST_CLUBS) {
            throw InvalidInput::of('clubs', 'A bag holds at most fourteen clubs.');
        }
        if ($wantedM !== null) {
            InvalidInput::requireWithin('wantedGapM', $wantedM, 3, 60, 'm');
        }
        $given = $clubs;
        $clubs = array_map(self::counted(...), $given);
        $byName = [];
        foreach ($clubs as $i => $club) {
            if (isset($byName[$club->name])) {
                throw InvalidInput::of("clubs[{$i}].name", "clubs[{$i}]: there is another '{$club->name}'.");
            }
            $byName[$club->name] = $club;
        }
        $share = self::spreadShare($clubs);
        $told = array_map(
            static fn (LongClub $c, LongClub $all): array => self::club($c, $share, $squaringShare, $flight)
                + ['leftOut' => count($all->shots) - count($c->shots)],
            $clubs, $given,
        );
        usort($told, static fn (array $a, array $b): int => [$b['carryM'] ?? -INF, $a['loftDeg']] <=> [$a['carryM'] ?? -INF,
            $b['loftDeg']]);
        $hit = array_values(array_filter($told, static fn (array $t): bool => $t['carryM'] !== null));
        $perDegree = CarryPerDegree::over(
            array_map(
                static fn (array $t): array => ['loftDeg' => $t['loftDeg'], 'carryM' => $t['carryM'], 'error' => $t['error']],
                array_values(array_filter($hit, static fn (array $t): bool => $t['kind'] !== 'driver')),
            ),
            self::SPREAD_SHOTS + array_sum(array_map(static fn (array $t): float => $t['dof'] - self::SPREAD_SHOTS, $hit)),
        );
        $n = count($hit);
        $even = $n > 1 ? ($hit[0]['carryM'] - $hit[$n - 1]['carryM']) / ($n - 1) : null;
        $gaps = [];
        for ($i = 1; $i < $n; $i++) {
            $gaps[] = self::gap($hit[$i - 1], $hit[$i], $wantedM ?? (float) $even, $byName, $squaringShare, $flight, $perDegree);
        }

        return [
            'clubs' => array_map(static fn (array $t): array => array_diff_key($t, ['error' => 1, 'dof' => 1]), $told),
            'gaps' => $gaps, 'wantedM' => $wantedM ?? $even, 'isEven' => $wantedM === null, 'spreadShare' => $share,
            'perDegree' => $perDegree === null ? null : ['carryM' => $perDegree->carryM, 'interval' => $perDegree->interval(),
                'n' => $perDegree->n],
        ];
    }

    /** The club without the shots that are far off its others. */
    private static function counted(LongClub $club): LongClub
    {
        $carries = self::values($club->shots, Measure::Carry);
        if ($club->kind === 'driver' || count($carries) < 3) {
            return $club;
        }
        $middle = Robust::median($carries);

        return $club->with(array_values(array_filter($club->shots, static function (LaunchShot $shot) use ($middle): bool {
            $carry = self::values([$shot], Measure::Carry)[0] ?? $middle;

            return abs($carry - $middle) <= self::FAR_SHARE * $middle;
        })));
    }

    /** @param  list<LongClub>  $clubs */
    private static function spreadShare(array $clubs): float
    {
        $squares = self::SPREAD_SHOTS * self::SPREAD_SHARE ** 2;
        $dof = self::SPREAD_SHOTS;
        foreach ($clubs as $club) {
            $s = Summary::of(self::values($club->shots, Measure::Carry));
            if ($s !== null && $s->sd !== null && $s->mean > 0) {
                $squares += ($s->n - 1) * ($s->sd / $s->mean) ** 2;
                $dof += $s->n - 1;
            }
        }

        return sqrt($squares / $dof);
    }

    /** @return array<string, mixed> */
    private static function club(LongClub $club, float $share, float $squaringShare, BallFlight $flight): array
    {
        $carry = Summary::of(self::values($club->shots, Measure::Carry));
        $presented = $club->presents($squaringShare);
        $error = $carry === null ? null : $share * $carry->mean / sqrt($carry->n);
        $dof = self::SPREAD_SHOTS + max(0, ($carry->n ?? 1) - 1);
        $ball = self::ball($club->shots);
        $isInRange = $ball !== null && FlightRange::covers($ball);
        $measured = static fn (Measure $m): ?float => Summary::of(array_values(array_filter(
            array_map(static fn (LaunchShot $s): ?float => $s->measured[$m->value] ?? null, $club->shots),
            static fn (?float $v): bool => $v !== null,
        )))?->mean;
        $flown = $isInRange ? $flight->fly($ball) : null;
        $descent = $measured(Measure::Descent);
        $total = $measured(Measure::Total);

        return [
            'name' => $club->name, 'kind' => $club->kind, 'loftDeg' => $presented->loftDeg, 'lieDeg' => $presented->lieDeg,
            'faceOpenDeg' => $presented->faceOpenDeg, 'position' => $club->position, 'n' => $carry->n ?? 0, 'carryM' => $carry?->mean,
            'spreadM' => $carry === null ? null : $share * $carry->mean,
            'interval' => $carry === null || $error === null ? null : self::around($carry->mean, $error, $dof),
            'error' => $error, 'dof' => $dof, 'spinRpm' => $measured(Measure::Spin), 'launchDeg' => $measured(Measure::LaunchAngle),
            'inRange' => $isInRange,
            'descentDeg' => $descent ?? $flown?->descentDeg,
            'descentFrom' => $descent !== null ? 'measured' : ($flown === null ? 'unknown' : 'computed'),
            'runM' => $total !== null && $carry !== null ? $total - $carry->mean : $flown?->runM(),
            'runFrom' => $total !== null ? 'measured' : ($flown === null ? 'unknown' : 'computed'),
        ];
    }

    /**
     * @param  array<string, mixed>  $long
     * @param  array<string, mixed>  $short
     * @param  array<string, LongClub>  $byName
     * @return array<string, mixed>
     */
    private static function gap(
        array $long, array $short, float $wantedM, array $byName, float $squaringShare, BallFlight $flight, ?CarryPerDegree $perDegree,
    ): array {
        $gap = $long['carryM'] - $short['carryM'];
        $error = hypot($long['error'], $short['error']);
        $interval = self::around($gap, $error, $long['dof'] + $short['dof'] - self::SPREAD_SHOTS);
        $verdict = match (true) {
            $interval->low > $wantedM + self::EVEN_M => 'wide',
            $interval->high < $wantedM - self::EVEN_M => 'narrow',
            $interval->low >= $wantedM - self::EVEN_M && $interval->high <= $wantedM + self::EVEN_M => 'even',
            default => 'open',
        };
        $fill = GapFill::of($long, $short, self::ball($byName[$long['name']]->shots), self::ball($byName[$short['name']]->shots), $flight);
        $moves = [];
        foreach ([[$long, 1.0], [$short, -1.0]] as [$told, $way]) {
            $club = $byName[$told['name']];
            foreach ($club->kind === 'driver' ? [] : self::turned($club, $squaringShare, $flight, $perDegree) as $move) {
                $then = $gap + $way * $move['carryM'];
                // A turn that leaves a hole a hole is no answer to it.
                if (abs($then - $wantedM) < abs($gap - $wantedM) - 0.5 && ($fill === null || $then < GapFill::HOLE_M)) {
                    $moves[] = ['club' => $club->name, 'gapM' => $then] + $move;
                }
            }
        }
        usort($moves, static fn (array $a, array $b): int => abs($a['gapM'] - $wantedM) <=> abs($b['gapM'] - $wantedM));

        return [
            'from' => $long['name'], 'to' => $short['name'], 'gapM' => $gap, 'interval' => $interval, 'verdict' => $verdict,
            'offM' => $gap - $wantedM, 'moves' => array_slice($moves, 0, 3), 'fill' => $fill,
        ];
    }

    /**
     * What each other position of a club's sleeve does: its geometry, and the carry where that can be told.
     *
     * @return list<array{position: string, loftDeg: float, faceOpenDeg: float, lieDeg: float, carryM: float, interval: Interval,
     *   by: 'flight'|'own clubs'}>
     */
    public static function turned(LongClub $club, float $squaringShare, BallFlight $flight, ?CarryPerDegree $perDegree): array
    {
        $now = $club->presents($squaringShare);
        $squaredNow = $club->loftDeg(1.0);
        $ball = self::ball($club->shots);
        $out = [];
        foreach ($club->sleeve->positions ?? [] as $position) {
            $label = (string) $position->label;
            if ($label === $club->position) {
                continue;
            }
            $then = $club->presents($squaringShare, $label);
            $turned = $club->loftDeg(1.0, $label) - $squaredNow;
            $delivered = PlayerPriors::deliveredLoft(['head' => 0.0, 'turned' => $turned], $squaringShare);
            $sd = PlayerPriors::LOFT_CARRY_SD * abs($turned);
            $told = ($ball === null ? null : self::byFlight($ball, $delivered, $sd, $flight,
                $club->shots)) ?? self::byOwnClubs($perDegree, $delivered, $sd);
            if ($told !== null) {
                $out[] = [
                    'position' => $label, 'loftDeg' => $then->loftDeg - $now->loftDeg,
                    'faceOpenDeg' => $then->faceOpenDeg - $now->faceOpenDeg,
                    'lieDeg' => $then->lieDeg - $now->lieDeg,
                ] + $told;
            }
        }

        return $out;
    }

    /**
     * @param  list<LaunchShot>  $shots
     * @return array{carryM: float, interval: Interval, by: 'flight'}|null null outside the flight model's range
     */
    private static function byFlight(Launch $ball, float $deliveredDeg, float $sdDeg, BallFlight $flight, array $shots): ?array
    {
        if (! FlightRange::covers($ball)) {
            return null;
        }
        $impact = new Impact(Head::preset('middle'));
        $attack = Summary::of(self::values($shots, Measure::Attack))->mean ?? self::ATTACK_DEG;
        $speed = Summary::of(self::values($shots, Measure::ClubSpeed))->mean ?? $ball->ballSpeedMps / PlayerPriors::SMASH;
        $loft = max(3.0, min(38.0, ($ball->launchDeg - 0.12 * $attack) / 0.88));
        $base = $impact->strike(new Delivery($speed, $attack, 0, $loft, 0));
        $carry = static function (float $change) use ($impact, $speed, $attack, $loft, $base, $ball, $flight): ?float {
            $moved = $impact->strike(new Delivery($speed, $attack, 0, max(2.0, min(40.0, $loft + $change)), 0));
            $then = new Launch(
                $ball->ballSpeedMps + $moved->ballSpeedMps - $base->ballSpeedMps, $ball->launchDeg + $moved->launchDeg - $base->launchDeg,
                max(1.0, $ball->spinRpm + $moved->backspinRpm() - $base->backspinRpm()),
            );

            return FlightRange::covers($then) ? $flight->fly($then)->carryM : null;
        };
        [$was, $then, $more] = [$carry(0.0), $carry($deliveredDeg), $carry($deliveredDeg + $sdDeg) ?? $carry($deliveredDeg - $sdDeg)];
        if ($was === null || $then === null || $more === null) {
            return null;
        }
        $error = hypot($more - $then, self::MODEL_SHARE * ($then - $was));

        return ['carryM' => $then - $was, 'interval' => new Interval($then - $was - 1.96 * $error, $then - $was + 1.96 * $error),
            'by' => 'flight'];
    }

    /** @return array{carryM: float, interval: Interval, by: 'own clubs'}|null */
    private static function byOwnClubs(?CarryPerDegree $perDegree, float $deliveredDeg, float $sdDeg): ?array
    {
        if ($perDegree === null) {
            return null;
        }

        return ['carryM' => $perDegree->carryM * $deliveredDeg, 'interval' => $perDegree->interval($deliveredDeg, $sdDeg), 'by' => 'own clubs'];
    }

    /** @param  list<LaunchShot>  $shots */
    private static function ball(array $shots): ?Launch
    {
        $mean = static fn (Measure $m): ?float => Summary::of(self::values($shots, $m))?->mean;
        [$speed, $launch, $spin] = [$mean(Measure::BallSpeed), $mean(Measure::LaunchAngle), $mean(Measure::Spin)];

        return $speed === null || $launch === null || $spin === null ? null : new Launch($speed, $launch, $spin);
    }

    /**
     * Measured, or computed where the flight law holds.
     *
     * @param  list<LaunchShot>  $shots
     * @return list<float>
     */
    private static function values(array $shots, Measure $measure): array
    {
        $out = [];
        foreach ($shots as $shot) {
            $launch = $shot->launch();
            $value = $shot->measured[$measure->value] ?? ($launch !== null && FlightRange::covers($launch) ? $shot->value($measure) : null);
            if ($value !== null) {
                $out[] = $value;
            }
        }

        return $out;
    }

    private static function around(float $value, float $error, float $dof): Interval
    {
        $half = StudentT::quantile(0.975, $dof) * $error;

        return new Interval($value - $half, $value + $half);
    }
}
