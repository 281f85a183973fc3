<?php

declare(strict_types=1);

namespace App\Access;

/**
 * One-time codes from a shared secret and the clock. Source: RFC 6238 (time-based) over RFC 4226 (the truncation), SHA-1 and steps of 30 s
 * as every authenticator has them; the secret is written in base 32 (RFC 4648).
 */
final class Totp
{
    public const STEP_S = 30;

    private const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** A secret of 160 bits, the length that RFC 4226 recommends, in base 32. */
    public static function newSecret(): string
    {
        return self::base32(random_bytes(20));
    }

    /** @param  string  $secret  bytes */
    public static function code(string $secret, int $step, int $digits = 6): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $secret, true);
        $at = ord($hash[19]) & 15;
        $number = (int) (unpack('N', substr($hash, $at, 4))[1] ?? 0) & 0x7FFF_FFFF;

        return str_pad((string) ($number % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /**
     * The step that a code belongs to: now, or one to either side, for clocks differ and people type slowly. A step that was used is not
     * taken again, nor one before it.
     *
     * @param  string  $secret  in base 32
     */
    public static function stepOf(string $secret, string $code, int $nowS, int $usedStep): ?int
    {
        $bytes = self::bytes($secret);
        $code = (string) preg_replace('/\s/', '', $code);
        $found = null;
        foreach ([-1, 0, 1] as $off) {
            $step = intdiv($nowS, self::STEP_S) + $off;
            if (hash_equals(self::code($bytes, $step), $code) && $step > $usedStep) {
                $found = $step;
            }
        }

        return $found;
    }

    /** The address that an authenticator reads from a picture. */
    public static function address(string $secret, string $email): string
    {
        return 'otpauth://totp/'.rawurlencode("Mint Carry:{$email}").'?'.http_build_query(['secret' => $secret, 'issuer' => 'Mint Carry']);
    }

    public static function base32(string $bytes): string
    {
        $bits = '';
        foreach (str_split($bytes) as $byte) {
            $bits .= str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT);
        }

        return implode('', array_map(
            static fn (string $five): string => self::ALPHABET[(int) bindec(str_pad($five, 5, '0'))], str_split($bits, 5),
        ));
    }

    public static function bytes(string $base32): string
    {
        $bits = '';
        foreach (str_split(strtoupper((string) preg_replace('/[^A-Za-z2-7]/', '', $base32))) as $letter) {
            $bits .= str_pad(decbin((int) strpos(self::ALPHABET, $letter)), 5, '0', STR_PAD_LEFT);
        }
        $whole = str_split(substr($bits, 0, intdiv(strlen($bits), 8) * 8), 8);

        return implode('', array_map(static fn (string $eight): string => chr((int) bindec($eight)), $whole));
    }
}
