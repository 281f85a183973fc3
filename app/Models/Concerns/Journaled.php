<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use App\Journal\Journal;

/** Changes of this record are noted while the journal is open, so that they can be taken back. */
trait Journaled
{
    protected static function bootJournaled(): void
    {
        static::created(static fn (self $record) => app(Journal::class)->track($record->getTable(), (int) $record->getKey(), null, []));
        static::updated(
            static fn (self $record) => app(Journal::class)->track(
                $record->getTable(), (int) $record->getKey(), array_intersect_key($record->getRawOriginal(), $record->getChanges()),
                array_intersect_key($record->getAttributes(), $record->getChanges()),
            ),
        );
        static::deleted(
            static fn (self $record) => app(Journal::class)->track(
                $record->getTable(), (int) $record->getKey(), $record->getRawOriginal(), null,
            ),
        );
    }
}
