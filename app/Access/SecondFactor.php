<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\User;
use App\Support\Sealed;
use App\Support\Transaction;

/** The second factor of a person: codes of an authenticator, and ten recovery codes of which each opens once. */
final class SecondFactor
{
    private const RECOVERY_CODES = 10;

    /** Whether a code opens; then it opens nothing again. */
    public static function accepts(User $user, string $code): bool
    {
        return Transaction::run(function () use ($user, $code): bool {
            $now = User::query()->lockForUpdate()->findOrFail($user->id);
            $secret = Sealed::open($now->getRawOriginal('totp_secret'));
            $step = $secret === null ? null
                : Totp::stepOf($secret, $code, now()->getTimestamp(), $now->totp_step);
            if ($step !== null) {
                $now->update(['totp_step' => $step]);

                return true;
            }
            $hash = hash('sha256', self::plain($code));
            $left = array_values(array_diff($now->recovery_codes ?? [], [$hash]));
            $isOne = count($left) < count($now->recovery_codes ?? []);
            if ($isOne) {
                $now->update(['recovery_codes' => $left]);
            }

            return $isOne;
        });
    }

    /** @return list<string> shown once; only their hashes are kept. Each has 50 bits of chance, so a plain hash is enough */
    public static function newRecoveryCodes(User $user): array
    {
        $codes = array_map(
            static fn (): string => implode('-', str_split(strtolower(substr(Totp::base32(random_bytes(7)), 0, 10)), 5)),
            range(1, self::RECOVERY_CODES),
        );
        $user->update(['recovery_codes' => array_map(static fn (string $c): string => hash('sha256', self::plain($c)), $codes)]);

        return $codes;
    }

    /** What is written of a person who has none. */
    public const NONE = ['totp_secret' => null, 'totp_at' => null, 'recovery_codes' => null];

    private static function plain(string $code): string
    {
        return strtolower((string) preg_replace('/[\s-]/', '', $code));
    }
}
