<?php

declare(strict_types=1);

namespace App\Contract;

use OpenApi\Attributes as OA;

/** Something that may stand behind the question mark. */
#[\Attribute(\Attribute::TARGET_METHOD)]
final class Asks extends OA\QueryParameter
{
    public function __construct(string $name, string $type = 'string', string $about = '')
    {
        parent::__construct(name: $name, required: false, description: $about !== '' ? $about : null, x: ['type' => $type]);
    }
}
