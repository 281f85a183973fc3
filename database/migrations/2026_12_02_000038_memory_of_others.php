<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What other studios of a chain know of their heads, as a studio took it in. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('studios', fn (Blueprint $table) => $table->json('memory_of_others')->nullable());
    }

    public function down(): void
    {
        Schema::table('studios', fn (Blueprint $table) => $table->dropColumn('memory_of_others'));
    }
};
