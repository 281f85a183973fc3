<?php

declare(strict_types=1);

namespace App\Http\Controllers\Concerns;

use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** A file that is looked at first, and taken when `keep` says so. */
trait TakesFile
{
    /**
     * @param  string  $what  what may be chosen: "a rack file, JSON or CSV"
     * @return array{string, bool} its bytes, and whether to keep it
     *
     * @throws ValidationException where there is none, or it is too large
     */
    private static function file(Request $request, string $what, int $mostMegabytes): array
    {
        $given = $request->validate(['keep' => ['sometimes', 'boolean']]);
        $upload = $request->file('file');
        if (! $upload instanceof UploadedFile || ! $upload->isValid() || $upload->getSize() > $mostMegabytes * 1_000_000) {
            throw ValidationException::withMessages(['file' => "Choose {$what}, of up to {$mostMegabytes} MB. Nothing was added."]);
        }

        return [(string) $upload->getContent(), (bool) ($given['keep'] ?? false)];
    }
}
