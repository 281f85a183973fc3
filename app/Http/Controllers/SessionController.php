<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

final class SessionController
{
    #[OA\Get(path: '/api/session', operationId: 'session.show', summary: 'Who is signed in',
        responses: [new Answer('{ user: SignedIn | null }')])]
    public function show(Request $request): JsonResponse
    {
        return response()->json(['user' => $this->describe($request->user())]);
    }

    #[OA\Post(path: '/api/session', operationId: 'session.store', summary: 'Signs in',
        requestBody: new Takes(['email' => 'string', 'password' => 'string']),
        responses: [new Answer('{ user: SignedIn | null }')])]
    public function store(Request $request): JsonResponse
    {
        $given = $request->validate(['email' => 'required|string|max:255', 'password' => 'required|string|max:1000']);
        $user = User::query()->with('studio')->where('email', mb_strtolower($given['email']))->first();
        if ($user?->studio->is_demo === true && ! self::isLoopback($request)) {
            throw ValidationException::withMessages(['email' => 'The demo sign-in works only on the machine that serves it.']);
        }
        if (! Auth::attempt(['email' => mb_strtolower($given['email']), 'password' => $given['password']])) {
            throw ValidationException::withMessages(['email' => 'This e-mail and password do not belong together.']);
        }
        $request->session()->regenerate();

        return response()->json(['user' => $this->describe($request->user())]);
    }

    #[OA\Delete(path: '/api/session', operationId: 'session.destroy', summary: 'Signs out',
        responses: [new Answer('{ user: null }')])]
    public function destroy(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return response()->json(['user' => null]);
    }

    private static function isLoopback(Request $request): bool
    {
        return in_array($request->server('REMOTE_ADDR'), ['127.0.0.1', '::1'], true)
            && in_array($request->getHost(), ['127.0.0.1', 'localhost', '[::1]'], true)
            && ! $request->headers->has('X-Forwarded-For')
            && ! $request->headers->has('Forwarded');
    }

    /** @return array{name: string, studio: string, isDemo: bool, takesSimulated: bool}|null */
    private function describe(?User $user): ?array
    {
        return $user === null
            ? null
            : [
                'name' => $user->name, 'studio' => $user->studio->name, 'isDemo' => $user->studio->is_demo,
                'takesSimulated' => $user->studio->takesSimulated(),
            ];
    }
}
