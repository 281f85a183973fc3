<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Private links for players, and what they say of themselves before they come. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('players', fn (Blueprint $table) => $table->string('language', 8)->default('en'));
        // null: the player gave it by a link
        Schema::table('consents', fn (Blueprint $table) => $table->unsignedBigInteger('taken_by')->nullable()->change());
        Schema::create('player_links', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('player_id')->constrained();
            $table->foreignId('fitting_id')->nullable()->constrained();
            $table->string('kind', 12);
            // encrypted: it is shown again, and printed; found by its hash
            $table->text('token');
            $table->string('token_hash', 64)->unique();
            $table->timestamp('ends_at');
            $table->timestamp('opened_at')->nullable();
            $table->timestamp('used_at')->nullable();
            $table->timestamp('revoked_at')->nullable();
            $table->foreignId('made_by')->constrained('users');
            $table->timestamps();
            $table->index(['player_id', 'kind']);
        });
        Schema::create('intakes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('player_id')->constrained();
            // whose brief it became
            $table->foreignId('fitting_id')->nullable()->constrained();
            $table->foreignId('link_id')->unique()->constrained('player_links');
            // the same sending twice is one
            $table->string('sent_key', 64);
            $table->json('said');
            // encrypted: of the fitter alone
            $table->text('pain')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('intakes');
        Schema::dropIfExists('player_links');
        Schema::table('players', fn (Blueprint $table) => $table->dropColumn('language'));
    }
};
