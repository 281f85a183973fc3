<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Who comes when: opening hours, appointments, feeds for a calendar of one's own; the journal also keeps what belongs to no fitting. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('studios', function (Blueprint $table): void {
            $table->string('time_zone', 64)->default('UTC');
            // null: the usual ones
            $table->json('opening_hours')->nullable();
            $table->json('appointment_kinds')->nullable();
        });
        Schema::table('log_entries', function (Blueprint $table): void {
            // null: it concerns the studio, not a fitting
            $table->unsignedBigInteger('fitting_id')->nullable()->change();
            // null: a player did it, by a link
            $table->unsignedBigInteger('user_id')->nullable()->change();
            $table->index(['studio_id', 'fitting_id', 'id'], 'log_entries_of_studio');
        });
        Schema::create('appointments', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('bay_id')->nullable()->constrained();
            $table->foreignId('fitter_id')->nullable()->constrained('users');
            $table->foreignId('player_id')->nullable()->constrained();
            $table->foreignId('fitting_id')->nullable()->constrained();
            $table->string('kind', 40);
            // UTC
            $table->dateTime('starts_at');
            $table->dateTime('ends_at');
            $table->unsignedSmallInteger('swings');
            $table->string('note', 500)->default('');
            $table->string('state', 12)->default('booked');
            // how often what a calendar elsewhere shows was changed (RFC 5545: SEQUENCE)
            $table->unsignedInteger('revision')->default(0);
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->index(['studio_id', 'starts_at']);
        });
        Schema::create('calendar_feeds', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('token_hash', 64)->unique();
            $table->timestamp('revoked_at')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('calendar_feeds');
        Schema::dropIfExists('appointments');
        Schema::table('log_entries', function (Blueprint $table): void {
            $table->dropIndex('log_entries_of_studio');
        });
        Schema::table('studios', fn (Blueprint $table) => $table->dropColumn(['time_zone', 'opening_hours', 'appointment_kinds']));
    }
};
