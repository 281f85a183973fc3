<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Fittings\FittingLoader;
use App\Http\Requests\FittingRequest;
use App\Models\Blind;
use App\Models\BriefChange;
use App\Models\Confirm;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Part;
use App\Models\Player;
use App\Models\RackHead;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Sleeve;
use App\Models\Trial;
use App\Models\User;
use App\Models\Visit;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\CoreException;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\FittingRecord;

/**
 * A whole fitting as an open file (docs/schemas/fitting.schema.json), and back. The file carries the rack of the player's hand, so that it means the same anywhere; what the log could take back stays behind.
 */
final class FittingArchive
{
    /** Columns of a setup and their names in the file. */
    private const SETUP = ['tag' => 'tag', 'head' => 'head', 'stated_loft_deg' => 'statedLoftDeg', 'measured_loft_deg' => 'measuredLoftDeg', 'measured_lie_deg' => 'measuredLieDeg', 'measured_face_open_deg' => 'measuredFaceOpenDeg', 'sleeve_label' => 'sleeveLabel', 'sleeve_loft_deg' => 'sleeveLoftDeg',
        'sleeve_face_open_deg' => 'sleeveFaceOpenDeg', 'sleeve_lie_deg' => 'sleeveLieDeg', 'weights' => 'weights', 'masses' => 'masses', 'spec' => 'asBuilt', 'shaft' => 'shaft', 'length_mm' => 'lengthMm', 'ball' => 'ball', 'tee_mm' => 'teeMm', 'swing_weight_points' => 'swingWeightPoints', 'swing_weight_source' => 'swingWeightSource', 'cue' => 'cue', 'note' => 'note',
        'shelf' => 'shelf', 'shelf_reason' => 'shelfReason'];

    private const SHOT = ['sequence' => 'sequence', 'measured' => 'measured', 'typed' => 'typed', 'flags' => 'flags', 'source' => 'source', 'intent' => 'intent', 'hit_at' => 'hitAt', 'note' => 'note', 'left_out_reason' => 'leftOut', 'left_out_note' => 'leftOutNote'];

    private const PARTS = ['shaft' => 'shaftPart', 'grip' => 'gripPart', 'ball' => 'ballPart'];

    /** Texts that a column takes, and how long they may be. */
    private const TEXTS = ['tag' => 4, 'head' => 80, 'sleeve_label' => 40, 'weights' => 120, 'shaft' => 80, 'ball' => 80, 'cue' => 80, 'note' => 500, 'shelf_reason' => 300, 'hit_at' => 60, 'left_out_note' => 300];

    public function __construct(private readonly User $user)
    {
    }

