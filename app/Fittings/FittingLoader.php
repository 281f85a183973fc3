<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Fitting;
use App\Models\RackHead;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\Mishits;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\TieBreak;
use MintCarry\Core\Judging\SessionSpeeds;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\ShotRecord;
use MintCarry\Core\Statistics\Evenly;

/**
 * A fitting's shots as the core takes them, screened by the policy of the fitting. Those of a blind trial join when it is
 * revealed. The same fitting always gets the same draws, so a figure never changes by itself.
 */
final class FittingLoader
{
    /** @var array<int, ShotSet> by setup id */
    public array $sets = [];

    /** @var array<int, Setup> by setup id */
    public array $setups = [];

    /**
     * @var array<int, list<array{id: int, trial: int|null, sequence: int, shot: LaunchShot, leftOut: string|null,
     *   simulated: bool, visit: int|null, intent: string}>> every shot by setup id
     */
    public array $shots = [];

    public ?string $benchmark = null;

    public readonly Calibrations $calibrations;

    /** @var Collection<int, RackHead>|null */
    private ?Collection $heads = null;

    private ?FittingRecord $record = null;

    /** @var list<array{tag: string, sequence: int, speedMps: float, trial: int|null}>|null */
    private ?array $speeds = null;

    public function __construct(public readonly Fitting $fitting)
    {
        $this->calibrations = $by = Calibrations::of($fitting);
        $policy = $fitting->policy();
        // Rows as they are: of a fitting of many thousand shots, records would cost more than all that follows.
        $shots = [];
        $last = $by->lastVisit();
        $kept = new KeptFlights($fitting, $by);
        $flown = $kept->read();
        $rows = Shot::revealed(DB::table('shots'))->where('fitting_id', $fitting->id)->orderBy('sequence')->get([
            'id', 'setup_id', 'trial_id', 'left_out_reason', 'sequence', 'source', 'intent', ...($flown === [] ? ['measured'] : []),
        ])->all();
        $flown = $flown === [] ? $kept->keep($rows) : $kept->rest($flown, $rows);
        foreach ($rows as $row) {
            $trialId = $row->trial_id === null ? null : (int) $row->trial_id;
            $shots[(int) $row->setup_id][] = [
                'id' => (int) $row->id, 'trial' => $trialId, 'sequence' => (int) $row->sequence, 'shot' => $flown[(int) $row->id],
                'leftOut' => $row->left_out_reason === null ? null : (string) $row->left_out_reason,
                'simulated' => $row->source === 'simulated', 'visit' => $by->visitOfTrial($trialId ?? 0) ?? $last,
                'intent' => (string) $row->intent,
            ];
        }
        foreach ($fitting->setups()->get() as $setup) {
            $this->setups[$setup->id] = $setup;
            $this->shots[$setup->id] = $list = $shots[$setup->id] ?? [];
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
                $out[$ids[$tag][$i]] = array_map(
                    fn (array $r): array => [
                        'measure' => $r['measure']->value, 'value' => $r['value'], 'usual' => $r['usual'], 'why' => $r['why'],
                    ],
                    $reasons,
                );
            }
        }

