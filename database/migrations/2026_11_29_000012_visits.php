<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Visits of a fitting. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('visits', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->unsignedSmallInteger('number');
            $table->foreignId('begun_by')->constrained('users');
            $table->timestamps();
            $table->unique(['fitting_id', 'number']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('visits');
    }
};
