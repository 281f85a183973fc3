<?php

declare(strict_types=1);

use App\Data\Eraser;
use App\Fittings\FittingLoader;
use App\Judged\FittingState;
use App\Judged\JudgedPart;
use App\Judged\JudgeFitting;
use App\Judged\JudgementStore;
use App\Judged\JudgingAhead;
use App\Live\ChangeSignal;
use App\Models\Fitting;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use MintCarry\Core\Report\AdviceReport;
use MintCarry\Core\Report\CompareReport;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;

// Judgements that are made before anybody asks: their state, their age, who makes them, and what becomes of them.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->head = $this->rackHead($this->user);
    $this->actingAs($this->user);
    $this->url = "api/fittings/{$this->case->id}";
    [$this->a, $this->b] = [$this->build($this->case, $this->head), $this->build($this->case, $this->head, ['sleeveLabel' => '+1.4'])];
    $this->hit = fn (Setup $setup, int $n = 1) => $this->hitAbout($this->user, $setup, 148, $n);
    ($this->hit)($this->a, 4);
    ($this->hit)($this->b, 4);
    $this->state = fn (): string => FittingState::of(Fitting::query()->findOrFail($this->case->id))->key;
    $this->pulse = storage_path('framework/judging-'.JudgingAhead::place());
    // The worker that bin/start runs, until nothing waits.
    $this->work = fn (array $more = ['--stop-when-empty' => true]): int => Artisan::call(
        'queue:work', ['--queue' => implode(',', JudgingAhead::QUEUES), '--memory' => 2000] + $more,
    );
    $this->waiting = fn (): array => DB::table('jobs')->orderBy('id')->pluck('queue')->all();
    @unlink($this->pulse);
});

afterEach(fn () => @unlink($this->pulse));

it('hangs on every column that a judgement hangs on: a new column is listed, or named as one that tells nothing', function (): void {
    $beside = [
        '*' => ['created_at', 'updated_at', 'studio_id', 'fitting_id', 'player_id', 'begun_by', 'rated_by', 'read_by', 'label_in_use', 'name_in_use'],
        'shots' => ['bay_id', 'import_file_id', 'line', 'shot_key', 'client_id', 'sender_id', 'sender_session', 'content', 'sender_sequence',
            'sender_run', 'typed', 'beside', 'flags', 'hit_at', 'note', 'left_out_note', 'left_out_by', 'left_out_at'],
        'trials' => ['rating_skipped', 'note', 'ended_at', 'guess_setup_id', 'guess_asked'],
        'setups' => ['note', 'shelf_reason', 'starred', 'typed'],
        'blinds' => ['setups', 'shots_each', 'ordinal', 'set_ordinal'],
        'heads' => ['maker', 'note'], 'readings' => ['source', 'typed', 'note'], 'sleeves' => ['name', 'retired_at'],
    ];
    foreach (FittingState::OF_FITTING + FittingState::OF_RACK as $table => $columns) {
        expect(array_diff(Schema::getColumnListing($table), $columns, $beside['*'], $beside[$table] ?? []))->toBe([], $table);
    }
});

it('is another state after everything that moves a figure, and the same after what moves none', function (): void {
    $moves = [
        'a shot' => fn () => ($this->hit)($this->b),
        'a shot left out' => fn () => $this->patchJson('api/shots/'.Shot::query()->value('id'), ['leftOut' => ['reason' => 'mishit']])->assertOk(),
        'another benchmark' => fn () => $this->patchJson($this->url, [
            'version' => $this->getJson($this->url)->json('version'), 'benchmarkSetupId' => $this->b->id,
        ])->assertOk(),
        'a wish' => fn () => $this->patchJson("{$this->url}/brief", [
            'version' => $this->getJson($this->url)->json('version'), 'brief' => ['wants' => ['carry']],
        ])->assertOk(),
        'a reading' => fn () => $this->postJson("api/heads/{$this->head['id']}/readings", ['values' => ['massG' => ['202']], 'readAs' => 'soled'])->assertCreated(),
        'a head on the rack' => fn () => $this->rackHead($this->user, ['label' => 'Plover 445']),
        'a rating' => fn () => Rating::query()->create([
            'studio_id' => $this->user->studio_id, 'fitting_id' => $this->case->id, 'setup_id' => $this->a->id,
            'trial_id' => Trial::query()->create([
                'studio_id' => $this->user->studio_id, 'fitting_id' => $this->case->id, 'setup_id' => $this->a->id, 'number' => 9,
                'conditions' => [], 'begun_by' => $this->user->id,
            ])->id, 'kind' => 'confidence', 'stars' => 4, 'rated_by' => $this->user->id,
        ]),
        'the models' => fn () => config(['mintcarry.models' => 'another']),
    ];
    foreach ($moves as $what => $do) {
        $before = ($this->state)();
        $do();
        expect(($this->state)())->not->toBe($before, $what);
    }
    $before = ($this->state)();
    $other = $this->fitting($this->user);
    $this->hitAbout($this->user, $this->build($other, $this->head), 140, 3);
    Setup::query()->whereKey($this->b->id)->update(['note' => 'he likes it']);
    $this->patchJson('api/shots/'.Shot::query()->value('id'), ['note' => 'a clean one', 'was' => ''])->assertOk();
    expect(($this->state)())->toBe($before);
});

