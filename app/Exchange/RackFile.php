<?php

declare(strict_types=1);

namespace App\Exchange;

use App\Http\Input\Quantity;
use App\Http\Requests\HeadRequest;
use App\Http\Requests\PartRequest;
use App\Http\Requests\RackRequest;
use App\Models\Part;
use App\Models\RackHead;
use App\Models\Reading;
use App\Models\Sleeve;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Routing\Redirector;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\CoreException;
use MintCarry\Core\Launch\TextFile;

/** A studio's rack as a file: JSON with everything (docs/schemas/rack.schema.json), or CSV with what fits into a table. Reading one back adds what is new and leaves what is there. */
final class RackFile
{
    public const FORMAT = 'mint-carry-rack/1';

    /** CSV columns, and where they stand in an item. */
    private const CSV = ['kind' => 'kind', 'label' => 'label', 'maker' => 'maker', 'hand' => 'hand', 'type' => 'type', 'sleeve' => 'sleeve', 'statedLoftDeg' => 'statedLoftDeg', 'statedLieDeg' => 'statedLieDeg', 'statedFaceOpenDeg' => 'statedFaceOpenDeg', 'volumeCm3' => 'volumeCm3', 'massG' => 'massG',
        'flex' => 'data.flex', 'rawMassG' => 'data.rawMassG', 'cutMassG' => 'data.cutMassG', 'balanceFromButtMm' => 'data.balanceFromButtMm', 'lengthMm' => 'data.lengthMm', 'torqueDeg' => 'data.torqueDeg', 'size' => 'data.size', 'build' => 'data.build',
        'price' => 'supply.price', 'currency' => 'supply.currency', 'leadDays' => 'supply.leadDays', 'lofts' => 'supply.lofts', 'hands' => 'supply.hands', 'inStock' => 'supply.inStock', 'note' => 'note'];

    private const HEAD = ['label', 'maker', 'hand', 'type', 'statedLoftDeg', 'statedLieDeg', 'statedFaceOpenDeg', 'volumeCm3', 'massG', 'cgToeMm', 'cgBackMm', 'cgUpMm', 'bulgeMm', 'rollMm', 'inertiaGcm2', 'slots', 'stockG', 'standard', 'supply', 'note'];

    /** @var list<string> what the file holds and this studio does not take */
    private array $leftOut = [];

    public function __construct(private readonly User $user)
    {
    }

    /** @return array<string, mixed> */
    public function export(): array
    {
        return [
            'format' => self::FORMAT,
            'sleeves' => $this->mine(Sleeve::class)->orderBy('name')->get()->map(fn (Sleeve $s): array => $s->spec)->all(),
            'heads' => $this->mine(RackHead::class)->with(['sleeve', 'readings'])->orderBy('label')->orderBy('id')->get()->map(self::head(...))->all(),
            'parts' => $this->mine(Part::class)->orderBy('kind')->orderBy('label')->orderBy('id')->get()->map(self::part(...))->all(),
        ];
    }

    /** @return array<string, mixed> a head with its readings */
    public static function head(RackHead $h): array
    {
        return self::filled([
            'label' => $h->label, 'maker' => $h->maker, 'hand' => $h->hand->value, 'type' => $h->type, 'sleeve' => $h->sleeve->name ?? null, 'statedLoftDeg' => $h->stated_loft_deg, 'statedLieDeg' => $h->stated_lie_deg, 'statedFaceOpenDeg' => $h->stated_face_open_deg,
            'volumeCm3' => $h->volume_cm3, 'massG' => $h->mass_g, 'cgToeMm' => $h->cg_toe_mm, 'cgBackMm' => $h->cg_back_mm, 'cgUpMm' => $h->cg_up_mm, 'bulgeMm' => $h->bulge_mm, 'rollMm' => $h->roll_mm, 'inertiaGcm2' => $h->inertia_gcm2,
            'slots' => $h->slots, 'stockG' => $h->stock_g, 'standard' => $h->standard, 'supply' => $h->supply, 'note' => $h->note,
            'readings' => $h->readings->map(fn (Reading $r): array => self::filled(['values' => $r->values, 'position' => $r->position, 'readAs' => $r->read_as->value, 'way' => $r->way, 'source' => $r->source, 'note' => $r->note, 'at' => $r->created_at->toIso8601String()]))->all(),
        ]);
    }

    /** @return array<string, mixed> */
    public static function part(Part $p): array
    {
        return self::filled(['kind' => $p->kind, 'label' => $p->label, 'data' => $p->data, 'supply' => $p->supply]);
    }

    /**
     * @param  array<string, mixed>  $item
     * @return array<string, mixed>
     */
    private static function filled(array $item): array
    {
        return array_filter($item, fn (mixed $v): bool => $v !== null && $v !== '' && $v !== []);
    }

