<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Fitting;
use App\Models\Shot;
use App\Models\Trial;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\OpenAir;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFactors;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\BayCalibration;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\MonitorVisit;
use stdClass;
use WeakMap;

/**
 * What a fitting's shots say of the monitors that saw them, so that every screen computes what was not measured by the same
 * flight. Worked out anew when a shot, a trial or the brief's air changes, and kept until then.
 */
final class Calibrations
{
    /** @var WeakMap<Fitting, array{string, self}>|null the last one of each fitting in this process */
    private static ?WeakMap $known = null;

    /**
     * @param  array<int, array{monitor: mixed, visit: int|null}>  $places  of trials, by id
     * @param  array<int, OpenAir>  $openAir  of the trials that were hit outdoors, by id
     * @param  array<int, string>  $balls  that setups were hit with, by id
     * @param  string  $stands  changes with everything that it hangs on
     */
    private function __construct(
        public readonly BayCalibration $bay, private readonly array $places, private readonly array $openAir, private readonly array $balls,
        public readonly string $stands,
    ) {
    }

    /** @var array<string, BallFlight> so that what was flown with one of them is known again */
    private array $flights = [];

    public static function of(Fitting $fitting): self
    {
        self::$known ??= new WeakMap;
        $balls = self::balls($fitting);
        $stands = self::fingerprint($fitting, $balls);
        $last = self::$known[$fitting] ?? null;
        if ($last !== null && $last[0] === $stands) {
            return $last[1];
        }
        $now = self::read($fitting, $stands, $balls);
        self::$known[$fitting] = [$stands, $now];

        return $now;
    }

    /** Whether all that it hangs on is still what it was when it was read. */
    public function stillStands(Fitting $fitting): bool
    {
        return self::fingerprint($fitting, self::balls($fitting)) === $this->stands;
    }

    /** The flight that a shot goes by where its monitor left something out. */
    public function flightOf(Shot $shot): BallFlight
    {
        return $this->flight(self::seenBy($shot, $this->places), $shot->setup_id);
    }

    /** @param  array{monitor: string, visit: int|null}  $by */
    private function flight(array $by, int $setupId): BallFlight
    {
        $ball = $this->balls[$setupId] ?? '';

        return $this->flights["{$by['visit']}|{$ball}|{$by['monitor']}"] ??= $this->bay->flightOf($by['monitor'], $by['visit'])->ofBall($ball);
    }

    public function shot(Shot $shot): LaunchShot
    {
        return $shot->launchShot($this->flightOf($shot), $this->openAir[$shot->trial_id ?? 0] ?? null);
    }

    /** The same of a row of the table `shots`. */
    public function row(stdClass $row, string $measured): LaunchShot
    {
        $trialId = (int) ($row->trial_id ?? 0);
        $place = $this->places[$trialId] ?? ['monitor' => null, 'visit' => null];
        $by = ['monitor' => BayCalibration::monitorOf($row->source === 'simulated', $place['monitor']), 'visit' => $place['visit']];

        return Shot::flown($measured, $this->flight($by, (int) $row->setup_id), $this->openAirOf($trialId));
    }

    /** The wind and the air that a trial was hit in, if outdoors. */
    public function openAirOf(int $trialId): ?OpenAir
    {
        return $this->openAir[$trialId] ?? null;
    }

    /** On which visit a trial was; null where nobody told. */
    public function visitOfTrial(int $trialId): ?int
    {
        return $this->places[$trialId]['visit'] ?? null;
    }

    /** The last visit that there is a trial of; null where there is none. */
    public function lastVisit(): ?int
    {
        $visits = array_filter(array_column($this->places, 'visit'), static fn (?int $v): bool => $v !== null);

        return $visits === [] ? null : max($visits);
    }

    /** On which visit a shot was hit, by its number; null where it is in no trial. */
    public function visitOf(Shot $shot): ?int
    {
        return self::seenBy($shot, $this->places)['visit'];
    }

    /**
     * The monitor that saw a shot, and in which visit.
     *
     * @param  array<int, array{monitor: mixed, visit: int|null}>  $places
     * @return array{monitor: string, visit: int|null}
     */
    private static function seenBy(Shot $shot, array $places): array
    {
        $place = $places[$shot->trial_id ?? 0] ?? ['monitor' => null, 'visit' => null];

        return ['monitor' => BayCalibration::monitorOf($shot->source === 'simulated', $place['monitor']), 'visit' => $place['visit']];
    }

    /** @return array<array-key, stdClass> the balls that setups were hit with, as the rack has them, by id */
    private static function balls(Fitting $fitting): array
    {
        return DB::table('setups')->leftJoin('parts', 'parts.id', '=', 'setups.ball_id')->where('fitting_id', $fitting->id)
            ->orderBy('setups.id')->get(['setups.id', 'setups.ball', 'parts.data'])->keyBy('id')->all();
    }

