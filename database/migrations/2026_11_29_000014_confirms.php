<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Confirm runs: the benchmark, the choice, the benchmark again. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('confirms', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('benchmark_setup_id')->constrained('setups');
            $table->foreignId('setup_id')->constrained();
            $table->unsignedTinyInteger('shots_each');
            $table->boolean('rested')->default(false);
            $table->foreignId('begun_by')->constrained('users');
            $table->timestamp('ended_at')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('confirms');
    }
};
