<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A player may answer again by the same link until the fitter begins: each version is kept, and one that is sent twice is one. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('intakes', function (Blueprint $table): void {
            $table->unique(['link_id', 'sent_key']);
        });
        Schema::table('intakes', function (Blueprint $table): void {
            $table->dropUnique(['link_id']);
        });
    }

    public function down(): void
    {
        Schema::table('intakes', function (Blueprint $table): void {
            $table->unique('link_id');
            $table->dropUnique(['link_id', 'sent_key']);
        });
    }
};
