<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Controllers\Concerns\NamesUser;
use App\Models\Fitting;
use App\Support\FittingArchive;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** A whole fitting out as an open file, and in again. */
final class FittingFileController
{
    use NamesUser;

    private const MOST_BYTES = 10_000_000;

    public function export(Fitting $fitting): JsonResponse
    {
        $name = Str::slug($fitting->player->name) ?: 'fitting';

        return response()->json(FittingArchive::export($fitting), 200, ['Content-Disposition' => "attachment; filename=\"{$name}-{$fitting->id}.mint.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);
    }

    /** Looks at a fitting file, or adds it as a new fitting when `keep` says so. */
    public function import(Request $request): JsonResponse
    {
        $given = $request->validate(['keep' => ['sometimes', 'boolean']]);
        $upload = $request->file('file');
        if (! $upload instanceof UploadedFile || ! $upload->isValid() || $upload->getSize() > self::MOST_BYTES) {
            throw ValidationException::withMessages(['file' => 'Choose a fitting file, JSON, of up to 10 MB. Nothing was added.']);
        }
        $user = self::user($request);

        return response()->json((new FittingArchive($user))->import((string) $upload->getContent(), (bool) ($given['keep'] ?? false)));
    }
}
