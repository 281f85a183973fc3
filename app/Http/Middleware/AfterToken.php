<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Routing\Middleware\ThrottleRequests;

/** A limit that is counted once it is known which bay posts. The framework puts its own before everything else. */
final class AfterToken extends ThrottleRequests
{
}
