<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was changed in an agreed brief, and why. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('brief_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->json('before');
            $table->json('after');
            $table->string('why', 300);
            $table->foreignId('changed_by')->constrained('users');
            $table->timestamp('created_at');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('brief_changes');
    }
};
