<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Controllers\Concerns\NamesUser;
use App\Models\Fitting;
use App\Models\LogEntry;
use App\Support\Journal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Who did what when in a fitting, and taking it back. */
final class LogController
{
    use NamesUser;

    public function index(Fitting $fitting): JsonResponse
    {
        return response()->json(LogEntry::query()->where('fitting_id', $fitting->id)->with('user')->orderByDesc('id')->limit(300)->get()->map(self::entry(...))->all());
    }

    public function undo(Request $request, LogEntry $entry): JsonResponse
    {
        $user = self::user($request);

        return response()->json(self::entry(Journal::takeBack($entry, Fitting::query()->findOrFail($entry->fitting_id), $user)->load('user')));
    }

    /** @return array<string, mixed> */
    public static function entry(LogEntry $entry): array
    {
        return ['id' => $entry->id, 'words' => $entry->words, 'by' => $entry->user->name, 'at' => $entry->created_at->toIso8601String(), 'undoable' => $entry->changes !== [] && $entry->undone_at === null, 'undone' => $entry->undone_at !== null];
    }
}
