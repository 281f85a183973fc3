<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Studio;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Fitting\Brief;

/** Takes the names that a person gave to things out of what stays: "Reedmere" becomes "course 1" wherever it stands. */
final class ErasedNames
{
    /** Names shorter than this are replaced only where they stand alone: "B" or "Four" is part of many words. */
    private const LEAST_WITHIN = 6;

    /** @var array<string, string> by name */
    private array $replacements = [];

    /** @var array<string, int> how many have a word, by the word */
    private array $counts = [];

    public function __construct(private readonly string $player, private readonly Studio $studio)
    {
    }

    /** @param  array<string, string>  $columns  word by column */
    public function number(string $table, array $columns, Builder $rows): void
    {
        foreach ((clone $rows)->orderBy('id')->get() as $row) {
            $new = [];
            foreach ($columns as $column => $word) {
                $name = (string) $row->{$column};
                if ($name !== '' && ! $this->isOfStudio($table, $column, $row)) {
                    $new[$column] = $this->replacements[$name] ??= $this->next($word);
                }
            }
            if ($table === 'rounds') {
                $new['course'] = $this->replacements[$row->course] ??= $new['course_key'];
            }
            if ($new !== []) {
                DB::table($table)->where('id', $row->id)->update($new);
            }
        }
    }

    /** @param  list<string>  $columns  of JSON */
    public function replaceIn(array $columns, Builder $rows): void
    {
        foreach ((clone $rows)->orderBy('id')->get(['id', ...$columns]) as $row) {
            $new = [];
            foreach ($columns as $column) {
                $read = is_string($row->{$column}) ? json_decode($row->{$column}, true) : null;
                if (is_array($read)) {
                    $new[$column] = json_encode($this->withoutNames($column === 'brief' ? self::withoutWords($read) : $read),
                        JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
                }
            }
            $new === [] || (clone $rows)->where('id', $row->id)->update($new);
        }
    }

    /** Labels of what was ordered, where they are not those of the studio's rack. */
    public function numberLines(Builder $orders): void
    {
        $rack = [
            ...DB::table('heads')->where('studio_id', $this->studio->id)->pluck('label'),
            ...DB::table('parts')->where('studio_id', $this->studio->id)->pluck('label'),
        ];
        foreach ((clone $orders)->pluck('lines') as $lines) {
            foreach ((array) json_decode((string) $lines, true) as $line) {
                $label = is_array($line) ? (string) ($line['label'] ?? '') : '';
                if ($label !== '' && ! in_array($label, $rack, true)) {
                    $this->replacements[$label] ??= $this->next((string) ($line['what'] ?? 'part'));
                }
            }
        }
    }

    public function isIn(string $text): bool
    {
        return $this->player !== '' && preg_match($this->pattern(), $text) === 1;
    }

    private function pattern(): string
    {
        return '/(?<![\p{L}\p{N}])'.preg_quote($this->player, '/').'(?![\p{L}\p{N}])/u';
    }

    private function next(string $word): string
    {
        return $word.' '.($this->counts[$word] = ($this->counts[$word] ?? 0) + 1);
    }

    /**
     * @param  array<mixed>  $read
     * @return array<mixed>
     */
    private function withoutNames(array $read): array
    {
        if (is_array($read['brief'] ?? null)) {
            $read['brief'] = self::withoutWords($read['brief']);
        }
        $long = array_filter($this->replacements, static fn (string|int $n): bool => mb_strlen((string) $n) >= self::LEAST_WITHIN, ARRAY_FILTER_USE_KEY);
        array_walk_recursive($read, function (mixed &$value) use ($long): void {
            if (is_string($value)) {
                $named = $this->replacements[$value] ?? strtr($value, $long);
                $value = $this->player === '' ? $named : preg_replace($this->pattern(), 'the player', $named);
            }
        });

        return $read;
    }

    /**
     * A brief with its figures and choices, and none of its free words.
     *
     * @param  array<mixed>  $brief
     * @return array<mixed>
     */
    private static function withoutWords(array $brief): array
    {
        return array_replace($brief, array_fill_keys(array_keys(array_intersect_key(Brief::TEXTS, $brief)), ''));
    }

    /** What stands on the studio's rack, or in its list of what people come for, was named by the studio. */
    private function isOfStudio(string $table, string $column, \stdClass $row): bool
    {
        if ($table === 'appointments') {
            return in_array($row->kind, array_column($this->studio->kinds(), 'name'), true);
        }

        return $table === 'setups' && match ($column) {
            'shaft' => $row->shaft_id !== null, 'ball' => $row->ball_id !== null, default => $row->head_id !== null,
        };
    }
}
