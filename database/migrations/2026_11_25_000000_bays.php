<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Bays with a monitor of their own, trials that keep the conditions they were hit in, and a tray for shots that could not be stored. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('trials', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('setup_id')->constrained();
            $table->unsignedSmallInteger('number');
            $table->string('kind', 10)->default('trial');
            $table->json('place');
            $table->foreignId('begun_by')->constrained('users');
            $table->timestamp('ended_at')->nullable();
            $table->timestamps();
            $table->unique(['fitting_id', 'number']);
        });
        Schema::create('bays', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->string('name', 40);
            $table->foreignId('fitting_id')->nullable()->constrained();
            $table->char('token_hash', 64)->nullable()->unique();
            $table->timestamp('token_made_at')->nullable();
            $table->timestamps();
        });
        Schema::table('fittings', fn (Blueprint $table) => $table->foreignId('running_trial_id')->nullable());
        Schema::table('shots', function (Blueprint $table): void {
            $table->foreignId('trial_id')->nullable()->constrained();
            $table->foreignId('bay_id')->nullable()->constrained();
            $table->string('sender_id', 64)->nullable();
            $table->unsignedBigInteger('sender_sequence')->nullable();
            $table->string('intent', 20)->default('normal');
            $table->unique(['bay_id', 'sender_id']);
        });
        Schema::create('held_shots', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('bay_id')->constrained();
            $table->foreignId('fitting_id')->nullable()->constrained();
            $table->foreignId('trial_id')->nullable()->constrained();
            $table->string('sender_id', 64);
            $table->unsignedBigInteger('sender_sequence')->nullable();
            $table->json('body');
            $table->string('reason', 300);
            $table->timestamp('settled_at')->nullable();
            $table->timestamps();
            $table->unique(['bay_id', 'sender_id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('held_shots');
        Schema::table('shots', function (Blueprint $table): void {
            $table->dropForeign(['bay_id']);
            $table->dropUnique(['bay_id', 'sender_id']);
            $table->dropConstrainedForeignId('trial_id');
            $table->dropColumn(['bay_id', 'sender_id', 'sender_sequence', 'intent']);
        });
        Schema::table('fittings', fn (Blueprint $table) => $table->dropColumn('running_trial_id'));
        Schema::dropIfExists('bays');
        Schema::dropIfExists('trials');
    }
};
