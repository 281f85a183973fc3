<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\Sealed;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;

/** After the key was changed: what is kept encrypted is written with the new one. */
final class Reencrypt extends Command
{
    protected $signature = 'mint:reencrypt';

    protected $description = 'Writes encrypted secrets anew with the key of now';

    public function handle(): int
    {
        $done = 0;
        $lost = 0;
        foreach (['users' => 'totp_secret', 'player_links' => 'token', 'intakes' => 'pain'] as $table => $column) {
            foreach (DB::table($table)->whereNotNull($column)->orderBy('id')->pluck($column, 'id') as $id => $kept) {
                // Read with whichever key it was written with, and written with today's; what no key reads stays as it is.
                $read = Sealed::open($kept);
                $read === null ? $lost++ : $done += DB::table($table)->where('id', $id)->where($column, $kept)
                    ->update([$column => Crypt::encryptString($read)]);
            }
        }
        $this->line("{$done} secrets written anew.".($lost === 0 ? '' : " {$lost} were written with a key that is not here."));

        return self::SUCCESS;
    }
}