    /**
     * @return array<string, mixed>
     *
     * @throws ValidationException while a blind trial is going on: a file would give it away
     */
    public static function export(Fitting $fitting): array
    {
        if (Blind::open($fitting) !== null) {
            throw ValidationException::withMessages(['blind' => 'A blind trial is going on, and the file would give it away: reveal it first.']);
        }
        $setups = $fitting->setups()->with(['rackHead.sleeve', 'rackHead.readings', 'shaftPart', 'gripPart'])->get()->keyBy('id');
        $trials = Trial::query()->where('fitting_id', $fitting->id)->orderBy('number')->get()->keyBy('id');
        $tag = fn (?int $id): ?string => $setups[$id ?? 0]->tag ?? null;
        $number = fn (?int $id): ?int => $trials[$id ?? 0]->number ?? null;
        $visits = Visit::query()->where('fitting_id', $fitting->id)->orderBy('number')->get()->keyBy('id');
        [$blinds, $confirms] = [Blind::query()->where('fitting_id', $fitting->id)->orderBy('id')->get()->values(), Confirm::query()->where('fitting_id', $fitting->id)->orderBy('id')->get()->values()];
        $place = fn ($list, ?int $id): ?int => $id === null ? null : (int) $list->search(fn ($row): bool => $row->id === $id);
        $filled = fn (array $item): array => array_filter($item, fn (mixed $v): bool => $v !== null && $v !== '' && $v !== []);

        return $filled([
            'format' => FittingFile::FORMAT,
            'seed' => $fitting->seed ?? $fitting->id,
            'exportedAt' => now()->toIso8601String(),
            'player' => ['name' => $fitting->player->name, 'hand' => $fitting->player->hand->value, 'units' => $fitting->player->units],
            'brief' => $fitting->brief()->toArray(),
            'briefAgreedAt' => $fitting->brief_agreed_at?->toIso8601String(),
            'screening' => $fitting->screening,
            'tieOrder' => $fitting->tie_order,
            'asksRatings' => $fitting->asks_ratings,
            'benchmark' => $tag($fitting->benchmark_setup_id),
            'rack' => self::rack($fitting, $setups->all()),
            'setups' => $setups->map(fn (Setup $s): array => $filled(self::named($s, self::SETUP, ['masses', 'spec']) + ['onRack' => $s->head_id !== null, 'branchedFrom' => $tag($s->branched_from_id), 'starred' => $s->starred, 'swingWeightComputed' => $s->swingWeight()?->points(),
                'shaftPart' => $s->shaftPart?->label, 'gripPart' => $s->gripPart?->label, 'ballPart' => $s->ball_id === null ? null : $s->ball]))->values()->all(),
            'visits' => $visits->map(fn (Visit $v): array => ['number' => $v->number, 'at' => $v->created_at->toIso8601String()])->values()->all(),
            'trials' => $trials->map(fn (Trial $t): array => $filled(['number' => $t->number, 'setup' => $tag($t->setup_id), 'kind' => $t->kind, 'place' => $t->place, 'visit' => $visits[$t->visit_id ?? 0]->number ?? null, 'blind' => $place($blinds, $t->blind_id), 'confirm' => $place($confirms, $t->confirm_id),
                'ratingSkipped' => $t->rating_skipped, 'note' => $t->note, 'at' => $t->created_at->toIso8601String()]))->values()->all(),
            'shots' => $fitting->shots()->get()->map(fn (Shot $s): array => $filled(['setup' => $tag($s->setup_id), 'trial' => $number($s->trial_id)] + self::named($s, self::SHOT, [])))->values()->all(),
            'ratings' => Rating::query()->where('fitting_id', $fitting->id)->orderBy('id')->get()->map(fn (Rating $r): array => ['trial' => $number($r->trial_id), 'setup' => $tag($r->setup_id), 'kind' => $r->kind, 'stars' => $r->stars])->all(),
            'blinds' => $blinds->map(fn (Blind $b): array => ['setups' => array_map($tag, $b->setups), 'shotsEach' => $b->shots_each, 'revealedAt' => $b->revealed_at?->toIso8601String()])->all(),
            'confirms' => $confirms->map(fn (Confirm $c): array => ['held' => $tag($c->benchmark_setup_id), 'setup' => $tag($c->setup_id), 'shotsEach' => $c->shots_each, 'rested' => $c->rested, 'endedAt' => $c->ended_at?->toIso8601String()])->all(),
            'decisions' => $fitting->decisions()->get()->reverse()->values()->map(fn (Decision $d): array => $filled(['setup' => $tag($d->setup_id), 'advised' => $tag($d->advised_setup_id), 'reason' => $d->reason, 'version' => $d->number, 'advice' => $d->advice, 'proof' => $d->proof, 'at' => $d->created_at->toIso8601String(),
                'lockedAt' => $d->locked_at?->toIso8601String(), 'reopenedAt' => $d->reopened_at?->toIso8601String(), 'reopenWhy' => $d->reopen_why]))->all(),
            'briefChanges' => BriefChange::query()->where('fitting_id', $fitting->id)->orderBy('id')->get()->map(fn (BriefChange $c): array => ['why' => $c->why, 'before' => $c->before, 'after' => $c->after, 'at' => $c->created_at->toIso8601String()])->all(),
        ]);
    }

