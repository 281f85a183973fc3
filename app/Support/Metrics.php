<?php

declare(strict_types=1);

namespace App\Support;

/** Counts that the workers of one server share, in memory; where there is none, in this process alone. They begin anew when the server does. */
final class Metrics
{
    private const PREFIX = 'metric ';

    /** Upper ends in seconds of what a request may take. */
    public const BUCKETS = [0.025, 0.06, 0.1, 0.25, 0.5, 1, 2, 5, 15];

    /** @var array<string, int> */
    private static array $here = [];

    public static function count(string $name, int $by = 1): void
    {
        if (self::isShared()) {
            apcu_inc(self::PREFIX.$name, $by);
        } else {
            self::$here[$name] = (self::$here[$name] ?? 0) + $by;
        }
    }

    public static function took(string $kind, float $seconds): void
    {
        foreach (self::BUCKETS as $end) {
            if ($seconds <= $end) {
                self::count("seconds {$kind} {$end}");
            }
        }
        self::count("seconds {$kind} +Inf");
        self::count("ms {$kind}", (int) round(1000 * $seconds));
    }

    /** @return array<string, int> */
    public static function all(): array
    {
        if (! self::isShared()) {
            return self::$here;
        }
        $all = [];
        foreach (new \APCUIterator('/^'.self::PREFIX.'/') as $key => $entry) {
            $all[substr((string) $key, strlen(self::PREFIX))] = (int) $entry['value'];
        }
        ksort($all);

        return $all;
    }

    private static function isShared(): bool
    {
        return function_exists('apcu_enabled') && apcu_enabled() && PHP_SAPI !== 'cli';
    }
}
