<?php

declare(strict_types=1);

namespace MintCarry\Core\Intake;

use function array_diff_key;
use function array_is_list;
use function array_keys;
use function array_map;
use function floor;
use function hash;
use function implode;
use function is_array;
use function is_float;
use function is_infinite;
use function is_int;
use function is_string;
use function json_decode;
use function json_encode;
use function json_last_error;
use function json_last_error_msg;
use function ksort;
use function mb_strimwidth;
use function mb_strlen;
use function preg_match;
use function preg_replace_callback;
use function rtrim;
use function strlen;

/**
 * One shot as a sender posted it. What nobody could ever read (no JSON, no id, no values, too large) is *refused*; what can be told
 * from other shots but not be stored as it stands is *held*; the rest is ready to be read as a shot. No value is ever changed on the
 * way: a number too large for the machine is kept as its text.
 */
final readonly class PostedShot
{
    public const MOST_BYTES = 64_000;

    public const MOST_BESIDE_BYTES = 4_000;

    public const SOURCES = ['monitor', 'simulated'];

    private const DEPTH = 512;

    private const KNOWN = ['id' => 1, 'session' => 1, 'sequence' => 1, 'at' => 1, 'sentAt' => 1, 'source' => 1, 'values' => 1];

    /**
     * @param  string|null  $id  the sender's id, to the byte; null where none could be read
     * @param  string|null  $session  the sending session that the id holds in, if the sender names one
     * @param  int|null  $sequence  the sender's count
     * @param  string|null  $at  when it was hit, as the sender wrote it
     * @param  string|null  $sentAt  when it was sent, by the same clock
     * @param  array<mixed>  $values  by field name, as sent
     * @param  string|null  $beside  JSON of what else was sent
     * @param  list<string>  $remarks  what the fitter should know of it
     * @param  string|null  $heldFor  why it cannot be stored as it stands
     * @param  string|null  $refusedFor  why it can never be read
     * @param  string  $raw  the shot as it was sent, as valid UTF-8
     * @param  string  $content  the same for the same values, count and time, whatever the order of keys and the way a number is written
     */
    private function __construct(
        public ?string $id,
        public ?string $session = null,
        public ?int $sequence = null,
        public ?string $at = null,
        public ?string $sentAt = null,
        public string $source = 'monitor',
        public array $values = [],
        public ?string $beside = null,
        public array $remarks = [],
        public ?string $heldFor = null,
        public ?string $refusedFor = null,
        public string $raw = '',
        public string $content = '',
    ) {
    }

    /** @param  array<string, mixed>  $ofPost  session, sentAt and source of the whole post: they hold for a shot that says none */
    public static function read(string $raw, array $ofPost = []): self
    {
        if (strlen($raw) > self::MOST_BYTES) {
            return self::refused(self::idIn($raw), 'It is larger than 64 kB');
        }
        [$shot, $broken] = self::decode($raw);
        if (! is_array($shot) || ($shot !== [] && array_is_list($shot))) {
            $isJson = $shot !== null || json_last_error() === JSON_ERROR_NONE;

            return self::refused(null, $isJson ? 'It is not an object' : 'It is not JSON: '.json_last_error_msg());
        }
        $id = $shot['id'] ?? null;
        if (! is_string($id) || $id === '' || mb_strlen($id) > 64 || ($broken !== null && str_contains($id, "\u{FFFD}"))) {
            return self::refused(null, 'It needs an id of 1 to 64 letters, as text');
        }
        $values = $shot['values'] ?? null;
        if (! is_array($values) || ($values !== [] && array_is_list($values))) {
            return self::refused($id, 'It has no values: they are an object by field name');
        }

        return self::of($id, $shot, $values, $ofPost, $broken, $raw);
    }

    /**
     * A shot that the application makes itself.
     *
     * @param  array<string, mixed>  $values
     */
    public static function made(string $id, array $values, string $source): self
    {
        $body = ['id' => $id, 'source' => $source, 'values' => $values];

        return self::read(json_encode($body, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }

    /**
     * JSON read without changing a value: a number that the machine cannot hold stays the text it was.
     *
     * @return array{mixed, string|null} what it says, and what was wrong with its letters; [null, null] where it is no JSON
     */
    public static function decode(string $raw): array
    {
        // A power of three digits, or hundreds of digits: the only numbers that could run over.
        if (preg_match('/\d[eE][+-]?\d{3}|\d{200}/', $raw) === 1) {
            $stringOrNumber = '/"(?:[^"\\\\]++|\\\\.)*+"|-?\d++(?:\.\d++)?(?:[eE][+-]?\d++)?/s';
            $raw = (string) preg_replace_callback($stringOrNumber, self::asTextIfTooLarge(...), $raw);
        }
        $read = json_decode($raw, true, self::DEPTH, JSON_BIGINT_AS_STRING);
        if (json_last_error() !== JSON_ERROR_UTF8) {
            return [$read, null];
        }

        $read = json_decode($raw, true, self::DEPTH, JSON_BIGINT_AS_STRING | JSON_INVALID_UTF8_SUBSTITUTE);

        return [$read, 'It is not UTF-8; what could not be read stands as �'];
    }

    /** @param  array<int, string>  $found */
    private static function asTextIfTooLarge(array $found): string
    {
        $number = $found[0];
        if ($number[0] === '"') {
            return $number;
        }
        $isLost = is_infinite((float) $number) || ((float) $number === 0.0 && preg_match('/^-?[0.]*[1-9]/', $number) === 1);

        return $isLost ? "\"{$number}\"" : $number;
    }

    /**
     * @param  array<mixed>  $shot
     * @param  array<mixed>  $values
     * @param  array<string, mixed>  $ofPost
     */
    private static function of(string $id, array $shot, array $values, array $ofPost, ?string $broken, string $raw): self
    {
        $held = $broken === null ? [] : [$broken];
        if (JsonSpans::isAmbiguous($raw) || JsonSpans::isAmbiguous(JsonSpans::members($raw)['values'] ?? '')) {
            $held[] = 'It says something twice, and nobody can know which of the two is meant';
        }
        // The time of sending is by the clock of the session that sends: it says nothing of a shot that is left over from another.
        $isLeftOver = isset($shot['session']) && $shot['session'] !== ($ofPost['session'] ?? null);
        $said = $shot + array_diff_key($ofPost, $isLeftOver ? ['sentAt' => 1] : []);
        $text = static function (string $key, int $most) use ($said, &$held): ?string {
            $value = $said[$key] ?? null;
            if ($value !== null && (! is_string($value) || $value === '' || mb_strlen($value) > $most)) {
                $held[] = "'{$key}' must be text of 1 to {$most} letters";

                return null;
            }

            return $value;
        };
        $session = $text('session', 64);
        $at = $text('at', 60);
        $sentAt = $text('sentAt', 60);
        $source = $text('source', 20) ?? 'monitor';
        if (! in_array($source, self::SOURCES, true)) {
            $held[] = "'source' is one of ".implode(', ', self::SOURCES);
        }
        $sequence = $shot['sequence'] ?? null;
        if (is_float($sequence) && $sequence === floor($sequence) && $sequence < 2 ** 53) {
            $sequence = (int) $sequence;
        }
        if ($sequence !== null && (! is_int($sequence) || $sequence < 0)) {
            $held[] = "'sequence' must be a whole number from 0";
            $sequence = null;
        }
        $more = array_diff_key($shot, self::KNOWN);
        $beside = $more === [] ? null : (string) json_encode($more, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES, self::DEPTH);
        $remarks = [];
        if ($beside !== null && strlen($beside) > self::MOST_BESIDE_BYTES) {
            $names = mb_strimwidth(implode(', ', array_keys($more)), 0, 120, '…');
            $remarks[] = "What the monitor sent beside the values is larger than 4 kB and was not kept: {$names}.";
            $beside = null;
        }

        return new self(
            $id,
            $session,
            $sequence,
            $at,
            $sentAt,
            in_array($source, self::SOURCES, true) ? $source : 'monitor',
            $values,
            $beside,
            $remarks,
            $held === [] ? null : implode('; ', $held),
            raw: $broken === null ? $raw : (string) json_encode($shot, JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION, self::DEPTH),
            content: self::contentOf($values, $shot['sequence'] ?? null, $shot['at'] ?? null),
        );
    }

    /**
     * What makes two posted shots the same to the last digit: values, count and time of hitting.
     *
     * @param  array<mixed>  $values
     */
    public static function contentOf(array $values, mixed $sequence, mixed $at): string
    {
        $flags = JSON_UNESCAPED_UNICODE | JSON_PARTIAL_OUTPUT_ON_ERROR;

        return hash('xxh128', (string) json_encode(self::sorted([$values, $sequence, $at]), $flags, self::DEPTH + 8));
    }

    private static function sorted(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        if (! array_is_list($value)) {
            ksort($value, SORT_STRING);
        }

        return array_map(self::sorted(...), $value);
    }

    private static function refused(?string $id, string $why): self
    {
        return new self($id, refusedFor: rtrim($why, '.').'. It can never be read: do not repeat it.');
    }

    /** The id of a shot that is not read further, so that its answer can name it. */
    private static function idIn(string $raw): ?string
    {
        $id = json_decode(JsonSpans::members($raw)['id'] ?? '');

        return is_string($id) && $id !== '' && mb_strlen($id) <= 64 ? $id : null;
    }
}
