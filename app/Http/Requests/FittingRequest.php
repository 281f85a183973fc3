<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Support\Quantity;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Flight\Turf;
use MintCarry\Core\Units\Unit;

/** What a fitter says of the player and of where the player plays. Lengths come as typed, with their unit. */
final class FittingRequest extends FormRequest
{
    public const UNITS = ['speed' => ['mph', 'm/s', 'km/h'], 'distance' => ['yd', 'm'], 'height' => ['ft', 'm'], 'length' => ['in', 'mm']];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $new = $this->isMethod('POST');

        return [
            'playerId' => ['sometimes', 'nullable', 'integer'],
            'name' => [$new ? 'required_without:playerId' : 'sometimes', 'nullable', 'string', 'max:80'],
            'hand' => [$new ? 'required_without:playerId' : 'sometimes', 'nullable', Rule::in(['right', 'left'])],
            'units' => ['sometimes', 'array'],
            ...collect(self::UNITS)->mapWithKeys(fn (array $names, string $kind): array => ["units.{$kind}" => ['required_with:units', Rule::in($names)]])->all(),
            'troubleSide' => ['sometimes', Rule::in(Corridor::SIDES)],
            'troubleKind' => ['sometimes', Rule::in(Corridor::KINDS)],
            'turf' => ['sometimes', Rule::enum(Turf::class)],
            'wants' => ['sometimes', 'nullable', 'string', 'max:500'],
            'benchmarkSetupId' => ['sometimes', 'integer'],
            'version' => [$new ? 'sometimes' : 'required', 'integer'],
            'corridorWidth' => ['sometimes'],
            'troubleAt' => ['sometimes', 'nullable'],
            'holeLength' => ['sometimes'],
            'temperatureC' => ['sometimes', 'numeric'],
            'altitude' => ['sometimes'],
        ];
    }

    /** @return array<string, mixed> columns of the fitting that were given, converted */
    public function columns(): array
    {
        $columns = [];
        foreach (['troubleSide' => 'trouble_side', 'troubleKind' => 'trouble_kind', 'turf' => 'turf'] as $key => $column) {
            if ($this->has($key)) {
                $columns[$column] = $this->validated($key);
            }
        }
        if ($this->has('wants')) {
            $columns['wants'] = $this->validated('wants') ?? '';
        }
        if ($this->has('temperatureC')) {
            $columns['temperature_c'] = (float) $this->validated('temperatureC');
        }
        foreach (['corridorWidth' => ['corridor_width_m', 'Corridor width'], 'holeLength' => ['hole_length_m', 'Hole length'], 'altitude' => ['altitude_m', 'Altitude'], 'troubleAt' => ['trouble_at_m', 'Distance of the trouble']] as $key => [$column, $label]) {
            if ($this->has($key)) {
                $value = Quantity::read($key, $label, $this->input($key), Unit::Metres);
                if ($value !== null || $key === 'troubleAt') {
                    $columns[$column] = $value;
                }
            }
        }

        return $columns;
    }
}