    /**
     * Changes with everything that the calibration hangs on.
     *
     * @param  array<array-key, stdClass>  $balls
     */
    private static function fingerprint(Fitting $fitting, array $balls): string
    {
        $sum = static fn (string $table, string $columns): string => json_encode(
            DB::table($table)->where('fitting_id', $fitting->id)
                ->selectRaw("count(*) as n, bit_xor(crc32(concat_ws('|', {$columns}))) as one")
                ->selectRaw("sum(crc32(concat_ws('-', {$columns}))) as two")
                ->first(),
            JSON_THROW_ON_ERROR,
        );
        $brief = $fitting->brief();

        return hash('xxh128', implode(';', [
            $sum('shots', "id, setup_id, ifnull(trial_id, 0), source, ifnull(left_out_reason, ''), measured"),
            $sum('trials', 'id, ifnull(visit_id, 0), ifnull(blind_id, 0), conditions'),
            (string) DB::table('blinds')->where('fitting_id', $fitting->id)->whereNull('revealed_at')->count(),
            json_encode($balls, JSON_THROW_ON_ERROR), $brief->temperatureC, $brief->altitudeM, $brief->turf, ModelVersion::now(),
        ]));
    }

    /** @param  array<array-key, stdClass>  $made  of setups, by id */
    private static function read(Fitting $fitting, string $stands, array $made): self
    {
        $trials = Trial::query()->where('fitting_id', $fitting->id)->with('visit')->get(['id', 'visit_id', 'conditions']);
        $places = $air = $openAir = [];
        foreach ($trials as $t) {
            $places[$t->id] = ['monitor' => $t->conditions['monitor'] ?? null, 'visit' => $t->visit?->number];
            $air[$t->id] = BayCalibration::airOf($t->conditions);
            $openAir[$t->id] = OpenAir::of($t->conditions);
        }
        $balls = $known = [];
        foreach ($made as $id => $setup) {
            $balls[$id] = $setup->ball;
            $known[$setup->ball] ??= BallFactors::read((array) json_decode($setup->data ?? '[]', true, flags: JSON_THROW_ON_ERROR));
        }
        $rack = $fitting->flight()->knowing(array_filter($known));
        $place = new KeptPlace("calibration:{$fitting->id}");
        $kept = $place->get($stands);
        if (! is_array($kept)) {
            $bay = self::worked($fitting, $places, $air, $rack, $balls, array_keys(array_filter(
                $openAir, static fn (?OpenAir $o): bool => $o?->isWindy() ?? false,
            )));
            $kept = [
                array_map(self::packed(...), $bay->visits),
                array_map(static fn (string $ball): array => get_object_vars($bay->flight->factorsOf($ball)), array_combine($balls, $balls)),
                $bay->balls,
            ];
            $place->put($stands, $kept);
        }
        [$visits, $factors, $told] = $kept;

        return new self(
            BayCalibration::from(
                array_values(array_map(self::unpacked(...), $visits)), $rack,
                array_map(static fn (array $of): BallFactors => new BallFactors(...$of), $factors), $told,
            ),
            $places, array_filter($openAir), $balls, $stands,
        );
    }

    /**
     * @param  array<int, array{monitor: mixed, visit: int|null}>  $places
     * @param  array<int, Atmosphere|null>  $air
     * @param  BallFlight  $rack  with what the rack says of balls
     * @param  array<int, string>  $balls  of setups, by id
     * @param  list<int>  $windy  trials whose shots say nothing of the monitor, by id
     */
    private static function worked(Fitting $fitting, array $places, array $air, BallFlight $rack, array $balls, array $windy): BayCalibration
    {
        $brief = $fitting->brief();
        $shots = Shot::revealed(Shot::query())->where('fitting_id', $fitting->id)
            ->where(fn ($q) => $q->whereNull('left_out_reason')->orWhere('left_out_reason', '!=', BayCalibration::NOT_BY))
            ->where(fn ($q) => $q->whereNull('trial_id')->orWhereNotIn('trial_id', $windy))
            ->orderBy('sequence')->get(['id', 'setup_id', 'trial_id', 'source', 'measured']);

        return BayCalibration::of(
            array_values($shots->map(fn (Shot $s): array => self::seenBy($s, $places) + [
                'values' => array_map(floatval(...), $s->measured), 'air' => $air[$s->trial_id ?? 0] ?? null,
                'ball' => $balls[$s->setup_id] ?? '',
            ])->all()),
            $rack, new Atmosphere($brief->temperatureC, $brief->altitudeM),
        );
    }

    /** @return array<string, mixed> a visit as plain values, which any cache keeps */
    private static function packed(MonitorVisit $v): array
    {
        return ['aerodynamics' => $v->aerodynamics->toArray()] + get_object_vars($v);
    }

    /** @param  array<string, mixed>  $v */
    private static function unpacked(array $v): MonitorVisit
    {
        return new MonitorVisit(...['aerodynamics' => new Aerodynamics(...$v['aerodynamics'])] + $v);
    }
}
