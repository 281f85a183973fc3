<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Swing;

use function max;
use function sqrt;

/**
 * How one setup's carry, total, side, apex, side at rest and descent depend on the nine values of the swing near this player's: value, slope and
 * curvature along each and along the pairs that work together, from the full impact and flight models.
 *
 * A cloud of shots and a draw of the unknowns are then a few products instead of flights. The error against flying every shot is
 * tested (`tests/Core/FinderTest.php`: means within 0.3 yd).
 */
final readonly class Surface
{
    public const FIGURES = ['carryM', 'totalM', 'sideM', 'apexM', 'totalSideM', 'descentDeg'];

    /** Pairs that work together: loft and face, face and toe, loft and toe, speed and face, path and face. */
    private const PAIRS = [
        [Swing::LOFT, Swing::FACE], [Swing::FACE, Swing::TOE], [Swing::LOFT, Swing::TOE], [Swing::CLUB_SPEED, Swing::FACE],
        [Swing::PATH, Swing::FACE],
    ];

    /** Of the strike a little more than its usual scatter, since the ball speed lost over the face is no parabola. */
    private const STEP = [0.8, 1.2, 1.6, 1.3, 1.8, 9.0, 7.0, 0.01, 0.05];

    /**
     * @param  array<int, float>  $at  the nine values
     * @param  list<float>  $value  by figure
     * @param  list<list<float>>  $slope  by figure and value
     * @param  list<list<float>>  $curve  second derivatives, likewise
     * @param  list<list<float>>  $mixed  by figure and pair
     */
    private function __construct(
        public SetupSpec $spec, public array $at, public array $value, public array $slope, public array $curve,
        public array $mixed,
    ) {
    }

    /**
     * @param  array<int, float>  $at  the nine values of this setup for this player
     *
     * @throws ModelFailure where the models give no flying ball there
     */
    public static function of(SetupSpec $spec, array $at, BallFlight $flight): self
    {
        $impact = new Impact($spec->body);
        $figures = static function (array $x) use ($impact, $flight): ?array {
            $launch = Swing::of($x)->launch($impact);
            if ($launch === null || $launch->launchDeg <= 0.5) {
                return null;
            }
            $flown = $flight->fly($launch);

            return [$flown->carryM, $flown->totalM, $flown->sideM, $flown->apexM, $flown->totalSideM, $flown->descentDeg];
        };
        $value = $figures($at);
        if ($value === null) {
            throw ModelFailure::while("The setup {$spec->tag}", 'the models give no flying ball near its mean swing');
        }
        /** @var list<list<float>> $slope */
        $slope = [];
        /** @var list<list<float>> $curve */
        $curve = [];
        $sides = [];
        foreach (self::STEP as $i => $h) {
            $up = $down = $at;
            $up[$i] += $h;
            $down[$i] -= $h;
            $sides[] = [$h, $figures($up), $figures($down)];
        }
        foreach ($value as $f => $v) {
            $slope[] = array_map(
                static fn (array $s): float => $s[1] === null || $s[2] === null ? 0.0 : ($s[1][$f] - $s[2][$f]) / (2 * $s[0]),
                $sides,
            );
            $curve[] = array_map(
                static fn (array $s): float => $s[1] === null || $s[2] === null
                    ? 0.0
                    : ($s[1][$f] - 2 * $v + $s[2][$f]) / ($s[0] * $s[0]),
                $sides,
            );
        }

        return new self($spec, $at, $value, $slope, $curve, self::mixed($at, $value, $sides, $figures));
    }

    /**
     * Second derivatives along the pairs, from both corners of each, so that neither way counts more; 0 where no ball flies.
     *
     * @param  array<int, float>  $at
     * @param  list<float>  $value
     * @param  array<int, array{float, list<float>|null, list<float>|null}>  $sides  step, figures above and below, by value
     * @param  callable(array<int, float>): (list<float>|null)  $figures
     * @return list<list<float>> by figure and pair
     */
    private static function mixed(array $at, array $value, array $sides, callable $figures): array
    {
        $corners = [];
        foreach (self::PAIRS as [$i, $j]) {
            $up = $down = $at;
            foreach ([$i, $j] as $k) {
                $up[$k] += self::STEP[$k];
                $down[$k] -= self::STEP[$k];
            }
            $corners[] = [$sides[$i], $sides[$j], $figures($up), $figures($down)];
        }
        $out = [];
        foreach ($value as $f => $v) {
            $out[] = array_map(
                static function (array $c) use ($f, $v): float {
                    [[$hi, $iUp, $iDown], [$hj, $jUp, $jDown], $up, $down] = $c;
                    if ($iUp === null || $iDown === null || $jUp === null || $jDown === null || $up === null || $down === null) {
                        return 0.0;
                    }

                    return ($up[$f] + $down[$f] - $iUp[$f] - $iDown[$f] - $jUp[$f] - $jDown[$f] + 2 * $v) / (2 * $hi * $hj);
                },
                $corners,
            );
        }

        return $out;
    }

    /**
     * Mean of each figure over the scatter when the nine values lie elsewhere.
     *
     * @param  list<array<int, float>>  $shifts  from `at`, nine each
     * @param  array<int, array<int, float>>  $scatter  covariance of the first seven
     * @return list<array{float, float, float, float, float, float}> by shift
     */
    public function means(array $shifts, array $scatter): array
    {
        $out = [];
        foreach ($this->value as $f => $base) {
            [$slope, $curve, $mixed] = [$this->slope[$f], $this->curve[$f], $this->mixed[$f]];
            for ($i = 0; $i < Swing::SCATTERING; $i++) {
                $base += 0.5 * $curve[$i] * $scatter[$i][$i];
            }
            foreach (self::PAIRS as $k => [$i, $j]) {
                $base += $mixed[$k] * $scatter[$i][$j];
            }
            foreach ($shifts as $d => $shift) {
                $v = $base;
                foreach ($slope as $i => $per) {
                    $by = $shift[$i];
                    $v += ($per + 0.5 * $curve[$i] * $by) * $by;
                }
                foreach (self::PAIRS as $k => [$i, $j]) {
                    $v += $mixed[$k] * $shift[$i] * $shift[$j];
                }
                $out[$d][$f] = $v;
            }
        }

        return $out; // @phpstan-ignore return.type (each shift has the six figures)
    }

    /**
     * Spread of a figure over the scatter.
     *
     * @param  array<int, array<int, float>>  $scatter
     */
    public function spread(int $figure, array $scatter): float
    {
        $sum = 0.0;
        for ($i = 0; $i < Swing::SCATTERING; $i++) {
            for ($j = 0; $j < Swing::SCATTERING; $j++) {
                $sum += $this->slope[$figure][$i] * $scatter[$i][$j] * $this->slope[$figure][$j];
            }
            $sum += 0.5 * ($this->curve[$figure][$i] * $scatter[$i][$i]) ** 2;
        }

        return sqrt(max(0.01, $sum));
    }
}
