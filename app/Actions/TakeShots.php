<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Bay;
use App\Models\Fitting;
use App\Models\HeldShot;
use App\Support\LateShot;
use App\Support\Live;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Launch\Issue;
use MintCarry\Core\Launch\ShotRow;
use MintCarry\Core\Launch\TypedShot;
use stdClass;

/**
 * Takes shots from a monitor into the trial that runs in its bay. The sender's shot id makes it safe to send again: a repeat is answered as the first was. What cannot be
 * stored is kept whole in the hold tray with the reason.
 */
final class TakeShots
{
    /**
     * @param  list<array{id: string, sequence: int|null, at: string|null, values: array<mixed>}>  $shots
     * @return list<array{id: string, status: string, shot: int|null, reason: string|null}>
     */
    public function __invoke(Bay $bay, array $shots): array
    {
        return DB::transaction(fn (): array => $this->all($bay, self::locked(DB::table('bays')->leftJoin('fittings', 'fittings.id', '=', 'bays.fitting_id')->leftJoin('trials', 'trials.id', '=', 'fittings.running_trial_id')->where('bays.id', $bay->id)), $shots));
    }

    /**
     * A held shot with its values put right: into the fitting and the trial that it came in, whatever is in the bay and in the hand by now; into what runs now where nobody said then.
     *
     * @param  array<mixed>  $values
     * @return array{id: string, status: string, shot: int|null, reason: string|null}
     */
    public function putRight(HeldShot $held, array $values): array
    {
        $bay = Bay::query()->findOrFail($held->bay_id);
        $shot = ['id' => "held-{$held->id}-".Str::random(6), 'sequence' => $held->sender_sequence, 'at' => $held->body['at'] ?? null, 'values' => $values];
        if ($held->fitting_id === null) {
            return $this($bay, [$shot])[0];
        }

        return DB::transaction(fn (): array => $this->all($bay, self::locked(DB::table('fittings')
            ->leftJoin('trials', fn (JoinClause $on) => $held->trial_id === null ? $on->on('trials.id', '=', 'fittings.running_trial_id') : $on->where('trials.id', $held->trial_id))
            ->where('fittings.id', $held->fitting_id)), [$shot], $held->trial_id !== null))[0];
    }

    /** Fitting, player and trial in one go, locked: this is the path that fifty monitors take at once. */
    private static function locked(Builder $query): stdClass
    {
        return $query->leftJoin('players', 'players.id', '=', 'fittings.player_id')->lockForUpdate()
            ->first(['fittings.*', 'players.hand as player_hand', 'trials.id as trial', 'trials.setup_id as trial_setup', 'trials.kind as trial_kind', 'trials.number as trial_number', 'trials.created_at as trial_began']) ?? throw (new ModelNotFoundException)->setModel(Bay::class);
    }

    /**
     * @param  list<array{id: string, sequence: int|null, at: string|null, values: array<mixed>}>  $shots
     * @param  bool  $isSaid  is it known in which trial they were hit?
     * @return list<array{id: string, status: string, shot: int|null, reason: string|null}>
     */
    private function all(Bay $bay, stdClass $row, array $shots, bool $isSaid = false): array
    {
        $fitting = $row->id === null ? null : (new Fitting)->newFromBuilder(array_diff_key((array) $row, ['player_hand' => 1, 'trial' => 1, 'trial_setup' => 1, 'trial_kind' => 1, 'trial_number' => 1, 'trial_began' => 1]));
        $answers = array_map(function (array $shot) use ($bay, $fitting, $row, $isSaid): array {
            [$first, $last, $latest] = $this->before($bay, $fitting, $shot['id']);
            // In the first trial there is none before it.
            $late = $first !== null || $fitting === null || $isSaid || (int) $row->trial_number === 1 ? null : LateShot::trialOf($bay->id, $fitting->id, $row->trial, $shot['sequence'], $latest, $shot['at'], $row->trial_began);

            return $first ?? $this->take($bay, $fitting, $late === null ? $row : (object) (['trial' => $late->id, 'trial_setup' => $late->setup_id, 'trial_kind' => $late->kind] + (array) $row), $shot, $last + 1, $late === null ? null : "Came late: put with trial {$late->number}, in which it was hit by the monitor’s {$late->by}.");
        }, $shots);
        if ($fitting !== null) {
            DB::table('fittings')->where('id', $fitting->id)->update(['updated_at' => now()]);
            DB::afterCommit(fn () => Live::changed($fitting));
        }

        return $answers;
    }

