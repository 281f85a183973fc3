<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Exchange\FittingExporter;
use App\Exchange\FittingImporter;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Controllers\Concerns\TakesFile;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use OpenApi\Attributes as OA;

/** A whole fitting out as an open file, and in again. */
final class FittingFileController
{
    use NamesUser, TakesFile;

    #[
        OA\Get(
            path: '/api/fittings/{fitting}/file', operationId: 'fittingFile.export',
            summary: 'A fitting as an open file (docs/schemas/fitting.schema.json)',
            responses: [new Answer('Record<string, unknown>')],
        ),
    ]
    public function export(Fitting $fitting): JsonResponse
    {
        $name = Str::slug($fitting->player->name) ?: 'fitting';

        return response()->json(
            FittingExporter::export($fitting), 200,
            ['Content-Disposition' => "attachment; filename=\"{$name}-{$fitting->id}.mint.json\""],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /** Looks at a fitting file, or adds it as a new fitting when `keep` says so. */
    #[
        OA\Post(
            path: '/api/fittings/import', operationId: 'fittingFile.import',
            summary: 'Looks at a fitting file, or adds it as a new fitting',
            requestBody: new Takes(['file' => 'string', 'keep?' => 'boolean | string'], isForm: true),
            responses: [
                new Answer(
                    '{ player: string; hand: Hand; setups: string[]; shots: integer; decisions: integer; rack: { added: '
                        .'string[]; there: string[] }; fittingId: integer | null }',
                ),
            ],
        ),
    ]
    public function import(Request $request): JsonResponse
    {
        [$bytes, $keep] = self::file($request, 'a fitting file, JSON', 10);

        return response()->json((new FittingImporter(self::user($request)))->import($bytes, $keep));
    }
}