    /** @return list<list<string>> header and rows; what has no column (slots, readings) is in the JSON only */
    public function table(): array
    {
        $all = $this->export();
        $items = [...array_map(fn (array $h): array => ['kind' => 'head'] + $h, $all['heads']), ...$all['parts']];
        $cell = fn (mixed $v): string => match (true) {
            is_bool($v) => $v ? 'yes' : 'no', is_array($v) => implode(' ', $v), default => (string) $v
        };

        return [array_keys(self::CSV), ...array_values(array_map(fn (array $item): array => array_map(fn (string $path): string => CsvCell::safe($cell(data_get($item, $path, ''))), array_values(self::CSV)), $items))];
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

        DB::beginTransaction();
        try {
            $done = $this->add($data);
        } catch (\Throwable $e) {
            DB::rollBack();
            throw $e;
        }
        $keep ? DB::commit() : DB::rollBack();

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
                } catch (CoreException $e) {
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
        if (! is_array($data) || ($data['format'] ?? null) !== self::FORMAT) {
            throw ValidationException::withMessages(['file' => is_array($data) ? "This JSON is not a rack: its format should say '".self::FORMAT."'. Nothing was added." : 'The file is not JSON: '.json_last_error_msg().'. Nothing was added.']);
        }
        $unknown = array_diff(array_keys($data), ['format', 'sleeves', 'heads', 'parts']);
        if ($unknown !== []) {
            throw ValidationException::withMessages(['file' => "'".array_values($unknown)[0]."' is not part of a rack file; it holds sleeves, heads and parts. Nothing was added."]);
        }

        return $data;
    }

    /** @return array{heads: list<array<string, mixed>>, parts: list<array<string, mixed>>} */
    private function fromCsv(string $bytes): array
    {
        $rows = array_column(TextFile::read($bytes)->rows, 1);
        $header = array_map(trim(...), array_shift($rows) ?? []);
        if (! in_array('kind', $header, true) || ! in_array('label', $header, true)) {
            throw ValidationException::withMessages(['file' => 'The first row should name the columns, among them kind and label. Nothing was added.']);
        }
        $out = ['heads' => [], 'parts' => []];
        foreach ($rows as $row) {
            $item = [];
            foreach ($header as $i => $column) {
                $text = (string) preg_replace("/^'(?=[=+\\-@])/", '', $row[$i] ?? '');
                if ($text !== '' && isset(self::CSV[$column])) {
                    data_set($item, self::CSV[$column], match ($column) {
                        'lofts' => array_map(fn (string $v): ?float => Quantity::plain('lofts', 'Lofts', $v), preg_split('/\s+/', $text) ?: []),
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
            throw CoreException::invalid('file', "'".array_values($unknown)[0]."' is not something a head has.");
        }
        $sleeve = isset($item['sleeve']) ? $this->mine(Sleeve::class)->where('name', $item['sleeve'])->first() ?? throw CoreException::invalid('sleeve', "The sleeve '{$item['sleeve']}' is neither in the file nor on the rack.") : null;
        $request = $this->request(HeadRequest::class, array_intersect_key($item, array_flip(self::HEAD)) + ['sleeveId' => $sleeve?->getKey()]);
        $head = RackHead::begin($this->user->studio_id, $request->columns());
        $system = $head->system();
        $head->save();
        foreach (array_values((array) ($item['readings'] ?? [])) as $r) {
            $source = $r['source'] ?? 'measured';
            if (! in_array($source, Reading::SOURCES, true)) {
                throw CoreException::invalid('readings', 'The source of a reading is '.implode(' or ', Reading::SOURCES).'.');
            }
            if ($source === 'simulated' && ! $this->user->studio->takesSimulated()) {
                $this->leftOut[] = "readings of {$label} by a stand-in";

                continue;
            }
            $reading = new Reading(['studio_id' => $this->user->studio_id, 'head_id' => $head->id, 'values' => $r['values'] ?? [], 'position' => $r['position'] ?? $system->home, 'read_as' => $r['readAs'] ?? 'soled', 'way' => $r['way'] ?? 'hand', 'source' => $source, 'note' => $r['note'] ?? '', 'typed' => $r, 'read_by' => $this->user->id]);
            $reading->set();
            $system->position($reading->position);
            $reading->save();
        }
        $head->load('readings')->body();

        return [$label, true];
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
        $request = $this->request(PartRequest::class, $item);
        Part::query()->create($request->columns() + ['studio_id' => $this->user->studio_id, 'kind' => $request->validated('kind')]);

        return [$label, true];
    }

    /**
     * The same rules as where it is typed.
     *
     * @template T of RackRequest
     *
     * @param  class-string<T>  $class
     * @param  array<mixed>  $item
     * @return T
     */
    private function request(string $class, array $item): RackRequest
    {
        $request = $class::create('/', 'POST', $item);
        $request->setContainer(app())->setRedirector(app(Redirector::class))->setUserResolver(fn (): User => $this->user);
        $request->validateResolved();

        return $request;
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
