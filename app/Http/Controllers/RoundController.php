<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TellRound;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Exchange\RoundsCsv;
use App\Fittings\FittingLoader;
use App\Fittings\FollowUps;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Controllers\Concerns\TakesFile;
use App\Http\Requests\RoundRequest;
use App\Journal\Journal;
use App\Models\Fitting;
use App\Models\Round;
use App\Models\Setup;
use App\Support\Transaction;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use MintCarry\Core\Report\Tweaks;
use OpenApi\Attributes as OA;

/** Three rounds after a fitting: what was told, what it says of the promise, and what to do. */
final class RoundController
{
    use NamesUser, TakesFile;

    public function __construct(private readonly Journal $journal, private readonly TellRound $tell)
    {
    }

    #[OA\Get(path: '/api/fittings/{fitting}/follow-up', operationId: 'round.show', summary: 'Rounds that were told, against the promise',
        responses: [new Answer('FollowUp')])]
    public function show(Fitting $fitting): JsonResponse
    {
        return response()->json($this->describe($fitting));
    }

    #[OA\Post(path: '/api/fittings/{fitting}/rounds', operationId: 'round.store', summary: 'Writes a round down',
        requestBody: new Takes(RoundRequest::SAID), responses: [new Answer('FollowUp', 201), new Answer('FollowUp', 200, 'it was here already')])]
    public function store(RoundRequest $request, Fitting $fitting): JsonResponse
    {
        [, $isNew] = ($this->tell)(
            $fitting, $request->played(), $request->beside(), $request->string('key')->value(), null, self::user($request),
        );

        return response()->json($this->describe($fitting), $isNew ? 201 : 200);
    }

    /** Read whole or not at all. A line that stands there already, word for word, is not stored again. */
    #[OA\Post(path: '/api/fittings/{fitting}/rounds/file', operationId: 'round.import', summary: 'Reads rounds from a table',
        requestBody: new Takes(['file' => 'string', 'keep?' => 'boolean | string'], isForm: true),
        responses: [new Answer('{ lines: integer; stored: integer; courses: string[]; kept: boolean }')])]
    public function import(Request $request, Fitting $fitting): JsonResponse
    {
        [$bytes, $keep] = self::file($request, 'a table of rounds, CSV', 1);
        $rounds = RoundsCsv::read($bytes);
        $stored = ! $keep ? 0 : Transaction::run(function () use ($rounds, $fitting, $request): int {
            $stored = 0;
            foreach ($rounds as $round) {
                [, $isNew] = ($this->tell)(
                    $fitting, $round['played'], ['playedOn' => $round['playedOn'], 'words' => '', 'typed' => $round['typed']],
                    hash('sha256', (string) json_encode($round['typed'])), null, self::user($request),
                );
                $stored += $isNew ? 1 : 0;
            }

            return $stored;
        });

        return response()->json([
            'lines' => count($rounds), 'stored' => $stored, 'kept' => $keep,
            'courses' => array_values(array_unique(array_map(static fn (array $r): string => $r['played']->course, $rounds))),
        ]);
    }

    #[OA\Delete(path: '/api/fittings/{fitting}/rounds/{round}', operationId: 'round.destroy', summary: 'Takes a round out; the journal can put it back',
        responses: [new Answer('FollowUp')])]
    public function destroy(Request $request, Fitting $fitting, Round $round): JsonResponse
    {
        abort_unless($round->fitting_id === $fitting->id, 404);
        $this->journal->record($fitting, self::user($request), "took out the round on {$round->course}", fn () => $round->delete());

        return response()->json($this->describe($fitting));
    }

    /** @return array<string, mixed> */
    private function describe(Fitting $fitting): array
    {
        $followUps = FollowUps::ofFitting($fitting);
        [$promise, $seen] = [$followUps->promise($fitting->id), $followUps->of($fitting->id)];
        $decision = $fitting->decisions()->first();
        $setup = $decision === null ? null : Setup::query()->with(Setup::MADE_OF)->find($decision->setup_id);

        return [
            'promise' => $promise === null ? null : get_object_vars($promise), 'seen' => $seen === null ? null : get_object_vars($seen),
            'rounds' => Round::query()->where('fitting_id', $fitting->id)->orderByDesc('played_on')->orderByDesc('id')->get()
                ->map(static fn (Round $r): array => [
                    'id' => $r->id, 'playedOn' => $r->played_on, 'course' => $r->course, 'club' => $r->club, 'holes' => $r->holes,
                    'hit' => $r->hit,
                    'left' => $r->missed_left, 'right' => $r->missed_right, 'lost' => $r->lost, 'drivesM' => $r->drives_m,
                    'feel' => $r->feel,
                    'words' => $r->words, 'byLink' => $r->link_id !== null,
                ])->all(),
            'tweaks' => $setup === null || $seen?->miss === null ? []
                : array_map(
                    static fn (array $t): array => ['masses' => (object) $t['masses'], 'slots' => array_map(get_object_vars(...), $setup->record()->racked->slots ?? [])] + $t,
                    Tweaks::of((new FittingLoader($fitting))->record(), $setup->record(), $seen->miss),
                ),
            'refit' => $setup === null ? null : ['fittingId' => $fitting->id, 'setupId' => $setup->id],
        ];
    }
}
