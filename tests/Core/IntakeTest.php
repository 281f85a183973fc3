<?php

declare(strict_types=1);

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Intake\JsonSpans;
use MintCarry\Core\Intake\Post;
use MintCarry\Core\Intake\PostedShot;

// What a posted shot is.

it('cuts JSON where its outermost commas are', function (): void {
    expect(JsonSpans::elements(' [ {"a": "x,]}"} , [1,[2,3]] ,"\\"," , -1.5e3,null] '))
        ->toBe(['{"a": "x,]}"}', '[1,[2,3]]', '"\\","', '-1.5e3', 'null'])
        ->and(JsonSpans::elements('[]'))->toBe([])
        ->and(JsonSpans::elements('{"a":1}'))->toBeNull()
        ->and(JsonSpans::members('{"a" : [1,2], "b\\u0063": "}" , "a": 3}'))->toBe(['a' => '3', 'bc' => '"}"'])
        ->and(JsonSpans::members('{}'))->toBe([])
        ->and(JsonSpans::members('word'))->toBeNull();
});

it('cuts as json_decode reads, whatever is in it', function (): void {
    mt_srand(7);
    $value = function (int $depth) use (&$value): mixed {
        return match ($depth > 3 ? mt_rand(0, 4) : mt_rand(0, 6)) {
            0 => null, 1 => mt_rand(-9, 9) / 4, 2 => (bool) mt_rand(0, 1),
            3, 4 => implode(
                '',
                array_map(fn (): string => ['"', '\\', '{', ']', ',', ':', 'é', "\n", 'x'][mt_rand(0, 8)], range(0, mt_rand(0, 5))),
            ),
            5 => array_map(fn (): mixed => $value($depth + 1), range(0, mt_rand(0, 3))),
            default => ['k' => $value($depth + 1), '"}' => $value($depth + 1)],
        };
    };
    for ($i = 0; $i < 400; $i++) {
        $list = array_map(fn (): mixed => $value(0), range(1, mt_rand(1, 5)));
        $json = json_encode($list, JSON_THROW_ON_ERROR | (mt_rand(0, 1) ? JSON_PRETTY_PRINT : 0));
        expect(array_map(fn (string $span): mixed => json_decode($span, true), JsonSpans::elements($json) ?? []))->toEqual($list);
    }
});

it('keeps what is whole of a post that breaks off or is broken within', function (): void {
    $post = Post::read(
        '{"session":"s","shots":[{"id":"a","values":{"launchDeg":1}}, {"id":"b" "values":{}}, {"id":"c","values":{"x":"'.
            "\xFF".
            '"}}, {"id":"d","values":{"launchDeg":2',
    );
    expect(array_map(fn (PostedShot $s): ?string => $s->id, $post->shots))->toBe(['a', null, 'c', null])
        ->and($post->shots[0]->session)->toBe('s')
        ->and($post->shots[0]->refusedFor)->toBeNull()
        ->and($post->shots[1]->refusedFor)->toContain('not JSON')->toContain('do not repeat it')
        ->and($post->shots[2]->heldFor)->toContain('not UTF-8')
        ->and(json_decode($post->shots[2]->raw, true)['values']['x'])->toBe("\u{FFFD}")
        ->and(Post::read('{"shots":[{"id":"b" "values":{}}]}')->shots[0]->refusedFor)->not->toBeNull();
});

it('makes no other value of what it reads', function (string $raw, mixed $value): void {
    $shot = PostedShot::read('{"id":"a","values":{"spinRpm":'.$raw.'}}');
    expect($shot->values['spinRpm'])->toBe($value);
})->with([
    ['1e999', '1e999'], ['-1e400', '-1e400'], ['1e-999', '1e-999'], ['0e999', 0.0],
    ['12345678901234567890', '12345678901234567890'], [str_repeat('9', 400), str_repeat('9', 400)], ['2.5e2', 250.0],
    ['"1e999"', '1e999'], ['true', true], ['null', null], ['"2\u00e9"', '2é'],
]);

