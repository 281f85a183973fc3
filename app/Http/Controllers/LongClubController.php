<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Contract\Asks;
use App\Contract\Takes;
use App\Fittings\FittingLoader;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Controllers\Concerns\TakesFile;
use App\Http\Requests\LongClubRequest;
use App\Journal\Journal;
use App\Models\Blind;
use App\Models\Fitting;
use App\Models\LongClub;
use App\Models\Setup;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Gaps\ClubGaps;
use MintCarry\Core\Gaps\GapTable;
use MintCarry\Core\Gaps\LongClub as Club;
use OpenApi\Attributes as OA;

/** The gaps between the driver and the long clubs under it. The driver's own fitting does not change by them. */
final class LongClubController
{
    use NamesUser, TakesFile;

    /** Loft of a club of which a file tells the name alone, by kind, ° (common practice, no source); it is said that nobody gave it. */
    private const USUAL_LOFT_DEG = ['fairway wood' => 16.0, 'hybrid' => 21.0, 'iron' => 24.0];

    public function __construct(private readonly Journal $journal)
    {
    }

    #[OA\Get(path: '/api/fittings/{fitting}/gaps', operationId: 'gaps',
        summary: 'Carry of each long club, the gaps, and what closes or opens them',
        parameters: [new Asks('wantedM', 'number')], responses: [new Answer('Gaps')])]
    public function show(Request $request, Fitting $fitting): JsonResponse
    {
        $given = $request->validate(['wantedM' => ['sometimes', 'numeric', 'between:3,60']]);

        return response()->json($this->describe($fitting, isset($given['wantedM']) ? (float) $given['wantedM'] : null));
    }

    #[OA\Post(path: '/api/fittings/{fitting}/long-clubs', operationId: 'longClub.store', summary: 'Writes a long club down',
        requestBody: new Takes(LongClubRequest::TAKES), responses: [new Answer('Gaps', 201)])]
    public function store(LongClubRequest $request, Fitting $fitting): JsonResponse
    {
        $this->journal->record($fitting, self::user($request), fn (LongClub $c): string => "wrote down the {$c->name}",
            function () use ($request, $fitting): LongClub {
                self::requireRoom($fitting, 1);
                $columns = $request->columns($fitting->flight());
                self::requireFree($fitting, $columns['name']);

                return LongClub::query()->create($columns + ['studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id]);
            });

        return response()->json($this->describe($fitting), 201);
    }

    /** Somebody else's newer version is never overwritten: the answer is 409 with what stands now. */
    #[OA\Patch(path: '/api/long-clubs/{longClub}', operationId: 'longClub.update', summary: 'Changes a long club, or its shots',
        requestBody: new Takes(LongClubRequest::TAKES), responses: [new Answer('Gaps')])]
    public function update(LongClubRequest $request, LongClub $longClub): JsonResponse
    {
        $fitting = $longClub->fitting;
        $this->journal->record($fitting, self::user($request), "changed the {$longClub->name}", function () use ($request, $fitting,
            $longClub): void {
            $longClub->refresh();
            if ($request->has('version') && $request->validated('version') !== $longClub->version()) {
                throw new HttpResponseException(response()->json([
                    'message' => 'This club was changed on another screen meanwhile. Nothing was saved yet.',
                    'current' => $this->describe($fitting),
                ], 409));
            }
            $columns = $request->columns($fitting->flight(), $longClub);
            self::requireFree($fitting, $columns['name'], $longClub->id);
            $longClub->update($columns);
        });

        return response()->json($this->describe($fitting));
    }

    #[OA\Delete(path: '/api/long-clubs/{longClub}', operationId: 'longClub.destroy',
        summary: 'Takes a long club out; the journal can put it back',
        responses: [new Answer('Gaps')])]
    public function destroy(Request $request, LongClub $longClub): JsonResponse
    {
        $fitting = $longClub->fitting;
        $this->journal->record($fitting, self::user($request), "took out the {$longClub->name}", fn () => $longClub->delete());

        return response()->json($this->describe($fitting));
    }

    /** Shots of a club that stands here already are added to it, save those of a file that was read before. */
    #[OA\Post(path: '/api/fittings/{fitting}/long-clubs/file', operationId: 'longClub.import',
        summary: 'Reads shots of long clubs from a table',
        requestBody: new Takes(['file' => 'string', 'keep?' => 'boolean | string'], isForm: true),
        responses: [new Answer('{ clubs: { name: string; shots: integer; stored: integer; isNew: boolean }[]; problems: string[]; kept: boolean }')])]
    public function import(Request $request, Fitting $fitting): JsonResponse
    {
        [$bytes, $keep] = self::file($request, 'a table of shots, CSV', 2);
        $read = GapTable::read($bytes, $fitting->player->hand, $fitting->flight());
        $told = [];
        $file = substr(hash('sha256', $bytes), 0, 16);
        $write = function () use ($read, $fitting, $keep, $file, &$told): void {
            $there = LongClub::query()->where('fitting_id', $fitting->id)->get()->keyBy(fn (LongClub $c): string => mb_strtolower($c->name));
            $isNew = static fn (string $name): bool => ! isset($there[mb_strtolower($name)]);
            self::requireRoom($fitting, count(array_filter(array_map(strval(...), array_keys($read->clubs)), $isNew)), 'file');
            foreach ($read->clubs as $name => $shots) {
                $club = $there[mb_strtolower((string) $name)] ?? null;
                $known = array_map(static fn (array $s): string => $s['from'] ?? '', $club->shots ?? []);
                $new = [];
                foreach ($shots as ['values' => $values, 'typed' => $typed, 'line' => $line]) {
                    $one = "{$file}:{$line}";
                    if (! in_array($one, $known, true)) {
                        $new[] = ['values' => $values, 'typed' => $typed, 'from' => $one];
                    }
                }
                if (count($known) + count($new) > LongClubRequest::MOST_SHOTS) {
                    throw ValidationException::withMessages(['file' => sprintf(
                        '%s would hold %d shots; %d at most. Nothing was saved.', $name, count($known) + count($new), LongClubRequest::MOST_SHOTS,
                    )]);
                }
                $told[] = ['name' => (string) $name, 'shots' => count($shots), 'stored' => $keep ? count($new) : 0,
                    'isNew' => $club === null];
                if (! $keep) {
                    continue;
                }
                $kind = self::kindOf((string) $name);
                $club ??= new LongClub([
                    'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'name' => (string) $name, 'kind' => $kind,
                    'loft_deg' => self::USUAL_LOFT_DEG[$kind], 'lie_deg' => 57.0,
                ]);
                $club->shots = [...$club->shots, ...$new];
                $club->save();
            }
        };
        $keep ? $this->journal->record($fitting, self::user($request), 'read shots of long clubs from a file', $write) : $write();

        return response()->json(['clubs' => $told, 'problems' => array_slice($read->problems, 0, 50), 'kept' => $keep]);
    }

    private static function kindOf(string $name): string
    {
        return match (true) {
            preg_match('/hy|\d\s*h\b/iu', $name) === 1 => 'hybrid',
            preg_match('/iron|\d\s*i\b/iu', $name) === 1 => 'iron',
            default => 'fairway wood',
        };
    }

    /** With the driver they are fourteen. */
    private static function requireRoom(Fitting $fitting, int $more, string $field = 'name'): void
    {
        $there = LongClub::query()->where('fitting_id', $fitting->id)->count();
        if ($there + $more > ClubGaps::MOST_CLUBS - 1) {
            throw ValidationException::withMessages([$field => sprintf(
                '%d clubs beside the driver are carried at most, and %d stand here. Nothing was saved.', ClubGaps::MOST_CLUBS - 1, $there,
            )]);
        }
    }

    private static function requireFree(Fitting $fitting, string $name, int $but = 0): void
    {
        if (LongClub::query()->where('fitting_id', $fitting->id)->where('name', $name)->where('id', '!=', $but)->exists()) {
            throw ValidationException::withMessages(['name' => "A club called '{$name}' stands here already: add the shots to it, or call this one otherwise. Nothing was saved."]);
        }
    }

    /** @return array<string, mixed> */
    private function describe(Fitting $fitting, ?float $wantedM = null): array
    {
        $flight = $fitting->flight();
        $rows = LongClub::query()->where('fitting_id', $fitting->id)->orderBy('id')->get();
        $clubs = array_values($rows->map(fn (LongClub $c): Club => $c->club($flight))->all());
        $driver = self::driver($fitting, array_map(static fn (Club $c): string => $c->name, $clubs));
        $gaps = ClubGaps::of([...$driver === null ? [] : [$driver], ...$clubs], $flight, $fitting->brief()->squaringShare(), $wantedM);

        return $gaps + [
            'driver' => $driver?->name, 'squaringShare' => $fitting->brief()->squaringShare(),
            'longClubs' => $rows->map(static fn (LongClub $c): array => [
                'id' => $c->id, 'name' => $c->name, 'kind' => $c->kind, 'loftDeg' => $c->loft_deg, 'lieDeg' => $c->lie_deg,
                'faceOpenDeg' => $c->face_open_deg, 'position' => $c->sleeve_label, 'version' => $c->version(),
                'sleeve' => $c->sleeve === null ? null : (string) ($c->sleeve['name'] ?? ''),
                'positions' => array_map(static fn (array $p): string => (string) $p['label'], $c->sleeve['positions'] ?? []),
                'shots' => array_map(static fn (array $s): array => ['values' => (object) $s['values'], 'typed' => (object) $s['typed']],
                    $c->shots),
            ])->all(),
        ];
    }

    /**
     * The driver that was decided for, or the benchmark, as it was hit here.
     *
     * @param  list<string>  $names  of the other clubs
     */
    private static function driver(Fitting $fitting, array $names): ?Club
    {
        $id = Blind::open($fitting) !== null ? null : ($fitting->decisions()->first()->setup_id ?? $fitting->benchmark_setup_id);
        $setup = $id === null ? null : Setup::query()->with(Setup::MADE_OF)->find($id);
        $set = $setup === null ? null : (new FittingLoader($fitting))->sets[$setup->id] ?? null;
        if ($setup === null || $set === null) {
            return null;
        }
        $plays = $setup->playing($fitting->brief()->squaringShare());

        $name = "Driver {$setup->tag}".(in_array("Driver {$setup->tag}", $names, true) ? ', fitted' : '');

        return new Club($name, 'driver', new HeadReading($plays->loftDeg, max(45.0, min(72.0, $plays->lieDeg)), 0.0),
            null, '', $set->shots);
    }
}
