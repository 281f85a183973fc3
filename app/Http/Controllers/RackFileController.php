<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exchange\RackFile;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Controllers\Concerns\TakesFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class RackFileController
{
    use NamesUser, TakesFile;

    public function json(Request $request): JsonResponse
    {
        return response()->json(self::rack($request)->export(), 200, ['Content-Disposition' => 'attachment; filename="rack.json"'], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
    }

    public function csv(Request $request): Response
    {
        $out = fopen('php://temp', 'w+') ?: throw new \RuntimeException('No memory for a table.');
        foreach (self::rack($request)->table() as $row) {
            fputcsv($out, $row, ',', '"', '');
        }
        rewind($out);

        return response((string) stream_get_contents($out), 200, ['Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => 'attachment; filename="rack.csv"']);
    }

    /** Looks at a rack file, or adds what is new in it when `keep` says so. */
    public function import(Request $request): JsonResponse
    {
        [$bytes, $keep] = self::file($request, 'a rack file, JSON or CSV', 2);

        return response()->json(self::rack($request)->import($bytes, $keep));
    }

    private static function rack(Request $request): RackFile
    {
        $user = self::user($request);

        return new RackFile($user);
    }
}
