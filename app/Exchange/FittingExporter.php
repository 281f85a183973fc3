<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Fittings\FittingLoader;
use App\Models\Blind;
use App\Models\BriefChange;
use App\Models\Confirm;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\LongClub;
use App\Models\Part;
use App\Models\RackHead;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Sleeve;
use App\Models\Trial;
use App\Models\Visit;
use Illuminate\Support\Collection;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Record\FittingFile;

/**
 * A whole fitting as an open file (docs/schemas/fitting.schema.json). The file carries the rack of the player's hand, so that it
 * means the same anywhere; what the log could take back stays behind.
 */
final class FittingExporter
{
    /** @var Collection<int, Setup> by id */
    private readonly Collection $setups;

    /** @var Collection<int, Trial> by id */
    private readonly Collection $trials;

    /** @var Collection<int, Blind> in the order of the file */
    private readonly Collection $blinds;

    /** @var Collection<int, Confirm> in the order of the file */
    private readonly Collection $confirms;

    private function __construct(private readonly Fitting $fitting)
    {
        $mine = fn (string $model) => $model::query()->where('fitting_id', $fitting->id);
        $this->setups = $fitting->setups()->with(['rackHead.sleeve', 'rackHead.readings', 'shaftPart', 'gripPart'])->get()->keyBy('id');
        $this->trials = $mine(Trial::class)->orderBy('number')->get()->keyBy('id');
        $this->blinds = $mine(Blind::class)->orderBy('id')->get()->values();
        $this->confirms = $mine(Confirm::class)->orderBy('id')->get()->values();
    }

    /**
     * @return array<string, mixed>
     *
     * @throws ValidationException while a blind trial is going on: a file would give it away
     */
    public static function export(Fitting $fitting): array
    {
        if (Blind::open($fitting) !== null) {
            throw ValidationException::withMessages([
                'blind' => 'A blind trial is going on, and the file would give it away: reveal it first.',
            ]);
        }

        return (new self($fitting))->all();
    }

    /** @return array<string, mixed> */
    private function all(): array
    {
        $fitting = $this->fitting;
        $mine = fn (string $model) => $model::query()->where('fitting_id', $fitting->id);
        $visits = $mine(Visit::class)->orderBy('number')->get()->keyBy('id');

        return self::filled([
            'format' => FittingFile::FORMAT,
            'madeBy' => 'Mint Carry '.config('mintcarry.version'),
            'seed' => $fitting->seed ?? $fitting->id,
            'exportedAt' => now()->toIso8601String(),
            'player' => ['name' => $fitting->player->name, 'hand' => $fitting->player->hand->value, 'units' => $fitting->player->units],
            'brief' => $fitting->brief()->toArray(),
            'briefAgreedAt' => $fitting->brief_agreed_at?->toIso8601String(),
            'screening' => $fitting->screening,
            'tieOrder' => $fitting->tie_order,
            'memory' => $fitting->memory()?->toArray(),
            'asksRatings' => $fitting->asks_ratings,
            'benchmark' => $this->tag($fitting->benchmark_setup_id),
            'rack' => $this->rack(),
            'setups' => $this->setups->map($this->setup(...))->values()->all(),
            'visits' => $visits
                ->map(fn (Visit $v): array => ['number' => $v->number, 'at' => $v->created_at->toIso8601String()])->values()->all(),
            'trials' => $this->trials
                ->map(fn (Trial $t): array => $this->trial($t, $visits[$t->visit_id ?? 0]->number ?? null))->values()->all(),
            'shots' => $fitting->shots()->get()->map($this->shot(...))->all(),
            'ratings' => $mine(Rating::class)->orderBy('id')->get()->map($this->rating(...))->all(),
            'blinds' => $this->blinds->map($this->blind(...))->all(),
            'confirms' => $this->confirms->map($this->confirm(...))->all(),
            'decisions' => $fitting->decisions()->get()->reverse()->values()->map($this->decision(...))->all(),
            'briefChanges' => $mine(BriefChange::class)->orderBy('id')->get()->map(fn (BriefChange $c): array => [
                'why' => $c->why, 'before' => $c->before, 'after' => $c->after, 'at' => $c->created_at->toIso8601String(),
            ])->all(),
            'longClubs' => $mine(LongClub::class)->orderBy('id')->get()->map($this->longClub(...))->all(),
        ]);
    }

    private function tag(?int $setup): ?string
    {
        return $this->setups[$setup ?? 0]->tag ?? null;
    }

    /** @return array<string, mixed> */
    private function setup(Setup $s): array
    {
        return self::filled(self::named($s, FittingFormat::SETUP, ['masses', 'rack_snapshot']) + [
            'onRack' => $s->head_id !== null, 'branchedFrom' => $this->tag($s->branched_from_id), 'starred' => $s->starred,
            'swingWeightComputed' => $s->swingWeight()?->points(), 'shaftPart' => $s->shaftPart?->label, 'gripPart' => $s->gripPart?->label,
            'ballPart' => $s->ball_id === null ? null : $s->ball,
        ]);
    }

