<?php

declare(strict_types=1);

namespace App\Contract;

use MintCarry\Core\Errors\InvalidInput;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;

/**
 * Whether something that was kept in a file (a decision's advice, or what it rested on) has the shape that the screens read, whatever
 * else stands beside it: what newer and older versions say more is no fault.
 */
final class KeptShape
{
    private const BASE = 'https://mint.example/kept/';

    private static ?Validator $validator = null;

    /**
     * @param  array<array-key, mixed>  $value
     *
     * @throws InvalidInput naming what does not fit, and where
     */
    public static function require(string $shape, array $value, string $where): void
    {
        $validator = self::$validator ??= self::validator();
        $error = $validator->validate(json_decode((string) json_encode($value)), self::BASE.$shape)->error();
        if ($error === null) {
            return;
        }
        $formatter = new ErrorFormatter;
        $told = $formatter->formatFlat(
            $error, static fn ($e): array => [$e->data()->fullPath(), $formatter->formatErrorMessage($e)],
        );
        [$path, $why] = $told[array_key_last($told)];
        $at = implode('', array_map(static fn (int|string $p): string => is_int($p) || ctype_digit($p) ? "[{$p}]" : ".{$p}", $path));
        throw InvalidInput::of($where.$at, "{$where}{$at} is not as a decision is kept: {$why}. Nothing was brought in.");
    }

    private static function validator(): Validator
    {
        $validator = new Validator;
        foreach (Contract::schemas() as $name => $schema) {
            $validator->resolver()?->registerRaw((object) json_decode((string) json_encode(self::loose($schema))), self::BASE.$name);
        }

        return $validator;
    }

    /**
     * @param  array<array-key, mixed>  $schema
     * @return array<array-key, mixed>
     */
    private static function loose(array $schema): array
    {
        $out = [];
        foreach ($schema as $key => $value) {
            if ($key === 'additionalProperties' && $value === false) {
                continue;
            }
            if ($key === 'type' && $value === 'object' && ! isset($schema['required'])) {
                // An empty map comes as an empty list from PHP.
                [$value, $out['maxItems']] = [['object', 'array'], 0];
            }
            $out[$key] = match (true) {
                $key === '$ref' && is_string($value) => self::BASE.basename($value),
                is_array($value) => self::loose($value),
                default => $value,
            };
        }

        return $out;
    }
}
