<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The journal: who did what, with every row that changed by it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('log_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('words', 300);
            $table->json('changes');
            $table->foreignId('undo_of')->nullable()->constrained('log_entries');
            $table->timestamp('undone_at')->nullable();
            $table->timestamps();
            $table->index(['fitting_id', 'id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('log_entries');
    }
};
