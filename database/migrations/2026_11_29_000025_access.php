<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Who gets in, as what, from where and for how long. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('studios', function (Blueprint $table): void {
            // A screen that nobody touched for so long asks for the password.
            $table->unsignedSmallInteger('lock_minutes')->default(30);
            $table->boolean('wants_second_factor')->default(false);
        });
        Schema::table('users', function (Blueprint $table): void {
            // Compared as bytes: an accent makes another address.
            $table->string('email', 254)->collation('utf8mb4_bin')->change();
            $table->string('role', 8)->default('fitter');
            $table->foreignId('bay_id')->nullable()->constrained();
            $table->text('totp_secret')->nullable();
            $table->timestamp('totp_at')->nullable();
            $table->unsignedBigInteger('totp_step')->default(0);
            $table->json('recovery_codes')->nullable();
            $table->timestamp('password_at')->nullable();
            $table->timestamp('removed_at')->nullable();
        });
        Schema::create('sign_ins', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->string('from', 45);
            $table->string('device', 80);
            $table->timestamp('seen_at');
            $table->timestamp('ends_at');
            $table->timestamp('locked_at')->nullable();
            $table->timestamp('ended_at')->nullable();
            $table->string('ended_why', 40)->nullable();
            $table->timestamps();
            $table->index(['user_id', 'ended_at']);
            $table->index('ends_at');
        });
        Schema::create('known_devices', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->char('token_hash', 64)->unique();
            $table->timestamp('seen_at');
            $table->timestamps();
        });
        Schema::create('welcome_links', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->foreignId('made_by')->nullable()->constrained('users');
            $table->string('kind', 12);
            $table->char('token_hash', 64)->unique();
            $table->timestamp('ends_at');
            $table->timestamp('used_at')->nullable();
            $table->timestamps();
        });
        // Whoever was there first owns the studio; an address is kept as it is compared.
        DB::statement('UPDATE users SET email = LOWER(TRIM(email)), password_at = COALESCE(created_at, NOW())');
        DB::statement("UPDATE users JOIN (SELECT MIN(id) id FROM users GROUP BY studio_id) f ON f.id = users.id SET role = 'owner'");
    }

    public function down(): void
    {
        foreach (['welcome_links', 'known_devices', 'sign_ins'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('users', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('bay_id');
            $table->dropColumn(['role', 'totp_secret', 'totp_at', 'totp_step', 'recovery_codes', 'password_at', 'removed_at']);
        });
        Schema::table('studios', fn (Blueprint $table) => $table->dropColumn(['lock_minutes', 'wants_second_factor']));
    }
};
