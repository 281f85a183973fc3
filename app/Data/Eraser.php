<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Player;
use App\Support\Transaction;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/**
 * Takes a person out of the data: name, words and whatever came with them go; what was hit stays, without a name, so that the studio's own
 * record of its heads does not change. There is no way back.
 */
final class Eraser
{
    /** What stays, as the screens and the person's own file say it. */
    public const STAYS = 'What was hit stays without a name: setups, shots as figures, ratings in stars, and which setup was decided for. '
        .'Names (also of courses and of clubs of their own), wishes, notes, launch files, the journal, held shots and what a monitor sent beside '
        .'the figures are gone. '
        .'Backups that were made before are deleted when their time is over.';

    /** @param  int|null  $by  who asked for it; null: the studio's own rule of how long it keeps people */
    public function erase(int $playerId, ?int $by): bool
    {
        $done = Transaction::run(function () use ($playerId, $by): bool {
            $player = Player::withTrashed()->lockForUpdate()->find($playerId);
            if ($player === null || $player->erased_at !== null) {
                return false;
            }
            $ids = PersonalColumns::keysOf($playerId);
            $rows = static fn (string $table): Builder => DB::table($table)
                ->whereIn(PersonalColumns::TABLES[$table], $ids[PersonalColumns::TABLES[$table]]);
            $names = new ErasedNames($player->name, $player->studio);
            foreach (PersonalColumns::NUMBERED as $table => $columns) {
                $names->number($table, $columns, $rows($table));
            }
            $names->numberLines($rows('orders'));
            foreach (PersonalColumns::NAMED_IN as $table => $columns) {
                $names->replaceIn($columns, $rows($table));
            }
            foreach (PersonalColumns::EMPTIED as $table => $columns) {
                $rows($table)->update($columns);
            }
            // Shots and rounds name no file and no link any more: those can go.
            $rows('shots')->update(['import_file_id' => null, 'line' => null]);
            $rows('rounds')->update(['link_id' => null]);
            $rows('log_entries')->update(['undo_of' => null]);
            foreach (PersonalColumns::GONE as $table) {
                $rows($table)->delete();
            }
            DB::table('bays')->whereIn('fitting_id', $ids['fitting_id'])->update(['fitting_id' => null]);
            $this->eraseAround($player, $names, ['orders' => $ids['order_id'], 'appointments' => $rows('appointments')->pluck('id')->all()]);
            array_map(Remover::forget(...), $ids['fitting_id']);
            $player->update(['name' => "Erased player {$playerId}", 'erased_at' => now()]);
            DB::table('erasures')->insertOrIgnore([
                'studio_id' => $player->studio_id, 'player_id' => $playerId, 'by' => $by, 'why' => $by === null ? 'retention' : 'asked',
                'created_at' => now(), 'updated_at' => now(),
            ]);

            return true;
        });
        if ($done) {
            Log::info('player erased', ['player' => $playerId, 'by' => $by]);
        }

        return $done;
    }

    /**
     * What the studio noted of them outside their fittings.
     *
     * @param  array<string, array<mixed>>  $own  numbers of their rows, by table
     */
    private function eraseAround(Player $player, ErasedNames $names, array $own): void
    {
        $own['players'] = [$player->id];
        $isOwn = static fn (mixed $change): bool => in_array($change['id'] ?? 0, $own[$change['table'] ?? ''] ?? [], true);
        $noted = [];
        foreach (DB::table('log_entries')->where('studio_id', $player->studio_id)->whereNull('fitting_id')->lazyById() as $entry) {
            $changes = (array) json_decode((string) $entry->changes, true);
            if ($names->isIn("{$entry->words} {$entry->changes}") || array_filter($changes, $isOwn) !== []) {
                $noted[] = $entry->id;
            }
        }
        DB::table('log_entries')->whereIn('undo_of', $noted)->update(['undo_of' => null]);
        DB::table('log_entries')->whereIn('id', $noted)->delete();
        foreach (DB::table('bin_entries')->where('studio_id', $player->studio_id)->get(['id', 'words', 'items']) as $entry) {
            $items = (array) json_decode((string) $entry->items, true);
            if ($names->isIn($entry->words) || in_array($player->id, (array) ($items['players'] ?? []), true)) {
                DB::table('bin_entries')->where('id', $entry->id)->update(['words' => 'a player who was erased']);
            }
        }
    }

    /** Those who were erased stay so, whatever backup came back. */
    public function again(): int
    {
        $done = 0;
        foreach (DB::table('erasures')->orderBy('id')->get() as $erasure) {
            $done += $this->erase((int) $erasure->player_id, $erasure->by === null ? null : (int) $erasure->by) ? 1 : 0;
        }

        return $done;
    }
}
