<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use ArrayObject;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Statistics\KeyedDraws;

use function array_filter;
use function array_keys;
use function array_map;
use function array_values;
use function crc32;
use function in_array;
use function intdiv;
use function range;
use function sqrt;

/**
 * What each setup's shots may look like for this player: for every draw of the unknowns the mean carry, total, side,
 * apex and side at rest, and the spread of side and carry. Nothing here depends on what the brief plays for, so that
 * a changed brief only prices anew.
 *
 * Every setup has the same 64 draws of the unknowns; what was hit has 192 more. A draw holds θ of the belief, a
 * quirk for each setup that nobody hit, the scatter (its scale by χ², Wilson & Hilferty 1931, from memory) and what
 * the models themselves miss between two setups.
 */
final readonly class PredictedDraws
{
    public const DRAWS = 64;

    /** A decision is about what was hit: there one draw more or less must not turn it. */
    public const DRAWS_OF_HIT = 256;

    /** A mishit now and then widens the scatter: a share of shots with three times the variance. */
    private const MISHITS = 0.04;

    /**
     * The widths of the priors are themselves guesses: unknowns are drawn from a t distribution of so many degrees
     * of freedom instead of a normal one.
     */
    private const TAIL_DOF = 10.0;

    private const SPARES = 37;

    private const FIGURES = 16;

    public const LAUNCH = 11;

    public const SPIN = 12;

    public const DIRECTION = 13;

    private const SPEED = 14;

    private const AXIS = 15;

    /** Where the figures of `FlightTable::FIGURES` stand, and their spreads; null: no spread is kept. */
    private const FLOWN = [[0, 5], [1, null], [2, 4], [3, 8], [6, 7], [9, 10]];

    /**
     * @param  list<SetupSpec>  $specs  the own club first
     * @param  array<int, array<int, array<int, float>>>  $figures  by setup, figure and draw (64, or 256 where it was hit):
     *   carry, total, side (+ right), apex, spread of side, spread of carry, side at rest, spread of it, spread of apex, m; descent
     *   and its spread, launch, °; spin, rpm; start direction (+ right), °; ball speed, m/s; spin axis of a right-hander, °
     * @param  array<int, BallCloud>  $clouds  by setup
     * @param  array<int, array<int, array<int, float>>>  $seen  by setup, value and draw (64): mean face °, loft °, speed m/s as
     *   a right-hander's, what a trial would show
     * @param  list<bool>  $tested  by setup
     * @param  list<float>  $noise  variance of one shot's face, loft and speed
     * @param  array<string, array{prior: float, priorSd: float, now: float, sd: float}>  $learned  of the factors of `Belief::factor`
     * @param  list<ModelFailure>  $failures  setups that the models fail on; they are left out
     */
    private function __construct(
        public array $specs, public array $figures, private array $clouds, public array $seen, public array $tested, public array $noise,
        public array $learned, public array $failures = [],
    ) {
    }

    /**
     * @param  Belief  $prior  before any shot
     * @param  Belief  $belief  after them
     * @param  list<SetupSpec>  $rack  every setup to be judged, the own club among them or not
     * @param  array<int, float>  $day  another day's swing: added to the nine values by place
     * @param  string  $scramble  other luck than usual: how far figures hang on it (`bin/bench finder`)
     * @param  SetupSpec|null  $ownAs  the own club as it would be if it were a little otherwise
     * @param  float|null  $squaring  for a player who squares the face by this share and no other; null: as far as is believed
     * @param  array<string, Discrepancy>  $missed  by setup: what its own shots say beyond the models
     * @param  ArrayObject<string, array{SetupSpec, array{list<list<float>>, list<list<float>>, BallCloud}}>|null  $made  draws of setups that
     *   were made before, from the same belief and with nothing else asked; new ones join them
     *
     * @throws ModelFailure where the models give no ball for the own club: then there is nothing to judge against
     */
    public static function of(
        Belief $prior, Belief $belief, array $rack, BallFlight $flight, array $day = [], string $scramble = '', ?SetupSpec $ownAs = null,
        ?float $squaring = null, array $missed = [], ?ArrayObject $made = null,
    ): self {
        $own = $ownAs ?? $belief->own;
        $others = array_values(array_filter($rack, static fn (SetupSpec $s): bool => $s->tag !== $own->tag));
        $unknowns = null;
        $specs = $figures = $clouds = $seen = $tested = $failures = [];
        foreach ([$own, ...$others] as $spec) {
            try {
                $known = $made[$spec->tag] ?? null;
                if ($known === null || $known[0] != $spec) {
                    $unknowns ??= self::unknowns($belief, $scramble);
                    $known = [$spec, self::ofSetup(
                        $spec, $belief, $unknowns, FlightTable::for($flight->ofBall($spec->ball)), $day, $squaring, $missed[$belief->drawnAs($spec)] ?? null,
                    )];
                    if ($made !== null) {
                        $made[$spec->tag] = $known;
                    }
                }
                [$figures[], $seen[], $clouds[]] = $known[1];
            } catch (ModelFailure $e) {
                if ($spec === $own) {
                    throw $e->within("The own club {$own->tag}");
                }
                $failures[] = $e->within("What to expect of {$spec->tag}");

                continue;
            }
            $specs[] = $spec;
            $tested[] = isset($belief->quirks[$spec->tag]);
        }
        $noise = array_map(static fn (int $i): float => $belief->scatter[$i][$i], [Swing::FACE, Swing::LOFT, Swing::CLUB_SPEED]);

        return new self($specs, $figures, $clouds, $seen, $tested, $noise, self::learned($prior, $belief), $failures);
    }

    /**
     * One setup's figures and what a trial of it would show, by draw.
     *
     * @param  array{list<array<int, float>>, list<list<float>>, list<float>, list<list<float>>}  $unknowns
     * @param  array<int, float>  $day
     * @return array{list<list<float>>, list<list<float>>, BallCloud}
     *
     * @throws ModelFailure
     */
    private static function ofSetup(
        SetupSpec $spec, Belief $belief, array $unknowns, FlightTable $table, array $day, ?float $squaring, ?Discrepancy $missed,
    ): array {
        [$thetas, $spares, $scales, $laws] = $unknowns;
        $rows = $belief->rows($spec);
        $at = $belief->swing($spec, $squaring);
        foreach ($day as $i => $more) {
            $at[$i] += $more;
        }
        $cloud = BallCloud::of($spec, $at, $belief->scatter, 1 + 2 * self::MISHITS);
        $quirk = array_map(sqrt(...), $belief->quirkVariance($spec));
        // Which of the spare numbers this setup takes: the same at every judgement.
        $salt = crc32($belief->drawnAs($spec));
        // A head's loft lies as far from its print at every position of its sleeve.
        $ofPrint = crc32("print of {$spec->head}") % self::SPARES;
        $shifts = [];
        $shown = [[], [], []];
        foreach (isset($belief->quirks[$spec->tag]) ? $thetas : array_slice($thetas, 0, self::DRAWS) as $d => $theta) {
            $x = $belief->swingBy($rows, $theta, $squaring);
            foreach ($quirk as $i => $sd) {
                $x[$i] += $sd * $spares[$d][($i + $salt) % self::SPARES];
            }
            $x[Swing::LOFT] += $spec->printSdDeg * $spares[$d][$ofPrint];
            foreach ($day as $i => $more) {
                $x[$i] += $more;
            }
            if ($d < self::DRAWS) {
                [$shown[0][], $shown[1][], $shown[2][]] = [$x[Swing::FACE], $x[Swing::LOFT], $x[Swing::CLUB_SPEED]];
            }
            foreach ($at as $i => $v) {
                $x[$i] -= $v;
            }
            $shifts[] = $x;
        }
        $sign = $belief->own->hand->sign();
        // What was never hit the models miss by what they usually do; the own club is what all is held against.
        $unseen = $spec->tag === $belief->own->tag ? 0.0 : 1.0;
        $off = $offSd = $spread = [];
        foreach (PlayerPriors::MISSED_SD as $field => $sd) {
            [$off[$field], $offSd[$field]] = [$missed->shifts[$field] ?? 0.0, $missed->sds[$field] ?? $unseen * $sd];
            $spread[$field] = $missed->spreads[$field] ?? 1.0;
        }
        [$carrySd, , $sideSd, $apexSd, $restSd, $descentSd] = $cloud->spreads($table);
        $draws = array_fill(0, self::FIGURES, []);
        $open = $table->open($cloud->mean);
        foreach ($cloud->means($shifts, $table) as $d => $mean) {
            [$carry, $total, $side, $apex, $rest, $descent, $launch, $spin, $direction, $speed, $axis] = $mean;
            $luck = static fn (int $of): float => $spares[$d][($salt + $of) % self::SPARES];
            $width = $scales[$d] * exp(($missed->spreadErrors['totalSideM'] ?? 0.0) * $luck(29));
            $longer = $off['carryM'] + $offSd['carryM'] * $luck(11);
            // The law is the same for every setup: where it is off, it is off for all of them, each by what its own ball makes of it.
            $law = [0.0, 0.0, 0.0, 0.0];
            foreach ($open as $k => $its) {
                foreach ($its as $f => $by) {
                    $law[$f] += $laws[$d][$k] * $by;
                }
            }
            $values = [
                $carry + $longer + $law[0], $total + $longer + $law[1], $sign * ($side + $off['sideM'] + $offSd['sideM'] * $luck(23)),
                $apex + $off['apexM'] + $offSd['apexM'] * $luck(31) + $law[2], $sideSd * $spread['sideM'] * $width,
                $carrySd * $spread['carryM'] * $width, $sign * ($rest + $off['totalSideM'] + $offSd['totalSideM'] * $luck(23)),
                $restSd * $spread['totalSideM'] * $width, $apexSd * $spread['apexM'] * $width,
                $descent + $off['descentDeg'] + $offSd['descentDeg'] * $luck(31) + $law[3], $descentSd * $spread['descentDeg'] * $width,
                $launch + $off['launchDeg'] + $offSd['launchDeg'] * $luck(17), $spin + $off['spinRpm'] + $offSd['spinRpm'] * $luck(19),
                $sign * ($direction + $off['directionDeg'] + $offSd['directionDeg'] * $luck(23)), $speed, $axis,
            ];
            foreach ($values as $f => $value) {
                $draws[$f][] = $value;
            }
        }

        return [$draws, $shown, $cloud];
    }

    /**
     * Draws of θ, spare normal numbers for quirks and model error, scales of the scatter, and steps along the ways in which the flight
     * law is open; antithetic in pairs.
     * Each number belongs to what it is drawn for (`KeyedDraws`).
     *
     * @return array{list<array<int, float>>, list<list<float>>, list<float>, list<list<float>>}
     */
    private static function unknowns(Belief $belief, string $scramble): array
    {
        [$pairs, $first] = [intdiv(self::DRAWS_OF_HIT, 2), intdiv(self::DRAWS, 2)];
        $drawn = static fn (string $of): array => KeyedDraws::normals($scramble.$of, $pairs, $first);
        $z = array_map($drawn, $belief->names);
        $spare = array_map(static fn (int $i): array => $drawn("spare {$i}"), range(0, self::SPARES - 1));
        $way = array_map(static fn (int $k): array => $drawn("flight law {$k}"), array_keys(Aerodynamics::WAYS));
        [$luck, $thickness] = [$drawn('scatter'), $drawn('tail')];
        $thetas = $spares = $scales = $laws = [];
        $w = 2 / (9 * $belief->scatterShots);
        $v = 2 / (9 * self::TAIL_DOF);
        for ($d = 0; $d < $pairs; $d++) {
            // A chi-square by its cube root (Wilson & Hilferty 1931; from memory).
            $tail = 1 / sqrt((1 - $v + $thickness[$d] * sqrt($v)) ** 3);
            $moves = $belief->spread->draw(array_column($z, $d));
            foreach ([1, -1] as $sign) {
                $theta = [];
                foreach ($belief->mean as $i => $m) {
                    $theta[$i] = $m + $sign * $tail * $moves[$i];
                }
                $thetas[] = $theta;
                $spares[] = array_map(static fn (array $all): float => $sign * $tail * $all[$d], $spare);
                $laws[] = array_map(static fn (array $all): float => $sign * $tail * $all[$d], $way);
                $scales[] = 1 / sqrt((1 - $w + $sign * $luck[$d] * sqrt($w)) ** 3);
            }
        }

        return [$thetas, $spares, $scales, $laws];
    }

    /** @return array<string, array{prior: float, priorSd: float, now: float, sd: float}> */
    private static function learned(Belief $prior, Belief $belief): array
    {
        $out = [];
        foreach (Belief::factors() as $name) {
            [$was, $is] = [$prior->factor($name), $belief->factor($name)];
            $out[$name] = ['prior' => $was['mean'], 'priorSd' => $was['sd'], 'now' => $is['mean'], 'sd' => $is['sd']];
        }

        return $out;
    }

    /**
     * The same balls in other air or on other ground. Each setup's cloud is flown in both; what its figures change by, in the middle and
     * with the ball, is added to its draws.
     *
     * @param  BallFlight  $here  what these draws were made in
     *
     * @throws ModelFailure where a ball does not fly there
     */
    public function elsewhere(BallFlight $here, BallFlight $there): self
    {
        $figures = $this->figures;
        foreach ($this->specs as $s => $spec) {
            $change = $this->clouds[$s]->change($here->ofBall($spec->ball), $there->ofBall($spec->ball));
            $sign = $spec->hand->sign();
            foreach (self::FLOWN as $f => [$at, $spreadAt]) {
                // Side and rest are the player's; the models fly a right-hander.
                $way = in_array($at, [2, 6], true) ? $sign : 1;
                foreach ($figures[$s][$at] as $d => $value) {
                    $ball = [
                        $this->figures[$s][self::SPEED][$d], $this->figures[$s][self::LAUNCH][$d], $this->figures[$s][self::SPIN][$d],
                        $sign * $this->figures[$s][self::DIRECTION][$d], $this->figures[$s][self::AXIS][$d],
                    ];
                    $by = $change['means'][$f];
                    foreach ($change['slopes'][$f] as $b => $slope) {
                        $by += $slope * ($ball[$b] - $change['at'][$b]);
                    }
                    $figures[$s][$at][$d] = $value + $way * $by;
                    if ($spreadAt !== null) {
                        $figures[$s][$spreadAt][$d] *= $change['wider'][$f];
                    }
                }
            }
        }

        return new self($this->specs, $figures, $this->clouds, $this->seen, $this->tested, $this->noise, $this->learned, $this->failures);
    }

    /** Index of a setup by its tag; null for one that is not judged. */
    public function index(string $tag): ?int
    {
        foreach ($this->specs as $s => $one) {
            if ($one->tag === $tag) {
                return $s;
            }
        }

        return null;
    }
}
