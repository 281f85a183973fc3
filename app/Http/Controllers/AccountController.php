<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Identity;
use App\Access\OwnPassword;
use App\Access\SecondFactor;
use App\Access\SignIns;
use App\Access\Totp;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\NamesUser;
use App\Models\SignIn;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** One's own sign-in: password, second factor, and where it is open. */
final class AccountController
{
    use NamesUser;

    private const PENDING = 'pending_totp';

    public function __construct(private readonly OwnPassword $password)
    {
    }

    #[OA\Get(path: '/api/account', operationId: 'account.show', summary: 'One’s own sign-in, and where it is open',
        responses: [new Answer('Account')])]
    public function show(Request $request): JsonResponse
    {
        $user = self::user($request);
        $mine = SignIns::of($request);

        return response()->json([
            'name' => $user->name, 'email' => $user->email, 'role' => $user->role->value,
            'passwordAt' => $user->password_at?->toIso8601String(), 'secondFactorAt' => $user->totp_at?->toIso8601String(),
            'recoveryCodesLeft' => count($user->recovery_codes ?? []),
            'signIns' => SignIn::query()->where('user_id', $user->id)->whereNull('ended_at')->where('ends_at', '>', now())
                ->orderByDesc('seen_at')->limit(50)->get()->map(fn (SignIn $s): array => [
                    'id' => $s->id, 'device' => $s->device, 'from' => $s->from, 'at' => $s->created_at->toIso8601String(),
                    'seenAt' => $s->seen_at->toIso8601String(), 'isThis' => $s->id === $mine?->id,
                ])->all(),
        ]);
    }

    /** A new password ends every other session of this person. */
    #[OA\Put(path: '/api/account/password', operationId: 'account.password', summary: 'Changes one’s password',
        requestBody: new Takes(['current' => 'string', 'password' => 'string']),
        responses: [new Answer('{ ended: integer }')])]
    public function password(Request $request): JsonResponse
    {
        $user = self::user($request);
        $given = $request->validate([
            'current' => 'required|string|max:1000', 'password' => Identity::passwordRules($user->email, $user->studio->name),
        ], ['password.min' => 'Use at least 12 letters: a few words that you will remember.']);
        $this->password->require($request, $user, $given['current'], 'current');
        $user->update(['password' => $given['password'], 'password_at' => now()]);
        Log::info('password changed', ['user' => $user->id]);

        return response()->json(['ended' => SignIns::endAll($user, 'password changed', SignIns::of($request))]);
    }

    /** A secret for the authenticator. It is in force only when a code of it was given. */
    #[OA\Post(path: '/api/account/second-factor', operationId: 'account.begin', summary: 'Begins a second factor',
        requestBody: new Takes(['current' => 'string']),
        responses: [new Answer('{ secret: string; address: string }', 201)])]
    public function begin(Request $request): JsonResponse
    {
        $given = $request->validate(['current' => 'required|string|max:1000']);
        $user = self::user($request);
        $this->password->require($request, $user, $given['current'], 'current');
        $secret = Totp::newSecret();
        $request->session()->put(self::PENDING, encrypt($secret));

        return response()->json(['secret' => $secret, 'address' => Totp::address($secret, $user->email)], 201);
    }

    #[OA\Put(path: '/api/account/second-factor', operationId: 'account.confirm', summary: 'Puts the second factor in force',
        requestBody: new Takes(['code' => 'string']),
        responses: [new Answer('{ recoveryCodes: string[] }')])]
    public function confirm(Request $request): JsonResponse
    {
        $given = $request->validate(['code' => 'required|string|max:12']);
        $user = self::user($request);
        $pending = $request->session()->get(self::PENDING);
        $secret = is_string($pending) ? decrypt($pending) : '';
        $step = $secret === '' ? null : Totp::stepOf($secret, $given['code'], now()->getTimestamp(), 0);
        if ($step === null) {
            throw ValidationException::withMessages(['code' => $secret === ''
                ? 'Begin again: the picture that this code belongs to is no longer there.'
                : 'This code does not fit. Is the clock of your phone right?']);
        }
        $user->update(['totp_secret' => $secret, 'totp_at' => now(), 'totp_step' => $step]);
        $request->session()->forget(self::PENDING);
        Log::info('second factor in force', ['user' => $user->id]);

        return response()->json(['recoveryCodes' => SecondFactor::newRecoveryCodes($user)]);
    }

    #[OA\Delete(path: '/api/account/second-factor', operationId: 'account.drop', summary: 'Takes the second factor away',
        requestBody: new Takes(['current' => 'string']),
        responses: [new Answer('{ secondFactorAt: null }')])]
    public function drop(Request $request): JsonResponse
    {
        $given = $request->validate(['current' => 'required|string|max:1000']);
        $user = self::user($request);
        $this->password->require($request, $user, $given['current'], 'current');
        $user->update(SecondFactor::NONE);
        Log::info('second factor taken away', ['user' => $user->id, 'by' => $user->id]);

        return response()->json(['secondFactorAt' => null]);
    }

    #[OA\Post(path: '/api/account/recovery-codes', operationId: 'account.recovery', summary: 'Ten new recovery codes, shown once',
        requestBody: new Takes(['current' => 'string']),
        responses: [new Answer('{ recoveryCodes: string[] }', 201)])]
    public function recovery(Request $request): JsonResponse
    {
        $given = $request->validate(['current' => 'required|string|max:1000']);
        $user = self::user($request);
        $this->password->require($request, $user, $given['current'], 'current');
        if ($user->totp_at === null) {
            throw ValidationException::withMessages(['current' => 'Recovery codes stand in for a second factor; there is none yet.']);
        }

        return response()->json(['recoveryCodes' => SecondFactor::newRecoveryCodes($user)], 201);
    }

    #[OA\Delete(path: '/api/account/sign-ins/{signIn}', operationId: 'account.end', summary: 'Ends one of one’s own sessions',
        responses: [new Answer('{ ended: integer }')])]
    public function end(SignIn $signIn): JsonResponse
    {
        $signIn->update(['ended_at' => now(), 'ended_why' => 'ended from another screen']);

        return response()->json(['ended' => 1]);
    }

    #[OA\Delete(path: '/api/account/sign-ins', operationId: 'account.endAll', summary: 'Ends all of one’s other sessions',
        responses: [new Answer('{ ended: integer }')])]
    public function endAll(Request $request): JsonResponse
    {
        return response()->json([
            'ended' => SignIns::endAll(self::user($request), 'ended from another screen', SignIns::of($request)),
        ]);
    }
}
