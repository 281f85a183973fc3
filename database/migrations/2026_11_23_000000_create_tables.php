<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('studios', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->boolean('is_demo')->default(false);
            $table->timestamps();
        });
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->string('name');
            $table->string('email')->unique();
            $table->string('password');
            $table->rememberToken();
            $table->timestamps();
        });
        Schema::create('players', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->string('name');
            $table->string('hand', 5);
            $table->json('units');
            $table->timestamps();
            $table->index(['studio_id', 'name']);
        });
        Schema::create('fittings', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->foreignId('player_id')->constrained();
            $table->unsignedBigInteger('benchmark_setup_id')->nullable();
            $table->double('corridor_width_m')->default(30);
            $table->string('trouble_side', 5)->default('none');
            $table->string('trouble_kind', 20)->default('trees');
            $table->double('trouble_at_m')->nullable();
            $table->double('hole_length_m')->default(370);
            $table->double('temperature_c')->default(18);
            $table->double('altitude_m')->default(0);
            $table->string('turf', 6)->default('medium');
            $table->string('wants', 500)->default('');
            $table->json('typed');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->index(['studio_id', 'updated_at']);
        });
        Schema::create('setups', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->foreignId('fitting_id')->constrained();
            $table->string('tag', 3);
            $table->unsignedSmallInteger('position');
            $table->boolean('is_baseline')->default(false);
            $table->unsignedBigInteger('branched_from_id')->nullable();
            $table->string('head', 80);
            $table->double('stated_loft_deg');
            foreach (['measured_loft_deg', 'measured_lie_deg', 'measured_face_open_deg', 'sleeve_loft_deg', 'sleeve_face_open_deg', 'sleeve_lie_deg', 'length_mm'] as $column) {
                $table->double($column)->nullable();
            }
            $table->string('sleeve_label', 40)->default('');
            $table->string('weights', 120)->default('');
            $table->string('shaft', 80)->default('');
            $table->string('ball', 80)->default('');
            $table->string('note', 500)->default('');
            $table->json('typed');
            $table->timestamps();
            $table->unique(['fitting_id', 'tag']);
        });
        Schema::create('import_files', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->foreignId('fitting_id')->constrained();
            $table->string('name');
            $table->char('sha256', 64);
            $table->string('state', 10)->default('draft');
            $table->char('signature', 64)->nullable();
            $table->json('map')->nullable();
            $table->unsignedInteger('stored_shots')->default(0);
            $table->foreignId('uploaded_by')->constrained('users');
            $table->timestamps();
            $table->index(['fitting_id', 'sha256']);
        });
        // Larger than the framework's 64 KB binary type.
        Schema::getConnection()->statement('ALTER TABLE import_files ADD raw LONGBLOB NOT NULL');
        Schema::create('remembered_maps', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->char('signature', 64);
            $table->json('map');
            $table->timestamps();
            $table->unique(['studio_id', 'signature']);
        });
        Schema::create('shots', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('setup_id')->constrained();
            $table->foreignId('import_file_id')->nullable()->constrained();
            $table->string('source', 8);
            $table->unsignedInteger('sequence');
            $table->unsignedInteger('line')->nullable();
            $table->char('shot_key', 32);
            $table->string('client_id', 64)->nullable();
            $table->json('measured');
            $table->json('typed');
            $table->json('flags');
            $table->string('hit_at', 60)->nullable();
            $table->string('note', 500)->nullable();
            $table->string('left_out_reason', 30)->nullable();
            $table->string('left_out_note', 300)->nullable();
            $table->foreignId('left_out_by')->nullable()->constrained('users');
            $table->timestamp('left_out_at')->nullable();
            $table->timestamps();
            $table->unique(['fitting_id', 'client_id']);
            $table->index(['fitting_id', 'sequence']);
            $table->index(['fitting_id', 'shot_key']);
        });
        Schema::create('decisions', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->foreignId('fitting_id')->constrained();
            $table->foreignId('setup_id')->constrained();
            $table->unsignedBigInteger('advised_setup_id');
            $table->text('reason');
            $table->json('advice');
            $table->foreignId('decided_by')->constrained('users');
            $table->timestamps();
        });
        Schema::create('sessions', function (Blueprint $table): void {
            $table->string('id')->primary();
            $table->foreignId('user_id')->nullable()->index();
            $table->string('ip_address', 45)->nullable();
            $table->text('user_agent')->nullable();
            $table->longText('payload');
            $table->integer('last_activity')->index();
        });
        Schema::create('cache', function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->mediumText('value');
            $table->integer('expiration');
        });
        Schema::create('cache_locks', function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->string('owner');
            $table->integer('expiration');
        });
    }

    public function down(): void
    {
        foreach (['cache_locks', 'cache', 'sessions', 'decisions', 'shots', 'remembered_maps', 'import_files', 'setups', 'fittings', 'players', 'users', 'studios'] as $table) {
            Schema::dropIfExists($table);
        }
    }

    private function studio(Blueprint $table): void
    {
        $table->foreignId('studio_id')->constrained();
    }
};
