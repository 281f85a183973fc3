<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Trials: shots hit with one setup in one go, under conditions that they keep. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('trials', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('setup_id')->constrained();
            $table->foreignId('visit_id')->nullable()->constrained();
            $table->foreignId('blind_id')->nullable()->constrained();
            $table->foreignId('confirm_id')->nullable()->constrained();
            $table->unsignedSmallInteger('number');
            $table->string('kind', 10)->default('trial');
            $table->json('conditions');
            $table->boolean('rating_skipped')->default(false);
            $table->string('note', 500)->default('');
            $table->foreignId('begun_by')->constrained('users');
            $table->timestamp('ended_at')->nullable();
            $table->timestamps();
            $table->unique(['fitting_id', 'number']);
        });
        Schema::table('fittings', fn (Blueprint $table) => $table->foreign('running_trial_id')->references('id')->on('trials'));
    }

    public function down(): void
    {
        Schema::table('fittings', fn (Blueprint $table) => $table->dropForeign(['running_trial_id']));
        Schema::dropIfExists('trials');
    }
};
