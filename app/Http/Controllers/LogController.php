<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\LogEntryResource;
use App\Journal\Undo;
use App\Journal\Undoable;
use App\Models\Fitting;
use App\Models\LogEntry;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Who did what when in a fitting, and taking it back. */
final class LogController
{
    use NamesUser;

    public function __construct(private readonly Undo $undo, private readonly Undoable $undoable)
    {
    }

    #[OA\Get(path: '/api/fittings/{fitting}/log', operationId: 'log.index', summary: 'Who did what',
        responses: [new Answer('LogEntry[]')])]
    public function index(Fitting $fitting): JsonResponse
    {
        $entries = LogEntry::query()
            ->where('fitting_id', $fitting->id)->with('user')->orderByDesc('id')->limit(300)->get();

        return response()->json(LogEntryResource::all($entries, $this->undoable->among($entries)));
    }

    #[OA\Post(path: '/api/log/{entry}/undo', operationId: 'log.undo', summary: 'Takes an entry back',
        responses: [new Answer('LogEntry')])]
    public function undo(Request $request, LogEntry $entry): JsonResponse
    {
        $user = self::user($request);

        return response()->json(
            LogEntryResource::of(
                $this->undo->takeBack($entry, Fitting::query()->findOrFail($entry->fitting_id), $user)->load('user'), isUndoable: false,
            ),
        );
    }
}
