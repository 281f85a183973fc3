<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Shots: what was measured, as typed or sent beside it, and why one does not count. What a monitor sent is told apart by its
 * content; its ids hold within its session.
 */
return new class extends Migration
{
    /** Ids of senders are compared byte by byte, trailing spaces too. */
    private const BYTES = 'utf8mb4_nopad_bin';

    public function up(): void
    {
        Schema::create('shots', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('setup_id')->constrained();
            $table->foreignId('trial_id')->nullable()->constrained();
            $table->foreignId('bay_id')->nullable()->constrained();
            $table->foreignId('import_file_id')->nullable()->constrained();
            $table->string('source', 12);
            $table->unsignedInteger('sequence');
            $table->unsignedInteger('line')->nullable();
            $table->char('shot_key', 32);
            $table->string('client_id', 64)->collation(self::BYTES)->nullable();
            $table->string('sender_id', 64)->collation(self::BYTES)->nullable();
            $table->string('sender_session', 64)->collation(self::BYTES)->nullable();
            $table->char('content', 32)->nullable();
            $table->unsignedBigInteger('sender_sequence')->nullable();
            $table->unsignedInteger('sender_run')->default(1);
            $table->json('measured');
            $table->json('typed');
            $table->text('beside')->nullable();
            $table->json('flags');
            $table->string('intent', 20)->default('normal');
            $table->string('hit_at', 60)->nullable();
            $table->string('note', 500)->nullable();
            $table->string('left_out_reason', 30)->nullable();
            $table->string('left_out_note', 300)->nullable();
            $table->foreignId('left_out_by')->nullable()->constrained('users');
            $table->timestamp('left_out_at')->nullable();
            $table->timestamps();
            $table->unique(['fitting_id', 'client_id']);
            $table->index(['fitting_id', 'sequence']);
            $table->index(['fitting_id', 'shot_key']);
            $table->index(['bay_id', 'sender_id', 'content']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('shots');
    }
};
