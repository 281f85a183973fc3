<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Visits, blind trials, ratings, setups parked or dropped with a reason, a screening policy per fitting, and a log of who did what that can be taken back. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('visits', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->unsignedSmallInteger('number');
            $table->foreignId('begun_by')->constrained('users');
            $table->timestamps();
            $table->unique(['fitting_id', 'number']);
        });
        Schema::create('blinds', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->json('setups');
            $table->unsignedTinyInteger('shots_each');
            $table->unsignedTinyInteger('place')->default(0);
            $table->foreignId('begun_by')->constrained('users');
            $table->timestamp('revealed_at')->nullable();
            $table->timestamps();
        });
        Schema::table('trials', function (Blueprint $table): void {
            $table->foreignId('visit_id')->nullable()->constrained();
            $table->foreignId('blind_id')->nullable()->constrained();
            $table->boolean('rating_skipped')->default(false);
            $table->string('note', 500)->default('');
        });
        Schema::create('ratings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('setup_id')->constrained();
            $table->foreignId('trial_id')->constrained();
            $table->string('kind', 12);
            $table->unsignedTinyInteger('stars');
            $table->foreignId('rated_by')->constrained('users');
            $table->timestamps();
            $table->unique(['trial_id', 'kind']);
        });
        Schema::table('setups', function (Blueprint $table): void {
            $table->string('shelf', 10)->default('');
            $table->string('shelf_reason', 300)->default('');
            $table->boolean('starred')->default(false);
        });
        Schema::table('fittings', function (Blueprint $table): void {
            $table->string('screening', 20)->default('flagged');
            $table->boolean('asks_ratings')->default(true);
        });
        Schema::create('log_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('studio_id')->constrained();
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('words', 300);
            $table->json('changes');
            $table->foreignId('undo_of')->nullable();
            $table->timestamp('undone_at')->nullable();
            $table->timestamps();
            $table->index(['fitting_id', 'id']);
        });
        // Trials hit before there were visits belong to the first.
        foreach (DB::table('trials')->select('studio_id', 'fitting_id', DB::raw('min(begun_by) as begun_by'), DB::raw('min(created_at) as at'))->groupBy('studio_id', 'fitting_id')->get() as $t) {
            $id = DB::table('visits')->insertGetId(['studio_id' => $t->studio_id, 'fitting_id' => $t->fitting_id, 'number' => 1, 'begun_by' => $t->begun_by, 'created_at' => $t->at, 'updated_at' => $t->at]);
            DB::table('trials')->where('fitting_id', $t->fitting_id)->update(['visit_id' => $id]);
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('log_entries');
        Schema::table('fittings', fn (Blueprint $table) => $table->dropColumn(['screening', 'asks_ratings']));
        Schema::table('setups', fn (Blueprint $table) => $table->dropColumn(['shelf', 'shelf_reason', 'starred']));
        Schema::dropIfExists('ratings');
        Schema::table('trials', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('visit_id');
            $table->dropConstrainedForeignId('blind_id');
            $table->dropColumn(['rating_skipped', 'note']);
        });
        Schema::dropIfExists('blinds');
        Schema::dropIfExists('visits');
    }
};
