<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Support\HeavyPlaces;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** For what judges in the request itself. */
final class Heavy
{
    public function __construct(private readonly HeavyPlaces $places)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        return $this->places->within($request, $next);
    }
}
