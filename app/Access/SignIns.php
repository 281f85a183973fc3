<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\KnownDevice;
use App\Models\SignIn;
use App\Models\User;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Symfony\Component\HttpFoundation\Cookie as HttpCookie;

/** Sessions that can be seen and ended: each sign-in is a row, and a session without a row that stands is none. */
final class SignIns
{
    public const KEY = 'sign_in';

    public const DEVICE_COOKIE = 'mintcarry_device';

    /** However busy a session is, after this it ends (OWASP ASVS 3.3.2). */
    private const LASTS_HOURS = ['guest' => 24 * 30, 'default' => 12];

    private const DEVICE_DAYS = 180;

    /** How exactly it is known when somebody was last there. */
    private const SEEN_EVERY_S = 30;

    /** A new session under a new id, and this device known from now on. */
    public static function begin(Request $request, StatefulGuard $guard, User $user): SignIn
    {
        $request->session()->invalidate();
        $guard->login($user);
        $hours = self::LASTS_HOURS[$user->role->value] ?? self::LASTS_HOURS['default'];
        $signIn = SignIn::query()->create([
            'user_id' => $user->id, 'from' => (string) $request->ip(), 'device' => self::nameOf((string) $request->userAgent()),
            'seen_at' => now(), 'ends_at' => now()->addHours($hours),
        ]);
        $request->session()->put(self::KEY, $signIn->id);
        $request->session()->regenerateToken();

        return $signIn;
    }

    /** A cookie by which this device is known at its next sign-in to this account. */
    public static function remember(Request $request, User $user): HttpCookie
    {
        $token = bin2hex(random_bytes(24));
        $known = self::device($request, $user);
        $hash = ['token_hash' => hash('sha256', $token), 'seen_at' => now()];
        $known === null ? KnownDevice::query()->create(['user_id' => $user->id] + $hash) : $known->update($hash);
        $there = array_filter(
            self::tokens($request), static fn (int|string $id): bool => $id !== $user->id, ARRAY_FILTER_USE_KEY,
        );

        return Cookie::make(
            self::DEVICE_COOKIE, (string) json_encode(array_slice([$user->id => $token] + $there, 0, 8, true)), 60 * 24 * self::DEVICE_DAYS,
        );
    }

    public static function device(Request $request, ?User $user): ?KnownDevice
    {
        $token = $user === null ? null : self::tokens($request)[$user->id] ?? null;

        return $user === null || $token === null ? null : KnownDevice::query()
            ->where('user_id', $user->id)->where('token_hash', hash('sha256', $token))
            ->where('seen_at', '>', now()->subDays(self::DEVICE_DAYS))->first();
    }

    /** @return array<int, string> */
    private static function tokens(Request $request): array
    {
        $cookie = $request->cookie(self::DEVICE_COOKIE);
        $read = is_string($cookie) ? json_decode($cookie, true) : null;

        return is_array($read) ? array_filter($read, is_string(...)) : [];
    }

    public static function of(Request $request): ?SignIn
    {
        $id = $request->hasSession() ? $request->session()->get(self::KEY) : null;

        return is_int($id) ? SignIn::query()->find($id) : null;
    }

    /** Notes that somebody is there; not at every look. */
    public static function seen(SignIn $signIn): void
    {
        if ($signIn->seen_at->diffInSeconds(now(), true) > self::SEEN_EVERY_S) {
            SignIn::query()->whereKey($signIn->id)->toBase()->update(['seen_at' => now()]);
        }
    }

    /** Ends what a person has open, but for one where it is said. */
    public static function endAll(User $user, string $why, ?SignIn $butThis = null): int
    {
        return SignIn::query()->where('user_id', $user->id)->whereNull('ended_at')
            ->when($butThis !== null, fn (Builder $q) => $q->whereKeyNot($butThis?->id))
            ->update(['ended_at' => now(), 'ended_why' => $why]);
    }

    /** The device in a few words, of what its browser says of itself. */
    public static function nameOf(string $agent): string
    {
        return match (true) {
            preg_match('/tablet|iPad/i', $agent) === 1 => 'a tablet',
            preg_match('/mobi/i', $agent) === 1 => 'a phone',
            str_starts_with($agent, 'Mozilla/') => 'a computer',
            default => 'another program',
        };
    }
}
