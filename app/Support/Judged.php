<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Fitting;
use App\Models\Setup;
use App\Models\Shot;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Fitting\Advice;
use MintCarry\Core\Fitting\Mishits;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Judging\Built;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Launch\LaunchShot;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A fitting's shots as the core takes them, screened by the policy of the fitting. Those of a blind trial join when it is revealed. The same fitting always gets the same draws, so a figure never changes by itself. */
final class Judged
{
    /** @var array<int, ShotSet> by setup id */
    public array $sets = [];

    /** @var array<int, Setup> by setup id */
    public array $setups = [];

    /** @var array<int, list<array{id: int, trial: int|null, sequence: int, shot: LaunchShot, leftOut: string|null}>> every shot by setup id */
    public array $shots = [];

    public ?string $benchmark = null;

    public function __construct(public readonly Fitting $fitting)
    {
        $flight = $fitting->flight();
        $policy = $fitting->policy();
        $shots = Shot::revealed(Shot::query())->where('fitting_id', $fitting->id)->orderBy('sequence')->get(['id', 'setup_id', 'trial_id', 'measured', 'left_out_reason', 'sequence'])->groupBy('setup_id');
        foreach ($fitting->setups()->get() as $setup) {
            $this->setups[$setup->id] = $setup;
            $this->shots[$setup->id] = $list = array_values($shots->get($setup->id)?->map(fn (Shot $s): array => ['id' => $s->id, 'trial' => $s->trial_id, 'sequence' => $s->sequence, 'shot' => $s->launchShot($flight), 'leftOut' => $s->left_out_reason])->all() ?? []);
            $set = $policy->of($setup->tag, $list);
            if ($set->count() > 0) {
                $this->sets[$setup->id] = $set;
            }
            if ($setup->id === $fitting->benchmark_setup_id) {
                $this->benchmark = $setup->tag;
            }
        }
    }

    /**
     * Shots that look like mishits and still count, with the reason.
     *
     * @return array<int, list<array{measure: string, value: float, usual: float, why: string}>> by shot id
     */
    public function mishits(): array
    {
        $ids = [];
        $sets = [];
        foreach ($this->setups as $id => $setup) {
            $counted = array_values(array_filter($this->shots[$id], fn (array $s): bool => $s['leftOut'] === null));
            $ids[$setup->tag] = array_column($counted, 'id');
            $sets[] = new ShotSet($setup->tag, array_column($counted, 'shot'));
        }
        $out = [];
        foreach (Mishits::among($sets) as $tag => $found) {
            foreach ($found as $i => $reasons) {
                $out[$ids[$tag][$i]] = array_map(fn (array $r): array => ['measure' => $r['measure']->value, 'value' => $r['value'], 'usual' => $r['usual'], 'why' => $r['why']], $reasons);
            }
        }

        return $out;
    }

    /** What a setup is made of, as judging takes it. Its relations to the rack are to be loaded. */
    public static function built(Setup $setup, Hand $hand): Built
    {
        [$squared, $soled] = [$setup->playing(1.0), $setup->playing(0.0)];
        $body = $setup->body();

        return new Built($setup->tag, $setup->head, $body ?? Head::preset('middle', max(5.0, min(19.0, $squared->loftDeg))), $squared->loftDeg, $soled->loftDeg, $soled->faceOpenDeg, $setup->sleeve_label, $setup->weights, $setup->shaft, $setup->length_mm,
            $setup->ball, $setup->tee_mm, $setup->cue, $setup->swing_weight_points ?? $setup->swingWeight()?->points(), $setup->isLoftFromPrint(), $body === null || in_array('CG', $setup->rackHead?->assumed() ?? [], true), $hand);
    }

    /** @return array<int, Evidence> by setup id; those whose shots let one say something of the swing */
    public function evidence(): array
    {
        /** @var \Illuminate\Database\Eloquent\Collection<int, Setup> $setups */
        $setups = Setup::query()->with(['rackHead.readings', 'rackHead.sleeve', 'shaftPart', 'gripPart'])->whereIn('id', array_keys($this->sets))->get()->keyBy('id');
        $out = [];
        foreach ($this->sets as $id => $set) {
            $evidence = Evidence::of(self::built($setups[$id], $this->fitting->player->hand), $set, $this->fitting->flight());
            if ($evidence !== null) {
                $out[$id] = $evidence;
            }
        }

        return $out;
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
