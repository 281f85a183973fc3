<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\StoreShots;
use App\Contract\Answer;
use App\Contract\Asks;
use App\Contract\Takes;
use App\Exchange\CsvDownload;
use App\Fittings\Calibrations;
use App\Fittings\FittingLoader;
use App\Http\Controllers\Concerns\KeepsNote;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\ShotResource;
use App\Journal\Journal;
use App\Models\Fitting;
use App\Models\Shot;
use App\Models\Trial;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Launch\Issue;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Launch\ShotRow;
use MintCarry\Core\Launch\TypedShot;
use MintCarry\Core\Units\Dimension;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class ShotController
{
    use KeepsNote, NamesUser;

    public function __construct(private readonly Journal $journal)
    {
    }

    #[OA\Get(path: '/api/fittings/{fitting}/shots', operationId: 'shot.index', summary: 'The shots of a fitting, all of them or some',
        parameters: [
            new Asks('newest', 'integer', 'only so many, the last that were hit'),
            new Asks('each', 'integer', 'only so many of each setup, spread evenly over them'),
        ],
        responses: [new Answer('Shot[]')])]
    public function index(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate([
            'newest' => ['sometimes', 'integer', 'between:1,20000'], 'each' => ['sometimes', 'integer', 'between:2,20000'],
        ]);
        $by = Calibrations::of($fitting);
        $number = static fn (string $name): ?int => isset($given[$name]) ? (int) $given[$name] : null;
        $ids = FittingLoader::some($fitting, $number('newest'), $number('each'));

        return response()->json(
            Shot::revealed($fitting->shots())
                ->when($ids !== null, fn ($q) => $q->whereIntegerInRaw('id', $ids ?? []))->limit(20_000)->get()
                ->map(fn (Shot $shot): array => (new ShotResource($shot, $by->shot($shot)))->toArray($request))->all(),
        );
    }

    /** Stores typed shots. All or none: one that cannot be read is named, and what was typed stays on the screen. */
    #[OA\Post(path: '/api/fittings/{fitting}/shots', operationId: 'shot.store', summary: 'Stores typed shots',
        requestBody: new Takes([
            'setupId' => 'integer', 'shots' => '{ clientId: string; note?: string | null; values: Record<string, Typed> }[]',
        ]),
        responses: [new Answer('{ stored: integer; already: integer }', 201)])]
    public function store(Request $request, Fitting $fitting, StoreShots $store): JsonResponse
    {
        $given = $request->validate([
            'setupId' => ['required', 'integer', Rule::exists('setups', 'id')->where('fitting_id', $fitting->id)],
            'shots' => ['required', 'array', 'min:1', 'max:200'],
            'shots.*.clientId' => ['required', 'string', 'max:64'],
            'shots.*.note' => ['sometimes', 'nullable', 'string', 'max:500'],
            'shots.*.values' => ['required', 'array', 'min:1'],
        ]);
        $read = [];
        foreach ($given['shots'] as $i => $shot) {
            [$values, $issues] = TypedShot::read($shot['values'], $fitting->player->hand, $fitting->flight());
            $refused = array_values(array_filter($issues, fn (Issue $issue): bool => $issue->refused));
            if ($refused !== []) {
                throw ValidationException::withMessages([
                    "shots.{$i}.{$refused[0]->field}" => 'Shot '.
                        ($i + 1).
                        ': '.
                        rtrim($refused[0]->message, '.').
                        '. Nothing was saved; what you typed is still here.',
                ]);
            }
            $read[] = [
                'setupId' => (int) $given['setupId'], 'measured' => $values, 'typed' => $shot['values'],
                'flags' => array_map(fn (Issue $issue): string => $issue->message, $issues), 'key' => ShotRow::keyOf($values, null),
                'clientId' => $shot['clientId'], 'note' => $shot['note'] ?? null,
            ];
        }

        $user = self::user($request);

        return response()->json(
            $this->journal->record(
                $fitting, $user, fn (array $r): string => "typed {$r['stored']} shot".($r['stored'] === 1 ? '' : 's'),
                function () use ($store, $fitting, $read): array {
                    $done = $store($fitting, $read, 'typed');
                    if ($done['differs'] !== []) {
                        throw new HttpResponseException(self::storedOtherwise($read, $done['differs']));
                    }

                    return array_diff_key($done, ['differs' => 1]);
                }), 201);
    }

    /**
     * A line that is on record already was changed since: perhaps the answer got lost. The person says whether it is another shot.
     *
     * @param  list<array{clientId: string, ...}>  $read
     * @param  array<string, int>  $differs
     */
    private static function storedOtherwise(array $read, array $differs): JsonResponse
    {
        $lines = array_filter($read, static fn (array $shot): bool => isset($differs[$shot['clientId']]));
        $says = implode(
            ' ',
            array_map(
                static fn (int $i, array $shot): string => 'Line '.
                    ($i + 1).
                    " is on record as shot {$differs[$shot['clientId']]}, with other values.",
                array_keys($lines), $lines,
            ),
        );

        return response()->json(
            [
                'message' => "{$says} Nothing was saved; what you typed is still here. Is it another shot?",
                'differs' => array_map(strval(...), array_keys($differs)),
            ],
            409,
        );
    }

    /**
     * Leaves a shot out with a reason or brings it back, says how it was meant or in which trial it was hit, or notes something.
     * A note that somebody else changed meanwhile is not overwritten.
     */
    #[
        OA\Patch(
            path: '/api/shots/{shot}', operationId: 'shot.update',
            summary: 'Leaves a shot out, brings it back, moves it, or says how it was meant',
            requestBody: new Takes([
                'leftOut?' => '{ reason: string; note?: string | null } | null', 'intent?' => 'string', 'trialId?' => 'integer',
                'note?' => 'string | null', 'was?' => 'string | null',
            ]),
            responses: [new Answer('Shot')],
        ),
    ]
    public function update(Request $request, Shot $shot): JsonResponse
    {
        $given = $request->validate([
            'leftOut' => ['sometimes', 'nullable', 'array', 'min:1'],
            'leftOut.reason' => ['required_with:leftOut', Rule::in(Shot::REASONS)],
            'leftOut.note' => ['sometimes', 'nullable', 'string', 'max:300'],
            'intent' => ['sometimes', Rule::in(Shot::INTENTS)],
            'trialId' => ['sometimes', 'integer', Rule::exists('trials', 'id')->where('fitting_id', $shot->fitting_id)],
        ] + self::NOTE);
        $user = self::user($request);
        $fitting = Fitting::query()->findOrFail($shot->fitting_id);
        $change = [];
        $words = [];
        if (array_key_exists('leftOut', $given)) {
            $out = $given['leftOut'];
            $change +=
                $out === null
                    ? ['left_out_reason' => null, 'left_out_note' => null, 'left_out_by' => null, 'left_out_at' => null]
                    : [
                        'left_out_reason' => $out['reason'], 'left_out_note' => $out['note'] ?? null, 'left_out_by' => $user->id,
                        'left_out_at' => now(),
                    ];
            $words[] = $out === null ? "brought shot {$shot->sequence} back" : "left shot {$shot->sequence} out: {$out['reason']}";
        }
        if (isset($given['intent'])) {
            $change['intent'] = $given['intent'];
            $words[] = "shot {$shot->sequence} was meant {$given['intent']}";
        }
        if (isset($given['trialId'])) {
            [$trial, $moved] = self::movedTo($shot, (int) $given['trialId']);
            $change += $moved;
            $words[] = "moved shot {$shot->sequence} to trial {$trial->number} with {$trial->setup->tag}";
        }
        if (array_key_exists('note', $given)) {
            self::requireSeen($shot->note, $given);
            $change['note'] = $given['note'];
            $words[] = "noted on shot {$shot->sequence}";
        }
        if ($change === []) {
            throw ValidationException::withMessages(['shot' => 'Say what of this shot changes: leftOut, intent, trialId or note.']);
        }
        $this->journal->record($fitting, $user, implode(', ', $words), fn () => $shot->update($change));
        $fitting->touch();

        return response()->json((new ShotResource($shot, Calibrations::of($fitting)->shot($shot)))->toArray($request));
    }

    /** @return array{Trial, array<string, mixed>} the trial that a shot is moved to, and what changes of the shot with it */
    private static function movedTo(Shot $shot, int $trialId): array
    {
        $trial =
            Trial::query()->with('setup')->whereNotIn('id', Trial::hidden())->whereKey($trialId)->first() ??
            throw ValidationException::withMessages([
                'trialId' => 'A blind trial that goes on takes no shots of others: reveal it first.',
            ]);
        // Warm-up shots are kept apart, and what was taken for one counts again.
        $apart = match (true) {
            $trial->kind === 'warm-up' && $shot->left_out_reason === null => [
                'left_out_reason' => 'warm-up', 'left_out_at' => now(),
            ],
            $trial->kind !== 'warm-up' && $shot->left_out_reason === 'warm-up' => [
                'left_out_reason' => null, 'left_out_note' => null, 'left_out_by' => null, 'left_out_at' => null,
            ],
            default => [],
        };

        return [$trial, ['trial_id' => $trial->id, 'setup_id' => $trial->setup_id] + $apart];
    }

    /** All shots of a fitting as CSV, in kept units. */
    #[OA\Get(path: '/api/fittings/{fitting}/shots.csv', operationId: 'shot.export', summary: 'Every shot as a table',
        responses: [new Answer('text/csv')])]
    public function export(Fitting $fitting): StreamedResponse
    {
        $fields = array_filter(Measure::cases(), fn (Measure $m): bool => $m->dimension() !== Dimension::Text);
        $by = Calibrations::of($fitting);
        $tags = $fitting->setups()->pluck('tag', 'id');

        return CsvDownload::of("fitting-{$fitting->id}-shots.csv", (static function () use ($fitting, $fields, $by, $tags): iterable {
            yield [
                'shot', 'setup', ...array_map(fn (Measure $m): string => $m->value, $fields), 'computed', 'leftOut', 'note', 'hitAt', 'source',
            ];
            foreach (Shot::revealed($fitting->shots())->lazy(500) as $shot) {
                $read = $by->shot($shot);
                yield [
                    (string) $shot->sequence, (string) $tags[$shot->setup_id],
                    ...array_map(fn (Measure $m): string => ($v = $read->value($m)) === null ? '' : (string) round($v, 4), $fields),
                    implode(' ', array_keys($read->computed)), $shot->left_out_reason ?? '', $shot->note ?? '', $shot->hit_at ?? '', $shot->source,
                ];
            }
        })());
    }
}
