<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use LogicException;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Flight;
use MintCarry\Core\Flight\Launch;

use function array_slice;
use function cos;
use function count;
use function deg2rad;
use function max;
use function min;
use function round;
use function sin;

/**
 * What a ball does in the air and on the ground, by what it leaves the face with: a table that flies a ball where
 * somebody asks for the first time, and is a parabola near it.
 *
 * Its cells lie where they lie for everybody, so that the same ball has the same figures whichever setup it belongs to. Within a cell:
 * value, slopes and all second derivatives from flights about its middle. Against flying each ball: under 0.35 yd of carry
 * (`tests/Core/FinderTest.php`), at low launch too, where one parabola for a whole setup was off by a fifth.
 *
 * Without wind a ball that starts elsewhere flies the same flight turned, and one that curves the other way its
 * mirror image.
 */
final class FlightTable
{
    public const FIGURES = ['carryM', 'totalM', 'sideM', 'apexM', 'totalSideM', 'descentDeg'];

    /** Ball speed m/s, launch °, spin rpm, axis °. */
    private const CELL = [4.0, 2.0, 500.0, 10.0];

    /** A cell is flown this share of its width on either side of its middle. */
    private const STEP = 0.6;

    private const LEAST = [12.0, 0.6, 300.0];

    private const MOST = [110.0, 60.0, 9000.0, 80.0];

    /** @var array<string, list<list<float>>> coefficients by cell and figure: value, slopes, then second derivatives pair by pair */
    private array $cells = [];

    /** @var array<string, list<array{float, float, float, float}>> by cell, for each way that the law is uncertain in */
    private array $open = [];

    /** So many tables are remembered: of one judgement, and of the next in the same air by the same law. */
    private const REMEMBERED = 6;

    /** What holds more cells than this begins anew. */
    private const MOST_CELLS = 20_000;

    /** @var list<self> the newest first */
    private static array $known = [];

    private function __construct(private readonly BallFlight $flight)
    {
        if (! $flight->isStill()) {
            throw new LogicException('A flight table is of still air on level ground; draws are taken into the wind by `elsewhere`.');
        }
    }

    /** The table of an air and a ground: what was flown once is not flown again. */
    public static function for(BallFlight $flight): self
    {
        foreach (self::$known as $table) {
            if ($table->flight == $flight && count($table->cells) <= self::MOST_CELLS) {
                return $table;
            }
        }
        $table = new self($flight);
        self::$known = [$table, ...array_slice(self::$known, 0, self::REMEMBERED - 1)];

        return $table;
    }

    /**
     * @param  array<int, float>  $ball  speed m/s, launch °, spin rpm, direction ° and axis °, + = right; what lies beyond what flies is taken
     *   as what still does
     * @return array{float, float, float, float, float, float} `FIGURES`: m, °
     *
     * @throws ModelFailure where the flight model fails
     */
    public function at(array $ball): array
    {
        [$key, $d, $mirror] = $this->cell($ball);
        $direction = $ball[3];
        $cell = $this->cells[$key] ??= $this->flown($key);
        [$carry, $total, $side, $apex, $rest, $descent] = self::figures($cell, $d);
        $c = cos(deg2rad($direction));
        $s = sin(deg2rad($direction));

        return [
            $carry * $c - $mirror * $side * $s, $total * $c - $mirror * $rest * $s, $mirror * $side * $c + $carry * $s, $apex,
            $mirror * $rest * $c + $total * $s, $descent,
        ];
    }

    /**
     * A cell's figures so far from its middle, along speed, launch, spin and axis. Written out term by term: most of the finder's time is
     * spent here.
     *
     * @param  list<list<float>>  $cell
     * @param  array<int, float>  $d
     * @return array{float, float, float, float, float, float}
     */
    private static function figures(array $cell, array $d): array
    {
        [$a, $b, $c, $e] = $d;
        [$aa, $ab, $ac, $ae, $bb] = [$a * $a, $a * $b, $a * $c, $a * $e, $b * $b];
        [$bc, $be, $cc, $ce, $ee] = [$b * $c, $b * $e, $c * $c, $c * $e, $e * $e];
        $out = [];
        foreach ($cell as $k) {
            $out[] = $k[0] + $k[1] * $a + $k[2] * $b + $k[3] * $c + $k[4] * $e + $k[5] * $aa + $k[6] * $ab + $k[7] * $ac + $k[8] * $ae
                + $k[9] * $bb + $k[10] * $bc + $k[11] * $be + $k[12] * $cc + $k[13] * $ce + $k[14] * $ee;
        }

        return $out; // @phpstan-ignore return.type (a cell has the six figures)
    }

    /**
     * What the law's own uncertainty may do to a flight, as it is at the middle of the cell: for each way that is open, by an SD.
     *
     * @param  array<int, float>  $ball
     * @return list<array{float, float, float, float}> carry, total, apex m, descent °
     *
     * @throws ModelFailure
     */
    public function open(array $ball): array
    {
        [$key] = $this->cell($ball);

        return $this->open[$key] ??= $this->opened($key);
    }

