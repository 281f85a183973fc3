<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Takes no shots while the disk is nearly full: better a plain refusal, which a monitor answers by sending again, than a database
 * that stops in the middle.
 */
final class RoomToWrite
{
    public function handle(Request $request, Closure $next): Response
    {
        $free = @disk_free_space(base_path('var'));
        if ($free !== false && $free < (float) config('mintcarry.least_free_mb') * 1e6) {
            return response()->json(
                [
                    'message' => sprintf(
                        'The disk of the studio’s server is nearly full (%.0f MB left). Nothing was taken; everything that '
                            .'was acknowledged is safe. Make room, and send it again.',
                        $free / 1e6,
                    ),
                ],
                503, ['Retry-After' => '30'],
            );
        }

        return $next($request);
    }
}
