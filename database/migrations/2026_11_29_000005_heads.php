<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Heads of the rack as printed and as known. What was read of them stands in readings; a label is free again once its head is retired. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('heads', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->string('label', 80);
            $table->string('maker', 80)->default('');
            $table->string('hand', 5);
            $table->string('type', 20)->default('middle');
            $table->foreignId('sleeve_id')->nullable()->constrained();
            $table->double('stated_loft_deg');
            $table->double('stated_lie_deg')->default(58);
            $table->double('stated_face_open_deg')->default(0);
            foreach (['volume_cm3', 'mass_g', 'cg_toe_mm', 'cg_back_mm', 'cg_up_mm', 'bulge_mm', 'roll_mm'] as $column) {
                $table->double($column)->nullable();
            }
            $table->json('inertia_gcm2')->nullable();
            foreach (['slots', 'stock_g', 'standard', 'supply'] as $column) {
                $table->json($column);
            }
            $table->string('note', 500)->default('');
            $table->timestamp('retired_at')->nullable();
            $table->timestamps();
            $table->string('label_in_use', 80)->nullable()->virtualAs('if(retired_at is null, label, null)');
            $table->unique(['studio_id', 'hand', 'label_in_use']);
        });
        // Money always with its currency.
        DB::statement(
            "ALTER TABLE heads ADD CONSTRAINT heads_price_has_currency CHECK (JSON_VALUE(supply, '\$.price') IS NULL OR "
                ."COALESCE(JSON_VALUE(supply, '\$.currency'), '') <> '')",
        );
    }

    public function down(): void
    {
        Schema::dropIfExists('heads');
    }
};
