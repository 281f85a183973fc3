<?php

declare(strict_types=1);

namespace App\Data;

use App\Exchange\FittingExporter;
use App\Models\Acceptance;
use App\Models\Appointment;
use App\Models\Blind;
use App\Models\Consent;
use App\Models\Fitting;
use App\Models\HeldShot;
use App\Models\ImportFile;
use App\Models\Intake;
use App\Models\LogEntry;
use App\Models\Order;
use App\Models\Player;
use App\Models\Round;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Everything that is kept about a person, in one file: for whoever asks what the studio has of them. */
final class PersonFile
{
    public const FORMAT = 'mintcarry.person/1';

    /** @return array<string, mixed> */
    public static function of(Player $player): array
    {
        $fittings = Fitting::withTrashed()->where('player_id', $player->id)->orderBy('id')->get();

        return [
            'format' => self::FORMAT, 'madeBy' => 'Mint Carry '.config('mintcarry.version'), 'exportedAt' => now()->toIso8601String(),
            'studio' => $player->studio->name,
            'player' => [
                'name' => $player->name, 'hand' => $player->hand->value, 'units' => $player->units,
                'since' => $player->created_at?->toIso8601String(),
            ],
            'consents' => self::consents($player),
            'fittings' => $fittings->map(self::fitting(...))->all(),
            'saidByLink' => self::intakes($player), 'appointments' => self::appointments($player), 'orders' => self::orders($player),
            'rounds' => Round::query()->where('player_id', $player->id)->orderBy('played_on')->orderBy('id')
                ->get(['played_on', 'course', 'club', 'holes', 'hit', 'missed_left', 'missed_right', 'lost', 'drives_m', 'feel', 'words'])->toArray(),
            'lookedAt' => self::looks($player),
        ];
    }

    /** @return array<int, array<string, mixed>> with what hurts them: here they ask for all that is kept */
    private static function intakes(Player $player): array
    {
        return Intake::query()->where('player_id', $player->id)->orderBy('id')->get()
            ->map(static fn (Intake $i): array => ['at' => $i->created_at->toIso8601String(), 'said' => $i->said, 'pain' => $i->pain])->values()->all();
    }

    /** @return array<int, array<string, mixed>> */
    private static function appointments(Player $player): array
    {
        return Appointment::query()->where('player_id', $player->id)->orderBy('starts_at')->get()->map(static fn (Appointment $a): array => [
            'at' => $a->starts_at->toIso8601String(), 'until' => $a->ends_at->toIso8601String(), 'kind' => $a->kind, 'state' => $a->state,
            'note' => $a->note,
        ])->values()->all();
    }

    /** @return array<int, array<string, mixed>> */
    private static function orders(Player $player): array
    {
        return Order::query()->where('player_id', $player->id)->with('acceptances')->orderBy('id')->get()->map(static fn (Order $o): array => [
            'fitting' => $o->fitting_id, 'state' => $o->state->value, 'lines' => $o->lines, 'labour' => $o->labour,
            'currency' => $o->currency,
            'note' => $o->note, 'why' => $o->why, 'figures' => $o->figures, 'steps' => $o->steps,
            'read' => $o->acceptances->map(static fn (Acceptance $a): array => [
                'at' => $a->created_at->toIso8601String(), 'figures' => $a->figures, 'why' => $a->why,
            ])->all(),
        ])->values()->all();
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

    /** @return array<string, mixed> */
    private static function fitting(Fitting $fitting): array
    {
        return [
            'id' => $fitting->id,
            'thrownAway' => $fitting->trashed(),
            // While a blind trial goes on, a file would give it away.
            'file' => Blind::open($fitting) === null ? FittingExporter::export($fitting) : null,
            'launchFiles' => ImportFile::withTrashed()->where('fitting_id', $fitting->id)->orderBy('id')->get()
                ->map(static fn (ImportFile $f): array => [
                    'name' => $f->name, 'state' => $f->state, 'at' => $f->created_at->toIso8601String(), 'base64' => base64_encode($f->raw),
                ])->all(),
            'heldShots' => HeldShot::query()->where('fitting_id', $fitting->id)->orderBy('id')->get()
                ->map(static fn (HeldShot $h): array => ['body' => $h->getRawOriginal('body'), 'reason' => $h->reason, 'settled' => $h->settled_how])
                ->all(),
            'besideShots' => DB::table('shots')->where('fitting_id', $fitting->id)->whereNotNull('beside')->orderBy('id')
                ->pluck('beside', 'sequence')->all(),
            'journal' => LogEntry::query()->where('fitting_id', $fitting->id)->with('user')->orderBy('id')->get()
                ->map(static fn (LogEntry $e): array => [
                    'at' => $e->created_at->toIso8601String(), 'by' => $e->by(), 'words' => $e->words, 'changes' => $e->changes,
                ])->all(),
        ];
    }

    /** @return array<int, array{by: string, what: string, fitting: int|null, day: string}> */
    private static function looks(Player $player): array
    {
        return DB::table('looks')->join('users', 'users.id', '=', 'looks.user_id')->where('player_id', $player->id)->orderBy('looks.id')
            ->get(['users.name', 'what', 'fitting_id', 'day'])
            ->map(static fn (object $l): array => [
                'by' => (string) $l->name, 'what' => (string) $l->what, 'fitting' => $l->fitting_id === null ? null : (int) $l->fitting_id,
                'day' => (string) $l->day,
            ])->values()->all();
    }
}
