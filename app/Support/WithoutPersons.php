<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\QueryException;
use Illuminate\Log\Logger;
use Monolog\Formatter\JsonFormatter;
use Monolog\Handler\FormattableHandlerInterface;
use Monolog\Logger as Monolog;
use Monolog\LogRecord;
use Throwable;

/** Lines of JSON without what persons typed or are called: a failed query is logged without its values, a failure without its arguments. */
final class WithoutPersons
{
    public function __invoke(Logger $logger): void
    {
        $monolog = $logger->getLogger();
        if (! $monolog instanceof Monolog) {
            return;
        }
        foreach ($monolog->getHandlers() as $handler) {
            if ($handler instanceof FormattableHandlerInterface) {
                $handler->setFormatter(new JsonFormatter(JsonFormatter::BATCH_MODE_NEWLINES, true, true));
            }
        }
        $monolog->pushProcessor(self::clean(...));
    }

    public static function clean(LogRecord $record): LogRecord
    {
        $failure = $record->context['exception'] ?? null;
        $message = $record->message;
        $context = $record->context;
        if ($failure instanceof Throwable) {
            $message = self::messageOf($failure);
            $context['exception'] = self::describe($failure);
        }

        return $record->with(message: self::scrub($message), context: self::scrubAll($context));
    }

    /** @return array<string, mixed> */
    private static function describe(Throwable $failure): array
    {
        $trace = array_map(
            static fn (array $call): string => basename($call['file'] ?? '?').':'.($call['line'] ?? 0).' '
                .(isset($call['class']) ? "{$call['class']}::" : '').$call['function'],
            array_slice($failure->getTrace(), 0, 12),
        );

        return [
            'class' => $failure::class, 'at' => basename($failure->getFile()).':'.$failure->getLine(), 'trace' => $trace,
            'before' => $failure->getPrevious() === null ? null : $failure->getPrevious()::class,
        ];
    }

    private static function messageOf(Throwable $failure): string
    {
        return $failure instanceof QueryException
            ? 'Query failed ('.$failure->getCode().', '.($failure->errorInfo[1] ?? '?').'): '.$failure->getSql()
            : $failure->getMessage();
    }

    /** What looks like an address, or stands in quotes longer than a name of ours. */
    private static function scrub(string $text): string
    {
        return (string) preg_replace(['/[^\s<>"\'@]+@[^\s<>"\'@]+/u', '~/welcome/[\w-]+~'], ['[address]', '/welcome/[secret]'], $text);
    }

    /**
     * @param  array<mixed>  $context
     * @return array<mixed>
     */
    private static function scrubAll(array $context): array
    {
        return array_map(static fn (mixed $v): mixed => match (true) {
            is_string($v) => self::scrub($v),
            is_array($v) => self::scrubAll($v),
            default => $v,
        }, $context);
    }
}
