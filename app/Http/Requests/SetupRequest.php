<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Input\Quantity;
use App\Models\Reading;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\SwingWeight;
use MintCarry\Core\Record\SetupItem;
use MintCarry\Core\Units\Unit;

/** A setup as typed: of a head on the rack, or of one that is only described. Degrees are plain numbers; lengths come with their unit. */
final class SetupRequest extends FormRequest
{
    /** As the contract tells it (`App\Contract\TypeText`). */
    public const TAKES = [
        'headId?' => 'integer | null', 'head?' => 'string | null', 'isBaseline?' => 'boolean',
        'branchedFromId?' => 'integer | null', 'length?' => 'Typed', 'tee?' => 'Typed',
        'masses?' => 'Record<string, number | string | null>', 'shaftId?' => 'integer | null',
        'gripId?' => 'integer | null', 'ballId?' => 'integer | null', 'swingWeight?' => 'string | null',
        'swingWeightSource?' => "'measured' | 'simulated'", 'statedLoftDeg?' => 'Typed', 'measuredLoftDeg?' => 'Typed',
        'measuredLieDeg?' => 'Typed', 'measuredFaceOpenDeg?' => 'Typed', 'sleeveLoftDeg?' => 'Typed',
        'sleeveFaceOpenDeg?' => 'Typed', 'sleeveLieDeg?' => 'Typed', 'cue?' => 'string | null',
        'sleeveLabel?' => 'string | null', 'weights?' => 'string | null', 'shaft?' => 'string | null',
        'ball?' => 'string | null', 'note?' => 'string | null',
    ];

    private const DEGREES = [
        'statedLoftDeg' => 'stated_loft_deg', 'measuredLoftDeg' => 'measured_loft_deg', 'measuredLieDeg' => 'measured_lie_deg',
        'measuredFaceOpenDeg' => 'measured_face_open_deg', 'sleeveLoftDeg' => 'sleeve_loft_deg',
        'sleeveFaceOpenDeg' => 'sleeve_face_open_deg', 'sleeveLieDeg' => 'sleeve_lie_deg',
    ];

    private const TEXTS = [
        'cue' => ['cue', 80], 'sleeveLabel' => ['sleeve_label', 40], 'weights' => ['weights', 120], 'shaft' => ['shaft', 80],
        'ball' => ['ball', 80], 'note' => ['note', 500],
    ];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $part = fn (string $kind): array => [
            'sometimes', 'nullable', 'integer',
            Rule::exists('parts', 'id')->where('studio_id', $this->studioId())->where('kind', $kind),
        ];
        $rules = [
            'headId' => ['sometimes', 'nullable', 'integer', Rule::exists('heads', 'id')->where('studio_id', $this->studioId())],
            'head' => ['required_without:headId', 'nullable', 'string', 'max:80'], 'isBaseline' => ['sometimes', 'boolean'],
            'branchedFromId' => ['sometimes', 'nullable', 'integer'], 'length' => ['sometimes', 'nullable'],
            'tee' => ['sometimes', 'nullable'], 'masses' => ['sometimes', 'array', 'max:12'],
            'masses.*' => ['nullable', 'numeric', 'between:'.implode(',', SetupItem::SLOT_G)], 'shaftId' => $part('shaft'), 'gripId' => $part('grip'),
            'ballId' => $part('ball'), 'swingWeight' => ['sometimes', 'nullable', 'string', 'max:8'],
            'swingWeightSource' => ['sometimes', Rule::in(Reading::SOURCES)],
        ];
        foreach (array_keys(self::DEGREES) as $key) {
            [$low, $high] = SetupItem::BOUNDS[$key];
            $rules[$key] = [
                $key === 'statedLoftDeg' ? 'required_without:headId' : 'nullable', 'nullable', 'numeric', "between:{$low},{$high}",
            ];
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
        return [
            'head' => 'head', 'headId' => 'head', 'shaftId' => 'shaft', 'gripId' => 'grip', 'ballId' => 'ball',
            'statedLoftDeg' => 'stated loft', 'measuredLoftDeg' => 'measured loft', 'measuredLieDeg' => 'measured lie',
            'measuredFaceOpenDeg' => 'measured face', 'sleeveLoftDeg' => "sleeve's change of loft",
            'sleeveFaceOpenDeg' => "sleeve's change of face", 'sleeveLieDeg' => "sleeve's change of lie",
        ];
    }

    /** @return array<string, mixed> */
    public function columns(): array
    {
        $columns = [
            'head' => trim((string) $this->validated('head')),
            'typed' => $this->all(['statedLoftDeg', 'measuredLoftDeg', 'length', 'tee', 'swingWeight']),
        ];
        foreach (self::DEGREES as $key => $column) {
            $columns[$column] = $this->validated($key) === null ? null : (float) $this->validated($key);
        }
        foreach (self::TEXTS as $key => [$column]) {
            $columns[$column] = (string) ($this->validated($key) ?? '');
        }
        $columns['length_mm'] = Quantity::read('length', 'Length', $this->input('length'), Unit::Millimetres);
        $columns['tee_mm'] = Quantity::read('tee', 'Tee height', $this->input('tee'), Unit::Millimetres);
        foreach (
            [
                'length_mm' => ['length', 'lengthMm', 'A driver is between %g and %g mm long'],
                'tee_mm' => ['tee', 'teeMm', 'A tee stands between %g and %g mm'],
            ] as $column => [$field, $bound, $says]
        ) {
            [$low, $high] = SetupItem::BOUNDS[$bound];
            if ($columns[$column] !== null && ($columns[$column] < $low || $columns[$column] > $high)) {
                throw ValidationException::withMessages([
                    $field => sprintf(
                        '%s; this is %.0f mm. Nothing was saved; what you typed is still here.', sprintf($says, $low, $high), $columns[$column],
                    ),
                ]);
            }
        }
        $typed = trim((string) $this->validated('swingWeight', ''));
        $columns['swing_weight_points'] = $typed === '' ? null : SwingWeight::pointsOf($typed);
        $columns['swing_weight_source'] = $typed === '' ? 'measured' : (string) $this->validated('swingWeightSource', 'measured');
        $user = $this->user();
        if ($columns['swing_weight_source'] === 'simulated' && ! ($user instanceof User && $user->studio->takesSimulated())) {
            throw ValidationException::withMessages([
                'swingWeight' => 'This swing weight is a stand-in’s, and the studio takes nothing made up. Nothing was saved; what you '
                    .'typed is still here.',
            ]);
        }

        return $columns + $this->fromRack();
    }

    /** @return array<string, mixed> what the rack says of the head and the parts that were chosen */
    private function fromRack(): array
    {
        $columns = [];
        foreach (['shaft', 'grip', 'ball'] as $kind) {
            $columns["{$kind}_id"] = $this->validated("{$kind}Id");
        }
        $columns['head_id'] = $this->validated('headId');
        $masses = array_map(
            floatval(...),
            array_filter((array) $this->validated('masses', []), fn (mixed $v): bool => $v !== null && (float) $v > 0),
        );
        ksort($masses);
        $columns['masses'] = $columns['head_id'] === null || ! $this->has('masses') ? null : $masses; // null = the standard weights

        return $columns;
    }

    private function studioId(): int
    {
        /** @var User $user */
        $user = $this->user();

        return $user->studio_id;
    }
}
