<?php

declare(strict_types=1);

namespace App\Contract;

use OpenApi\Attributes as OA;

/** What a route answers: JSON of a type (`TypeText`), or a file. */
#[\Attribute(\Attribute::TARGET_METHOD)]
final class Answer extends OA\Response
{
    /** @param  string  $type  a type, or a content type with a slash */
    public function __construct(string $type, int $status = 200, string $about = '')
    {
        parent::__construct(
            response: $status, description: $about !== '' ? $about : ($status === 201 ? 'made' : 'as asked'), x: ['type' => $type],
        );
    }
}
