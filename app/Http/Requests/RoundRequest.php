<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Words\PlayersLanguage;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Validator;
use MintCarry\Core\FollowUp\PlayedRound;
use MintCarry\Core\Units\Unit;

/** A round as it is told; what it can be is the core's to say. */
final class RoundRequest extends FormRequest
{
    public const SAID = [
        'key' => 'string', 'playedOn' => 'string', 'course' => 'string', 'club' => "'new' | 'before'", 'holes' => 'integer',
        'hit' => 'integer',
        'left?' => 'integer | null', 'right?' => 'integer | null', 'forgotMisses?' => 'boolean', 'lost?' => 'integer', 'drives?' => 'number[]', 'unit?' => "'m' | 'yd'",
        'feel?' => 'integer | null',
        'words?' => 'string | null',
    ];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'key' => ['required', 'string', 'min:8', 'max:64'], 'playedOn' => ['required', 'date_format:Y-m-d', 'after:2000-01-01'],
            'course' => ['required', 'string', 'max:120'], 'club' => ['required', 'in:new,before'], 'holes' => ['required', 'integer'],
            'hit' => ['required', 'integer'], 'forgotMisses' => ['sometimes', 'boolean'],
            ...array_fill_keys(['left', 'right'], $this->boolean('forgotMisses') ? ['nullable', 'integer'] : ['required', 'integer']),
            'lost' => ['required', 'integer'],
            'drives' => ['sometimes', 'array', 'max:2'], 'drives.*' => ['numeric'], 'unit' => ['sometimes', 'in:m,yd'],
            'feel' => ['sometimes', 'nullable', 'integer'], 'words' => ['sometimes', 'nullable', 'string', 'max:500'],
            ...($this->has('token') ? ['token' => ['required', 'string', 'max:100']] : []),
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

    /**
     * Every drive ended somewhere, unless nobody remembers where.
     *
     * @return list<callable(Validator): void>
     */
    public function after(): array
    {
        return [function (Validator $validator): void {
            $sum = $this->integer('hit') + $this->integer('left') + $this->integer('right');
            $holes = $this->integer('holes');
            if ($validator->errors()->isEmpty() && ! $this->boolean('forgotMisses') && $sum < $holes) {
                $words = PlayersLanguage::of($this);
                $validator->errors()->add('hit', $words->say('rounds.tooFew', ['sum' => $sum, 'holes' => $holes]));
            }
        }];
    }

    public function played(): PlayedRound
    {
        $unit = $this->validated('unit') === 'yd' ? Unit::Yards : Unit::Metres;
        $count = fn (string $field): int => (int) $this->validated($field);

        return PlayedRound::of(
            (string) $this->validated('course'), $this->validated('club') === 'before' ? 'before' : 'new', $count('holes'), $count('hit'), $count('left'),
            $count('right'), $count('lost'),
            array_map(static fn (mixed $d): float => $unit->to(Unit::Metres, (float) $d), array_values($this->validated('drives') ?? [])),
            $this->validated('feel') === null ? null : $count('feel'),
        );
    }

    /** @return array{playedOn: string, words: string, typed: array<string, mixed>} */
    public function beside(): array
    {
        return [
            'playedOn' => (string) $this->validated('playedOn'), 'words' => trim((string) $this->validated('words')),
            'typed' => array_filter([
                'drives' => $this->validated('drives'), 'unit' => $this->validated('unit'), 'forgotMisses' => $this->boolean('forgotMisses'),
            ]),
        ];
    }
}
