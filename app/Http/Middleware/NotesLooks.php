<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Data\Looks;
use App\Models\Fitting;
use App\Models\ImportFile;
use App\Models\Player;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Writes down who opened a person's fitting, and who took data out of it. */
final class NotesLooks
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $user = $request->user();
        $route = $request->route();
        if ($user instanceof User && $request->isMethod('GET') && $response->isSuccessful()) {
            $uri = $route?->uri() ?? '';
            $file = $route?->parameter('file');
            $fitting = $file instanceof ImportFile ? $file->fitting : $route?->parameter('fitting');
            $player = $route?->parameter('player');
            $what = Looks::EXPORTS[$uri] ?? 'looked';
            if ($fitting instanceof Fitting) {
                Looks::note($user, $fitting->player_id, $fitting, $what);
            } elseif ($player instanceof Player) {
                Looks::note($user, $player, null, $what);
            }
        }

        return $response;
    }
}
