<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Fitting;
use App\Models\Setup;
use App\Support\Transaction;

/** Adds a setup to a fitting under the next letter: A … Z, AA, AB … The first is the baseline and the benchmark. */
final readonly class AddSetup
{
    public function __construct(private BuildSetup $build = new BuildSetup)
    {
    }

    /** @param  array<string, mixed>  $columns */
    public function __invoke(Fitting $fitting, array $columns, ?int $branchedFromId = null): Setup
    {
        return Transaction::run(function () use ($fitting, $columns, $branchedFromId): Setup {
            $now = Fitting::query()->lockForUpdate()->findOrFail($fitting->id);
            $position = (int) Setup::query()->where('fitting_id', $fitting->id)->max('position') + 1;
            $from = $branchedFromId === null ? null : Setup::query()->where('fitting_id', $fitting->id)->find($branchedFromId)?->id;
            $setup = ($this->build)(new Setup, $columns);
            $setup->fill([
                'studio_id' => $fitting->studio_id,
                'fitting_id' => $fitting->id,
                'tag' => self::tag($position),
                'position' => $position,
                'is_baseline' => $position === 1,
                'branched_from_id' => $from ?? ($position === 1 ? null : $now->benchmark_setup_id),
            ])->save();
            if ($now->benchmark_setup_id === null) {
                $now->update(['benchmark_setup_id' => $setup->id]);
            }
            $now->touch();
            $fitting->refresh();

            return $setup;
        });
    }

    public static function tag(int $position): string
    {
        $tag = '';
        for ($n = $position; $n > 0; $n = intdiv($n - 1, 26)) {
            $tag = chr(65 + ($n - 1) % 26).$tag;
        }

        return $tag;
    }
}
