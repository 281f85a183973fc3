<?php

declare(strict_types=1);

namespace App\Contract;

use App\Access\Role;
use BackedEnum;
use LogicException;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\Verdict;
use MintCarry\Core\FollowUp\Kept;
use MintCarry\Core\Judging\ConfirmVerdict;
use MintCarry\Core\Judging\FindingKind;
use MintCarry\Core\Judging\GuardRailKind;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Order\OrderState;
use MintCarry\Core\Report\WorthVerdict;
use OpenApi\Annotations\OpenApi;
use OpenApi\Generator;
use ReflectionClass;
use Symfony\Component\Yaml\Yaml;

/** The API as its attributes describe it: docs/api.yaml, and from that the types of the front end. */
final class Contract
{
    /** Enums of the core that are schemas of their own. */
    private const ENUMS = [
        Hand::class, Verdict::class, ConfirmVerdict::class, WorthVerdict::class, FindingKind::class, GuardRailKind::class,
        Scoring::class, Measure::class, Role::class, OrderState::class, Kept::class,
    ];

    private const SHAPES = [
        Shapes\CommonShapes::class, Shapes\FittingShapes::class, Shapes\BayShapes::class, Shapes\BriefShapes::class,
        Shapes\RackShapes::class, Shapes\ShotShapes::class, Shapes\JudgingShapes::class, Shapes\FinderShapes::class, Shapes\ReachShapes::class,
        Shapes\DecideShapes::class, Shapes\AccessShapes::class, Shapes\CalendarShapes::class, Shapes\AroundShapes::class,
    ];

    /** @return array<string, mixed> the OpenAPI document */
    public static function document(): array
    {
        $generator = (new Generator)->setVersion('3.1.0');
        $api = $generator->generate([app_path('Http/Controllers')], validate: false);
        if (! $api instanceof OpenApi) {
            throw new LogicException('The controllers describe no API.');
        }
        /** @var array<string, mixed> $document */
        $document = json_decode($api->toJson(), true);
        $document['openapi'] = '3.1.0';
        $document['components']['schemas'] = self::schemas() + ($document['components']['schemas'] ?? []);
        foreach ($document['paths'] as $path => $operations) {
            foreach ($operations as $method => $operation) {
                $document['paths'][$path][$method] = self::operation($path, $operation);
            }
        }
        ksort($document['paths']);

        return $document;
    }

    /** @param  array<string, mixed>  $document */
    public static function yaml(array $document): string
    {
        $flags = Yaml::DUMP_OBJECT_AS_MAP | Yaml::DUMP_EMPTY_ARRAY_AS_SEQUENCE | Yaml::DUMP_MULTI_LINE_LITERAL_BLOCK;

        return Yaml::dump(json_decode((string) json_encode($document)), 12, 2, $flags);
    }

    /** @return array<string, array<string, mixed>> every shape and enum, by name */
    public static function schemas(): array
    {
        $out = [];
        foreach (self::ENUMS as $enum) {
            $name = (new ReflectionClass($enum))->getShortName();
            $out[$name] = [
                'type' => 'string',
                'enum' => array_map(static fn (BackedEnum $case): string => (string) $case->value, $enum::cases()),
            ];
        }
        foreach (self::shapes() as $name => $shape) {
            $schema = is_string($shape->fields) ? TypeText::schema($shape->fields) : TypeText::object(self::fieldsOf($shape));
            $out[$name] = $schema + ($shape->about === '' ? [] : ['description' => $shape->about]);
        }
        ksort($out);

        return $out;
    }

    /** @return array<string, Shape> by name */
    private static function shapes(): array
    {
        $out = [];
        foreach (self::SHAPES as $class) {
            foreach ((new ReflectionClass($class))->getAttributes(Shape::class) as $attribute) {
                $shape = $attribute->newInstance();
                $out[$shape->name] = isset($out[$shape->name])
                    ? throw new LogicException("There are two shapes called {$shape->name}.")
                    : $shape;
            }
        }

        return $out;
    }

