<?php

declare(strict_types=1);

namespace App\Rack;

use App\Models\RackHead;
use Closure;
use Illuminate\Validation\Rule;
use MintCarry\Core\Club\Head;

/** A head on the rack as typed. What is not known stays empty and is taken from the preset of its type. */
final class HeadRules extends RackRules
{
    private const COLUMNS = [
        'label' => 'label', 'maker' => 'maker', 'hand' => 'hand', 'type' => 'type', 'sleeveId' => 'sleeve_id',
        'statedLoftDeg' => 'stated_loft_deg', 'statedLieDeg' => 'stated_lie_deg', 'statedFaceOpenDeg' => 'stated_face_open_deg',
        'volumeCm3' => 'volume_cm3', 'massG' => 'mass_g', 'cgToeMm' => 'cg_toe_mm', 'cgBackMm' => 'cg_back_mm',
        'cgUpMm' => 'cg_up_mm', 'bulgeMm' => 'bulge_mm', 'rollMm' => 'roll_mm', 'inertiaGcm2' => 'inertia_gcm2', 'note' => 'note',
    ];

    protected static function numbers(): array
    {
        return [
            'statedLoftDeg', 'statedLieDeg', 'statedFaceOpenDeg', 'volumeCm3', 'massG', 'cgToeMm', 'cgBackMm', 'cgUpMm', 'bulgeMm',
            'rollMm',
        ];
    }

    /** @param  array<mixed>  $input */
    public function __construct(int $studioId, array $input, private readonly ?RackHead $head = null)
    {
        parent::__construct($studioId, $input);
    }

    protected function prepared(array $input): array
    {
        $input = parent::prepared($input);
        foreach (is_array($input['slots'] ?? null) ? $input['slots'] : [] as $i => $slot) {
            foreach (['toeMm', 'backMm', 'upMm', 'fromG', 'toG'] as $key) {
                if (is_array($slot) && is_string($slot[$key] ?? null)) {
                    $name = is_scalar($slot['name'] ?? null) ? (string) $slot['name'] : (string) ($i + 1);
                    $input['slots'][$i][$key] = self::number("slots.{$i}.{$key}", "Slot {$name}, {$key}", $slot[$key]);
                }
            }
        }

        return $input;
    }

    /** @return array<string, mixed> */
    protected function rules(): array
    {
        $new = $this->head === null;
        $hand = $this->given['hand'] ?? ($this->head === null ? 'right' : $this->head->hand->value);
        $isFree = Rule::unique('heads', 'label')
            ->where('studio_id', $this->studioId)->where('hand', is_string($hand) ? $hand : '')->whereNull('retired_at');

        return [
            'label' => [$new ? 'required' : 'sometimes', 'string', 'max:80', $isFree->ignore($this->head?->id)],
            'maker' => ['sometimes', 'nullable', 'string', 'max:80'],
            'hand' => [$new ? 'required' : 'sometimes', Rule::in(['right', 'left'])],
            'type' => ['sometimes', Rule::in(Head::PRESETS)],
            'sleeveId' => ['sometimes', 'nullable', 'integer', Rule::exists('sleeves', 'id')->where('studio_id', $this->studioId)],
            'statedLoftDeg' => [$new ? 'required' : 'sometimes', 'numeric', 'between:4,20'],
            'statedLieDeg' => ['sometimes', 'nullable', 'numeric', 'between:45,72'],
            'statedFaceOpenDeg' => ['sometimes', 'nullable', 'numeric', 'between:-10,10'],
            'volumeCm3' => ['sometimes', 'nullable', 'numeric', 'between:200,600'],
            'massG' => ['sometimes', 'nullable', 'numeric', 'between:150,260'],
            'cgToeMm' => ['sometimes', 'nullable', 'numeric', 'between:-20,20'],
            'cgBackMm' => ['sometimes', 'nullable', 'numeric', 'between:10,60'],
            'cgUpMm' => ['sometimes', 'nullable', 'numeric', 'between:-20,20'],
            'bulgeMm' => ['sometimes', 'nullable', 'numeric', 'between:150,1000'],
            'rollMm' => ['sometimes', 'nullable', 'numeric', 'between:150,1000'],
            'inertiaGcm2' => ['sometimes', 'nullable', 'array', 'size:3'],
            'inertiaGcm2.*' => ['array', 'size:3'],
            'inertiaGcm2.*.*' => ['numeric'],
            'slots' => ['sometimes', 'array', 'max:12'],
            'slots.*.name' => ['bail', 'required', 'string', 'max:20', $this->onlyOne(...)],
            'slots.*.toeMm' => ['required', 'numeric'],
            'slots.*.backMm' => ['required', 'numeric'],
            'slots.*.upMm' => ['required', 'numeric'],
            'slots.*.fromG' => ['sometimes', 'nullable', 'numeric', 'between:0,60'],
            'slots.*.toG' => ['sometimes', 'nullable', 'numeric', 'between:0,60'],
            'slots.*.mayBeEmpty' => ['sometimes', 'boolean'],
            'stockG' => ['sometimes', 'array', 'max:40'],
            'stockG.*' => ['numeric', 'between:0.1,60'],
            'standard' => ['sometimes', 'array'],
            'standard.*' => ['numeric', 'between:0,60'],
            'note' => ['sometimes', 'nullable', 'string', 'max:500'],
        ];
    }

