<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Fitting;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Launch\LaunchShot;
use stdClass;

use function array_fill;
use function array_filter;
use function array_map;
use function array_replace;
use function array_values;
use function count;
use function is_array;
use function is_nan;
use function is_string;
use function pack;
use function unpack;

/**
 * The flown shots of a fitting of many, kept until a shot, a trial, the air or the models change: what flies anew at every look costs more
 * than all that is worked out from it. One place for each fitting, where newer flights take that of older ones.
 *
 * Kept field by field as packed doubles, with NAN where a shot has no value of it.
 */
final readonly class KeptFlights
{
    /** Under so many shots flying anew is no dearer than reading. */
    public const FROM_SHOTS = 2000;

    private KeptPlace $place;

    public function __construct(private Fitting $fitting, private Calibrations $by)
    {
        $this->place = new KeptPlace("flown:{$fitting->id}");
    }

    /** @return array<int, LaunchShot> by id of the shot; those that could not be computed are not among them */
    public function read(): array
    {
        $kept = $this->place->get($this->by->stands);
        if (! is_array($kept)) {
            return [];
        }
        ['ids' => $ids, 'trials' => $trials, 'model' => $model, 'fields' => $fields] = $kept;
        $ids = self::doubles($ids);
        $none = array_fill(0, count($ids), []);
        $worked = ['measured' => $none, 'computed' => $none, 'asSeen' => $none];
        foreach ($worked as $part => $_) {
            foreach ($fields[$part] ?? [] as $field => $packed) {
                foreach (self::doubles($packed) as $i => $value) {
                    if (! is_nan($value)) {
                        $worked[$part][$i][$field] = $value;
                    }
                }
            }
        }
        $out = [];
        $trials = self::doubles($trials);
        foreach (self::doubles($model) as $i => $carryM) {
            $out[(int) $ids[$i]] = LaunchShot::fromWorked([
                'measured' => $worked['measured'][$i], 'computed' => $worked['computed'][$i], 'asSeen' => $worked['asSeen'][$i],
                'modelCarryM' => is_nan($carryM) ? null : $carryM,
            ], $this->by->openAirOf((int) $trials[$i]));
        }

        return $out;
    }

    /**
     * Flies every shot, and keeps what came of it where they are many.
     *
     * @param  array<int, stdClass>  $rows  of the table `shots`
     * @return array<int, LaunchShot> by id
     */
    public function keep(array $rows): array
    {
        $out = $trials = [];
        foreach ($rows as $row) {
            $trials[(int) $row->id] = $row->trial_id === null ? null : (int) $row->trial_id;
            $out[(int) $row->id] = $this->by->row($row, (string) $row->measured);
        }
        // What changed while the shots were read must not be taken for what stood before.
        if (count($rows) >= self::FROM_SHOTS && $this->by->stillStands($this->fitting)) {
            $this->place->put($this->by->stands, self::packed($out, $trials));
        }

        return $out;
    }

    /**
     * The kept ones with those that could not be computed and so are not kept, or have come since.
     *
     * @param  array<int, LaunchShot>  $flown  by id
     * @param  array<int, stdClass>  $rows  of the table `shots`
     * @return array<int, LaunchShot> by id
     */
    public function rest(array $flown, array $rows): array
    {
        $missing = array_filter($rows, static fn (stdClass $row): bool => ! isset($flown[(int) $row->id]));
        $measured = $missing === [] ? [] : DB::table('shots')->where('fitting_id', $this->fitting->id)
            ->whereIn('id', array_map(static fn (stdClass $row): int => (int) $row->id, $missing))->pluck('measured', 'id')->all();
        foreach ($missing as $row) {
            $flown[(int) $row->id] = $this->by->row($row, (string) ($measured[$row->id] ?? '{}'));
        }

        return $flown;
    }

    /**
     * @param  array<int, LaunchShot>  $flown  by id
     * @param  array<int, int|null>  $trials  by id of the shot
     * @return array{ids: string, trials: string, model: string, fields: array<string, array<string, string>>}
     */
    private static function packed(array $flown, array $trials): array
    {
        $ids = $of = $model = [];
        $columns = ['measured' => [], 'computed' => [], 'asSeen' => []];
        foreach ($flown as $id => $shot) {
            $worked = $shot->worked();
            if ($worked === null) {
                continue;
            }
            $n = count($ids);
            [$ids[], $of[], $model[]] = [$id, $trials[$id] ?? 0, $worked['modelCarryM'] ?? NAN];
            foreach (['measured', 'computed', 'asSeen'] as $part) {
                foreach ($worked[$part] as $field => $value) {
                    $columns[$part][$field][$n] = $value;
                }
            }
        }
        $none = array_fill(0, count($ids), NAN);
        $doubles = static fn (array $values): string => pack('d*', ...array_replace($none, $values));

        return [
            'ids' => $doubles($ids), 'trials' => $doubles($of), 'model' => $doubles($model),
            'fields' => array_map(static fn (array $its): array => array_map($doubles, $its), $columns),
        ];
    }

    /** @return list<float> */
    private static function doubles(mixed $packed): array
    {
        return is_string($packed) ? array_values((array) unpack('d*', $packed)) : [];
    }
}
