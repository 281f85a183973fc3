<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Bays with a monitor of their own. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('bays', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->string('name', 40);
            $table->foreignId('fitting_id')->nullable()->constrained();
            $table->char('token_hash', 64)->nullable()->unique();
            $table->timestamp('token_made_at')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('bays');
    }
};
