<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Launch files as they came, byte by byte. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('import_files', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->string('name', 200);
            $table->char('sha256', 64);
            $table->string('state', 10)->default('draft');
            $table->char('signature', 64)->nullable();
            $table->json('map')->nullable();
            $table->unsignedInteger('stored_shots')->default(0);
            $table->foreignId('uploaded_by')->constrained('users');
            $table->timestamps();
            $table->index(['fitting_id', 'sha256']);
        });
        // Larger than the framework's 64 KB binary type.
        DB::statement('ALTER TABLE import_files ADD raw LONGBLOB NOT NULL');
    }

    public function down(): void
    {
        Schema::dropIfExists('import_files');
    }
};
