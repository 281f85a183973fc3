<?php

declare(strict_types=1);

namespace App\Http\Controllers\Concerns;

use Illuminate\Http\Exceptions\HttpResponseException;

/** A note that two screens may write: each says what stood there when it was opened. */
trait KeepsNote
{
    private const NOTE = [
        'note' => ['sometimes', 'nullable', 'string', 'max:500'], 'was' => ['present_with:note', 'nullable', 'string', 'max:500'],
    ];

    /**
     * @param  string|null  $stands  on record
     * @param  array<string, mixed>  $given  note and was
     *
     * @throws HttpResponseException 409 with what stands, where somebody else changed it meanwhile
     */
    private static function requireSeen(?string $stands, array $given): void
    {
        if (! in_array((string) $stands, [(string) $given['was'], (string) $given['note']], true)) {
            throw new HttpResponseException(
                response()->json(
                    [
                        'message' => 'This note was changed on another screen meanwhile. Both are shown; save the one that shall stand.',
                        'current' => $stands,
                    ],
                    409,
                ),
            );
        }
    }
}
