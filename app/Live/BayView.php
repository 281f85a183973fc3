<?php

declare(strict_types=1);

namespace App\Live;

use App\Fittings\FittingLoader;
use App\Journal\Undoable;
use App\Models\Bay;
use App\Models\Blind;
use App\Models\Fitting;
use App\Models\HeldShot;
use App\Models\LogEntry;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;
use App\Models\Visit;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use MintCarry\Core\Club\ChangeOver;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupParts;
use MintCarry\Core\Intake\SenderOrder;
use MintCarry\Core\Report\NextStep;
use stdClass;

/** What there is to tell of a fitting in the bay now: read once, in one place; `BayResource` gives it its form. */
final readonly class BayView
{
    /** A screen shows this many shots of the trial, and of those that are held. */
    private const SHOWN = 40;

    private const HELD = 50;

    public FittingLoader $judged;

    public ?Blind $blind;

    /** @var Collection<int, Trial> */
    public Collection $trials;

    /** The one that runs. */
    public ?Trial $trial;

    /** Is it a blind trial that goes on: then nothing may tell which setup it is. */
    public bool $secret;

    /** @var Collection<int, Shot> of the running trial */
    public Collection $shots;

    public BayFigures $figures;

    public function __construct(public Fitting $fitting)
    {
        $this->judged = new FittingLoader($fitting);
        $this->blind = Blind::open($fitting);
        $this->trials = Trial::query()
            ->where('fitting_id', $fitting->id)->with('setup')->withCount('shots')->orderBy('number')->get();
        $this->trial = $this->trials->firstWhere('id', $fitting->running_trial_id);
        $this->secret = $this->blind !== null && $this->trial?->blind_id === $this->blind->id;
        $this->shots = self::latest($this->trial);
        $this->figures = new BayFigures($fitting, $this->judged, $this->trial, $this->secret);
    }

    /** Changes whenever anything but shots does. */
    public function stamp(): string
    {
        return (int) LogEntry::query()->where('fitting_id', $this->fitting->id)->max('id').'/'.$this->fitting->version;
    }

    /** How many shots of the running trial count. */
    public function counted(): int
    {
        return $this->trial === null ? 0 : Shot::query()->where('trial_id', $this->trial->id)->whereNull('left_out_reason')->count();
    }

    /** @return Collection<int, HeldShot> the first of the tray */
    public function held(): Collection
    {
        return HeldShot::waiting($this->fitting)->limit(self::HELD)->get();
    }

    public function heldInAll(): int
    {
        return HeldShot::waiting($this->fitting)->count();
    }

    /** The trial that was begun last, where it may be told. */
    private function last(): ?Trial
    {
        return $this->secret ? null : $this->trials->last();
    }

    /** @return Collection<int, Shot> the latest of the trial, in the sender's order; all of them are in the averages */
    private static function latest(?Trial $trial): Collection
    {
        $shots = Shot::query()
            ->where('trial_id', $trial->id ?? 0)->orderByDesc('sequence')->limit(self::SHOWN)->get()->reverse()->values();
        $sent = $shots->map(
            fn (Shot $s): array => [$s->sender_id === null ? null : "{$s->sender_session}/{$s->sender_run}", $s->sender_sequence],
        );

        return collect(SenderOrder::of(array_values($sent->all())))->map(fn (int $i): ?Shot => $shots[$i])->filter()->values();
    }

    /** @return array{number: int, trials: int} the visit that goes on, or the one that would begin */
    public function visit(): array
    {
        $latest = Visit::query()->where('fitting_id', $this->fitting->id)->orderByDesc('number')->first();

        return [
            'number' => $latest->number ?? 1,
            'trials' => $latest === null ? 0 : Trial::query()->where('visit_id', $latest->id)->count(),
        ];
    }

    /**
     * @return array{trialId: int, open: list<string>, first: list<string>, due: bool}|null what the player is still to say of the setup in
     *   the hand, what of it the brief asks first, and whether the trial has its shots
     */
    public function asks(): ?array
    {
        if (
            ! $this->fitting->asks_ratings ||
            $this->trial === null ||
            $this->trial->kind !== 'trial' ||
            $this->trial->rating_skipped ||
            $this->shots->isEmpty()
        ) {
            return null;
        }
        // A setup is asked about once; in a blind trial each time it comes.
        $given =
            $this->trial->blind_id === null
                ? Rating::query()
                    ->where('setup_id', $this->trial->setup_id)
                    ->whereIn('trial_id', Trial::query()->where('fitting_id', $this->fitting->id)->whereNull('blind_id')->select('id'))
                : Rating::query()->where('trial_id', $this->trial->id);
        $open = array_values(array_diff(Rating::KINDS, $given->pluck('kind')->all()));

        $first = array_values(array_intersect($this->fitting->brief()->asked, $open));
        usort($open, static fn (string $a, string $b): int => (int) in_array($b, $first, true) <=> (int) in_array($a, $first, true));
        $enough = $this->blind !== null && $this->secret ? $this->blind->shots_each : NextStep::SHOTS;

        return $open === [] ? null : [
            'trialId' => $this->trial->id, 'open' => $open, 'first' => $first, 'due' => $this->counted() >= $enough,
        ];
    }

    /**
     * @return array{ordinal: int, of: int, shotsEach: int, set: bool, guess: array{trialId: int, options: list<array{id: int, tag: string}>}|null}|null
     *   how far a blind trial is, and which of its settings the player may think it was, once its shots are hit
     */
    public function blind(): ?array
    {
        $blind = $this->blind;
        if ($blind === null) {
            return null;
        }
        $guess = $this->trial === null || ! $this->secret || $this->trial->guess_asked || $this->shots->count() < $blind->shots_each
            ? null
            : ['trialId' => $this->trial->id, 'options' => array_map(
                fn (int $id): array => ['id' => $id, 'tag' => $this->judged->setups[$id]->tag ?? ''], self::ordered($blind->setups),
            )];

        return [
            'ordinal' => $blind->ordinal + 1, 'of' => count($blind->setups), 'shotsEach' => $blind->shots_each, 'set' => $blind->isSet(),
            'guess' => $guess,
        ];
    }

    /**
     * The settings in the order of the trail: that of the draw would give it away.
     *
     * @param  list<int>  $ids
     * @return list<int>
     */
    private static function ordered(array $ids): array
    {
        $ids = array_values(array_unique($ids));
        sort($ids);

        return $ids;
    }

    /** The blind trial that was revealed last, while nothing was begun after it. */
    public function revealed(): ?Blind
    {
        $last = $this->trials->last();

        return $last?->blind_id === null || $this->blind !== null ? null : Blind::query()->find($last->blind_id);
    }

    /** What this fitter did last, while it can be taken back. */
    public function lastDone(?int $userId): ?LogEntry
    {
        return LogEntry::query()
            ->where('fitting_id', $this->fitting->id)->where('user_id', $userId)->whereNull('undone_at')
            ->whereNull('undo_of')->where('created_at', '>', now()->subHours(12))->with('user')->orderByDesc('id')->first();
    }

    public function isUndoable(LogEntry $entry): bool
    {
        return app(Undoable::class)->holds($entry);
    }

    /** @return list<array<string, mixed>> the studio's bays; read plainly, for every screen asks for them at every shot */
    public function bays(): array
    {
        return array_values(
            Bay::query()
                ->toBase()->where('studio_id', $this->fitting->studio_id)->orderBy('name')
                ->get(['id', 'name', 'fitting_id', 'token_made_at'])
                ->map(
                    fn (stdClass $b): array => [
                        'id' => $b->id, 'name' => $b->name, 'fittingId' => $b->fitting_id,
                        'tokenMadeAt' => $b->token_made_at === null ? null : str_replace(' ', 'T', $b->token_made_at).'+00:00',
                    ],
                )
                ->all(),
        );
    }

    /** @return list<array{setupId: int, steps: list<string>, wrenchChanges: int}> from what was in the hand last to every setup */
    public function changeOver(): array
    {
        $last = $this->last();
        if ($this->secret) {
            return [];
        }
        $made = $this->judged->made();
        $from = $last === null ? null : ($made[$last->setup_id] ?? null)?->parts();

        return array_values(array_map(function (Setup $to) use ($from): array {
            $over = ChangeOver::between($from, $to->parts());

            return ['setupId' => $to->id, 'steps' => $over->steps, 'wrenchChanges' => $over->wrenchChanges];
        }, $made));
    }

    /** @return array{tags: list<string>, wrenchChanges: int} setups that nobody has hit yet, in the order of fewest wrench changes */
    public function queue(): array
    {
        $last = $this->last();
        if ($this->secret) {
            return ['tags' => [], 'wrenchChanges' => 0];
        }
        $waiting = array_values(
            array_filter(
                $this->judged->setups,
                fn (Setup $s): bool => $s->shelf === '' && ! isset($this->judged->sets[$s->id]) && $s->id !== $last?->setup_id,
            ),
        );
        [$order, $changes] = ChangeOver::order(
            $last === null ? null : ($this->judged->setups[$last->setup_id] ?? null)?->parts(),
            array_map(fn (Setup $s): SetupParts => $s->parts(), $waiting),
        );

        return ['tags' => array_map(fn (int $i): string => $waiting[$i]->tag, $order), 'wrenchChanges' => $changes];
    }

    /** @return array{swings: float|null, swingsHit: int, minutes: float|null, minutesUsed: int} of the visit that goes on */
    public function budget(): array
    {
        $last = $this->trials->last();
        $brief = $this->fitting->brief();
        $visit = Trial::query()->where('fitting_id', $this->fitting->id)->where('visit_id', $last?->visit_id)->get(['id', 'created_at']);
        $first = $visit->min('created_at');

        return [
            'swings' => $brief->swings, 'swingsHit' => Shot::query()->whereIn('trial_id', $visit->pluck('id'))->count(),
            'minutes' => $brief->minutes, 'minutesUsed' => $first === null ? 0 : (int) Carbon::parse($first)->diffInMinutes(now()),
        ];
    }

    /** @return array{toeMm: float, highMm: float, assumed: bool}|null the point of the face in line with the CG of the head in the hand */
    public function inLine(): ?array
    {
        if ($this->secret) {
            return null;
        }
        $setup =
            $this->trial === null
                ? null
                : Setup::query()
                    ->with(['rackHead.readings', 'rackHead.sleeve'])->find($this->trial->setup_id);
        $body = $setup?->body();
        if ($setup === null) {
            return null;
        }
        [$toe, $high] = ($body ?? Head::preset('middle', $setup->playing(1.0)->loftDeg))->inLineWithCg();

        return [
            'toeMm' => $toe, 'highMm' => $high,
            'assumed' => $body === null || in_array('CG', $setup->rackHead?->assumed() ?? [], true),
        ];
    }
}
