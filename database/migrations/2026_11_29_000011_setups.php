<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Setups: built from a head of the rack, or only described. What the rack said of sleeve and print when one was built stays with it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('setups', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->string('tag', 3);
            $table->unsignedSmallInteger('position');
            $table->boolean('is_baseline')->default(false);
            $table->foreignId('branched_from_id')->nullable()->constrained('setups');
            $table->foreignId('head_id')->nullable()->constrained();
            $table->string('head', 80);
            $table->json('rack_snapshot')->nullable();
            $table->json('masses')->nullable();
            foreach (['shaft_id', 'grip_id', 'ball_id'] as $column) {
                $table->foreignId($column)->nullable()->constrained('parts');
            }
            $table->double('stated_loft_deg');
            foreach (
                [
                    'measured_loft_deg', 'measured_lie_deg', 'measured_face_open_deg', 'sleeve_loft_deg', 'sleeve_face_open_deg',
                    'sleeve_lie_deg', 'length_mm', 'tee_mm', 'swing_weight_points',
                ] as $column
            ) {
                $table->double($column)->nullable();
            }
            $table->string('swing_weight_source', 12)->default('measured');
            $table->string('sleeve_label', 40)->default('');
            $table->string('weights', 120)->default('');
            $table->string('shaft', 80)->default('');
            $table->string('ball', 80)->default('');
            $table->string('cue', 80)->default('');
            $table->string('note', 500)->default('');
            $table->string('shelf', 10)->default('');
            $table->string('shelf_reason', 300)->default('');
            $table->boolean('starred')->default(false);
            $table->json('typed');
            $table->timestamps();
            $table->unique(['fitting_id', 'tag']);
        });
        Schema::table('fittings', fn (Blueprint $table) => $table->foreign('benchmark_setup_id')->references('id')->on('setups'));
    }

    public function down(): void
    {
        Schema::table('fittings', fn (Blueprint $table) => $table->dropForeign(['benchmark_setup_id']));
        Schema::dropIfExists('setups');
    }
};
