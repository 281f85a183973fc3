<?php

declare(strict_types=1);

namespace App\Backups;

/** The backups that are there, by what their manifests say (bin/backup). */
final class Backups
{
    /** @return list<array{name: string, at: string, label: string, rows: int, bytes: int, seconds: int, verified: bool}> the newest first */
    public static function all(): array
    {
        $found = glob(rtrim((string) config('mintcarry.backups.to'), '/').'/mintcarry-*/manifest.json') ?: [];
        $all = [];
        foreach (array_reverse($found) as $file) {
            $read = json_decode((string) @file_get_contents($file), true);
            if (! is_array($read) || ! is_array($read['rows'] ?? null)) {
                continue;
            }
            $sizes = array_map(static fn (string $f): int => (int) @filesize($f), glob(dirname($file).'/*') ?: []);
            $all[] = [
                'name' => basename(dirname($file)), 'at' => (string) ($read['madeAt'] ?? ''), 'label' => (string) ($read['label'] ?? ''),
                'rows' => (int) array_sum($read['rows']), 'bytes' => (int) array_sum($sizes), 'seconds' => (int) ($read['seconds'] ?? 0),
                'verified' => ($read['verified'] ?? false) === true,
            ];
        }

        return $all;
    }

    /** How old the newest is that was verified; null where there is none. */
    public static function newestAgeS(): ?int
    {
        foreach (self::all() as $backup) {
            if ($backup['verified']) {
                return time() - (int) strtotime($backup['at']);
            }
        }

        return null;
    }
}