it('judges once, keeps what it made, and tells every screen the same digits as the core', function (): void {
    $record = (new FittingLoader(Fitting::query()->findOrFail($this->case->id)))->record();
    $told = fn (string $part): array => array_diff_key($this->getJson("{$this->url}/{$part}")->assertOk()->json(), ['age' => 1]);
    $plain = fn (array $report): array => json_decode((string) json_encode($report), true);
    $withoutHeads = fn (array $found): array => ['setups' => array_map(fn (array $s): array => array_diff_key($s, ['headId' => 1]), $found['setups'])] + $found;
    expect($told('advice'))->toEqual($plain(AdviceReport::of($record)))
        ->and($told('comparison'))->toEqual($plain(CompareReport::of($record)))
        ->and($withoutHeads($told('finder')))->toEqual($plain(FinderReport::of($record)))
        ->and($told('grounds') + ['schools' => $told('schools')])->toEqual($plain(DecideReport::of($record)) + ['confirm' => null])
        ->and($told('judge')['judge'])->toEqual($told('advice'))
        ->and(DB::table('judgements')->pluck('state')->unique()->all())->toBe([($this->state)()]);
    // What is kept is what is told.
    DB::table('judgements')->where('part', 'judge')->update(['body' => gzcompress('{"n":99}')]);
    expect($told('judge'))->toBe(['n' => 99]);
});

it('tells the newest judgement with its age while the worker makes the next', function (): void {
    $first = $this->getJson("{$this->url}/judge")->assertOk()->json();
    expect($first['age'])->toMatchArray(['shots' => 8, 'of' => 8, 'isCurrent' => true])->and(($this->waiting)())->toBe([]);
    JudgingAhead::beat();
    ($this->hit)($this->b, 2);
    $meanwhile = $this->getJson("{$this->url}/judge")->assertOk()->json();
    expect($meanwhile['age'])->toMatchArray(['shots' => 8, 'of' => 10, 'isCurrent' => false])
        ->and($meanwhile['n'])->toBe($first['n'])->and(($this->waiting)())->toContain('looked');
    $live = fn (): string => (string) file_get_contents(base_path('var/live/').ChangeSignal::key($this->case));
    $before = $live();
    ($this->work)();
    $now = $this->getJson("{$this->url}/judge")->json();
    expect($now['age'])->toMatchArray(['shots' => 10, 'of' => 10, 'isCurrent' => true])->and($now['n'])->toBe(10)
        ->and(($this->waiting)())->toBe([])
        // The signal says that it is ready, and that nothing changed.
        ->and(substr($live(), 0, 20))->toBe(substr($before, 0, 20))->and(substr($live(), 21))->not->toBe(substr($before, 21))
        // What few look at follows for a fitting that somebody looks at.
        ->and(DB::table('judgements')->where('state', ($this->state)())->where('part', 'schools')->count())->toBe(1);
});

it('has one job wait for all that changes until the worker comes, and judges what nobody looks at last', function (): void {
    JudgingAhead::beat();
    foreach (range(1, 5) as $i) {
        ($this->hit)($this->b);
    }
    expect(($this->waiting)())->toBe(['hit']);
    $looked = $this->fitting($this->user);
    $this->hitAbout($this->user, $this->build($looked, $this->head), 140, 3);
    $this->getJson("api/fittings/{$looked->id}/judge")->assertOk();
    $this->hitAbout($this->user, Setup::query()->where('fitting_id', $looked->id)->firstOrFail(), 141, 1);
    $this->getJson("api/fittings/{$looked->id}/judge")->assertOk();
    ($this->work)(['--once' => true]);
    expect(DB::table('judgements')->where('shots', 4)->pluck('fitting_id')->unique()->all())->toBe([$looked->id])
        ->and(DB::table('judgements')->where('fitting_id', $this->case->id)->count())->toBe(0);
    ($this->work)();
    // Judged once, with all five; nobody looked, so nothing further.
    expect(DB::table('judgements')->where('fitting_id', $this->case->id)->pluck('shots')->unique()->all())->toBe([13])
        ->and(DB::table('judgements')->where('fitting_id', $this->case->id)->count())->toBe(6);
});