        return $out;
    }

    /** @return list<array{tag: string, sequence: int, speedMps: float, trial: int|null}> of what counts on the last visit */
    public function speedsInOrder(): array
    {
        return $this->speeds ??= $this->speeds();
    }

    /** @return list<array{tag: string, sequence: int, speedMps: float, trial: int|null}> */
    private function speeds(): array
    {
        $counted = [];
        foreach ($this->shots as $id => $shots) {
            foreach ($shots as $s) {
                if ($s['leftOut'] === null) {
                    $counted[] = ['tag' => $this->setups[$id]->tag]
                        + array_intersect_key($s, ['sequence' => 1, 'shot' => 1, 'visit' => 1, 'trial' => 1]);
                }
            }
        }
        $last = max([0, ...array_map(static fn (array $s): int => $s['visit'] ?? 0, $counted)]);

        return SessionSpeeds::inOrder(array_values(array_filter($counted, static fn (array $s): bool => ($s['visit'] ?? $last) === $last)));
    }

    /** @return array<int, Setup> the setups by id, with what they are made of on the rack */
    public function made(): array
    {
        (new Collection(array_values($this->setups)))->loadMissing(Setup::MADE_OF);

        return $this->setups;
    }

    /** What a setup is made of, as judging takes it. Its relations to the rack are to be loaded. */
    public static function spec(Setup $setup, Hand $hand): SetupSpec
    {
        return $setup->record()->spec($hand);
    }

    /**
     * The whole fitting as the core takes it, with the rack of the player's hand; of several swings the shots of one; with
     * or without what earlier fittings showed of the heads.
     *
     * @throws InvalidInput where there is no such swing
     */
    public function record(?string $swing = null, bool $isRemembering = true): FittingRecord
    {
        $this->record ??= $this->gather()->withoutFilledIn()->atOneSwing();
        $record = $swing === null || $swing === $this->record->swing ? $this->record : $this->record->atOneSwing($swing);

        return $isRemembering ? $record : $record->withoutMemory();
    }

    private function gather(): FittingRecord
    {
        $fitting = $this->fitting;
        $setups = $shots = $tags = [];
        foreach ($this->made() as $setup) {
            $setups[$setup->tag] = $setup->record();
            $tags[$setup->id] = $setup->tag;
            $shots[$setup->tag] = array_map(
                fn (array $s): ShotRecord => new ShotRecord(
                    $s['shot'], $s['sequence'], $s['leftOut'], $s['simulated'], $s['visit'], $s['trial'], $s['intent'],
                ),
                $this->shots[$setup->id] ?? [],
            );
        }
        $confidence = Rating::query()
            ->toBase()->where('fitting_id', $fitting->id)->where('kind', 'confidence')->whereNotIn('trial_id', Trial::hidden())
            ->selectRaw('setup_id, avg(stars) as stars')->groupBy('setup_id')->pluck('stars', 'setup_id');
        $last = Trial::query()->where('fitting_id', $fitting->id)->orderByDesc('number')->value('setup_id');

        return new FittingRecord(
            $fitting->seed ?? $fitting->id, $fitting->player->hand, $fitting->brief(), $fitting->policy(), $this->calibrations->bay->flight,
            $setups, $shots, $this->benchmark,
            array_values(array_map(fn (RackHead $h): RackedHead => $h->racked(), $this->heads()->all())), $tags[$last ?? 0] ?? null,
            $confidence->mapWithKeys(fn ($stars, $id): array => [$tags[$id] => (float) $stars])->all(),
            $fitting->tie_order ?? TieBreak::CRITERIA, $this->conditions(), $this->calibrations->bay,
            memory: $fitting->memory(),
        );
    }

    /** @return array<string, list<string>> what a setup was hit under in its trials, by tag */
    private function conditions(): array
    {
        $trials = Trial::query()
            ->where('fitting_id', $this->fitting->id)->where('kind', 'trial')->whereNotIn('id', Trial::hidden())->has('shots')
            ->with('visit')->get(['id', 'setup_id', 'visit_id', 'conditions']);

        return FittingRecord::conditionsOf(array_values($trials->map(fn (Trial $t): array => [
            'tag' => $this->setups[$t->setup_id]->tag ?? '', 'visit' => $t->visit?->number, 'conditions' => $t->conditions,
        ])->all()));
    }

    /** @return Collection<int, RackHead> of the player's hand, in the order of the record's rack */
    public function heads(): Collection
    {
        return $this->heads ??= RackHead::query()
            ->where('studio_id', $this->fitting->studio_id)
            // What is retired is offered to nobody but to who has it as the own club: it can be turned.
            ->where(fn ($q) => $q->whereNull('retired_at')->orWhereIn('id', Setup::query()->select('head_id')->whereNotNull('head_id')
                ->where('fitting_id', $this->fitting->id)->where('is_baseline', true)))
            ->where('hand', $this->fitting->player->hand->value)->with(['sleeve', 'readings'])->orderBy('id')->get();
    }

    /**
     * Ids of some of the shots of a fitting: what a screen draws need not be all of twenty thousand.
     *
     * @return list<int>|null null: all of them
     */
    public static function some(Fitting $fitting, ?int $newest, ?int $each): ?array
    {
        if ($newest === null && $each === null) {
            return null;
        }
        $rows = Shot::revealed(DB::table('shots'))->where('fitting_id', $fitting->id)->orderByDesc('sequence')
            ->when($newest !== null, fn ($q) => $q->limit((int) $newest))->get(['id', 'setup_id']);
        $bySetup = [];
        foreach ($rows as $row) {
            $bySetup[(int) $row->setup_id][] = (int) $row->id;
        }

        return array_merge(...array_values(array_map(
            static fn (array $ids): array => $each === null ? $ids : Evenly::of(array_reverse($ids), $each), $bySetup,
        )), ...[[]]);
    }
}
