<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\MakeSetups;
use App\Actions\ReadLaunchFile;
use App\Actions\StoreShots;
use App\Contract\Answer;
use App\Contract\Takes;
use App\Data\Bin;
use App\Http\Controllers\Concerns\NamesUser;
use App\Intake\LaunchTable;
use App\Journal\Journal;
use App\Models\Fitting;
use App\Models\ImportFile;
use App\Models\RememberedMap;
use App\Models\Setup;
use App\Models\Shot;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Launch\ColumnGuess;
use MintCarry\Core\Launch\ColumnMap;
use MintCarry\Core\Launch\Issue;
use MintCarry\Core\Launch\ShotRow;
use OpenApi\Attributes as OA;

final class ImportController
{
    use NamesUser;

    public function __construct(private readonly ReadLaunchFile $reader, private readonly Journal $journal)
    {
    }

    #[OA\Get(path: '/api/fittings/{fitting}/files', operationId: 'import.index', summary: 'Launch files that were stored',
        responses: [new Answer('{ id: integer; name: string; shots: integer; at: string }[]')])]
    public function index(Fitting $fitting): JsonResponse
    {
        return response()->json(
            $fitting
                ->files()->where('state', 'stored')->get(['id', 'name', 'stored_shots', 'updated_at'])
                ->map(
                    fn (ImportFile $f): array => [
                        'id' => $f->id, 'name' => $f->name, 'shots' => $f->stored_shots, 'at' => $f->updated_at->toIso8601String(),
                    ],
                )
                ->all(),
        );
    }

    /** Keeps the file as it came and answers with how it would be read. No shot is stored. */
    #[
        OA\Post(
            path: '/api/fittings/{fitting}/files', operationId: 'import.store',
            summary: 'Keeps a launch file as it came, and shows how it would be read',
            requestBody: new Takes(['file' => 'string'], isForm: true), responses: [new Answer('Preview', 201)],
        ),
    ]
    public function store(Request $request, Fitting $fitting): JsonResponse
    {
        $upload = $request->file('file');
        if (! $upload instanceof UploadedFile) {
            throw ValidationException::withMessages(['file' => 'No file arrived. Choose a file of launch data: CSV, XLSX or ODS.']);
        }
        $limit = (int) config('mintcarry.upload_bytes');
        if (! $upload->isValid() || $upload->getSize() > $limit) {
            throw ValidationException::withMessages([
                'file' => sprintf(
                    "'%s' is too large: a launch file may have up to %d MB. Nothing was stored.",
                    mb_strimwidth($upload->getClientOriginalName(), 0, 60, '…'), $limit / 1e6,
                ),
            ]);
        }
        $raw = (string) $upload->getContent();
        $text = LaunchTable::read($raw);
        $user = self::user($request);
        $file = ImportFile::query()->create([
            'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id,
            'name' => mb_substr(basename($upload->getClientOriginalName()), 0, 200), 'sha256' => hash('sha256', $raw),
            'raw' => $raw, 'signature' => ColumnGuess::signature($text), 'uploaded_by' => $user->id, 'state' => 'draft',
        ]);
        [$map, $remembered] = $this->reader->start($file, $text);

        return response()->json($this->reader->preview($file, $text, $map, $remembered), 201);
    }

    #[OA\Post(path: '/api/files/{file}/preview', operationId: 'import.preview', summary: 'How a file would be read by this map',
        requestBody: new Takes(['map' => 'ColumnMap']),
        responses: [new Answer('Preview')])]
    public function preview(Request $request, ImportFile $file): JsonResponse
    {
        $given = $request->validate(['map' => ['required', 'array']]);

        return response()->json($this->reader->preview($file, LaunchTable::read($file->raw), ColumnMap::fromArray($given['map']), false));
    }

    /** Stores the shots as previewed: into one setup, or by the names in the setup column. */
    #[
        OA\Post(
            path: '/api/files/{file}/confirm', operationId: 'import.confirm', summary: 'Stores the shots of a file',
            requestBody: new Takes([
                'map' => 'ColumnMap', 'setupId?' => 'integer | null',
                'tags?' => '{ tag: string | null; setupId: integer | null; shots?: integer; make?: boolean }[] | null',
                'own?' => 'string | null', 'make?' => 'string | null',
            ]),
            responses: [new Answer('{ stored: integer; already: integer; made: integer }', 201)],
        ),
    ]
    public function confirm(Request $request, ImportFile $file, StoreShots $store, MakeSetups $make): JsonResponse
    {
        $given = $request->validate([
            'map' => ['required', 'array'], 'setupId' => ['nullable', 'integer'], 'tags' => ['sometimes', 'nullable', 'array'],
            'tags.*.tag' => ['present', 'nullable', 'string'], 'tags.*.setupId' => ['present', 'nullable', 'integer'],
            'tags.*.make' => ['sometimes', 'boolean'], 'own' => ['sometimes', 'nullable', 'string'],
            'make' => ['sometimes', 'nullable', 'string', 'max:80'],
        ]);
        if ($file->state === 'stored') {
            throw ValidationException::withMessages([
                'file' => "'{$file->name}' has been stored already; its {$file->stored_shots} shots are in the fitting.",
            ]);
        }
        $map = ColumnMap::fromArray($given['map']);
        $user = self::user($request);
        $result = $this->journal->record(
            $file->fitting, $user, fn (array $r): string => "stored {$r['stored']} shots from {$file->name}"
                .($r['made'] === 0 ? '' : " and made {$r['made']} setup".($r['made'] === 1 ? '' : 's').' of its clubs'),
            function () use ($file, $map, $given, $store, $make): array {
                // Another screen may be storing it at the same moment.
                if (ImportFile::query()->lockForUpdate()->findOrFail($file->id)->state === 'stored') {
                    throw ValidationException::withMessages([
                        'file' => "'{$file->name}' has been stored already, from another screen; its shots are in the fitting.",
                    ]);
                }
                [$given, $made] = self::made($file->fitting, $given, $make);
                $shots = $this->shots($file, $map, $given);
                if ($shots === []) {
                    throw ValidationException::withMessages([
                        'setupId' => 'Say which setup these shots were hit with. Nothing was stored yet.',
                    ]);
                }
                $result = $store($file->fitting, $shots, 'csv', $file);
                $file->update(['state' => 'stored', 'map' => $map->toArray(), 'stored_shots' => $result['stored']]);
                if ($file->signature !== null) {
                    RememberedMap::query()->updateOrCreate(
                        ['studio_id' => $file->studio_id, 'signature' => $file->signature], ['map' => $map->toArray()],
                    );
                }

                return array_diff_key($result, ['differs' => 1]) + ['made' => $made];
            });

        return response()->json($result, 201);
    }

    /**
     * Setups of the clubs that the file names and the fitting does not have, in place of their names.
     *
     * @param  array<string, mixed>  $given
     * @return array{array<string, mixed>, int} what was given with the setups in it; how many were made
     */
    private static function made(Fitting $fitting, array $given, MakeSetups $make): array
    {
        if (($given['make'] ?? null) !== null) {
            $name = (string) $given['make'];

            return [['setupId' => $make($fitting, [$name], $name)[$name]] + $given, 1];
        }
        $isNew = static fn (array $row): bool => ($row['make'] ?? false) && $row['setupId'] === null;
        $names = array_map(static fn (array $row): string => (string) $row['tag'], array_values(array_filter($given['tags'] ?? [], $isNew)));
        if ($names === []) {
            return [$given, 0];
        }
        $ids = $make($fitting, $names, $given['own'] ?? null);
        $given['tags'] = array_map(
            static fn (array $row): array => $isNew($row) ? ['setupId' => $ids[(string) $row['tag']]] + $row : $row, $given['tags'],
        );

        return [$given, count($ids)];
    }

    /**
     * The shots of a file with the setups that they were hit with. A name that the fitter set aside is left out.
     *
     * @param  array<string, mixed>  $given  setupId for all, or tags by name
     * @return list<array{setupId: int, measured: array<string, float>, typed: array<string, mixed>, flags: list<string>,
     *   key: string, line: int, hitAt: string|null, note: string|null, leftOut: string|null}>
     */
    private function shots(ImportFile $file, ColumnMap $map, array $given): array
    {
        $setups = Setup::query()->where('fitting_id', $file->fitting_id)->pluck('id')->flip();
        $byTag = [];
        foreach ($given['tags'] ?? [] as $row) {
            $byTag[(string) $row['tag']] = $row['setupId'];
        }
        $rows = array_filter(
            $this->reader->rows($file, LaunchTable::read($file->raw), $map), fn (ShotRow $row): bool => $row->kind === 'shot',
        );
        $shots = [];
        foreach ($rows as $row) {
            $setupId = $byTag !== [] ? $byTag[$row->setupTag ?? ''] ?? null : $given['setupId'] ?? null;
            if ($setupId === null) {
                continue;
            }
            if (! isset($setups[$setupId])) {
                throw ValidationException::withMessages(['setupId' => 'That setup is not part of this fitting. Nothing was stored.']);
            }
            $shots[] = [
                'setupId' => (int) $setupId, 'measured' => $row->values, 'typed' => $row->typed,
                'flags' => array_map(fn (Issue $i): string => $i->message, $row->issues),
                'key' => ShotRow::keyOf($row->values, $row->hitAt), 'line' => $row->line, 'hitAt' => $row->hitAt,
                'note' => $row->note, 'leftOut' => in_array($row->leftOut, Shot::REASONS, true) ? $row->leftOut : null,
            ];
        }

        return $shots;
    }

    /** The file as it came. Served as a download, never shown in the page. */
    #[OA\Get(path: '/api/files/{file}/raw', operationId: 'import.raw', summary: 'A launch file as it came',
        responses: [new Answer('application/octet-stream')])]
    public function raw(ImportFile $file): Response
    {
        $ending = strtolower(pathinfo($file->name, PATHINFO_EXTENSION));
        $kind = in_array($ending, ['xlsx', 'ods'], true) ? $ending : 'csv';

        return response($file->raw, 200, [
            'Content-Type' => 'application/octet-stream',
            'Content-Disposition' => 'attachment; filename="launch-data-'.$file->id.'.'.$kind.'"',
        ]);
    }

    #[OA\Delete(path: '/api/files/{file}', operationId: 'import.destroy', summary: 'Sets a file aside that was not stored; one that was comes back for a day, and its shots stay',
        responses: [new Answer('{ deleted: boolean }')])]
    public function destroy(Request $request, ImportFile $file, Bin $bin): JsonResponse
    {
        if ($file->state === 'draft') {
            $file->forceDelete();
        } else {
            $bin->throwAway($file, self::user($request));
        }

        return response()->json(['deleted' => true]);
    }
}
