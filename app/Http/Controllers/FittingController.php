<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\StartFrom;
use App\Contract\Answer;
use App\Contract\Asks;
use App\Contract\Takes;
use App\Fittings\DayBook;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Requests\FittingRequest;
use App\Http\Resources\FittingResource;
use App\Http\Resources\OrderResource;
use App\Journal\Journal;
use App\Judged\JudgedPart;
use App\Judged\JudgementReader;
use App\Models\Blind;
use App\Models\Fitting;
use App\Models\Intake;
use App\Models\Player;
use App\Support\Transaction;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Fitting\TieBreak;
use OpenApi\Attributes as OA;

final class FittingController
{
    use NamesUser;

    public function __construct(private readonly Journal $journal, private readonly JudgementReader $reader)
    {
    }

    /** Entries of the day book on a page. */
    private const PAGE = 60;

    /**
     * The day book: newest first, a page at a time; searched by player, head or wish. A page goes on after the last
     * entry of the one before.
     */
    #[
        OA\Get(
            path: '/api/fittings', operationId: 'fitting.index',
            summary: 'The day book: the newest fittings, or those that fit what is searched',
            parameters: [
                new Asks('q', 'string'), new Asks('before', 'string', 'only what was changed before this moment (ISO 8601)'),
                new Asks('upTo', 'string', 'only what was changed up to the end of this day, by the studio’s clock'),
                new Asks('beforeId', 'integer', 'of those of that very moment, only such with a smaller id'),
            ],
            responses: [new Answer('DayBookEntry[]')],
        ),
    ]
    public function index(Request $request): JsonResponse
    {
        $given = $request->validate([
            'before' => ['sometimes', 'date', 'after:1970-01-01', 'before:2200-01-01'],
            'upTo' => ['sometimes', 'date_format:Y-m-d', 'after:1970-01-01', 'before:2200-01-01'], 'beforeId' => ['sometimes', 'integer'],
        ]);
        $user = self::user($request);
        $wanted = trim($request->string('q')->limit(80, '')->value());
        $before = match (true) {
            isset($given['upTo']) => Carbon::parse($given['upTo'], $user->studio->zone())->addDay()->utc(),
            isset($given['before']) => Carbon::parse($given['before'])->utc(),
            default => null,
        };
        $ids = DayBook::page($user->studio_id, $wanted, $before, (int) ($given['beforeId'] ?? 0), self::PAGE);
        $fittings = Fitting::query()->whereKey($ids)
            ->with([
                'player',
                'setups' => fn ($q) => $q
                    ->with('rackHead.readings')
                    ->withCount([
                        'shots as counted_count' => fn ($c) => $c->whereNull('left_out_reason'),
                        'shots as simulated_count' => fn ($c) => $c->where('source', 'simulated'),
                    ]),
                'decisions' => fn ($q) => $q->with('setup'), 'order',
            ])
            ->orderByDesc('updated_at')->orderByDesc('id')->get();

        return response()->json(
            $fittings
                ->map(
                    fn (Fitting $f): array => [
                        'id' => $f->id,
                        'player' => [
                            'id' => $f->player->id, 'name' => $f->player->name, 'hand' => $f->player->hand->value,
                            'units' => $f->player->units,
                        ],
                        'wants' => $f->wants,
                        'setups' => $f->setups->map(fn ($s): array => ['tag' => $s->tag, 'counted' => (int) $s->counted_count])->all(),
                        'simulated' => (int) $f->setups->sum('simulated_count'), 'decided' => $f->decisions->first()?->setup->tag,
                        'order' => $f->order === null ? null : OrderResource::standing($f->order, FittingResource::today($user)),
                        'missing' => FittingResource::missing($f, $f->setups->all(), $f->decisions->first()),
                        'updatedAt' => $f->updated_at->toIso8601String(),
                    ],
                )
                ->all(),
        );
    }

    /**
     * For a new player or one of the studio's; of the latter with the brief of an earlier fitting, and a club of it
     * as the own one.
     */
    #[OA\Post(path: '/api/fittings', operationId: 'fitting.store', summary: 'Begins a fitting',
        requestBody: new Takes([
            'playerId?' => 'integer | null', 'name?' => 'string | null', 'hand?' => 'Hand | null', 'units?' => 'UnitChoice',
            'fromFittingId?' => 'integer | null', 'setupId?' => 'integer | null',
        ]),
        responses: [new Answer('Fitting', 201)])]
    public function store(FittingRequest $request): JsonResponse
    {
        $user = self::user($request);
        $fitting = Transaction::run(function () use ($request, $user): Fitting {
            $player =
                $request->validated('playerId') === null
                    ? Player::query()->create([
                        'studio_id' => $user->studio_id, 'name' => trim((string) $request->validated('name')),
                        'hand' => $request->validated('hand'),
                        'units' => $request->validated('units') ?? [
                            'speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in',
                        ],
                    ])
                    : Player::query()->where('studio_id', $user->studio_id)->findOrFail($request->integer('playerId'));

            $fitting = new Fitting(['studio_id' => $user->studio_id, 'player_id' => $player->id, 'typed' => []]);
            $fitting->setBrief(new Brief);
            $fitting->save();
            if ($request->validated('fromFittingId') !== null) {
                $earlier = Fitting::query()->where('studio_id', $user->studio_id)->findOrFail($request->integer('fromFittingId'));
                $setupId = $request->validated('setupId');
                (new StartFrom)($fitting, $earlier, $setupId === null ? null : (int) $setupId);
            }
            Intake::waiting($player->id)?->draft($fitting, $request->validated('fromFittingId') !== null);

            return $fitting;
        });

        return response()->json((new FittingResource($fitting->refresh()))->toArray($request), 201);
    }

    #[OA\Get(path: '/api/fittings/{fitting}', operationId: 'fitting.show', summary: 'A fitting with its setups',
        responses: [new Answer('Fitting')])]
    public function show(Fitting $fitting): FittingResource
    {
        return new FittingResource($fitting);
    }

    /**
     * Changes fitting and player. Somebody else's newer version is never overwritten: the answer is 409 with what
     * stands now.
     */
    #[
        OA\Patch(
            path: '/api/fittings/{fitting}', operationId: 'fitting.update',
            summary: 'Changes player, benchmark or how shots are judged',
            requestBody: new Takes([
                'version' => 'integer', 'name?' => 'string | null', 'hand?' => 'Hand | null', 'units?' => 'UnitChoice',
                'benchmarkSetupId?' => 'integer', 'reason?' => 'string | null', 'screening?' => 'string', 'tieOrder?' => 'string[]', 'asksRatings?' => 'boolean',
            ]),
            responses: [new Answer('Fitting')],
        ),
    ]
    public function update(FittingRequest $request, Fitting $fitting): JsonResponse
    {
        $user = self::user($request);
        $barredBy = $this->barredBy($request, $fitting);
        $conflict = Transaction::run(function () use ($request, $fitting, $user, $barredBy): bool {
            $now = Fitting::query()->lockForUpdate()->findOrFail($fitting->id);
            if ($now->version !== (int) $request->validated('version')) {
                return true;
            }
            [$change, $words] = self::changes($request, $now);
            if ($barredBy !== []) {
                $words[] = 'though it likely brings more of what must never come ('.implode(', ', $barredBy).'): '.$request->validated('reason');
            }
            $player = array_filter(
                array_intersect_key((array) $request->validated(), ['name' => 1, 'hand' => 1, 'units' => 1]),
                fn (mixed $v): bool => $v !== null && $v !== '',
            );
            if ($player !== []) {
                $words[] = 'changed the player’s '.implode(', ', array_keys($player));
            }
            $this->journal->record(
                $now, $user, $words === [] ? 'changed nothing' : implode(', ', $words),
                function () use ($now, $change, $player): void {
                    $now->fill($change + ['version' => $now->version + 1])->save();
                    $now->player->fill($player)->save();
                },
            );

            return false;
        });
        $fresh = Fitting::query()->findOrFail($fitting->id);
        $body = (new FittingResource($fresh))->toArray($request);

        return $conflict
            ? response()->json(
                [
                    'message' => 'This fitting was changed on another screen meanwhile. Yours is kept here; look at both and save again.',
                    'current' => $body,
                ],
                409,
            )
            : response()->json($body);
    }

    /**
     * What of the forbidden the new benchmark likely brings more of. It may be held all the same, with a reason.
     *
     * @return list<string>
     *
     * @throws ValidationException where it brings more and no reason was given
     */
    private function barredBy(FittingRequest $request, Fitting $fitting): array
    {
        $setup = $request->has('benchmarkSetupId') ? $fitting->setups()->find($request->integer('benchmarkSetupId')) : null;
        if ($setup === null || $fitting->brief()->never === [] || Blind::open($fitting) !== null) {
            return [];
        }
        try {
            $judged = array_column($this->reader->now($fitting, JudgedPart::Advice)['setups'], 'barredBy', 'tag');
        } catch (InvalidInput) {
            return []; // there is nothing to hold it against
        }
        $barredBy = array_values(array_map(strval(...), $judged[$setup->tag] ?? []));
        if ($barredBy !== [] && trim((string) $request->validated('reason')) === '') {
            throw ValidationException::withMessages(['reason' => "{$setup->tag} likely brings more of what must never come (".implode(', ', $barredBy)
                .'). Say in a few words why it shall be the benchmark all the same.']);
        }

        return $barredBy;
    }

    /** @return array{array<string, mixed>, list<string>} columns that change, and what is done in words */
    private static function changes(FittingRequest $request, Fitting $now): array
    {
        if ($request->has('benchmarkSetupId') && ! $now->setups()->whereKey($request->integer('benchmarkSetupId'))->exists()) {
            throw ValidationException::withMessages(['benchmarkSetupId' => 'That setup is not part of this fitting.']);
        }
        $change = $request->has('benchmarkSetupId') ? ['benchmark_setup_id' => $request->integer('benchmarkSetupId')] : [];
        $words =
            $change === []
                ? []
                : ['made '.$now->setups()->findOrFail($request->integer('benchmarkSetupId'))->tag.' the benchmark'];
        if ($request->has('screening')) {
            $change['screening'] = Screening::named($request->string('screening')->value())->name;
            $words[] = "chose the screening policy {$change['screening']}";
        }
        if ($request->has('asksRatings')) {
            $change['asks_ratings'] = $request->boolean('asksRatings');
            $words[] = $change['asks_ratings'] ? 'asks for ratings before the numbers' : 'asks for no ratings';
        }
        if ($request->has('tieOrder')) {
            $change['tie_order'] = array_values(array_map(strval(...), (array) $request->validated('tieOrder')));
            TieBreak::requireOrder($change['tie_order']);
            $words[] = 'breaks a tie by '.implode(', then ', $change['tie_order']);
        }

        return [$change, $words];
    }
}
