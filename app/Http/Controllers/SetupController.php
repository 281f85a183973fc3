<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AddSetup;
use App\Actions\BuildSetup;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Devices\Device;
use App\Fittings\SetupBalance;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Input\Quantity;
use App\Http\Requests\SetupRequest;
use App\Http\Resources\SetupResource;
use App\Journal\Journal;
use App\Models\Blind;
use App\Models\Fitting;
use App\Models\Setup;
use App\Models\Trial;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\LengthPlan;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Report\Calculator;
use MintCarry\Core\Units\Unit;
use OpenApi\Attributes as OA;

final class SetupController
{
    use NamesUser;

    public function __construct(private readonly Journal $journal)
    {
    }

    /** What a setup that was hit may still get: they tell more about what was hit, they do not change it. */
    private const READINGS = [
        'measured_loft_deg', 'measured_lie_deg', 'measured_face_open_deg', 'swing_weight_points', 'swing_weight_source', 'note',
        'typed',
    ];

    /** What makes a setup that was built from the rack. */
    private const CHOICES = ['head_id', 'sleeve_label', 'masses', 'shaft_id', 'grip_id', 'ball_id', 'length_mm', 'tee_mm', 'cue'];

    #[
        OA\Post(
            path: '/api/fittings/{fitting}/setups', operationId: 'setup.store', summary: 'Adds a setup',
            requestBody: new Takes(SetupRequest::TAKES),
            responses: [new Answer('Setup', 201)],
        ),
    ]
    public function store(SetupRequest $request, Fitting $fitting, AddSetup $add): JsonResponse
    {
        $setup = $this->journal->record(
            $fitting, self::user($request), fn (Setup $s): string => "added setup {$s->tag}",
            fn (): Setup => $add(
                $fitting, $request->columns(),
                $request->validated('branchedFromId') === null ? null : $request->integer('branchedFromId'),
            ),
        );

        return response()->json((new SetupResource($setup->refresh()))->toArray($request), 201);
    }

    /** What a setup would be, before it is added. Stores nothing. */
    #[
        OA\Post(
            path: '/api/fittings/{fitting}/setups/preview', operationId: 'setup.preview',
            summary: 'A setup that is not saved, as it would play',
            requestBody: new Takes(SetupRequest::TAKES),
            responses: [new Answer('Setup')],
        ),
    ]
    public function preview(SetupRequest $request, Fitting $fitting, BuildSetup $build): JsonResponse
    {
        return response()->json((new SetupResource(self::unsaved($request, $fitting, $build)))->toArray($request));
    }

    /** The swing weight of the club as it lies on the balance. Fills a field on the screen; nothing is stored. */
    #[
        OA\Post(
            path: '/api/fittings/{fitting}/setups/balance', operationId: 'setup.balance',
            summary: 'Reads the swing weight of a setup from the balance; nothing is stored',
            requestBody: new Takes(SetupRequest::TAKES),
            responses: [new Answer('{ swingWeight: string; source: string }')],
        ),
    ]
    public function balance(SetupRequest $request, Fitting $fitting, BuildSetup $build): JsonResponse
    {
        $setup = self::unsaved($request, $fitting, $build);
        $setup->swing_weight_points = null;
        $read = (new Device('balance', $fitting->studio->takesSimulated()))->reading([
            'swingWeightPoints' => $setup->swingWeight()?->points() ?? 30.0,
        ]);

        return response()->json([
            'swingWeight' => SwingWeight::labelOf(
                $read['values']['swingWeightPoints'] ??
                    throw InvalidInput::of('device', 'The balance does not read swing weights: read it by eye and type it.'),
            ),
            'source' => $read['source'],
        ]);
    }

    private static function unsaved(SetupRequest $request, Fitting $fitting, BuildSetup $build): Setup
    {
        $setup = $build(
            new Setup(['fitting_id' => $fitting->id, 'tag' => '', 'position' => 0, 'is_baseline' => false]), $request->columns(),
        );
        $setup->setRelation('fitting', $fitting);
        $setup->id = 0;

        return $setup;
    }

    /**
     * Changes a setup that has no shots. One that has been hit is frozen, save for gauge readings and the note: they tell more about
     * what was hit, they do not change it.
     */
    #[
        OA\Patch(
            path: '/api/setups/{setup}', operationId: 'setup.update', summary: 'Changes a setup',
            requestBody: new Takes(SetupRequest::TAKES),
            responses: [new Answer('Setup')],
        ),
    ]
    public function update(SetupRequest $request, Setup $setup, BuildSetup $build): JsonResponse
    {
        $this->journal->record($setup->fitting, self::user($request), "changed setup {$setup->tag}", function () use (
            $request, $setup, $build,
        ): void {
            if (! $setup->shots()->exists()) {
                $build($setup, $request->columns())->save();

                return;
            }
            $asked = (clone $setup)->fill($request->columns());
            $changed = $setup->head_id !== null
                ? array_intersect(array_keys($asked->getDirty()), self::CHOICES)
                : array_diff(array_keys($asked->getDirty()), self::READINGS);
            if ($changed !== []) {
                throw new HttpResponseException(
                    response()->json(
                        [
                            'message' => "Setup {$setup->tag} has shots, so what was hit stays as it is. Make a new setup from it; "
                                .'readings and the note can still be changed.',
                        ],
                        409,
                    ),
                );
            }
            // What was hit keeps the rack of its day.
            $setup->fill(array_intersect_key($request->columns(), array_flip(self::READINGS)));
            $setup->playing(1.0);
            $setup->save();
        });

        return response()->json((new SetupResource($setup->loadCount('shots')))->toArray($request));
    }

    #[OA\Delete(path: '/api/setups/{setup}', operationId: 'setup.destroy', summary: 'Removes a setup that was never hit',
        responses: [new Answer('{ deleted: boolean }')])]
    public function destroy(Request $request, Setup $setup): JsonResponse
    {
        $fitting = $setup->fitting;
        $this->journal->record($fitting, self::user($request), "removed setup {$setup->tag}", function () use ($setup, $fitting): void {
            $why = match (true) {
                $fitting->refresh()->benchmark_setup_id === $setup->id => "Setup {$setup->tag} is the benchmark; make another one the benchmark first.",
                $setup->shots()->exists() => "Setup {$setup->tag} has shots and stays in the record.",
                Trial::query()->where('setup_id', $setup->id)->exists() ||
                    in_array($setup->id, Blind::open($fitting)->setups ?? [],
                        true) => "Setup {$setup->tag} is or was in the hand and stays in the record.",
                default => null,
            };
            if ($why !== null) {
                throw new HttpResponseException(response()->json(['message' => $why], 409));
            }
            $setup->delete();
        });

        return response()->json(['deleted' => true]);
    }

    /** What brings it to another length with its balance held. Nothing is stored. */
    #[OA\Post(path: '/api/setups/{setup}/length', operationId: 'setup.length',
        summary: 'The ways to bring a setup to another length; stores nothing',
        requestBody: new Takes(['toLength' => '{ value: string; unit: string }', 'toSwingWeight?' => 'string | null',
            'toTotalG?' => 'number | string | null']),
        responses: [new Answer('LengthBalance')])]
    public function length(Request $request, Setup $setup): JsonResponse
    {
        $given = $request->validate(['toLength' => ['required', 'array:value,unit'], 'toSwingWeight' => ['sometimes', 'nullable',
            'string', 'max:8'], 'toTotalG' => ['sometimes', 'nullable']]);
        $to = Quantity::read('toLength', 'Length', $given['toLength'], Unit::Millimetres)
            ?? throw ValidationException::withMessages(['toLength' => 'Say the length that is wanted.']);
        $points = ($given['toSwingWeight'] ?? '') === '' ? null : SwingWeight::pointsOf((string) $given['toSwingWeight']);

        return response()->json(Calculator::solved(SetupBalance::of($setup->load(Setup::MADE_OF), $to, $points,
            Quantity::plain('toTotalG', 'Total mass', $given['toTotalG'] ?? null))));
    }

    /** The way that was chosen, for the workshop: it stands on the build page. What was hit stays as it was hit. */
    #[OA\Put(path: '/api/setups/{setup}/length-plan', operationId: 'setup.plan',
        summary: 'Keeps the way to another length for the build page, or drops it',
        requestBody: new Takes(['plan' => 'LengthPlan | null']), responses: [new Answer('Setup')])]
    public function plan(Request $request, Setup $setup): JsonResponse
    {
        $given = $request->validate(['plan' => ['present', 'nullable', 'array']]);
        $plan = $given['plan'] === null ? null : LengthPlan::fromArray($given['plan'])->toArray();
        $this->journal->record(
            $setup->fitting, self::user($request),
            $plan === null ? "dropped the length plan of {$setup->tag}" : sprintf('planned %s at %.0f mm', $setup->tag, $plan['lengthMm']),
            fn () => $setup->update(['length_plan' => $plan]),
        );

        return response()->json((new SetupResource($setup->loadCount('shots')))->toArray($request));
    }

    /** Parks or drops a setup with a reason, brings it back, or stars it. It keeps its letter, its shots and its place on the trail. */
    #[OA\Patch(path: '/api/setups/{setup}/shelf', operationId: 'setup.shelve', summary: 'Parks, drops, brings back or stars a setup',
        requestBody: new Takes([
            'shelf?' => "'' | 'parked' | 'dropped' | null", 'reason?' => 'string | null', 'starred?' => 'boolean',
        ]),
        responses: [new Answer('Setup')])]
    public function shelve(Request $request, Setup $setup): JsonResponse
    {
        $given = $request->validate([
            'shelf' => ['sometimes', 'nullable', Rule::in(Setup::SHELVES)],
            'reason' => ['sometimes', 'nullable', 'string', 'max:300'], 'starred' => ['sometimes', 'boolean'],
        ]);
        $change = [];
        $words = [];
        if (array_key_exists('shelf', $given)) {
            $shelf = (string) $given['shelf'];
            $reason = trim((string) ($given['reason'] ?? ''));
            if ($shelf !== '' && $reason === '') {
                throw ValidationException::withMessages([
                    'reason' => "Say in a few words why {$setup->tag} is {$shelf}; it stays on the record and can be brought back.",
                ]);
            }
            if ($shelf !== '' && $setup->fitting->benchmark_setup_id === $setup->id) {
                throw ValidationException::withMessages(['shelf' => "Setup {$setup->tag} is the benchmark; hold another one first."]);
            }
            $change += ['shelf' => $shelf, 'shelf_reason' => $shelf === '' ? '' : $reason];
            $words[] = $shelf === '' ? "brought setup {$setup->tag} back" : "{$shelf} setup {$setup->tag}: {$reason}";
        }
        if (isset($given['starred'])) {
            $change['starred'] = $given['starred'];
            $words[] = ($given['starred'] ? 'starred' : 'took the star off')." setup {$setup->tag}";
        }
        $this->journal->record($setup->fitting, self::user($request), implode(', ', $words), fn () => $setup->update($change));

        return response()->json((new SetupResource($setup->loadCount('shots')))->toArray($request));
    }
}
