<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Intake;
use App\Models\PlayerLink;
use App\Models\User;
use Illuminate\Console\Command;

/** After the key was changed: what is kept encrypted is written with the new one. */
final class Reencrypt extends Command
{
    protected $signature = 'mint:reencrypt';

    protected $description = 'Writes encrypted secrets anew with the key of now';

    public function handle(): int
    {
        $done = 0;
        foreach (User::query()->whereNotNull('totp_secret')->get() as $user) {
            // Read with whichever key it was written with, and written with today's.
            $secret = $user->totp_secret;
            $user->forceFill(['totp_secret' => null])->syncOriginalAttribute('totp_secret');
            $user->forceFill(['totp_secret' => $secret])->save();
            $done++;
        }
        foreach (PlayerLink::query()->get() as $link) {
            $token = $link->token;
            $link->forceFill(['token' => ''])->syncOriginalAttribute('token');
            $link->forceFill(['token' => $token])->save();
            $done++;
        }
        foreach (Intake::query()->whereNotNull('pain')->get() as $intake) {
            $pain = $intake->pain;
            $intake->forceFill(['pain' => null])->syncOriginalAttribute('pain');
            $intake->forceFill(['pain' => $pain])->save();
            $done++;
        }
        $this->line("{$done} secrets written anew.");

        return self::SUCCESS;
    }
}