    /**
     * @param  array<int, Setup>  $setups
     * @return array<string, mixed> the heads of the hand as they lie on the rack, those of setups that are gone from it, and the parts of the setups
     */
    private static function rack(Fitting $fitting, array $setups): array
    {
        $heads = (new FittingLoader($fitting))->heads();
        $gone = array_filter(array_map(fn (Setup $s): ?RackHead => $s->rackHead, array_values($setups)), fn (?RackHead $h): bool => $h !== null && ! $heads->contains('id', $h->id));
        $all = [...$heads->all(), ...array_values(array_combine(array_map(fn (RackHead $h): int => $h->id, $gone), $gone))];
        $parts = Part::query()->findMany(array_filter(array_merge(...array_map(fn (Setup $s): array => [$s->shaft_id, $s->grip_id, $s->ball_id], array_values($setups)))))->sortBy('id')->values();

        return [
            'format' => RackFile::FORMAT,
            'sleeves' => Sleeve::query()->findMany(array_filter(array_map(fn (RackHead $h): ?int => $h->sleeve_id, $all)))->sortBy('id')->values()->map(fn (Sleeve $s): array => $s->spec)->all(),
            'heads' => array_map(fn (RackHead $h): array => RackFile::head($h) + ($h->retired_at === null ? [] : ['retired' => true]), $all),
            'parts' => $parts->map(RackFile::part(...))->all(),
        ];
    }

    /**
     * @param  array<string, string>  $columns
     * @param  list<string>  $objects  columns that are JSON objects, also while empty
     * @return array<string, mixed>
     */
    private static function named(Setup|Shot $row, array $columns, array $objects): array
    {
        $out = [];
        foreach ($columns as $column => $name) {
            $value = $row->getAttribute($column);
            $out[$name] = $value === [] && in_array($column, $objects, true) ? null : $value;
        }

        return $out;
    }

    /**
     * Reads a file: as a look at it, or as a new fitting of this studio. All or nothing.
     *
     * @return array{player: string, hand: string, setups: list<string>, shots: int, decisions: int, rack: array{added: list<string>, there: list<string>}, fittingId: int|null}
     *
     * @throws ValidationException naming what is wrong and where
     */
    public function import(string $bytes, bool $keep): array
    {
        try {
            $data = FittingFile::parse($bytes);
            $record = FittingFile::read($data);
        } catch (CoreException $e) {
            throw ValidationException::withMessages(['file' => $e->getMessage().' Nothing was added.']);
        }
        DB::beginTransaction();
        try {
            [$fitting, $heads] = $this->write($data, $record);
        } catch (ValidationException|CoreException $e) {
            DB::rollBack();
            $why = $e instanceof ValidationException ? (string) array_values($e->errors())[0][0] : $e->getMessage();
            throw ValidationException::withMessages(['file' => str_contains($why, 'Nothing was added') ? $why : "{$why} Nothing was added."]);
        } catch (\Throwable $e) {
            DB::rollBack();
            throw $e;
        }
        $done = ['player' => $fitting->player->name, 'hand' => $fitting->player->hand->value, 'setups' => array_map(strval(...), array_keys($record->setups)), 'shots' => $fitting->shots()->count(), 'decisions' => $fitting->decisions()->count(), 'rack' => $heads, 'fittingId' => $keep ? $fitting->id : null];
        $keep ? DB::commit() : DB::rollBack();

        return $done;
    }

