<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Identity;
use App\Access\LinkMail;
use App\Access\Role;
use App\Access\SecondFactor;
use App\Access\SignIns;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Http\Controllers\Concerns\NamesUser;
use App\Models\Bay;
use App\Models\SignIn;
use App\Models\User;
use App\Models\WelcomeLink;
use App\Support\Transaction;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Who works in the studio and as what, by its owner. What somebody did stays under their name when they are removed. */
final class PeopleController
{
    use NamesUser;

    #[OA\Get(path: '/api/people', operationId: 'people.index', summary: 'Who signs in to this studio', responses: [new Answer('Person[]')])]
    public function index(Request $request): JsonResponse
    {
        $studio = self::user($request)->studio_id;
        $seen = SignIn::query()->join('users', 'users.id', '=', 'sign_ins.user_id')->where('users.studio_id', $studio)
            ->groupBy('user_id')->selectRaw(
                'user_id, MAX(seen_at) AS last, SUM(ended_at IS NULL AND ends_at > ?) AS open', [now()],
            )->toBase()->get()->keyBy('user_id');

        return response()->json(
            User::query()->where('studio_id', $studio)->orderByRaw('removed_at IS NOT NULL')->orderBy('name')->orderBy('id')->get()
                ->map(fn (User $u): array => self::describe($u, $seen[$u->id] ?? null))->all(),
        );
    }

