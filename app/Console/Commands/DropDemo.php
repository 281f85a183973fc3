<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\Transaction;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use RuntimeException;

/** Takes the demo of an early version out of a database that a studio uses: what is made up is not served beside what is not. */
final class DropDemo extends Command
{
    protected $signature = 'mint:drop-demo {--pretend : change nothing; fails where there is a demo to take out}';

    protected $description = 'Take the demo studio out of the studio’s own database';

    public function handle(): int
    {
        $demos = DB::table('studios')->where('is_demo', true)->pluck('id')->all();
        if ($demos === [] || $this->option('pretend')) {
            return $demos === [] ? self::SUCCESS : self::FAILURE;
        }
        $rows = Transaction::run(function () use ($demos): int {
            DB::statement('SET SESSION foreign_key_checks = 0');
            try {
                return self::takeOut($demos);
            } finally {
                DB::statement('SET SESSION foreign_key_checks = 1');
            }
        });
        $this->line("The demo of an earlier version was taken out: {$rows} rows. bin/start alone serves a fresh one from a database of its own.");

        return self::SUCCESS;
    }

    /** @param  array<mixed>  $demos  their ids */
    private static function takeOut(array $demos): int
    {
        $rows = 0;
        $ofStudio = DB::select('SELECT table_name AS t FROM information_schema.columns WHERE table_schema = DATABASE() AND column_name = "studio_id"');
        foreach ($ofStudio as $table) {
            $rows += DB::table($table->t)->whereIn('studio_id', $demos)->delete();
        }
        $rows += DB::table('studios')->whereIn('id', $demos)->delete();
        $keys = DB::select('SELECT table_name AS t, column_name AS c, referenced_table_name AS of, referenced_column_name AS k
            FROM information_schema.key_column_usage WHERE table_schema = DATABASE() AND referenced_table_name IS NOT NULL');
        // What belonged to what is gone goes too, and what belonged to that.
        for ($round = 0; $round < 20; $round++) {
            $gone = 0;
            foreach ($keys as $key) {
                $gone += DB::delete("DELETE c FROM `{$key->t}` c LEFT JOIN `{$key->of}` p ON p.`{$key->k}` = c.`{$key->c}` "
                    ."WHERE c.`{$key->c}` IS NOT NULL AND p.`{$key->k}` IS NULL");
            }
            $rows += $gone;
            if ($gone === 0) {
                return $rows;
            }
        }
        throw new RuntimeException('The demo could not be taken out whole; nothing was changed.');
    }
}
