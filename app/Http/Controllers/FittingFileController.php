<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exchange\FittingArchive;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Controllers\Concerns\TakesFile;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** A whole fitting out as an open file, and in again. */
final class FittingFileController
{
    use NamesUser, TakesFile;

    public function export(Fitting $fitting): JsonResponse
    {
        $name = Str::slug($fitting->player->name) ?: 'fitting';

        return response()->json(FittingArchive::export($fitting), 200, ['Content-Disposition' => "attachment; filename=\"{$name}-{$fitting->id}.mint.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);
    }

    /** Looks at a fitting file, or adds it as a new fitting when `keep` says so. */
    public function import(Request $request): JsonResponse
    {
        [$bytes, $keep] = self::file($request, 'a fitting file, JSON', 10);

        return response()->json((new FittingArchive(self::user($request)))->import($bytes, $keep));
    }
}
