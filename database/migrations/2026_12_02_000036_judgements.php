<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Judgements that were made ahead, and what a worker still has to judge. Both may be lost: they are made again. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('judgements', function (Blueprint $table): void {
            $table->id();
            // No foreign key: it would lock the fitting's row, which every posted shot waits for.
            $table->unsignedBigInteger('fitting_id');
            $table->string('part', 24);
            // What was asked beside the part: a swing, a head. Empty for what everybody is shown first.
            $table->string('asked', 200);
            $table->char('state', 32);
            $table->unsignedInteger('shots');
            $table->boolean('is_refusal');
            $table->binary('body');
            $table->dateTime('made_at', 6);
            $table->unique(['fitting_id', 'part', 'asked', 'state']);
        });
        DB::statement('ALTER TABLE judgements MODIFY body LONGBLOB NOT NULL');
        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('jobs');
        Schema::dropIfExists('judgements');
    }
};
