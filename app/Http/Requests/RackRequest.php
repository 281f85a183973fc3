<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Input\Quantity;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What is common to everything on the rack: numbers may have a decimal comma, and each thing says how it can be had. */
abstract class RackRequest extends FormRequest
{
    public const SUPPLY = ['price', 'currency', 'leadDays', 'lofts', 'hands', 'inStock'];

    /** @return list<string> fields that are plain numbers, dots for those inside */
    abstract protected static function numbers(): array;

    /** @return array<string, mixed> */
    public static function supplyRules(string $at = 'supply'): array
    {
        return [
            $at => ['sometimes', 'array'],
            "{$at}.price" => ['nullable', 'numeric', 'between:0,100000'],
            "{$at}.currency" => ['nullable', 'string', 'max:8'],
            "{$at}.leadDays" => ['nullable', 'numeric', 'between:0,1000'],
            "{$at}.lofts" => ['sometimes', 'array', 'max:30'],
            "{$at}.lofts.*" => ['numeric', 'between:4,20'],
            "{$at}.hands" => ['sometimes', 'array'],
            "{$at}.hands.*" => [Rule::in(['right', 'left'])],
            "{$at}.inStock" => ['sometimes', 'boolean'],
        ];
    }

    protected function prepareForValidation(): void
    {
        $all = $this->all();
        foreach ([...static::numbers(), 'supply.price', 'supply.leadDays'] as $field) {
            $value = data_get($all, $field);
            if (is_string($value)) {
                data_set($all, $field, Quantity::plain($field, ucfirst(str_replace('.', ' ', $field)), $value));
            }
        }
        $this->replace($all);
    }

    protected function studioId(): int
    {
        /** @var User $user */
        $user = $this->user();

        return $user->studio_id;
    }

    /** @return array<string, mixed> */
    protected function supply(): array
    {
        return array_intersect_key((array) $this->validated('supply', []), array_flip(self::SUPPLY));
    }
}
