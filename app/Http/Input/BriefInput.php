<?php

declare(strict_types=1);

namespace App\Http\Input;

use Illuminate\Support\Arr;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Units\Unit;

/** A brief as it is typed: the fields of `Brief`, lengths and speeds as `{"value", "unit"}`. Fields that are not named keep what stands. */
final class BriefInput
{
    /** @param  array<string, mixed>  $input */
    public static function read(array $input, Brief $now): Brief
    {
        $data = $now->toArray();
        foreach ($input as $field => $value) {
            $data[$field] = match (true) {
                $field === 'corridor' => self::corridor(is_array($value) ? $value : [], $now),
                $field === 'weights' => array_filter(
                    array_map(fn (mixed $v): ?float => Quantity::plain('weights', 'Own weights', $v), is_array($value) ? $value : []),
                    fn (?float $v): bool => $v !== null,
                ),
                isset(Brief::NUMBERS[$field]) => self::number($field, $value),
                default => $value,
            };
        }

        return Brief::fromArray($data);
    }

    /**
     * What was typed for the numbers of a brief, by field with dots, as far as the brief still says that: a number that came
     * otherwise since (a file, an undo) was not typed.
     *
     * @param  array<string, mixed>  $typed
     * @return array<string, array{value: string, unit: string}>
     */
    public static function stillTyped(array $typed, Brief $brief): array
    {
        $now = Arr::dot($brief->toArray());
        $holds = [];
        $look = function (string $field, mixed $given) use ($now, &$holds): void {
            if (! is_array($given) || ! is_scalar($given['value'] ?? null) || ! is_string($given['unit'] ?? null)) {
                return;
            }
            try {
                $read = Quantity::read($field, $field, $given, str_ends_with($field, 'Mps') ? Unit::MetresPerSecond : Unit::Metres);
            } catch (ValidationException) {
                return;
            }
            if ($read !== null && is_numeric($now[$field] ?? null) && abs($read - (float) $now[$field]) < 1e-9) {
                $holds[$field] = ['value' => trim((string) $given['value']), 'unit' => $given['unit']];
            }
        };
        foreach ($typed as $field => $given) {
            $look((string) $field, $given);
        }
        $look('corridor.widthM', data_get($typed, 'corridor.widthM'));
        foreach (['left', 'right'] as $side) {
            $look("corridor.{$side}.atM", data_get($typed, "corridor.{$side}.atM"));
        }

        return $holds;
    }

    private static function number(string $field, mixed $value): ?float
    {
        $label = ucfirst(Brief::LABELS[$field]);

        return match (true) {
            str_ends_with($field, 'Mps') => Quantity::read($field, $label, $value, Unit::MetresPerSecond),
            str_ends_with($field, 'M') => Quantity::read($field, $label, $value, Unit::Metres),
            default => Quantity::plain($field, $label, $value),
        };
    }

    /**
     * @param  array<mixed>  $value
     * @return array<string, mixed>
     */
    private static function corridor(array $value, Brief $now): array
    {
        $stands = $now->toArray()['corridor'];
        $side = function (string $side) use ($value, $stands): array {
            $given = is_array($value[$side] ?? null) ? $value[$side] : [];

            return [
                'kind' => array_key_exists('kind', $given) ? $given['kind'] : $stands[$side]['kind'],
                'atM' => array_key_exists('atM', $given)
                    ? Quantity::read("{$side}.atM", "Where it begins on the {$side}", $given['atM'], Unit::Metres)
                    : $stands[$side]['atM'],
            ];
        };
        $width = array_key_exists('widthM', $value)
            ? Quantity::read('corridor.widthM', 'Corridor width', $value['widthM'], Unit::Metres)
            : $stands['widthM'];

        return [
            'widthM' => $width ?? throw InvalidInput::of('corridor.widthM', 'The corridor needs a width.'), 'left' => $side('left'),
            'right' => $side('right'),
        ];
    }
}
