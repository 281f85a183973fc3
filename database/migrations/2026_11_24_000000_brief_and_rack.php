<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\Trouble;

/** The brief as one record with its history; the rack: heads with readings, sleeves, shafts, grips and balls; setups that are built from it. */
return new class extends Migration
{
    private const OLD = ['corridor_width_m', 'trouble_side', 'trouble_kind', 'trouble_at_m', 'hole_length_m', 'temperature_c', 'altitude_m', 'turf'];

    public function up(): void
    {
        Schema::table('fittings', function (Blueprint $table): void {
            $table->json('brief')->nullable();
            $table->timestamp('brief_agreed_at')->nullable();
        });
        foreach (DB::table('fittings')->get() as $row) {
            $trouble = fn (string $side): Trouble => in_array($row->trouble_side, [$side, 'both'], true) ? new Trouble($row->trouble_kind, $row->trouble_at_m) : new Trouble('rough');
            $brief = new Brief(wish: $row->wants, turf: $row->turf, altitudeM: $row->altitude_m, temperatureC: $row->temperature_c, holeLengthM: $row->hole_length_m, corridor: new Corridor($row->corridor_width_m, $trouble('left'), $trouble('right')));
            DB::table('fittings')->where('id', $row->id)->update(['brief' => json_encode($brief->toArray())]);
        }
        Schema::table('fittings', fn (Blueprint $table) => $table->dropColumn(self::OLD));
        Schema::create('brief_changes', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->foreignId('fitting_id')->constrained();
            $table->json('before');
            $table->json('after');
            $table->string('why', 300);
            $table->foreignId('changed_by')->constrained('users');
            $table->timestamp('created_at');
        });
        Schema::create('sleeves', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->string('name', 60);
            $table->json('spec');
            $table->timestamp('retired_at')->nullable();
            $table->timestamps();
        });
        Schema::create('heads', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->string('label', 80);
            $table->string('maker', 80)->default('');
            $table->string('hand', 5);
            $table->string('type', 20)->default('middle');
            $table->foreignId('sleeve_id')->nullable()->constrained();
            $table->double('stated_loft_deg');
            $table->double('stated_lie_deg')->default(58);
            $table->double('stated_face_open_deg')->default(0);
            foreach (['volume_cm3', 'mass_g', 'cg_toe_mm', 'cg_back_mm', 'cg_up_mm', 'bulge_mm', 'roll_mm'] as $column) {
                $table->double($column)->nullable();
            }
            foreach (['inertia_gcm2', 'truth'] as $column) {
                $table->json($column)->nullable();
            }
            foreach (['slots', 'stock_g', 'standard', 'supply'] as $column) {
                $table->json($column);
            }
            $table->string('note', 500)->default('');
            $table->timestamp('retired_at')->nullable();
            $table->timestamps();
            $table->index(['studio_id', 'label']);
        });
        Schema::create('readings', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->foreignId('head_id')->constrained();
            $table->json('values');
            $table->string('position', 12)->default('');
            $table->string('read_as', 10);
            $table->string('way', 20);
            $table->json('typed');
            $table->string('note', 300)->default('');
            $table->foreignId('read_by')->constrained('users');
            $table->timestamps();
        });
        Schema::create('parts', function (Blueprint $table): void {
            $table->id();
            $this->studio($table);
            $table->string('kind', 10);
            $table->string('label', 80);
            $table->json('data');
            $table->json('supply');
            $table->timestamp('retired_at')->nullable();
            $table->timestamps();
            $table->index(['studio_id', 'kind']);
        });
        Schema::table('setups', function (Blueprint $table): void {
            $table->foreignId('head_id')->nullable()->constrained();
            $table->json('spec')->nullable();
            $table->json('masses')->nullable();
            foreach (['shaft_id', 'grip_id', 'ball_id'] as $column) {
                $table->foreignId($column)->nullable()->constrained('parts');
            }
            $table->double('tee_mm')->nullable();
            $table->double('swing_weight_points')->nullable();
            $table->string('cue', 80)->default('');
        });
    }

    public function down(): void
    {
        Schema::table('setups', function (Blueprint $table): void {
            foreach (['head_id', 'shaft_id', 'grip_id', 'ball_id'] as $column) {
                $table->dropConstrainedForeignId($column);
            }
            $table->dropColumn(['spec', 'masses', 'tee_mm', 'swing_weight_points', 'cue']);
        });
        foreach (['parts', 'readings', 'heads', 'sleeves', 'brief_changes'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('fittings', function (Blueprint $table): void {
            $table->dropColumn(['brief', 'brief_agreed_at']);
            $table->double('corridor_width_m')->default(30);
            $table->string('trouble_side', 5)->default('none');
            $table->string('trouble_kind', 20)->default('trees');
            $table->double('trouble_at_m')->nullable();
            $table->double('hole_length_m')->default(370);
            $table->double('temperature_c')->default(18);
            $table->double('altitude_m')->default(0);
            $table->string('turf', 6)->default('medium');
        });
    }

    private function studio(Blueprint $table): void
    {
        $table->foreignId('studio_id')->constrained();
    }
};
