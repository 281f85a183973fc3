<?php

declare(strict_types=1);

use App\Models\Decision;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What a decision promised, in a hundredth of the words that it rested on: a season reads it of every hand-over there was.
        Schema::table('decisions', fn (Blueprint $table) => $table->json('promise')->nullable());
        foreach (Decision::query()->with('setup')->lazyById(200) as $decision) {
            $decision->newQuery()->toBase()->where('id', $decision->id)->update(['promise' => $decision->promised()]);
        }
    }

    public function down(): void
    {
        Schema::table('decisions', fn (Blueprint $table) => $table->dropColumn('promise'));
    }
};
