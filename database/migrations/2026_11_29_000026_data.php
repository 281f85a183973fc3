<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Whose data they are: consent, who looked, what was thrown away and can still come back, and who was erased. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('studios', function (Blueprint $table): void {
            // Whom nobody saw for so long is erased; null: nobody is.
            $table->unsignedSmallInteger('retention_months')->nullable();
            $table->text('consent_text')->nullable();
        });
        Schema::table('players', function (Blueprint $table): void {
            $table->timestamp('binned_at')->nullable();
            $table->timestamp('erased_at')->nullable();
        });
        Schema::table('fittings', function (Blueprint $table): void {
            $table->timestamp('binned_at')->nullable();
            $table->index(['studio_id', 'binned_at', 'updated_at', 'id'], 'fittings_day_book');
        });
        Schema::table('import_files', fn (Blueprint $table) => $table->timestamp('binned_at')->nullable());
        // The day book is searched by head.
        Schema::table('setups', fn (Blueprint $table) => $table->index(['studio_id', 'head', 'fitting_id'], 'setups_by_head'));
        Schema::create('bin_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('words', 300);
            $table->json('items');
            $table->timestamp('until');
            $table->timestamp('restored_at')->nullable();
            $table->timestamp('emptied_at')->nullable();
            $table->timestamps();
            $table->index(['studio_id', 'until']);
        });
        Schema::create('consents', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('player_id')->constrained();
            $table->text('text');
            $table->string('guardian', 120)->nullable();
            $table->foreignId('taken_by')->constrained('users');
            $table->timestamp('given_at');
            $table->timestamp('withdrawn_at')->nullable();
            $table->timestamps();
        });
        Schema::create('looks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->unsignedBigInteger('player_id');
            $table->unsignedBigInteger('fitting_id')->nullable();
            $table->string('what', 40);
            $table->date('day');
            $table->timestamps();
            $table->unique(['user_id', 'player_id', 'fitting_id', 'what', 'day']);
            $table->index(['studio_id', 'id']);
            $table->index(['player_id', 'id']);
        });
        Schema::create('erasures', function (Blueprint $table): void {
            $table->id();
            $table->unsignedBigInteger('studio_id');
            $table->unsignedBigInteger('player_id')->unique();
            $table->unsignedBigInteger('by')->nullable();
            $table->string('why', 12);
            $table->timestamps();
        });
    }

    public function down(): void
    {
        foreach (['erasures', 'looks', 'consents', 'bin_entries'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('setups', fn (Blueprint $table) => $table->dropIndex('setups_by_head'));
        Schema::table('import_files', fn (Blueprint $table) => $table->dropColumn('binned_at'));
        Schema::table('fittings', function (Blueprint $table): void {
            $table->dropIndex('fittings_day_book');
            $table->dropColumn('binned_at');
        });
        Schema::table('players', fn (Blueprint $table) => $table->dropColumn(['binned_at', 'erased_at']));
        Schema::table('studios', fn (Blueprint $table) => $table->dropColumn(['retention_months', 'consent_text']));
    }
};
