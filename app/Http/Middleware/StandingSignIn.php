<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Access\Role;
use App\Access\SignIns;
use App\Models\SignIn;
use App\Models\User;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * A session counts only with a sign-in that stands: not ended from elsewhere, not past its time, not of somebody who was removed. One
 * that nobody touched for a while is locked, and opens only what its person's role may open.
 */
final class StandingSignIn
{
    private const WHILE_LOCKED = ['api/session', 'api/session/unlock'];

    private const WITHOUT_SECOND_FACTOR = ['api/session', 'api/account', 'api/session/lock', 'api/session/unlock'];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        $route = $request->route();
        $signIn = self::of($request);
        if (! $user instanceof User || ! $route instanceof Route || $signIn === null) {
            throw new AuthenticationException;
        }
        if (self::isLocked($signIn, $user) && ! in_array($route->uri(), self::WHILE_LOCKED, true)) {
            return response()->json(
                ['message' => 'This screen was left alone and is locked. Your password opens it; what you typed is still there.'], 423,
            );
        }
        if (! $user->role->mayTake($route, $request->method())) {
            return response()->json(['message' => "This is not for {$user->role->words()}. Nothing was changed."], 403);
        }
        if (self::wantsSecondFactor($user) && ! self::isBeneath($route->uri(), self::WITHOUT_SECOND_FACTOR)) {
            return response()->json(['message' => 'Your studio asks for a second factor: set it up under Account first.'], 403);
        }
        SignIns::seen($signIn);

        return $next($request);
    }

    /** The sign-in that this session stands on; null where it stands on none, and then the session is over. */
    public static function of(Request $request): ?SignIn
    {
        $user = $request->user();
        $signIn = SignIns::of($request);
        if ($user instanceof User && $user->removed_at === null && $signIn?->user_id === $user->id && $signIn->stands()) {
            return $signIn;
        }
        if ($user !== null) {
            Auth::guard('web')->logout();
            $request->session()->invalidate();
        }

        return null;
    }

    public static function isLocked(SignIn $signIn, User $user): bool
    {
        $idle = $user->role !== Role::Guest && $signIn->seen_at->diffInMinutes(now(), true) >= $user->studio->lock_minutes;

        return $signIn->locked_at !== null || $idle;
    }

    public static function wantsSecondFactor(User $user): bool
    {
        return $user->studio->wants_second_factor && $user->totp_at === null && $user->role !== Role::Guest;
    }

    /** @param  list<string>  $all */
    private static function isBeneath(string $uri, array $all): bool
    {
        return array_filter($all, static fn (string $one): bool => $uri === $one || str_starts_with($uri, $one.'/')) !== [];
    }
}
