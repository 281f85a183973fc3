<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * Fittings: the player, the brief as one record, and what is judged by. The benchmark and the running trial follow when their
 * tables are there.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('fittings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('player_id')->constrained();
            $table->unsignedBigInteger('benchmark_setup_id')->nullable();
            $table->unsignedBigInteger('running_trial_id')->nullable();
            $table->json('brief');
            $table->timestamp('brief_agreed_at')->nullable();
            $table->string('wants', 500)->default('');
            $table->json('typed');
            $table->string('screening', 20)->default('flagged');
            $table->json('tie_order')->nullable();
            $table->boolean('asks_ratings')->default(true);
            $table->unsignedInteger('seed')->nullable();
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->index(['studio_id', 'updated_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('fittings');
    }
};
