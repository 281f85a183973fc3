<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;
use PDO;
use Throwable;

/** Whether the database answers in time, and has the tables of this version. On a connection of its own: a kept one may hang for minutes. */
class Health
{
    private const PATIENCE_S = 1;

    /** @return string|null what is wrong, in a few words; null where nothing is */
    public function problem(): ?string
    {
        $before = ini_get('mysqlnd.net_read_timeout');
        ini_set('mysqlnd.net_read_timeout', (string) self::PATIENCE_S);
        try {
            $settings = (array) config('database.connections.mariadb');
            $settings['options'] = [PDO::ATTR_TIMEOUT => self::PATIENCE_S, PDO::ATTR_PERSISTENT => false];
            config(['database.connections.health' => $settings]);
            DB::purge('health');
            $done = DB::connection('health')->table('migrations')->pluck('migration')->all();
        } catch (Throwable $e) {
            return str_contains($e->getMessage(), "doesn't exist")
                ? 'the database has no tables yet' : 'the database does not answer within a second';
        } finally {
            ini_set('mysqlnd.net_read_timeout', (string) $before);
            DB::purge('health');
        }
        $missing = array_diff(static::ofThisVersion(), $done);

        return $missing === [] ? null : count($missing).' migrations of this version are missing';
    }

    /** @return list<string> */
    public static function ofThisVersion(): array
    {
        return array_map(static fn (string $f): string => basename($f, '.php'), glob(database_path('migrations/*.php')) ?: []);
    }
}
