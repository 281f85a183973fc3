<?php

declare(strict_types=1);

namespace App\Contract;

use OpenApi\Attributes as OA;

/** What a route takes in its body; what is not named here is refused (`KnownKeys`). */
#[\Attribute(\Attribute::TARGET_METHOD)]
final class Takes extends OA\RequestBody
{
    /**
     * @param  array<string, string>  $fields  type by name (`TypeText`)
     * @param  bool  $isForm  is it a form with a file, rather than JSON?
     */
    public function __construct(public array $fields, public bool $isForm = false)
    {
        parent::__construct(required: true, x: ['fields' => $fields, 'form' => $isForm]);
    }
}
