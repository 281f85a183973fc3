<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Contract\Takes;
use App\Data\Bin;
use App\Devices\Device;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Input\Quantity;
use App\Http\Resources\HeadResource;
use App\Models\Memory;
use App\Models\Part;
use App\Models\RackHead;
use App\Models\Reading;
use App\Models\Setup;
use App\Rack\HeadRules;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\ReadingSet;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Club\Weights;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Impact\PlayerPriors;
use OpenApi\Attributes as OA;

final class HeadController
{
    /** A head as it is typed. */
    private const TAKES = [
        'label?' => 'string', 'maker?' => 'string | null', 'hand?' => 'Hand',
        'type?' => "'forgiving' | 'middle' | 'low-spin'", 'sleeveId?' => 'integer | null', 'statedLoftDeg?' => 'Typed',
        'statedLieDeg?' => 'Typed', 'statedFaceOpenDeg?' => 'Typed', 'volumeCm3?' => 'Typed', 'massG?' => 'Typed',
        'cgToeMm?' => 'Typed', 'cgBackMm?' => 'Typed', 'cgUpMm?' => 'Typed', 'bulgeMm?' => 'Typed', 'rollMm?' => 'Typed',
        'inertiaGcm2?' => 'number[][] | null', 'slots?' => 'TypedSlot[]', 'stockG?' => '(number | string)[]',
        'standard?' => 'Record<string, number | string>', 'supply?' => 'TypedSupply', 'note?' => 'string | null',
    ];

    use NamesUser;

