<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Data\Bin;
use App\Http\Controllers\Concerns\NamesUser;
use App\Models\BinEntry;
use App\Models\Fitting;
use App\Models\Player;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** What was thrown away, and can come back for a day. */
final class BinController
{
    use NamesUser;

    public function __construct(private readonly Bin $bin)
    {
    }

    #[OA\Get(path: '/api/bin', operationId: 'bin.index', summary: 'What was thrown away and can still come back', responses: [new Answer('BinEntry[]')])]
    public function index(Request $request): JsonResponse
    {
        return response()->json(
            BinEntry::query()->where('studio_id', self::user($request)->studio_id)->whereNull('restored_at')->whereNull('emptied_at')
                ->where('until', '>', now())->with('user')->orderByDesc('id')->limit(100)->get()->map(self::describe(...))->all(),
        );
    }

    #[OA\Post(path: '/api/bin/{entry}/restore', operationId: 'bin.restore', summary: 'Brings back what was thrown away',
        responses: [new Answer('{ restored: boolean }')])]
    public function restore(BinEntry $entry): JsonResponse
    {
        $this->bin->restore($entry);

        return response()->json(['restored' => true]);
    }

    #[OA\Delete(path: '/api/fittings/{fitting}', operationId: 'fitting.destroy', summary: 'Throws a fitting away; it comes back for a day',
        responses: [new Answer('BinEntry')])]
    public function fitting(Request $request, Fitting $fitting): JsonResponse
    {
        return response()->json(self::describe($this->bin->throwAway($fitting, self::user($request))->load('user')));
    }

    #[OA\Delete(path: '/api/players/{player}', operationId: 'player.destroy',
        summary: 'Throws a player away with all fittings; they come back for a day', responses: [new Answer('BinEntry')])]
    public function player(Request $request, Player $player): JsonResponse
    {
        return response()->json(self::describe($this->bin->throwAway($player, self::user($request))->load('user')));
    }

    /** @return array<string, mixed> */
    private static function describe(BinEntry $entry): array
    {
        return [
            'id' => $entry->id, 'words' => $entry->words, 'by' => $entry->user->name, 'at' => $entry->created_at->toIso8601String(),
            'until' => $entry->until->toIso8601String(),
        ];
    }
}