    /**
     * @param  array<string, mixed>  $data  that the core has read without an error
     * @return array{Fitting, array{added: list<string>, there: list<string>}}
     */
    private function write(array $data, FittingRecord $record): array
    {
        $mine = ['studio_id' => $this->user->studio_id];
        $this->requireTaken($data);
        [$heads, $done] = $this->heads($data['rack'] ?? []);
        $parts = Part::query()->where('studio_id', $this->user->studio_id)->whereNull('retired_at')->get()->keyBy(fn (Part $p): string => "{$p->kind}/{$p->label}");
        $units = array_intersect_key((array) ($data['player']['units'] ?? []), ['speed' => 1, 'distance' => 1, 'height' => 1, 'length' => 1]);
        $usual = ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'];
        foreach ($units as $kind => $unit) {
            if (! in_array($unit, FittingRequest::UNITS[$kind], true)) {
                throw CoreException::invalid('player.units', "player.units: {$kind} cannot be shown in '".(is_scalar($unit) ? $unit : '?')."'.");
            }
        }
        $name = is_string($data['player']['name'] ?? null) ? mb_substr(trim($data['player']['name']), 0, 80) : '';
        $player = Player::query()->create($mine + ['name' => $name === '' ? 'Unnamed player' : $name, 'hand' => $data['player']['hand'], 'units' => $units + $usual]);
        $fitting = new Fitting($mine + ['player_id' => $player->id, 'typed' => [], 'seed' => $record->seed, 'screening' => $record->screening->name, 'tie_order' => isset($data['tieOrder']) ? $record->tieOrder : null, 'asks_ratings' => (bool) ($data['asksRatings'] ?? true), 'brief_agreed_at' => self::moment($data['briefAgreedAt'] ?? null)]);
        $fitting->setBrief($record->brief);
        $fitting->save();
        $mine += ['fitting_id' => $fitting->id];

        $setups = [];
        foreach (array_values($data['setups']) as $i => $item) {
            $columns = self::columns($item, self::SETUP, "setups[{$i}]");
            $head = ($item['onRack'] ?? false) ? $heads[$item['head']] : null;
            if (! in_array($columns['shelf'] ?? '', Setup::SHELVES, true)) {
                throw CoreException::invalid('shelf', "setups[{$i}].shelf: a setup is parked, dropped or neither.");
            }
            $spec = $record->setups[(string) $item['tag']];
            $setups[$item['tag']] = Setup::query()->create($mine + ['position' => $i + 1, 'is_baseline' => $i === 0, 'branched_from_id' => isset($item['branchedFrom']) ? ($setups[$item['branchedFrom']] ?? null)?->id : null, 'head_id' => $head?->id, 'starred' => (bool) ($item['starred'] ?? false), 'typed' => [],
                'shaft_id' => $this->part($parts, 'shaft', $item), 'grip_id' => $this->part($parts, 'grip', $item), 'ball_id' => $this->part($parts, 'ball', $item)]
                + ['stated_loft_deg' => $columns['stated_loft_deg'] ?? $head?->stated_loft_deg]
                + ($head === null ? [] : ['head' => $head->label, 'masses' => $spec->masses, 'weights' => $spec->weights, 'spec' => $columns['spec'] ?? ['sleeve' => $head->sleeve?->spec, 'home' => $head->system()->home, 'stated' => ['loftDeg' => $head->stated_loft_deg, 'lieDeg' => $head->stated_lie_deg, 'faceOpenDeg' => $head->stated_face_open_deg]]])
                + $columns);
        }
        $fitting->update(['benchmark_setup_id' => isset($data['benchmark']) ? $setups[$data['benchmark']]->id : null]);
        $this->hits($data, $fitting, $setups, $mine);

        return [$fitting->refresh(), $done];
    }