it('judges again, and once, what a worker was killed over', function (): void {
    JudgingAhead::beat();
    ($this->hit)($this->b);
    // Killed: taken, and never ended.
    DB::table('jobs')->update(['reserved_at' => now()->subSeconds(61)->getTimestamp(), 'attempts' => 1]);
    ($this->work)();
    expect(($this->waiting)())->toBe([])->and(DB::table('judgements')->where('fitting_id', $this->case->id)->count())->toBe(6);
    // The same job again finds it done.
    $at = DB::table('judgements')->max('made_at');
    JudgeFitting::dispatch($this->case->id)->onQueue('hit');
    ($this->work)();
    expect(DB::table('judgements')->max('made_at'))->toBe($at);
});

it('judges by itself where no worker is there, and says so', function (): void {
    expect($this->getJson('up')->assertOk()->json('warnings.0'))->toContain('No worker judges ahead');
    JudgingAhead::beat();
    expect($this->getJson('up')->json('warnings'))->toBeNull();
    touch($this->pulse, time() - 300);
    $this->getJson("{$this->url}/judge")->assertOk();
    ($this->hit)($this->b);
    expect($this->getJson("{$this->url}/judge")->json('age.isCurrent'))->toBeTrue()->and(($this->waiting)())->toBe([]);
});

it('keeps the last three states, finds the one of before when a change is taken back, and prunes what nobody looks at', function (): void {
    $states = [];
    foreach (range(1, 5) as $i) {
        $this->getJson("{$this->url}/advice")->assertOk();
        $states[] = ($this->state)();
        ($this->hit)($this->b);
    }
    expect(DB::table('judgements')->where('part', 'advice')->orderBy('made_at')->pluck('state')->all())->toBe(array_slice($states, -3));
    Shot::query()->orderByDesc('id')->firstOrFail()->delete();
    $at = DB::table('judgements')->max('made_at');
    expect($this->getJson("{$this->url}/advice")->json('age.isCurrent'))->toBeTrue()
        ->and(DB::table('judgements')->max('made_at'))->toBe($at);
    $this->travel(JudgementStore::KEPT_DAYS + 1)->days();
    expect(app(JudgementStore::class)->prune())->toBeGreaterThan(0)->and(DB::table('judgements')->count())->toBe(0);
});

it('takes nothing from a decision when judgements are pruned, and leaves none of an erased player', function (): void {
    $tag = $this->getJson("{$this->url}/advice")->json('pick');
    $setupId = Setup::query()->where('fitting_id', $this->case->id)->where('tag', $tag)->value('id');
    $made = $this->postJson("{$this->url}/decisions", ['setupId' => $setupId, 'reason' => ''])->assertCreated()->json();
    $locked = $this->postJson("api/decisions/{$made['id']}/lock", [])->assertOk()->json();
    DB::table('judgements')->delete();
    expect($this->getJson("api/decisions/{$made['id']}")->json('proof'))->toEqual($locked['proof'])
        ->and($locked['proof']['schools']['rows'])->not->toBe([]);
    $this->getJson("{$this->url}/advice")->assertOk();
    expect(DB::table('judgements')->count())->toBeGreaterThan(0);
    // One that was being made meanwhile is not kept either.
    $old = app(JudgementStore::class)->of($this->case, JudgedPart::Advice, '', ($this->state)());
    app(Eraser::class)->erase($this->case->player_id, $this->user->id);
    app(JudgementStore::class)->keep($this->case, ['advice' => $old]);
    expect($old)->not->toBeNull()->and(DB::table('judgements')->count())->toBe(0);
    $this->getJson("{$this->url}/advice")->assertOk();
    expect(DB::table('judgements')->count())->toBeGreaterThan(0);
});

it('keeps apart what is asked beside a part, whatever its length', function (): void {
    $this->rackHead($this->user, ['label' => str_repeat('Küstenseeschwalbe ', 4)]);
    $all = $this->getJson("{$this->url}/finder?only=all")->assertOk()->json();
    $own = $this->getJson("{$this->url}/finder?only=own")->assertOk()->json();
    expect($own['count'])->toBeLessThan($all['count'])
        ->and($this->getJson("{$this->url}/finder?only=own")->json('count'))->toBe($own['count']);
    $head = trim(str_repeat('Küstenseeschwalbe ', 4));
    expect($this->getJson("{$this->url}/loft-ladder?head=".urlencode($head))->assertOk()->json('head'))->toContain('Küsten')
        ->and($this->getJson("{$this->url}/loft-ladder")->json('head'))->not->toContain('Küsten');
});
