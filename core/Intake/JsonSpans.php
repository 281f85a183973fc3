<?php

declare(strict_types=1);

namespace MintCarry\Core\Intake;

use function count;
use function is_string;
use function json_decode;
use function ltrim;
use function strcspn;
use function strlen;
use function strspn;
use function substr;
use function trim;

/**
 * Cuts JSON text (RFC 8259) at its outermost commas without reading what lies between: one member that is broken, too deep or no
 * UTF-8 takes none of its neighbours with it, and each can be kept to the byte. Knows strings and brackets and nothing else; text that
 * breaks off ends its last member.
 */
final class JsonSpans
{
    private const SPACE = " \t\r\n";

    /**
     * @return array<string, string>|null raw text of each member of an object by its name, the last of equal names; null for no object
     */
    public static function members(string $json): ?array
    {
        $spans = self::between($json, '{');
        if ($spans === null) {
            return null;
        }
        $members = [];
        foreach ($spans as $span) {
            $end = ($span[0] ?? '') === '"' ? self::stringEnd($span, 0) : 0;
            $name = json_decode(substr($span, 0, $end));
            $rest = ltrim(substr($span, $end), self::SPACE);
            if (is_string($name) && ($rest[0] ?? '') === ':') {
                $members[$name] = trim(substr($rest, 1), self::SPACE);
            }
        }

        return $members;
    }

    /** Does an object name a member twice? Readers of JSON disagree which of the two it means (RFC 8259, section 4). */
    public static function isAmbiguous(string $json): bool
    {
        return count(self::between($json, '{') ?? []) > count(self::members($json) ?? []);
    }

    /** @return list<string>|null raw text of each element of a list; null where the text is no list */
    public static function elements(string $json): ?array
    {
        return self::between($json, '[');
    }

    /** @return list<string>|null what stands between the outermost commas */
    private static function between(string $json, string $opens): ?array
    {
        $length = strlen($json);
        $at = strspn($json, self::SPACE);
        if (($json[$at] ?? '') !== $opens) {
            return null;
        }
        [$spans, $begin, $depth] = [[], $at + 1, 0];
        for ($at++; $at < $length; $at++) {
            $at += strcspn($json, '"{}[],', $at);
            $mark = $json[$at] ?? '';
            if ($mark === '"') {
                $at = self::stringEnd($json, $at) - 1;
            } elseif ($mark === '{' || $mark === '[') {
                $depth++;
            } elseif ($mark === ',' && $depth === 0) {
                $spans[] = trim(substr($json, $begin, $at - $begin), self::SPACE);
                $begin = $at + 1;
            } elseif (($mark === '}' || $mark === ']') && $depth-- === 0) {
                break;
            }
        }
        $last = trim(substr($json, $begin, $at - $begin), self::SPACE);

        return $last === '' && $spans === [] ? [] : [...$spans, $last];
    }

    /** Where the string that begins at `from` is over. */
    private static function stringEnd(string $json, int $from): int
    {
        $length = strlen($json);
        for ($at = $from + 1; $at < $length; $at++) {
            $at += strcspn($json, '"\\', $at);
            if (($json[$at] ?? '') === '"') {
                return $at + 1;
            }
            $at++; // what is escaped
        }

        return $length;
    }
}
