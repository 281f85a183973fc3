<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Models\Part;
use App\Models\RackHead;
use App\Models\Reading;
use App\Models\Sleeve;
use App\Models\User;
use App\Rack\HeadRules;
use App\Rack\PartRules;
use App\Support\Transaction;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Launch\TextFile;
use MintCarry\Core\Units\PlainNumber;

/**
 * Reads a rack from a file, JSON or CSV (`RackExporter`): adds what is new and leaves what is there. What may stand on the rack
 * is said by `RackRules`.
 */
final class RackImporter
{
    private const HEAD = [
        'label', 'maker', 'hand', 'type', 'statedLoftDeg', 'statedLieDeg', 'statedFaceOpenDeg', 'volumeCm3', 'massG', 'cgToeMm',
        'cgBackMm', 'cgUpMm', 'bulgeMm', 'rollMm', 'inertiaGcm2', 'slots', 'stockG', 'standard', 'supply', 'note',
    ];

    /** @var list<string> what the file holds and this studio does not take */
    private array $leftOut = [];

    public function __construct(private readonly User $user)
    {
    }

    /**
     * Adds what a file holds and the rack does not. All or nothing, save for made-up readings where the studio takes none.
     *
     * @return array{added: list<string>, there: list<string>, leftOut: list<string>}
     *
     * @throws ValidationException naming the item and the field
     */
    public function import(string $bytes, bool $keep): array
    {
        $data = str_starts_with(ltrim($bytes, "\u{FEFF} \r\n\t"), '{') ? $this->fromJson($bytes) : $this->fromCsv($bytes);

        $done = Transaction::lookOrKeep(function () use ($data): array {
            $this->leftOut = [];

            return $this->add($data);
        }, $keep);

        return $done + ['leftOut' => array_values(array_unique($this->leftOut))];
    }

    /**
     * Adds what the rack does not have; within a transaction of the caller's.
     *
     * @param  array<mixed>  $data
     * @return array{added: list<string>, there: list<string>}
     */
    public function add(array $data): array
    {
        $done = ['added' => [], 'there' => []];
        foreach (['sleeves' => $this->addSleeve(...), 'heads' => $this->addHead(...), 'parts' => $this->addPart(...)] as $list => $add) {
            foreach (array_values((array) ($data[$list] ?? [])) as $i => $item) {
                $item = is_array($item) ? $item : [];
                $label = $item['label'] ?? $item['name'] ?? null;
                $name = "{$list} ".($i + 1).(is_string($label) ? " ('{$label}')" : '');
                try {
                    [$known, $new] = $add($item);
                } catch (ValidationException $e) {
                    throw ValidationException::withMessages(['file' => "{$name}: ".array_values($e->errors())[0][0].' Nothing was added.']);
                } catch (InvalidInput $e) {
                    throw ValidationException::withMessages(['file' => "{$name}: {$e->getMessage()} Nothing was added."]);
                }
                $done[$new ? 'added' : 'there'][] = $known;
            }
        }

        return $done;
    }

    /** @return array<mixed> */
    private function fromJson(string $bytes): array
    {
        $data = json_decode($bytes, true);
        if (! is_array($data) || ($data['format'] ?? null) !== RackExporter::FORMAT) {
            throw ValidationException::withMessages([
                'file' => is_array($data)
                    ? "This JSON is not a rack: its format should say '".RackExporter::FORMAT."'. Nothing was added."
                    : 'The file is not JSON: '.json_last_error_msg().'. Nothing was added.',
            ]);
        }
        $unknown = array_diff(array_keys($data), ['format', 'madeBy', 'sleeves', 'heads', 'parts']);
        if ($unknown !== []) {
            throw ValidationException::withMessages([
                'file' => "'".
                    array_values($unknown)[0].
                    "' is not part of a rack file; it holds sleeves, heads and parts. Nothing was added.",
            ]);
        }

        return $data;
    }

    /** @return array{heads: list<array<string, mixed>>, parts: list<array<string, mixed>>} */
    private function fromCsv(string $bytes): array
    {
        $rows = array_column(TextFile::read($bytes)->rows, 1);
        $header = array_map(trim(...), array_shift($rows) ?? []);
        if (! in_array('kind', $header, true) || ! in_array('label', $header, true)) {
            throw ValidationException::withMessages([
                'file' => 'The first row should name the columns, among them kind and label. Nothing was added.',
            ]);
        }
        $out = ['heads' => [], 'parts' => []];
        foreach ($rows as $row) {
            $item = [];
            foreach ($header as $i => $column) {
                $text = (string) preg_replace("/^'(?=[=+\\-@])/", '', $row[$i] ?? '');
                if ($text !== '' && isset(RackExporter::CSV[$column])) {
                    data_set($item, RackExporter::CSV[$column], match ($column) {
                        'lofts' => array_map(fn (string $v): float|string => PlainNumber::read($v) ?? $v, preg_split('/\s+/', $text) ?: []),
                        'hands' => preg_split('/\s+/', $text),
                        'inStock' => in_array(mb_strtolower($text), ['yes', 'true', '1', 'ja'], true),
                        default => $text,
                    });
                }
            }
            if (($item['kind'] ?? '') === 'head') {
                $out['heads'][] = array_diff_key($item, ['kind' => 1]);
            } elseif ($item !== []) {
                $out['parts'][] = $item;
            }
        }

        return $out;
    }

