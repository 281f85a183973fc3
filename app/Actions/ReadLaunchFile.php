<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Fitting;
use App\Models\ImportFile;
use App\Models\RememberedMap;
use App\Models\Setup;
use App\Models\Shot;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Launch\ColumnGuess;
use MintCarry\Core\Launch\ColumnMap;
use MintCarry\Core\Launch\Issue;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Launch\ShotFile;
use MintCarry\Core\Launch\ShotRow;
use MintCarry\Core\Launch\TextFile;

/** Reads a kept launch file by a column map, for the mapping screen and for storing. Stores nothing. */
final class ReadLaunchFile
{
    private const SHOWN_ROWS = 12;

    private const SHOWN_PROBLEMS = 200;

    /**
     * The map to start from: this studio's remembered reading of such a header, else a guess.
     *
     * @return array{ColumnMap, bool}
     */
    public function start(ImportFile $file, TextFile $text): array
    {
        $remembered =
            $file->signature === null
                ? null
                : RememberedMap::query()->where('studio_id', $file->studio_id)->where('signature', $file->signature)->first();
        $guess = ColumnGuess::of($text);
        if ($remembered !== null) {
            $map = ColumnMap::fromArray($remembered->map);
            if (count($map->columns) === count($guess->columns)) {
                // Where the header stands may differ from file to file; what the columns mean does not.
                return [new ColumnMap($guess->headerRow, $guess->unitsRow, $map->columns, $map->keepSummaryRows, $map->keepRepeats), true];
            }
        }

        return [$guess, false];
    }

    /** @return list<ShotRow> */
    public function rows(ImportFile $file, TextFile $text, ColumnMap $map): array
    {
        return (new ShotFile($text, $map, $file->fitting->player->hand, $file->fitting->flight()))->rows();
    }

    /** @return array<string, mixed> */
    public function preview(ImportFile $file, TextFile $text, ColumnMap $map, bool $remembered): array
    {
        $problem = null;
        $rows = [];
        try {
            $rows = $this->rows($file, $text, $map);
        } catch (InvalidInput|UnreadableFile $e) {
            $problem = $e->getMessage();
        }
        $kinds = array_count_values(array_map(static fn (ShotRow $row): string => $row->kind, $rows)) + [
            'shot' => 0, 'bad' => 0, 'summary' => 0, 'header' => 0, 'repeat' => 0,
        ];
        $shots = array_values(array_filter($rows, static fn (ShotRow $row): bool => $row->kind === 'shot'));
        $known = array_flip(Shot::query()->where('fitting_id', $file->fitting_id)->pluck('shot_key')->all());
        $already = count(
            array_filter($shots, static fn (ShotRow $row): bool => isset($known[ShotRow::keyOf($row->values, $row->hitAt)])),
        );
        $header = $map->headerRow !== null ? $text->rows[$map->headerRow][1] ?? [] : [];
        $first = array_column(array_slice($text->rows, ($map->unitsRow ?? ($map->headerRow ?? -1)) + 1, 4), 1);
        $earlier = ImportFile::query()
            ->where('fitting_id', $file->fitting_id)->where('sha256', $file->sha256)->where('state', 'stored')
            ->where('id', '!=', $file->id)->latest('id')->first(['id', 'stored_shots', 'updated_at']);
        $troubled = array_values(array_filter($rows, static fn (ShotRow $row): bool => $row->issues !== []));

        return [
            'id' => $file->id,
            'name' => $file->name,
            'state' => $file->state,
            'encoding' => $text->encoding,
            'delimiter' => $text->delimiter,
            'remembered' => $remembered,
            'problem' => $problem,
            'map' => $map->toArray(),
            'lines' => array_map(
                static fn (array $row): array => ['line' => $row[0], 'text' => mb_strimwidth(implode(' · ', $row[1]), 0, 90, '…')],
                array_slice($text->rows, 0, 12),
            ),
            'columns' => array_map(
                static fn (int $i): array => [
                    'header' => $header[$i] ?? '', 'unitWhy' => $map->columns[$i]->unitWhy,
                    'samples' => array_map(static fn (array $cells): string => $cells[$i] ?? '', $first),
                ],
                array_keys($map->columns),
            ),
            'counts' => $kinds + ['already' => $already],
            'earlier' => $earlier === null ? null : ['shots' => $earlier->stored_shots, 'at' => $earlier->updated_at->toIso8601String()],
            'shots' => array_map(self::row(...), array_slice($shots, 0, self::SHOWN_ROWS)),
            'problems' => array_map(self::row(...), array_slice($troubled, 0, self::SHOWN_PROBLEMS)),
            'problemCount' => count($troubled),
            'tags' => $this->tags($file->fitting, $map, $shots),
        ];
    }

    /**
     * Names in the setup column, how often they occur, and which setup they mean if that is plain.
     *
     * @param  list<ShotRow>  $shots
     * @return list<array{tag: string, shots: int, setupId: int|null, make: bool}>|null null when the file has no setup column; `make`
     *   where a setup is made of it, in a fitting that has none yet
     */
    private function tags(Fitting $fitting, ColumnMap $map, array $shots): ?array
    {
        if (! $map->has(Measure::SetupTag)) {
            return null;
        }
        $counts = array_count_values(array_map(static fn (ShotRow $row): string => $row->setupTag ?? '', $shots));
        $setups = Setup::query()->where('fitting_id', $fitting->id)->orderBy('position')->get();
        $out = [];
        foreach ($counts as $tag => $count) {
            $wanted = mb_strtolower(trim((string) $tag));
            $match =
                $setups->first(fn (Setup $s): bool => mb_strtolower(trim((string) ($s->typed['fromFile'] ?? "\0"))) === $wanted) ??
                $setups->first(
                    fn (Setup $s): bool => mb_strtolower($s->tag) === $wanted || 'setup '.mb_strtolower($s->tag) === $wanted,
                ) ??
                $setups->first(
                    fn (Setup $s): bool => mb_strtolower($s->head) === $wanted ||
                        mb_strtolower(trim($s->head.' '.$s->sleeve_label)) === $wanted,
                );
            $out[] = ['tag' => (string) $tag, 'shots' => $count, 'setupId' => $match?->id, 'make' => $setups->isEmpty() && trim((string) $tag) !== ''];
        }

        return $out;
    }

    /** @return array<string, mixed> */
    private static function row(ShotRow $row): array
    {
        return [
            'line' => $row->line, 'kind' => $row->kind, 'values' => (object) $row->values, 'typed' => (object) $row->typed,
            'setupTag' => $row->setupTag,
            'issues' => array_map(
                static fn (Issue $i): array => ['field' => $i->field, 'refused' => $i->refused, 'message' => $i->message],
                $row->issues,
            ),
        ];
    }
}
