<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Words\PlayersLanguage;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;

/**
 * Refuses text with signs that nobody sees: control characters, and those that turn the direction of writing round, with which one text
 * can look like another (Unicode Technical Report 36, bidirectional text spoofing).
 */
final class ReadableText
{
    private const HIDDEN = '/[\x{00}-\x{08}\x{0B}\x{0C}\x{0E}-\x{1F}\x{7F}\x{202A}-\x{202E}\x{2066}-\x{2069}]/u';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $said = $request->isJson() ? $request->json()->all() : $request->post();
        array_walk_recursive($said, static function (mixed $value, string|int $field) use ($request): void {
            // What is no UTF-8 at all never gets here as JSON; from a form it is refused as well.
            if (is_string($value) && preg_match(self::HIDDEN, $value) !== 0) {
                throw ValidationException::withMessages([(string) $field => PlayersLanguage::hiddenSign($request, (string) $field)]);
            }
        });

        return $next($request);
    }
}
