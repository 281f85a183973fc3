<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFactors;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Calibration;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Statistics\Robust;

use function array_filter;
use function array_keys;
use function array_map;
use function array_sum;
use function array_values;
use function count;
use function intdiv;
use function max;
use function min;
use function range;
use function sqrt;
use function usort;

/**
 * What the shots of a fitting that carry measured carry and apex say of each monitor on each visit, and the flights that follow
 * from it: one for each monitor and visit, for what that monitor left out, and one of them all, for what is predicted.
 *
 * A visit is shrunk toward the monitor's other visits, a monitor without others toward nothing (`Calibration`).
 */
final readonly class BayCalibration
{
    /** So many shots of a visit tell as much as all of them; they are taken evenly. */
    private const MOST_SHOTS = 60;

    /** Share of the prior's width by which visits of one monitor differ (assumption). */
    private const BETWEEN_VISITS = 0.4;

    /** A shot left out for this reason says nothing of the monitor. */
    public const NOT_BY = 'monitor error';

    /**
     * A carry that lies further than this from its own launch, by share and by m, is another unit or a wrong reading: yards that are
     * told as metres lie 9 % off. It is flagged, and says nothing of the monitor. Balls of a range fly shorter, never longer.
     */
    public const OFF_SHARE = 0.07;

    public const OFF_M = 6.0;

    private const RANGE_BALL_SHARE = 0.16;

    /** What made-up shots call their monitor. */
    public const SIMULATED = 'simulated';

    /**
     * @param  BallFlight  $flight  of all monitors together, by their shots
     * @param  list<MonitorVisit>  $visits
     * @param  list<array<string, mixed>>  $balls  each make of ball beside the one that most was hit with (`BallsCompared::told`)
     * @param  array<string, BallFlight>  $flights  by key
     */
    private function __construct(
        public BallFlight $flight, public array $visits, public array $balls, private array $flights, private BallFlight $plain,
    ) {
    }

    /** Nothing known: physics as it is. */
    public static function none(BallFlight $plain): self
    {
        return new self($plain, [], [], [], $plain);
    }

    /**
     * @param  list<array{monitor: string, visit: int|null, values: array<string, float>, air: Atmosphere|null, ball?: string}>  $shots
     *   measured values by field; air where the shot was hit in another than the fitting's; the make of ball, '' where nobody told
     * @param  BallFlight  $plain  the flight in the fitting's air, not calibrated, with what the rack says of balls
     */
    public static function of(array $shots, BallFlight $plain, Atmosphere $air): self
    {
        $told = [];
        foreach ($shots as $s) {
            $ball = $s['ball'] ?? '';
            $one = self::told($s['values'], $s['air'] ?? $air, $plain->factorsOf($ball), $ball);
            if ($one !== null) {
                $told[$s['monitor']][$s['visit'] ?? 0][] = $one;
            }
        }
        $visits = $seen = [];
        foreach ($told as $monitor => $byVisit) {
            $byVisit = array_filter(array_map(static fn (array $its): array => self::agreeing(self::some($its)), $byVisit));
            foreach ($byVisit as $visit => $its) {
                $others = array_merge([], ...array_values(array_filter(
                    $byVisit, static fn (int $other): bool => $other !== $visit, ARRAY_FILTER_USE_KEY,
                )));
                $visits[] = $one = MonitorVisit::of((string) $monitor, $visit === 0 ? null : $visit, $its, self::fit($its, $others));
                $seen[] = ['law' => $one->aerodynamics, 'shots' => $its];
            }
        }
        $balls = BallsCompared::among($seen);
        $launches = array_column(array_merge(...array_column($seen, 'shots')), 0);

        return self::from($visits, $plain, array_map(static fn (BallsCompared $b): BallFactors => $b->factors, $balls),
            BallsCompared::told($balls, $launches, $plain));
    }

    /**
     * Without the shots whose carry cannot be of their launch: longer than physics has it, or off what the monitor's other shots say.
     *
     * @param  list<array{Launch, ?float, ?float, Atmosphere, BallFactors, string}>  $its
     * @return list<array{Launch, ?float, ?float, Atmosphere, BallFactors, string}>
     */
    private static function agreeing(array $its): array
    {
        $shares = [];
        foreach ($its as $i => [$launch, $carry, , $air, $ball]) {
            if ($carry !== null) {
                $flight = new BallFlight($air, aerodynamics: (new Aerodynamics)->ofBall($ball));
                $shares[$i] = $carry / max(1.0, $flight->fly($launch)->carryM) - 1;
            }
        }
        // Where most are off, their middle says nothing of how the rest should be.
        $middle = max(-self::RANGE_BALL_SHARE, min(0.0, $shares === [] ? 0.0 : Robust::median(array_values($shares))));

        return array_values(array_filter(
            $its, static fn (int $i): bool => ! isset($shares[$i])
                || ($shares[$i] < self::OFF_SHARE && $shares[$i] > $middle - self::OFF_SHARE),
            ARRAY_FILTER_USE_KEY,
        ));
    }

    /**
     * @param  list<MonitorVisit>  $visits
     * @param  array<string, BallFactors>  $factors  what the shots say of balls, by name
     * @param  list<array<string, mixed>>  $balls  as it is told
     */
    public static function from(array $visits, BallFlight $rack, array $factors = [], array $balls = []): self
    {
        $plain = $rack->knowing($factors);
        $flights = $offsets = [];
        foreach ($visits as $v) {
            $flights[self::key($v->monitor, $v->visit)] = $plain->calibrated($v->aerodynamics);
            $offsets[$v->monitor][] = $v;
        }
        // A visit of which nothing was measured goes by the monitor's other visits.
        foreach ($offsets as $monitor => $its) {
            $flights[self::key((string) $monitor, -1)] = $plain->calibrated(self::together($its));
        }

        return new self($visits === [] ? $plain : $plain->calibrated(self::together($visits)), $visits, $balls, $flights, $plain);
    }

    /** The flight that a monitor's shots of a visit go by. */
    public function flightOf(string $monitor, ?int $visit): BallFlight
    {
        return $this->flights[self::key($monitor, $visit)] ?? $this->flights[self::key($monitor, -1)] ?? $this->plain;
    }

    /** The monitor's name where a shot has one. */
    public static function monitorOf(bool $isSimulated, mixed $named): string
    {
        return $isSimulated ? self::SIMULATED : (is_string($named) ? $named : '');
    }

    /**
     * The air that a trial was hit in, where it was kept.
     *
     * @param  array<mixed>  $conditions
     */
    public static function airOf(array $conditions): ?Atmosphere
    {
        [$celsius, $altitude] = [$conditions['temperatureC'] ?? null, $conditions['altitudeM'] ?? null];

        return is_numeric($celsius) && is_numeric($altitude) && $celsius >= -30 && $celsius <= 55 && $altitude >= -500 && $altitude <= 5000
            ? new Atmosphere((float) $celsius, (float) $altitude)
            : null;
    }

    /** @return array{calibration: list<array<string, mixed>>, balls: list<array<string, mixed>>} as a report tells it */
    public function toArray(): array
    {
        return ['calibration' => array_map(static fn (MonitorVisit $v): array => $v->toArray(), $this->visits), 'balls' => $this->balls];
    }

    private static function key(string $monitor, ?int $visit): string
    {
        return "{$visit}|{$monitor}";
    }

    /**
     * A shot as calibration takes it; null where it tells nothing, or what no ball can have flown.
     *
     * @param  array<string, float>  $values
     * @return array{Launch, ?float, ?float, Atmosphere, BallFactors, string}|null
     */
    private static function told(array $values, Atmosphere $air, BallFactors $factors, string $ball): ?array
    {
        $shot = LaunchShot::launchOf($values);
        $within = static function (Measure $measure, float $least) use ($values): ?float {
            $value = $values[$measure->value] ?? null;

            return $value !== null && $value >= $least && $value <= $measure->possible()[1] ? $value : null;
        };
        [$carry, $apex] = [$within(Measure::Carry, 20.0), $within(Measure::Apex, 1.0)];

        return $shot === null || $shot->launchDeg < 2 || ($carry === null && $apex === null) ? null
            : [$shot, $carry, $apex, $air, $factors, $ball];
    }

    /**
     * @param  list<array{Launch, ?float, ?float, Atmosphere, BallFactors, string}>  $its
     * @param  list<array{Launch, ?float, ?float, Atmosphere, BallFactors, string}>  $others  the monitor's other visits
     */
    private static function fit(array $its, array $others): Calibration
    {
        if ($others === []) {
            return Calibration::fit($its);
        }
        $known = Calibration::fit($others);
        $sd = [];
        foreach (Calibration::PRIOR_SD as $i => $prior) {
            $sd[] = min($prior, sqrt($known->sd[$i] ** 2 + (self::BETWEEN_VISITS * $prior) ** 2));
        }

        return Calibration::fit($its, around: $known->aerodynamics, priorSd: $sd);
    }

    /**
     * An even choice that does not hang on the order in which shots come.
     *
     * @param  list<array{Launch, ?float, ?float, Atmosphere, BallFactors, string}>  $shots
     * @return list<array{Launch, ?float, ?float, Atmosphere, BallFactors, string}>
     */
    private static function some(array $shots): array
    {
        usort($shots, static fn (array $a, array $b): int => [$a[0]->ballSpeedMps, $a[0]->launchDeg, $a[0]->spinRpm, $a[1], $a[2]]
            <=> [$b[0]->ballSpeedMps, $b[0]->launchDeg, $b[0]->spinRpm, $b[1], $b[2]]);
        $n = count($shots);

        return $n <= self::MOST_SHOTS ? $shots : array_map(
            static fn (int $i): array => $shots[intdiv($i * $n, self::MOST_SHOTS)], range(0, self::MOST_SHOTS - 1),
        );
    }

    /** @param  non-empty-list<MonitorVisit>  $visits */
    private static function together(array $visits): Aerodynamics
    {
        $shots = array_sum(array_map(static fn (MonitorVisit $v): int => $v->n, $visits));
        $mean = static fn (callable $of): float => array_sum(array_map(
            static fn (MonitorVisit $v): float => $v->n / $shots * $of($v->aerodynamics), $visits,
        ));
        usort($visits, static fn (MonitorVisit $a, MonitorVisit $b): int => $b->n <=> $a->n);

        // What is open stays as open as the visit with most shots left it.
        return new Aerodynamics(
            array_map(
                static fn (int $k): float => $mean(static fn (Aerodynamics $a): float => $a->ways[$k]), array_keys(Aerodynamics::WAYS),
            ),
            $mean(static fn (Aerodynamics $a): float => $a->spinOffset), $visits[0]->aerodynamics->open,
        );
    }
}
