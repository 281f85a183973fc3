<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Shafts, grips and balls. A label is free again once its part is retired. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->string('kind', 10);
            $table->string('label', 80);
            $table->json('data');
            $table->json('supply');
            $table->timestamp('retired_at')->nullable();
            $table->timestamps();
            $table->string('label_in_use', 80)->nullable()->virtualAs('if(retired_at is null, label, null)');
            $table->unique(['studio_id', 'kind', 'label_in_use']);
        });
        // Money always with its currency.
        DB::statement(
            "ALTER TABLE parts ADD CONSTRAINT parts_price_has_currency CHECK (JSON_VALUE(supply, '\$.price') IS NULL OR "
                ."COALESCE(JSON_VALUE(supply, '\$.currency'), '') <> '')",
        );
    }

    public function down(): void
    {
        Schema::dropIfExists('parts');
    }
};
