<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;

/**
 * Whether the application can be used: 200 with its version where the database answers, else the error is logged and this is a
 * 500. No session, no sign-in.
 */
final class UpController
{
    public function __invoke(): JsonResponse
    {
        DB::select('select 1');

        return response()->json(['up' => true, 'version' => config('mintcarry.version')]);
    }
}
