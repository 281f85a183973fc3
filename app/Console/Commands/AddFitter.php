<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Access\Identity;
use App\Access\Role;
use App\Models\Studio;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Str;

/** A real studio's first sign-in: there is no open registration. Whoever is first in a studio owns it. */
final class AddFitter extends Command
{
    protected $signature = 'mint:fitter {studio : name of the studio, made if new} {name} {email}
        {--role= : owner, fitter or desk; the first of a studio owns it, others are fitters}';

    protected $description = 'Adds somebody to a studio and prints a first password';

    public function handle(): int
    {
        $email = Identity::email($this->text('email'));
        if (filter_var($email, FILTER_VALIDATE_EMAIL) === false || User::query()->where('email', $email)->exists()) {
            $this->error("'{$email}' is not an e-mail address, or has a sign-in already.");

            return self::FAILURE;
        }
        $name = $this->text('studio');
        $studio = Studio::query()->where('is_demo', false)->whereRaw('BINARY name = ?', [$name])->first();
        $like = $studio === null ? Studio::query()->where('name', $name)->value('name') : null;
        if ($name === '' || is_string($like)) {
            $this->error("There is a studio called '{$like}', which only looks like '{$name}'. Write it exactly so, or choose another name.");

            return self::FAILURE;
        }
        $said = Role::tryFrom((string) $this->option('role'));
        if ($this->option('role') !== null && ($said === null || $said === Role::Guest)) {
            $this->error("'{$this->option('role')}' is none of owner, fitter and desk.");

            return self::FAILURE;
        }
        $role = $studio === null ? Role::Owner : $said ?? Role::Fitter;
        $studio ??= Studio::query()->create(['name' => $name]);
        $password = Str::password(20, symbols: false);
        User::query()->create([
            'studio_id' => $studio->id, 'name' => $this->text('name'), 'email' => $email, 'password' => $password, 'role' => $role,
            'password_at' => now(),
        ]);
        $this->line("Sign in as {$email} ({$role->words()}) with the password {$password}");

        return self::SUCCESS;
    }

    private function text(string $name): string
    {
        $value = $this->argument($name);

        return is_string($value) ? trim($value) : '';
    }
}