    /**
     * Made-up shots and readings do not come in where nobody asked for them.
     *
     * @param  array<string, mixed>  $data
     */
    private function requireTaken(array $data): void
    {
        $simulated = static fn (mixed $list, string $key = 'source'): int => count(array_filter((array) $list, static fn (mixed $item): bool => is_array($item) && ($item[$key] ?? '') === 'simulated'));
        $found = array_filter(['simulated shots' => $simulated($data['shots'] ?? []), 'swing weights of a stand-in' => $simulated($data['setups'] ?? [], 'swingWeightSource'),
            'readings of a stand-in' => array_sum(array_map(static fn (mixed $head): int => $simulated(is_array($head) ? $head['readings'] ?? [] : []), (array) ($data['rack']['heads'] ?? [])))]);
        if ($found !== [] && ! $this->user->studio->takesSimulated()) {
            throw CoreException::invalid('file', 'This file holds '.implode(', ', array_map(static fn (string $what, int $n): string => "{$what} ({$n})", array_keys($found), $found)).': this studio takes nothing made up. It is switched on in the bay.');
        }
    }

    /**
     * Visits, trials, shots, ratings, decisions.
     *
     * @param  array<string, mixed>  $data
     * @param  array<string, Setup>  $setups  by tag
     * @param  array<string, int>  $mine
     */
    private function hits(array $data, Fitting $fitting, array $setups, array $mine): void
    {
        $setup = fn (array $item, string $key, string $where): int => ($setups[is_string($item[$key] ?? null) ? $item[$key] : ''] ?? throw CoreException::invalid($where, "{$where}.{$key}: there is no such setup in this file."))->id;
        $by = ['begun_by' => $this->user->id];
        $visits = $trials = $blinds = $confirms = [];
        foreach (self::items($data, 'visits') as $i => $v) {
            $number = is_int($v['number'] ?? null) ? $v['number'] : $i + 1;
            $visits[$number] = self::dated(Visit::query()->create($mine + $by + ['number' => $number]), $v['at'] ?? null)->id;
        }
        foreach (self::items($data, 'blinds') as $i => $b) {
            $tags = array_values(array_filter((array) ($b['setups'] ?? []), is_string(...)));
            $blinds[$i] = Blind::query()->create($mine + $by + ['setups' => array_map(fn (string $t): int => $setup(['t' => $t], 't', "blinds[{$i}]"), $tags), 'shots_each' => max(1, min(10, (int) ($b['shotsEach'] ?? 1))), 'place' => max(0, count($tags) - 1), 'revealed_at' => self::moment($b['revealedAt'] ?? null) ?? now()])->id;
        }
        foreach (self::items($data, 'confirms') as $i => $c) {
            $confirms[$i] = Confirm::query()->create($mine + $by + ['benchmark_setup_id' => $setup($c, 'held', "confirms[{$i}]"), 'setup_id' => $setup($c, 'setup', "confirms[{$i}]"), 'shots_each' => max(3, min(10, (int) ($c['shotsEach'] ?? 5))), 'rested' => (bool) ($c['rested'] ?? false), 'ended_at' => self::moment($c['endedAt'] ?? null) ?? now()])->id;
        }
        foreach (self::items($data, 'trials') as $i => $t) {
            $trial = Trial::query()->create($mine + $by + ['setup_id' => $setup($t, 'setup', "trials[{$i}]"), 'number' => (int) $t['number'], 'kind' => $t['kind'] ?? 'trial', 'place' => (array) ($t['place'] ?? []), 'visit_id' => $visits[$t['visit'] ?? 0] ?? null, 'blind_id' => isset($t['blind']) ? ($blinds[$t['blind']] ?? null) : null,
                'confirm_id' => isset($t['confirm']) ? ($confirms[$t['confirm']] ?? null) : null, 'rating_skipped' => (bool) ($t['ratingSkipped'] ?? false), 'note' => mb_substr(is_string($t['note'] ?? null) ? $t['note'] : '', 0, 500), 'ended_at' => self::moment($t['at'] ?? null) ?? now()]);
            $trials[(int) $t['number']] = self::dated($trial, $t['at'] ?? null)->id;
        }
        $rows = [];
        foreach (self::items($data, 'shots') as $i => $s) {
            $columns = self::columns($s, self::SHOT, "shots[{$i}]");
            $rows[] = $mine + ['setup_id' => $setup($s, 'setup', "shots[{$i}]"), 'trial_id' => isset($s['trial']) ? $trials[(int) $s['trial']] : null, 'sequence' => (int) ($s['sequence'] ?? $i + 1), 'source' => mb_substr((string) ($columns['source'] ?? 'file'), 0, 12), 'shot_key' => md5("{$fitting->id}/{$i}"),
                'measured' => json_encode((object) ($s['measured'] ?? []), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), 'typed' => json_encode((object) ($columns['typed'] ?? []), JSON_THROW_ON_ERROR), 'flags' => json_encode(array_values((array) ($columns['flags'] ?? [])), JSON_THROW_ON_ERROR),
                'intent' => in_array($columns['intent'] ?? '', Shot::INTENTS, true) ? $columns['intent'] : 'normal', 'hit_at' => $columns['hit_at'] ?? null, 'note' => $columns['note'] ?? null, 'left_out_reason' => isset($columns['left_out_reason']) ? mb_substr((string) $columns['left_out_reason'], 0, 30) : null, 'left_out_note' => $columns['left_out_note'] ?? null,
                'left_out_by' => isset($columns['left_out_reason']) ? $this->user->id : null, 'created_at' => now(), 'updated_at' => now()];
        }
        foreach (array_chunk($rows, 500) as $chunk) {
            Shot::query()->insert($chunk);
        }
        foreach (self::items($data, 'ratings') as $i => $r) {
            if (isset($trials[(int) ($r['trial'] ?? 0)])) {
                Rating::query()->updateOrCreate(['trial_id' => $trials[(int) $r['trial']], 'kind' => $r['kind']], $mine + ['setup_id' => $setup($r, 'setup', "ratings[{$i}]"), 'stars' => (int) $r['stars'], 'rated_by' => $this->user->id]);
            }
        }
        foreach (self::items($data, 'decisions') as $i => $d) {
            $decision = Decision::query()->create($mine + ['setup_id' => $setup($d, 'setup', "decisions[{$i}]"), 'advised_setup_id' => $setup($d + ['advised' => $d['setup'] ?? null], 'advised', "decisions[{$i}]"), 'reason' => mb_substr(is_string($d['reason'] ?? null) ? $d['reason'] : '', 0, 2000), 'advice' => (array) ($d['advice'] ?? []), 'proof' => isset($d['proof']) ? (array) $d['proof'] : null,
                'number' => max(1, (int) ($d['version'] ?? 1)), 'locked_at' => self::moment($d['lockedAt'] ?? null), 'reopened_at' => self::moment($d['reopenedAt'] ?? null), 'reopen_why' => mb_substr(is_string($d['reopenWhy'] ?? null) ? $d['reopenWhy'] : '', 0, 300), 'decided_by' => $this->user->id]);
            self::dated($decision, $d['at'] ?? null);
        }
        foreach (self::items($data, 'briefChanges') as $c) {
            self::dated(BriefChange::query()->create($mine + ['before' => (array) ($c['before'] ?? []), 'after' => (array) ($c['after'] ?? []), 'why' => mb_substr(is_string($c['why'] ?? null) ? $c['why'] : '', 0, 300), 'changed_by' => $this->user->id, 'created_at' => now()]), $c['at'] ?? null);
        }
    }

