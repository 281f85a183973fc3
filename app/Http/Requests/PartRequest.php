<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Part;
use Illuminate\Validation\Rule;

/** A shaft, grip or ball as typed. */
final class PartRequest extends RackRequest
{
    public const DATA = [
        'shaft' => ['rawMassG' => [20, 160], 'cutMassG' => [20, 160], 'balanceFromButtMm' => [200, 900], 'lengthMm' => [900, 1300], 'torqueDeg' => [1, 10]],
        'grip' => ['massG' => [10, 150]],
        'ball' => [],
    ];

    private const TEXTS = ['shaft' => ['flex'], 'grip' => ['size'], 'ball' => ['build']];

    protected static function numbers(): array
    {
        return array_map(fn (string $k): string => "data.{$k}", array_merge(...array_map(array_keys(...), array_values(self::DATA))));
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $part = $this->route('part');
        $kind = $part instanceof Part ? $part->kind : (is_string($this->input('kind')) ? $this->input('kind') : '');
        $rules = ['kind' => [$part instanceof Part ? 'sometimes' : 'required', Rule::in(Part::KINDS)],
            'label' => ['required', 'string', 'max:80', Rule::unique('parts', 'label')->where('studio_id', $this->studioId())->where('kind', $kind)->whereNull('retired_at')->ignore($part instanceof Part ? $part->id : null)],
            'data' => ['sometimes', 'array:'.implode(',', [...array_keys(self::DATA[$kind] ?? []), ...self::TEXTS[$kind] ?? []])]];
        foreach (self::DATA[$kind] ?? [] as $key => [$low, $high]) {
            $rules["data.{$key}"] = ['nullable', 'numeric', "between:{$low},{$high}"];
        }
        foreach (self::TEXTS[$kind] ?? [] as $key) {
            $rules["data.{$key}"] = ['nullable', 'string', 'max:40'];
        }

        return $rules + self::supplyRules();
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['label.unique' => "There is already one called ':input' on the rack: give this one a label of its own. Nothing was saved."];
    }

    /** @return array<string, mixed> */
    public function columns(): array
    {
        return ['label' => trim((string) $this->validated('label')), 'data' => array_filter((array) $this->validated('data', []), fn (mixed $v): bool => $v !== null && $v !== ''), 'supply' => $this->supply()];
    }
}
