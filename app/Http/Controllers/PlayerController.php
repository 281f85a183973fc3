<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\EarlierFitting;
use App\Models\Fitting;
use App\Models\Player;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final class PlayerController
{
    use NamesUser;

    private const SHOWN = 20;

    private const EARLIER = 5;

    /** Players of the studio by name, each with the newest fittings and the clubs of those. */
    #[OA\Get(path: '/api/players', operationId: 'player.index', summary: 'Players of the studio by name',
        parameters: [new Asks('q', 'string')], responses: [new Answer('KnownPlayer[]')])]
    public function index(Request $request): JsonResponse
    {
        $user = self::user($request);
        $wanted = trim($request->string('q')->limit(80, '')->value());
        $players = Player::query()->where('studio_id', $user->studio_id)
            ->when($wanted !== '', fn ($q) => $q->where('name', 'like', '%'.addcslashes($wanted, '%_\\').'%'))
            ->orderBy('name')->orderBy('id')->limit(self::SHOWN)->get();
        $fittings = Fitting::query()->whereIn('player_id', $players->modelKeys())->with(['setups', 'decisions'])
            ->orderByDesc('created_at')->orderByDesc('id')->get()->groupBy('player_id');

        return response()->json($players->map(fn (Player $p): array => [
            'id' => $p->id, 'name' => $p->name, 'hand' => $p->hand->value, 'units' => $p->units,
            'fittings' => ($fittings[$p->id] ?? collect())->take(self::EARLIER)->map(EarlierFitting::of(...))->values()->all(),
        ])->all());
    }
}