it('refuses what can never be read', function (string $raw, ?string $id, string $why): void {
    $shot = PostedShot::read($raw);
    expect($shot->id)->toBe($id)->and($shot->refusedFor)->toContain($why)->toContain('do not repeat');
})->with([
    'nothing' => ['', null, 'not JSON'],
    'half of it' => ['{"id":"a","values":{"launchDeg":', null, 'not JSON'],
    'a word' => ['"shot"', null, 'not an object'],
    'a list' => ['[1,2]', null, 'not an object'],
    'no id' => ['{"values":{}}', null, 'needs an id'],
    'an id that is a number' => ['{"id":7,"values":{}}', null, 'needs an id'],
    'an id without end' => ['{"id":"'.str_repeat('é', 65).'","values":{}}', null, 'needs an id'],
    'an id of broken letters' => ["{\"id\":\"a\xC3\",\"values\":{}}", null, 'needs an id'],
    'no values' => ['{"id":"a"}', 'a', 'no values'],
    'values in a list' => ['{"id":"a","values":[1]}', 'a', 'no values'],
    'larger than 64 kB' => ['{"id":"a","values":{"note":"'.str_repeat('x', 64_000).'"}}', 'a', '64 kB'],
    'nested without end' => ['{"id":"a","values":{"x":'.str_repeat('[', 600).str_repeat(']', 600).'}}', null, 'not JSON'],
]);

it('holds what can be told from other shots but not taken as it stands', function (string $more, string $why): void {
    $shot = PostedShot::read('{"id":"a",'.$more.',"values":{}}');
    expect($shot->refusedFor)->toBeNull()->and($shot->heldFor)->toContain($why);
})->with([
    ['"sequence":"7"', 'whole number'], ['"sequence":-1', 'whole number'], ['"sequence":7.5', 'whole number'],
    ['"sequence":true', 'whole number'], ['"sequence":1e999', 'whole number'], ['"sequence":123456789012345678901', 'whole number'],
    ['"at":12', "'at' must be text"], ['"at":{}', "'at' must be text"], ['"at":"'.str_repeat('1', 61).'"', "'at' must be text"],
    ['"session":5', "'session' must be text"], ['"session":""', "'session' must be text"],
    ['"source":"dream"', "'source' is one of"], ['"source":4', "'source' must be text"],
]);

it('holds a shot that says something twice', function (string $raw, bool $held): void {
    expect(PostedShot::read($raw)->heldFor !== null)->toBe($held);
})->with([
    ['{"id":"a","values":{"spinRpm":2400,"spinRpm":9999}}', true], ['{"id":"a","id":"b","values":{}}', true],
    ['{"id":"a","values":{"launchDeg":1,"launch\u0044eg":2}}', true],
    ['{"id":"a","values":{"a":{"value":1},"b":{"value":1}}}', false], ['{"id":"a","values":{}}', false],
]);

it('takes a whole number however it is written, and keeps what stands beside', function (): void {
    $shot = PostedShot::read('{"id":"a","sequence":7.0,"values":{},"mood":"fine","wind":{"from":"left"}}');
    expect($shot->sequence)->toBe(7)
        ->and($shot->heldFor)->toBeNull()
        ->and($shot->beside)->toBe('{"mood":"fine","wind":{"from":"left"}}')
        ->and($shot->remarks)->toBe([]);
    $large = PostedShot::read('{"id":"a","values":{},"picture":"'.str_repeat('x', 5000).'"}');
    expect($large->beside)->toBeNull()->and($large->remarks[0])->toContain('picture')->and($large->heldFor)->toBeNull();
});

it('tells content by values, count and time alone', function (): void {
    $content = fn (string $raw): string => PostedShot::read($raw, ['sentAt' => '2026-05-03T10:42:07Z'])->content;
    $one = '{"id":"a","sequence":3,"at":"x","values":{"launchDeg":12,"spinRpm":{"value":2400,"unit":"rpm"}}}';
    expect(
        $content(
            '{"values":{"spinRpm":{"unit":"rpm","value":2400.0},"launchDeg":1.2e1},"tries":2,"sentAt":"later","at":"x","sequence":3,"id":"b"}',
        ),
    )->toBe($content($one));
    foreach (
        [
            '"at":"y"' => '"at":"x"', '"sequence":4' => '"sequence":3', '"launchDeg":12.0001' => '"launchDeg":12',
            '"value":"2400"' => '"value":2400', '"unit":"1/s"' => '"unit":"rpm"',
        ] as $new => $old
    ) {
        expect($content(str_replace($old, $new, $one)))->not->toBe($content($one), $new);
    }
});

it('reads one shot or up to 50', function (string $body): void {
    expect(fn () => Post::read($body))->toThrow(InvalidInput::class, 'Nothing was taken');
})->with([
    'no list' => '{"shots":"many"}', 'an empty one' => '{"shots":[]}',
    '51 of them' => '{"shots":['.implode(',', array_fill(0, 51, '{}')).']}', 'more than 50 can be' => str_repeat(' ', 3_300_000),
]);