    /**
     * The heads of the file on this studio's rack. One that is there and the same is used; one that is there under the same name but not the same comes in under a name of its own.
     *
     * @param  array<string, mixed>  $rack
     * @return array{array<string, RackHead>, array{added: list<string>, there: list<string>}} heads by their label in the file
     */
    private function heads(array $rack): array
    {
        $file = new RackFile($this->user);
        $done = $file->add(['sleeves' => $rack['sleeves'] ?? [], 'parts' => $rack['parts'] ?? []]);
        $mine = fn () => RackHead::query()->where('studio_id', $this->user->studio_id)->whereNull('retired_at')->with(['sleeve', 'readings']);
        // When a head was read, and what it costs here, does not make it another head; nor that a file of before says no source.
        $same = function (array $head): string {
            unset($head['retired'], $head['supply'], $head['note'], $head['label']);
            $head['readings'] = array_map(fn (array $r): array => array_diff_key($r, ['at' => 1, 'way' => 1, 'note' => 1]) + ['source' => 'measured'], $head['readings'] ?? []);
            ksort($head);

            return (string) json_encode(json_decode((string) json_encode($head), true), JSON_PRESERVE_ZERO_FRACTION | JSON_NUMERIC_CHECK);
        };
        $out = [];
        foreach (array_values((array) ($rack['heads'] ?? [])) as $head) {
            $label = (string) $head['label'];
            $found = null;
            $name = $label;
            for ($n = 2; $found === null; $n++) {
                $there = $mine()->where('label', $name)->where('hand', $head['hand'])->first();
                if ($there === null) {
                    $file->add(['heads' => [['label' => $name] + array_diff_key($head, ['retired' => 1])]]);
                    $found = $mine()->where('label', $name)->where('hand', $head['hand'])->firstOrFail();
                    $done['added'][] = $name;
                    if ($head['retired'] ?? false) {
                        $found->update(['retired_at' => now()]);
                    }
                } elseif ($same(RackFile::head($there)) === $same($head)) {
                    $found = $there;
                    $done['there'][] = $name;
                } else {
                    $name = mb_substr($label, 0, 74)." ({$n})";
                }
            }
            $out[$label] ??= $found;
        }

        return [$out, $done];
    }

