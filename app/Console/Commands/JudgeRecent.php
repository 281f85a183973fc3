<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Judged\JudgingAhead;
use App\Models\Fitting;
use Illuminate\Console\Command;

/** Has the worker judge the fittings of the last day: after a start with other models none of them is judged. */
final class JudgeRecent extends Command
{
    protected $signature = 'mint:judge';

    protected $description = 'Has the fittings of the last day judged ahead';

    public function handle(JudgingAhead $ahead): int
    {
        $fittings = Fitting::query()->where('updated_at', '>', now()->subDay())->orderByDesc('updated_at')->get();
        foreach ($fittings as $fitting) {
            $ahead->ask($fitting);
        }
        $this->line("{$fittings->count()} fittings will be judged");

        return self::SUCCESS;
    }
}
