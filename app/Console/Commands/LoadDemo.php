<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Judged\StudioLearning;
use App\Models\Studio;
use App\Models\User;
use App\Support\Transaction;
use Database\Seeders\DemoPast;
use Database\Seeders\DemoSeason;
use Database\Seeders\DemoSeeder;
use Illuminate\Console\Command;

final class LoadDemo extends Command
{
    protected $signature = 'mint:demo';

    protected $description = 'Loads the demo studio with its made-up players and shots, once';

    public function handle(DemoSeeder $seeder, DemoPast $past, DemoSeason $season, StudioLearning $learning): int
    {
        if (config('mintcarry.demo') !== true) {
            $this->error('The demo has a database of its own; a studio’s own holds nothing made up.');

            return self::FAILURE;
        }
        if (! Studio::query()->where('is_demo', true)->exists()) {
            Transaction::run(function () use ($seeder, $past, $season, $learning): void {
                $seeder->run(function (Studio $studio) use ($past, $learning): void {
                    $past->run($studio);
                    $learning->learn($studio);
                });
                $studio = Studio::query()->where('is_demo', true)->firstOrFail();
                $season->run($studio, User::query()->where('studio_id', $studio->id)->firstOrFail());
            });
            $this->line('Demo data loaded.');
        }

        return self::SUCCESS;
    }
}
