<?php

declare(strict_types=1);

namespace App\Words;

use DateTimeInterface;
use DateTimeZone;
use IntlDateFormatter;
use LogicException;
use MessageFormatter;
use NumberFormatter;

/**
 * What a player reads, in their language: one file of messages a language (`resources/words/en.json`), in the ICU message format, read by the
 * server for what is printed and by the front end for what is on a screen. Another language is another file.
 */
final class Words
{
    /** @var array<string, self> */
    private static array $known = [];

    /** @param  array<string, string>  $messages  by key, with dots */
    private function __construct(public readonly string $language, private readonly array $messages)
    {
    }

    /** The words of a language, or English where there are none of it. */
    public static function in(string $language): self
    {
        $language = in_array($language, self::languages(), true) ? $language : 'en';

        return self::$known[$language] ??= new self($language, self::read($language));
    }

    /** @return list<string> English first */
    public static function languages(): array
    {
        $found = array_map(static fn (string $f): string => basename($f, '.json'), glob(resource_path('words/*.json')) ?: []);
        sort($found);

        return array_values(array_unique(['en', ...$found]));
    }

    /** @return array<string, string> */
    public static function read(string $language): array
    {
        $tree = json_decode((string) file_get_contents(resource_path("words/{$language}.json")), true, 8, JSON_THROW_ON_ERROR);
        $flat = [];
        $walk = static function (array $part, string $at) use (&$walk, &$flat): void {
            foreach ($part as $key => $value) {
                is_array($value) ? $walk($value, "{$at}{$key}.") : $flat["{$at}{$key}"] = (string) $value;
            }
        };
        $walk($tree, '');

        return $flat;
    }

    public function has(string $key): bool
    {
        return isset($this->messages[$key]);
    }

    /** @param  array<string, mixed>  $with  what stands in its braces */
    public function say(string $key, array $with = []): string
    {
        $message = $this->messages[$key] ?? self::in('en')->messages[$key] ?? throw new LogicException("There is no message '{$key}'.");
        $said = MessageFormatter::formatMessage($this->language, $message, $with);

        return $said === false ? throw new LogicException("The message '{$key}' cannot be said in {$this->language}.") : $said;
    }

    public function number(float $value, int $digits = 0): string
    {
        $format = new NumberFormatter($this->language, NumberFormatter::DECIMAL);
        $format->setAttribute(NumberFormatter::FRACTION_DIGITS, $digits);
        $format->setAttribute(NumberFormatter::GROUPING_USED, 0);
        // Never "minus nothing".
        $rounded = round($value, $digits);

        return str_replace('-', '−', (string) $format->format($rounded == 0.0 ? 0.0 : $rounded));
    }

    public function signed(float $value, int $digits = 0): string
    {
        return (round($value, $digits) > 0 ? '+' : '').$this->number($value, $digits);
    }

    public function date(DateTimeInterface $at, DateTimeZone $zone): string
    {
        return (string) (new IntlDateFormatter($this->language === 'en' ? 'en_GB' : $this->language, IntlDateFormatter::LONG, IntlDateFormatter::NONE, $zone))->format($at);
    }
}
