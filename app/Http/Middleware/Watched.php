<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Support\Metrics;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Log;
use Symfony\Component\HttpFoundation\Response;

/** Gives each request an id, which its answer and every line of the log carry; counts it; and logs what was refused. */
final class Watched
{
    private const REFUSALS = [401, 403, 404, 409, 413, 419, 421, 423, 429, 503];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $id = bin2hex(random_bytes(8));
        Log::shareContext(['request' => $id]);
        $began = microtime(true);
        $response = $next($request);
        $seconds = microtime(true) - $began;
        $response->headers->set('X-Request-Id', $id);
        $status = $response->getStatusCode();
        $kind = $request->is('api/bays/*/shots') ? 'feed' : 'screen';
        Metrics::count("requests {$kind} {$status}");
        Metrics::took($kind, $seconds);
        if (in_array($status, self::REFUSALS, true)) {
            // The route and never the address: what somebody searched for is their own affair.
            $user = Auth::hasUser() ? Auth::user() : null;
            Log::notice('refused', [
                'status' => $status, 'method' => $request->method(), 'route' => $request->route()?->uri() ?? 'none',
                'user' => $user?->getAuthIdentifier(), 'from' => $request->ip(),
            ]);
        }

        return $response;
    }
}
