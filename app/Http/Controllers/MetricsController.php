<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Support\Health;
use App\Support\MetricsText;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What a watcher reads: the Prometheus text format, version 0.0.4, for this machine or whoever has the token. */
final class MetricsController
{
    public function __invoke(Request $request, Health $health): Response
    {
        $token = config('mintcarry.metrics_token');
        $mayBeToken = is_string($token) && hash_equals(hash('sha256', $token), hash('sha256', (string) $request->bearerToken()));
        $isHere = config('mintcarry.served') !== true && in_array($request->ip(), ['127.0.0.1', '::1'], true);
        abort_unless($mayBeToken || $isHere, 404);

        return response(MetricsText::of($health), 200, ['Content-Type' => 'text/plain; version=0.0.4; charset=utf-8']);
    }
}
