<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\LogEntry;
use Illuminate\Support\Collection;

/** Who did what when, and whether it can be taken back. */
final class LogEntryResource
{
    /**
     * @param  Collection<int, LogEntry>  $entries
     * @param  array<int, bool>  $undoable  by entry
     * @return list<array<string, mixed>>
     */
    public static function all(Collection $entries, array $undoable): array
    {
        return array_values($entries->map(static fn (LogEntry $e): array => self::of($e, $undoable[$e->id]))->all());
    }

    /** @return array<string, mixed> */
    public static function of(LogEntry $entry, bool $isUndoable): array
    {
        return [
            'id' => $entry->id,
            'words' => $entry->words,
            'by' => $entry->by(),
            'at' => $entry->created_at->toIso8601String(),
            'undoable' => $isUndoable,
            'undone' => $entry->undone_at !== null,
        ];
    }
}