    /** A name that no other slot of this head has, whatever else stands in their place. */
    private function onlyOne(string $attribute, string $name, Closure $fail): void
    {
        $same = array_filter(
            (array) ($this->given['slots'] ?? []),
            fn (mixed $slot): bool => is_array($slot) &&
                is_string($slot['name'] ?? null) &&
                mb_strtolower(trim($slot['name'])) === mb_strtolower(trim($name)),
        );
        if (count($same) > 1) {
            $fail("Two slots are called '{$name}': each needs a name of its own.");
        }
    }

    /** @return array<string, string> */
    protected function attributes(): array
    {
        return [
            'statedLoftDeg' => 'stated loft', 'statedLieDeg' => 'stated lie', 'statedFaceOpenDeg' => 'stated face',
            'massG' => 'mass', 'volumeCm3' => 'volume', 'slots.*.name' => 'slot name', 'cgToeMm' => 'CG toward the toe',
            'cgBackMm' => 'CG back', 'cgUpMm' => 'CG up',
        ];
    }

    /** @return array<string, string> */
    protected function messages(): array
    {
        return [
            'label.unique' => "There is already a head '".
                mb_strimwidth(is_string($this->given['label'] ?? null) ? $this->given['label'] : '', 0, 80).
                "' for this hand on the rack: give this one a label of its own, such as a number on the sole. Nothing was saved.",
        ];
    }

    /** @return array<string, mixed> columns that were given */
    public function columns(): array
    {
        $given = $this->validated();
        $columns = [];
        foreach (self::COLUMNS as $key => $column) {
            if (array_key_exists($key, $given)) {
                $columns[$column] = $given[$key] ?? (match ($key) {
                    'maker', 'note' => '', 'statedLieDeg' => 58.0, 'statedFaceOpenDeg' => 0.0, default => null
                });
            }
        }
        if (array_key_exists('slots', $given)) {
            $columns['slots'] = array_values(
                array_map(fn (array $s): array => array_filter($s, fn (mixed $v): bool => $v !== null), $given['slots']),
            );
        }
        foreach (['stockG' => 'stock_g', 'standard' => 'standard'] as $key => $column) {
            if (array_key_exists($key, $given)) {
                $columns[$column] = array_map(floatval(...), $key === 'stockG' ? array_values($given[$key]) : $given[$key]);
            }
        }
        if (array_key_exists('supply', $given)) {
            $columns['supply'] = self::supply($given);
        }

        return $columns;
    }
}
