<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Player;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/**
 * A new fitting for a new or a known player, or a change of player or benchmark. The brief has a request of its
 * own.
 */
final class FittingRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $new = $this->isMethod('POST');

        return [
            'playerId' => ['sometimes', 'nullable', 'integer'],
            'fromFittingId' => ['sometimes', 'nullable', 'integer', 'required_with:setupId'],
            'setupId' => ['sometimes', 'nullable', 'integer'],
            'name' => [$new ? 'required_without:playerId' : 'sometimes', 'nullable', 'string', 'max:80'],
            'hand' => [$new ? 'required_without:playerId' : 'sometimes', 'nullable', Rule::in(['right', 'left'])],
            ...Player::unitRules(),
            'benchmarkSetupId' => ['sometimes', 'integer'],
            'reason' => ['sometimes', 'nullable', 'string', 'max:300'],
            'screening' => ['sometimes', 'string', 'max:20'],
            'tieOrder' => ['sometimes', 'array', 'min:1', 'max:4'],
            'tieOrder.*' => ['string'],
            'asksRatings' => ['sometimes', 'boolean'],
            'version' => [$new ? 'sometimes' : 'required', 'integer'],
        ];
    }
}
