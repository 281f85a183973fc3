<?php

declare(strict_types=1);

namespace App\Contract;

use Attribute;

/** The shape of something that the API answers or takes: a schema of docs/api.yaml, and a type of the front end. */
#[Attribute(Attribute::TARGET_CLASS | Attribute::IS_REPEATABLE)]
final readonly class Shape
{
    /**
     * @param  array<string, string>|string  $fields  type by name (`TypeText`), or one type that has this name
     * @param  string|null  $of  a shape whose fields this one has too
     */
    public function __construct(public string $name, public array|string $fields, public string $about = '', public ?string $of = null)
    {
    }
}