    /** @return array<string, string> */
    private static function fieldsOf(Shape $shape): array
    {
        $fields = is_array($shape->fields) ? $shape->fields : throw new LogicException("{$shape->name} has no fields.");

        return $shape->of === null ? $fields : self::fieldsOf(self::shapes()[$shape->of]) + $fields;
    }

    /**
     * @param  array<string, mixed>  $operation  as the attributes give it
     * @return array<string, mixed>
     */
    private static function operation(string $path, array $operation): array
    {
        preg_match_all('/\{(\w+)\}/', $path, $names);
        $inPath = array_map(static fn (string $name): array => [
            'name' => $name, 'in' => 'path', 'required' => true,
            'schema' => ['type' => in_array($name, ['device', 'token'], true) ? 'string' : 'integer'],
        ], $names[1]);
        $asked = array_values(array_filter($operation['parameters'] ?? [], static fn (array $p): bool => $p['in'] !== 'path'));
        foreach ($asked as $i => $parameter) {
            if (isset($parameter['x-type'])) {
                $asked[$i] = array_diff_key($parameter, ['x-type' => 1]) + ['schema' => TypeText::schema($parameter['x-type'])];
            }
        }
        $operation['parameters'] = [...$inPath, ...$asked];
        if ($operation['parameters'] === []) {
            unset($operation['parameters']);
        }
        $body = $operation['requestBody'] ?? [];
        if (isset($body['x-fields'])) {
            $content = ($body['x-form'] ?? false) ? 'multipart/form-data' : 'application/json';
            $operation['requestBody'] = ['required' => true, 'content' => [$content => ['schema' => TypeText::object($body['x-fields'])]]];
        }
        foreach ($operation['responses'] as $status => $response) {
            if (isset($response['x-type'])) {
                $type = $response['x-type'];
                $content = str_contains($type, '/')
                    ? [$type => (object) []]
                    : ['application/json' => ['schema' => TypeText::schema($type)]];
                $operation['responses'][$status] = ['description' => $response['description'], 'content' => $content];
            }
        }
        if (! isset($operation['security'])) {
            $problem = ['application/json' => ['schema' => TypeText::schema('Problem')]];
            $operation['responses']['default'] = ['description' => 'refused, or failed: says why', 'content' => $problem];
        }

        return $operation;
    }

    /**
     * The first key that a body has and its fields do not name, with the way to it; null where all are known.
     *
     * @param  array<mixed>  $said
     * @param  array<string, string>  $fields
     */
    public static function unknownKey(array $said, array $fields): ?string
    {
        return self::unknownIn($said, TypeText::object($fields), '');
    }

    /** @param  array<string, mixed>  $schema */
    private static function unknownIn(mixed $said, array $schema, string $at): ?string
    {
        if (! is_array($said)) {
            return null;
        }
        if (isset($schema['$ref'])) {
            $name = basename($schema['$ref']);
            $shape = self::shapes()[$name] ?? null;
            $schema =
                $shape === null
                    ? []
                    : (is_string($shape->fields)
                        ? TypeText::schema($shape->fields)
                        : TypeText::object(self::fieldsOf($shape)));
        }
        foreach ($schema['anyOf'] ?? [] as $one) {
            // Of several types the one that could be an object or a list.
            if (
                isset($one['properties']) ||
                isset($one['items']) ||
                isset($one['$ref']) ||
                is_array($one['additionalProperties'] ?? null)
            ) {
                return self::unknownIn($said, $one, $at);
            }
        }
        foreach ($said as $key => $value) {
            $inner = match (true) {
                isset($schema['properties']) => array_is_list($said) ? null : $schema['properties'][$key] ?? false,
                isset($schema['items']) => (array) $schema['items'],
                default => is_array($schema['additionalProperties'] ?? null) ? $schema['additionalProperties'] : null,
            };
            if ($inner === false) {
                return $at.$key;
            }
            $unknown = $inner === null ? null : self::unknownIn($value, $inner, "{$at}{$key}.");
            if ($unknown !== null) {
                return $unknown;
            }
        }

        return null;
    }
}
