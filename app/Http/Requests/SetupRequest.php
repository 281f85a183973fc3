<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Support\Quantity;
use Illuminate\Foundation\Http\FormRequest;
use MintCarry\Core\Units\Unit;

/** A setup as typed. Degrees are plain numbers; length comes with its unit. */
final class SetupRequest extends FormRequest
{
    private const DEGREES = [
        'statedLoftDeg' => ['stated_loft_deg', 4, 20], 'measuredLoftDeg' => ['measured_loft_deg', 4, 20], 'measuredLieDeg' => ['measured_lie_deg', 45, 72],
        'measuredFaceOpenDeg' => ['measured_face_open_deg', -10, 10], 'sleeveLoftDeg' => ['sleeve_loft_deg', -4, 4], 'sleeveFaceOpenDeg' => ['sleeve_face_open_deg', -5, 5], 'sleeveLieDeg' => ['sleeve_lie_deg', -4, 4],
    ];

    private const TEXTS = ['sleeveLabel' => ['sleeve_label', 40], 'weights' => ['weights', 120], 'shaft' => ['shaft', 80], 'ball' => ['ball', 80], 'note' => ['note', 500]];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $rules = ['head' => ['required', 'string', 'max:80'], 'isBaseline' => ['sometimes', 'boolean'], 'branchedFromId' => ['sometimes', 'nullable', 'integer'], 'length' => ['sometimes', 'nullable']];
        foreach (self::DEGREES as $key => [, $low, $high]) {
            $rules[$key] = [$key === 'statedLoftDeg' ? 'required' : 'nullable', 'numeric', "between:{$low},{$high}"];
        }
        foreach (self::TEXTS as $key => [, $max]) {
            $rules[$key] = ['sometimes', 'nullable', 'string', "max:{$max}"];
        }

        return $rules;
    }

    /** Decimal commas are as good as points. */
    protected function prepareForValidation(): void
    {
        foreach (array_keys(self::DEGREES) as $key) {
            $value = $this->input($key);
            if (is_string($value)) {
                $this->merge([$key => trim($value) === '' ? null : str_replace(["\u{2212}", ','], ['-', '.'], trim($value, " °\t"))]);
            }
        }
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return ['head' => 'head', 'statedLoftDeg' => 'stated loft', 'measuredLoftDeg' => 'measured loft', 'measuredLieDeg' => 'measured lie', 'measuredFaceOpenDeg' => 'measured face',
            'sleeveLoftDeg' => "sleeve's change of loft", 'sleeveFaceOpenDeg' => "sleeve's change of face", 'sleeveLieDeg' => "sleeve's change of lie"];
    }

    /** @return array<string, mixed> */
    public function columns(): array
    {
        $columns = ['head' => trim((string) $this->validated('head')), 'typed' => $this->all(['statedLoftDeg', 'measuredLoftDeg', 'length'])];
        foreach (self::DEGREES as $key => [$column]) {
            $columns[$column] = $this->validated($key) === null ? null : (float) $this->validated($key);
        }
        foreach (self::TEXTS as $key => [$column]) {
            $columns[$column] = (string) ($this->validated($key) ?? '');
        }
        $columns['length_mm'] = Quantity::read('length', 'Length', $this->input('length'), Unit::Millimetres);

        return $columns;
    }
}
