<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Data\Eraser;
use Illuminate\Console\Command;

/** After an older backup came back: those who were erased since are erased again. */
final class Erase extends Command
{
    protected $signature = 'mint:erase {--again : those whose erasing is on record}';

    protected $description = 'Erases again whom a restored backup brought back';

    public function handle(Eraser $eraser): int
    {
        if ($this->option('again')) {
            $this->line($eraser->again().' erased again.');
        }

        return self::SUCCESS;
    }
}
