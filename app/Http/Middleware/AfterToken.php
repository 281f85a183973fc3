<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Bay;
use Closure;
use Illuminate\Cache\RateLimiter;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** So many posts a minute for one bay, counted once its token has been seen: one counter, however its address is spelt. */
final class AfterToken
{
    public function __construct(private readonly RateLimiter $limiter)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $bay = $request->attributes->get('bay');
        $key = 'bay|'.($bay instanceof Bay ? $bay->id : throw new \LogicException('The bay is not known yet.'));
        if ($this->limiter->tooManyAttempts($key, (int) config('mintcarry.bay_posts_per_minute'))) {
            return response()->json(['message' => 'Too many posts of this bay. Send again in a moment.'], 429, [
                'Retry-After' => (string) $this->limiter->availableIn($key),
            ]);
        }
        $this->limiter->hit($key);

        return $next($request);
    }
}
