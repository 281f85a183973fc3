<?php

declare(strict_types=1);

namespace App\Data;

use App\Exchange\FittingExporter;
use App\Models\Blind;
use App\Models\Consent;
use App\Models\Fitting;
use App\Models\Player;
use App\Models\User;
use App\Support\Sealed;
use Illuminate\Support\Facades\DB;

/** Everything that is kept about a person, in one file: for whoever asks what the studio has of them. */
final class PersonFile
{
    public const FORMAT = 'mintcarry.person/2';

    /** What would give a blind trial away while it goes on. */
    private const BLIND = ['setups', 'trials', 'shots', 'blinds', 'log_entries', 'import_files', 'held_shots'];

    /** @return array<string, mixed> */
    public static function of(Player $player): array
    {
        $fittings = Fitting::withTrashed()->where('player_id', $player->id)->orderBy('id')->get();
        $blind = array_values($fittings->filter(static fn (Fitting $f): bool => Blind::open($f) !== null)->pluck('id')->all());

        return [
            'format' => self::FORMAT, 'madeBy' => 'Mint Carry '.config('mintcarry.version'), 'exportedAt' => now()->toIso8601String(),
            'studio' => $player->studio->name,
            'player' => ['name' => $player->name, 'hand' => $player->hand->value, 'units' => $player->units],
            // What another studio can open.
            'fittings' => $fittings->reject(static fn (Fitting $f): bool => in_array($f->id, $blind, true))->map(FittingExporter::export(...))->values()->all(),
            'blindTrialsGoOn' => $blind,
            // What lies in the database, table by table.
            'rows' => self::rows($player, $blind),
            'people' => User::query()->where('studio_id', $player->studio_id)->pluck('name', 'id')->all(),
        ];
    }

    /**
     * @param  list<int>  $blind  fittings with a blind trial that goes on
     * @return array<string, list<array<string, mixed>>>
     */
    private static function rows(Player $player, array $blind): array
    {
        $keys = PersonalColumns::keysOf($player->id);
        $rows = [];
        foreach (PersonalColumns::TABLES as $table => $by) {
            $ids = in_array($table, self::BLIND, true) ? array_diff($keys[$by], $blind) : $keys[$by];
            $rows[$table] = array_values(DB::table($table)->whereIn($by, $ids)->orderBy('id')->get()
                ->map(static fn (\stdClass $row): array => self::readable($table, (array) $row))->all());
        }

        return $rows;
    }

    /**
     * @param  array<string, mixed>  $row
     * @return array<string, mixed> what is JSON opened, what is encrypted in clear, what is no text (a launch file) in base64
     */
    private static function readable(string $table, array $row): array
    {
        $row = array_diff_key($row, array_flip(PersonalColumns::SECRET[$table] ?? []));
        foreach ($row as $column => $value) {
            if (is_string($value) && in_array($column, PersonalColumns::ENCRYPTED[$table] ?? [], true)) {
                $row[$column] = Sealed::say($value);
            } elseif ($table === 'import_files' && $column === 'raw') {
                $row[$column] = base64_encode((string) $value);
            } elseif (is_string($value) && preg_match('/^[\[{]/', $value) === 1) {
                $row[$column] = json_decode($value, true) ?? $value;
            }
        }

        return $row;
    }

    /** @return array<int, array<string, mixed>> the newest first */
    public static function consents(Player $player): array
    {
        $names = User::query()->where('studio_id', $player->studio_id)->pluck('name', 'id');

        return Consent::query()->where('player_id', $player->id)->orderByDesc('id')->get()->map(static fn (Consent $c): array => [
            'text' => $c->text, 'guardian' => $c->guardian, 'takenBy' => $c->taken_by === null ? 'the player, by link' : (string) ($names[$c->taken_by] ?? ''),
            'givenAt' => $c->given_at->toIso8601String(), 'withdrawnAt' => $c->withdrawn_at?->toIso8601String(),
        ])->values()->all();
    }
}
