<?php

declare(strict_types=1);

namespace MintCarry\Cli;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Record\Item;
use Throwable;

/**
 * bin/mint: JSON in, JSON out, over the core alone. `[` = an array in, an array out; `{` = an object a line, an object out a
 * line, in constant memory. Exit code 0, or 2 when anything was refused; 70 for a
 * fault of ours. Where its reader closes the pipe it ends at once and quietly.
 */
final readonly class Program
{
    private const JSON = JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR;

    /**
     * @param  resource  $in
     * @param  resource  $out
     * @param  resource  $error
     */
    public function __construct(private mixed $in, private mixed $out, private mixed $error)
    {
    }

    /** @param  list<string>  $arguments without the program's name */
    public function run(array $arguments): int
    {
        try {
            return $this->answer($arguments);
        } catch (ReaderGone) {
            return 0;
        } catch (Throwable $e) {
            // A fault of ours, told as one; where it lies stands in the error log of PHP.
            error_log((string) $e);
            @fwrite($this->error, json_encode(
                ['error' => ['code' => 'fault', 'message' => 'A fault of ours stopped this: '.$e->getMessage(), 'field' => '']], self::JSON,
            )."\n");

            return 70;
        }
    }

    /** @param  list<string>  $arguments */
    private function answer(array $arguments): int
    {
        $name = array_shift($arguments);
        if ($name === null || in_array($name, ['--help', '-h', 'help'], true)) {
            $this->help();

            return 0;
        }
        try {
            [$what, $known, $shape, $takesFile] = (Commands::ALL[$name] ??
                throw InvalidInput::of('command', "'{$name}' is not a command; bin/mint alone lists them.")) + [3 => false];
            if (array_intersect($arguments, ['--help', '-h']) !== []) {
                $this->say(
                    "bin/mint {$name} — {$what}\n".
                        ($known === [] ? '' : 'options: --'.implode(', --', $known)."\n").
                        "{$shape}\n",
                );

                return 0;
            }
            $from = $takesFile && $arguments !== [] && ! str_starts_with($arguments[0], '--') ? array_shift($arguments) : '-';
            $do = Commands::make($name, Options::read($arguments, $known));
        } catch (InvalidInput|UnreadableFile|ModelFailure $e) {
            return $this->refuse($e);
        }

        if ($from === '-') {
            return $this->feed($do);
        }
        $file = is_file($from) ? @fopen($from, 'rb') : false;

        return $file === false
            ? $this->refuse(UnreadableFile::because("The file '{$from}' cannot be read."))
            : (new self($file, $this->out, $this->error))->feed($do);
    }

    /** @throws ReaderGone when nobody reads any more */
    private function say(string $text): void
    {
        if (@fwrite($this->out, $text) !== strlen($text)) {
            throw new ReaderGone('The reader has closed the pipe.');
        }
    }

    /** @param  callable(Item): array<string, mixed>  $do */
    private function feed(callable $do): int
    {
        $first = '';
        while (($line = fgets($this->in)) !== false && ($first = ltrim($line, " \t\r\n\u{FEFF}")) === '') {
            continue;
        }
        if ($first === '') {
            return $this->refuse(UnreadableFile::because('Nothing came on standard input: give a JSON object or array.'));
        }
        if ($first[0] === '[') {
            return $this->whole($first.stream_get_contents($this->in), $do);
        }
        if ($first[0] !== '{') {
            return $this->refuse(UnreadableFile::because('The input is not JSON: it must begin with { or [.'));
        }
        $data = json_decode($first, true);
        if ($data === null) {
            // A single object may span lines.
            return $this->single($first.stream_get_contents($this->in), $do);
        }

        return $this->stream($first, $do);
    }

    /** @param  callable(Item): array<string, mixed>  $do */
    private function whole(string $json, callable $do): int
    {
        $items = json_decode($json, true);
        if (! is_array($items) || ! array_is_list($items)) {
            return $this->refuse(UnreadableFile::because('The input is not JSON: '.json_last_error_msg().'.'));
        }
        $out = [];
        foreach ($items as $index => $item) {
            try {
                $out[] = $do(Item::of($item));
            } catch (InvalidInput|UnreadableFile|ModelFailure $e) {
                return $this->refuse($e, $index);
            }
        }
        $this->say(json_encode($out, self::JSON)."\n");

        return 0;
    }

    /** @param  callable(Item): array<string, mixed>  $do */
    private function single(string $json, callable $do): int
    {
        $data = json_decode($json, true);
        if (! is_array($data)) {
            // Not one object over several lines: then it is a stream whose first line is broken.
            $lines = explode("\n", $json);
            $memory = fopen('php://temp', 'r+');
            if (
                count(array_filter($lines, static fn (string $l): bool => trim($l) !== '')) < 2 ||
                $memory === false ||
                ! $this->anyObject($lines)
            ) {
                return $this->refuse(UnreadableFile::because('The input is not JSON: '.json_last_error_msg().'.'));
            }
            fwrite($memory, implode("\n", array_slice($lines, 1)));
            rewind($memory);

            return (new self($memory, $this->out, $this->error))->stream($lines[0], $do);
        }
        try {
            $this->say(json_encode($do(Item::of($data)), self::JSON)."\n");
        } catch (InvalidInput|UnreadableFile|ModelFailure $e) {
            $this->say(json_encode(['index' => 0, 'error' => self::describe($e)], self::JSON)."\n");

            return 2;
        }

        return 0;
    }

    /** @param  list<string>  $lines */
    private function anyObject(array $lines): bool
    {
        foreach ($lines as $line) {
            if (is_array(json_decode($line, true))) {
                return true;
            }
        }

        return false;
    }

    /** @param  callable(Item): array<string, mixed>  $do */
    private function stream(string $line, callable $do): int
    {
        $code = 0;
        $index = 0;
        do {
            if (trim($line) === '') {
                continue;
            }
            try {
                $data = json_decode($line, true);
                if ($data === null) {
                    throw UnreadableFile::because('This line is not JSON: '.json_last_error_msg().'.');
                }
                $this->say(json_encode($do(Item::of($data)), self::JSON)."\n");
            } catch (InvalidInput|UnreadableFile|ModelFailure $e) {
                $this->say(json_encode(['index' => $index, 'error' => self::describe($e)], self::JSON)."\n");
                $code = 2;
            }
            $index++;
        } while (($line = fgets($this->in)) !== false);

        return $code;
    }

    private function refuse(InvalidInput|UnreadableFile|ModelFailure $e, ?int $index = null): int
    {
        fwrite($this->error, json_encode(['error' => self::describe($e, $index)], self::JSON)."\n");

        return 2;
    }

    /** @return array{code: string, message: string, index?: int|null, field: ?string} */
    private static function describe(InvalidInput|UnreadableFile|ModelFailure $e, int|false|null $index = false): array
    {
        $code = $e instanceof ModelFailure ? 'model_failure' : $e->reason;
        $message = $e instanceof ModelFailure ? "{$e->line()} {$e->getMessage()}" : $e->getMessage();

        return ['code' => $code, 'message' => $message] +
            ($index === false ? [] : ['index' => $index]) + ['field' => $e instanceof InvalidInput ? $e->field : null];
    }

    private function help(): void
    {
        $this->say("bin/mint COMMAND [options] < JSON: the core on the command line. bin/mint COMMAND --help says more.\n\n");
        foreach (Commands::ALL as $name => [$what]) {
            $this->say(sprintf("  %-10s %s\n", $name, $what));
        }
    }
}
