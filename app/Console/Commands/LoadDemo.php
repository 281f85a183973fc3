<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Studio;
use App\Support\Transaction;
use Database\Seeders\DemoSeeder;
use Illuminate\Console\Command;

final class LoadDemo extends Command
{
    protected $signature = 'mint:demo';

    protected $description = 'Loads the demo studio with its made-up players and shots, once';

    public function handle(DemoSeeder $seeder): int
    {
        if (config('mintcarry.demo') !== true) {
            $this->error('The demo has a database of its own; a studio’s own holds nothing made up.');

            return self::FAILURE;
        }
        if (! Studio::query()->where('is_demo', true)->exists()) {
            Transaction::run(fn () => $seeder->run());
            $this->line('Demo data loaded.');
        }

        return self::SUCCESS;
    }
}
