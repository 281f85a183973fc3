<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Takes;
use App\Data\Bin;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\SleeveResource;
use App\Models\RackHead;
use App\Models\Setup;
use App\Models\Sleeve;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\SleeveSystem;
use OpenApi\Attributes as OA;

final class SleeveController
{
    use NamesUser;

    #[OA\Post(path: '/api/sleeves', operationId: 'sleeve.store', summary: 'Adds a sleeve',
        requestBody: new Takes(['spec' => 'SleeveSpec']),
        responses: [new Answer('Sleeve', 201)])]
    public function store(Request $request): JsonResponse
    {
        $user = self::user($request);
        $spec = $this->spec($request);
        $this->requireOwnName($user->studio_id, (string) $spec['name']);
        $sleeve = Sleeve::query()->create(['studio_id' => $user->studio_id, 'name' => $spec['name'], 'spec' => $spec]);

        return response()->json((new SleeveResource($sleeve->loadCount('heads')))->toArray($request), 201);
    }

    /** Changes a sleeve. A position that a setup or a reading stands at cannot go. */
    #[OA\Patch(path: '/api/sleeves/{sleeve}', operationId: 'sleeve.update', summary: 'Changes a sleeve',
        requestBody: new Takes(['spec' => 'SleeveSpec']),
        responses: [new Answer('Sleeve')])]
    public function update(Request $request, Sleeve $sleeve): JsonResponse
    {
        $spec = $this->spec($request);
        $this->requireOwnName($sleeve->studio_id, (string) $spec['name'], $sleeve->id);
        $labels = array_column($spec['positions'], 'label');
        foreach ($this->users($sleeve) as $label => $who) {
            if (! in_array((string) $label, array_map(strval(...), $labels), true)) {
                throw ValidationException::withMessages([
                    'positions' => "Position '{$label}' is used by ".
                        implode(', ', array_slice($who, 0, 3)).
                        (count($who) > 3 ? ' and '.(count($who) - 3).' more' : '').
                        ': it cannot be taken away or renamed. Nothing was saved; what you typed is still here.',
                ]);
            }
        }
        $sleeve->update(['name' => $spec['name'], 'spec' => $spec]);

        return response()->json((new SleeveResource($sleeve->loadCount('heads')))->toArray($request));
    }

    #[OA\Delete(path: '/api/sleeves/{sleeve}', operationId: 'sleeve.destroy', summary: 'Takes a sleeve off the rack',
        responses: [new Answer('{ retired: boolean }')])]
    public function destroy(Request $request, Sleeve $sleeve, Bin $bin): JsonResponse
    {
        $heads = $sleeve->heads()->whereNull('retired_at')->pluck('label');
        if ($heads->isNotEmpty()) {
            return response()->json(
                [
                    'message' => "The sleeve {$sleeve->name} is on ".
                        $heads->take(3)->implode(', ').
                        ': give those heads another one first. Nothing was changed.',
                ],
                409,
            );
        }
        $bin->throwAway($sleeve, self::user($request));

        return response()->json(['retired' => true]);
    }

    /** What geometry says of a sleeve as it stands in the editor, for a head of this loft and lie. Stores nothing. */
    #[OA\Post(path: '/api/sleeves/check', operationId: 'sleeve.check', summary: 'A sleeve’s print against its geometry; nothing is stored',
        requestBody: new Takes(['spec' => 'SleeveSpec', 'loftDeg?' => 'number', 'lieDeg?' => 'number']),
        responses: [new Answer('SleeveCheck')])]
    public function check(Request $request): JsonResponse
    {
        $given = $request->validate([
            'spec' => ['required', 'array'], 'loftDeg' => ['sometimes', 'numeric', 'between:4,20'],
            'lieDeg' => ['sometimes', 'numeric', 'between:45,72'],
        ]);
        $head = new HeadReading((float) ($given['loftDeg'] ?? 10.5), (float) ($given['lieDeg'] ?? 58));
        $system = SleeveSystem::fromArray($given['spec'], $head);

        return response()->json(SleeveResource::geometry($system, $head));
    }

    /** @return array<string, mixed> */
    private function spec(Request $request): array
    {
        $given = (array) $request->validate(['spec' => ['required', 'array']])['spec'];
        $system = SleeveSystem::fromArray($given);
        $spec = array_filter(
            ['name' => $system->name] +
                array_intersect_key($given, array_flip(['name', 'kind', 'home', 'printedFor', 'tiltDeg', 'ringTiltsDeg'])),
            fn (mixed $v): bool => $v !== null,
        );
        $spec['positions'] = array_map(
            fn (mixed $p): array => array_filter(
                ['label' => trim((string) $p['label'])]
                    + array_intersect_key((array) $p, array_flip(['clockDeg', 'clocksDeg', 'loftDeg', 'faceOpenDeg', 'lieDeg'])),
                fn (mixed $v): bool => $v !== null && $v !== '',
            ),
            array_values((array) $given['positions']),
        );

        return $spec;
    }

    private function requireOwnName(int $studioId, string $name, ?int $but = null): void
    {
        if (
            Sleeve::query()
                ->where('studio_id', $studioId)->where('name', $name)->whereNull('retired_at')->whereKeyNot($but ?? 0)->exists()
        ) {
            throw ValidationException::withMessages([
                'name' => "There is already a sleeve '{$name}': give this one a name of its own. Nothing was saved.",
            ]);
        }
    }

    /** @return array<array-key, list<string>> who stands at each position */
    private function users(Sleeve $sleeve): array
    {
        $out = [];
        foreach (RackHead::query()->where('sleeve_id', $sleeve->id)->with('readings')->get() as $head) {
            foreach ($head->readings as $reading) {
                $out[$reading->position][] = "a reading of {$head->label}";
            }
            foreach (Setup::query()->where('head_id', $head->id)->with('fitting.player')->get() as $setup) {
                $out[$setup->sleeve_label][] = "setup {$setup->tag} of {$setup->fitting->player->name}";
            }
        }

        return array_map(fn (array $who): array => array_values(array_unique($who)), $out);
    }
}
