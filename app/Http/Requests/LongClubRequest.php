<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\Input\Quantity;
use App\Models\LongClub;
use App\Models\Sleeve;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Gaps\LongClub as Club;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Units\Unit;

/** A long club as typed: what it is, and its shots, a line each, in the player's units. */
final class LongClubRequest extends FormRequest
{
    public const TAKES = [
        'name' => 'string', 'kind' => "'fairway wood' | 'hybrid' | 'iron'", 'loftDeg' => 'number | string',
        'lieDeg?' => 'number | string | null',
        'faceOpenDeg?' => 'number | string | null', 'sleeveId?' => 'integer | null', 'position?' => 'string',
        // line: which of the stored shots it is, from 0; what is not said of it stays as it is. Without a line it is a new one.
        'shots?' => '{ line?: integer; carry?: string; total?: string; descent?: string; ballSpeed?: string; launch?: string; spin?: string }[]',
        'units?' => '{ distance: string; speed: string }',
        // of the club that the change was made from
        'version?' => 'string',
    ];

    /** What is typed of a shot: its measure, what it is called, and the kind of its unit. */
    private const TYPED = [
        'carry' => ['carryM', 'Carry', 'distance'], 'total' => ['totalM', 'Total', 'distance'], 'descent' => ['descentDeg', 'Descent',
            null],
        'ballSpeed' => ['ballSpeedMps', 'Ball speed', 'speed'], 'launch' => ['launchDeg', 'Launch', null], 'spin' => ['spinRpm', 'Spin',
            null],
    ];

    public const MOST_SHOTS = 200;

    private const USUAL_LIE_DEG = 57.0;

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:'.Club::LONGEST_NAME], 'kind' => ['required', Rule::in(array_diff(Club::KINDS,
                ['driver']))],
            'loftDeg' => ['required'], 'lieDeg' => ['sometimes', 'nullable'], 'faceOpenDeg' => ['sometimes', 'nullable'],
            'sleeveId' => [
                'sometimes', 'nullable', 'integer', Rule::exists('sleeves', 'id')->where('studio_id',
                    $this->user()->studio_id ?? 0)->whereNull('retired_at'),
            ],
            'position' => ['sometimes', 'nullable', 'string', 'max:40'], 'shots' => ['sometimes', 'array', 'list', 'max:'.self::MOST_SHOTS],
            'shots.*' => ['array:line,'.implode(',', array_keys(self::TYPED))],
            'shots.*.line' => ['sometimes', 'integer', 'min:0', 'distinct'],
            ...array_fill_keys(array_map(static fn (string $key): string => "shots.*.{$key}", array_keys(self::TYPED)),
                ['nullable', 'string', 'max:20']),
            'version' => ['sometimes', 'string', 'max:40'],
            'units' => ['sometimes', 'array:distance,speed'], 'units.distance' => ['sometimes', 'in:m,yd'], 'units.speed' => ['sometimes',
                'in:m/s,mph,km/h'],
        ];
    }

    /** @return array<string, mixed> columns of the club, sound as the core takes it */
    public function columns(BallFlight $flight, ?LongClub $club = null): array
    {
        $sleeveId = $this->validated('sleeveId');
        // Where nobody said another, the sleeve stays as it was written down.
        $sleeve = $this->has('sleeveId') ? ($sleeveId === null ? null : Sleeve::query()->whereKey((int) $sleeveId)->firstOrFail()->spec) : $club?->sleeve;
        $columns = [
            'name' => trim((string) $this->validated('name')), 'kind' => (string) $this->validated('kind'),
            'loft_deg' => Quantity::plain('loftDeg', 'Loft',
                $this->validated('loftDeg')) ?? throw ValidationException::withMessages(['loftDeg' => 'The loft is missing. Nothing was saved.']),
            'lie_deg' => Quantity::plain('lieDeg', 'Lie', $this->validated('lieDeg')) ?? self::USUAL_LIE_DEG,
            'face_open_deg' => Quantity::plain('faceOpenDeg', 'Face', $this->validated('faceOpenDeg')) ?? 0.0,
            'sleeve' => $sleeve, 'sleeve_label' => $sleeve === null ? '' : trim((string) ($this->validated('position') ?? '')),
        ];
        if ($sleeve !== null && $columns['sleeve_label'] === '') {
            $columns['sleeve_label'] = (string) ($sleeve['home'] ?? '');
        }
        if ($this->has('shots')) {
            $columns['shots'] = $this->shots($flight, $club->shots ?? []);
        }
        (new LongClub($columns + ['shots' => $club->shots ?? []]))->club($flight);
        new HeadReading($columns['loft_deg'], $columns['lie_deg'], $columns['face_open_deg']);

        return $columns;
    }

    /**
     * @param  list<array{values: array<string, float>, typed: array<string, string>, from?: string}>  $stored
     * @return list<array{values: array<string, float>, typed: array<string, string>, from?: string}>
     */
    private function shots(BallFlight $flight, array $stored): array
    {
        $units = ($this->validated('units') ?? []) + ['distance' => 'm', 'speed' => 'm/s'];
        $out = [];
        foreach (array_values($this->validated('shots') ?? []) as $i => $row) {
            $line = isset($row['line']) ? (int) $row['line'] : null;
            if ($line !== null && ! isset($stored[$line])) {
                throw ValidationException::withMessages(["shots.{$i}.line" => 'There is no such shot. Nothing was saved.']);
            }
            $shot = $line === null ? ['values' => [], 'typed' => []] : $stored[$line];
            foreach (self::TYPED as $key => [$measure, $label, $kind]) {
                $text = trim((string) ($row[$key] ?? ''));
                if (array_key_exists($key, $row)) {
                    unset($shot['values'][$measure], $shot['typed'][$key]);
                }
                if ($text === '') {
                    continue;
                }
                $at = "shots.{$i}.{$key}";
                $target = $kind === 'distance' ? Unit::Metres : Unit::MetresPerSecond;
                $shot['values'][$measure] = $kind === null
                    ? Quantity::plain($at, "{$label} of shot ".($i + 1), $text) ?? 0.0
                    : Quantity::read($at, "{$label} of shot ".($i + 1), ['value' => $text, 'unit' => $units[$kind]], $target) ?? 0.0;
                $shot['typed'][$key] = $kind === null ? $text : "{$text} {$units[$kind]}";
            }
            if ($shot['values'] === [] && $line === null) {
                continue;
            }
            self::requirePossible($i, $shot['values'], $flight);
            $out[] = $shot;
        }

        return $out;
    }

    /** @param  array<string, float>  $values */
    private static function requirePossible(int $i, array $values, BallFlight $flight): void
    {
        if (! isset($values['carryM']) && ! isset($values['ballSpeedMps'], $values['launchDeg'], $values['spinRpm'])) {
            throw ValidationException::withMessages([
                "shots.{$i}.carry" => 'Shot '.($i + 1).' has no carry, nor ball speed, launch and spin together. Nothing was saved; what you typed is still here.',
            ]);
        }
        foreach (LaunchShot::of($values, $flight)->issues() as $issue) {
            if ($issue->refused && isset($values[$issue->field])) {
                throw ValidationException::withMessages([
                    "shots.{$i}.carry" => 'Shot '.($i + 1).": {$issue->message}. Nothing was saved; what you typed is still here.",
                ]);
            }
        }
    }
}
