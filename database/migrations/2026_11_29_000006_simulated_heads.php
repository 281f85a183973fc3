<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What the stand-in devices find on made-up heads, apart from what is real. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('simulated_heads', function (Blueprint $table): void {
            $table->foreignId('head_id')->primary()->constrained()->cascadeOnDelete();
            $table->json('truth');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('simulated_heads');
    }
};
