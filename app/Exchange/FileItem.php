<?php

declare(strict_types=1);

namespace App\Exchange;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use MintCarry\Core\Errors\InvalidInput;

/** Reads what stands in an item of a fitting file: texts, numbers and moments as the columns take them. */
final class FileItem
{
    /**
     * A text, cut where its column ends.
     *
     * @param  array<string, mixed>  $item
     */
    public static function text(array $item, string $key, int $longest): string
    {
        return mb_substr(is_string($item[$key] ?? null) ? $item[$key] : '', 0, $longest);
    }

    /**
     * A whole number from 1, where there is one.
     *
     * @param  array<string, mixed>  $item
     */
    public static function number(array $item, string $key, string $where, int $most, int $usual): int
    {
        $number = $item[$key] ?? $usual;
        if (! is_int($number) || $number < 1 || $number > $most) {
            throw InvalidInput::of("{$where}.{$key}", "{$where}.{$key} must be a whole number from 1 to {$most}.");
        }

        return $number;
    }

    /**
     * @param  array<string, mixed>  $item
     * @param  array<string, string>  $names
     * @return array<string, mixed> by column
     */
    public static function columns(array $item, array $names, string $where): array
    {
        $out = [];
        foreach ($names as $column => $name) {
            if (! isset($item[$name])) {
                continue;
            }
            if (
                isset(FittingFormat::TEXTS[$column]) &&
                (! is_string($item[$name]) || mb_strlen($item[$name]) > FittingFormat::TEXTS[$column])
            ) {
                throw InvalidInput::of(
                    "{$where}.{$name}", "{$where}.{$name} must be a text of at most ".FittingFormat::TEXTS[$column].' letters.',
                );
            }
            $out[$column] = $item[$name];
        }

        return $out;
    }

    /**
     * @param  array<string, mixed>  $data
     * @return list<array<string, mixed>>
     */
    public static function items(array $data, string $key): array
    {
        $list = $data[$key] ?? [];
        if (! is_array($list) || ! array_is_list($list) || array_filter($list, fn (mixed $v): bool => ! is_array($v)) !== []) {
            throw InvalidInput::of($key, "'{$key}' must be a list of JSON objects.");
        }

        return $list;
    }

    public static function moment(mixed $value): ?Carbon
    {
        return is_string($value) && strtotime($value) !== false && preg_match('/^\d{4}-\d\d-\d\d/', $value) === 1
            ? Carbon::parse($value)->utc()
            : null;
    }

    /**
     * @template T of Model
     *
     * @param  T  $row
     * @return T
     */
    public static function dated(Model $row, mixed $at): Model
    {
        $moment = self::moment($at);
        if ($moment !== null) {
            $row->newQuery()->whereKey($row->getKey())->toBase()->update(['created_at' => $moment]);
        }

        return $row;
    }
}
