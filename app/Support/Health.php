<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\Connection;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOException;
use Throwable;

/**
 * Whether the database answers in time, and has the tables of this version. On a connection of its own: a kept one
 * may hang for minutes.
 */
class Health
{
    private const PATIENCE_S = 1;

    /** Without one of these something cannot be used; all but what is only worked out or counted. */
    public const TABLES = [
        'acceptances', 'appointments', 'bays', 'bin_entries', 'blinds', 'brief_changes', 'calendar_feeds', 'confirms', 'consents', 'decisions',
        'erasures', 'fittings', 'heads', 'held_shots', 'import_files', 'intakes', 'jobs', 'judgements', 'known_devices', 'lessons', 'log_entries', 'long_clubs', 'looks', 'memories', 'orders',
        'parts', 'player_links', 'players', 'ratings', 'readings', 'remembered_maps', 'rounds', 'setups', 'shots', 'sign_ins', 'simulated_heads',
        'sleeves', 'studios', 'trials', 'users', 'visits', 'welcome_links',
    ];

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
            $connection = DB::connection('health');
            if (! $connection->getSchemaBuilder()->hasTable('migrations')) {
                return 'the database has no tables yet';
            }
            $done = $connection->table('migrations')->pluck('migration')->all();
            $broken = self::broken($connection);
        } catch (Throwable) {
            return 'the database does not answer within a second';
        } finally {
            ini_set('mysqlnd.net_read_timeout', (string) $before);
            DB::purge('health');
        }
        $missing = array_diff(static::ofThisVersion(), $done);

        return match (true) {
            $missing !== [] => count($missing).' migrations of this version are missing',
            $broken !== [] => 'these tables cannot be read: '.implode(', ', $broken),
            default => null,
        };
    }

    /**
     * Tables that answer no question. All are asked at once; one by one only where something is wrong.
     *
     * @return list<string>
     *
     * @throws PDOException where the database itself does not answer
     */
    public static function broken(Connection $connection): array
    {
        $asks = static fn (string $table): string => "(SELECT 1 FROM `{$table}` LIMIT 1)";
        try {
            $connection->select('SELECT '.implode(', ', array_map($asks, self::TABLES)));

            return [];
        } catch (QueryException $e) {
            if (Away::isMeant($e)) {
                throw $e;
            }
        }

        return array_values(array_filter(self::TABLES, static function (string $table) use ($connection, $asks): bool {
            try {
                $connection->select('SELECT '.$asks($table));

                return false;
            } catch (QueryException) {
                return true;
            }
        }));
    }

    /** @return list<string> */
    public static function ofThisVersion(): array
    {
        return array_map(static fn (string $f): string => basename($f, '.php'), glob(database_path('migrations/*.php')) ?: []);
    }
}