    /**
     * The answer that this shot got when it came first, the place of the fitting's last shot, and the sender's count of that if it came from here, in one look. A held shot that was put right is a shot too: the answer
     * stays the first one.
     *
     * @return array{array{id: string, status: string, shot: int|null, reason: string|null}|null, int, int|null}
     */
    private function before(Bay $bay, ?Fitting $fitting, string $id): array
    {
        $sent = fn (string $table, string $columns): Builder => DB::table($table)->where('bay_id', $bay->id)->where('sender_id', $id)->selectRaw($columns);
        $rows = $sent('held_shots', "'held' as status, null as number, reason")->unionAll($sent('shots', "'stored', id, null"))
            ->unionAll(DB::table('shots')->where('fitting_id', $fitting?->id)->orderByDesc('sequence')->limit(1)->selectRaw("'last', sequence, if(bay_id = ?, sender_sequence, null)", [$bay->id]))->get()->groupBy('status');
        $last = $rows['last'][0] ?? null;
        $first = $rows['held'][0] ?? $rows['stored'][0] ?? null;

        return [$first === null ? null : ['id' => $id, 'status' => $first->status, 'shot' => $first->number === null ? null : (int) $first->number, 'reason' => $first->reason], (int) $last?->number, $last?->reason === null ? null : (int) $last->reason];
    }

    /**
     * @param  stdClass  $row  the fitting's, with trial, trial_setup, trial_kind and player_hand
     * @param  array{id: string, sequence: int|null, at: string|null, values: array<mixed>}  $shot
     * @param  string|null  $remark  told among its flags
     * @return array{id: string, status: string, shot: int|null, reason: string|null}
     */
    private function take(Bay $bay, ?Fitting $fitting, stdClass $row, array $shot, int $sequence, ?string $remark): array
    {
        if ($fitting === null || $row->trial === null) {
            return $this->hold($bay, $fitting, null, $shot, $fitting === null ? 'No fitting is in this bay.' : 'No trial is running: nobody said which setup is in the hand.');
        }
        [$values, $issues] = TypedShot::read(self::quantities($shot['values']), Hand::from($row->player_hand), $fitting->flight());
        $refused = array_values(array_filter($issues, fn (Issue $i): bool => $i->refused));
        if ($refused !== []) {
            return $this->hold($bay, $fitting, (int) $row->trial, $shot, mb_strimwidth(implode('; ', array_map(fn (Issue $i): string => $i->message, $refused)), 0, 290, '…'));
        }
        $warmUp = $row->trial_kind === 'warm-up';
        $flags = [...array_map(fn (Issue $i): string => $i->message, $issues), ...array_filter([$remark])];
        $json = fn (mixed $v): string => json_encode($v, JSON_THROW_ON_ERROR);
        $stored = DB::table('shots')->insertGetId([
            'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'setup_id' => $row->trial_setup, 'trial_id' => $row->trial, 'bay_id' => $bay->id, 'source' => 'monitor',
            'sequence' => $sequence, 'sender_id' => $shot['id'], 'sender_sequence' => $shot['sequence'],
            'shot_key' => ShotRow::keyOf($values, $shot['at']), 'measured' => $json($values), 'typed' => $json($shot['values']), 'flags' => $json($flags), 'hit_at' => $shot['at'],
            'left_out_reason' => $warmUp ? 'warm-up' : null, 'left_out_at' => $warmUp ? now() : null, 'created_at' => now(), 'updated_at' => now(),
        ]);

        return ['id' => $shot['id'], 'status' => 'stored', 'shot' => $stored, 'reason' => null];
    }

    /**
     * @param  array{id: string, sequence: int|null, at: string|null, values: array<mixed>}  $shot
     * @return array{id: string, status: string, shot: int|null, reason: string|null}
     */
    private function hold(Bay $bay, ?Fitting $fitting, ?int $trial, array $shot, string $reason): array
    {
        HeldShot::query()->create(['studio_id' => $bay->studio_id, 'bay_id' => $bay->id, 'fitting_id' => $fitting?->id, 'trial_id' => $trial, 'sender_id' => $shot['id'], 'sender_sequence' => $shot['sequence'], 'body' => $shot, 'reason' => $reason]);

        return ['id' => $shot['id'], 'status' => 'held', 'shot' => null, 'reason' => $reason];
    }

    /**
     * A bare number is in the kept unit that its field names; a `{value, unit}` says its own.
     *
     * @param  array<mixed>  $values
     * @return array<mixed>
     */
    private static function quantities(array $values): array
    {
        return array_map(static fn (mixed $v): mixed => is_int($v) || is_float($v) ? ['value' => sprintf('%.6F', $v)] : (is_array($v) && (is_int($v['value'] ?? null) || is_float($v['value'] ?? null)) ? ['value' => sprintf('%.6F', $v['value'])] + $v : $v), array_filter($values, fn (mixed $v): bool => $v !== null));
    }
}
