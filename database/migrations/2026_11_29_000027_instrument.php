<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A blind setting that was set, what the player thinks it was, and a practice with a made-up player. */
return new class extends Migration
{
    public function up(): void
    {
        // The latest setting that the fitter has set, by its place from 0: from then on nobody is told what it is.
        Schema::table('blinds', fn (Blueprint $table) => $table->smallInteger('set_ordinal')->default(-1));
        Schema::table('trials', function (Blueprint $table): void {
            $table->foreignId('guess_setup_id')->nullable()->constrained('setups')->nullOnDelete();
            $table->boolean('guess_asked')->default(false);
        });
        Schema::table('fittings', fn (Blueprint $table) => $table->string('practice', 20)->nullable());
    }

    public function down(): void
    {
        Schema::table('fittings', fn (Blueprint $table) => $table->dropColumn('practice'));
        Schema::table('trials', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('guess_setup_id');
            $table->dropColumn('guess_asked');
        });
        Schema::table('blinds', fn (Blueprint $table) => $table->dropColumn('set_ordinal'));
    }
};
