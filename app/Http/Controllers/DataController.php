<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Backups\Backups;
use App\Contract\Answer;
use App\Contract\Asks;
use App\Contract\Takes;
use App\Data\Eraser;
use App\Data\PersonFile;
use App\Http\Controllers\Concerns\NamesUser;
use App\Models\Player;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Whose data they are: what the owner of a studio answers for. */
final class DataController
{
    use NamesUser;

    private const SHOWN = 200;

    #[OA\Get(path: '/api/data', operationId: 'data.show', summary: 'Backups and erasures', responses: [new Answer('DataState')])]
    public function show(Request $request): JsonResponse
    {
        return response()->json([
            'backups' => array_slice(Backups::all(), 0, 30), 'backupsTo' => basename((string) config('mintcarry.backups.to')),
            'backupAt' => (string) config('mintcarry.backups.at'), 'keepDays' => (int) config('mintcarry.backups.keep_days'),
            'erased' => DB::table('erasures')->where('studio_id', self::user($request)->studio_id)->count(), 'erasingKeeps' => Eraser::STAYS,
        ]);
    }

    /** Everything that is kept about a person, as one file. */
    #[OA\Get(path: '/api/data/players/{player}/file', operationId: 'data.file', summary: 'Everything about a person, in one file',
        responses: [new Answer('application/octet-stream')])]
    public function file(Player $player): Response
    {
        return response(json_encode(PersonFile::of($player), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT), 200, [
            'Content-Type' => 'application/octet-stream', 'Content-Disposition' => 'attachment; filename="person-'.$player->id.'.mint.json"',
        ]);
    }

    /** Takes a person out of the data for good. The name is typed again: there is no way back. */
    #[OA\Post(path: '/api/data/players/{player}/erase', operationId: 'data.erase', summary: 'Takes a person out of the data for good',
        requestBody: new Takes(['name' => 'string']),
        responses: [new Answer('{ erased: boolean; keeps: string }')])]
    public function erase(Request $request, Player $player, Eraser $eraser): JsonResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:200']]);
        if (trim($given['name']) !== $player->name) {
            throw ValidationException::withMessages([
                'name' => "Type the name as it stands, {$player->name}, to erase this person. Nothing was changed.",
            ]);
        }

        return response()->json(['erased' => $eraser->erase($player->id, self::user($request)->id), 'keeps' => Eraser::STAYS]);
    }

    #[OA\Get(path: '/api/data/looks', operationId: 'data.looks', summary: 'Who looked at whom, and who took data out',
        parameters: [new Asks('player', 'integer'), new Asks('exports', 'boolean')], responses: [new Answer('Look[]')])]
    public function looks(Request $request): JsonResponse
    {
        $rows = DB::table('looks')->join('users', 'users.id', '=', 'looks.user_id')->leftJoin('players', 'players.id', '=', 'looks.player_id')
            ->where('looks.studio_id', self::user($request)->studio_id)
            ->when($request->filled('player'), fn ($q) => $q->where('looks.player_id', $request->integer('player')))
            ->when($request->boolean('exports'), fn ($q) => $q->where('what', 'like', 'exported%'))
            ->orderByDesc('looks.id')->limit(self::SHOWN)
            ->get(['looks.id', 'users.name as by', 'players.name as player', 'looks.fitting_id', 'what', 'looks.created_at']);

        return response()->json($rows->map(static fn (object $l): array => [
            'id' => (int) $l->id, 'by' => (string) $l->by, 'player' => (string) ($l->player ?? ''),
            'fitting' => $l->fitting_id === null ? null : (int) $l->fitting_id, 'what' => (string) $l->what,
            'at' => \Illuminate\Support\Carbon::parse((string) $l->created_at)->toIso8601String(),
        ])->all());
    }
}
