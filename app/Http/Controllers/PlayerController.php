<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Player;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class PlayerController
{
    public function index(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return response()->json(Player::query()->where('studio_id', $user->studio_id)->orderBy('name')->limit(500)->get()
            ->map(fn (Player $p): array => ['id' => $p->id, 'name' => $p->name, 'hand' => $p->hand->value, 'units' => $p->units])->all());
    }
}
