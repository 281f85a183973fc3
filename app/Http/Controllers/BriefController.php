<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Fittings\FittingLoader;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Input\BriefInput;
use App\Http\Resources\FittingResource;
use App\Journal\Journal;
use App\Models\BriefChange;
use App\Models\Fitting;
use App\Models\Player;
use App\Support\Transaction;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Outlook;
use MintCarry\Core\Report\HeadLoft;
use OpenApi\Attributes as OA;

final class BriefController
{
    use NamesUser;

    public function __construct(private readonly Journal $journal)
    {
    }

    /**
     * Saves the brief, and who the player is, whole or not at all. The first time it is agreed; every later change is dated and says
     * why. A newer version is never overwritten.
     */
    #[OA\Patch(path: '/api/fittings/{fitting}/brief', operationId: 'brief.update', summary: 'Agrees or changes the brief',
        requestBody: new Takes([
            'version' => 'integer', 'brief' => 'TypedBrief', 'why?' => 'string | null', 'name?' => 'string', 'hand?' => 'Hand',
            'units?' => 'UnitChoice',
        ]),
        responses: [new Answer('Fitting')])]
    public function update(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate([
            'version' => ['required', 'integer'], 'brief' => ['present', 'array'],
            'why' => ['sometimes', 'nullable', 'string', 'max:300'],
            'name' => ['sometimes', 'required', 'string', 'max:80'],
            'hand' => ['sometimes', Rule::enum(Hand::class)],
            ...Player::unitRules(),
        ]);
        $player = array_intersect_key($given, ['name' => 1, 'hand' => 1, 'units' => 1]);
        $user = self::user($request);
        $conflict = Transaction::run(function () use ($given, $fitting, $user, $player): bool {
            $now = Fitting::query()->lockForUpdate()->findOrFail($fitting->id);
            if ($now->version !== (int) $given['version']) {
                return true;
            }

            return $this->journal->record(
                $now, $user,
                ($now->brief_agreed_at === null ? 'agreed the brief' : 'changed the brief').
                    ($player === [] ? '' : ' and the player’s '.implode(', ', array_keys($player))),
                function () use ($given, $now, $user, $player): bool {
                    $before = $now->brief();
                    $after = BriefInput::read($given['brief'], $before);
                    $now->flight();
                    if ($now->brief_agreed_at !== null && $after->changesFrom($before) !== []) {
                        $why = trim((string) ($given['why'] ?? ''));
                        if ($why === '') {
                            throw ValidationException::withMessages([
                                'why' => 'The brief was agreed on '.
                                    $now->brief_agreed_at->format('j F').
                                    '. Say in a few words why it changes; the record keeps both.',
                            ]);
                        }
                        BriefChange::query()->create([
                            'studio_id' => $now->studio_id, 'fitting_id' => $now->id, 'before' => $before->toArray(),
                            'after' => $after->toArray(), 'why' => $why, 'changed_by' => $user->id,
                        ]);
                    }
                    $now->setBrief($after);
                    $now->player->fill($player)->save();
                    $now->flight(); // refuses air that nobody plays in, before it is kept
                    $now->fill([
                        'brief_agreed_at' => $now->brief_agreed_at ?? now(), 'version' => $now->version + 1,
                        'typed' => array_replace_recursive($now->typed, $given['brief']),
                    ])->save();

                    return false;
                });
        });
        $body = (new FittingResource(Fitting::query()->findOrFail($fitting->id)))->toArray($request);

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

    /** What a brief means, also one that is not saved yet. */
    #[
        OA\Post(
            path: '/api/fittings/{fitting}/brief/outlook', operationId: 'brief.outlook',
            summary: 'What follows from a brief that is not saved', requestBody: new Takes(['brief?' => 'TypedBrief']),
            responses: [new Answer('Outlook')],
        ),
    ]
    public function outlook(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['brief' => ['sometimes', 'array']]);
        $record = (new FittingLoader($fitting))->record()->withBrief(BriefInput::read($given['brief'] ?? [], $fitting->brief()));
        $target = $record->target();

        return response()->json(
            get_object_vars(Outlook::toward($target, $record->brief)) + ['headLoft' => HeadLoft::of($record, $target)],
        );
    }

    #[OA\Get(path: '/api/fittings/{fitting}/brief/changes', operationId: 'brief.changes', summary: 'What was changed in the brief, and why',
        responses: [new Answer('BriefChange[]')])]
    public function changes(Fitting $fitting): JsonResponse
    {
        return response()->json(
            BriefChange::query()
                ->where('fitting_id', $fitting->id)->with('fitter')->orderByDesc('id')->get()
                ->map(
                    fn (BriefChange $c): array => [
                        'why' => $c->why, 'by' => $c->fitter->name, 'at' => $c->created_at->toIso8601String(),
                        'changes' => Brief::fromArray($c->after)->changesFrom(Brief::fromArray($c->before)),
                    ],
                )
                ->all(),
        );
    }
}
