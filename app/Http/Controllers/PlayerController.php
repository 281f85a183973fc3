<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Http\Controllers\Concerns\NamesUser;
use App\Models\Player;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final class PlayerController
{
    use NamesUser;

    #[OA\Get(path: '/api/players', operationId: 'player.index', summary: 'Players of the studio by name',
        responses: [new Answer('Player[]')])]
    public function index(Request $request): JsonResponse
    {
        $user = self::user($request);

        return response()->json(Player::query()->where('studio_id', $user->studio_id)->orderBy('name')->limit(500)->get()
            ->map(fn (Player $p): array => ['id' => $p->id, 'name' => $p->name, 'hand' => $p->hand->value, 'units' => $p->units])->all());
    }
}
