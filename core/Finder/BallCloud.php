<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Statistics\Matrix;

use function array_slice;
use function count;
use function max;
use function sqrt;

/**
 * The balls of one setup for this player: the mean ball, the cloud about it, and how it moves with the nine values
 * of the swing.
 *
 * Everything is told along the ball's own five values. Shots show the ball: what of the swing they leave open (a
 * path and a face, a strike and a loft that make the same ball) cancels there, and costs no carry that nobody lost
 * (docs/judging.md, "Why the old belief did not converge"). The mean over the cloud is taken from ten flown points,
 * ± √5 along each root of its covariance (a cubature of degree three; Stroud 1971, from memory).
 */
final readonly class BallCloud
{
    private const BALL = ['ballSpeedMps', 'launchDeg', 'spinRpm', 'directionDeg', 'spinAxisDeg'];

    /** Variance that no cloud falls below: roundings. */
    private const LEAST_VARIANCE = [1e-4, 1e-4, 1.0, 1e-4, 1e-3];

    /**
     * @param  array<int, float>  $mean  of the five values, `BALL`
     * @param  array<int, array<int, float>>  $bySwing  slope of each value by the nine of the swing
     * @param  list<array<int, float>>  $points  ten balls whose mean and spread are the cloud's
     */
    private function __construct(public array $mean, private array $bySwing, private array $points)
    {
    }

    /**
     * @param  array<int, float>  $at  the nine values of this setup's mean swing
     * @param  array<int, array<int, float>>  $scatter  covariance of the first seven from swing to swing
     * @param  float  $wider  by how much the cloud is wider in variance than the scatter that the belief was formed with (mishits)
     *
     * @throws ModelFailure where the models give no flying ball there
     */
    public static function of(SetupSpec $spec, array $at, array $scatter, float $wider = 1.0): self
    {
        $impact = new Impact($spec->body);
        $ball = Swing::of($at)->ball($impact);
        $near = $ball === null ? null : SeenFields::around($impact, $at, $ball, $scatter);
        if ($ball === null || $near === null || $ball['launchDeg'] <= 0.5) {
            throw ModelFailure::while("The setup {$spec->tag}", 'the models give no flying ball near its mean swing');
        }
        [$slopes, $bend] = $near;
        $mean = $bySwing = [];
        foreach (self::BALL as $field) {
            $middle = $ball[$field] + $bend[$field];
            $mean[] = $middle;
            $row = [];
            for ($i = 0; $i < Swing::SCATTERING; $i++) {
                $row[$i] = $slopes[$i][$field];
            }
            $row[Swing::RESTITUTION] = $field === 'ballSpeedMps' ? Swing::speedPerRestitution($middle) : 0.0;
            $row[Swing::SPIN_SHARE] = $field === 'spinRpm' ? $middle : 0.0;
            $bySwing[] = $row;
        }
        /** @var array<int, array<int, float>> $roots */
        $roots = Matrix::cholesky(self::covariance($bySwing, $scatter, $wider));
        $far = sqrt((float) count(self::BALL));
        $points = [];
        foreach (self::BALL as $k => $_) {
            foreach ([$far, -$far] as $way) {
                $point = $mean;
                foreach ($roots as $b => $root) {
                    $point[$b] += $way * $root[$k];
                }
                $points[] = $point;
            }
        }

        return new self($mean, $bySwing, $points);
    }

    /**
     * @param  array<int, array<int, float>>  $bySwing
     * @param  array<int, array<int, float>>  $scatter
     * @return list<list<float>> of the five values
     */
    private static function covariance(array $bySwing, array $scatter, float $wider): array
    {
        $out = [];
        foreach ($bySwing as $b => $row) {
            foreach ($bySwing as $c => $other) {
                $sum = 0.0;
                for ($i = 0; $i < Swing::SCATTERING; $i++) {
                    for ($k = 0; $k < Swing::SCATTERING; $k++) {
                        $sum += $row[$i] * $scatter[$i][$k] * $other[$k];
                    }
                }
                $out[$b][$c] = $wider * $sum + ($b === $c ? self::LEAST_VARIANCE[$b] : 0.0);
            }
        }

        return $out; // @phpstan-ignore return.type (both run from 0)
    }

    /**
     * Mean of each figure over the cloud when the swing lies elsewhere.
     *
     * @param  list<array<int, float>>  $shifts  of the nine values
     * @return list<array<int, float>> by shift: the six of `FlightTable::FIGURES`, then launch °, spin rpm, start direction °, speed m/s
     *   and axis °
     */
    public function means(array $shifts, FlightTable $table): array
    {
        $bend = $this->bend($table);
        $out = [];
        foreach ($shifts as $shift) {
            $ball = $this->mean;
            foreach ($this->bySwing as $b => $row) {
                foreach ($row as $i => $slope) {
                    $ball[$b] += $slope * $shift[$i];
                }
            }
            $figures = self::figures($ball, $table);
            foreach ($bend as $f => $by) {
                $figures[$f] += $by;
            }
            $out[] = $figures;
        }

        return $out;
    }

    /**
     * @param  array<int, float>  $ball
     * @return array<int, float>
     */
    private static function figures(array $ball, FlightTable $table): array
    {
        return [...$table->at($ball), $ball[1], $ball[2], $ball[3], $ball[0], $ball[4]];
    }

    /**
     * What the cloud takes from each figure of its mean ball, or adds to it.
     *
     * @return array<int, float>
     */
    private function bend(FlightTable $table): array
    {
        $out = array_map(static fn (float $v): float => -$v, self::figures($this->mean, $table));
        foreach ($this->points as $point) {
            foreach (self::figures($point, $table) as $f => $v) {
                $out[$f] += $v / count($this->points);
            }
        }

        return $out;
    }

    /**
     * Spread of each figure over the cloud.
     *
     * @return array<int, float>
     */
    public function spreads(FlightTable $table): array
    {
        return self::spread(
            self::figures($this->mean, $table), array_map(static fn (array $p): array => self::figures($p, $table), $this->points),
        );
    }

    /**
     * What other air or ground makes of the figures of `FlightTable::FIGURES`: of their means over the cloud, and by each of the ball's five
     * values about `at`; and by how much their spreads grow.
     *
     * @return array{at: array<int, float>, means: array<int, float>, slopes: array<int, array<int, float>>, wider: array<int, float>}
     *
     * @throws ModelFailure where a ball does not fly
     */
    public function change(BallFlight $here, BallFlight $there): array
    {
        $fly = fn (BallFlight $flight): array => array_map(
            static fn (array $ball): array => FlightTable::fly($flight, $ball), [$this->mean, ...$this->points],
        );
        [$was, $is] = [$fly($here), $fly($there)];
        $n = count(self::BALL);
        $root = $means = $slopes = $wider = [];
        for ($k = 0; $k < $n; $k++) {
            foreach ($this->mean as $b => $v) {
                $root[$k][$b] = $this->points[2 * $k][$b] - $v;
            }
        }
        $inverse = Matrix::inverse($root);
        [$before, $after] = [self::spread($was[0], array_slice($was, 1)), self::spread($is[0], array_slice($is, 1))];
        foreach ($was[0] as $f => $_) {
            $by = static fn (int $point): float => $is[$point][$f] - $was[$point][$f];
            $along = [];
            $means[$f] = 0.0;
            for ($k = 0; $k < $n; $k++) {
                $along[$k] = ($by(2 * $k + 1) - $by(2 * $k + 2)) / 2;
                $means[$f] += ($by(2 * $k + 1) + $by(2 * $k + 2)) / (2 * $n);
            }
            $slopes[$f] = Matrix::times($inverse, $along);
            $wider[$f] = $after[$f] / $before[$f];
        }

        return ['at' => $this->mean, 'means' => $means, 'slopes' => $slopes, 'wider' => $wider];
    }

    /**
     * What each figure moves along each root, and half of what it bends there.
     *
     * @param  array<int, float>  $middle
     * @param  list<array<int, float>>  $points
     * @return array<int, float>
     */
    private static function spread(array $middle, array $points): array
    {
        $sums = array_fill(0, count($middle), 0.0);
        $n = count(self::BALL);
        for ($k = 0; $k < $n; $k++) {
            [$up, $down] = [$points[2 * $k], $points[2 * $k + 1]];
            foreach ($middle as $f => $v) {
                $slope = ($up[$f] - $down[$f]) / (2 * sqrt($n));
                $curve = ($up[$f] - 2 * $v + $down[$f]) / $n;
                $sums[$f] += $slope ** 2 + 0.5 * $curve ** 2;
            }
        }

        return array_map(static fn (float $sum): float => sqrt(max(0.01, $sum)), $sums);
    }
}
