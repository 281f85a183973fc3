<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Contract\Contract;
use App\Contract\Takes;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use OpenApi\Annotations\Operation;
use OpenApi\Attributes\QueryParameter;
use ReflectionAttribute;
use ReflectionMethod;
use Symfony\Component\HttpFoundation\Response;

/** What a route's attributes do not name is refused by name: a misspelt key must not pass for nothing said. */
final class KnownKeys
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $operation = self::operation($request);
        if ($operation !== null) {
            $takes = $operation->requestBody instanceof Takes ? $operation->requestBody->fields : [];
            $said = $request->isJson() ? $request->json()->all() : $request->post() + $request->allFiles();
            self::refuse(Contract::unknownKey($said, $takes), array_keys($takes));
            $asked = array_map(
                static fn (QueryParameter $p): string => (string) $p->name,
                array_values(array_filter((array) $operation->parameters, static fn (mixed $p): bool => $p instanceof QueryParameter)),
            );
            self::refuse(array_values(array_diff(array_map(strval(...), array_keys($request->query())), $asked))[0] ?? null, $asked);
        }

        return $next($request);
    }

    private static function operation(Request $request): ?Operation
    {
        $action = $request->route()?->getActionName() ?? '';
        [$class, $method] = str_contains($action, '@') ? Str::parseCallback($action) : [$action, '__invoke'];
        if (! is_string($class) || ! method_exists($class, (string) $method)) {
            return null;
        }
        $attributes = (new ReflectionMethod($class, (string) $method))->getAttributes(Operation::class, ReflectionAttribute::IS_INSTANCEOF);

        return ($attributes[0] ?? null)?->newInstance();
    }

    /** @param  list<string>  $known */
    private static function refuse(?string $unknown, array $known): void
    {
        if ($unknown === null) {
            return;
        }
        $names = array_map(static fn (string $k): string => rtrim($k, '?'), $known);
        throw ValidationException::withMessages([$unknown => sprintf(
            "'%s' is not something this takes; it takes %s. Nothing was saved; what you typed is still here.",
            mb_strimwidth($unknown, 0, 60, '…'), $names === [] ? 'nothing' : implode(', ', $names),
        )]);
    }
}
