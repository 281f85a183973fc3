<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Validation\Rules\Password;
use Normalizer;

/** How an e-mail address is written before it is compared, byte by byte; and what a password must be. */
final class Identity
{
    /** The hashing takes no more bytes than these. */
    private const LONGEST_BYTES = 72;

    /** One spelling for an address: no space around, composed letters, small ones. An accent stays an accent. */
    public static function email(string $typed): string
    {
        $composed = Normalizer::normalize(trim($typed), Normalizer::FORM_C);

        return mb_strtolower($composed === false ? trim($typed) : $composed);
    }

    /** @return list<mixed> rules for a new password (OWASP ASVS 2.1: long, no composition rules, none that everybody has) */
    public static function passwordRules(string $email, string $studio): array
    {
        return ['required', 'string', Password::min(12), function (string $field, mixed $value, callable $fail) use ($email, $studio): void {
            $plain = [self::letters((string) $value), self::letters(strtr((string) $value, self::SIGNS))];
            $own = array_map(self::letters(...), [$email, explode('@', $email)[0], $studio, 'mintcarry', 'minted']);
            if (strlen((string) $value) > self::LONGEST_BYTES) {
                $fail('This password is too long: use up to '.self::LONGEST_BYTES.' letters (fewer with accents).');
            } elseif (count(array_unique(mb_str_split((string) $value))) < 5) {
                $fail('This password is the same few letters over and over. Use a few words of your own.');
            } elseif (array_intersect($plain, [...$own, ...self::COMMON]) !== [] || $value === 'minted-demo') {
                $fail('This password is one that is tried first. Use a few words of your own.');
            }
        }];
    }

    /** What guessers begin with, once figures and signs are taken away (from memory, no source). */
    private const COMMON = [
        '', 'password', 'passwordpassword', 'passwort', 'motdepasse', 'qwerty', 'qwertyuiop', 'qwertz', 'qwertzuiop', 'azerty', 'azertyuiop',
        'asdfghjkl', 'letmein', 'welcome', 'willkommen', 'bienvenue', 'iloveyou', 'ichliebedich', 'administrator', 'admin', 'superuser',
        'football', 'baseball', 'basketball', 'golf', 'golfgolf', 'golfgolfgolf', 'golfer', 'ilovegolf', 'holeinone', 'driver',
        'fairway', 'birdie', 'birdiebirdie', 'princess', 'sunshine', 'dragon', 'monkey', 'master', 'trustno', 'superman', 'batman', 'starwars',
        'changeme', 'changemenow', 'default', 'secret', 'geheim', 'hello', 'hallo', 'summer', 'sommer', 'winter', 'spring', 'fitter', 'studio',
        'abc', 'abcdef', 'abcdefgh', 'abcdefghijkl', 'testtest', 'test', 'testtesttest', 'demo', 'login', 'access', 'whatever', 'nothing',
    ];

    private const SIGNS = ['0' => 'o', '1' => 'i', '3' => 'e', '@' => 'a', '$' => 's', '5' => 's'];

    private static function letters(string $text): string
    {
        return (string) preg_replace('/[^\p{L}]/u', '', mb_strtolower($text));
    }
}
