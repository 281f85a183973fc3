<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use MintCarry\Core\Order\ClubFigures;
use MintCarry\Core\Order\OrderState;

final class OrderRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'version' => [$this->isMethod('POST') ? 'prohibited' : 'required', 'integer'],
            'state' => ['sometimes', Rule::enum(OrderState::class)], 'why' => ['sometimes', 'nullable', 'string', 'max:300'],
            'lines' => ['sometimes', 'array', 'max:12'], 'lines.*.what' => ['required', 'string', 'max:20'],
            'lines.*.label' => ['required', 'string', 'max:120'], 'lines.*.price' => ['present', 'nullable', 'numeric', 'between:0,100000'],
            'labour' => ['sometimes', 'numeric', 'between:0,100000'], 'currency' => ['sometimes', 'nullable', 'string', 'max:8'],
            'days' => ['sometimes', 'nullable', 'integer', 'between:0,365'], 'dueOn' => ['sometimes', 'nullable', 'date_format:Y-m-d'],
            'note' => ['sometimes', 'nullable', 'string', 'max:500'], 'massG' => ['sometimes', 'nullable', 'numeric'],
            'tolerances' => ['sometimes', 'array:'.implode(',', array_keys(ClubFigures::TOLERANCES))],
            'tolerances.*' => ['numeric', 'between:0,20'],
        ];
    }
}
