<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\LogEntry;

/** Who did what when, and whether it can be taken back. */
final class LogEntryResource
{
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
