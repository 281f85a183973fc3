<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** In which language players read: what they chose on a link, what was booked, and what the studio speaks. */
return new class extends Migration
{
    public function up(): void
    {
        // null: nobody said it yet. English was written for everybody, so it was said of nobody.
        Schema::table('players', fn (Blueprint $table) => $table->string('language', 8)->nullable()->default(null)->change());
        DB::table('players')->where('language', 'en')->update(['language' => null]);
        Schema::table('player_links', fn (Blueprint $table) => $table->string('language', 8)->nullable());
        Schema::table('studios', fn (Blueprint $table) => $table->string('language', 8)->default('en'));
    }

    public function down(): void
    {
        Schema::table('studios', fn (Blueprint $table) => $table->dropColumn('language'));
        Schema::table('player_links', fn (Blueprint $table) => $table->dropColumn('language'));
        DB::table('players')->whereNull('language')->update(['language' => 'en']);
        Schema::table('players', fn (Blueprint $table) => $table->string('language', 8)->default('en')->change());
    }
};
