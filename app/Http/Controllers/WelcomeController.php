<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Identity;
use App\Access\SignIns;
use App\Access\SignInThrottle;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Resources\SignedInResource;
use App\Models\WelcomeLink;
use App\Support\Transaction;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Log;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Who comes by a link. The link's secret is in what is sent, never in an address that a log could keep. */
final class WelcomeController
{
    public function __construct(private readonly SignInThrottle $throttle)
    {
    }

    #[OA\Post(path: '/api/welcome/look', operationId: 'welcome.look', summary: 'What a link is for',
        requestBody: new Takes(['token' => 'string']),
        responses: [new Answer("{ kind: 'invitation' | 'reset' | 'screen'; name: string; studio: string; email: string | null }")])]
    public function look(Request $request): JsonResponse
    {
        $link = $this->link($request, (string) $request->validate(['token' => 'required|string|max:100'])['token']);

        return response()->json([
            'kind' => $link->kind, 'name' => $link->user->name, 'studio' => $link->user->studio->name,
            'email' => $link->kind === 'screen' ? null : $link->user->email,
        ]);
    }

    /** The link opens once: a password is chosen, or the guest screen is signed in. */
    #[OA\Post(path: '/api/welcome', operationId: 'welcome.store', summary: 'Chooses a password by a link, or opens a guest screen',
        requestBody: new Takes(['token' => 'string', 'password?' => 'string | null']),
        responses: [new Answer('SessionState')])]
    public function store(Request $request): JsonResponse
    {
        $link = $this->link($request, (string) $request->validate(['token' => 'required|string|max:100'])['token']);
        $user = $link->user;
        $isScreen = $link->kind === 'screen';
        $password = $isScreen ? null : (string) $request->validate(
            ['password' => Identity::passwordRules($user->email, $user->studio->name)],
            ['password.min' => 'Use at least 12 letters: a few words that you will remember.'],
        )['password'];
        Transaction::run(function () use ($link, $user, $password): void {
            $now = WelcomeLink::query()->lockForUpdate()->find($link->id);
            if ($now === null || $now->used_at !== null) {
                throw self::over();
            }
            $now->update(['used_at' => now()]);
            if ($password !== null) {
                $user->update(['password' => $password, 'password_at' => now()]);
                SignIns::endAll($user, 'password changed');
            }
        });
        $this->throttle->succeeded(SignInThrottle::identity($user, $user->email), null);
        Log::info('link used', ['user' => $user->id, 'kind' => $link->kind]);
        if ($user->totp_at !== null) {
            return response()->json(['user' => null, 'locked' => false, 'wantsCode' => false]);
        }
        $known = $isScreen ? null : SignIns::remember($request, $user);
        SignIns::begin($request, Auth::guard('web'), $user);
        $answer = response()->json([
            'user' => SignedInResource::of($user, false), 'locked' => false, 'wantsCode' => false,
        ]);

        return $known === null ? $answer : $answer->withCookie($known);
    }

    private function link(Request $request, string $token): WelcomeLink
    {
        $this->throttle->requireLinkAllowance($request);
        $link = WelcomeLink::open($token);
        if ($link === null) {
            $this->throttle->linkFailed($request);
            Log::warning('link refused');
            throw self::over();
        }

        return $link;
    }

    private static function over(): ValidationException
    {
        return ValidationException::withMessages([
            'token' => 'This link is not good any more: it was used, replaced, or is too old. Ask the owner of the studio for another.',
        ]);
    }
}
