<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Data\Pruning;
use Illuminate\Console\Command;

/** Takes away what nobody needs any more. */
final class Prune extends Command
{
    protected $signature = 'mint:prune';

    protected $description = 'Empties the bin, and takes old drafts, sessions, links, live files and draws away';

    public function handle(Pruning $pruning): int
    {
        foreach ($pruning->all() as $what => $count) {
            $this->line("{$count} {$what}");
        }

        return self::SUCCESS;
    }
}
