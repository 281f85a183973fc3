<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Bay;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets a monitor in by the token of its bay, in the Authorization header only. A wrong bay and a wrong token look the same. */
final class BayToken
{
    public function handle(Request $request, Closure $next): Response
    {
        $number = $request->route('bay');
        $bay = Bay::query()->whereKey(is_string($number) ? (int) $number : 0)->first();
        $given = hash('sha256', (string) $request->bearerToken());
        if ($bay === null || $bay->token_hash === null || ! hash_equals($bay->token_hash, $given)) {
            return response()->json(['message' => 'This token does not open this bay. Make a new one on the bay screen.'], 401, [
                'WWW-Authenticate' => 'Bearer',
            ]);
        }
        $request->attributes->set('bay', $bay);

        return $next($request);
    }
}
