<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Player;
use App\Words\PlayersLanguage;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use MintCarry\Core\Fitting\PlayersWords;
use MintCarry\Core\Units\Unit;

/** What a player sends of themselves. Whatever it says is read by the core; here it is only bounded. */
final class IntakeRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $text = ['sometimes', 'nullable', 'string', 'max:500'];

        return [
            'token' => ['required', 'string', 'max:100'], 'key' => ['required', 'string', 'min:8', 'max:64'],
            'hand' => ['sometimes', 'nullable', Rule::in(['left', 'right'])], ...Player::unitRules(),
            'units' => ['sometimes', 'nullable', 'array'],
            'carry' => ['sometimes', 'nullable', 'numeric'], 'handicap' => ['sometimes', 'nullable', 'numeric'],
            'wants' => ['sometimes', 'array', 'max:12'], 'never' => ['sometimes', 'array', 'max:12'],
            'wants.*' => ['string', 'max:40'], 'never.*' => ['string', 'max:40'],
            ...array_fill_keys(['shape', 'miss', 'wish', 'course', 'turf', 'width', 'left', 'right', 'club', 'ball', 'pain'], $text),
            'consent' => ['sometimes', 'boolean'], 'isMinor' => ['sometimes', 'boolean'],
            'guardian' => [Rule::requiredIf($this->boolean('isMinor') && $this->boolean('consent')), 'nullable', 'string', 'max:80'],
        ];
    }

    /** @return array<string, string|array<string, string>> in the player's language */
    public function messages(): array
    {
        return PlayersLanguage::messages($this);
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return PlayersLanguage::names($this);
    }

    /** @return array<string, mixed> in the units of the core */
    public function said(): array
    {
        $said = array_intersect_key($this->validated(), array_flip([...PlayersWords::FIELDS, 'width', 'left', 'right', 'course', 'club']));
        $carry = $this->validated('carry');
        $unit = $this->validated('units.distance') === 'yd' ? Unit::Yards : Unit::Metres;

        return $said + ($carry === null ? [] : ['carryM' => $unit->to(Unit::Metres, (float) $carry)])
            + ($this->validated('handicap') === null ? [] : ['handicap' => (float) $this->validated('handicap')]);
    }

    /**
     * @return array{hand: string|null, units: array<string, string>|null, language: string, isMinor: bool, guardian: string|null,
     *   consent: string|null, pain: string|null}
     */
    public function who(string $consentText, string $language): array
    {
        $pain = trim((string) $this->validated('pain'));
        /** @var array<string, string>|null $units */
        $units = $this->validated('units');

        return [
            'hand' => $this->validated('hand'), 'units' => $units, 'language' => $language, 'isMinor' => $this->boolean('isMinor'),
            'guardian' => $this->validated('guardian'), 'consent' => $this->boolean('consent') ? $consentText : null,
            'pain' => $pain === '' ? null : $pain,
        ];
    }
}
