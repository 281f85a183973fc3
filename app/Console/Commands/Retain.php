<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Data\Retention;
use Illuminate\Console\Command;

/** Erases whom a studio keeps no longer. */
final class Retain extends Command
{
    protected $signature = 'mint:retain';

    protected $description = 'Erases players whom a studio has said to keep no longer';

    public function handle(Retention $retention): int
    {
        $this->line($retention->apply().' players erased.');

        return self::SUCCESS;
    }
}
