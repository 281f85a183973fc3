<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\CarryOver;
use Illuminate\Console\Command;
use RuntimeException;

/** Brings the database to the tables of this version, whichever version made it; or says why it cannot, and changes nothing. */
final class MigrateForward extends Command
{
    protected $signature = 'mint:migrate';

    protected $description = 'Bring the database to this version';

    public function handle(): int
    {
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

        return $this->callSilently('migrate', ['--force' => true]);
    }
}
