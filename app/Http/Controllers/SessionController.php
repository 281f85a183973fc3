<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Identity;
use App\Access\OwnPassword;
use App\Access\SecondFactor;
use App\Access\SignIns;
use App\Access\SignInThrottle;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Middleware\StandingSignIn;
use App\Http\Resources\SignedInResource;
use App\Models\SignIn;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Log;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Coming in, in one step or two; leaving; and the lock of a screen that was left alone. */
final class SessionController
{
    use NamesUser;

    private const HALF = 'half_signed_in';

    private const HALF_LASTS_S = 300;

    public function __construct(private readonly SignInThrottle $throttle)
    {
    }

    #[OA\Get(path: '/api/session', operationId: 'session.show', summary: 'Who is signed in',
        responses: [new Answer('SessionState')])]
    public function show(Request $request): JsonResponse
    {
        $signIn = StandingSignIn::of($request);

        return self::state($signIn === null ? null : self::user($request), $signIn);
    }

    #[OA\Post(path: '/api/session', operationId: 'session.store', summary: 'Signs in, or asks for the second factor',
        requestBody: new Takes(['email' => 'string', 'password' => 'string']),
        responses: [new Answer('SessionState')])]
    public function store(Request $request): JsonResponse
    {
        $given = $request->validate(['email' => 'required|string|max:255', 'password' => 'required|string|max:1000']);
        $email = Identity::email($given['email']);
        $user = User::query()->with('studio')->where('email', $email)->whereNull('removed_at')->first();
        $device = SignIns::device($request, $user);
        $identity = SignInThrottle::identity($user, $email);
        $this->throttle->requireAllowance($request, $identity, $device);
        // Somebody who is not known takes as long as somebody who is.
        if (! Hash::check($given['password'], $user->password ?? self::nobody()) || $user === null) {
            $this->throttle->failed($request, $identity, $device);
            Log::warning('sign-in refused', ['user' => $user?->id, 'why' => 'password']);
            throw ValidationException::withMessages(['email' => 'This e-mail and password do not belong together.']);
        }
        if ($user->studio->is_demo && ! (config('mintcarry.demo') === true && self::isLoopback($request))) {
            throw ValidationException::withMessages(['email' => 'The demo sign-in works only on the machine that serves it.']);
        }
        if ($user->totp_at !== null) {
            $request->session()->invalidate();
            $request->session()->regenerateToken();
            $request->session()->put(self::HALF, ['user' => $user->id, 'at' => now()->getTimestamp()]);

            return response()->json(['user' => null, 'locked' => false, 'wantsCode' => true]);
        }

        return $this->enter($request, $user, $identity);
    }

    #[OA\Post(path: '/api/session/code', operationId: 'session.code', summary: 'Signs in with the second factor',
        requestBody: new Takes(['code' => 'string']),
        responses: [new Answer('SessionState')])]
    public function code(Request $request): JsonResponse
    {
        $given = $request->validate(['code' => 'required|string|max:40']);
        $half = $request->session()->get(self::HALF);
        $isFresh = is_array($half) && now()->getTimestamp() - (int) $half['at'] < self::HALF_LASTS_S;
        $user = $isFresh ? User::query()->with('studio')->whereNull('removed_at')->find((int) $half['user']) : null;
        if ($user === null) {
            throw ValidationException::withMessages(['code' => 'It took too long. Begin again with e-mail and password.']);
        }
        $identity = "code of {$user->id}";
        $device = SignIns::device($request, $user);
        $this->throttle->requireAllowance($request, $identity, $device);
        if (! SecondFactor::accepts($user, $given['code'])) {
            $this->throttle->failed($request, $identity, $device);
            Log::warning('sign-in refused', ['user' => $user->id, 'why' => 'code']);
            throw ValidationException::withMessages(['code' => 'This code does not fit. Take the newest from your authenticator.']);
        }
        $this->throttle->succeeded($identity, $device);

        return $this->enter($request, $user, SignInThrottle::identity($user, $user->email));
    }

    #[OA\Post(path: '/api/session/lock', operationId: 'session.lock', summary: 'Locks this screen until the password is given',
        responses: [new Answer('SessionState')])]
    public function lock(Request $request): JsonResponse
    {
        $signIn = SignIns::of($request);
        $signIn?->update(['locked_at' => now()]);

        return self::state(self::user($request), $signIn);
    }

    #[OA\Post(path: '/api/session/unlock', operationId: 'session.unlock', summary: 'Opens a locked screen with the password',
        requestBody: new Takes(['password' => 'string']),
        responses: [new Answer('SessionState')])]
    public function unlock(Request $request, OwnPassword $password): JsonResponse
    {
        $given = $request->validate(['password' => 'required|string|max:1000']);
        $user = self::user($request);
        $password->require($request, $user, $given['password'], 'password');
        $signIn = SignIns::of($request);
        $signIn?->update(['locked_at' => null, 'seen_at' => now()]);

        return self::state($user, $signIn);
    }

    #[OA\Delete(path: '/api/session', operationId: 'session.destroy', summary: 'Signs out',
        responses: [new Answer('SessionState')])]
    public function destroy(Request $request): JsonResponse
    {
        SignIns::of($request)?->update(['ended_at' => now(), 'ended_why' => 'signed out']);
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return self::state(null, null);
    }

    private function enter(Request $request, User $user, string $identity): JsonResponse
    {
        $device = SignIns::device($request, $user);
        $this->throttle->succeeded($identity, $device);
        $known = SignIns::remember($request, $user);
        $signIn = SignIns::begin($request, Auth::guard('web'), $user);
        Log::info('signed in', ['user' => $user->id, 'sign_in' => $signIn->id, 'device' => $device === null ? 'new' : 'known']);

        return self::state($user, $signIn)->withCookie($known);
    }

    private static function state(?User $user, ?SignIn $signIn): JsonResponse
    {
        return response()->json([
            'user' => $user === null ? null : SignedInResource::of($user, StandingSignIn::wantsSecondFactor($user)),
            'locked' => $user !== null && $signIn !== null && StandingSignIn::isLocked($signIn, $user), 'wantsCode' => false,
        ]);
    }

    /** A hash that nothing fits, as costly as a real one. */
    private static function nobody(): string
    {
        static $hash = null;

        return $hash ??= Hash::make(bin2hex(random_bytes(16)));
    }

    private static function isLoopback(Request $request): bool
    {
        return in_array($request->server('REMOTE_ADDR'), ['127.0.0.1', '::1'], true)
            && in_array($request->getHost(), ['127.0.0.1', 'localhost', '[::1]'], true)
            && ! $request->headers->has('X-Forwarded-For')
            && ! $request->headers->has('Forwarded');
    }
}
