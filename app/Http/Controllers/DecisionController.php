<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Fittings\FittingLoader;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\FittingResource;
use App\Journal\Journal;
use App\Judged\JudgedPart;
use App\Judged\JudgementReader;
use App\Judged\Viewpoint;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Setup;
use App\Support\Transaction;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** What to decide, on what grounds, and what was decided. */
final class DecisionController
{
    use NamesUser;

    public function __construct(private readonly Journal $journal, private readonly JudgementReader $reader)
    {
    }

    #[
        OA\Get(
            path: '/api/fittings/{fitting}/decisions', operationId: 'decision.index',
            summary: 'Versions of the decision, the latest first', responses: [new Answer('Decision[]')],
        ),
    ]
    public function index(Fitting $fitting): JsonResponse
    {
        return response()->json($fitting->decisions()->with(['setup', 'fitter'])->get()->map(FittingResource::decision(...))->all());
    }

    /** A decision with what it rested on when it was locked: grounds, confirm run and brief. */
    #[OA\Get(path: '/api/decisions/{decision}', operationId: 'decision.show', summary: 'A decision with what it rested on',
        responses: [new Answer('DecisionWithProof')])]
    public function show(Decision $decision): JsonResponse
    {
        return self::answer($decision);
    }

    /**
     * Saves the decision with the advice as it stood, as a version of its own. Choosing otherwise than advised asks for a reason.
     * The same decision saved again is the same version.
     */
    #[
        OA\Post(
            path: '/api/fittings/{fitting}/decisions', operationId: 'decision.store',
            summary: 'Saves a decision with the advice as it stands',
            requestBody: new Takes(['setupId' => 'integer', 'reason?' => 'string | null', 'swing?' => 'string | null']),
            responses: [new Answer('DecisionWithProof', 201)],
        ),
    ]
    public function store(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['setupId' => ['required', 'integer'], 'reason' => ['nullable', 'string', 'max:2000']]);
        self::requireOpen($fitting->decisions()->first());
        $judged = new FittingLoader($fitting);
        $from = new Viewpoint(Viewpoint::asked($request)->swing);
        $record = $judged->record($from->swing);
        $advice = $this->reader->now($fitting, JudgedPart::Advice, $from);
        $chosen = $judged->setups[$given['setupId']] ?? null;
        if ($chosen === null || ! isset($record->sets()[$chosen->tag])) {
            throw ValidationException::withMessages(['setupId' => 'Choose a setup of this fitting that has counted shots.']);
        }
        $reason = trim((string) ($given['reason'] ?? ''));
        if ($chosen->tag !== $advice['pick'] && $reason === '') {
            throw ValidationException::withMessages([
                'reason' => "The shots speak for {$advice['pick']}. Say in a sentence why {$chosen->tag} is chosen; it goes on the record.",
            ]);
        }
        $user = self::user($request);
        $advisedId = array_key_first(array_filter($judged->setups, fn ($s): bool => $s->tag === $advice['pick']));
        $decision = Transaction::run(function () use ($fitting, $chosen, $advisedId, $advice, $reason, $user): Decision {
            // Another screen may be saving or locking at the same moment.
            Fitting::query()->lockForUpdate()->findOrFail($fitting->id);
            $before = $fitting->decisions()->first();
            self::requireOpen($before);
            $isTheSame =
                $before !== null &&
                $before->reopened_at === null &&
                $before->setup_id === $chosen->id &&
                $before->reason === $reason &&
                $before->advice == json_decode((string) json_encode($advice), true);

            return $isTheSame
                ? $before
                : $this->journal->record(
                    $fitting, $user, "decided for {$chosen->tag}",
                    fn (): Decision => Decision::query()->create([
                        'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'setup_id' => $chosen->id,
                        'advised_setup_id' => $advisedId ?? $chosen->id, 'reason' => $reason, 'advice' => $advice,
                        'decided_by' => $user->id, 'number' => (int) $fitting->decisions()->max('number') + 1,
                    ]),
                );
        });
        $fitting->touch();

        return self::answer($decision, 201);
    }

    /**
     * Keeps the decision and its grounds as they are now. It is not taken back like other things: it is reopened, and a new
     * version follows.
     */
    #[OA\Post(path: '/api/decisions/{decision}/lock', operationId: 'decision.lock', summary: 'Locks a decision with its grounds',
        responses: [new Answer('DecisionWithProof')])]
    public function lock(Request $request, Decision $decision): JsonResponse
    {
        $fitting = $decision->fitting;
        self::requireLatest($fitting, $decision);
        $user = self::user($request);
        $from = new Viewpoint($decision->advice['swing'] ?? null);
        $proof = $this->reader->now($fitting, JudgedPart::Grounds, $from)
            + ['schools' => $this->reader->now($fitting, JudgedPart::Schools, $from), 'brief' => $fitting->brief()->toArray()];
        // The journal says that it was locked, and cannot take it back: a lock is no tracked change.
        $this->journal->record(
            $fitting, $user, "locked the decision for {$decision->setup->tag} as version {$decision->number}",
            function () use ($fitting, $decision, $proof): void {
                self::requireLatest($fitting, $decision->refresh());
                self::requireReal($fitting);
                DB::table('decisions')
                    ->where('id', $decision->id)
                    ->update(['locked_at' => now(), 'proof' => json_encode($proof), 'updated_at' => now()]);
            },
        );

        return self::answer($decision->refresh());
    }

    /** What a real player will pay for does not rest on made-up shots. */
    private static function requireReal(Fitting $fitting): void
    {
        $tags = $fitting->studio->is_demo
            ? []
            : Setup::query()
                ->where('fitting_id', $fitting->id)
                ->whereHas('shots', fn ($shots) => $shots->where('source', 'simulated')->whereNull('left_out_reason'))
                ->orderBy('position')->pluck('tag')->all();
        if ($tags !== []) {
            throw ValidationException::withMessages([
                'decision' => 'Simulated shots count in this fitting ('.
                    implode(', ', $tags).
                    '): a decision for a real player cannot be locked on them. Leave them out, or hit real ones.',
            ]);
        }
    }

    #[
        OA\Post(
            path: '/api/decisions/{decision}/reopen', operationId: 'decision.reopen',
            summary: 'Reopens a locked decision; the locked version stays', requestBody: new Takes(['why' => 'string']),
            responses: [new Answer('DecisionWithProof')],
        ),
    ]
    public function reopen(Request $request, Decision $decision): JsonResponse
    {
        $given = $request->validate(
            ['why' => ['required', 'string', 'max:300']],
            ['why.required' => 'Say in a few words why it is reopened; the locked version stays on the record.'],
        );
        $user = self::user($request);
        $this->journal->record(
            $decision->fitting, $user, "reopened version {$decision->number} of the decision: {$given['why']}",
            function () use ($decision, $given): void {
                if (! $decision->refresh()->isLocked()) {
                    throw ValidationException::withMessages(['decision' => 'Only a locked decision is reopened.']);
                }
                DB::table('decisions')
                    ->where('id', $decision->id)
                    ->update(['reopened_at' => now(), 'reopen_why' => $given['why'], 'updated_at' => now()]);
            },
        );

        return self::answer($decision->refresh());
    }

    private static function requireOpen(?Decision $before): void
    {
        if ($before?->isLocked() === true) {
            throw new HttpResponseException(
                response()->json(
                    [
                        'message' => "The decision for {$before->setup->tag} is locked as version {$before->number}. Reopen it with a "
                            .'reason; that makes a new version and keeps this one.',
                    ],
                    409,
                ),
            );
        }
    }

    private static function requireLatest(Fitting $fitting, Decision $decision): void
    {
        if ($fitting->decisions()->value('id') !== $decision->id || $decision->locked_at !== null) {
            throw ValidationException::withMessages([
                'decision' => $decision->locked_at !== null
                        ? 'That version has been locked before.'
                        : 'A newer decision has been saved since: lock that one.',
            ]);
        }
    }

    private static function answer(Decision $decision, int $status = 200): JsonResponse
    {
        return response()->json(
            FittingResource::decision($decision->load(['setup', 'fitter'])) + ['proof' => FittingResource::asKept($decision, 'proof')],
            $status,
        );
    }
}
