<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What players tell of their rounds after a fitting. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('rounds', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('player_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            // null: the studio wrote it down
            $table->foreignId('link_id')->nullable()->constrained('player_links');
            $table->string('sent_key', 64);
            $table->date('played_on');
            $table->string('course', 120);
            $table->string('course_key', 120);
            // new: the fitted club; before: the one before
            $table->string('club', 6);
            foreach (['holes', 'hit', 'missed_left', 'missed_right', 'lost'] as $column) {
                $table->unsignedTinyInteger($column);
            }
            $table->json('drives_m');
            $table->json('typed');
            $table->unsignedTinyInteger('feel')->nullable();
            $table->string('words', 500)->default('');
            $table->timestamps();
            $table->unique(['fitting_id', 'sent_key']);
            $table->index(['studio_id', 'course_key']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('rounds');
    }
};