    /** @return array<string, mixed> */
    private function longClub(LongClub $c): array
    {
        return self::filled([
            'name' => $c->name, 'kind' => $c->kind, 'loftDeg' => $c->loft_deg, 'lieDeg' => $c->lie_deg, 'faceOpenDeg' => $c->face_open_deg,
            'sleeve' => $c->sleeve, 'position' => $c->sleeve_label,
            'shots' => array_map(static fn (array $s): array => ['measured' => $s['values']] + array_filter(['typed' => $s['typed']]), $c->shots),
        ]);
    }

    /** @return array<string, mixed> */
    private function trial(Trial $t, ?int $visit): array
    {
        return self::filled([
            'number' => $t->number, 'setup' => $this->tag($t->setup_id), 'kind' => $t->kind, 'place' => $t->conditions, 'visit' => $visit,
            'blind' => self::index($this->blinds, $t->blind_id), 'confirm' => self::index($this->confirms, $t->confirm_id),
            'guess' => $t->guess_setup_id === null ? null : $this->tag($t->guess_setup_id),
            'ratingSkipped' => $t->rating_skipped, 'note' => $t->note, 'at' => $t->created_at->toIso8601String(),
        ]);
    }

    /** @return array<string, mixed> */
    private function shot(Shot $s): array
    {
        $of = ['setup' => $this->tag($s->setup_id), 'trial' => $this->trials[$s->trial_id ?? 0]->number ?? null];

        return self::filled($of + self::named($s, FittingFormat::SHOT, []));
    }

    /** @return array<string, mixed> */
    private function rating(Rating $r): array
    {
        return [
            'trial' => $this->trials[$r->trial_id]->number ?? null, 'setup' => $this->tag($r->setup_id), 'kind' => $r->kind,
            'stars' => $r->stars,
        ];
    }

    /** @return array<string, mixed> */
    private function blind(Blind $b): array
    {
        return [
            'setups' => array_map($this->tag(...), $b->setups), 'shotsEach' => $b->shots_each,
            'revealedAt' => $b->revealed_at?->toIso8601String(),
        ];
    }

    /** @return array<string, mixed> */
    private function confirm(Confirm $c): array
    {
        return [
            'held' => $this->tag($c->benchmark_setup_id), 'setup' => $this->tag($c->setup_id), 'shotsEach' => $c->shots_each,
            'rested' => $c->rested,
            'endedAt' => $c->ended_at?->toIso8601String(),
        ];
    }

    /** @return array<string, mixed> */
    private function decision(Decision $d): array
    {
        return self::filled([
            'setup' => $this->tag($d->setup_id), 'advised' => $this->tag($d->advised_setup_id), 'reason' => $d->reason,
            'version' => $d->number, 'advice' => $d->advice, 'proof' => $d->proof, 'at' => $d->created_at->toIso8601String(),
            'lockedAt' => $d->locked_at?->toIso8601String(), 'reopenedAt' => $d->reopened_at?->toIso8601String(),
            'reopenWhy' => $d->reopen_why,
        ]);
    }

    /**
     * @return array<string, mixed> the heads of the hand as they lie on the rack, those of setups that are gone from it, and the
     *   parts of the setups
     */
    private function rack(): array
    {
        $setups = $this->setups->values();
        $heads = (new FittingLoader($this->fitting))->heads();
        $gone = $setups
            ->map(fn (Setup $s): ?RackHead => $s->rackHead)->filter()
            ->reject(fn (RackHead $h): bool => $heads->contains('id', $h->id))->unique('id');
        $all = [...$heads->all(), ...$gone->values()->all()];
        $partIds = array_filter($setups->flatMap(fn (Setup $s): array => [$s->shaft_id, $s->grip_id, $s->ball_id])->all());
        $sleeveIds = array_filter(array_map(fn (RackHead $h): ?int => $h->sleeve_id, $all));

        return [
            'format' => RackExporter::FORMAT,
            'sleeves' => Sleeve::query()->findMany($sleeveIds)->sortBy('id')->values()->map(fn (Sleeve $s): array => $s->spec)->all(),
            'heads' => array_map(
                fn (RackHead $h): array => RackExporter::head($h) + ($h->retired_at === null ? [] : ['retired' => true]), $all,
            ),
            'parts' => Part::query()->findMany($partIds)->sortBy('id')->values()->map(RackExporter::part(...))->all(),
        ];
    }

    /** @param  Collection<int, Blind>|Collection<int, Confirm>  $list */
    private static function index(Collection $list, ?int $id): ?int
    {
        return $id === null ? null : (int) $list->search(fn (Blind|Confirm $row): bool => $row->id === $id);
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
     * @param  array<string, mixed>  $item
     * @return array<string, mixed>
     */
    private static function filled(array $item): array
    {
        return array_filter($item, fn (mixed $v): bool => $v !== null && $v !== '' && $v !== []);
    }
}
