<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Blind trials: settings in an order that nobody sees until it is revealed. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('blinds', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->json('setups');
            $table->unsignedTinyInteger('shots_each');
            $table->unsignedTinyInteger('ordinal')->default(0);
            $table->foreignId('begun_by')->constrained('users');
            $table->timestamp('revealed_at')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('blinds');
    }
};