    /** A head with its history; the setup plane also for a player who squares as much as asked. */
    #[
        OA\Get(
            path: '/api/heads/{head}', operationId: 'head.show', summary: 'A head with its history',
            parameters: [new Asks('squaringShare', 'number')], responses: [new Answer('HeadDetail')],
        ),
    ]
    public function show(Request $request, RackHead $head): HeadResource
    {
        $given = $request->validate(['squaringShare' => ['sometimes', 'numeric', 'between:0,1']]);

        return new HeadResource(
            $head->load(['sleeve', 'readings.fitter']), full: true, squaringShare: (float) ($given['squaringShare'] ?? 0.5),
            memory: Memory::latest(self::user($request)->studio)?->learned(),
        );
    }

    #[
        OA\Post(
            path: '/api/heads', operationId: 'head.store', summary: 'Puts a head on the rack',
            requestBody: new Takes(self::TAKES),
            responses: [new Answer('HeadDetail', 201)],
        ),
    ]
    public function store(Request $request): JsonResponse
    {
        $user = self::user($request);
        $head = RackHead::begin($user->studio_id, (new HeadRules($user->studio_id, $request->all()))->columns());
        $head->save();

        return response()->json(
            (new HeadResource($head->refresh()->load(['sleeve', 'readings.fitter']), full: true))->toArray($request), 201,
        );
    }

    #[
        OA\Patch(
            path: '/api/heads/{head}', operationId: 'head.update', summary: 'Changes a head',
            requestBody: new Takes(self::TAKES),
            responses: [new Answer('HeadDetail')],
        ),
    ]
    public function update(Request $request, RackHead $head): JsonResponse
    {
        $head->fill((new HeadRules($head->studio_id, $request->all(), $head))->columns())->load('sleeve');
        $head->requireSound();
        $head->save();

        return response()->json((new HeadResource($head->load(['sleeve', 'readings.fitter']), full: true))->toArray($request));
    }

    /** Takes a head off the rack. Setups and readings keep it. */
    #[OA\Delete(path: '/api/heads/{head}', operationId: 'head.destroy', summary: 'Takes a head off the rack; setups and readings keep it',
        responses: [new Answer('{ retired: boolean }')])]
    public function destroy(Request $request, RackHead $head, Bin $bin): JsonResponse
    {
        $bin->throwAway($head, self::user($request));

        return response()->json(['retired' => true]);
    }

    /** CG, inertia and swing weight with other weights in. Stores nothing. */
    #[
        OA\Post(
            path: '/api/heads/{head}/weigh', operationId: 'head.weigh', summary: 'What a head would be with other weights in',
            requestBody: new Takes([
                'masses' => 'Record<string, number | string>', 'shaftId?' => 'integer | null', 'gripMassG?' => 'number | null',
                'lengthMm?' => 'number | null',
            ]),
            responses: [new Answer('Weighed')],
        ),
    ]
    public function weigh(Request $request, RackHead $head): JsonResponse
    {
        $given = $request->validate([
            'masses' => ['present', 'array'], 'masses.*' => ['numeric'], 'shaftId' => ['nullable', 'integer'],
            'gripMassG' => ['nullable', 'numeric'], 'lengthMm' => ['nullable', 'numeric'],
        ]);
        $masses = array_map(floatval(...), $given['masses']);
        $now = $head->bodyWith($masses);
        $standard = $head->body();
        $illegal = null;
        try {
            Weights::requireLegal($head->weightSlots(), $head->stock_g, $masses);
        } catch (InvalidInput $e) {
            $illegal = $e->getMessage();
        }
        $shaft = Part::query()
            ->where('studio_id', $head->studio_id)->where('kind', 'shaft')->whereKey($given['shaftId'] ?? 0)->first();
        $length = (float) ($given['lengthMm'] ?? SwingWeight::USUAL_LENGTH_MM);
        $build = [
            $length,
            Part::shaftInClub($shaft, $length),
            (float) ($given['gripMassG'] ?? Setup::USUAL_GRIP_G),
        ];
        $swing = SwingWeight::with($now->massG, ...$build);

        return response()->json([
            'illegal' => $illegal,
            'massG' => $now->massG,
            'cg' => ['toeMm' => $now->cgToeMm, 'backMm' => $now->cgBackMm, 'upMm' => $now->cgUpMm],
            'inertiaGcm2' => $now->inertiaGcm2,
            'swingWeight' => $swing->label(),
            'swingWeightPoints' => $swing->points() - SwingWeight::with($standard->massG, ...$build)->points(),
            'fromStandard' => [
                'massG' => $now->massG - $standard->massG, 'toeMm' => $now->cgToeMm - $standard->cgToeMm,
                'backMm' => $now->cgBackMm - $standard->cgBackMm, 'upMm' => $now->cgUpMm - $standard->cgUpMm,
            ],
            'delivered' => PlayerPriors::delivered($standard, $now),
        ]);
    }

    /** Keeps a set of readings. One that lies far from the others is asked about first. */
    #[
        OA\Post(
            path: '/api/heads/{head}/readings', operationId: 'head.read', summary: 'Stores a reading of a head',
            requestBody: new Takes([
                'values' => 'Record<string, Typed | (number | string)[]>', 'position?' => 'string | null',
                'readAs' => "'soled' | 'squared'", 'way?' => "'hand' | 'gauge' | 'balance'",
                'source?' => "'measured' | 'simulated'", 'note?' => 'string | null', 'confirm?' => 'boolean',
            ]),
            responses: [new Answer('HeadDetail', 201)],
        ),
    ]
    public function read(Request $request, RackHead $head): JsonResponse
    {
        $given = $request->validate([
            'values' => ['required', 'array'],
            'values.*' => ['array', 'max:10'],
            'position' => ['sometimes', 'nullable', 'string', 'max:12'],
            'readAs' => ['required', Rule::in(['soled', 'squared'])],
            'way' => ['sometimes', Rule::in(['hand', 'gauge', 'balance'])],
            'source' => ['sometimes', Rule::in(Reading::SOURCES)],
            'note' => ['sometimes', 'nullable', 'string', 'max:300'],
            'confirm' => ['sometimes', 'boolean'],
        ]);
        $values = [];
        foreach ($given['values'] as $quantity => $readings) {
            $numbers = array_map(
                fn (mixed $v): ?float => Quantity::plain("values.{$quantity}", self::name((string) $quantity), $v),
                array_values($readings),
            );
            $values[$quantity] = array_values(array_filter($numbers, fn (?float $v): bool => $v !== null));
        }
        $position = (string) ($given['position'] ?? '');
        $head->system()->position($position === '' ? $head->system()->home : $position);
        $reading = new Reading([
            'studio_id' => $head->studio_id, 'head_id' => $head->id, 'values' => array_filter($values),
            'position' => $position === '' ? $head->system()->home : $position, 'read_as' => $given['readAs'],
            'way' => $given['way'] ?? 'hand', 'source' => self::sourceOf($head, $given), 'typed' => $given['values'],
            'note' => $given['note'] ?? '', 'read_by' => $request->user()?->getAuthIdentifier(),
        ]);
        $doubtful = $reading->set()->doubtful();
        if ($doubtful !== [] && ! ($given['confirm'] ?? false)) {
            $first = $doubtful[0];

            $says = sprintf(
                '%s %g %s lies far from the others, which read about %.1f. Look again; or keep it as it is. Nothing was '
                    .'saved yet, what you typed is still here.',
                self::name($first['quantity']), $first['value'], ReadingSet::QUANTITIES[$first['quantity']][2], $first['others'],
            );

            return response()->json(
                ['message' => $says, 'doubtful' => $doubtful, 'errors' => ["values.{$first['quantity']}" => [$says]]], 422,
            );
        }
        $reading->save();

        return response()->json((new HeadResource($head->load(['sleeve', 'readings.fitter']), full: true))->toArray($request), 201);
    }

    /**
     * What a stand-in read is made up, whatever the screen says of it.
     *
     * @param  array<string, mixed>  $given
     */
    private static function sourceOf(RackHead $head, array $given): string
    {
        $said = (string) ($given['source'] ?? 'measured');
        $takes = $head->studio->takesSimulated();
        if ($said === 'simulated' && ! $takes) {
            throw ValidationException::withMessages([
                'source' => 'These are readings of a stand-in, and the studio takes nothing made up. Nothing was saved; what you typed '
                    .'is still here.',
            ]);
        }
        if ($said === 'simulated' || ! $takes || ($given['way'] ?? 'hand') === 'hand') {
            return $said;
        }
        try {
            return (new Device((string) $given['way'], $takes))->source();
        } catch (InvalidInput) {
            return $said; // it does not answer any more
        }
    }

    private static function name(string $quantity): string
    {
        return ['loftDeg' => 'Loft', 'lieDeg' => 'Lie', 'faceOpenDeg' => 'Face', 'massG' => 'Mass'][$quantity] ?? "'{$quantity}'";
    }
}
