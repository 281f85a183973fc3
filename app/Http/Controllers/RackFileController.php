<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Exchange\RackExporter;
use App\Exchange\RackImporter;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Controllers\Concerns\TakesFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

final class RackFileController
{
    use NamesUser, TakesFile;

    #[OA\Get(path: '/api/rack.json', operationId: 'rackFile.json', summary: 'The rack as an open file (docs/schemas/rack.schema.json)',
        responses: [new Answer('Record<string, unknown>')])]
    public function json(Request $request): JsonResponse
    {
        return response()->json(
            (new RackExporter(self::user($request)->studio))->export(), 200,
            ['Content-Disposition' => 'attachment; filename="rack.json"'],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    #[OA\Get(path: '/api/rack.csv', operationId: 'rackFile.csv', summary: 'What of the rack fits into a table',
        responses: [new Answer('text/csv')])]
    public function csv(Request $request): Response
    {
        $out = fopen('php://temp', 'w+') ?: throw new \RuntimeException('No memory for a table.');
        foreach ((new RackExporter(self::user($request)->studio))->table() as $row) {
            fputcsv($out, $row, ',', '"', '');
        }
        rewind($out);

        return response((string) stream_get_contents($out), 200, [
            'Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => 'attachment; filename="rack.csv"',
        ]);
    }

    /** Looks at a rack file, or adds what is new in it when `keep` says so. */
    #[OA\Post(path: '/api/rack/import', operationId: 'rackFile.import', summary: 'Looks at a rack file, or adds what is new in it',
        requestBody: new Takes(['file' => 'string', 'keep?' => 'boolean | string'], isForm: true),
        responses: [new Answer('{ added: string[]; there: string[]; leftOut: string[] }')])]
    public function import(Request $request): JsonResponse
    {
        [$bytes, $keep] = self::file($request, 'a rack file, JSON or CSV', 2);

        return response()->json((new RackImporter(self::user($request)))->import($bytes, $keep));
    }
}
