<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Sleeves of the rack. A name is free again once its sleeve is retired. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('sleeves', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->string('name', 60);
            $table->json('spec');
            $table->timestamp('retired_at')->nullable();
            $table->timestamps();
            $table->string('name_in_use', 60)->nullable()->virtualAs('if(retired_at is null, name, null)');
            $table->unique(['studio_id', 'name_in_use']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('sleeves');
    }
};
