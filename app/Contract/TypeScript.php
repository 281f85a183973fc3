<?php

declare(strict_types=1);

namespace App\Contract;

/** The schemas of docs/api.yaml as types of the front end. */
final class TypeScript
{
    /** @param  array<string, array<string, mixed>>  $schemas  by name */
    public static function of(array $schemas): string
    {
        $out = "// Generated from docs/api.yaml by `php artisan mint:api`: do not edit.\n";
        foreach ($schemas as $name => $schema) {
            $about = isset($schema['description']) ? '/** '.str_replace("\n", ' ', $schema['description'])." */\n" : '';
            $out .= "\n{$about}".(isset($schema['properties'])
                ? "export interface {$name} {\n".self::fields($schema, '    ').'}'
                : "export type {$name} = ".self::type($schema).';')."\n";
        }

        return $out;
    }

    /** @param  array<string, mixed>  $schema */
    private static function fields(array $schema, string $indent): string
    {
        $out = '';
        foreach ($schema['properties'] as $name => $field) {
            $out .= $indent.$name.(in_array($name, $schema['required'] ?? [], true) ? '' : '?').': '.self::type((array) $field).";\n";
        }

        return $out;
    }

    /** @param  array<string, mixed>  $s */
    private static function type(array $s): string
    {
        return match (true) {
            isset($s['$ref']) => basename($s['$ref']),
            isset($s['anyOf']) => implode(' | ', array_map(static fn ($one): string => self::type((array) $one), $s['anyOf'])),
            isset($s['oneOf']) => implode(' | ', array_map(static fn ($one): string => self::type((array) $one), $s['oneOf'])),
            isset($s['enum']) => implode(' | ', array_map(static fn (string $word): string => "'{$word}'", $s['enum'])),
            isset($s['const']) => "'{$s['const']}'",
            isset($s['prefixItems']) => '['.
                implode(', ', array_map(static fn ($one): string => self::type((array) $one), $s['prefixItems'])).
                ']',
            isset($s['items']) => self::inBrackets((array) $s['items']).'[]',
            isset($s['properties']) => '{ '.trim(str_replace(["\n"], ' ', self::fields($s, ''))).' }',
            is_array($s['additionalProperties'] ?? null) => 'Record<string, '.self::type($s['additionalProperties']).'>',
            ($s['additionalProperties'] ?? null) === true => 'Record<string, unknown>',
            default => match ($s['type'] ?? '') {
                'integer', 'number' => 'number', 'string' => 'string', 'boolean' => 'boolean', 'null' => 'null',
                'object' => 'Record<string, unknown>', default => 'unknown',
            },
        };
    }

    /** @param  array<string, mixed>  $s */
    private static function inBrackets(array $s): string
    {
        $type = self::type($s);

        return str_contains($type, ' | ') && ! str_starts_with($type, '{') ? "({$type})" : $type;
    }
}
