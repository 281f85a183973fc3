<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Scheduling\Schedule;

/** What is due by the clock. bin/start runs it. */
final class Clock
{
    public static function schedule(Schedule $schedule): void
    {
        $schedule->command('mint:prune')->hourlyAt(17)->withoutOverlapping(60);
        if (config('mintcarry.demo') !== true) {
            // Erasing comes before copying: whom a studio keeps no longer is not in the next backup.
            $schedule->command('mint:retain')->dailyAt('02:40')->withoutOverlapping(120);
            $schedule->exec(base_path('bin/backup').' --label daily')->dailyAt((string) config('mintcarry.backups.at'))
                ->withoutOverlapping(300)->appendOutputTo(storage_path('logs/backup.log'));
            $schedule->command('mint:learn')->dailyAt('03:20')->withoutOverlapping(120);
        }
    }
}
