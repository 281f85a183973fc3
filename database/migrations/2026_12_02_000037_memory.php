<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a studio's fittings taught of its heads: what each one leaves, and the versions that were learned from all. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('memories', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained()->cascadeOnDelete();
            // Null: it came with the file of a fitting, and no other fitting begins with it.
            $table->unsignedInteger('version')->nullable();
            $table->json('content');
            $table->timestamp('forgotten_at')->nullable();
            $table->timestamps();
            $table->unique(['studio_id', 'version']);
        });
        Schema::create('lessons', function (Blueprint $table): void {
            // No foreign key: it would lock the fitting's row, which every posted shot waits for.
            $table->unsignedBigInteger('fitting_id')->primary();
            $table->char('state', 32);
            // Null: it teaches nothing.
            $table->longText('content')->nullable();
        });
        Schema::table('fittings', function (Blueprint $table): void {
            $table->unsignedBigInteger('memory_id')->nullable();
        });
        Schema::table('studios', function (Blueprint $table): void {
            $table->boolean('remembers')->default(true);
        });
    }

    public function down(): void
    {
        Schema::table('studios', fn (Blueprint $table) => $table->dropColumn('remembers'));
        Schema::table('fittings', fn (Blueprint $table) => $table->dropColumn('memory_id'));
        Schema::dropIfExists('lessons');
        Schema::dropIfExists('memories');
    }
};
