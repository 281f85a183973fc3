<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Shots that could not be stored as they were sent: kept whole, and settled once. */
return new class extends Migration
{
    /** Ids of senders are compared byte by byte, trailing spaces too. */
    private const BYTES = 'utf8mb4_nopad_bin';

    public function up(): void
    {
        Schema::create('held_shots', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('bay_id')->constrained();
            $table->foreignId('fitting_id')->nullable()->constrained();
            $table->foreignId('trial_id')->nullable()->constrained();
            $table->string('sender_id', 64)->collation(self::BYTES)->nullable();
            $table->string('sender_session', 64)->collation(self::BYTES)->nullable();
            $table->char('content', 32)->nullable();
            $table->unsignedBigInteger('sender_sequence')->nullable();
            // The text that was sent: JSON columns take no more than 32 levels.
            $table->mediumText('body');
            $table->string('reason', 300);
            $table->string('source', 12)->default('monitor');
            $table->timestamp('settled_at')->nullable();
            $table->string('settled_how', 10)->nullable();
            $table->foreignId('settled_by')->nullable()->constrained('users');
            $table->foreignId('shot_id')->nullable()->constrained();
            $table->timestamps();
            $table->index(['bay_id', 'sender_id', 'content']);
            $table->index(['fitting_id', 'settled_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('held_shots');
    }
};
