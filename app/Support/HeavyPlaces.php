<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Places for requests that judge: so many at once of one person, so many of all, and each for so long. Who comes too many is answered at
 * once and told when to ask again; the others' screens and the monitors go on.
 */
final class HeavyPlaces
{
    public function __construct(private readonly Slots $slots)
    {
    }

    /** @param  Closure(Request): Response  $do */
    public function within(Request $request, Closure $do): Response
    {
        $limits = (array) config('mintcarry.judging');
        $user = $request->user();
        $who = is_object($user) && isset($user->id) ? "person-{$user->id}" : 'nobody';
        $own = $this->slots->take($who, (int) $limits['of_person']);
        $one = $own === null ? null : $this->slots->take('all', (int) $limits['of_all']);
        if ($own === null || $one === null) {
            Metrics::count('busy');

            return response()->json(
                ['message' => 'The studio’s server is busy judging; this comes in a moment by itself. Nothing was changed.'], 429,
                // Nothing was done: whoever sees this sign sends the same again by itself.
                ['Retry-After' => '1', 'X-Busy' => 'judging'],
            );
        }
        try {
            set_time_limit((int) $limits['seconds']);

            return $do($request);
        } finally {
            set_time_limit(0);
            $this->slots->free($one);
            $this->slots->free($own);
        }
    }
}
