<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Access\Identity;
use App\Access\SecondFactor;
use App\Access\SignIns;
use App\Models\User;
use App\Models\WelcomeLink;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Log;

/** For who stands at the server: lets somebody in again who lost their password or their second factor. */
final class Rescue extends Command
{
    protected $signature = 'mint:rescue {email} {--drop-factor : take the second factor away, too}';

    protected $description = 'Prints a link for a new password; with --drop-factor takes a lost second factor away';

    public function handle(): int
    {
        $user = User::query()->where('email', Identity::email($this->argument('email')))->whereNull('removed_at')->first();
        if ($user === null) {
            $this->error('Nobody signs in with this address.');

            return self::FAILURE;
        }
        if ($this->option('drop-factor')) {
            $user->update(SecondFactor::NONE);
            SignIns::endAll($user, 'second factor taken away');
            $this->line('The second factor is taken away, and every session is ended.');
        }
        Log::info('rescued from the command line', ['user' => $user->id, 'factor' => (bool) $this->option('drop-factor')]);
        $this->line(rtrim((string) config('app.url'), '/').'/#/welcome/'.WelcomeLink::renew($user, null, 'reset'));
        $this->line('Opens once, within '.WelcomeLink::HOURS['reset'].' hours; the address before the # is that of your studio.');

        return self::SUCCESS;
    }
}
