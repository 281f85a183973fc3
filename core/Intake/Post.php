<?php

declare(strict_types=1);

namespace MintCarry\Core\Intake;

use MintCarry\Core\Errors\InvalidInput;

use function array_intersect_key;
use function array_map;
use function count;
use function strlen;
use function substr;

/** The body of a post: one shot, or up to 50 under `shots`, each read by itself. */
final readonly class Post
{
    public const MOST_SHOTS = 50;

    public const MOST_BYTES = (self::MOST_SHOTS + 1) * PostedShot::MOST_BYTES;

    /** @param  list<PostedShot>  $shots */
    private function __construct(public array $shots)
    {
    }

    /** @throws InvalidInput where the body as a whole is no post: too large, or no list of 1 to 50 under `shots` */
    public static function read(string $bytes): self
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw InvalidInput::of('shots', 'The post is larger than 50 shots of 64 kB can be. Nothing was taken.');
        }
        $json = str_starts_with($bytes, "\u{FEFF}") ? substr($bytes, 3) : $bytes;
        $members = JsonSpans::members($json) ?? [];
        if (! isset($members['shots'])) {
            return new self([PostedShot::read(trim($json))]);
        }
        $spans = JsonSpans::elements($members['shots']);
        if ($spans === null || $spans === [] || count($spans) > self::MOST_SHOTS) {
            throw InvalidInput::of('shots', 'Send one shot, or a list of 1 to 50 under "shots". Nothing was taken.');
        }
        $whole = array_intersect_key($members, ['session' => 1, 'sentAt' => 1, 'source' => 1]);
        $ofPost = array_map(static fn (string $raw): mixed => PostedShot::decode($raw)[0], $whole);

        return new self(array_map(static fn (string $raw): PostedShot => PostedShot::read($raw, $ofPost), $spans));
    }

    /** @param  list<PostedShot>  $shots */
    public static function of(array $shots): self
    {
        return new self($shots);
    }
}
