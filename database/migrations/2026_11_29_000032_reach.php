<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Long clubs beside the driver, and how a setup is brought to another length. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('long_clubs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->string('name', 60);
            $table->string('kind', 16);
            $table->double('loft_deg');
            $table->double('lie_deg');
            $table->double('face_open_deg')->default(0);
            // what the sleeve is, as it was when the club was written down; null: it cannot be turned
            $table->json('sleeve')->nullable();
            $table->string('sleeve_label', 40)->default('');
            // measured values of each shot, and what was typed of it
            $table->json('shots');
            $table->timestamps();
            $table->unique(['fitting_id', 'name']);
        });
        Schema::table('setups', function (Blueprint $table): void {
            $table->json('length_plan')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('setups', fn (Blueprint $table) => $table->dropColumn('length_plan'));
        Schema::dropIfExists('long_clubs');
    }
};