    /** Somebody new, with a link that is shown once: whoever opens it chooses a password, or it opens a guest screen. */
    #[OA\Post(path: '/api/people', operationId: 'people.store', summary: 'Invites somebody, or makes a guest screen of a bay',
        requestBody: new Takes(['name' => 'string', 'role' => 'Role', 'email?' => 'string | null', 'bayId?' => 'integer | null']),
        responses: [new Answer('LinkShown', 201)])]
    public function store(Request $request): JsonResponse
    {
        $owner = self::user($request);
        $isScreen = $request->input('role') === Role::Guest->value;
        $given = $request->validate([
            'name' => ['required', 'string', 'max:80'], 'role' => ['required', Rule::enum(Role::class)],
            'email' => $isScreen ? ['nullable'] : ['required', 'string', 'email:strict', 'max:254'],
            'bayId' => [$isScreen ? 'required' : 'nullable', 'integer', Rule::exists('bays', 'id')->where('studio_id', $owner->studio_id)],
        ], ['bayId.required' => 'Say which bay this screen shows.']);
        $email = $isScreen ? Str::uuid().'@screen.invalid' : Identity::email($given['email']);
        $person = Transaction::run(function () use ($owner, $given, $email, $isScreen): User {
            $there = User::query()->lockForUpdate()->where('email', $email)->first();
            if ($there !== null && ($there->studio_id !== $owner->studio_id || $there->removed_at === null)) {
                throw ValidationException::withMessages(['email' => 'This address has a sign-in already.']);
            }
            $person = $there ?? new User(['studio_id' => $owner->studio_id, 'email' => $email]);
            $person->fill([
                'name' => trim($given['name']), 'role' => $given['role'], 'bay_id' => $isScreen ? $given['bayId'] : null,
                'password' => Str::random(60), 'password_at' => null, 'removed_at' => null,
            ])->save();

            return $person;
        });
        Log::info('person added', ['user' => $person->id, 'by' => $owner->id, 'role' => $person->role->value]);

        return $this->link($person, $owner, $isScreen ? 'screen' : 'invitation');
    }

    #[OA\Patch(path: '/api/people/{person}', operationId: 'people.update', summary: 'Changes what somebody is in the studio',
        requestBody: new Takes(['role?' => 'Role', 'name?' => 'string']),
        responses: [new Answer('Person')])]
    public function update(Request $request, User $person): JsonResponse
    {
        $given = $request->validate([
            'role' => ['sometimes', Rule::enum(Role::class)->except([Role::Guest])], 'name' => ['sometimes', 'required', 'string', 'max:80'],
        ]);
        if ($person->role === Role::Guest && isset($given['role'])) {
            throw ValidationException::withMessages(['role' => 'A guest screen stays one: remove it, and invite somebody instead.']);
        }
        Transaction::run(function () use ($person, $given): void {
            self::requireAnotherOwner($person, isset($given['role']) && $given['role'] !== Role::Owner->value);
            $person->update($given);
        });
        Log::info('person changed', ['user' => $person->id, 'by' => self::user($request)->id, 'role' => $person->role->value]);

        return response()->json(self::describe($person, null));
    }

    /** Nobody else comes in by that name any more; what they did keeps it. */
    #[OA\Delete(path: '/api/people/{person}', operationId: 'people.destroy', summary: 'Removes somebody; what they did stays',
        responses: [new Answer('{ ended: integer }')])]
    public function destroy(Request $request, User $person): JsonResponse
    {
        $ended = Transaction::run(function () use ($person): int {
            self::requireAnotherOwner($person, true);
            $person->update(['removed_at' => now(), 'password' => Str::random(60)] + SecondFactor::NONE);
            WelcomeLink::query()->where('user_id', $person->id)->delete();

            return SignIns::endAll($person, 'removed');
        });
        Log::info('person removed', ['user' => $person->id, 'by' => self::user($request)->id]);

        return response()->json(['ended' => $ended]);
    }

    #[OA\Post(path: '/api/people/{person}/link', operationId: 'people.link', summary: 'A new link for somebody; those before open nothing',
        responses: [new Answer('LinkShown', 201)])]
    public function relink(Request $request, User $person): JsonResponse
    {
        abort_if($person->removed_at !== null, 404);
        $kind = match (true) {
            $person->role === Role::Guest => 'screen',
            $person->password_at === null => 'invitation',
            default => 'reset',
        };

        return $this->link($person, self::user($request), $kind);
    }

    #[OA\Delete(path: '/api/people/{person}/sign-ins', operationId: 'people.end', summary: 'Ends every session of somebody',
        responses: [new Answer('{ ended: integer }')])]
    public function end(Request $request, User $person): JsonResponse
    {
        Log::info('sessions ended', ['user' => $person->id, 'by' => self::user($request)->id]);

        return response()->json(['ended' => SignIns::endAll($person, 'ended by an owner', SignIns::of($request))]);
    }

    #[OA\Delete(path: '/api/people/{person}/second-factor', operationId: 'people.dropFactor',
        summary: 'Takes somebody’s second factor away, who lost it', responses: [new Answer('{ secondFactorAt: null }')])]
    public function dropFactor(Request $request, User $person): JsonResponse
    {
        $person->update(SecondFactor::NONE);
        SignIns::endAll($person, 'second factor taken away');
        Log::info('second factor taken away', ['user' => $person->id, 'by' => self::user($request)->id]);

        return response()->json(['secondFactorAt' => null]);
    }

    private function link(User $person, User $by, string $kind): JsonResponse
    {
        $path = '/#/welcome/'.WelcomeLink::renew($person, $by, $kind);
        Log::info('link made', ['user' => $person->id, 'by' => $by->id, 'kind' => $kind]);

        return response()->json([
            'person' => self::describe($person->refresh(), null), 'path' => $path, 'hours' => WelcomeLink::HOURS[$kind],
            'mailed' => $kind !== 'screen' && LinkMail::send($person, url($path), $kind),
        ], 201);
    }

    /** A studio always has an owner who can come in. */
    private static function requireAnotherOwner(User $person, bool $leaves): void
    {
        $isAnother = ! $leaves || $person->role !== Role::Owner || User::query()->lockForUpdate()
            ->where('studio_id', $person->studio_id)->where('role', Role::Owner)->whereNull('removed_at')
            ->whereNotNull('password_at')->whereKeyNot($person->id)->exists();
        if (! $isAnother) {
            throw ValidationException::withMessages([
                'role' => 'Somebody must own the studio: make another person an owner first, who has signed in once.',
            ]);
        }
    }

    /** @return array<string, mixed> */
    private static function describe(User $user, ?object $seen): array
    {
        return [
            'id' => $user->id, 'name' => $user->name, 'email' => $user->role === Role::Guest ? null : $user->email,
            'role' => $user->role->value, 'bay' => $user->bay_id === null ? null : Bay::query()->whereKey($user->bay_id)->value('name'),
            'isInvited' => $user->password_at === null && $user->removed_at === null && $user->role !== Role::Guest,
            'hasSecondFactor' => $user->totp_at !== null, 'removedAt' => $user->removed_at?->toIso8601String(),
            'seenAt' => isset($seen->last) ? Carbon::parse((string) $seen->last)->toIso8601String() : null, 'open' => (int) ($seen->open ?? 0),
        ];
    }
}
