<?php

declare(strict_types=1);

namespace App\Judged;

use App\Models\Fitting;
use App\Models\Shot;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * The state of a fitting that a judgement is of: its shots, setups, brief and rack, and the version of the models. The same state always
 * gives the same judgement.
 */
final readonly class FittingState
{
    /** What a judgement hangs on, by table; `FittingStateTest` holds the lists against the schema. */
    public const OF_FITTING = [
        'shots' => ['id', 'setup_id', 'trial_id', 'source', 'sequence', 'measured', 'intent', 'left_out_reason'],
        'trials' => ['id', 'setup_id', 'visit_id', 'blind_id', 'confirm_id', 'number', 'kind', 'conditions'],
        'visits' => ['id', 'number'],
        'setups' => [
            'id', 'tag', 'position', 'is_baseline', 'branched_from_id', 'head_id', 'head', 'rack_snapshot', 'masses', 'shaft_id', 'grip_id',
            'ball_id', 'stated_loft_deg', 'measured_loft_deg', 'measured_lie_deg', 'measured_face_open_deg', 'sleeve_loft_deg',
            'sleeve_face_open_deg', 'sleeve_lie_deg', 'length_mm', 'tee_mm', 'swing_weight_points', 'swing_weight_source', 'sleeve_label',
            'weights', 'shaft', 'ball', 'cue', 'shelf', 'length_plan',
        ],
        'ratings' => ['id', 'setup_id', 'trial_id', 'kind', 'stars'],
        'blinds' => ['id', 'revealed_at'],
        'confirms' => ['id', 'benchmark_setup_id', 'setup_id', 'shots_each', 'rested', 'ended_at'],
    ];

    public const OF_RACK = [
        'heads' => [
            'id', 'label', 'hand', 'type', 'sleeve_id', 'stated_loft_deg', 'stated_lie_deg', 'stated_face_open_deg', 'volume_cm3', 'mass_g',
            'cg_toe_mm', 'cg_back_mm', 'cg_up_mm', 'bulge_mm', 'roll_mm', 'inertia_gcm2', 'slots', 'stock_g', 'standard', 'supply', 'retired_at',
        ],
        'readings' => ['id', 'head_id', 'values', 'position', 'read_as', 'way'],
        'sleeves' => ['id', 'spec'],
        'parts' => ['id', 'kind', 'label', 'data', 'supply', 'retired_at'],
    ];

    private const OF_FITTING_ITSELF = ['benchmark_setup_id', 'brief', 'screening', 'tie_order', 'seed', 'memory_id'];

    private function __construct(public string $key, public int $shots)
    {
    }

    public static function of(Fitting $fitting): self
    {
        $query = DB::query();
        foreach (self::OF_FITTING as $table => $columns) {
            $query->selectSub(self::sum($table, $columns)->where('fitting_id', $fitting->id), $table);
        }
        foreach (self::OF_RACK as $table => $columns) {
            $query->selectSub(self::sum($table, $columns)->where('studio_id', $fitting->studio_id), $table);
        }
        $sums = (array) $query
            ->selectSub(self::sum('fittings', self::OF_FITTING_ITSELF)->where('id', $fitting->id), 'fittings')
            ->selectSub(self::sum('players', ['hand'])->where('id', $fitting->player_id), 'players')
            ->selectSub(Shot::revealed(DB::table('shots'))->where('fitting_id', $fitting->id)->whereNull('left_out_reason')
                ->selectRaw('count(*)'), 'counted')
            ->first();

        return new self(hash('xxh128', implode(';', [...$sums, config('mintcarry.models')])), (int) $sums['counted']);
    }

    /**
     * Changes with every value of the rows, whatever order they come in.
     *
     * @param  list<string>  $columns
     */
    private static function sum(string $table, array $columns): Builder
    {
        $values = implode(', ', array_map(static fn (string $c): string => "ifnull(`{$c}`, '∅')", $columns));

        return DB::table($table)->selectRaw(
            "concat_ws('/', count(*), bit_xor(crc32(concat_ws('|', {$values}))), sum(crc32(concat_ws('~', {$values}))))",
        );
    }
}