    /**
     * @param  array<mixed>  $item
     * @return array{string, bool}
     */
    private function addSleeve(array $item): array
    {
        /** @var array<string, mixed> $item */
        $system = SleeveSystem::fromArray($item);
        if ($this->mine(Sleeve::class)->where('name', $system->name)->exists()) {
            return [$system->name, false];
        }
        Sleeve::query()->create(['studio_id' => $this->user->studio_id, 'name' => $system->name, 'spec' => $item]);

        return [$system->name, true];
    }

    /**
     * @param  array<mixed>  $item
     * @return array{string, bool}
     */
    private function addHead(array $item): array
    {
        $label = is_string($item['label'] ?? null) ? $item['label'] : '';
        if ($this->mine(RackHead::class)->where('label', $label)->where('hand', $item['hand'] ?? 'right')->exists()) {
            return [$label, false];
        }
        $unknown = array_diff(array_keys($item), [...self::HEAD, 'sleeve', 'readings']);
        if ($unknown !== []) {
            throw InvalidInput::of('file', "'".array_values($unknown)[0]."' is not something a head has.");
        }
        $sleeve = isset($item['sleeve'])
            ? $this->mine(Sleeve::class)->where('name', $item['sleeve'])->first() ??
                throw InvalidInput::of('sleeve', "The sleeve '{$item['sleeve']}' is neither in the file nor on the rack.")
            : null;
        $rules = new HeadRules(
            $this->user->studio_id, array_intersect_key($item, array_flip(self::HEAD)) + ['sleeveId' => $sleeve?->getKey()],
        );
        $head = RackHead::begin($this->user->studio_id, $rules->columns());
        $system = $head->system();
        $head->save();
        $this->addReadings($head, array_values((array) ($item['readings'] ?? [])), $system);
        $head->load('readings')->body();

        return [$label, true];
    }

    /** @param  list<mixed>  $readings */
    private function addReadings(RackHead $head, array $readings, SleeveSystem $system): void
    {
        foreach ($readings as $r) {
            $r = is_array($r) ? $r : [];
            $source = $r['source'] ?? 'measured';
            if (! in_array($source, Reading::SOURCES, true)) {
                throw InvalidInput::of('readings', 'The source of a reading is '.implode(' or ', Reading::SOURCES).'.');
            }
            if ($source === 'simulated' && ! $this->user->studio->takesSimulated()) {
                $this->leftOut[] = "readings of {$head->label} by a stand-in";

                continue;
            }
            $reading = new Reading([
                'studio_id' => $this->user->studio_id, 'head_id' => $head->id, 'values' => $r['values'] ?? [],
                'position' => $r['position'] ?? $system->home, 'read_as' => $r['readAs'] ?? 'soled', 'way' => $r['way'] ?? 'hand',
                'source' => $source, 'note' => $r['note'] ?? '', 'typed' => $r,
                'read_by' => $this->user->id,
            ]);
            $reading->set();
            $system->position($reading->position);
            $at = $r['at'] ?? null;
            if ($at !== null && FileItem::moment($at) === null) {
                throw InvalidInput::of('readings', "A reading's 'at' is no date: write it as 2026-11-27T14:30:00+00:00.");
            }
            $reading->save();
            FileItem::dated($reading, $at);
        }
    }

    /**
     * @param  array<mixed>  $item
     * @return array{string, bool}
     */
    private function addPart(array $item): array
    {
        $label = is_string($item['label'] ?? null) ? $item['label'] : '';
        if ($this->mine(Part::class)->where('label', $label)->where('kind', $item['kind'] ?? '')->exists()) {
            return [$label, false];
        }
        Part::query()->create((new PartRules($this->user->studio_id, $item))->columns() + ['studio_id' => $this->user->studio_id]);

        return [$label, true];
    }

    /**
     * @template T of Model
     *
     * @param  class-string<T>  $model
     * @return Builder<T>
     */
    private function mine(string $model): Builder
    {
        return $model::query()->where('studio_id', $this->user->studio_id)->whereNull('retired_at');
    }
}
