<?php

declare(strict_types=1);

namespace App\Rack;

use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Units\PlainNumber;

/**
 * What may stand on the rack, wherever it comes from: typed on a screen or read from a file. Numbers may have a decimal comma,
 * each thing says how it can be had, and a price has a currency.
 */
abstract class RackRules
{
    private const SUPPLY = ['price', 'currency', 'leadDays', 'lofts', 'hands', 'inStock'];

    /** @return list<string> fields that are plain numbers, dots for those inside */
    abstract protected static function numbers(): array;

    /** @return array<string, mixed> */
    abstract protected function rules(): array;

    /** @return array<string, mixed> what goes into the row, by column; only what was given */
    abstract public function columns(): array;

    /** @var array<string, mixed> */
    protected array $given;

    /** @param  array<mixed>  $input */
    public function __construct(protected readonly int $studioId, array $input)
    {
        $this->given = $this->prepared($input);
    }

    /**
     * @return array<string, mixed> what was given and may stand
     *
     * @throws ValidationException naming the field
     */
    public function validated(): array
    {
        return Validator::make($this->given, $this->rules() + self::supplyRules(), $this->messages(), $this->attributes())->validate();
    }

    /** @return list<string> names of the fields there are */
    public function known(): array
    {
        return array_keys($this->rules() + self::supplyRules());
    }

    /** @return array<string, string> */
    protected function attributes(): array
    {
        return [];
    }

    /** @return array<string, string> */
    protected function messages(): array
    {
        return [];
    }

    /**
     * Typed numbers become numbers.
     *
     * @param  array<mixed>  $input
     * @return array<mixed>
     */
    protected function prepared(array $input): array
    {
        foreach ([...static::numbers(), 'supply.price', 'supply.leadDays'] as $field) {
            $value = data_get($input, $field);
            if (is_string($value)) {
                data_set($input, $field, self::number($field, ucfirst(str_replace('.', ' ', $field)), $value));
            }
        }

        return $input;
    }

    protected static function number(string $field, string $label, string $text): ?float
    {
        return trim($text) === '' ? null : PlainNumber::read($text) ?? throw ValidationException::withMessages([$field => sprintf(
            "%s '%s' is not a number. Nothing was saved; what you typed is still here.", $label, mb_strimwidth($text, 0, 30, '…'),
        )]);
    }

    /** @return array<string, mixed> */
    private static function supplyRules(): array
    {
        return [
            'supply' => ['sometimes', 'array:'.implode(',', self::SUPPLY)],
            'supply.price' => ['nullable', 'numeric', 'between:0,100000'],
            'supply.currency' => ['required_with:supply.price', 'nullable', 'string', 'max:8'],
            'supply.leadDays' => ['nullable', 'numeric', 'between:0,1000'],
            'supply.lofts' => ['sometimes', 'list', 'max:30'],
            'supply.lofts.*' => ['numeric', 'between:4,20'],
            'supply.hands' => ['sometimes', 'list'],
            'supply.hands.*' => [Rule::in(['right', 'left'])],
            'supply.inStock' => ['sometimes', 'boolean'],
        ];
    }

    /**
     * @param  array<string, mixed>  $given
     * @return array<string, mixed>
     */
    protected static function supply(array $given): array
    {
        return array_intersect_key((array) ($given['supply'] ?? []), array_flip(self::SUPPLY));
    }
}
