<?php

declare(strict_types=1);

namespace App\Actions;

use App\Journal\Journal;
use App\Models\Fitting;
use App\Models\ImportFile;
use App\Models\Shot;
use App\Models\Trial;
use App\Support\Transaction;
use MintCarry\Core\Intake\PostedShot;
use MintCarry\Core\Launch\LaunchShot;
use stdClass;

/**
 * Stores shots in one go, after those that are there. A shot that the fitting already has (the same under the same client id, or
 * the same key from a file) is not stored twice. Where a client id comes with other content than it was stored with, nothing is
 * stored: somebody changed a line that was on record already, and has to say what it is.
 */
final class StoreShots
{
    /**
     * @param  list<array{setupId: int, measured: array<string, float>, typed: array<string, mixed>, flags: list<string>,
     *   key: string, line?: int|null, clientId?: string|null, hitAt?: string|null, note?: string|null}>  $shots
     * @return array{stored: int, already: int, differs: array<string, int>} differs: the shot that each such client id is on
     *   record for, by its number in the fitting
     */
    public function __invoke(Fitting $fitting, array $shots, string $source, ?ImportFile $file = null): array
    {
        return Transaction::run(function () use ($fitting, $shots, $source, $file): array {
            $now = Fitting::query()->lockForUpdate()->findOrFail($fitting->id);
            // Shots of the setup that is being hit belong to its trial, however they come in.
            $running = $now->running_trial_id === null ? null : Trial::query()->where('kind', 'trial')->find($now->running_trial_id);
            $sequence = (int) Shot::query()->where('fitting_id', $fitting->id)->max('sequence');
            $known = $source === 'csv' ? array_flip(Shot::query()->where('fitting_id', $fitting->id)->pluck('shot_key')->all()) : [];
            $clients = self::onRecord($fitting, $shots);
            $rows = $differs = [];
            $already = 0;
            foreach ($shots as $shot) {
                $id = $shot['clientId'] ?? null;
                $content = $id === null ? null : PostedShot::contentOf($shot['typed'], $shot['setupId'], $shot['note'] ?? null);
                $there = $id === null ? null : $clients["id {$id}"] ?? null;
                if ($there !== null && $there->content !== null && $there->content !== $content) {
                    $differs[(string) $id] = (int) $there->sequence;
                }
                if (isset($known[$shot['key']]) || $there !== null) {
                    $already++;

                    continue;
                }
                if ($id !== null) {
                    $clients["id {$id}"] = (object) ['content' => $content, 'sequence' => $sequence + 1];
                }
                $rows[] = ['trial_id' => $running?->setup_id === $shot['setupId'] ? $running->id : null, 'sequence' => ++$sequence]
                    + self::row($fitting, $shot, $source, $content, $file);
            }
            if ($differs !== []) {
                return ['stored' => 0, 'already' => $already, 'differs' => $differs];
            }
            foreach (array_chunk($rows, 500) as $chunk) {
                Shot::query()->insert($chunk);
            }
            // Nothing that was entered is ever lost: taken back, these shots are left out.
            foreach (
                $rows === []
                    ? []
                    : Shot::query()
                        ->where('fitting_id', $fitting->id)->where('sequence', '>', $sequence - count($rows))
                        ->pluck('left_out_reason', 'id') as $id => $reason
            ) {
                app(Journal::class)->track(
                    'shots', (int) $id, ['left_out_reason' => 'other', 'left_out_note' => 'taken back'],
                    ['left_out_reason' => $reason, 'left_out_note' => null],
                );
            }
            $now->touch();

            return ['stored' => count($rows), 'already' => $already, 'differs' => []];
        });
    }

    /**
     * What is on record under the client ids of these shots.
     *
     * @param  list<array<string, mixed>>  $shots
     * @return array<string, stdClass> content and sequence, by "id …"
     */
    private static function onRecord(Fitting $fitting, array $shots): array
    {
        $ids = array_values(
            array_filter(array_map(static fn (array $shot): ?string => $shot['clientId'] ?? null, $shots), is_string(...)),
        );

        return $ids === []
                    ? []
                    : Shot::query()
                        ->toBase()->where('fitting_id', $fitting->id)->whereIn('client_id', $ids)
                        ->get(['client_id', 'content', 'sequence'])->keyBy(static fn (stdClass $s): string => "id {$s->client_id}")
                        ->all();
    }

    /**
     * @param  array{setupId: int, measured: array<string, float>, typed: array<string, mixed>, flags: list<string>, key: string,
     *   line?: int|null, clientId?: string|null, hitAt?: string|null, note?: string|null, leftOut?: string|null}  $shot
     * @return array<string, mixed> by column
     */
    private static function row(Fitting $fitting, array $shot, string $source, ?string $content, ?ImportFile $file): array
    {
        $leftOut = $shot['leftOut'] ?? (LaunchShot::isToppedBy($shot['measured']) ? 'mishit' : null);

        return [
            'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'setup_id' => $shot['setupId'],
            'import_file_id' => $file?->id,
            'source' => $source, 'line' => $shot['line'] ?? null, 'shot_key' => $shot['key'],
            'client_id' => $shot['clientId'] ?? null, 'content' => $content, 'measured' => json_encode($shot['measured'], JSON_THROW_ON_ERROR),
            'typed' => json_encode($shot['typed'], JSON_THROW_ON_ERROR),
            'flags' => json_encode($shot['flags'], JSON_THROW_ON_ERROR),
            'hit_at' => isset($shot['hitAt']) ? mb_substr($shot['hitAt'], 0, 60) : null,
            'note' => isset($shot['note']) ? mb_substr($shot['note'], 0, 500) : null,
            'left_out_reason' => $leftOut, 'left_out_at' => $leftOut === null ? null : now(), 'created_at' => now(),
            'updated_at' => now(),
        ];
    }
}
