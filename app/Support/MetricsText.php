<?php

declare(strict_types=1);

namespace App\Support;

use App\Backups\Backups;
use Illuminate\Support\Facades\DB;
use Throwable;

/** The counts of the workers and the state of the data, as the Prometheus text format has them (its specification, version 0.0.4). */
final class MetricsText
{
    public static function of(Health $health): string
    {
        $began = microtime(true);
        $isUp = $health->problem() === null;
        $gauges = [
            ['up', 'Whether the database answers and has the tables of this version', [['', $isUp ? 1 : 0]]],
            ['database_seconds', 'How long the database took to answer', [['', round(microtime(true) - $began, 6)]]],
            ['disk_free_bytes', 'Room on the disk', [['', (float) @disk_free_space(base_path('var'))]]],
            ['backup_age_seconds', 'Age of the newest verified backup; -1 where there is none', [['', Backups::newestAgeS() ?? -1]]],
            ...($isUp ? self::ofData() : []),
        ];
        $text = '';
        foreach ($gauges as [$name, $help, $values]) {
            $text .= self::family($name, 'gauge', $help, $values);
        }

        return $text.self::counts();
    }

    /** @return list<array{string, string, list<array{string, float|int}>}> */
    private static function ofData(): array
    {
        try {
            return [
                ['held_shots', 'Shots that wait in the tray', [['', DB::table('held_shots')->whereNull('settled_at')->count()]]],
                ['sign_ins', 'Sessions that stand', [
                    ['', DB::table('sign_ins')->whereNull('ended_at')->where('ends_at', '>', now())->count()],
                ]],
                ['last_shot_id', 'Id of the newest shot; grows as shots are stored', [['', (int) DB::table('shots')->max('id')]]],
            ];
        } catch (Throwable) {
            return [];
        }
    }

    private static function counts(): string
    {
        $requests = $buckets = $others = [];
        $all = Metrics::all();
        foreach ($all as $name => $count) {
            $parts = explode(' ', $name);
            if ($parts[0] === 'requests') {
                $requests[] = ["{kind=\"{$parts[1]}\",status=\"{$parts[2]}\"}", $count];
            } elseif ($parts[0] === 'seconds') {
                $buckets[$parts[1]][$parts[2]] = $count;
            } elseif ($parts[0] !== 'ms') {
                $others[] = [$parts[0], $count];
            }
        }
        $text = self::family('requests_total', 'counter', 'Requests by kind and status', $requests);
        if ($buckets !== []) {
            $text .= "# HELP mintcarry_request_seconds Time in the application\n# TYPE mintcarry_request_seconds histogram\n";
            foreach ($buckets as $kind => $counts) {
                foreach ([...array_map(strval(...), Metrics::BUCKETS), '+Inf'] as $end) {
                    $text .= "mintcarry_request_seconds_bucket{kind=\"{$kind}\",le=\"{$end}\"} ".($counts[$end] ?? 0)."\n";
                }
                $sum = sprintf('%.3f', ($all["ms {$kind}"] ?? 0) / 1000);
                $text .= "mintcarry_request_seconds_sum{kind=\"{$kind}\"} {$sum}\n"
                    ."mintcarry_request_seconds_count{kind=\"{$kind}\"} ".($counts['+Inf'] ?? 0)."\n";
            }
        }
        foreach ($others as [$name, $count]) {
            $text .= self::family("{$name}_total", 'counter', str_replace('_', ' ', $name), [['', $count]]);
        }

        return $text;
    }

    /** @param  list<array{string, float|int}>  $values  labels and value */
    private static function family(string $name, string $type, string $help, array $values): string
    {
        $lines = array_map(static fn (array $v): string => "mintcarry_{$name}{$v[0]} {$v[1]}\n", $values);

        return $values === [] ? '' : "# HELP mintcarry_{$name} {$help}\n# TYPE mintcarry_{$name} {$type}\n".implode('', $lines);
    }
}
