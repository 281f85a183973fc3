<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Club\Head;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Flight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;

/**
 * The launch and spin of longest carry or total that a swing can have, as a loft to deliver, and the band around it that costs no
 * more than a share.
 *
 * Launch and spin are never searched freely: that runs off to a launch no impact gives. For a club speed and attack angle the
 * delivered loft is free; for a ball speed and spin loft the spin is held at what that spin loft gives, and delivered loft moves
 * with attack. Golden-section search (Kiefer 1953) on the impact and flight models.
 */
final readonly class LaunchWindow
{
    /**
     * @param  array{float, float}  $loftBandDeg
     * @param  array{float, float}  $launchBandDeg
     * @param  array{float, float}  $spinBandRpm
     */
    private function __construct(
        public float $dynamicLoftDeg,
        public Launch $launch,
        public Flight $flight,
        public array $loftBandDeg,
        public array $launchBandDeg,
        public array $spinBandRpm,
    ) {
    }

    /** @param  string  $for carry or total */
    public static function forSwing(
        float $clubSpeedMps, float $attackDeg, BallFlight $flight, string $for = 'carry', Head $head = new Head,
        float $share = 0.01,
    ): self {
        $impact = new Impact($head);

        return self::search(
            static fn (float $loft): Launch => $impact->strike(new Delivery($clubSpeedMps, $attackDeg, 0, $loft, 0)),
            max(1.0, $attackDeg + 3), min(40.0, $attackDeg + 32), $flight, $for, $share,
        );
    }

    /** @param  string  $for carry or total */
    public static function forBall(
        float $ballSpeedMps, float $spinLoftDeg, BallFlight $flight, string $for = 'carry', Head $head = new Head,
        float $share = 0.01,
    ): self {
        InvalidInput::requireWithin('ballSpeedMps', $ballSpeedMps, 10, 110, 'm/s');
        InvalidInput::requireWithin('spinLoftDeg', $spinLoftDeg, 3, 40, '°');
        $impact = new Impact($head);
        $speed = $ballSpeedMps / PlayerPriors::SMASH;
        for ($i = 0; $i < 4; $i++) {
            $speed *= $ballSpeedMps / $impact->strike(new Delivery(min(80.0, $speed), 0, 0, $spinLoftDeg, 0))->ballSpeedMps;
        }
        $speed = min(80.0, $speed);

        return self::search(
            static fn (float $loft): Launch => $impact->strike(
                new Delivery($speed, max(-24.0, min(24.0, $loft - $spinLoftDeg)), 0, $loft, 0),
            ),
            max(1.0, $spinLoftDeg - 15), min(40.0, $spinLoftDeg + 15), $flight, $for, $share,
        );
    }

    /** @param  callable(float): Launch  $launchAt */
    private static function search(callable $launchAt, float $low, float $high, BallFlight $flight, string $for, float $share): self
    {
        if (! in_array($for, ['carry', 'total'], true)) {
            throw InvalidInput::of('for', "A window is for carry or for total, not for '{$for}'.");
        }
        $length = static function (float $loft) use ($launchAt, $flight, $for): float {
            $launch = $launchAt($loft);
            if ($launch->launchDeg < 0.5) {
                return 0.0;
            }
            $flown = $flight->fly($launch);

            return $for === 'total' ? $flown->totalM : $flown->carryM;
        };
        // A coarse look first, because totals can have more than one hill; then golden section about the best.
        $best = $low;
        $bestLength = -INF;
        for ($loft = $low; $loft <= $high; $loft += 0.5) {
            $value = $length($loft);
            if ($value > $bestLength) {
                [$best, $bestLength] = [$loft, $value];
            }
        }
        $golden = (sqrt(5) - 1) / 2;
        $a = max($low, $best - 0.5);
        $b = min($high, $best + 0.5);
        while ($b - $a > 1e-3) {
            $c = $b - $golden * ($b - $a);
            $d = $a + $golden * ($b - $a);
            if ($length($c) > $length($d)) {
                $b = $d;
            } else {
                $a = $c;
            }
        }
        $best = ($a + $b) / 2;
        $level = (1 - $share) * $length($best);
        $from = self::edge($length, $best, $low, $level);
        $to = self::edge($length, $best, $high, $level);
        $launch = $launchAt($best);
        $one = $launchAt($from);
        $two = $launchAt($to);
        $sorted = static fn (float $p, float $q): array => [min($p, $q), max($p, $q)];

        return new self(
            $best, $launch, $flight->fly($launch), [$from, $to], $sorted($one->launchDeg, $two->launchDeg),
            $sorted($one->spinRpm, $two->spinRpm),
        );
    }

    /** Where the length falls to `level` between the best loft and a limit. @param  callable(float): float  $length */
    private static function edge(callable $length, float $best, float $limit, float $level): float
    {
        $inside = $best;
        $outside = $limit;
        if ($length($outside) >= $level) {
            return $limit;
        }
        for ($i = 0; $i < 40 && abs($outside - $inside) > 1e-3; $i++) {
            $mid = ($inside + $outside) / 2;
            if ($length($mid) >= $level) {
                $inside = $mid;
            } else {
                $outside = $mid;
            }
        }

        return ($inside + $outside) / 2;
    }
}
