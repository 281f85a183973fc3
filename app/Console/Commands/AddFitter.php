<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Studio;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Str;

/** A real studio's first sign-in: there is no open registration. */
final class AddFitter extends Command
{
    protected $signature = 'mint:fitter {studio : name of the studio, made if new} {name} {email}';

    protected $description = 'Adds a fitter to a studio and prints a first password';

    public function handle(): int
    {
        $email = mb_strtolower($this->text('email'));
        if (filter_var($email, FILTER_VALIDATE_EMAIL) === false || User::query()->where('email', $email)->exists()) {
            $this->error("'{$email}' is not an e-mail address, or has a sign-in already.");

            return self::FAILURE;
        }
        $studio = Studio::query()->firstOrCreate(['name' => $this->text('studio'), 'is_demo' => false]);
        $password = Str::password(16, symbols: false);
        User::query()->create(['studio_id' => $studio->id, 'name' => $this->text('name'), 'email' => $email, 'password' => $password]);
        $this->line("Sign in as {$email} with the password {$password}");

        return self::SUCCESS;
    }

    private function text(string $name): string
    {
        $value = $this->argument($name);

        return is_string($value) ? trim($value) : '';
    }
}
