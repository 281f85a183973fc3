<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\CarryOver;
use App\Support\Health;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use RuntimeException;

/** Brings the database to the tables of this version, whichever version made it; or says why it cannot, and changes nothing. */
final class MigrateForward extends Command
{
    protected $signature = 'mint:migrate {--pretend : change nothing; fails where there is something to do}';

    protected $description = 'Bring the database to this version';

    public function handle(): int
    {
        if ($this->option('pretend')) {
            $done = Schema::hasTable('migrations') ? DB::table('migrations')->pluck('migration')->all() : [];

            return array_diff(Health::ofThisVersion(), $done) === [] ? self::SUCCESS : self::FAILURE;
        }
        try {
            if (CarryOver::isDue()) {
                $this->line('Carrying the database of version 0.1 over …');
                $counts = CarryOver::run();
                $this->line(array_sum($counts).' rows in '.count($counts).' tables came over.');
            }
        } catch (RuntimeException $e) {
            $this->error($e->getMessage());

            return self::FAILURE;
        }

        $code = $this->callSilently('migrate', ['--force' => true]);
        $broken = $code === self::SUCCESS ? Health::broken(DB::connection()) : [];
        if ($broken !== []) {
            $this->error('These tables cannot be read: '.implode(', ', $broken).'. Put a backup back with bin/restore; nothing was changed.');
        }

        return $broken === [] ? $code : self::FAILURE;
    }
}
