<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Fitting;
use App\Models\Setup;
use App\Models\Shot;
use MintCarry\Core\Fitting\Advice;
use MintCarry\Core\Fitting\ShotSet;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A fitting's counted shots as the core takes them. The same fitting always gets the same draws, so a figure never changes by itself. */
final class Judged
{
    /** @var array<int, ShotSet> by setup id */
    public array $sets = [];

    /** @var array<int, Setup> by setup id */
    public array $setups = [];

    public ?string $benchmark = null;

    public function __construct(public readonly Fitting $fitting)
    {
        $flight = $fitting->flight();
        $counted = Shot::query()->where('fitting_id', $fitting->id)->whereNull('left_out_reason')->orderBy('sequence')->get(['id', 'setup_id', 'measured', 'left_out_reason', 'sequence'])->groupBy('setup_id');
        foreach ($fitting->setups()->get() as $setup) {
            $this->setups[$setup->id] = $setup;
            $shots = $counted->get($setup->id);
            if ($shots !== null) {
                $this->sets[$setup->id] = new ShotSet($setup->tag, array_values($shots->map(fn (Shot $shot) => $shot->launchShot($flight))->all()));
            }
            if ($setup->id === $fitting->benchmark_setup_id) {
                $this->benchmark = $setup->tag;
            }
        }
    }

    public function random(): Randomizer
    {
        return new Randomizer(new Mt19937($this->fitting->id));
    }

    public function advice(): Advice
    {
        return Advice::of(array_values($this->sets), $this->benchmark ?? '', $this->fitting->brief(), $this->fitting->flight(), $this->random());
    }
}
