<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Player;
use App\Support\Transaction;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use MintCarry\Core\Fitting\Brief;

/**
 * Takes a person out of the data: name, words and whatever came with them go; what was hit stays, without a name, so that the studio's own
 * record of its heads does not change. There is no way back.
 */
final class Eraser
{
    /** What stays, as the screens and the person's own file say it. */
    public const STAYS = 'What was hit stays without a name: setups, shots as figures, ratings in stars, and which setup was decided for. '
        .'Names, wishes, notes, launch files, the journal, held shots and what a monitor sent beside the figures are gone. '
        .'Backups that were made before are deleted when their time is over.';

    /** What a person or their fitter said in free words, by table: column => what stands there then. */
    private const WORDS = [
        'setups' => ['note' => '', 'shelf_reason' => '', 'typed' => '{}', 'cue' => ''],
        'trials' => ['note' => ''],
        'shots' => [
            'note' => null, 'left_out_note' => null, 'beside' => null, 'typed' => '{}', 'client_id' => null, 'sender_id' => null,
            'sender_session' => null, 'import_file_id' => null, 'line' => null, 'flags' => '[]',
        ],
        'decisions' => ['reason' => '', 'reopen_why' => ''],
    ];

    /** Kept for the person alone, or as they came: no figure of a setup stands in them. */
    private const WHOLE = ['held_shots', 'log_entries', 'brief_changes', 'import_files'];

    /** @param  int|null  $by  who asked for it; null: the studio's own rule of how long it keeps people */
    public function erase(int $playerId, ?int $by): bool
    {
        $done = Transaction::run(function () use ($playerId, $by): bool {
            $player = Player::withTrashed()->lockForUpdate()->find($playerId);
            if ($player === null || $player->erased_at !== null) {
                return false;
            }
            $fittings = DB::table('fittings')->where('player_id', $playerId)->pluck('id')->all();
            DB::table('log_entries')->whereIn('fitting_id', $fittings)->update(['undo_of' => null]);
            foreach (self::WORDS as $table => $columns) {
                DB::table($table)->whereIn('fitting_id', $fittings)->update($columns);
            }
            // Shots name no file any more: it can go.
            foreach (self::WHOLE as $table) {
                DB::table($table)->whereIn('fitting_id', $fittings)->delete();
            }
            foreach (DB::table('decisions')->whereIn('fitting_id', $fittings)->get(['id', 'advice', 'proof']) as $decision) {
                DB::table('decisions')->where('id', $decision->id)->update([
                    'advice' => self::withoutName($decision->advice, $player->name),
                    'proof' => self::withoutName($decision->proof, $player->name),
                ]);
            }
            foreach ($fittings as $id) {
                DB::table('fittings')->where('id', $id)->update([
                    'brief' => json_encode(self::withoutWords(self::brief($id)), JSON_THROW_ON_ERROR), 'wants' => '', 'typed' => '{}',
                ]);
                Remover::forget((int) $id);
            }
            DB::table('bays')->whereIn('fitting_id', $fittings)->update(['fitting_id' => null]);
            DB::table('consents')->where('player_id', $playerId)->delete();
            $this->eraseAround($playerId, $player->name, $player->studio_id);
            DB::table('looks')->where('player_id', $playerId)->delete();
            DB::table('bin_entries')->where('studio_id', $player->studio_id)
                ->where(fn ($q) => $q->whereJsonContains('items->players', $playerId)->orWhere('words', 'like', '%'.addcslashes($player->name, '%_\\').'%'))
                ->update(['words' => 'a player who was erased']);
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

    /** Before and after the hour: what they sent, their links, and the studio's own notes of them. */
    private function eraseAround(int $playerId, string $name, int $studioId): void
    {
        DB::table('intakes')->where('player_id', $playerId)->delete();
        DB::table('appointments')->where('player_id', $playerId)->update(['note' => '']);
        DB::table('rounds')->where('player_id', $playerId)->update(['words' => '', 'typed' => '[]', 'link_id' => null]);
        DB::table('player_links')->where('player_id', $playerId)->delete();
        DB::table('orders')->where('player_id', $playerId)->update(['note' => '', 'why' => '']);
        DB::table('acceptances')->whereIn('order_id', DB::table('orders')->where('player_id', $playerId)->select('id'))->update(['why' => '']);
        $entries = DB::table('log_entries')->where('studio_id', $studioId)->whereNull('fitting_id')
            ->where('words', 'like', '%'.addcslashes($name, '%_\\').'%');
        DB::table('log_entries')->whereIn('undo_of', (clone $entries)->pluck('id'))->update(['undo_of' => null]);
        $entries->delete();
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

    /** @return array<string, mixed> */
    private static function brief(int|string $fittingId): array
    {
        $read = json_decode((string) DB::table('fittings')->where('id', $fittingId)->value('brief'), true);

        return is_array($read) ? $read : [];
    }

    /**
     * A brief with its figures and choices, and none of its free words.
     *
     * @param  array<mixed>  $brief
     * @return array<mixed>
     */
    private static function withoutWords(array $brief): array
    {
        foreach (array_keys(Brief::TEXTS) as $field) {
            if (isset($brief[$field])) {
                $brief[$field] = '';
            }
        }

        return $brief;
    }

    /** What a decision rested on, as JSON: its figures stay, the brief's words and the name go. */
    private static function withoutName(?string $json, string $name): ?string
    {
        $read = $json === null ? null : json_decode($json, true);
        if (! is_array($read)) {
            return $json;
        }
        if (is_array($read['brief'] ?? null)) {
            $read['brief'] = self::withoutWords($read['brief']);
        }
        array_walk_recursive($read, static function (mixed &$value) use ($name): void {
            $value = is_string($value) && $name !== '' ? str_replace($name, 'the player', $value) : $value;
        });

        return json_encode($read, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }
}
