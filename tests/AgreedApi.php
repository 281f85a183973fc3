<?php

declare(strict_types=1);

namespace Tests;

use App\Contract\Contract;
use Illuminate\Http\JsonResponse;
use Illuminate\Routing\Route;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpFoundation\Response;

/** Holds what a route really answers against what docs/api.yaml says that it answers (opis/json-schema, draft 2020-12). */
final class AgreedApi
{
    private const BASE = 'https://mint.example/';

    /** A list of many of a kind is looked at in its first: what holds for them holds for all. */
    private const MOST_OF_A_LIST = 40;

    /** @var array<string, mixed>|null */
    private static ?array $document = null;

    private static ?Validator $validator = null;

    /** @var array<string, true> operations that were answered in this process */
    private static array $seen = [];

    /** @var array<string, true> schemas that the validator knows */
    private static array $known = [];

    public static function hold(string $method, ?Route $route, Response $response): void
    {
        $operation = $route === null ? null : self::document()['paths']['/'.ltrim($route->uri(), '/')][strtolower($method)] ?? null;
        if ($operation === null) {
            return;
        }
        if (! $response instanceof JsonResponse) {
            // A file: of the kind that the document names.
            $kind = strtok((string) $response->headers->get('Content-Type'), ';');
            if (isset($operation['responses'][$response->getStatusCode()]['content'][$kind])) {
                self::note((string) $operation['operationId']);
            }

            return;
        }
        $status = $response->getStatusCode();
        $name = "{$operation['operationId']} {$status}";
        $answer = $operation['responses'][$status] ?? ($status >= 400 ? $operation['responses']['default'] ?? null : null);
        Assert::assertNotNull($answer, "docs/api.yaml does not say that {$method} {$route->uri()} answers {$status}.");
        $schema = $answer['content']['application/json']['schema'] ?? null;
        if ($schema === null) {
            return;
        }
        self::note((string) $operation['operationId']);
        $id = self::BASE.rawurlencode($name);
        $validator = self::validator();
        if (! isset(self::$known[$id])) {
            $validator->resolver()?->registerRaw(self::linked($schema), $id);
            self::$known[$id] = true;
        }
        $said = json_decode((string) $response->getContent());
        $result = $validator->validate(self::shortened($said), $id);
        $error = $result->error();
        Assert::assertNull($error, $error === null ? '' : "{$method} {$route->uri()} answered otherwise than docs/api.yaml says: "
            .json_encode((new ErrorFormatter)->format($error), JSON_UNESCAPED_SLASHES));
    }

    /** For `bin/test`, which looks whether every operation was answered by some test. */
    private static function note(string $operation): void
    {
        $folder = getenv('ANSWERED');
        if (! isset(self::$seen[$operation]) && is_string($folder) && is_dir($folder)) {
            file_put_contents($folder.'/'.getmypid(), "{$operation}\n", FILE_APPEND);
        }
        self::$seen[$operation] = true;
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        return self::$document ??= Contract::document();
    }

    private static function validator(): Validator
    {
        if (self::$validator === null) {
            self::$validator = new Validator;
            foreach (self::document()['components']['schemas'] as $name => $schema) {
                self::$validator->resolver()?->registerRaw(self::linked($schema), self::BASE."schema/{$name}");
            }
        }

        return self::$validator;
    }

    /**
     * The same schema with its references as addresses of schemas that the validator knows.
     *
     * @param  array<string, mixed>  $schema
     */
    private static function linked(array $schema): object
    {
        $json = str_replace(
            '"#\\/components\\/schemas\\/', '"'.addcslashes(self::BASE.'schema/', '/'),
            (string) json_encode($schema === [] ? (object) [] : $schema),
        );

        return json_decode($json);
    }

    private static function shortened(mixed $said): mixed
    {
        if (is_array($said)) {
            return array_map(self::shortened(...), array_slice($said, 0, self::MOST_OF_A_LIST));
        }
        if (is_object($said)) {
            foreach (get_object_vars($said) as $key => $value) {
                $said->{$key} = self::shortened($value);
            }
        }

        return $said;
    }
}
