<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Controllers\Concerns\NamesUser;
use App\Support\RackFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

final class RackFileController
{
    use NamesUser;

    private const MOST_BYTES = 2_000_000;

    public function json(Request $request): JsonResponse
    {
        return response()->json(self::file($request)->export(), 200, ['Content-Disposition' => 'attachment; filename="rack.json"'], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
    }

    public function csv(Request $request): Response
    {
        $out = fopen('php://temp', 'w+') ?: throw new \RuntimeException('No memory for a table.');
        foreach (self::file($request)->table() as $row) {
            fputcsv($out, $row, ',', '"', '');
        }
        rewind($out);

        return response((string) stream_get_contents($out), 200, ['Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => 'attachment; filename="rack.csv"']);
    }

    /** Looks at a rack file, or adds what is new in it when `keep` says so. */
    public function import(Request $request): JsonResponse
    {
        $given = $request->validate(['keep' => ['sometimes', 'boolean']]);
        $upload = $request->file('file');
        if (! $upload instanceof UploadedFile || ! $upload->isValid() || $upload->getSize() > self::MOST_BYTES) {
            throw ValidationException::withMessages(['file' => 'Choose a rack file, JSON or CSV, of up to 2 MB. Nothing was added.']);
        }

        return response()->json(self::file($request)->import((string) $upload->getContent(), (bool) ($given['keep'] ?? false)));
    }

    private static function file(Request $request): RackFile
    {
        $user = self::user($request);

        return new RackFile($user);
    }
}