    /**
     * @param  array<int, float>  $ball
     * @return array{string, array<int, float>, float} key of the cell, how far from its middle, and −1 for a mirror image
     */
    private function cell(array $ball): array
    {
        [$speed, $launch, $spin, $axis] = self::within($ball);
        $mirror = $axis < 0 ? -1.0 : 1.0;
        $x = [$speed, $launch, $spin, $mirror * $axis];
        $key = '';
        $d = [];
        foreach ($x as $i => $v) {
            $n = round($v / self::CELL[$i]);
            // Below the first middle there is nothing to fly a step down.
            $n = $i < 3 && $n * self::CELL[$i] - self::STEP * self::CELL[$i] < self::LEAST[$i] ? $n + 1 : $n;
            $key .= (int) $n.',';
            $d[$i] = $v - $n * self::CELL[$i];
        }

        return [$key, $d, $mirror];
    }

    /**
     * @return list<array{float, float, float, float}>
     *
     * @throws ModelFailure
     */
    private function opened(string $key): array
    {
        $middle = self::middle($key);
        $of = static function (BallFlight $flight) use ($middle): array {
            $f = self::flight($flight, $middle);

            return [$f->carryM, $f->totalM, $f->apexM, $f->descentDeg];
        };
        $usual = $of($this->flight);
        $out = [];
        foreach ($this->flight->aerodynamics->open as $k => $_) {
            $moved = $of($this->flight->calibrated($this->flight->aerodynamics->moved($k)));
            $out[] = [$moved[0] - $usual[0], $moved[1] - $usual[1], $moved[2] - $usual[2], $moved[3] - $usual[3]];
        }

        return $out;
    }

    /**
     * @param  array<int, float>  $ball
     * @return array{float, float, float, float} speed m/s, launch °, spin rpm and axis °, of a ball that flies
     */
    private static function within(array $ball): array
    {
        return [
            max(self::LEAST[0], min(self::MOST[0], $ball[0])), max(self::LEAST[1], min(self::MOST[1], $ball[1])),
            max(self::LEAST[2], min(self::MOST[2], $ball[2])), max(-self::MOST[3], min(self::MOST[3], $ball[4])),
        ];
    }

    /** @return array<int, float> the ball in the middle of a cell */
    private static function middle(string $key): array
    {
        $middle = [];
        foreach (explode(',', rtrim($key, ',')) as $i => $n) {
            $middle[$i] = (int) $n * self::CELL[$i];
        }

        return $middle;
    }

    /**
     * One ball, flown.
     *
     * @param  array<int, float>  $ball  as `at` takes it
     * @return array{float, float, float, float, float, float} `FIGURES`: m, °
     *
     * @throws ModelFailure
     */
    public static function fly(BallFlight $flight, array $ball): array
    {
        $f = self::flight($flight, self::within($ball), $ball[3]);

        return [$f->carryM, $f->totalM, $f->sideM, $f->apexM, $f->totalSideM, $f->descentDeg];
    }

    /**
     * @param  array<int, float>  $x  a ball as a cell has it
     *
     * @throws ModelFailure
     */
    private static function flight(BallFlight $flight, array $x, float $directionDeg = 0.0): Flight
    {
        try {
            return $flight->fly(new Launch($x[0], $x[1], $x[2], $directionDeg, $x[3], struck: true));
        } catch (InvalidInput $e) {
            throw ModelFailure::while('A flight', $e->getMessage());
        }
    }

    /**
     * Flies a cell: along each value both ways, and along each pair both corners, so that neither way counts more.
     *
     * @return list<list<float>>
     *
     * @throws ModelFailure
     */
    private function flown(string $key): array
    {
        $middle = self::middle($key);
        $fly = function (array $by) use ($middle): array {
            $x = $middle;
            foreach ($by as $i => $way) {
                $x[$i] += $way * self::STEP * self::CELL[$i];
            }
            $f = self::flight($this->flight, $x);

            return [$f->carryM, $f->totalM, $f->sideM, $f->apexM, $f->totalSideM, $f->descentDeg];
        };
        $count = count($middle);
        $value = $fly([]);
        $ends = $corners = [];
        for ($i = 0; $i < $count; $i++) {
            $ends[$i] = [$fly([$i => 1]), $fly([$i => -1])];
            for ($j = $i + 1; $j < $count; $j++) {
                $corners[$i][$j] = [$fly([$i => 1, $j => 1]), $fly([$i => -1, $j => -1])];
            }
        }
        $out = [];
        foreach ($value as $f => $v) {
            $slopes = $curves = [];
            for ($i = 0; $i < $count; $i++) {
                $h = self::STEP * self::CELL[$i];
                [$up, $down] = [$ends[$i][0][$f], $ends[$i][1][$f]];
                $slopes[] = ($up - $down) / (2 * $h);
                $curves[] = 0.5 * ($up - 2 * $v + $down) / ($h * $h);
                for ($j = $i + 1; $j < $count; $j++) {
                    $both = $corners[$i][$j][0][$f] + $corners[$i][$j][1][$f];
                    $apart = $up + $down + $ends[$j][0][$f] + $ends[$j][1][$f];
                    $curves[] = ($both - $apart + 2 * $v) / (2 * $h * self::STEP * self::CELL[$j]);
                }
            }
            $out[] = [$v, ...$slopes, ...$curves];
        }

        return $out;
    }
}
