<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Decisions with versions that are locked and reopened, confirm runs, what breaks a tie, and a seed that travels with a fitting's file. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('fittings', function (Blueprint $table): void {
            $table->unsignedInteger('seed')->nullable();
            $table->json('tie_order')->nullable();
        });
        Schema::table('decisions', function (Blueprint $table): void {
            $table->unsignedSmallInteger('number')->default(1);
            $table->json('proof')->nullable();
            $table->timestamp('locked_at')->nullable();
            $table->timestamp('reopened_at')->nullable();
            $table->string('reopen_why', 300)->default('');
        });
        Schema::create('confirms', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('held_setup_id')->constrained('setups');
            $table->foreignId('setup_id')->constrained();
            $table->unsignedTinyInteger('shots_each');
            $table->boolean('rested')->default(false);
            $table->foreignId('begun_by')->constrained('users');
            $table->timestamp('ended_at')->nullable();
            $table->timestamps();
        });
        Schema::table('trials', fn (Blueprint $table) => $table->foreignId('confirm_id')->nullable()->constrained());
    }

    public function down(): void
    {
        Schema::table('trials', fn (Blueprint $table) => $table->dropConstrainedForeignId('confirm_id'));
        Schema::dropIfExists('confirms');
        Schema::table('decisions', fn (Blueprint $table) => $table->dropColumn(['number', 'proof', 'locked_at', 'reopened_at', 'reopen_why']));
        Schema::table('fittings', fn (Blueprint $table) => $table->dropColumn(['seed', 'tie_order']));
    }
};
