<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** How a kind of launch file is read in a studio. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('remembered_maps', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->char('signature', 64);
            $table->json('map');
            $table->timestamps();
            $table->unique(['studio_id', 'signature']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('remembered_maps');
    }
};
