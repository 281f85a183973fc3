<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Judged\StudioLearning;
use App\Models\Studio;
use Illuminate\Console\Command;

/** Learns what the fittings of each studio show of its heads. Fittings that began before keep what they began with. */
final class Learn extends Command
{
    protected $signature = 'mint:learn {studio? : name of one studio; all without it}';

    protected $description = 'Learns from the fittings of a studio what its heads do';

    public function handle(StudioLearning $learning): int
    {
        $studios = Studio::query()->when($this->argument('studio'), fn ($q, $name) => $q->where('name', $name))->get();
        foreach ($studios as $studio) {
            $memory = $learning->learn($studio);
            $this->line("{$studio->name}: ".match (true) {
                ! $studio->remembers => 'remembers nothing, as its owner chose.',
                $memory === null => 'no head was hit in enough fittings yet.',
                default => "version {$memory->version}, of {$memory->content['fittings']} fittings.",
            });
        }

        return $studios->isEmpty() ? self::FAILURE : self::SUCCESS;
    }
}
