<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Decisions as versions, with the advice as it stood and the grounds when one was locked. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('decisions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('setup_id')->constrained();
            $table->foreignId('advised_setup_id')->constrained('setups');
            $table->unsignedSmallInteger('number')->default(1);
            $table->string('reason', 2000);
            $table->json('advice');
            $table->json('proof')->nullable();
            $table->foreignId('decided_by')->constrained('users');
            $table->timestamp('locked_at')->nullable();
            $table->timestamp('reopened_at')->nullable();
            $table->string('reopen_why', 300)->default('');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('decisions');
    }
};
