<?php

declare(strict_types=1);

namespace App\Rack;

use App\Models\Part;
use Illuminate\Validation\Rule;
use MintCarry\Core\Flight\BallFactors;

/** A shaft, grip or ball as typed. Flex, tip and launch are the maker's words: shown and filtered by, never turned into a figure. */
final class PartRules extends RackRules
{
    public const DATA = [
        'shaft' => [
            'rawMassG' => [20, 160], 'cutMassG' => [20, 160], 'balanceFromButtMm' => [200, 900], 'lengthMm' => [900, 1300],
            'torqueDeg' => [1, 10],
        ],
        'grip' => ['massG' => [10, 150]],
        'ball' => ['dragFactor' => BallFactors::BOUNDS, 'liftFactor' => BallFactors::BOUNDS],
    ];

    private const TEXTS = ['shaft' => ['flex', 'tip', 'launch'], 'grip' => ['size'], 'ball' => ['build', 'factorsFrom']];

    /** @param  array<mixed>  $input */
    public function __construct(int $studioId, array $input, private readonly ?Part $part = null)
    {
        parent::__construct($studioId, $input);
    }

    protected static function numbers(): array
    {
        return array_map(fn (string $k): string => "data.{$k}", array_merge(...array_map(array_keys(...), array_values(self::DATA))));
    }

    /** @return array<string, mixed> */
    protected function rules(): array
    {
        $part = $this->part;
        $kind = $this->kind();
        $rules = [
            'kind' => [$part === null ? 'required' : 'sometimes', Rule::in(Part::KINDS)],
            'label' => [
                'required', 'string', 'max:80',
                Rule::unique('parts', 'label')
                    ->where('studio_id', $this->studioId)->where('kind', $kind)->whereNull('retired_at')->ignore($part?->id),
            ],
            'data' => ['sometimes', 'array:'.implode(',', [...array_keys(self::DATA[$kind] ?? []), ...self::TEXTS[$kind] ?? []])],
        ];
        foreach (self::DATA[$kind] ?? [] as $key => [$low, $high]) {
            $rules["data.{$key}"] = ['nullable', 'numeric', "between:{$low},{$high}"];
        }
        foreach (self::TEXTS[$kind] ?? [] as $key) {
            $rules["data.{$key}"] = ['nullable', 'string', 'max:40'];
        }
        if ($kind === 'ball') {
            $rules['data.factorsFrom'] = ['required_with:data.dragFactor,data.liftFactor', 'nullable', 'string', 'max:40'];
        }

        return $rules;
    }

    /** @return array<string, string> */
    protected function messages(): array
    {
        return [
            'data.factorsFrom.required_with' => 'Say where the factors come from: who measured them, and when. Nothing was saved.',
            'label.unique' => "There is already one called ':input' on the rack: give this one a label of its own. Nothing was saved.",
        ];
    }

    private function kind(): string
    {
        $said = $this->given['kind'] ?? '';

        return $this->part->kind ?? (is_string($said) ? $said : '');
    }

    /** @return array<string, mixed> */
    public function columns(): array
    {
        $given = $this->validated();

        return ['kind' => $this->kind(), 'label' => trim((string) $given['label']), 'supply' => self::supply($given),
            'data' => array_filter((array) ($given['data'] ?? []), fn (mixed $v): bool => $v !== null && $v !== '')];
    }
}
