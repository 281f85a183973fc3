<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What the player said of a setup, 1 to 5 stars. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('ratings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('setup_id')->constrained();
            $table->foreignId('trial_id')->constrained();
            $table->string('kind', 12);
            $table->unsignedTinyInteger('stars');
            $table->foreignId('rated_by')->constrained('users');
            $table->timestamps();
            $table->unique(['trial_id', 'kind']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('ratings');
    }
};
