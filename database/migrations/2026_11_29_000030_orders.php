<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was ordered after a decision, where it is, and whether it came as ordered. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('orders', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('player_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('decision_id')->constrained();
            $table->foreignId('setup_id')->constrained();
            $table->string('state', 12)->default('asked');
            // what is bought: label and price of each
            $table->json('lines');
            $table->decimal('labour', 10, 2)->default(0);
            $table->string('currency', 8)->default('');
            $table->unsignedSmallInteger('days')->nullable();
            $table->date('due_on')->nullable();
            $table->string('note', 500)->default('');
            // why it was cancelled, or sent back
            $table->string('why', 300)->default('');
            // what gauge and balance shall read, and how far off it may be
            $table->json('figures');
            $table->json('tolerances');
            // which state since when, by whom
            $table->json('steps');
            // the club that was built, as a head of its own
            $table->foreignId('built_head_id')->nullable()->constrained('heads');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->index(['studio_id', 'state']);
        });
        Schema::create('acceptances', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('order_id')->constrained();
            $table->json('figures');
            $table->json('typed');
            $table->string('source', 12)->default('measured');
            $table->json('report');
            $table->foreignId('read_by')->constrained('users');
            $table->timestamp('accepted_at')->nullable();
            $table->string('why', 300)->default('');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('acceptances');
        Schema::dropIfExists('orders');
    }
};
