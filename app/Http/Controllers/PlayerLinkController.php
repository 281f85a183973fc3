<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\NamesUser;
use App\Models\Fitting;
use App\Models\Player;
use App\Models\PlayerLink;
use App\Words\Words;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Private links that a player was given: made, shown again, and ended. */
final class PlayerLinkController
{
    use NamesUser;

    #[OA\Get(path: '/api/players/{player}/links', operationId: 'playerLink.index', summary: 'Links that a player was given, the newest first',
        responses: [new Answer('PlayerLink[]')])]
    public function index(Player $player): JsonResponse
    {
        $links = PlayerLink::query()->where('player_id', $player->id)->with('maker')->orderByDesc('id')->get();

        return response()->json($links->map(self::describe(...))->all());
    }

    #[OA\Post(path: '/api/players/{player}/links', operationId: 'playerLink.store', summary: 'A new link for a player',
        requestBody: new Takes(['kind' => 'string', 'fittingId?' => 'integer | null', 'language?' => 'string | null']),
        responses: [new Answer('PlayerLink', 201)])]
    public function store(Request $request, Player $player): JsonResponse
    {
        $given = $request->validate([
            'kind' => ['required', Rule::in(array_keys(PlayerLink::DAYS))],
            'fittingId' => [Rule::requiredIf($request->input('kind') !== 'intake'), 'nullable', 'integer'],
            'language' => ['sometimes', 'nullable', Rule::in(Words::languages())],
        ]);
        $fitting = isset($given['fittingId']) ? Fitting::query()->where('player_id', $player->id)->findOrFail((int) $given['fittingId']) : null;
        if (isset($given['language'])) {
            $player->update(['language' => $given['language']]);
        }

        return response()->json(self::describe(PlayerLink::grant($given['kind'], $player, $fitting, self::user($request))->load('maker')), 201);
    }

    #[OA\Delete(path: '/api/players/{player}/links/{link}', operationId: 'playerLink.revoke', summary: 'Ends a link',
        responses: [new Answer('PlayerLink')])]
    public function revoke(Player $player, PlayerLink $link): JsonResponse
    {
        abort_unless($link->player_id === $player->id, 404);
        $link->update(['revoked_at' => $link->revoked_at ?? now()]);

        return response()->json(self::describe($link->load('maker')));
    }

    /** @return array<string, mixed> */
    private static function describe(PlayerLink $link): array
    {
        return [
            'id' => $link->id, 'kind' => $link->kind, 'fittingId' => $link->fitting_id, 'by' => $link->maker->name,
            'at' => $link->created_at->toIso8601String(), 'until' => $link->ends_at->toIso8601String(), 'isGood' => $link->isGood(),
            'openedAt' => $link->opened_at?->toIso8601String(), 'usedAt' => $link->used_at?->toIso8601String(),
            'path' => $link->isGood() ? $link->path() : null,
        ];
    }
}
