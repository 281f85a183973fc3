<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use MintCarry\Core\Intake\PostedShot;

/**
 * Sender's ids are bytes and hold within a sending session, so they are no longer unique in a bay; what was sent is told apart by its content. Held shots keep
 * the text that was sent and who settled them. Made-up shots and readings say so, and a studio says whether it takes them.
 */
return new class extends Migration
{
    /** Compares byte by byte, trailing spaces too. */
    private const BYTES = 'utf8mb4_nopad_bin';

    public function up(): void
    {
        foreach (['shots', 'held_shots'] as $name) {
            // First the new keys: bay_id needs one at any moment.
            Schema::table($name, function (Blueprint $table): void {
                $table->string('sender_session', 64)->collation(self::BYTES)->nullable()->after('sender_id');
                $table->char('content', 32)->nullable()->after('sender_session');
                $table->index('bay_id');
                $table->dropUnique(['bay_id', 'sender_id']);
            });
            Schema::table($name, function (Blueprint $table): void {
                $table->string('sender_id', 64)->collation(self::BYTES)->nullable()->change();
                $table->index(['bay_id', 'sender_id', 'content']);
            });
        }
        Schema::table('shots', function (Blueprint $table): void {
            $table->unsignedInteger('sender_run')->default(1)->after('sender_sequence');
            $table->text('beside')->nullable()->after('typed');
            $table->string('source', 12)->change();
            $table->string('client_id', 64)->collation(self::BYTES)->nullable()->change();
        });
        Schema::table('held_shots', function (Blueprint $table): void {
            $table->string('source', 12)->default('monitor');
            $table->string('settled_how', 10)->nullable();
            $table->foreignId('settled_by')->nullable()->constrained('users');
            $table->foreignId('shot_id')->nullable()->constrained('shots');
            $table->index(['fitting_id', 'settled_at']);
        });
        // The text that was sent: JSON columns take no more than 32 levels.
        Schema::getConnection()->statement('ALTER TABLE held_shots MODIFY body MEDIUMTEXT NOT NULL');
        Schema::table('studios', fn (Blueprint $table) => $table->boolean('takes_simulated')->default(false));
        Schema::table('readings', fn (Blueprint $table) => $table->string('source', 12)->default('measured'));
        Schema::table('setups', fn (Blueprint $table) => $table->string('swing_weight_source', 12)->default('measured'));
        DB::table('shots')->where('source', 'demo')->update(['source' => 'simulated']);
        DB::table('readings')->whereIn('studio_id', DB::table('studios')->where('is_demo', true)->select('id'))->update(['source' => 'simulated']);
        $this->tellApartWhatIsThere();
    }

    /** A monitor that repeats a shot of before this change is understood. */
    private function tellApartWhatIsThere(): void
    {
        DB::table('shots')->whereNotNull('bay_id')->select(['id', 'typed', 'sender_sequence', 'hit_at'])->chunkById(2000, function ($shots): void {
            foreach ($shots as $s) {
                DB::table('shots')->where('id', $s->id)->update(['content' => PostedShot::contentOf((array) json_decode($s->typed, true), $s->sender_sequence, $s->hit_at)]);
            }
        });
        DB::table('held_shots')->select(['id', 'body'])->chunkById(2000, function ($held): void {
            foreach ($held as $h) {
                $body = (array) json_decode($h->body, true);
                DB::table('held_shots')->where('id', $h->id)->update(['content' => PostedShot::contentOf((array) ($body['values'] ?? []), $body['sequence'] ?? null, $body['at'] ?? null)]);
            }
        });
        DB::table('held_shots')->whereNotNull('settled_at')->update(['settled_how' => 'settled']);
    }

    public function down(): void
    {
        Schema::table('setups', fn (Blueprint $table) => $table->dropColumn('swing_weight_source'));
        Schema::table('readings', fn (Blueprint $table) => $table->dropColumn('source'));
        Schema::table('studios', fn (Blueprint $table) => $table->dropColumn('takes_simulated'));
        Schema::table('held_shots', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('shot_id');
            $table->dropConstrainedForeignId('settled_by');
            $table->dropColumn(['settled_how', 'source']);
            $table->index('fitting_id');
            $table->dropIndex(['fitting_id', 'settled_at']);
        });
        Schema::table('shots', fn (Blueprint $table) => $table->dropColumn(['sender_run', 'beside']));
        foreach (['shots', 'held_shots'] as $name) {
            // Ids that were used again do not fit under a key that lets each be used once.
            DB::statement("UPDATE {$name} t JOIN (SELECT bay_id, sender_id COLLATE utf8mb4_unicode_ci AS sent, MIN(id) AS first FROM {$name} WHERE sender_id IS NOT NULL GROUP BY bay_id, sent) f ON f.bay_id = t.bay_id AND f.sent = t.sender_id COLLATE utf8mb4_unicode_ci AND t.id > f.first SET t.sender_id = CONCAT('again-', t.id)");
            Schema::table($name, function (Blueprint $table) use ($name): void {
                $table->string('sender_id', 64)->nullable($name === 'shots')->collation('utf8mb4_unicode_ci')->change();
                $table->unique(['bay_id', 'sender_id']);
                $table->dropIndex(['bay_id', 'sender_id', 'content']);
                $table->dropIndex(['bay_id']);
                $table->dropColumn(['sender_session', 'content']);
            });
        }
    }
};
