<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Appointment;
use App\Words\Words;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use MintCarry\Core\Booking\Booking;

/** What is said of an appointment: when by the clock on the studio's wall, where, with whom, for what. */
final class AppointmentRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $isNew = $this->isMethod('POST');
        $needed = $isNew ? 'required' : 'sometimes';

        return [
            'version' => [$isNew ? 'prohibited' : 'required', 'integer'],
            'day' => [$needed, 'string', 'max:10'], 'time' => [$needed, 'string', 'max:5'],
            'minutes' => [$needed, 'integer'], 'kind' => [$needed, 'string', 'max:40'],
            'swings' => [$needed, 'integer', 'between:0,'.Booking::MOST_SWINGS],
            'bayId' => ['sometimes', 'nullable', 'integer'], 'fitterId' => ['sometimes', 'nullable', 'integer'],
            'playerId' => ['sometimes', 'nullable', 'integer'], 'name' => ['sometimes', 'nullable', 'string', 'max:80'],
            'hand' => ['required_with:name', 'nullable', Rule::in(['left', 'right'])],
            'units' => ['sometimes', 'array'], 'note' => ['sometimes', 'nullable', 'string', 'max:500'],
            'language' => ['sometimes', 'nullable', Rule::in(Words::languages())],
            'state' => ['sometimes', Rule::in(Appointment::STATES)], 'outside' => ['sometimes', 'boolean'],
        ];
    }
}
