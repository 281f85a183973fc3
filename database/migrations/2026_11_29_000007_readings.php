<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was read of a head on the gauge and the balance; the latest of each value is in force. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('readings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('head_id')->constrained();
            $table->json('values');
            $table->string('position', 12)->default('');
            $table->string('read_as', 10);
            $table->string('way', 20);
            $table->string('source', 12)->default('measured');
            $table->json('typed');
            $table->string('note', 300)->default('');
            $table->foreignId('read_by')->constrained('users');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('readings');
    }
};
