<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\LogEntryResource;
use App\Journal\Undo;
use App\Journal\Undoable;
use App\Models\LogEntry;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Who did what around the fittings (appointments, orders), and taking it back. */
final class StudioLogController
{
    use NamesUser;

    private const SHOWN = 60;

    public function __construct(private readonly Undo $undo, private readonly Undoable $undoable)
    {
    }

    #[OA\Get(path: '/api/studio-log', operationId: 'studioLog.index', summary: 'Who did what around the fittings',
        responses: [new Answer('LogEntry[]')])]
    public function index(Request $request): JsonResponse
    {
        $entries = LogEntry::query()->where('studio_id', self::user($request)->studio_id)->whereNull('fitting_id')->with('user')
            ->orderByDesc('id')->limit(self::SHOWN)->get();

        return response()->json(LogEntryResource::all($entries, $this->undoable->among($entries)));
    }

    #[OA\Post(path: '/api/studio-log/{entry}/undo', operationId: 'studioLog.undo', summary: 'Takes an entry back',
        responses: [new Answer('LogEntry')])]
    public function undo(Request $request, LogEntry $entry): JsonResponse
    {
        abort_unless($entry->fitting_id === null, 404);
        $user = self::user($request);

        return response()->json(LogEntryResource::of($this->undo->takeBack($entry, $user->studio, $user)->load('user'), isUndoable: false));
    }
}
