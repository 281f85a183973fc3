<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Bay;
use App\Models\Fitting;
use App\Models\HeldShot;
use App\Models\Shot;
use App\Models\Trial;
use App\Support\Live;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Launch\Issue;
use MintCarry\Core\Launch\ShotRow;
use MintCarry\Core\Launch\TypedShot;

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
        return DB::transaction(function () use ($bay, $shots): array {
            $bay = Bay::query()->lockForUpdate()->findOrFail($bay->id);
            $fitting = $bay->fitting_id === null ? null : Fitting::query()->with('player')->lockForUpdate()->find($bay->fitting_id);
            $trial = $fitting?->running_trial_id === null ? null : Trial::query()->find($fitting->running_trial_id);
            $answers = array_map(fn (array $shot): array => $this->before($bay, $shot['id']) ?? $this->take($bay, $fitting, $trial, $shot), $shots);
            if ($fitting !== null) {
                $fitting->touch();
                DB::afterCommit(fn () => Live::changed($fitting));
            }

            return $answers;
        });
    }

    /**
     * The answer that this shot got when it came first.
     *
     * @return array{id: string, status: string, shot: int|null, reason: string|null}|null
     */
    private function before(Bay $bay, string $id): ?array
    {
        $held = HeldShot::query()->where('bay_id', $bay->id)->where('sender_id', $id)->first();
        if ($held !== null) {
            return ['id' => $id, 'status' => 'held', 'shot' => null, 'reason' => $held->reason];
        }
        $shot = Shot::query()->where('bay_id', $bay->id)->where('sender_id', $id)->first();

        return $shot === null ? null : ['id' => $id, 'status' => 'stored', 'shot' => $shot->id, 'reason' => null];
    }

    /**
     * @param  array{id: string, sequence: int|null, at: string|null, values: array<mixed>}  $shot
     * @return array{id: string, status: string, shot: int|null, reason: string|null}
     */
    private function take(Bay $bay, ?Fitting $fitting, ?Trial $trial, array $shot): array
    {
        if ($fitting === null || $trial === null) {
            return $this->hold($bay, $fitting, null, $shot, $fitting === null ? 'No fitting is in this bay.' : 'No trial is running: nobody said which setup is in the hand.');
        }
        [$values, $issues] = TypedShot::read(self::quantities($shot['values']), $fitting->player->hand, $fitting->flight());
        $refused = array_values(array_filter($issues, fn (Issue $i): bool => $i->refused));
        if ($refused !== []) {
            return $this->hold($bay, $fitting, $trial, $shot, mb_strimwidth(implode('; ', array_map(fn (Issue $i): string => $i->message, $refused)), 0, 290, '…'));
        }
        $warmUp = $trial->kind === 'warm-up';
        $stored = Shot::query()->create([
            'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'setup_id' => $trial->setup_id, 'trial_id' => $trial->id, 'bay_id' => $bay->id, 'source' => 'monitor',
            'sequence' => (int) Shot::query()->where('fitting_id', $fitting->id)->max('sequence') + 1, 'sender_id' => $shot['id'], 'sender_sequence' => $shot['sequence'],
            'shot_key' => ShotRow::keyOf($values, $shot['at']), 'measured' => $values, 'typed' => $shot['values'], 'flags' => array_map(fn (Issue $i): string => $i->message, $issues), 'hit_at' => $shot['at'],
            'left_out_reason' => $warmUp ? 'warm-up' : null, 'left_out_at' => $warmUp ? now() : null,
        ]);

        return ['id' => $shot['id'], 'status' => 'stored', 'shot' => $stored->id, 'reason' => null];
    }

    /**
     * @param  array{id: string, sequence: int|null, at: string|null, values: array<mixed>}  $shot
     * @return array{id: string, status: string, shot: int|null, reason: string|null}
     */
    private function hold(Bay $bay, ?Fitting $fitting, ?Trial $trial, array $shot, string $reason): array
    {
        HeldShot::query()->create(['studio_id' => $bay->studio_id, 'bay_id' => $bay->id, 'fitting_id' => $fitting?->id, 'trial_id' => $trial?->id, 'sender_id' => $shot['id'], 'sender_sequence' => $shot['sequence'], 'body' => $shot, 'reason' => $reason]);

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
