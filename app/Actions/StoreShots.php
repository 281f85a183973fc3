<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Fitting;
use App\Models\ImportFile;
use App\Models\Shot;
use App\Models\Trial;
use App\Support\Journal;
use Illuminate\Support\Facades\DB;

/** Stores shots in one go, after those that are there; a shot that the fitting already has (same client id, or same key from a file) is not stored twice. */
final class StoreShots
{
    /**
     * @param  list<array{setupId: int, measured: array<string, float>, typed: array<string, mixed>, flags: list<string>, key: string, line?: int|null, clientId?: string|null, hitAt?: string|null, note?: string|null}>  $shots
     * @return array{stored: int, already: int}
     */
    public function __invoke(Fitting $fitting, array $shots, string $source, ?ImportFile $file = null): array
    {
        return DB::transaction(function () use ($fitting, $shots, $source, $file): array {
            $now = Fitting::query()->lockForUpdate()->findOrFail($fitting->id);
            // Shots of the setup that is being hit belong to its trial, however they come in.
            $running = $now->running_trial_id === null ? null : Trial::query()->where('kind', 'trial')->find($now->running_trial_id);
            $sequence = (int) Shot::query()->where('fitting_id', $fitting->id)->max('sequence');
            $known = $source === 'csv' ? array_flip(Shot::query()->where('fitting_id', $fitting->id)->pluck('shot_key')->all()) : [];
            $clients = array_flip(Shot::query()->where('fitting_id', $fitting->id)->whereNotNull('client_id')->pluck('client_id')->all());
            $rows = [];
            $already = 0;
            foreach ($shots as $shot) {
                if (isset($known[$shot['key']]) || isset($clients[$shot['clientId'] ?? ''])) {
                    $already++;

                    continue;
                }
                if (isset($shot['clientId'])) {
                    $clients[$shot['clientId']] = true;
                }
                $rows[] = [
                    'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'setup_id' => $shot['setupId'], 'trial_id' => $running?->setup_id === $shot['setupId'] ? $running->id : null, 'import_file_id' => $file?->id,
                    'source' => $source, 'sequence' => ++$sequence, 'line' => $shot['line'] ?? null, 'shot_key' => $shot['key'], 'client_id' => $shot['clientId'] ?? null,
                    'measured' => json_encode($shot['measured'], JSON_THROW_ON_ERROR), 'typed' => json_encode($shot['typed'], JSON_THROW_ON_ERROR), 'flags' => json_encode($shot['flags'], JSON_THROW_ON_ERROR),
                    'hit_at' => isset($shot['hitAt']) ? mb_substr($shot['hitAt'], 0, 60) : null, 'note' => isset($shot['note']) ? mb_substr($shot['note'], 0, 500) : null, 'created_at' => now(), 'updated_at' => now(),
                ];
            }
            foreach (array_chunk($rows, 500) as $chunk) {
                Shot::query()->insert($chunk);
            }
            // Nothing that was entered is ever lost: taken back, these shots are left out.
            foreach ($rows === [] ? [] : Shot::query()->where('fitting_id', $fitting->id)->where('sequence', '>', $sequence - count($rows))->pluck('id') as $id) {
                Journal::notice('shots', (int) $id, ['left_out_reason' => 'other', 'left_out_note' => 'taken back'], ['left_out_reason' => null, 'left_out_note' => null]);
            }
            $fitting->touch();

            return ['stored' => count($rows), 'already' => $already];
        });
    }
}