    /**
     * @param  \Illuminate\Support\Collection<array-key, Part>  $parts
     * @param  array<string, mixed>  $item
     */
    private function part(\Illuminate\Support\Collection $parts, string $kind, array $item): ?int
    {
        $label = $item[self::PARTS[$kind]] ?? null;

        return is_string($label) ? $parts->get("{$kind}/{$label}")?->id : null;
    }

    /**
     * @param  array<string, mixed>  $item
     * @param  array<string, string>  $names
     * @return array<string, mixed> by column
     */
    private static function columns(array $item, array $names, string $where): array
    {
        $out = [];
        foreach ($names as $column => $name) {
            if (! isset($item[$name])) {
                continue;
            }
            if (isset(self::TEXTS[$column]) && (! is_string($item[$name]) || mb_strlen($item[$name]) > self::TEXTS[$column])) {
                throw CoreException::invalid("{$where}.{$name}", "{$where}.{$name} must be a text of at most ".self::TEXTS[$column].' letters.');
            }
            $out[$column] = $item[$name];
        }

        return $out;
    }

    /**
     * @param  array<string, mixed>  $data
     * @return list<array<string, mixed>>
     */
    private static function items(array $data, string $key): array
    {
        $list = $data[$key] ?? [];
        if (! is_array($list) || ! array_is_list($list) || array_filter($list, fn (mixed $v): bool => ! is_array($v)) !== []) {
            throw CoreException::invalid($key, "'{$key}' must be a list of JSON objects.");
        }

        return $list;
    }

    private static function moment(mixed $value): ?Carbon
    {
        return is_string($value) && strtotime($value) !== false && preg_match('/^\d{4}-\d\d-\d\d/', $value) === 1 ? Carbon::parse($value) : null;
    }

    /**
     * @template T of \Illuminate\Database\Eloquent\Model
     *
     * @param  T  $row
     * @return T
     */
    private static function dated(\Illuminate\Database\Eloquent\Model $row, mixed $at): \Illuminate\Database\Eloquent\Model
    {
        $moment = self::moment($at);
        if ($moment !== null) {
            $row->newQuery()->whereKey($row->getKey())->toBase()->update(['created_at' => $moment]);
        }

        return $row;
    }
}
