<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\KnownDevice;
use App\Models\User;
use Illuminate\Cache\RateLimiter;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\Request;

/**
 * How often a sign-in may be guessed at: so often for one account from wherever, and so often from one address for
 * whatever account. A device that has signed in to the account before has an allowance of its own, so that nobody
 * locks an owner out by guessing. Counts are kept in the database: they outlive a restart and hold for all servers.
 */
final readonly class SignInThrottle
{
    private const WINDOW_S = 900;

    private const OF_ACCOUNT = 8;

    private const OF_ADDRESS = 20;

    private const OF_DEVICE = 8;

    private const WRONG_LINKS = 300;

    public function __construct(private RateLimiter $limiter)
    {
    }

    /**
     * @param  string  $identity  the account's id where there is one, else the address that was typed
     *
     * @throws ThrottleRequestsException
     */
    public function requireAllowance(Request $request, string $identity, ?KnownDevice $device): void
    {
        $this->require(self::keys($request, $identity, $device));
    }

    /** @param  array<string, int>  $keys  most failures by key */
    private function require(array $keys): void
    {
        foreach ($keys as $key => $most) {
            if ($this->limiter->tooManyAttempts($key, $most)) {
                $waitS = $this->limiter->availableIn($key);
                throw new ThrottleRequestsException('Too many tries.', null, ['Retry-After' => (string) $waitS]);
            }
        }
    }

    /**
     * Links for players hold 256 random bits, so nobody guesses one: only a flood is stopped, and it stops nothing but links.
     *
     * @throws ThrottleRequestsException
     */
    public function requireLinkAllowance(Request $request): void
    {
        $this->require([self::links($request) => self::WRONG_LINKS]);
    }

    public function linkFailed(Request $request): void
    {
        $this->limiter->hit(self::links($request), self::WINDOW_S);
    }

    public function failed(Request $request, string $identity, ?KnownDevice $device): void
    {
        foreach (array_keys(self::keys($request, $identity, $device)) as $key) {
            $this->limiter->hit($key, self::WINDOW_S);
        }
    }

    /** Only the account's own count begins anew: who guesses at many accounts from one address is not forgiven by one of their own. */
    public function succeeded(string $identity, ?KnownDevice $device): void
    {
        $this->limiter->clear($device === null ? self::account($identity) : self::device($device));
    }

    /** The same account, however it is spelt. */
    public static function identity(?User $user, string $email): string
    {
        return $user === null ? "unknown {$email}" : "id {$user->id}";
    }

    /** @return array<string, int> most failures by key */
    private static function keys(Request $request, string $identity, ?KnownDevice $device): array
    {
        return $device === null
            ? [self::account($identity) => self::OF_ACCOUNT, 'sign-in address '.self::network((string) $request->ip()) => self::OF_ADDRESS]
            : [self::device($device) => self::OF_DEVICE];
    }

    private static function links(Request $request): string
    {
        return 'wrong links '.self::network((string) $request->ip());
    }

    private static function account(string $identity): string
    {
        return 'sign-in account '.hash('sha256', $identity);
    }

    private static function device(KnownDevice $device): string
    {
        return "sign-in device {$device->id}";
    }

    /** Of the new addresses, whoever has one has 2⁶⁴ of them: those count as one. */
    public static function network(string $address): string
    {
        $bytes = @inet_pton($address);

        return $bytes !== false && strlen($bytes) === 16 ? bin2hex(substr($bytes, 0, 8)) : $address;
    }
}
