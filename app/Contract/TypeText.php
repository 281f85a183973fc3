<?php

declare(strict_types=1);

namespace App\Contract;

use LogicException;

/**
 * A type as the contract writes it, in the way TypeScript does: `integer`, `number`, `string | null`, `Setup[]`, `'left' |
 * 'right'`, `[number, number]`, `Record<string, number>`, `{ tag: string; note?: string }`, or the name of a `Shape`. Read into
 * JSON Schema (2020-12, as OpenAPI 3.1 has it).
 */
final class TypeText
{
    private const PLAIN = [
        'integer' => ['type' => 'integer'], 'number' => ['type' => 'number'], 'string' => ['type' => 'string'],
        'boolean' => ['type' => 'boolean'], 'null' => ['type' => 'null'], 'unknown' => ['description' => 'anything'],
    ];

    private int $at = 0;

    private function __construct(private readonly string $text)
    {
    }

    /** @return array<string, mixed> */
    public static function schema(string $text): array
    {
        $reader = new self($text);
        $schema = $reader->either();
        $reader->skip();

        return $reader->at === strlen($text) ? $schema : throw $reader->wrong();
    }

    /**
     * An object of these fields; a `?` behind a name says that it may be missing.
     *
     * @param  array<string, string>  $fields  type by name
     * @return array<string, mixed>
     */
    public static function object(array $fields): array
    {
        $properties = $required = [];
        foreach ($fields as $name => $type) {
            $isOptional = str_ends_with($name, '?');
            $name = rtrim($name, '?');
            $properties[$name] = self::schema($type);
            if (! $isOptional) {
                $required[] = $name;
            }
        }

        return ['type' => 'object', 'properties' => $properties] +
            ($required === [] ? [] : ['required' => $required]) + ['additionalProperties' => false];
    }

    /** @return array<string, mixed> */
    private function either(): array
    {
        $all = [$this->many()];
        while ($this->takes('|')) {
            $all[] = $this->many();
        }
        if (count($all) === 1) {
            return $all[0];
        }
        $words = array_values(array_filter($all, static fn (array $s): bool => isset($s['const'])));
        $others = array_values(array_filter($all, static fn (array $s): bool => ! isset($s['const'])));
        if ($words !== []) {
            $others = [['type' => 'string', 'enum' => array_column($words, 'const')], ...$others];
        }

        return count($others) === 1 ? $others[0] : ['anyOf' => $others];
    }

    /** @return array<string, mixed> */
    private function many(): array
    {
        $one = $this->one();
        while ($this->takes('[]')) {
            $one = ['type' => 'array', 'items' => $one];
        }

        return $one;
    }

    /** @return array<string, mixed> */
    private function one(): array
    {
        $this->skip();
        if ($this->takes('(')) {
            $inner = $this->either();
            $this->needs(')');

            return $inner;
        }
        if ($this->takes('{')) {
            return $this->fields();
        }
        if ($this->takes('[')) {
            $items = [$this->either()];
            while ($this->takes(',')) {
                $items[] = $this->either();
            }
            $this->needs(']');

            return ['type' => 'array', 'prefixItems' => $items, 'minItems' => count($items), 'maxItems' => count($items)];
        }
        if (preg_match("/\G'([^']*)'/", $this->text, $m, 0, $this->at) === 1) {
            $this->at += strlen($m[0]);

            return ['const' => $m[1]];
        }
        if (preg_match('/\G[A-Za-z]+/', $this->text, $m, 0, $this->at) !== 1) {
            throw $this->wrong();
        }
        $this->at += strlen($m[0]);
        if ($m[0] === 'Record') {
            $this->needs('<');
            $this->needs('string');
            $this->needs(',');
            $inner = $this->either();
            $this->needs('>');

            return ['type' => 'object', 'additionalProperties' => $inner];
        }

        return self::PLAIN[$m[0]] ?? (ctype_upper($m[0][0]) ? ['$ref' => "#/components/schemas/{$m[0]}"] : throw $this->wrong());
    }

    /** @return array<string, mixed> */
    private function fields(): array
    {
        $fields = [];
        while (! $this->takes('}')) {
            $this->skip();
            if (preg_match('/\G(\w+)(\??)\s*:/', $this->text, $m, 0, $this->at) !== 1) {
                throw $this->wrong();
            }
            $this->at += strlen($m[0]);
            $from = $this->at;
            $this->either();
            $fields[$m[1].$m[2]] = substr($this->text, $from, $this->at - $from);
            $this->takes(';');
        }

        return self::object($fields);
    }

    private function skip(): void
    {
        $this->at += strspn($this->text, " \n\t", $this->at);
    }

    private function takes(string $what): bool
    {
        $this->skip();
        if (substr($this->text, $this->at, strlen($what)) !== $what) {
            return false;
        }
        $this->at += strlen($what);

        return true;
    }

    private function needs(string $what): void
    {
        if (! $this->takes($what)) {
            throw $this->wrong();
        }
    }

    private function wrong(): LogicException
    {
        return new LogicException("The type '{$this->text}' cannot be read at ".($this->at + 1).'.');
    }
}
